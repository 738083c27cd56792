"""The wet exhaust where it lies: heights over the sea at rest and leaning, what the silencer holds, what the hose sends back,
what the gas pays to lift it, how long cranking may last."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.flow.lifting import Lifted, friction_muller, full_column, lift
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.geometry.afloat import Position, height_over, held_to_lip, positions
from gauge_well.core.media import air
from gauge_well.core.media.seawater import DENSITY
from gauge_well.core.parts.raw_pump import a_turn
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat import raw
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, Value, as_array, likely, over_duties

# Heights kept [m] (common practice).
RISER_OVER = 0.150  # what water must not climb over, laden and leaning
NEAR_WATER = 0.150  # an injection nearer the water than that can siphon
BREAK_OVER = 0.300  # 12 in, a siphon break at the design heel
ELBOW_UNDER = 0.050  # injection under what it must not run back over
WATER_LEG = 0.300  # silencer's lip under that
HIGH_OVER = 0.300  # the hose's highest place
OUTLET_OVER = 0.100  # an outlet without flap or valve, at rest
FALLS = 0.02  # of its run that a hose falls to the outlet
SPARE = 1.3  # of the drain-back that a silencer holds
CRANK_LEAST = 30.0  # s of cranking until water stands in the engine: three tries of ten
TRY = 10.0  # s
POINTS: Mapping[str, str] = {
    "manifold": "manifold's port",
    "riser": "riser's top",
    "injection": "injection",
    "high": "hose's highest place",
    "outlet": "outlet",
    "siphon": "siphon break",
}


@dataclass(frozen=True)
class Point:
    """Where something lies [m]: aft of the middle of the waterline, left of the centreline, over the waterline as taped."""

    aft: Value
    left: Value
    over: Value


def point(facts: BoatFacts, name: str) -> Point:
    """One of :data:`POINTS`; MissingFact where its height is not stated. A riser stands between port and injection."""
    over = need(getattr(facts, f"{name}_over"), f"boat.{name}_over")
    if name == "riser":
        aft = 0.5 * (as_array(facts.manifold_aft) + facts.injection_aft)
        return Point(aft, facts.manifold_left, over)
    return Point(getattr(facts, f"{name}_aft"), getattr(facts, f"{name}_left"), over)


def crest(facts: BoatFacts) -> tuple[str, Point]:
    """What water must climb over to reach the engine: the riser's top, the port where there is no riser."""
    name = "manifold" if facts.riser_over is None else "riser"
    return name, point(facts, name)


def leans(context: Context) -> list[Position]:
    """At rest and leaning as far as it is used: the boat's own heel, or a duty's where that is more."""
    machine = context.machine
    heel = np.maximum(as_array(need(machine.heel, "machine.heel")), over_duties(context.duties.column("heel")))
    return positions(heel, as_array(need(machine.trim, "machine.trim")))


def sinks(context: Context) -> Array:
    """How much deeper it sits laden [m]."""
    return as_array(need(context.machine.sinkage, "machine.sinkage"))


@dataclass(frozen=True)
class Least:
    """A height or a difference of heights [m] where it is least, at rest, and in what position."""

    value: Array
    rest: Array
    position: str


def least(context: Context, high: Point, low: Point | None = None) -> Least:
    """A point's height over the sea, or over another point, the least over all positions."""
    found, sunk = [], sinks(context)
    for at in leans(context):
        over = height_over(high.aft, high.left, high.over, at, sunk)
        if low is not None:
            over = over - height_over(low.aft, low.left, low.over, at, sunk)
        found.append(over)
    all_of = np.stack(np.broadcast_arrays(*found))
    worst = int(np.argmin([likely(v) for v in found]))
    return Least(np.asarray(all_of.min(axis=0)), np.asarray(found[0]), leans(context)[worst].name)


def lip(facts: BoatFacts) -> Point:
    """The silencer's inlet lip."""
    box = facts.silencer
    height = as_array(need(box.lip, "boat.silencer.lip"))
    floor = as_array(need(facts.silencer_over, "boat.silencer_over"))
    return Point(
        as_array(facts.silencer_aft) - box.lip_ahead, as_array(facts.silencer_left) + box.lip_left, floor + height
    )


