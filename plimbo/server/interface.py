"""The built web interface: its files, and one page for every address that is not a file."""

from pathlib import Path

from fastapi import FastAPI, Request
from fastapi.responses import FileResponse, HTMLResponse, Response
from starlette.exceptions import HTTPException
from starlette.routing import Match, Route
from starlette.types import Scope

BUILT = Path(__file__).with_name("web")
NOT_BUILT = (
    "<!doctype html><title>Plimbo</title><p>The web interface is not built yet: run <code>make build</code>.</p>"
)


class _Pages(Route):
    """Every address outside the API; addresses of the API are left to it, so that it can report errors."""

    def matches(self, scope: Scope) -> tuple[Match, Scope]:
        path = scope["path"]
        return (Match.NONE, {}) if path == "/api" or path.startswith("/api/") else super().matches(scope)


def install(app: FastAPI, web: Path) -> None:
    """Serve the interface at every address that the API does not take."""
    root = web.resolve()

    def page(request: Request) -> Response:
        path = request.path_params["path"]
        file = _file(root, path)
        if file is not None and file.name != "index.html":
            # Vite puts a hash in the names under assets, so they may be kept for ever.
            lasting = "public, max-age=31536000, immutable" if path.startswith("assets/") else "no-cache"
            return FileResponse(file, headers={"cache-control": lasting})
        if path.startswith("assets/"):
            raise HTTPException(404, "There is nothing at this address.")
        index = root / "index.html"
        html = index.read_text() if index.is_file() else NOT_BUILT
        return HTMLResponse(html.replace("__NONCE__", request.state.nonce))

    app.router.routes.append(_Pages("/{path:path}", page, methods=["GET"], include_in_schema=False))


def _file(root: Path, path: str) -> Path | None:
    """A file of the interface; none if the address is not that of a file."""
    try:
        file = (root / path).resolve()
        return file if path and file.is_relative_to(root) and file.is_file() else None
    except (OSError, ValueError):  # a name that is too long or not allowed
        return None
