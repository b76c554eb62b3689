"""Which of the values used are Plimbo's own assumptions that nobody has confirmed yet."""

from functools import cache

from plimbo.core.documents.fields import Document, assumption_of


@cache
def _assumable(kind: type[Document]) -> tuple[str, ...]:
    """Fields of a document that may hold an assumption."""
    fields = kind.model_fields.items()
    return tuple(
        name for name, field in fields if isinstance(extra := field.json_schema_extra, dict) and "assumption" in extra
    )


@cache
def _branches(kind: type[Document]) -> tuple[str, ...]:
    """Fields that may hold further documents."""
    return tuple(name for name, field in kind.model_fields.items() if "documents." in str(field.annotation))


def assumed(document: Document, path: str) -> list[str]:
    """Paths of the assumed values in a document and the documents inside it."""
    kind = type(document)
    found = [f"{path}.{name}" for name in _assumable(kind) if assumption_of(document, name)]
    for name in _branches(kind):
        value = getattr(document, name)
        if isinstance(value, Document):
            found += assumed(value, f"{path}.{name}")
        elif isinstance(value, tuple) and value and isinstance(value[0], Document):
            for index, item in enumerate(value):
                found += assumed(item, f"{path}.{name}.{index}")
    return found
