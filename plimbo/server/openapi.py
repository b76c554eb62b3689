"""The published OpenAPI document; `python -m plimbo.server.openapi FILE` writes it for the types of the web."""

import json
import sys
import tempfile
from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.encoders import jsonable_encoder

from plimbo.server.problems import Problem

DESCRIPTION = (
    "Every question of the job has one address: documents go in, the answer comes out, and nothing is kept."
    " The other addresses keep cars, setups and their revisions. Numbers are SI; each says its dimension and unit."
)
# FastAPI gives every operation with parameters a 422 of this shape, whether it can occur or not.
_UNASKED = "HTTPValidationError"
_REFERENCE = "#/components/schemas/{model}"


def publish(app: FastAPI) -> None:
    """Keep only the responses that each operation declares."""
    made = app.openapi

    def published() -> dict[str, Any]:
        if app.openapi_schema is None:
            document = made()
            for operation in (one for path in document["paths"].values() for one in path.values()):
                if _UNASKED in json.dumps(operation["responses"].get("422", {})):
                    del operation["responses"]["422"]
            shapes = document["components"]["schemas"]
            for name in (_UNASKED, "ValidationError"):
                shapes.pop(name, None)
            shape = jsonable_encoder(Problem.model_json_schema(ref_template=_REFERENCE), exclude_none=True)
            shapes |= {**shape.pop("$defs", {}), Problem.__name__: shape}
        return made()

    app.openapi = published  # type: ignore[method-assign]


def openapi_text() -> str:
    """The OpenAPI document of the server, the same for the same code."""
    from plimbo.server.app import create_app  # noqa: PLC0415  (which uses this file)
    from plimbo.store import Database  # noqa: PLC0415

    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Database(Path(folder) / "none.sqlite3"))
        return json.dumps(app.openapi(), indent=2, sort_keys=True) + "\n"


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(openapi_text())
