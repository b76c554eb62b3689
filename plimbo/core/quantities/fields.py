"""Documents, and one definition of a quantity: its unit, bounds, usual range, symbol and help travel with the field."""

from collections.abc import Mapping
from enum import StrEnum
from typing import Annotated, Any, Self, get_args

from pydantic import (
    BaseModel,
    ConfigDict,
    Field,
    ModelWrapValidatorHandler,
    ValidationError,
    field_validator,
    model_validator,
)

from plimbo.core.quantities.defaults import Assumption
from plimbo.core.quantities.display import html_table, short_text
from plimbo.core.quantities.metadata import field_metadata, number_metadata
from plimbo.core.quantities.prechecks import prechecked
from plimbo.core.quantities.refusals import in_words

UNCONFIRMED = "Usual for such a car, or copied from another: nobody has given it for this one."
_UNCHECKED = (
    ("__pydantic_extra__", None),
    ("__pydantic_private__", None),
    ("__pydantic_fields_set__", frozenset[str]()),
)


class Document(BaseModel):
    """A frozen document, SI inside.

    `confirmed` names the fields whose assumed value the user has accepted; `unconfirmed` those whose value came with
    the kind of car or with a copy of another car, and that have not been given for this one.
    """

    model_config = ConfigDict(frozen=True, extra="forbid", allow_inf_nan=False, validate_default=True)

    confirmed: tuple[Annotated[str, Field(max_length=40)], ...] = Field(
        (),
        title="Confirmed",
        description="Assumed values that the user has measured or accepted, by field name.",
        max_length=40,
    )
    unconfirmed: tuple[Annotated[str, Field(max_length=40)], ...] = Field(
        (),
        title="Unconfirmed",
        description="Values that came with the kind of car or with a copy, by field name: nobody has given them yet.",
        max_length=40,
    )

    @field_validator("unconfirmed")
    @classmethod
    def _of_this_document(cls, names: tuple[str, ...]) -> tuple[str, ...]:
        for name in names:
            if name not in cls.model_fields:
                raise ValueError(f"There is no value {name!r} here.")
        return names

    @model_validator(mode="wrap")
    @classmethod
    def _refused_in_words(cls, data: Any, handler: ModelWrapValidatorHandler[Self]) -> Self:
        prechecked(cls, data)
        try:
            return handler(data)
        except ValidationError as error:
            raise in_words(error, cls) from None

    def patched(self, changes: Mapping[str, Any]) -> Self:
        """This document with other values at these dotted paths, checked as if typed.

        `setup.patched({"rear.master_cylinder.bore": 0.022225})`. Only the documents along the paths are checked again.
        Raises Pydantic's `ValidationError`, which says what is wrong at which path.
        """
        return type(self).model_validate(_with_values(self, nested(changes)))

    def unchecked(self, values: Mapping[str, Any]) -> Self:
        """A copy with other values for internal reading only: nothing is checked, so it is never returned to a
        caller.
        """
        kind = self.__class__
        copy = kind.__new__(kind)
        named = {name: _of_its_kind(kind, name, value) for name, value in values.items()}
        # Pydantic needs this when two documents are compared.
        for name, held in (("__dict__", self.__dict__ | named), *_UNCHECKED):
            object.__setattr__(copy, name, held)
        return copy

    def __repr__(self) -> str:
        return short_text(self)

    __str__ = __repr__

    def _repr_html_(self) -> str:
        return html_table(self)


def holds_documents(annotation: Any) -> bool:
    """Whether a field of this type holds a document, or a list of them."""
    if isinstance(annotation, type) and issubclass(annotation, Document):
        return True
    return any(holds_documents(part) for part in get_args(annotation))


def _of_its_kind(kind: type[Document], name: str, value: Any) -> Any:
    """The choice that a word names."""
    choices = kind.model_fields[name].annotation
    return choices(value) if isinstance(choices, type) and issubclass(choices, StrEnum) else value


def nested(changes: Mapping[str, Any]) -> dict[str, Any]:
    """Values at dotted paths as documents within documents."""
    found: dict[str, Any] = {}
    for path, value in changes.items():
        *parents, last = path.split(".")
        place = found
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = value
    return found


