"""Files that are too large for a question: uploaded first, then named in it."""

from typing import Annotated

from fastapi import APIRouter, Path, Request
from pydantic import BaseModel, Field

from plimbo.server import examples
from plimbo.server.problems import problems
from plimbo.server.route_limits import limited
from plimbo.server.routes import TheUploads
from plimbo.server.uploads import MOST_BYTES, Upload

router = APIRouter(tags=["uploads"])
UploadId = Annotated[
    str,
    Path(
        description="An id of the sender's own choice, 32 hexadecimal digits.",
        examples=[examples.RECORD_ID],
        pattern="^[0-9a-f]{32}$",
    ),
]
_FILE = {"content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}}, "required": True}


class UploadedFile(BaseModel):
    """An upload in progress or complete."""

    id: str
    received: int = Field(description="Bytes that are here.")
    size: int | None = Field(description="Bytes in all, where the sender said so.")
    complete: bool


@router.put(
    "/uploads/{upload_id}",
    summary="Upload a file",
    responses=problems(404, 408, 413, 415, 422, 507),
    openapi_extra={"requestBody": _FILE},
)
@limited(body=MOST_BYTES, streamed=True)
async def upload_file(upload_id: UploadId, request: Request, uploads: TheUploads) -> UploadedFile:
    """The raw file, content-type application/octet-stream; an incomplete upload is deleted."""
    announced = request.headers.get("content-length", "")
    size = int(announced) if announced.isdigit() else None
    return _shown(upload_id, await uploads.receive(upload_id, request.stream(), size))


@router.get("/uploads/{upload_id}", summary="Ask how far an upload has come", responses=problems(404, 422))
def get_upload(upload_id: UploadId, uploads: TheUploads) -> UploadedFile:
    """During the upload and afterwards."""
    return _shown(upload_id, uploads.progress(upload_id))


@router.delete("/uploads/{upload_id}", status_code=204, summary="Discard an upload", responses=problems(404, 422))
def discard_upload(upload_id: UploadId, uploads: TheUploads) -> None:
    """Otherwise it is deleted after a day."""
    uploads.discard(upload_id)


def _shown(upload_id: str, upload: Upload) -> UploadedFile:
    return UploadedFile(id=upload_id, **upload._asdict())
