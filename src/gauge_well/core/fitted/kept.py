"""Factors that a build keeps: which of them still stand, when a part they are of may have been changed since."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.fitted.factors import factors_of, home_of, measured
from gauge_well.core.fitted.lesson import Lesson
from gauge_well.core.measured import Measured, root_of

SHARP = 6  # digits that are kept of a factor
MOST = 3.0  # of a logarithm, beyond which no factor of an engine lies


@dataclass(frozen=True)
class Kept:
    """A factor as it is kept: ``mode`` of its logarithm, its ``row`` of the covariance's lower root, the part it is of."""

    id: str
    mode: float
    row: tuple[float, ...]
    home: str


@dataclass(frozen=True)
class Standing:
    """What of the kept factors holds for a build as it stands; ``gone``: of parts that are others now."""

    measured: Measured | None
    gone: tuple[str, ...]


def kept_of(case: BuildCase, lesson: Lesson) -> list[Kept]:
    """A lesson's factors, ready to be kept."""
    return [
        Kept(f.id, round(f.mode, SHARP), tuple(round(v, SHARP) for v in f.row), home_of(case, factor))
        for f, factor in zip(lesson.measured.factors, lesson.factors, strict=True)
    ]


def is_sound(kept: Sequence[Kept]) -> bool:
    """Whether modes are finite and rows make a lower root."""
    return all(
        len(k.row) == at + 1 and k.row[-1] > 0.0 and np.all(np.abs([k.mode, *k.row]) <= MOST)
        for at, k in enumerate(kept)
    )


def standing(case: BuildCase, kept: Sequence[Kept]) -> Standing:
    """Factors that are of parts the build still has. What is left of the others' is their own doubt: the rest keep their own
    marginal covariance."""
    if not kept:
        return Standing(None, ())
    factors = {f.id: f for f in factors_of(case)}
    stays = [at for at, k in enumerate(kept) if k.id in factors and home_of(case, factors[k.id]) == k.home]
    gone = tuple(k.id for at, k in enumerate(kept) if at not in stays)
    if not stays:
        return Standing(None, gone)
    root = root_of([k.row for k in kept])
    covariance = (root @ root.T)[np.ix_(stays, stays)]
    own = [factors[kept[at].id] for at in stays]
    return Standing(measured(own, np.array([kept[at].mode for at in stays]), covariance), gone)


def homes_of(case: BuildCase) -> dict[str, str]:
    """The parts a build is now read with, by the factor they are of."""
    return {f.id: home_of(case, f) for f in factors_of(case)}
