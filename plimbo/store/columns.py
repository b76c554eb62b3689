"""Types of columns that read whatever stands in a row, so that one damaged row does not hide all others."""

import json
from collections.abc import Callable
from datetime import UTC, datetime
from typing import Any

from sqlalchemy import JSON, DateTime, Integer, String
from sqlalchemy.engine import Dialect
from sqlalchemy.types import TypeDecorator

# In the place of a moment that cannot be read.
UNKNOWN = datetime(1970, 1, 1, tzinfo=UTC)


class DocumentColumn(TypeDecorator[Any]):
    """A JSON document; what is no JSON comes back as its text."""

    impl = JSON
    cache_ok = True

    def result_processor(self, dialect: Dialect, coltype: object) -> Callable[[Any], Any]:  # noqa: ARG002
        def read(value: Any) -> Any:
            text = value.decode("utf-8", "replace") if isinstance(value, bytes) else value
            try:
                return json.loads(text)
            except (ValueError, TypeError, RecursionError):
                return text

        return read


class MomentColumn(TypeDecorator[datetime]):
    """A moment; one that cannot be read is `UNKNOWN`."""

    impl = DateTime(timezone=True)
    cache_ok = True

    def result_processor(self, dialect: Dialect, coltype: object) -> Callable[[Any], datetime | None]:
        parse: Any = self.impl_instance.dialect_impl(dialect).result_processor(dialect, coltype)

        def read(value: Any) -> datetime | None:
            try:
                return value if value is None else parse(value)
            except (ValueError, TypeError):
                return UNKNOWN

        return read


class TextColumn(TypeDecorator[str]):
    """A text; whatever else is there comes back as a text of it."""

    impl = String
    cache_ok = True

    def result_processor(self, dialect: Dialect, coltype: object) -> Callable[[Any], str | None]:  # noqa: ARG002
        def read(value: Any) -> str | None:
            if isinstance(value, bytes):
                return value.decode("utf-8", "replace")
            return value if value is None else str(value)

        return read


class NumberColumn(TypeDecorator[int]):
    """A whole number from 1; 0 where there is none."""

    impl = Integer
    cache_ok = True

    def result_processor(self, dialect: Dialect, coltype: object) -> Callable[[Any], int | None]:  # noqa: ARG002
        return lambda value: value if isinstance(value, int) or value is None else 0
