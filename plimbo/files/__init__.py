"""Open formats in and out."""

from plimbo.files.setup_file import setup_file_schema

__all__ = ["setup_file_schema"]
