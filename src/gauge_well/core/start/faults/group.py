"""A group of faults that share their gauges: how it is worked on a build."""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass

from gauge_well.core.case import BuildCase
from gauge_well.core.start.faults.cause import Cause, Check, Foretold, Worked, foretold
from gauge_well.core.start.setting import DRAWS

Works = Callable[[BuildCase, float, int], Mapping[tuple[str, float], Worked]]


@dataclass(frozen=True)
class Group:
    """Causes and checks of one system; ``work``: (build, air of the day [K], draws) -> every variant over them."""

    id: str
    title: str
    causes: Callable[[BuildCase], Sequence[Cause]]
    checks: Callable[[BuildCase], Sequence[Check]]
    work: Works

    def foretell(self, case: BuildCase, air: float) -> Foretold:
        """The group on a build; MissingFact names what it lacks, CoreError what contradicts."""
        return foretold(self.causes(case), self.checks(case), self.work(case, air, DRAWS))


def eased(full: float, size: float) -> float:
    """A factor of a fault at a share of its size: half of one that leaves .4 leaves .7."""
    return 1.0 + (full - 1.0) * size
