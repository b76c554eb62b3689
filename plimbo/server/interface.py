"""The built web interface: its files, and one page for every address that is not a file."""

from pathlib import Path

from fastapi import FastAPI, Request
from fastapi.responses import FileResponse, HTMLResponse, Response
from starlette.exceptions import HTTPException

BUILT = Path(__file__).with_name("web")
NOT_BUILT = (
    "<!doctype html><title>Plimbo</title><p>The web interface is not built yet: run <code>make build</code>.</p>"
)


def install(app: FastAPI, web: Path) -> None:
    """Serve the interface at every address that the API does not take."""

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str, request: Request) -> Response:
        if path == "api" or path.startswith("api/"):
            raise HTTPException(404, "There is nothing at this address.")
        file = (web / path).resolve()
        if path and file.is_relative_to(web.resolve()) and file.is_file() and file.name != "index.html":
            # Vite puts a hash in the names under assets, so they may be kept for ever.
            lasting = "public, max-age=31536000, immutable" if path.startswith("assets/") else "no-cache"
            return FileResponse(file, headers={"cache-control": lasting})
        if path.startswith("assets/"):
            raise HTTPException(404, "There is nothing at this address.")
        index = web / "index.html"
        html = index.read_text() if index.is_file() else NOT_BUILT
        return HTMLResponse(html.replace("__NONCE__", request.state.nonce))
