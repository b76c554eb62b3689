"""Backups: copies of the whole database, made while it is in use."""

import shlex
import threading
from datetime import datetime
from pathlib import Path

from fastapi import APIRouter, Request
from pydantic import BaseModel, Field

from plimbo.server.problems import problems
from plimbo.server.route_limits import Queue, limited
from plimbo.server.routes import shows
from plimbo.store import DataFolder, NotFound, back_up_into

router = APIRouter(tags=["backups"])
_MAKING = threading.Lock()


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
    folder = _folder(request)
    found = [_backup_of(folder, file) for file in folder.backups.glob("*.sqlite3")]
    return sorted((one for one in found if one is not None), key=lambda one: one.made_at, reverse=True)[:100]


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
    # One after another, so that none is deleted as the eleventh before it is answered.
    with _MAKING:
        made = _backup_of(folder, back_up_into(folder.database, folder.backups))
    if made is None:
        raise NotFound("backup")
    return made


def _backup_of(folder: DataFolder, file: Path) -> Backup | None:
    """None where it has been deleted meanwhile."""
    try:
        about, place = file.stat(), file.resolve()
    except FileNotFoundError:
        return None
    return Backup(
        file=str(place),
        # The folder is named, since the command would otherwise use the user's default folder.
        restore=shlex.join(["plimbo", "restore", str(place), "--data", str(folder.path.resolve())]),
        made_at=datetime.fromtimestamp(about.st_mtime).astimezone(),
        size=about.st_size,
    )
