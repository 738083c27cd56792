"""Engine room, petrol vapour, what keeps the sea out and what takes it out again."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.heat import enclosure
from gauge_well.core.media import air
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.parts.bilge_pump import delivers
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.systems.boat.facts_safety import LININGS
from gauge_well.core.typing import Array, Value, as_array, likely, likely_or_none

CUBIC_FOOT = 0.0283168  # m3
ROOM_MOST = 333.15  # K of fuel lines and hoses in an engine room (common practice)
BLOWS_FIRST = 240.0  # s that a blower runs before the start (cfr33_183)
OPENS = 0.6  # discharge through a hole in the hull
SKIN, USUAL_AIR = 368.15, 303.15  # K of a jacketed engine's outside; of the air in which it gives what its balance says
HOT_SIDE = (
    0.02  # of the exhaust's heat that manifold, riser and elbow give the room, jacketed and lagged (common practice)
)


def blower_needed(volume: Value) -> Array:
    """Blower [m3/s] for a petrol engine room [m3]: under 34 cubic feet 50 cubic feet a minute, to 100 one and a half times the
    volume, above half of it and 100 (cfr33_183)."""
    feet = as_array(volume) / CUBIC_FOOT
    minute = np.where(feet < 34.0, 50.0, np.where(feet <= 100.0, 1.5 * feet, 0.5 * feet + 100.0))
    return np.asarray(minute * CUBIC_FOOT / 60.0)


@dataclass(frozen=True)
class Room:
    """An engine room: heat into it [W], air through it [kg/s], what its walls pass [W/K], its temperature [K]."""

    heat: Array
    air: Array
    walls: Array
    temperature: Array


def room(context: Context, facts: BoatFacts, op: Operation) -> Room | None:
    """What engine and exhaust give the room, carried by the most of what the engine draws through it, its blower, and the draught
    between its vents, and by its walls; None where skin or vents are not stated."""
    vents, rise = facts.room_vents, facts.vents_rise
    if facts.room_skin is None or vents is None or rise is None:
        return None
    ambient = context.duties.column("ambient")
    # An engine no hotter than its skin gives less to air that is warm already.
    gives = (op.radiation + HOT_SIDE * op.exhaust_power) / (SKIN - USUAL_AIR)
    heat = gives * np.maximum(SKIN - ambient, 0.0)
    _, rises = enclosure.draught(heat, enclosure.both_openings(vents, vents), rise, ambient)
    through = np.maximum(op.air_mass_flow, rises)
    if facts.blower is not None:
        through = np.maximum(through, facts.blower * air.density(ambient, context.duties.column("pressure")))
    walls = as_array(facts.room_skin) * LININGS[facts.lining or "lined"][1]
    carries = through * air.CP_AIR + walls
    warm = (ambient * carries + SKIN * gives) / (carries + gives)
    return Room(np.asarray(gives * (SKIN - warm)), through, walls, np.asarray(warm))


def inflow(bore: Value, depth: Value) -> Array:
    """What the sea sends in through an open skin fitting [m3/s]: ``Cd A sqrt(2 g h)``."""
    return np.asarray(OPENS * bore_area(bore) * np.sqrt(2.0 * GRAVITY * as_array(depth)))


@dataclass(frozen=True)
class Pumped:
    """A bilge pump as it is piped: what it moves [m3/s], speed in its hose [m/s]; None where something of it is not stated."""

    id: str
    worked: str
    moves: float | None
    speed: float | None
    lacks: str


def pumped(facts: BoatFacts) -> list[Pumped]:
    """Every bilge pump stated."""
    found = []
    for id, pump in facts.bilge_pumps:
        try:
            moves = likely(delivers(pump, f"boat.bilge_pumps.{id}"))
        except MissingFact as error:
            found.append(Pumped(id, pump.worked, None, None, error.field))
            continue
        assert pump.bore is not None
        found.append(Pumped(id, pump.worked, moves, moves / float(bore_area(likely(pump.bore))), ""))
    return found


def widest(facts: BoatFacts) -> float | None:
    """Bore of the widest hose on a skin fitting [m]: the raw water's."""
    bores = [likely(v) for v in (facts.intake.bore, facts.suction.bore) if v is not None]
    return max(bores) if bores else None


@dataclass(frozen=True)
class Hose:
    """A hose of the boat: from where to where, bore [m], what it must be, clamps at each end, what shuts it."""

    name: str
    way: str
    bore: float | None
    grade: str
    clamps: int
    shut: str


def hoses(context: Context, facts: BoatFacts) -> Sequence[Hose]:
    """Every hose that can let the sea in, gas out or fuel run, with what it must be (common practice; boat standards decide)."""

    def inside(value: Value | None) -> float | None:
        return likely_or_none(value)

    found = [
        Hose(
            "Raw-water suction", "sea cock to strainer and pump", inside(facts.suction.bore),
            "wire-reinforced, made for suction under the waterline", 2, "its sea cock, within reach",
        ),
        Hose(
            "Raw-water delivery", "pump to exchanger and injection", inside(facts.delivery.bore),
            "reinforced, hot water", 2, "the same sea cock",
        ),
    ]  # fmt: skip
    if context.machine.exhaust == "wet":
        found.append(
            Hose(
                "Exhaust, elbow to silencer and over to the outlet", "all of it", inside(facts.hose.bore),
                "wet exhaust hose, wire-reinforced, stamped with its standard", 2, "a flap or valve at the outlet",
            )
        )  # fmt: skip
        if facts.siphon == "fitted":
            found.append(
                Hose(
                    "Siphon break's loop", "up to the break and down to the injection", inside(facts.delivery.bore),
                    "reinforced, hot water; its bleed led overboard or to where it is seen", 2, "none: it must stay open",
                )
            )  # fmt: skip
    found.append(
        Hose(
            "Fuel feed and return", "tank to engine", None, "fire-resistant fuel hose, stamped with its standard", 1,
            "a cock at the tank, reached from outside the room",
        )
    )  # fmt: skip
    for id, pump in facts.bilge_pumps:
        found.append(
            Hose(
                f"Bilge pump's, {id}", "bilge, up in a loop, overboard", inside(pump.bore),
                "smooth inside, no fall back", 1, "a loop over the leaning waterline, or a cock",
            )
        )  # fmt: skip
    return found
