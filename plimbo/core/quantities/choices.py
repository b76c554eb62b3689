"""Choices of a list: a key that is stored and stays, and the word for it that is shown and may change."""

from collections.abc import Mapping
from enum import StrEnum
from typing import Any, Self

from pydantic import GetJsonSchemaHandler
from pydantic_core import CoreSchema


class Choice(StrEnum):
    """One of a list: `SLIDING = "sliding", "sliding caliper"`.

    Up to format 4 the words were stored. Where a word is changed, the old one stays as the third item, so that those
    files are still read.
    """

    word: str
    word_in_format_4: str

    def __new__(cls, key: str, word: str = "", word_in_format_4: str = "") -> Self:
        choice = str.__new__(cls, key)
        choice._value_ = key
        choice.word = word or key.replace("_", " ")
        choice.word_in_format_4 = word_in_format_4 or choice.word
        return choice

    @classmethod
    def _missing_(cls, value: object) -> Self | None:
        return next((choice for choice in cls if choice.word_in_format_4 == value), None)

    @classmethod
    def __get_pydantic_json_schema__(cls, core_schema: CoreSchema, handler: GetJsonSchemaHandler) -> dict[str, Any]:
        schema = handler(core_schema)
        handler.resolve_ref_schema(schema)["words"] = {choice.value: choice.word for choice in cls}
        return schema


def worded(value: Any) -> Any:
    """A value as a reader sees it: the word of a choice, anything else as it is."""
    return value.word if isinstance(value, Choice) else value


def words_of(choices: type[Choice]) -> Mapping[str, str]:
    """The word for each key."""
    return {choice.value: choice.word for choice in choices}
