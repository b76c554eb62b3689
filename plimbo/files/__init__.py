"""Open formats in and out."""

from plimbo.files.setup_file import SetupFile, UnreadableFile, read_setup_file, setup_file_schema, write_setup_file

__all__ = ["SetupFile", "UnreadableFile", "read_setup_file", "setup_file_schema", "write_setup_file"]
