"""One file for each group of addresses."""

from typing import Annotated, Any

from fastapi import Depends, Path, Request

from plimbo.server import examples
from plimbo.server.readable import Readable, readable_of
from plimbo.store import Records


def _records(request: Request) -> Records:
    records: Records = request.app.state.records
    return records


Store = Annotated[Records, Depends(_records)]
CanRead = Annotated[Readable, Depends(readable_of)]
CarId = Annotated[str, Path(description="Id of a car.", examples=[examples.RECORD_ID])]
SetupId = Annotated[str, Path(description="Id of a setup.", examples=[examples.RECORD_ID])]


def shows(answer: Any, status: int = 200) -> dict[str, Any]:
    """For the API's document: an example of what an operation without parameters answers."""
    return {"responses": {str(status): {"content": {"application/json": {"example": answer}}}}}
