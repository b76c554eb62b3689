"""The published schema of the setup file."""

from typing import Any

from plimbo.core import SetupFile
from plimbo.core.documents import FORMAT_VERSION

SCHEMA_ID = f"urn:plimbo:schema:setup-file:{FORMAT_VERSION}"


def setup_file_schema() -> dict[str, Any]:
    """JSON Schema of the file; numbers say their dimension and unit."""
    head = {"$schema": "https://json-schema.org/draft/2020-12/schema", "$id": SCHEMA_ID}
    return head | SetupFile.model_json_schema()
