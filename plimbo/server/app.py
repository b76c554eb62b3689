"""The application: routes, errors, guard and the built web interface."""

from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.routing import APIRoute

from plimbo import __version__
from plimbo.server import interface, openapi, problems
from plimbo.server.guard import Access, Guard
from plimbo.server.routes import cars, desk, questions, reference, setups
from plimbo.store import Database, Records


def _operation_name(route: APIRoute) -> str:
    return route.name


def create_app(database: Database, access: Access | None = None, web: Path = interface.BUILT) -> FastAPI:
    """The server over a migrated database; `web` is the folder of the built interface."""
    app: Any = FastAPI(
        title="Plimbo",
        description=openapi.DESCRIPTION,
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        generate_unique_id_function=_operation_name,
    )
    app.state.records = Records(database)
    app.state.database = database
    for routes in (reference, questions, cars, setups, desk):
        app.include_router(routes.router, prefix="/api")
    openapi.publish(app)
    interface.install(app, web)
    problems.install(app)
    app.add_middleware(Guard, access=access or Access())
    return app  # type: ignore[no-any-return]
