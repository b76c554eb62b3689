"""Open formats in and out."""

from plimbo.files.record_file import file_of, lineage, setup_file_schema

__all__ = ["file_of", "lineage", "setup_file_schema"]
