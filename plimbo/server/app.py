"""The application: routes, errors, guard and the built web interface."""

import warnings
from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.routing import APIRoute
from pydantic.warnings import UnsupportedFieldAttributeWarning
from starlette.types import ASGIApp

from plimbo import __version__
from plimbo.server import interface, openapi, problems
from plimbo.server.access import Access
from plimbo.server.compilation import Compilation
from plimbo.server.guard import Guard
from plimbo.server.jobs import RunningJobs
from plimbo.server.queues import Queues
from plimbo.server.readable import Readable
from plimbo.server.route_limits import LimitsByRoute
from plimbo.server.routes import air, backups, desk, garage, heat, plans, questions, reference, setups, uploads
from plimbo.server.routes.records import record_routes
from plimbo.server.setup_summaries import SetupSummaries
from plimbo.server.uploads import Uploads
from plimbo.store import Archive, Database, DataFolder, Jobs, RecordKind, Records

# FastAPI gives each body an alias; Pydantic warns about it when it builds the validator, at the first request.
warnings.filterwarnings("ignore", category=UnsupportedFieldAttributeWarning)

# Checks for imported files, by kind.
CHECKS = {RecordKind.SETUP: setups.refused_by_the_model}
API = "/api"


def _operation_name(route: APIRoute) -> str:
    return route.name


class Application(FastAPI):
    """The guard wraps everything, so that every answer has its headers."""

    access: Access
    database: Database
    limits: LimitsByRoute

    def build_middleware_stack(self) -> ASGIApp:
        return Guard(Queues(super().build_middleware_stack()), self.access, self.database.path, self.limits)


def create_app(database: Database, access: Access | None = None, web: Path = interface.BUILT) -> Application:
    """The server over a migrated database; `web` is the folder of the built interface."""
    app: Any = Application(
        title="Plimbo",
        description=openapi.DESCRIPTION,
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        # An address has no slash at its end: with one it is another address, where nothing is.
        redirect_slashes=False,
        generate_unique_id_function=_operation_name,
    )
    folder = DataFolder(database.path.parent)
    app.state.records = Records(database)
    app.state.archive = Archive(database)
    app.state.summaries = SetupSummaries()
    app.state.compilation = Compilation()
    app.state.readable = Readable()
    app.state.jobs = RunningJobs(Jobs(database))
    app.state.uploads = Uploads(folder.uploads)
    app.state.folder = folder
    app.access, app.database = access or Access(), database
    kept = [record_routes(kind, CHECKS[kind]) if kind in CHECKS else record_routes(kind) for kind in RecordKind]
    routers = [
        one.router for one in (reference, questions, heat, air, plans, uploads, garage, setups, desk, backups)
    ] + kept
    app.limits = LimitsByRoute(routers, API)
    for router in routers:
        app.include_router(router, prefix=API)
    openapi.publish(app)
    interface.install(app, web)
    problems.install(app, database.path)
    return app  # type: ignore[no-any-return]
