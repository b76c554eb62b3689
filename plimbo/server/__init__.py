"""The web server: thin, it adds no rule of the job."""

from plimbo.server.access import Access
from plimbo.server.app import create_app
from plimbo.server.garbage_collection import collect_garbage_rarely

__all__ = ["Access", "collect_garbage_rarely", "create_app"]
