"""Errors of the job, in words a user can act on."""


class OutOfRange(ValueError):
    """Inputs that are possible one by one, but together outside the model.

    `{limit}` in the message stands for `limit`, a number in SI with its dimension.
    """

    def __init__(self, path: str, message: str, limit: tuple[float, str] | None = None) -> None:
        super().__init__(message)
        self.path, self.message, self.limit = path, message, limit

    def __reduce__(self) -> tuple[type["OutOfRange"], tuple[object, ...]]:
        # So that it can be raised in one process and handled in another.
        return type(self), (self.path, self.message, self.limit)


class OutsideValidity(ValueError):
    """A formula asked outside the range in which it holds; the message names the range and what was given."""
