"""Errors as RFC 9457 problem documents, in words that a user can act on; never a stack trace."""

import json
import logging
from pathlib import Path
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import Response
from pydantic import BaseModel, ConfigDict, Field, ValidationError
from starlette.exceptions import HTTPException
from starlette.requests import ClientDisconnect

from plimbo.core import OutOfRange, OutsideValidity, UnreadableFile
from plimbo.core.quantities.refusals import FieldError, field_errors, refusal_of
from plimbo.server.compilation import RETRY_AFTER, Compiling
from plimbo.server.jobs import TooMany
from plimbo.server.readable import UnreadableRecord
from plimbo.server.route_limits import TooLarge, TooSlow
from plimbo.store import Conflict, Fault, NameTaken, NotArchived, NotFound, fault_of

log = logging.getLogger("plimbo")
log.addHandler(logging.NullHandler())
MEDIA_TYPE = "application/problem+json"
# Types of problem that the interface handles itself.
OUTSIDE_MODEL = "urn:plimbo:problem:outside-model"
UNREADABLE_RECORD = "urn:plimbo:problem:unreadable-record"
COMPILING = "urn:plimbo:problem:compiling"
# Most errors of one answer.
MOST_ERRORS = 20


class Problem(BaseModel):
    """A problem document."""

    model_config = ConfigDict(
        json_schema_extra={
            "example": {
                "type": "about:blank",
                "title": "Impossible value",
                "status": 422,
                "detail": "setup.pedal.ratio: Must be at most 12.00.",
                "errors": [
                    {
                        "path": "setup.pedal.ratio",
                        "message": "Must be at most {limit}.",
                        "limit": {"value": 12.0, "dimension": "ratio"},
                    }
                ],
            }
        }
    )

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    errors: list[FieldError] = []
    further_errors: int | None = Field(None, description="How many more errors there are than are listed.")
    current_version: int | None = None


_SAYS = {
    400: "Not understood",
    403: "Refused",
    404: "Not found",
    408: "Too slow",
    409: "Not as it stands now",
    413: "Too large",
    415: "Not of the right kind",
    422: "Impossible value",
    429: "Too many at once",
    503: "Not possible at present",
    507: "The disk is full",
}


# The problems that any request may have.
OF_A_BODY = (400, 408, 413, 415, 422)


def problems(*statuses: int) -> dict[int | str, dict[str, Any]]:
    """The problems that an operation can answer with, apart from those of the guard."""
    # By its name in the published document: as a model, each mention would be built again at every start.
    content = {MEDIA_TYPE: {"schema": {"$ref": f"#/components/schemas/{Problem.__name__}"}}}
    return {status: {"description": _SAYS[status], "content": content} for status in (403, *statuses)}


class _Json(Response):
    """In ASCII, since a name may contain a lone surrogate, which UTF-8 cannot encode."""

    media_type = MEDIA_TYPE

    def render(self, content: Any) -> bytes:
        return json.dumps(content).encode()


def problem(problem: Problem) -> Response:
    """The response for a problem."""
    return _Json(problem.model_dump(mode="json", exclude_none=True), problem.status)


def _impossible(errors: list[Any], title: str = "Impossible value") -> Response:
    """From Pydantic's errors: the first ones, and the number of further ones."""
    refused = field_errors(errors[:MOST_ERRORS])
    detail = " ".join(f"{error.path}: {error.text()}".removeprefix(": ") for error in refused[:3])
    further = len(errors) - len(refused)
    if further:
        detail += f" And {further} more."
    return problem(Problem(title=title, status=422, detail=detail, errors=refused, further_errors=further or None))


def problem_of(error: Exception, database: Path) -> Response:
    """For an unexpected error: a fault of the database or its disk, or a mistake of ours. The log says where."""
    fault = fault_of(error, database)
    if fault is None:
        log.error("unexpected error", exc_info=error)
        return problem(
            Problem(title="Our mistake", status=500, detail="Plimbo made a mistake. What you saved before is safe.")
        )
    log.error("the database or its disk: %s", fault.fault, exc_info=error)
    status = 507 if fault.fault is Fault.FULL else 503
    title = _SAYS[507] if status == 507 else "The database cannot be read or written"
    return problem(Problem(title=title, status=status, detail=str(fault)))


