"""Errors of the job, in words a user can act on."""


class OutOfRange(ValueError):
    """Inputs that are each possible but together outside what the model can answer."""

    def __init__(self, path: str, message: str) -> None:
        super().__init__(message)
        self.path, self.message = path, message
