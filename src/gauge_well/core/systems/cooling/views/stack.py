"""The stack to scale, with its necks and heights."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.geometry.stack import MOVING_PARTS
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.heights import bleed_points, spots
from gauge_well.core.systems.cooling.stack import layers, room_left
from gauge_well.core.typing import Value, likely, likely_or_none

NECKS = (
    ("core_inlet", "core in", "core_inlet_height", "core_inlet_side"),
    ("core_outlet", "core out", "core_outlet_height", "core_outlet_side"),
    ("engine_outlet", "engine out", "engine_outlet_height", "engine_outlet_side"),
    ("pump_inlet", "pump in", "pump_inlet_height", "pump_inlet_side"),
)


def _number(value: Value | None) -> float | None:
    return likely_or_none(value)


def crossings(facts: CoolingFacts) -> list[str]:
    """Which hoses have to cross from one side to the other."""
    pairs = (
        ("the upper hose", facts.engine_outlet_side, facts.core_inlet_side),
        ("the lower hose", facts.core_outlet_side, facts.pump_inlet_side),
    )
    return [name for name, a, b in pairs if {a, b} == {"left", "right"}]


@dataclass(frozen=True)
class StackLayer:
    """A layer from front to back [m]."""

    id: str
    name: str
    kind: str
    depth: float
    width: float | None
    height: float | None
    count: float


@dataclass(frozen=True)
class Opening:
    """The opening ahead [m]."""

    width: float | None
    height: float | None


@dataclass(frozen=True)
class Neck:
    """A hose's neck: height over the ground [m] and side."""

    id: str
    name: str
    height: float | None
    side: str | None


@dataclass(frozen=True)
class Spot:
    """A place of the run by its height [m]; ``air``: where air gathers and nothing lets it out."""

    name: str
    height: float
    vented: bool
    air: bool


@dataclass(frozen=True)
class StackView:
    """Layers, what room there is [m] and what is left of it, what is kept clear; necks, heights, hoses that cross."""

    layers: Sequence[StackLayer]
    room: float | None
    left: float | None
    keep: float
    on_engine: bool
    opening: Opening
    foot: float | None
    filler: float | None
    necks: Sequence[Neck]
    run: Sequence[Spot]
    crossings: Sequence[str]


def show(context: Context, facts: CoolingFacts, options: Options) -> StackView:
    """Layers from front to back with their sizes, what room there is, and the necks by side and height [m]."""
    found = layers(facts)
    room = context.room("depth_available")
    run = spots(facts)
    air = {spot.name for spot in bleed_points(run)}
    return StackView(
        layers=[
            StackLayer(
                id=layer.id,
                name=layer.name,
                kind=layer.kind,
                depth=likely(layer.depth),
                width=_number(layer.width),
                height=_number(layer.height),
                count=likely(layer.count),
            )
            for layer in found
        ],
        room=_number(room),
        left=None if room is None or not found else likely(room_left(room, found)),
        keep=MOVING_PARTS,
        on_engine=facts.fan.drive == "belt",
        opening=Opening(
            width=_number(context.installation.opening_width),
            height=_number(context.installation.opening_height),
        ),
        foot=_number(facts.core_foot),
        filler=_number(facts.filler_height),
        necks=[
            Neck(id=id, name=name, height=_number(getattr(facts, height)), side=getattr(facts, side))
            for id, name, height, side in NECKS
            if getattr(facts, height) is not None or getattr(facts, side) is not None
        ],
        run=[Spot(name=s.name, height=s.height, vented=s.vented, air=s.name in air) for s in run],
        crossings=crossings(facts),
    )
