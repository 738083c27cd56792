"""Drives that ship, made up: a pass road and a day in a harbour."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.drive.track import Track, of_speeds
from gauge_well.core.typing import Array


@dataclass(frozen=True)
class Leg:
    """A stretch of so many seconds at a speed [m/s] on a grade; ``wavers``: by how much of its speed, once in a minute."""

    lasts: float
    speed: float
    grade: float = 0.0
    wavers: float = 0.0


@dataclass(frozen=True)
class Made:
    """A drive that ships; ``afloat``: for what swims."""

    id: str
    label: str
    about: str
    legs: Sequence[Leg]
    base: float = 0.0
    afloat: bool = False


PASS_ROAD = Made(
    "pass_road",
    "A pass road",
    "Out of town, up some 1,100 m in hairpins, a stop for the view at the top, down the far side.",
    (
        Leg(60, 0.0), Leg(240, 13.0, 0.0, 0.15), Leg(20, 0.0), Leg(300, 22.0, 0.01, 0.05),
        Leg(420, 15.0, 0.06, 0.1), Leg(300, 10.0, 0.085, 0.3), Leg(360, 14.0, 0.07, 0.2), Leg(15, 0.0),
        Leg(120, 9.0, 0.10, 0.1), Leg(300, 0.0), Leg(600, 16.0, -0.06, 0.2), Leg(300, 20.0, -0.02, 0.1), Leg(60, 0.0),
    ),
    base=320.0,
)  # fmt: skip
HARBOUR_DAY = Made(
    "harbour_day",
    "A harbour day",
    "Warmed up alongside, out at creep, a passage, full ahead for a while, a wait at the lock, back and alongside.",
    (
        Leg(300, 0.0), Leg(420, 1.3, 0.0, 0.1), Leg(1500, 2.9, 0.0, 0.04), Leg(900, 9.0, 0.0, 0.02),
        Leg(600, 2.8, 0.0, 0.04), Leg(480, 0.0), Leg(1200, 2.9, 0.0, 0.04), Leg(420, 1.2, 0.0, 0.1), Leg(240, 0.0),
    ),
    afloat=True,
)  # fmt: skip
SHIPPED: Mapping[str, Made] = {made.id: made for made in (PASS_ROAD, HARBOUR_DAY)}
EASED = 9  # s over which a change of speed is spread
GRADE_EASED = 41  # s over which a change of grade is
WAVE = 60.0  # s


def track_of(made: Made, most: float | None = None) -> Track:
    """A drive that ships, as a track; no faster than ``most`` [m/s]: what the machine makes at all."""
    speed = np.concatenate([_wavering(leg) for leg in made.legs])
    grade = np.concatenate([np.full(round(leg.lasts), leg.grade) for leg in made.legs])
    speed = np.maximum(_eased(speed if most is None else np.minimum(speed, most), EASED), 0.0)
    speed = np.where(speed < 0.3, 0.0, speed)
    climbed = np.concatenate([[0.0], np.cumsum(speed * _eased(grade, GRADE_EASED))[:-1]])
    return of_speeds(np.arange(speed.size, dtype=np.float64), speed, made.base + climbed)


def _wavering(leg: Leg) -> Array:
    time = np.arange(round(leg.lasts))
    return np.asarray(leg.speed * (1.0 + leg.wavers * np.sin(2.0 * np.pi * time / WAVE)))


def _eased(values: Array, points: int) -> Array:
    padded = np.pad(values, points // 2, mode="edge")
    return np.convolve(padded, np.full(points, 1.0 / points), mode="valid")
