"""Levels at any attitude, and the marks of a dipstick."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.geometry.frames import apparent_up, to_engine
from gauge_well.core.geometry.free_surface import surface_height, volume_below
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil.covering import likely_rotation
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan
from gauge_well.core.typing import Array, as_array, likely

BETWEEN = 1e-3  # m3 from low to full where nobody says (common practice)


def level_up(context: Context) -> Array:
    """Upright in engine axes as the engine is installed, the machine level (3,)."""
    return to_engine(apparent_up(0.0, 0.0, 0.0), likely_rotation(context))


@dataclass(frozen=True)
class Marks:
    """Marks of a dipstick from its seat, along it [m], volume between them, what was read comes to [m3]."""

    full: float
    low: float
    between: float
    poured: float | None


def marks(context: Context, facts: OilFacts, pan: Pan) -> Marks | None:
    """Where full and low stand in the installed attitude; None where the stick's seat is not known.

    ``(seat - level) / cos(angle)`` between seat and surface along the upright, the angle between stick and upright. What
    was read after pouring the full quantity says how much oil the pan as drawn would hold to there.
    """
    stick = facts.dipstick
    if stick.x is None or stick.seat is None:
        return None
    n, here = level_up(context), pan.likely
    seat = np.array([likely(stick.x), 0.0 if stick.y is None else likely(stick.y), likely(stick.seat)])
    front, left = (0.0 if v is None else float(np.tan(likely(v))) for v in (stick.lean_front, stick.lean_left))
    down = np.array([front, left, -1.0])
    steep = -float(n @ down) / float(np.linalg.norm(down))  # cosine between stick and upright

    def mark(volume: float) -> float:
        return float((seat @ n - float(surface_height(here.body, n, as_array(volume)))) / steep)

    full = likely(facts.oil_quantity)
    between = BETWEEN if stick.between is None else likely(stick.between)
    poured = None
    if stick.wetted is not None:
        poured = float(volume_below(here.body, n, as_array(float(seat @ n) - likely(stick.wetted) * steep)))
    return Marks(mark(full), mark(max(full - between, 0.05 * full)), between, poured)
