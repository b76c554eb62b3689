"""Whatever is sent to the API, the answer is one that it publishes, and never a server error."""

import tempfile
from pathlib import Path
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from schemathesis.checks import not_a_server_error
from schemathesis.specs.openapi.checks import response_schema_conformance, status_code_conformance

from plimbo.server import Access, create_app
from plimbo.store import Database

_folder = tempfile.TemporaryDirectory()
_database = Database(Path(_folder.name) / "plimbo.sqlite3")
_database.migrate()
# Schemathesis calls an application in process by this host name.
_app = create_app(_database, Access(hosts=frozenset({"testserver"})))
_operations = [found.ok() for found in schemathesis.openapi.from_asgi("/api/openapi.json", _app).get_all_operations()]


@pytest.mark.parametrize("operation", _operations, ids=lambda operation: operation.label)
def test_answers_are_as_published(operation: Any) -> None:
    @settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
    @given(operation.as_strategy())
    def whatever_is_sent(case: Any) -> None:
        case.call_and_validate(checks=[not_a_server_error, status_code_conformance, response_schema_conformance])

    whatever_is_sent()
