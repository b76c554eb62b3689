"""The web server: thin, it adds no rule of the job."""

from plimbo.server.access import Access
from plimbo.server.app import create_app
from plimbo.server.collector import rest_the_collector

__all__ = ["Access", "create_app", "rest_the_collector"]
