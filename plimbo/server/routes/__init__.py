"""One file for each group of addresses."""

from typing import Annotated, Any

from fastapi import Depends, Path, Request, Response
from pydantic import BaseModel

from plimbo.server import examples
from plimbo.server.compilation import Compilation
from plimbo.server.readable import Readable, readable_of
from plimbo.server.uploads import Uploads
from plimbo.store import Archive, Records


def _records(request: Request) -> Records:
    records: Records = request.app.state.records
    return records


def _archive(request: Request) -> Archive:
    archive: Archive = request.app.state.archive
    return archive


def _uploads(request: Request) -> Uploads:
    uploads: Uploads = request.app.state.uploads
    return uploads


def _compiled(request: Request) -> None:
    compilation: Compilation = request.app.state.compilation
    compilation.require()


# For a route that simulates: it is refused, with a word to ask again, while the simulation is being compiled.
SIMULATES = [Depends(_compiled)]
Store = Annotated[Records, Depends(_records)]
TheUploads = Annotated[Uploads, Depends(_uploads)]
TheArchive = Annotated[Archive, Depends(_archive)]
CanRead = Annotated[Readable, Depends(readable_of)]
RecordId = Annotated[str, Path(description="Id of the record.", examples=[examples.RECORD_ID])]


def shows(answer: Any, status: int = 200) -> dict[str, Any]:
    """For the API's document: an example answer of an operation without parameters."""
    return {"responses": {str(status): {"content": {"application/json": {"example": answer}}}}}


def as_json(answer: BaseModel) -> Response:
    """An answer of the core as it is: it is valid already and need not be checked again."""
    return Response(answer.model_dump_json(), media_type="application/json")
