"""What may be wrong, what may be looked at, and what the model says each would show."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace
from enum import StrEnum
from functools import cached_property

import numpy as np

from gauge_well.core.typing import Array

SIZES = (1.0, 0.75, 0.5)  # of a fault as it is usually met, that each is worked at
SOUND = "sound"
SOUND_AS_OFTEN = 20.0  # as often as all faults of a group together: half of all alarms are none (common practice)


class When(StrEnum):
    """What the engine does while a thing is looked at."""

    OFF = "off"
    CRANK = "crank"
    IDLE = "idle"
    MOVE = "move"
    GRADE = "grade"

    @property
    def loaded(self) -> bool:
        """Whether standing still cannot show it."""
        return self in (When.MOVE, When.GRADE)


class Effort(StrEnum):
    """What a check takes: nothing but looking, a tool, or taking something apart."""

    FREE = "free"
    TOOL = "tool"
    APART = "apart"


@dataclass(frozen=True)
class Cause:
    """Something that may be wrong.

    ``common``: how often it is met beside the others of its group (common practice). ``whole``: it is there or is not;
    it has no half.
    """

    id: str
    label: str
    mend: str
    common: float
    whole: bool = False

    @property
    def sizes(self) -> tuple[float, ...]:
        """Sizes that it is worked at."""
        return (1.0,) if self.whole else SIZES


@dataclass(frozen=True)
class Check:
    """Something that may be looked at or measured.

    A reading has a ``kind`` and the half-range of its gauge [SI], 95 %, as so much and as a share of what it reads; what
    is only looked at has ``outcomes``. ``danger``: what may hurt there; it is then offered last.
    """

    id: str
    label: str
    how: str
    minutes: float
    when: When = When.IDLE
    effort: Effort = Effort.FREE
    kind: str = ""
    error: float = 0.0
    share: float = 0.0
    outcomes: tuple[str, ...] = ()
    danger: str = ""


@dataclass(frozen=True)
class Gauge:
    """What a check is read by: a kind, its half-range [SI] and as a share of what it reads."""

    kind: str
    error: float
    share: float = 0.0


def gauged(check: Check, by: Gauge) -> Check:
    """A check that is read by a gauge."""
    return replace(check, kind=by.kind, error=by.error, share=by.share)


@dataclass(frozen=True, eq=False)
class Foretold:
    """What each variant, a cause at a size, would show.

    ``cause`` (variant,): index of its cause; ``size`` likewise. ``mean`` (variant, check) [SI], ``spread`` (variant,
    check, check): covariance of what the model itself is unsure of, which two gauges of one quantity share, and of
    the gauges. ``chance`` (variant, check, outcome): of what is looked at; nought past a check's last outcome.
    """

    causes: tuple[Cause, ...]
    checks: tuple[Check, ...]
    cause: np.ndarray
    size: Array
    mean: Array
    spread: Array
    chance: Array

    @property
    def prior(self) -> Array:
        """Chance of each variant before anything is read (variant,): a cause's commonness shared by its sizes."""
        common = np.array([c.common / len(c.sizes) for c in self.causes])
        return np.asarray(common[self.cause] / common[self.cause].sum())

    def at(self, id: str) -> int:
        """Place of a check. KeyError where there is none of that name."""
        for place, check in enumerate(self.checks):
            if check.id == id:
                return place
        raise KeyError(id)

    @cached_property
    def members(self) -> Array:
        """Which variants are of which cause, ones and noughts (cause, variant)."""
        return np.asarray(np.arange(len(self.causes))[:, None] == self.cause, dtype=np.float64)

    def by_cause(self, chances: Array) -> Array:
        """Chances of variants summed by cause, (cause, ...)."""
        return np.asarray(self.members @ chances)


@dataclass(frozen=True)
class Worked:
    """One variant worked over the draws: what each gauge reads (sample,), and how often each thing is seen."""

    readings: Mapping[str, Array]
    seen: Mapping[str, Sequence[float]] = field(default_factory=dict)


NEEDLE = 0.01  # of the most it shows, that no gauge is read closer than (common practice)
MISSED = 0.01  # of looks that see it wrongly (common practice)


def foretold(causes: Sequence[Cause], checks: Sequence[Check], worked: Mapping[tuple[str, float], Worked]) -> Foretold:
    """Means and covariances of what was worked, by cause and size; the first draw is the likely one and is left out.

    A gauge's own error stands on the diagonal; the rest of the covariance is what the model is unsure of.
    """
    rows = [(at, size) for at, cause in enumerate(causes) for size in cause.sizes]
    most = max((len(c.outcomes) for c in checks), default=0)
    mean = np.zeros((len(rows), len(checks)))
    spread = np.zeros((len(rows), len(checks), len(checks)))
    chance = np.zeros((len(rows), len(checks), most))
    gauges = [k for k, check in enumerate(checks) if check.kind]
    largest = {k: max(float(np.max(np.abs(w.readings[checks[k].id]))) for w in worked.values()) for k in gauges}
    for row, (at, size) in enumerate(rows):
        own = worked[causes[at].id, size]
        drawn = np.stack(np.broadcast_arrays(*(own.readings[checks[k].id] for k in gauges)))
        middle = drawn[:, 1:].mean(axis=1)
        mean[row, gauges] = middle
        error = np.array(
            [
                max(checks[k].error + checks[k].share * abs(m), NEEDLE * largest[k])
                for k, m in zip(gauges, middle, strict=True)
            ]
        )
        own_spread = np.atleast_2d(np.cov(drawn[:, 1:])) + np.diag((error / TWO_SIDED) ** 2)
        spread[row][np.ix_(gauges, gauges)] = own_spread
        for k, check in enumerate(checks):
            if check.outcomes:
                seen = np.asarray(own.seen[check.id], dtype=np.float64)
                chance[row, k, : seen.size] = seen * (1.0 - MISSED) + MISSED / seen.size
    return Foretold(
        tuple(causes),
        tuple(checks),
        np.array([at for at, _ in rows]),
        np.array([size for _, size in rows]),
        mean,
        spread,
        chance,
    )


TWO_SIDED = 1.959964  # standard deviations in a half-range at 95 %
