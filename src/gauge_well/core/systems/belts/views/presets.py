"""Layouts to begin from, scaled by the crank's pulley: common practice, to be taped over."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.need import USUAL_CRANK, crank_of


@dataclass(frozen=True)
class Begun:
    """A pulley to begin from: middle and diameter [m], its side; an arm's pivot [m], None where it is none."""

    what: str
    right: float
    up: float
    diameter: float
    side: str
    pivot_right: float | None = None
    pivot_up: float | None = None


@dataclass(frozen=True)
class Preset:
    """A layout by what is in it."""

    id: str
    name: str
    section: str
    pulleys: Sequence[Begun]


@dataclass(frozen=True)
class PresetsView:
    """Layouts for the engine's size."""

    presets: Sequence[Preset]
    crank: float


# Of a crank pulley of 140 mm [m] (common practice).
LAYOUTS: Sequence[Preset] = (
    Preset(
        "two", "Crank and alternator, in its slot", "ribbed",
        (Begun("crank", 0.0, 0.0, 0.140, "grooved"), Begun("alternator", -0.21, 0.20, 0.060, "grooved")),
    ),
    Preset(
        "vee", "Crank, water pump, alternator: one vee belt", "vee",
        (
            Begun("crank", 0.0, 0.0, 0.140, "grooved"), Begun("water_pump", 0.01, 0.24, 0.130, "grooved"),
            Begun("alternator", -0.21, 0.19, 0.070, "grooved"),
        ),
    ),
    Preset(
        "serpentine", "All on one, with a sprung arm", "ribbed",
        (
            Begun("crank", 0.0, 0.0, 0.140, "grooved"), Begun("steering", 0.185, 0.235, 0.130, "grooved"),
            Begun("water_pump", 0.015, 0.175, 0.126, "back"), Begun("alternator", -0.190, 0.255, 0.058, "grooved"),
            Begun("tensioner", -0.112, 0.090, 0.076, "back", -0.147, 0.167),
        ),
    ),
)  # fmt: skip


def show(context: Context, facts: BeltsFacts, options: Options) -> PresetsView:
    """Every layout to the size of the crank pulley, stated or usual."""
    crank, _ = crank_of(context, facts)
    by = crank / USUAL_CRANK

    def sized(p: Begun) -> Begun:
        pivot = (None, None) if p.pivot_right is None or p.pivot_up is None else (p.pivot_right * by, p.pivot_up * by)
        # Accessories keep their size; what the engine's size moves is the crank and where things lie.
        diameter = crank if p.what == "crank" else p.diameter * max(by, 0.8)
        return Begun(p.what, p.right * by, p.up * by, diameter, p.side, *pivot)

    return PresetsView([Preset(l.id, l.name, l.section, [sized(p) for p in l.pulleys]) for l in LAYOUTS], crank)
