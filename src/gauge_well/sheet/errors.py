"""What a sheet can be wrong about: every problem found is named, not only the first."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True)
class Problem:
    """One field that could not be taken."""

    field: str
    label: str
    read: str
    allowed: str
    message: str


class SheetError(ValueError):
    """A sheet with one problem or more."""

    def __init__(self, problems: list[Problem]) -> None:
        super().__init__("; ".join(f"{p.field}: {p.message}" for p in problems))
        self.problems = problems

    def __reduce__(self) -> tuple[type[SheetError], tuple[list[Problem]]]:
        """Rebuilt from its problems where it passes from one process to another."""
        return SheetError, (self.problems,)


def refuse(path: str, message: str, allowed: str = "a field of the sheet") -> SheetError:
    """A refusal that names one path."""
    return SheetError([Problem(path, path.rsplit(".", 1)[-1], path[:60], allowed, message)])
