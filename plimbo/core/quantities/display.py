"""How documents and answers are shown in a notebook: a short line, and a table with units."""

from collections.abc import Iterator
from html import escape
from typing import Any

from pydantic import BaseModel

from plimbo.core.quantities.choices import worded
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.units import DASH, shown, shown_sizes

NAMES = ("name", "title", "key", "state")
NUMBERS_IN_LINE = 4
ROWS_OF_A_LIST = 12


def short_text(model: BaseModel) -> str:
    """One line: what it is called, its first numbers with their units, how many parts it has."""
    names = [
        repr(model.__dict__[name])
        for name in NAMES
        if model.__dict__.get(name) and isinstance(model.__dict__[name], str)
    ]
    numbers, lists = list[str](), list[str]()
    for name, value in model.__dict__.items():
        dimension = field_metadata(model, name).get("dimension")
        if dimension is not None and value is not None and len(numbers) < NUMBERS_IN_LINE:
            numbers.append(f"{name} {_number(value, dimension)}")
        elif isinstance(value, tuple) and value and isinstance(value[0], BaseModel):
            lists.append(f"{len(value)} {name}")
    return f"{type(model).__name__}({', '.join(names[:1] + numbers + lists)})"


def html_table(model: BaseModel) -> str:
    """A table: what each number is, and the number with its unit in metric; parts follow their own heading."""
    rows = "".join(_rows(model, 0))
    return f"<table><caption>{escape(short_text(model))}</caption><tbody>{rows}</tbody></table>"


def _rows(model: BaseModel, depth: int) -> Iterator[str]:
    for name, value in model.__dict__.items():
        title = escape(type(model).model_fields[name].title or name.replace("_", " "))
        if isinstance(value, BaseModel):
            yield _heading(title, depth)
            yield from _rows(value, depth + 1)
        elif isinstance(value, tuple) and value and isinstance(value[0], BaseModel):
            yield _heading(f"{title}: {len(value)}", depth)
            yield from (_row("", escape(short_text(part)), depth + 1) for part in value[:ROWS_OF_A_LIST])
        elif value not in ((), {}, ""):
            yield _row(title, escape(_value(model, name, value)), depth)


def _heading(title: str, depth: int) -> str:
    return f'<tr><th colspan="2" style="text-align:left;padding-left:{depth}em">{title}</th></tr>'


def _row(title: str, text: str, depth: int) -> str:
    return f'<tr><td style="text-align:left;padding-left:{depth}em">{title}</td><td>{text}</td></tr>'


def _value(model: BaseModel, name: str, value: Any) -> str:
    dimension = field_metadata(model, name).get("dimension")
    if dimension is not None:
        return _number(value, dimension)
    return (
        {None: DASH, True: "yes", False: "no"}[value]
        if value is None or isinstance(value, bool)
        else str(worded(value))
    )


def _number(value: Any, dimension: str) -> str:
    return shown_sizes(value, dimension) if isinstance(value, tuple) else shown(value, dimension)
