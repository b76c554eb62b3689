"""One definition of a quantity: its unit, bounds, usual range, symbol and help travel with the field."""

from typing import Any

from pydantic import BaseModel, ConfigDict, Field

from plimbo.core.defaults import Assumption


class Document(BaseModel):
    """A frozen piece of the job, SI inside. `confirmed` names the fields whose assumed value the user has accepted."""

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False, validate_default=True)

    confirmed: tuple[str, ...] = Field(
        (), title="Confirmed", description="Assumed values that the user has measured or accepted, by field name."
    )


class Result(BaseModel):
    """A frozen answer, SI inside."""

    model_config = ConfigDict(frozen=True, allow_inf_nan=False)


def quantity(
    dimension: str,
    title: str,
    help: str,
    *,
    symbol: str = "",
    above: float | None = None,
    least: float | None = None,
    below: float | None = None,
    most: float | None = None,
    usual: tuple[float, float] | None = None,
    default: Any = ...,
) -> Any:
    """A number field in SI of the named dimension.

    `above` and `below` are bounds that cannot be reached, `least` and `most` bounds that can: outside them a value is
    refused. Outside `usual` a value is taken, with a word. A default given as an `Assumption` is Plimbo's own and is
    marked as such wherever it is used.
    """
    extra: dict[str, Any] = {"dimension": dimension, "symbol": symbol or title}
    if usual is not None:
        extra["usual"] = list(usual)
    if isinstance(default, Assumption):
        extra["assumption"] = default.reason
        default = default.value
    return Field(default, title=title, description=help, gt=above, ge=least, lt=below, le=most, json_schema_extra=extra)


def answer(dimension: str, title: str) -> Any:
    """A number of a result, in SI of the named dimension."""
    return Field(title=title, json_schema_extra={"dimension": dimension})


def words(title: str, help: str, *, most: int = 80) -> Any:
    """A text field that must say something."""
    return Field(title=title, description=help, min_length=1, max_length=most)


def part_name(title: str) -> Any:
    """What a part is called; may be left empty."""
    return Field("", title=title, description="What it says on the part, or what you call it.", max_length=80)


def field_extra(document: BaseModel, name: str) -> dict[str, Any]:
    """The metadata that `quantity` put on a field."""
    extra = type(document).model_fields[name].json_schema_extra
    return extra if isinstance(extra, dict) else {}


def assumption_of(document: Document, name: str) -> str | None:
    """The reason behind an assumed value, or None where the user gave or confirmed it."""
    reason = field_extra(document, name).get("assumption")
    if reason is None or name in document.confirmed:
        return None
    return str(reason) if getattr(document, name) == type(document).model_fields[name].default else None
