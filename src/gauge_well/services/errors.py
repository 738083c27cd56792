"""What services refuse, besides a sheet that does not stand."""

from __future__ import annotations

from typing import Any


class NotFound(LookupError):
    """There is no such thing; ``what`` says of which kind."""

    def __init__(self, what: str = "build") -> None:
        super().__init__(what)
        self.what = what


class Refused(ValueError):
    """A request's field that cannot be taken."""

    def __init__(self, field: str, read: str, allowed: str, message: str) -> None:
        super().__init__(message)
        self.field, self.read, self.allowed, self.message = field, read, allowed, message

    def __reduce__(self) -> tuple[type[Refused], tuple[str, str, str, str]]:
        """Rebuilt from its parts where it passes from one process to another."""
        return Refused, (self.field, self.read, self.allowed, self.message)


class Stale(RuntimeError):
    """A write that was made from an older revision; carries both versions."""

    def __init__(self, current: dict[str, Any], yours: dict[str, Any] | None) -> None:
        super().__init__("the build was changed elsewhere")
        self.current, self.yours = current, yours
