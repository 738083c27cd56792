"""Air where the engine draws it, in the engine space, in a box, in a closed room; what warm air costs."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Engine, Operation
from gauge_well.core.heat import enclosure
from gauge_well.core.media import air
from gauge_well.core.reads import CORE_AIR, CORE_HEAT, EXHAUST_SHEDS
from gauge_well.core.systems.air.facts import BOXES, DRAWS, AirFacts
from gauge_well.core.systems.air.rules import BOX_LIMIT
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import Array, Value, as_array, likely

# Power against the inlet's warmth, ``(T0/T)^n`` (common practice, test practice of corrected power).
HEAT_POWER = {"petrol": 0.6, "boosted": 0.9, "diesel": 0.7}
# Of the exhaust's heat that manifold and front pipe give, where the pipe is not known (common practice).
PIPE_SHARE = 0.06
ROOM_RISE = 15.0  # K that a closed room may stand over the air outside (common practice)
# What parts of an engine space stand [K] (common practice).
FUEL_LINE, ALTERNATOR, COMPUTER, STARTER, LOOM = 333.15, 378.15, 378.15, 393.15, 378.15
VENT_RISE = 0.6  # of a box's height between its vents, a box as high as the root of a sixth of its outside


@dataclass(frozen=True)
class Bay:
    """The engine space: heat into it [W] by what gives it, air through it [kg/s], its temperature [K]; ``worked``: by a
    balance, else by a rule."""

    core: Array
    exhaust: Array
    radiation: Array
    through: Array
    draught: Array
    temperature: Array
    worked: bool

    @property
    def heat(self) -> Array:
        """All of it [W]."""
        return np.asarray(self.core + self.exhaust + self.radiation)


def bay(context: Context, facts: AirFacts, op: Operation) -> Bay:
    """Balance of the engine space: what core, exhaust and engine give it, carried by the core's air, a blower, or the draught
    that the heat makes itself between openings of its own. The core's way out is the core's: it is not counted again."""
    ambient = context.duties.column("ambient")
    heat, flow = context.told(CORE_HEAT), context.told(CORE_AIR)
    radiation = op.radiation
    shed = context.told(EXHAUST_SHEDS)
    exhaust = PIPE_SHARE * op.exhaust_power if shed is None else shed
    zero = np.asarray(0.0 * ambient)
    core = zero if heat is None or flow is None else heat
    through = zero if flow is None else flow
    if facts.blower is not None:
        through = through + as_array(facts.blower) * air.density(ambient, context.duties.column("pressure"))
    moved = zero
    total = core + exhaust + radiation
    vents = (facts.low_opening, facts.high_opening, facts.opening_rise)
    opened = [v for v in vents if v is not None]
    if len(opened) == len(vents):
        low, high, rise = opened
        _, moved = enclosure.draught(total, enclosure.both_openings(low, high), rise, ambient)
    # A draught counts only as far as nothing stronger moves the air: the larger of both, never their sum.
    carries = np.maximum(through, moved)
    if np.any(likely(np.min(carries)) <= 0.0):
        usual = ambient + np.where(context.duties.standing, enclosure.BAY_STANDING, enclosure.BAY_MOVING)
        return Bay(core, exhaust, radiation, through, moved, np.asarray(usual), False)
    warms = enclosure.carried(total, carries)
    return Bay(core, exhaust, radiation, through, moved, np.asarray(ambient + warms), True)


def inlet(context: Context, facts: AirFacts, space: Bay) -> Array:
    """Air where it enters the filter [K]: so much of the engine space's in it."""
    ambient = context.duties.column("ambient")
    share = DRAWS[facts.draws or "shielded"][1]
    return np.asarray(ambient + share * np.maximum(space.temperature - ambient, 0.0))


def power_of(engine: Engine) -> float:
    """Exponent by which full power falls with the inlet's absolute temperature."""
    if not engine.fuel.spark:
        return HEAT_POWER["diesel"]
    return HEAT_POWER["petrol" if engine.facts.aspiration == "natural" else "boosted"]


def heat_cost(engine: Engine, warm: Value, cold: Value) -> Array:
    """Share of full power lost to air at ``warm`` instead of ``cold`` [K]: ``1 - (T0/T)^n``."""
    return np.asarray(1.0 - (as_array(cold) / warm) ** power_of(engine))


def power_lost(context: Context, cost: Value, warm: Value, op: Operation) -> Array:
    """Power lost on the way in [W]: to pressure, a share ``cost`` of it, and to air drawn ``warm`` [K]."""
    heat = heat_cost(context.engine, warm, context.duties.column("ambient"))
    return np.asarray((as_array(cost) + heat) * op.power)


@dataclass(frozen=True)
class Box:
    """A box of electronics: air round it and in it [K], what it may reach [K], what its wall and its fan give away a kelvin
    [W/K]; the fan [m3/s] that would keep it there, None where nothing would."""

    around: Array
    inside: Array
    limit: Value
    wall: Array
    fan: Array
    fan_needed: Array | None


def box(context: Context, facts: AirFacts, space: Bay) -> Box | None:
    """None where its watts or its size are not stated."""
    if facts.box_watts is None or facts.box_area is None:
        return None
    around = context.duties.column("ambient") if facts.box_place == "outside" else space.temperature
    wall = BOXES[facts.box_wall or "plastic"][1]
    fan = 0.0 if facts.box_fan is None else facts.box_fan
    conducts = enclosure.box_conductance(facts.box_area, wall, fan, around)
    warms = np.asarray(as_array(facts.box_watts) / conducts)
    if facts.box_vents is not None:
        height = VENT_RISE * np.sqrt(as_array(facts.box_area) / 6.0)
        vents = enclosure.both_openings(facts.box_vents, facts.box_vents)
        warms = _vented(facts.box_watts, conducts, vents, height, around)
    limit = BOX_LIMIT if facts.box_limit is None else facts.box_limit
    left = as_array(limit) - around
    shut = enclosure.box_conductance(facts.box_area, wall, 0.0, around)
    needed = None
    if bool(np.all(left > 0.0)):
        heat = np.maximum(as_array(facts.box_watts) / left - shut, 0.0)
        needed = heat / (air.density(around, air.P_SEA_LEVEL) * air.CP_AIR)
    return Box(np.asarray(around), np.asarray(around + warms), limit, shut, np.asarray(conducts - shut), needed)


def _vented(watts: Value, conducts: Array, vents: Array, height: Array, around: Array) -> Array:
    """How far wall and draught together let a box warm [K]: ``Q = C dT + k dT^1.5``, by Newton from the wall alone."""
    over, flow = enclosure.draught(1.0, vents, height, around)
    rate = flow * air.CP_AIR / np.sqrt(over)
    t = np.asarray(as_array(watts) / conducts)
    for _ in range(12):
        t = np.maximum(t - (conducts * t + rate * t**1.5 - watts) / (conducts + 1.5 * rate * np.sqrt(t)), 1e-6)
    return np.asarray(t)


@dataclass(frozen=True)
class Room:
    """A closed room's opening [m2]: for what the engine burns alone, and with what keeps the room 15 K over the air outside."""

    burning: Array
    wanted: Array


def room(context: Context, op: Operation) -> Room:
    """What a room without any other air asks: boats, houses over pump sets."""
    ambient = context.duties.column("ambient")
    exhaust = PIPE_SHARE * op.exhaust_power
    cooling = (op.radiation + exhaust) / (air.CP_AIR * ROOM_RISE)
    burning = enclosure.room_opening(op.air_mass_flow, ambient)
    return Room(burning, enclosure.room_opening(np.maximum(cooling, op.air_mass_flow), ambient))
