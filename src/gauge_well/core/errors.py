"""What the core raises: an error that names the field, what was given and what is allowed."""

from __future__ import annotations


class CoreError(ValueError):
    """A value the core cannot work with.

    Parameters
    ----------
    code : str
        Stable identifier, for instance ``"out_of_range"``.
    field : str
        Dotted path of the fact, for instance ``"engine.rated_speed"``.
    value : object
        What was given.
    limit : str
        What is allowed, in words.
    message : str
        One plain sentence.
    """

    def __init__(self, code: str, field: str, value: object, limit: str, message: str) -> None:
        super().__init__(message)
        self.code = code
        self.field = field
        self.value = value
        self.limit = limit
        self.message = message


class MissingFact(CoreError):
    """A needed fact is absent; the check that asked for it becomes ``unknown``."""

    def __init__(self, field: str) -> None:
        super().__init__("missing", field, None, "a value", f"{field} is not given.")
