"""The setup file: a car and one setup of it as JSON, with a format version and a published schema."""

import json
from typing import Any, Literal

from pydantic import BaseModel, ConfigDict, Field

from plimbo.core.documents import FORMAT_VERSION, Car, Setup

FORMAT: Literal["plimbo-setup"] = "plimbo-setup"
READABLE_VERSIONS = (1, 2, 3, 4)


class UnreadableFile(ValueError):
    """Not a setup file that this Plimbo can read; the message says why, in plain words."""


class SetupFile(BaseModel):
    """A car and a setup, complete in themselves, SI units throughout."""

    model_config = ConfigDict(frozen=True, extra="forbid", title="Plimbo setup file")

    format: Literal["plimbo-setup"] = Field(FORMAT, description="Names the kind of file.")
    format_version: Literal[4] = Field(
        FORMAT_VERSION, description="Rises when an older Plimbo could not read the file, or could misread it."
    )
    car: Car
    setup: Setup


def write_setup_file(car: Car, setup: Setup) -> str:
    """The file's text."""
    return SetupFile(car=car, setup=setup).model_dump_json(indent=2) + "\n"


def read_setup_file(text: str | bytes) -> SetupFile:
    """Check everything before anything is used.

    A file of an earlier format is read as one of this. Raises `UnreadableFile` where it is not a setup file, and
    Pydantic's `ValidationError` where a value in it is impossible.
    """
    try:
        content: Any = json.loads(text)
    except (ValueError, RecursionError) as error:
        where = f" (line {error.lineno}, column {error.colno})" if isinstance(error, json.JSONDecodeError) else ""
        raise UnreadableFile(f"This is not JSON{where}. Was the file cut short?") from error
    if not isinstance(content, dict) or content.get("format") != FORMAT:
        raise UnreadableFile("This JSON is not a Plimbo setup file: it has no “format”: “plimbo-setup”.")
    version = content.get("format_version")
    if not isinstance(version, int) or isinstance(version, bool) or version not in READABLE_VERSIONS:
        told = json.dumps(version)[:40]
        raise UnreadableFile(
            f"This file is of format version {told}; this Plimbo reads versions up to {FORMAT_VERSION}."
            " Open it with the Plimbo that wrote it, or a newer one."
        )
    return SetupFile.model_validate(content | {"format_version": FORMAT_VERSION})
