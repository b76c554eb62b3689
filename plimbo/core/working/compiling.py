"""Numba's compiler, for the step-by-step simulation; the compiled code is kept on disk.

Numba checks only the file of a function, not the functions that it calls. So the compiled code is kept by the content
of the whole core: a changed law is compiled again. Importing this is slow: only simulations import it.
"""

import hashlib
import shutil
from pathlib import Path
from typing import Any

from numba import config, njit
from platformdirs import user_cache_path

CORE = Path(__file__).parents[1]
# Number of other contents that are kept, for another version that may be running.
OTHERS = 3


def content_of(core: Path) -> str:
    """A short hash of the core's source code."""
    digest = hashlib.sha256()
    for file in sorted(core.rglob("*.py")):
        digest.update(file.read_bytes())
    return digest.hexdigest()[:16]


def kept_in(caches: Path, core: Path = CORE) -> Path:
    """The folder of the code compiled from this content; the oldest other folders are deleted."""
    folder = caches / content_of(core)
    if caches.is_dir():
        others = sorted((one for one in caches.iterdir() if one != folder), key=lambda one: one.stat().st_mtime)
        for old in others[: -OTHERS or None]:
            shutil.rmtree(old, ignore_errors=True)
    return folder


settings: Any = config
settings.CACHE_DIR = str(kept_in(user_cache_path("plimbo", appauthor=False) / "compiled"))
# It has no infinite numbers and no NaN, so the compiler may reorder sums. It does not use Python objects, so other
# questions can run meanwhile.
compiled = njit(cache=True, fastmath=True, error_model="numpy", nogil=True)
# Inlined into its caller: passing records of many numbers is slow.
inlined = njit(cache=True, fastmath=True, error_model="numpy", forceinline=True)
