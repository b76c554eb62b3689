"""Whatever is sent to the API, right or wrong by its own schema, the answer is one that it publishes."""

import tempfile
from pathlib import Path
from typing import Any

import pytest
import schemathesis
from hypothesis import HealthCheck, given, settings
from hypothesis.errors import Unsatisfiable
from schemathesis import checks, specs
from schemathesis.generation import GenerationMode

from plimbo.server import Access, create_app
from plimbo.store import Database, RecordKind

_folder = tempfile.TemporaryDirectory()
_database = Database(Path(_folder.name) / "plimbo.sqlite3")
_database.migrate()
# Schemathesis calls an application in process by this host name.
_app = create_app(_database, Access(hosts=frozenset({"testserver"})))
_operations = [found.ok() for found in schemathesis.openapi.from_asgi("/api/openapi.json", _app).get_all_operations()]
_of_the_document = specs.openapi.checks
CONFORMANCE = [
    checks.not_a_server_error,
    _of_the_document.status_code_conformance,
    _of_the_document.content_type_conformance,
    _of_the_document.response_headers_conformance,
    _of_the_document.response_schema_conformance,
    _of_the_document.unsupported_method,
    _of_the_document.allow_header_conformance,
]
# Left out, with their reason:
# - positive_data_acceptance: documents also ask what a schema cannot say, such as a disc larger than its ring, so a
#   body that is right by the schema may still be refused, in words;
# - missing_required_header, ignored_auth: no operation asks for a header, and the key is asked for by the guard, around
#   all of them;
# - use_after_free, ensure_resource_availability: they follow links between operations, of which the document has none.
# What is wrong by the schema has to be refused, but for bodies that the documents read on purpose:
_EARLIER = "a file of an earlier format is read, which the schema of this one does not know"
LENIENT = {f"/api/{kind.plural}/files": _EARLIER for kind in RecordKind}


@pytest.mark.parametrize("operation", _operations, ids=lambda operation: operation.label)
@pytest.mark.parametrize("mode", list(GenerationMode), ids=lambda mode: mode.value)
def test_answers_are_as_published(operation: Any, mode: GenerationMode) -> None:
    wrong = mode is GenerationMode.NEGATIVE
    refused = wrong and operation.path not in LENIENT
    asked = [*CONFORMANCE, _of_the_document.negative_data_rejection] if refused else CONFORMANCE

    @settings(max_examples=12, deadline=None, suppress_health_check=list(HealthCheck))
    @given(operation.as_strategy(generation_mode=mode))
    def whatever_is_sent(case: Any) -> None:
        case.call_and_validate(checks=asked)

    try:
        whatever_is_sent()
    except Unsatisfiable:
        assert wrong, "there is something right to send to each operation"
        pytest.skip("there is nothing to send wrong: no body, and ids are any text")