def drain_back(facts: BoatFacts) -> Array:
    """Water that runs back from a hose full up to its highest place [m3]: stopped it is full, whatever stood in it running."""
    bore = need(facts.hose.bore, "boat.hose.bore")
    return np.asarray(bore_area(bore) * need(facts.hose.length, "boat.hose.length"))


def usable(context: Context, facts: BoatFacts) -> Least:
    """Water the silencer holds up to its inlet's lip [m3], least over all positions, and at rest."""
    box = facts.silencer
    length, width, height, edge = (
        need(getattr(box, n), f"boat.silencer.{n}") for n in ("length", "width", "height", "lip")
    )
    at_lip = (-as_array(box.lip_ahead), box.lip_left, edge)

    def work() -> Least:
        found = [held_to_lip(length, width, height, at_lip, at) for at in leans(context)]
        worst = int(np.argmin([likely(v) for v in found]))
        least_ = np.asarray(np.stack(np.broadcast_arrays(*found)).min(axis=0))
        return Least(least_, found[0], leans(context)[worst].name)

    return context.remember("usable", (box, context.duties), work)


def crank_time(context: Context, facts: BoatFacts) -> Array:
    """How long it may crank [s] before what the pump brings, with no gas to lift it, fills the silencer's room and stands at its
    lip: the room its last drain-back leaves."""
    room = np.maximum(usable(context, facts).rest - drain_back(facts), 0.0)
    brings = a_turn(facts.raw_pump, "boat.raw_pump") * facts.raw_pump.ratio * facts.crank_speed / 60.0 * facts.injected
    return np.asarray(room / brings)


def height(facts: BoatFacts) -> Array:
    """What the gas lifts water by [m]: the silencer's floor to the hose's highest place."""
    high, floor = need(facts.high_over, "boat.high_over"), need(facts.silencer_over, "boat.silencer_over")
    return np.asarray(as_array(high) - floor)


@dataclass(frozen=True)
class Back:
    """Back pressure [Pa]: what the riser takes, silencer and bends, the run down to the outlet; as it starts."""

    lifted: Lifted
    fittings: Array
    down: Array
    start: Array

    @property
    def total(self) -> Array:
        """Running [Pa]."""
        return np.asarray(self.lifted.total + self.fittings + self.down)


def back(context: Context, facts: BoatFacts, op: Operation, bore: Value | None = None) -> Back:
    """What the exhaust takes in each duty; ``bore`` of another hose. MissingFact names what is absent."""
    inside = as_array(need(facts.hose.bore, "boat.hose.bore") if bore is None else bore)
    water = DENSITY * raw.flow(context, facts) * facts.injected
    return carried(context, facts, op, inside, water, raw.mixed(context, facts, op), height(facts))


def carried(
    context: Context, facts: BoatFacts, op: Operation, bore: Value, water: Value, warm: Value, rises: Value
) -> Back:
    """What gas as warm as ``warm`` [K] pays to carry water [kg/s] through a hose [m] that rises so far [m]."""
    dense = air.density(warm, context.duties.column("pressure"))
    gas, length = op.exhaust_mass_flow, need(facts.hose.length, "boat.hose.length")
    run = np.hypot(as_array(facts.outlet_aft) - facts.high_aft, as_array(facts.outlet_left) - facts.high_left)
    if facts.outlet_over is not None and facts.high_over is not None:
        run = np.hypot(run, as_array(facts.high_over) - facts.outlet_over)
    # Silencer and bends see the gas with its water carried along.
    speed = gas / dense / bore_area(bore)
    fittings = need(facts.hose.loss, "boat.hose.loss") * 0.5 * dense * speed**2
    down = friction_muller(gas, dense, water, bore, run)
    return Back(lift(gas, dense, water, bore, rises, length), np.asarray(fittings), down, full_column(rises))


def breaks_needed(found: Least) -> Array:
    """Whether an injection needs a siphon break: under the water, or near it, leaning (1 or 0)."""
    return np.asarray(np.where(found.value < NEAR_WATER, 1.0, 0.0))


def known(facts: BoatFacts, *names: str) -> tuple[str, ...]:
    """Those of some facts that are missing, as ``boat.name``."""
    missing = []
    for name in names:
        place, _, inner = name.partition(".")
        value = getattr(facts, place) if not inner else getattr(getattr(facts, place), inner)
        if value is None:
            missing.append(f"boat.{name}")
    return tuple(missing)
