"""One system solved for the values it reads, with what was asked of it since."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from functools import cached_property
from typing import Any, TypeVar

from gauge_well.core.checks import Check
from gauge_well.core.errors import CoreError
from gauge_well.core.run.reach import Reach
from gauge_well.core.systems.base import Beside, Context, Need, Result, System
from gauge_well.core.typing import Array

T = TypeVar("T")


class Solved:
    """A system in a context. What is asked of it is worked once and stays with it.

    ``refusal``: why it cannot be worked, where it cannot; then nothing else may be asked. ``reach`` by (check, duty)
    and ``factors`` (over how many samples, by check) are filled by those who seek them, for several systems at once.
    """

    def __init__(self, system: System, context: Context, facts: Any) -> None:
        self.system, self.context = system, context
        self.refusal: CoreError | None = None
        self.checks: Sequence[Check] = ()
        self.reach: dict[tuple[int, int], Reach] | None = None
        self.factors: tuple[int, dict[int, Array]] | None = None
        self._asked: dict[Any, Any] = {}
        try:
            self.result: Result = system.solve(context, facts)
            self.checks = list(self.result.checks(context.mean, context.peak))
        except CoreError as error:
            self.refusal = error

    @cached_property
    def needs(self) -> Sequence[Need]:
        """What the wanted power asks of its parts."""
        return self.result.needs()

    @cached_property
    def figures(self) -> Mapping[str, Array]:
        """What is shown of it at every duty."""
        return self.result.figures()

    @cached_property
    def beside(self) -> Sequence[Beside]:
        """What else a change of it alters."""
        return self.result.beside()

    def once(self, key: Any, work: Callable[[], T]) -> T:
        """What others make of it, by what else that stands on; the last few are kept."""
        if key not in self._asked:
            fresh = work()
            if len(self._asked) >= KEPT:
                self._asked.pop(next(iter(self._asked)), None)
            self._asked[key] = fresh
        found: T = self._asked[key]
        return found


KEPT = 6
