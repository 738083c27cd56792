"""What is wrong with a file."""

from __future__ import annotations


class FormatError(ValueError):
    """A file that cannot be taken: a code, and what to do in words."""

    def __init__(self, code: str, message: str) -> None:
        super().__init__(message)
        self.code, self.message = code, message

    def __reduce__(self) -> tuple[type[FormatError], tuple[str, str]]:
        return FormatError, (self.code, self.message)
