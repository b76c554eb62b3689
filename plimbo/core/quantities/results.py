"""Answers: frozen models whose numbers say what they are and in which dimension."""

from typing import Any

from pydantic import BaseModel, ConfigDict, Field

from plimbo.core.quantities.display import html_table, short_text
from plimbo.core.quantities.metadata import number_metadata


class Result(BaseModel):
    """A frozen answer, SI inside. In a notebook it is shown as a table, in metric units."""

    # Built when the first one is made, not at import: there are some hundred and fifty of them.
    model_config = ConfigDict(frozen=True, allow_inf_nan=False, defer_build=True)

    def __repr__(self) -> str:
        return short_text(self)

    __str__ = __repr__

    def _repr_html_(self) -> str:
        return html_table(self)


def answer(dimension: str, title: str) -> Any:
    """A number of an answer, in SI of the named dimension."""
    return Field(title=title, json_schema_extra=number_metadata(dimension))
