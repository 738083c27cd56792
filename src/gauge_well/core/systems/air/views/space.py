"""The engine space by duty, what sits in it, a box of electronics, a closed room."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.heat import enclosure
from gauge_well.core.systems.air import warmth
from gauge_well.core.systems.air.facts import BOXES, AirFacts
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.typing import duty_value, likely, likely_or_none

FLOWS = np.linspace(0.0, 0.03, 31)  # m3/s through a box


@dataclass(frozen=True)
class SpaceRow:
    """The engine space in a duty: heat by what gives it [W], air through it [kg/s], temperatures outside, in it and at the
    inlet [K]."""

    duty: str
    name: str
    core: float
    exhaust: float
    radiation: float
    flow: float
    by_draught: bool
    outside: float
    temperature: float
    inlet: float
    worked: bool


@dataclass(frozen=True)
class PartRow:
    """Something in the engine space: what it may reach [K]; whether it is said to sit there."""

    name: str
    limit: float
    here: bool


@dataclass(frozen=True)
class BoxView:
    """A box: air round it and in it [K], what it may reach, the fan that would do [m3/s]; its inside by a fan's flow."""

    around: float
    inside: float
    limit: float
    fan: float | None
    fan_needed: float | None
    flows: Sequence[float]
    by_flow: Sequence[float]
    vented: bool


@dataclass(frozen=True)
class RoomView:
    """A closed room's opening [m2]: for burning alone, with ventilation, as it is; each by the engine's power [m2/W]."""

    burning: float
    wanted: float
    has: float | None
    power: float


@dataclass(frozen=True)
class SpaceView:
    """All duties of the engine space, how far it stands over the air outside at most on the move and at rest [K]; the rest in
    the duty asked for."""

    rows: Sequence[SpaceRow]
    parts: Sequence[PartRow]
    box: BoxView | None
    room: RoomView
    moving: float | None
    standing: float | None


def show(context: Context, facts: AirFacts, options: Options) -> SpaceView:
    """Every duty's balance."""
    index = duty_asked(context, options)
    space = warmth.bay(context, facts, context.mean)
    inlet = warmth.inlet(context, facts, space)
    ambient = context.duties.column("ambient")
    rows = []
    for i, case in enumerate(context.duties.cases):
        through, moved = duty_value(space.through, i), duty_value(space.draught, i)
        rows.append(
            SpaceRow(
                duty=case.id,
                name=case.name,
                core=duty_value(space.core, i),
                exhaust=duty_value(space.exhaust, i),
                radiation=duty_value(space.radiation, i),
                flow=max(through, moved),
                by_draught=moved > through,
                outside=duty_value(ambient, i),
                temperature=duty_value(space.temperature, i),
                inlet=duty_value(inlet, i),
                worked=space.worked,
            )
        )
    room = warmth.room(context, context.peak)
    return SpaceView(
        rows=rows,
        parts=[
            PartRow("Fuel lines", warmth.FUEL_LINE, facts.fuel_line_in == "yes"),
            PartRow("Alternator's air", warmth.ALTERNATOR, facts.alternator_in == "yes"),
            PartRow("Engine computer", warmth.COMPUTER, facts.computer_in == "yes"),
            PartRow("Loom", warmth.LOOM, False),
            PartRow("Starter", warmth.STARTER, False),
        ],
        box=_box(context, facts, space, index),
        room=RoomView(
            burning=duty_value(room.burning, index),
            wanted=duty_value(room.wanted, index),
            has=likely_or_none(facts.room_opening),
            power=duty_value(context.peak.power, index),
        ),
        moving=_rise(context, rows, False) if space.worked else None,
        standing=_rise(context, rows, True) if space.worked else None,
    )


def _rise(context: Context, rows: Sequence[SpaceRow], still: bool) -> float | None:
    """Most that the engine space stands over the air outside, on the move or at rest [K]; None where no duty does so."""
    stands = context.duties.standing[:, 0].tolist()
    return max((r.temperature - r.outside for r, s in zip(rows, stands, strict=True) if s is still), default=None)


def _box(context: Context, facts: AirFacts, space: warmth.Bay, index: int) -> BoxView | None:
    found = warmth.box(context, facts, space)
    if found is None or facts.box_area is None or facts.box_watts is None:
        return None
    around = duty_value(found.around, index)
    wall = BOXES[facts.box_wall or "plastic"][1]
    conducts = enclosure.box_conductance(likely(facts.box_area), wall, FLOWS, around)
    return BoxView(
        around=around,
        inside=duty_value(found.inside, index),
        limit=likely(found.limit),
        fan=likely_or_none(facts.box_fan),
        fan_needed=None if found.fan_needed is None else duty_value(found.fan_needed, index),
        flows=FLOWS.tolist(),
        by_flow=(around + likely(facts.box_watts) / conducts).tolist(),
        vented=facts.box_vents is not None,
    )
