"""The file format of a record of any kind: the documents that it belongs to, then its own."""

from functools import cache
from typing import Any, Literal

from pydantic import Field, create_model

from plimbo.core import SetupFile
from plimbo.core.documents import FORMAT_VERSION
from plimbo.core.documents.document_file import DocumentFile
from plimbo.store.kinds import RecordKind

DRAFT = "https://json-schema.org/draft/2020-12/schema"
SCHEMA_ID = f"urn:plimbo:schema:setup-file:{FORMAT_VERSION}"


def setup_file_schema() -> dict[str, Any]:
    """JSON Schema of the setup file; numbers say their dimension and unit."""
    head = {"$schema": DRAFT, "$id": SCHEMA_ID}
    return head | SetupFile.model_json_schema()


@cache
def file_of(kind: RecordKind) -> type[DocumentFile]:
    """The model of the file: `plimbo-circuit` with a circuit in it, `plimbo-setup` with a car and a setup."""
    if kind is RecordKind.SETUP:  # which the core reads too, for use without a server
        return SetupFile
    name = f"plimbo-{kind}"
    head = {"format": (Literal[name], Field(name, description="Names the kind of file."))}
    fields: Any = head | {one.value: (one.document, ...) for one in lineage(kind)}
    doc = f"A {kind}, complete in itself, SI units throughout."
    made: type[DocumentFile] = create_model(f"{kind.capitalize()}File", __base__=DocumentFile, __doc__=doc, **fields)
    return made


def lineage(kind: RecordKind) -> tuple[RecordKind, ...]:
    """The kinds that it belongs to, the topmost first, and itself."""
    return (*lineage(kind.parent), kind) if kind.parent else (kind,)
