"""The application: routes, errors, guard and the built web interface."""

from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.routing import APIRoute
from starlette.types import ASGIApp

from plimbo import __version__
from plimbo.server import interface, openapi, problems
from plimbo.server.access import Access
from plimbo.server.guard import Guard
from plimbo.server.readable import Readable
from plimbo.server.routes import air, backups, cars, circuits, desk, garage, heat, questions, reference, setups
from plimbo.server.standings import Standings
from plimbo.server.turns import Turns
from plimbo.server.work import Work
from plimbo.store import Database, DataFolder, Garage, Jobs, Records


def _operation_name(route: APIRoute) -> str:
    return route.name


class Application(FastAPI):
    """The guard stands around everything, so that no answer leaves without its headers."""

    access: Access
    database: Database

    def build_middleware_stack(self) -> ASGIApp:
        return Guard(Turns(super().build_middleware_stack()), self.access, self.database.path)


def create_app(database: Database, access: Access | None = None, web: Path = interface.BUILT) -> Application:
    """The server over a migrated database; `web` is the folder of the built interface."""
    app: Any = Application(
        title="Plimbo",
        description=openapi.DESCRIPTION,
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        generate_unique_id_function=_operation_name,
    )
    app.state.records = Records(database)
    app.state.garage = Garage(database)
    app.state.standings = Standings()
    app.state.readable = Readable(app.state.records)
    app.state.work = Work(Jobs(database))
    app.state.folder = DataFolder(database.path.parent)
    app.access, app.database = access or Access(), database
    for routes in (reference, questions, heat, air, garage, cars, setups, circuits, desk, backups):
        app.include_router(routes.router, prefix="/api")
    openapi.publish(app)
    interface.install(app, web)
    problems.install(app, database.path)
    return app  # type: ignore[no-any-return]
