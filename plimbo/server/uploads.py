"""Uploads: streamed to the disk beside the database, complete or not at all, and deleted after a day."""

import asyncio
import contextlib
import os
import time
from collections.abc import AsyncIterator
from pathlib import Path
from typing import IO, NamedTuple

from plimbo.core import OutOfRange
from plimbo.server.route_limits import MEGABYTE
from plimbo.store import NotFound

# An hour's log at a hundred rows a second of a dozen channels is about 40 MB.
MOST_BYTES = 200 * MEGABYTE
# Most uploads that are kept; the oldest are deleted.
KEPT = 20
KEPT_SECONDS = 24 * 3600.0
_UNFINISHED = ".part"


class Upload(NamedTuple):
    """Progress of one upload, bytes; `size` is the announced size, if any."""

    received: int
    size: int | None
    complete: bool


class Uploads:
    """The uploads of one server, in a folder of their own."""

    def __init__(self, folder: Path) -> None:
        self._folder = folder
        self._sizes: dict[str, int | None] = {}

    async def receive(self, upload_id: str, stream: AsyncIterator[bytes], size: int | None) -> Upload:
        """Write the stream to the disk; if it ends early or fails, the file is deleted."""
        await asyncio.to_thread(self._make_room)
        unfinished, whole = self._path(upload_id).with_suffix(_UNFINISHED), self._path(upload_id)
        self._sizes[upload_id] = size
        try:
            with await asyncio.to_thread(_opened, unfinished) as file:
                async for stretch in stream:
                    await asyncio.to_thread(file.write, stretch)
                received = file.tell()
            await asyncio.to_thread(os.replace, unfinished, whole)
        finally:
            unfinished.unlink(missing_ok=True)
            self._sizes.pop(upload_id, None)
        return Upload(received, received, complete=True)

    def progress(self, upload_id: str) -> Upload:
        """Its progress. Raises `NotFound`."""
        for path, complete in ((self._path(upload_id), True), (self._path(upload_id).with_suffix(_UNFINISHED), False)):
            try:
                received = path.stat().st_size
            except FileNotFoundError:
                continue
            return Upload(received, received if complete else self._sizes.get(upload_id), complete)
        raise NotFound(upload_id)

    def file(self, upload_id: str, most: int) -> Path:
        """Where it is, complete. Raises `NotFound`, and `OutOfRange` if it is larger than `most` bytes."""
        upload = self.progress(upload_id)
        if not upload.complete:
            raise NotFound(upload_id)
        if upload.received > most:
            raise OutOfRange("upload_id", f"More than {most / MEGABYTE:.0f} MB: take one lap of it, or fewer rows.")
        return self._path(upload_id)

    def discard(self, upload_id: str) -> None:
        """Delete it completely. Raises `NotFound`."""
        try:
            self._path(upload_id).unlink()
        except FileNotFoundError:
            raise NotFound(upload_id) from None

    def clear(self) -> None:
        """At a start: deletes incomplete uploads of a server that ended."""
        for path in self._folder.glob(f"*{_UNFINISHED}"):
            path.unlink(missing_ok=True)

    def _path(self, upload_id: str) -> Path:
        return self._folder / upload_id

    def _make_room(self) -> None:
        self._folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        ages = {}
        for path in self._folder.iterdir():
            # Another upload, which makes room at the same moment, may delete it first.
            with contextlib.suppress(FileNotFoundError):
                if path.suffix != _UNFINISHED:
                    ages[path] = path.stat().st_mtime
        kept = sorted(ages, key=ages.__getitem__)
        old = [path for path in kept if ages[path] < time.time() - KEPT_SECONDS]
        for path in {*old, *kept[: max(0, len(kept) - KEPT + 1)]}:
            path.unlink(missing_ok=True)


def _opened(path: Path) -> IO[bytes]:
    return os.fdopen(os.open(path, os.O_WRONLY | os.O_CREAT | os.O_TRUNC, 0o600), "wb")
