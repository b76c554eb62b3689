"""Errors as RFC 9457 problem documents, in words a user can act on; never a stack trace."""

import logging
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ValidationError
from starlette.exceptions import HTTPException

from plimbo.core.errors import OutOfRange
from plimbo.core.phrases import Measure
from plimbo.core.units import shown
from plimbo.files import UnreadableFile
from plimbo.server.field_paths import dimension_of
from plimbo.store import Conflict, NotFound

log = logging.getLogger("plimbo")
MEDIA_TYPE = "application/problem+json"


class FieldError(BaseModel):
    """What is wrong with one field. `{limit}` in the message stands for `limit`, in the reader's units."""

    path: str
    message: str
    limit: Measure | None = None

    def told(self) -> str:
        """The message with its limit, in metric units."""
        return self.message.replace("{limit}", shown(self.limit.value, self.limit.dimension) if self.limit else "")


class Problem(BaseModel):
    """A problem document."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    errors: list[FieldError] = []
    current_version: int | None = None


RESPONSES: dict[int | str, dict[str, Any]] = {
    status: {"model": Problem, "description": text, "content": {MEDIA_TYPE: {}}}
    for status, text in {
        400: "Not understood",
        403: "Refused",
        404: "Not found",
        409: "Saved by someone else meanwhile",
        413: "Too large",
        422: "Impossible value",
    }.items()
}

_LIMITS = {
    "greater_than": ("gt", "Must be more than {limit}."),
    "greater_than_equal": ("ge", "Must be at least {limit}."),
    "less_than": ("lt", "Must be less than {limit}."),
    "less_than_equal": ("le", "Must be at most {limit}."),
}
_PLAIN = {
    "missing": "Is missing.",
    "finite_number": "Must be a number that is not infinite.",
    "float_parsing": "Must be a number.",
    "float_type": "Must be a number.",
    "string_too_short": "Give it a name.",
    "string_too_long": "Is too long.",
    "extra_forbidden": "Is not known here.",
    "json_invalid": "This is not JSON.",
    "enum": "Choose one of the list.",
    "too_short": "At least one is needed.",
    "too_long": "Too many.",
}


def problem(problem: Problem) -> JSONResponse:
    """The response for a problem."""
    return JSONResponse(problem.model_dump(mode="json", exclude_none=True), problem.status, media_type=MEDIA_TYPE)


def field_errors(errors: Any, model: type[BaseModel] | None = None) -> list[FieldError]:
    """Pydantic's errors in plain words, each at its field; `model` gives the limits their units."""
    found = []
    for error in errors:
        path = ".".join(str(part) for part in error["loc"] if part != "body") if error["type"] != "json_invalid" else ""
        context = error.get("ctx", {})
        if error["type"] in _LIMITS:
            key, message = _LIMITS[error["type"]]
            limit = Measure(value=float(context[key]), dimension=dimension_of(path, model))
            found.append(FieldError(path=path, message=message, limit=limit))
        elif error["type"] == "value_error":
            found.append(FieldError(path=path, message=str(context.get("error", error["msg"]))))
        else:
            found.append(FieldError(path=path, message=_PLAIN.get(error["type"], error["msg"])))
    return found


def _impossible(errors: list[FieldError]) -> JSONResponse:
    detail = " ".join(f"{error.path}: {error.told()}".removeprefix(": ") for error in errors[:3])
    return problem(Problem(title="Impossible value", status=422, detail=detail, errors=errors))


def install(app: FastAPI) -> None:
    """Turn every error into a problem document."""

    @app.exception_handler(RequestValidationError)
    async def invalid_request(_request: Request, error: RequestValidationError) -> JSONResponse:
        return _impossible(field_errors(error.errors()))

    @app.exception_handler(ValidationError)
    async def invalid_document(_request: Request, error: ValidationError) -> JSONResponse:
        return _impossible(field_errors(error.errors()))

    @app.exception_handler(OutOfRange)
    async def out_of_range(_request: Request, error: OutOfRange) -> JSONResponse:
        limit = None if error.limit is None else Measure(value=error.limit[0], dimension=error.limit[1])
        return _impossible([FieldError(path=error.path, message=error.message, limit=limit)])

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
