"""Documents as a JSON file, with a format version: any kind of them, and a car with one setup."""

import json
from typing import Any, Literal, TypeVar

from pydantic import BaseModel, ConfigDict, Field

from plimbo.core.documents import FORMAT_VERSION, Car, Setup

READABLE_VERSIONS = tuple(range(1, FORMAT_VERSION + 1))


class UnreadableFile(ValueError):
    """A file that this Plimbo cannot read; the message says why."""


class DocumentFile(BaseModel):
    """Documents, complete in themselves, SI units throughout. Each kind of file adds its `format` and its documents."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    format: str = Field(description="Names the kind of file.")
    format_version: Literal[7] = Field(
        FORMAT_VERSION, description="Rises when an older Plimbo could not read the file, or could misread it."
    )


class SetupFile(DocumentFile):
    """A car and a setup, complete in themselves, SI units throughout."""

    model_config = ConfigDict(title="Plimbo setup file")

    format: Literal["plimbo-setup"] = Field("plimbo-setup", description="Names the kind of file.")
    car: Car
    setup: Setup


File = TypeVar("File", bound=DocumentFile)


def write_file(file: DocumentFile) -> str:
    """The file's text."""
    return file.model_dump_json(indent=2) + "\n"


def read_file(kind: type[File], text: str | bytes) -> File:
    """Checks everything before anything is used.

    A file of an earlier format is read as one of this. Raises `UnreadableFile` where it is not a file of this kind, and
    Pydantic's `ValidationError` where a value in it is impossible.
    """
    expected = kind.model_fields["format"].default
    try:
        content: Any = json.loads(text)
    except (ValueError, RecursionError) as error:
        where = f" (line {error.lineno}, column {error.colno})" if isinstance(error, json.JSONDecodeError) else ""
        raise UnreadableFile(f"This is not JSON{where}. Was the file cut short?") from error
    if not isinstance(content, dict) or content.get("format") != expected:
        what = expected.removeprefix("plimbo-")
        raise UnreadableFile(f"This JSON is not a Plimbo {what} file: it has no “format”: “{expected}”.")
    version = content.get("format_version")
    if not isinstance(version, int) or isinstance(version, bool) or version not in READABLE_VERSIONS:
        given = json.dumps(version)[:40]
        raise UnreadableFile(
            f"This file is of format version {given}; this Plimbo reads versions up to {FORMAT_VERSION}."
            " Open it with the Plimbo that wrote it, or a newer one."
        )
    return kind.model_validate(content | {"format_version": FORMAT_VERSION})


def write_setup_file(car: Car, setup: Setup) -> str:
    """The text of a setup file."""
    return write_file(SetupFile(car=car, setup=setup))


def read_setup_file(text: str | bytes) -> SetupFile:
    """A car and a setup. Raises as `read_file`."""
    return read_file(SetupFile, text)
