"""The differences between two states of a document, in a preparer's words: whose value, which value, from what to
what.
"""

from collections.abc import Iterator
from typing import Any

from plimbo.core.quantities.choices import worded
from plimbo.core.quantities.fields import Document
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.results import Result
from plimbo.core.quantities.titles import title_at

# Fields about the values rather than about the car.
_MARKS = {"confirmed", "unconfirmed", "copied_from"}


class Difference(Result):
    """One value that differs; `before` and `after` are in SI where it is a number, and none where there is nothing."""

    title: str
    dimension: str | None
    before: Any
    after: Any


def differences(before: Document, after: Document) -> tuple[Difference, ...]:
    """Of two documents of one kind, in the order of their fields. A change of a mark alone is no difference."""
    return tuple(_within(before, before, after, ""))


def _within(whole: Document, before: Document, after: Document, path: str) -> Iterator[Difference]:
    for name in type(before).model_fields:
        if name in _MARKS:
            continue
        was, now = getattr(before, name), getattr(after, name)
        if was == now:
            continue
        inner = f"{path}{name}"
        if isinstance(was, Document) and isinstance(now, Document):
            yield from _within(whole, was, now, f"{inner}.")
        elif _documents(was) or _documents(now):
            yield from _of_lists(whole, was, now, inner)
        else:
            dimension = field_metadata(before, name).get("dimension")
            yield Difference(title=title_at(whole, inner), dimension=dimension, before=worded(was), after=worded(now))


def _documents(value: Any) -> bool:
    return isinstance(value, tuple) and bool(value) and isinstance(value[0], Document)


def _of_lists(whole: Document, was: Any, now: Any, path: str) -> Iterator[Difference]:
    """Items of the same name belong together; items without a name, those at the same index."""
    title = title_at(whole, path)
    if not all(hasattr(one, "name") for one in (*was, *now)):
        if len(was) == len(now):
            for place, (one, two) in enumerate(zip(was, now, strict=True)):
                yield from _within(whole, one, two, f"{path}.{place}.")
        else:
            yield Difference(title=title, dimension="count", before=len(was), after=len(now))
        return
    names = [one.name for one in was]
    for place, one in enumerate(was):
        same = next((two for two in now if two.name == one.name), None)
        if same is None:
            yield Difference(title=title, dimension=None, before=one.name, after=None)
        else:
            yield from _within(whole, one, same, f"{path}.{place}.")
    for one in now:
        if one.name not in names:
            yield Difference(title=title, dimension=None, before=None, after=one.name)
