"""Errors of the job, in words a user can act on."""


class OutOfRange(ValueError):
    """Inputs that are each possible but together outside what the model can answer.

    `{limit}` in the message stands for `limit`, a number in SI with its dimension.
    """

    def __init__(self, path: str, message: str, limit: tuple[float, str] | None = None) -> None:
        super().__init__(message)
        self.path, self.message, self.limit = path, message, limit


class OutsideValidity(ValueError):
    """A formula asked outside the range in which it holds; the message names the range and what was given."""


class Abandoned(Exception):
    """Nobody waits for the answer any more."""
