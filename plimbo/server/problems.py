"""Errors as RFC 9457 problem documents, in words a user can act on; never a stack trace."""

import logging
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ConfigDict, ValidationError
from starlette.exceptions import HTTPException

from plimbo.core import OutOfRange, OutsideValidity, UnreadableFile
from plimbo.core.quantities.phrases import Measure
from plimbo.core.quantities.refusals import FieldError, field_errors
from plimbo.store import Conflict, NotFound

log = logging.getLogger("plimbo")
MEDIA_TYPE = "application/problem+json"


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
    current_version: int | None = None


_SAYS = {
    400: "Not understood",
    403: "Refused",
    404: "Not found",
    409: "Saved by someone else meanwhile",
    413: "Too large",
    422: "Impossible value",
}


def problems(*statuses: int) -> dict[int | str, dict[str, Any]]:
    """The problems that an operation can answer with, beside being refused at the door."""
    return {
        status: {"model": Problem, "description": _SAYS[status], "content": {MEDIA_TYPE: {}}}
        for status in (403, *statuses)
    }


def problem(problem: Problem) -> JSONResponse:
    """The response for a problem."""
    return JSONResponse(problem.model_dump(mode="json", exclude_none=True), problem.status, media_type=MEDIA_TYPE)


def _impossible(errors: list[FieldError]) -> JSONResponse:
    detail = " ".join(f"{error.path}: {error.text()}".removeprefix(": ") for error in errors[:3])
    return problem(Problem(title="Impossible value", status=422, detail=detail, errors=errors))


def install(app: FastAPI) -> None:
    """Turn every error into a problem document."""

    @app.exception_handler(RequestValidationError)
    async def invalid_request(_request: Request, error: RequestValidationError) -> JSONResponse:
        return _impossible(field_errors(list(error.errors())))

    @app.exception_handler(ValidationError)
    async def invalid_document(_request: Request, error: ValidationError) -> JSONResponse:
        return _impossible(field_errors(error.errors()))

    @app.exception_handler(OutOfRange)
    async def out_of_range(_request: Request, error: OutOfRange) -> JSONResponse:
        limit = None if error.limit is None else Measure(value=error.limit[0], dimension=error.limit[1])
        return _impossible([FieldError(path=error.path, message=error.message, limit=limit)])

    @app.exception_handler(OutsideValidity)
    async def outside_validity(_request: Request, error: OutsideValidity) -> JSONResponse:
        return problem(Problem(title="Outside what the model holds for", status=422, detail=str(error)))

    @app.exception_handler(UnreadableFile)
    async def unreadable(_request: Request, error: UnreadableFile) -> JSONResponse:
        return problem(Problem(title="Unreadable file", status=400, detail=str(error)))

    @app.exception_handler(NotFound)
    async def not_found(_request: Request, _error: NotFound) -> JSONResponse:
        return problem(Problem(title="Not found", status=404, detail="It is not here. Was it removed?"))

    @app.exception_handler(Conflict)
    async def conflict(_request: Request, error: Conflict) -> JSONResponse:
        return problem(
            Problem(
                title="Saved elsewhere meanwhile",
                status=409,
                detail="Another tab or person saved this in the meantime. Yours is kept here until you choose.",
                current_version=error.current_version,
            )
        )

    @app.exception_handler(HTTPException)
    async def http_error(_request: Request, error: HTTPException) -> JSONResponse:
        return problem(Problem(title="Refused", status=error.status_code, detail=str(error.detail)))

    @app.exception_handler(Exception)
    async def unexpected(_request: Request, error: Exception) -> JSONResponse:
        log.error("unexpected error", exc_info=error)
        return problem(
            Problem(title="Our mistake", status=500, detail="Plimbo made a mistake. What you saved before is safe.")
        )