def _with_values(whole: Any, changes: dict[str, Any]) -> Any:
    """The data of a document, or of a list of them, with the changes in it."""
    if isinstance(whole, tuple):
        numbered = {int(name): value for name, value in changes.items()}
        return tuple(_changed(item, numbered.get(place, item)) for place, item in enumerate(whole))
    values = whole.__dict__ | {name: _changed(getattr(whole, name, None), value) for name, value in changes.items()}
    if whole.unconfirmed and "unconfirmed" not in changes:
        # A changed value is a given value.
        given = {name for name, value in changes.items() if not isinstance(value, dict)}
        values["unconfirmed"] = tuple(name for name in whole.unconfirmed if name not in given)
    return values


def _changed(part: Any, value: Any) -> Any:
    return _with_values(part, value) if isinstance(value, dict) and isinstance(part, Document | tuple) else value


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
    sizes: tuple[float, ...] = (),
    default: Any = ...,
) -> Any:
    """A number field in SI of the named dimension.

    `above` and `below` are exclusive bounds, `least` and `most` inclusive ones: outside them a value is refused.
    Outside `usual` a value is accepted with a note. `sizes` are the sizes that are sold. A default given as an
    `Assumption` is Plimbo's own and is marked as such wherever it is used.
    """
    extra = number_metadata(dimension) | {"symbol": symbol or title}
    if usual is not None:
        extra["usual"] = list(usual)
    if sizes:
        extra["sizes"] = list(sizes)
    if isinstance(default, Assumption):
        extra["assumption"] = default.reason
        default = default.value
    return Field(
        default,
        title=title,
        description=help,
        gt=above,
        ge=least,
        lt=below,
        le=most,
        strict=True,  # no words, no true and false
        json_schema_extra=extra,
    )


def counted(
    title: str, help: str, *, least: int = 0, most: int, usual: tuple[int, int], default: int | Assumption
) -> Any:
    """A field for a whole number of things."""
    extra: dict[str, Any] = number_metadata("count") | {"symbol": title, "usual": list(usual)}
    if isinstance(default, Assumption):
        extra["assumption"] = default.reason
        default = int(default.value)
    return Field(default, title=title, description=help, ge=least, le=most, strict=True, json_schema_extra=extra)


# No control characters and no line ends, which would break a list or a file's name.
_PLAIN_LINE = r"[^\x00-\x1f\x7f-\x9f\u2028\u2029]*"
LINE = f"^{_PLAIN_LINE}$"
NAME = rf"^{_PLAIN_LINE}[^\x00-\x20\x7f-\xa0\u2000-\u200f\u2028-\u202f\u205f-\u206f\u3000\ufeff]{_PLAIN_LINE}$"


def words(title: str, help: str, *, most: int = 80) -> Any:
    """A text field that must not be empty, in one line."""
    return Field(title=title, description=help, min_length=1, max_length=most, pattern=NAME)


def part_name(title: str) -> Any:
    """The name of a part; may be empty."""
    return Field(
        "", title=title, description="What it says on the part, or what you call it.", max_length=80, pattern=LINE
    )


def bounds_of(kind: type[Document], name: str) -> tuple[float, float]:
    """Smallest and largest value of a field (for exclusive bounds, the bounds themselves)."""
    low, high = float("-inf"), float("inf")
    for bound in kind.model_fields[name].metadata:
        low = max(low, *(getattr(bound, key) for key in ("gt", "ge") if getattr(bound, key, None) is not None), low)
        high = min(high, *(getattr(bound, key) for key in ("lt", "le") if getattr(bound, key, None) is not None), high)
    return low, high


def allows(kind: type[Document], name: str, value: float) -> bool:
    """Whether a field accepts this value."""
    for bound in kind.model_fields[name].metadata:
        over = getattr(bound, "gt", None), getattr(bound, "ge", None)
        under = getattr(bound, "lt", None), getattr(bound, "le", None)
        if (over[0] is not None and value <= over[0]) or (over[1] is not None and value < over[1]):
            return False
        if (under[0] is not None and value >= under[0]) or (under[1] is not None and value > under[1]):
            return False
    return True


def usual_range(kind: type[Document], name: str) -> tuple[float, float]:
    """The usual range of a field."""
    low, high = field_metadata(kind, name)["usual"]
    return low, high


def assumption_of(document: Document, name: str) -> str | None:
    """The reason behind an assumed value, or None where the user gave or confirmed it."""
    if name in document.unconfirmed:
        return UNCONFIRMED
    reason = field_metadata(document, name).get("assumption")
    if reason is None or name in document.confirmed:
        return None
    return str(reason) if getattr(document, name) == type(document).model_fields[name].default else None
