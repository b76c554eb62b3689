"""Backups: copies of the whole database, made while it is in use."""

import shlex
from datetime import datetime
from pathlib import Path

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field

from plimbo.server.problems import problems
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import shows
from plimbo.store import DataFolder, back_up_into

router = APIRouter(tags=["backups"])


class Backup(BaseModel):
    """A copy of the database on the machine that serves it."""

    file: str = Field(description="Where it stands.")
    restore: str = Field(description="The command that brings it back, once the server is stopped.")
    made_at: datetime
    size: int = Field(description="Bytes.")


_FILE = "/data/backups/plimbo-2026-05-01-090000.sqlite3"
_EXAMPLE = {
    "file": _FILE,
    "restore": f"plimbo restore {_FILE} --data /data",
    "made_at": "2026-05-01T09:00:00Z",
    "size": 90112,
}


def _folder(request: Request) -> DataFolder:
    folder: DataFolder = request.app.state.folder
    return folder


@router.get("/backups", summary="List the backups", responses=problems(), openapi_extra=shows([_EXAMPLE]))
@limited(Queue.RECORDS)
def list_backups(request: Request) -> list[Backup]:
    """Newest first, including those made before a restore."""
    found = sorted(_folder(request).backups.glob("*.sqlite3"), key=lambda file: file.stat().st_mtime, reverse=True)
    return [_backup_of(_folder(request), file) for file in found[:100]]


@router.post(
    "/backups",
    status_code=201,
    summary="Make a backup",
    responses=problems(415),
    openapi_extra=shows(_EXAMPLE, 201),
)
@limited(Queue.RECORDS)
def make_backup(request: Request) -> Backup:
    """A further copy in the folder of backups; the newest ten of a day are kept."""
    folder = _folder(request)
    return _backup_of(folder, back_up_into(folder.database, folder.backups))


def _backup_of(folder: DataFolder, file: Path) -> Backup:
    about, place = file.stat(), file.resolve()
    return Backup(
        file=str(place),
        # The folder is named, since the command would otherwise use the user's default folder.
        restore=shlex.join(["plimbo", "restore", str(place), "--data", str(folder.path.resolve())]),
        made_at=datetime.fromtimestamp(about.st_mtime).astimezone(),
        size=about.st_size,
    )
