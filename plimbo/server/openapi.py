"""Writes the API's schema to a file, for the types of the web: `python -m plimbo.server.openapi FILE`."""

import json
import sys
import tempfile
from pathlib import Path

from plimbo.server.app import create_app
from plimbo.store import Database


def openapi_text() -> str:
    """The OpenAPI document of the server, the same for the same code."""
    with tempfile.TemporaryDirectory() as folder:
        app = create_app(Database(Path(folder) / "none.sqlite3"))
        return json.dumps(app.openapi(), indent=2, sort_keys=True) + "\n"


if __name__ == "__main__":
    Path(sys.argv[1]).write_text(openapi_text())
