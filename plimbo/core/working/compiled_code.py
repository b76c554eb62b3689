"""Where compiled code is kept, and whether all of it is there: without importing the compiler, which is slow.

Numba checks only the file of a function, not the functions that it calls. So the compiled code is kept by a hash of the
whole core: a changed law is compiled again.
"""

import hashlib
import shutil
from functools import cache
from pathlib import Path

from platformdirs import user_cache_path

CORE = Path(__file__).parents[1]
# Number of other contents that are kept, for another version that may be running.
OTHERS = 3
COMPLETE = "complete"


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


@cache
def folder() -> Path:
    """The folder of this core's compiled code, in the user's cache."""
    return kept_in(user_cache_path("plimbo", appauthor=False) / "compiled")


def is_complete() -> bool:
    """Whether everything has been compiled for this core."""
    return (folder() / COMPLETE).exists()


def mark_complete() -> None:
    """Everything has been compiled."""
    folder().mkdir(parents=True, exist_ok=True)
    (folder() / COMPLETE).touch()