def install(app: FastAPI, database: Path) -> None:
    """Turn every error into a problem document."""

    @app.exception_handler(RequestValidationError)
    async def invalid_request(_request: Request, error: RequestValidationError) -> Response:
        return _impossible(list(error.errors()))

    @app.exception_handler(ValidationError)
    async def invalid_document(_request: Request, error: ValidationError) -> Response:
        return _impossible(error.errors(include_url=False, include_input=False))

    @app.exception_handler(OutOfRange)
    async def out_of_range(_request: Request, error: OutOfRange) -> Response:
        refused = refusal_of(error)
        detail = f"{refused.path}: {refused.text()}".removeprefix(": ")
        return problem(
            Problem(type=OUTSIDE_MODEL, title="Outside the model", status=422, detail=detail, errors=[refused])
        )

    @app.exception_handler(OutsideValidity)
    async def outside_validity(_request: Request, error: OutsideValidity) -> Response:
        return problem(Problem(title="Outside what the model holds for", status=422, detail=str(error)))

    @app.exception_handler(UnreadableFile)
    async def unreadable(_request: Request, error: UnreadableFile) -> Response:
        return problem(Problem(title="Unreadable file", status=400, detail=str(error)))

    @app.exception_handler(UnreadableRecord)
    async def unreadable_record(_request: Request, error: UnreadableRecord) -> Response:
        detail = f"This cannot be opened here. {error} Take its raw file home; everything else opens."
        return problem(Problem(type=UNREADABLE_RECORD, title="Unreadable record", status=422, detail=detail))

    @app.exception_handler(TooLarge)
    async def too_large(_request: Request, error: TooLarge) -> Response:
        return problem(Problem(title=_SAYS[413], status=413, detail=str(error)))

    @app.exception_handler(TooSlow)
    async def too_slow(_request: Request, error: TooSlow) -> Response:
        return problem(Problem(title=_SAYS[408], status=408, detail=str(error)))

    @app.exception_handler(ClientDisconnect)
    async def sender_left(_request: Request, _error: ClientDisconnect) -> Response:
        return Response(status_code=400)  # which no client reads

    @app.exception_handler(TooMany)
    async def too_many(_request: Request, _error: TooMany) -> Response:
        return problem(
            Problem(
                title=_SAYS[429],
                status=429,
                detail="Several long calculations are running already: wait for one of them.",
            )
        )

    @app.exception_handler(Compiling)
    async def compiling(_request: Request, _error: Compiling) -> Response:
        detail = (
            "The simulation of heat is being compiled on this machine: about half a minute, once."
            " Everything else works meanwhile."
        )
        answer = problem(Problem(type=COMPILING, title="Being compiled", status=503, detail=detail))
        answer.headers["retry-after"] = str(RETRY_AFTER)
        return answer

    @app.exception_handler(NotFound)
    async def not_found(_request: Request, _error: NotFound) -> Response:
        return problem(Problem(title="Not found", status=404, detail="It is not here. Was it removed?"))

    @app.exception_handler(Conflict)
    async def conflict(_request: Request, error: Conflict) -> Response:
        return problem(
            Problem(
                title="Saved elsewhere meanwhile",
                status=409,
                detail="Another tab or person saved this in the meantime. Yours is kept here until you choose.",
                current_version=error.current_version,
            )
        )

    @app.exception_handler(NameTaken)
    async def name_taken(_request: Request, error: NameTaken) -> Response:
        where = ", in the archive" if error.archived else ""
        message = f"Another {error.kind} is called “{error.name}”{where}: give it a name of its own."
        refused = FieldError(path=f"{error.kind}.name", message=message)
        return problem(Problem(title="Name taken", status=422, detail=message, errors=[refused]))

    @app.exception_handler(NotArchived)
    async def not_archived(_request: Request, _error: NotArchived) -> Response:
        detail = "Put it in the archive first: only what is there is deleted for good."
        return problem(Problem(title="Still on the list", status=409, detail=detail))

    @app.exception_handler(HTTPException)
    async def http_error(_request: Request, error: HTTPException) -> Response:
        title = _SAYS.get(error.status_code, "Refused")
        # Only a body is refused in this way.
        detail = "What was sent is not JSON." if error.status_code == 400 else str(error.detail)
        refused = problem(Problem(title=title, status=error.status_code, detail=detail))
        refused.headers.update(error.headers or {})
        return refused

    @app.exception_handler(Exception)
    async def unexpected(_request: Request, error: Exception) -> Response:
        return problem_of(error, database)
