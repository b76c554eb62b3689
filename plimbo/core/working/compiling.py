"""Numba's compiler, for what is marched step by step; what it made is kept on the disk.

Numba looks at the file of a function only, not at what the function calls. So it is kept by the content of the whole
core: a law that changes is compiled anew. Importing this takes a moment: only who simulates does.
"""

import hashlib
import shutil
from pathlib import Path
from typing import Any

from numba import config, njit
from platformdirs import user_cache_path

CORE = Path(__file__).parents[1]
# Of other contents so many are left, for another version that may be running.
OTHERS = 3


def content_of(core: Path) -> str:
    """A short name for all that stands in the core."""
    digest = hashlib.sha256()
    for file in sorted(core.rglob("*.py")):
        digest.update(file.read_bytes())
    return digest.hexdigest()[:16]


def kept_in(caches: Path, core: Path = CORE) -> Path:
    """The folder for what is compiled from this content; the oldest of others go."""
    folder = caches / content_of(core)
    if caches.is_dir():
        others = sorted((one for one in caches.iterdir() if one != folder), key=lambda one: one.stat().st_mtime)
        for old in others[: -OTHERS or None]:
            shutil.rmtree(old, ignore_errors=True)
    return folder


settings: Any = config
settings.CACHE_DIR = str(kept_in(user_cache_path("plimbo", appauthor=False) / "compiled"))
# No number in it is infinite or none, so the compiler may reorder sums.
# Other questions go on meanwhile: nothing in it touches Python.
compiled = njit(cache=True, fastmath=True, error_model="numpy", nogil=True)
# Put into whoever calls it: records of many numbers are costly to hand over.
inlined = njit(cache=True, fastmath=True, error_model="numpy", forceinline=True)
