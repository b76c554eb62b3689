"""The web server: thin, it adds no rule of the job."""

from plimbo.server.app import create_app
from plimbo.server.guard import Access

__all__ = ["Access", "create_app"]
