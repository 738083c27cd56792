"""Raw water on its way: what the pump moves, what its suction loses, how warm it leaves, what it makes of the exhaust."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import bore_area, pressure_drop
from gauge_well.core.heat.wet_mix import mixed_temperature, water_for
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.coolant import saturation_pressure_water
from gauge_well.core.media.seawater import DENSITY, HEAT_CAPACITY, VISCOSITY
from gauge_well.core.parts.raw_pump import FILLS, a_turn
from gauge_well.core.reads import RAW_FLOW, RAW_HEAT, RAW_IN
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, as_array, likely

RULE = 1.2 / 60.0 / 1e3 / 1e3  # m3/s of raw water for each watt at full revs: 1.2 L/min a kW (common practice)
OUT_MOST = 328.15  # K at which salt begins to scale (common practice)
DIRECT_MOST = 333.15  # K in a block that raw water runs through (common practice)
SUCKS = 25e3  # Pa under the air outside that a flexible impeller draws and still fills, 20 to 25 (common practice)
MIX_WISHED = 333.15  # K that a mix is designed for (common practice)
ALARM_OVER, ALARM_LEAST, ALARM_MOST, SHUT_DOWN = 15.0, 338.15, 348.15, 353.15  # K (common practice)
SPEED_LOW, SPEED_MOST = 1.0, 1.5  # m/s in a suction hose (common practice)


def flow(context: Context, facts: BoatFacts) -> Array:
    """What the pump moves in each duty [m3/s], worn as it is; MissingFact names its displacement."""
    own = facts.raw_pump
    turns = context.duties.column("engine_speed") / 60.0 * own.ratio
    return np.asarray(a_turn(own, "boat.raw_pump") * own.worn * turns)


def flow_share(facts: BoatFacts) -> float:
    """What a worn pump moves at each turn of the engine over what it sweeps at one of its own."""
    return float(FILLS * likely(facts.raw_pump.worn) * likely(facts.raw_pump.ratio))


def gear_heat(context: Context, facts: BoatFacts, op: Operation) -> Array:
    """What the gear's oil gives the raw water [W]."""
    if facts.gear_cooled != "yes":
        return np.asarray(0.0 * op.power)
    return context.gearbox_heat(op)


def heat(context: Context, facts: BoatFacts, op: Operation) -> Array:
    """All that the raw water takes overboard [W]: coolant and oil but where a keel cooler has them, and the gear's."""
    gear = gear_heat(context, facts, op)
    if context.machine.cooled_by == "keel":
        return gear
    made = context.told(RAW_HEAT)
    if made is None:
        return np.asarray(op.heat_to_coolant + op.heat_to_oil + gear)
    own = np.maximum(context.mean.heat_to_coolant, 1e-9)
    return np.asarray(made * (op.heat_to_coolant / own) + gear)


def wanted(context: Context, facts: BoatFacts) -> bool:
    """Whether anything of the boat asks raw water: a keel cooler and a dry exhaust leave the gear's oil at most."""
    machine = context.machine
    return machine.cooled_by != "keel" or machine.exhaust == "wet" or facts.gear_cooled == "yes"


def serves(context: Context, facts: BoatFacts) -> Mapping[str, Array]:
    """What comes to the heat exchanger, behind the gear's cooler; without end where the pump is not known."""
    nothing = as_array(np.inf)
    try:
        moves = DENSITY * flow(context, facts)
    except MissingFact:
        return {RAW_FLOW: nothing, RAW_IN: nothing}
    gear = gear_heat(context, facts, context.mean)
    return {RAW_FLOW: moves, RAW_IN: np.asarray(context.duties.column("sea") + gear / (moves * HEAT_CAPACITY))}


def out(context: Context, facts: BoatFacts, op: Operation) -> Array:
    """Raw water as it leaves the last cooler [K]."""
    moves = np.maximum(DENSITY * flow(context, facts), 1e-9)
    return np.asarray(context.duties.column("sea") + heat(context, facts, op) / (moves * HEAT_CAPACITY))


def for_heat(context: Context, facts: BoatFacts, op: Operation) -> Array:
    """Raw water that the heat alone asks, to leave at 55 degC [m3/s]; of a block it runs through at 60."""
    most = DIRECT_MOST if context.machine.cooled_by == "direct" else OUT_MOST
    over = np.maximum(most - context.duties.column("sea"), 1.0)
    return np.asarray(heat(context, facts, op) / (DENSITY * HEAT_CAPACITY * over))


def by_rule(context: Context) -> Array:
    """Raw water that the rule asks at full revs [m3/s]."""
    return np.asarray(RULE * as_array(context.wanted))


@dataclass(frozen=True)
class Suction:
    """From the sea to the pump [Pa]: skin fitting and cock, strainer clean and as blocked as it is judged, hose, lift."""

    fitting: Array
    strainer: Array
    blocked: Array
    hose: Array
    lift: Array

    @property
    def clean(self) -> Array:
        """All with a clean strainer [Pa]."""
        return np.asarray(self.fitting + self.strainer + self.hose + self.lift)

    @property
    def total(self) -> Array:
        """All with the strainer as it is judged [Pa]."""
        return np.asarray(self.fitting + self.blocked + self.hose + self.lift)


def suction(facts: BoatFacts, moves: Array) -> Suction:
    """Losses of the way in at a flow [m3/s]; MissingFact names the hose's bore."""
    bore = as_array(need(facts.suction.bore, "boat.suction.bore"))
    mouth = as_array(bore if facts.intake.bore is None else facts.intake.bore)
    free = 1.0 - as_array(facts.strainer_blocked)

    def head(at: Array) -> Array:
        return np.asarray(0.5 * DENSITY * (moves / bore_area(at)) ** 2)

    strainer = np.asarray(facts.strainer_loss * head(bore))
    length, loss = need(facts.suction.length, "boat.suction.length"), need(facts.suction.loss, "boat.suction.loss")
    return Suction(
        fitting=np.asarray(need(facts.intake.loss, "boat.intake.loss") * head(mouth)),
        strainer=strainer,
        blocked=np.asarray(strainer / free**2),
        hose=pressure_drop(moves, bore, length, DENSITY, VISCOSITY, loss),
        lift=np.asarray(DENSITY * GRAVITY * as_array(facts.pump_over) + 0.0 * moves),
    )


def air_pushes(context: Context) -> Array:
    """Most that the air outside can push: its pressure less what the sea boils at [Pa]."""
    return np.asarray(context.duties.column("pressure") - saturation_pressure_water(context.duties.column("sea")))


def top_of_water(facts: BoatFacts) -> float | None:
    """How high the raw water climbs [m over the waterline]; None where neither injection nor break is stated."""
    heights = [likely(v) for v in (facts.injection_over, facts.siphon_over) if v is not None]
    return max(heights, default=None)


def delivery_line(facts: BoatFacts, moves: Array) -> Array | None:
    """What the hose behind the pump takes [Pa]; None where it is not known."""
    line = facts.delivery
    if line.bore is None or line.length is None or line.loss is None:
        return None
    return pressure_drop(moves, line.bore, line.length, DENSITY, VISCOSITY, line.loss)


def exchanger_drop(facts: BoatFacts, moves: Array) -> Array:
    """What the exchanger takes on its raw side [Pa], stated at full revs: with the square of the flow; nought where not stated."""
    most = np.maximum(np.max(moves, axis=-2, keepdims=True), 1e-12)
    return np.asarray((0.0 if facts.exchanger_drop is None else facts.exchanger_drop) * (moves / most) ** 2)


def delivery(facts: BoatFacts, moves: Array) -> Array | None:
    """Pressure the pump works against [Pa], up to where the water climbs; None where its hose is not known."""
    lost = delivery_line(facts, moves)
    if lost is None:
        return None
    top = top_of_water(facts)
    climbs = 0.0 * moves if top is None else top - as_array(facts.pump_over)
    return np.asarray(lost + exchanger_drop(facts, moves) + DENSITY * GRAVITY * climbs)


def mixed(context: Context, facts: BoatFacts, op: Operation) -> Array:
    """Gas and injected water in the hose [K]."""

    def work() -> Array:
        water = DENSITY * flow(context, facts) * facts.injected
        enters = out(context, facts, op)
        pressure = context.duties.column("pressure")
        hot = np.maximum(op.after_turbine_temperature, enters + 1.0)
        return mixed_temperature(op.gas, op.fuel_mass_flow, hot, water, enters, pressure)

    # A dragged hose or silencer changes nothing here.
    stands_on = (facts.raw_pump, facts.injected, facts.gear_cooled, op, context.given.get(RAW_HEAT))
    return context.remember("mixed", stands_on, work)


def for_mix(context: Context, facts: BoatFacts, op: Operation, limit: float = MIX_WISHED) -> Array:
    """Least water to be injected [m3/s] for a mix of ``limit`` [K], the water as warm as sea and engine make so much of it."""
    sea, pressure = context.duties.column("sea"), context.duties.column("pressure")
    hot, taken = op.after_turbine_temperature, heat(context, facts, op) * facts.injected
    return np.asarray(water_for(op.gas, op.fuel_mass_flow, hot, limit, sea, pressure, taken) / DENSITY)


def alarm(warmest: float) -> float:
    """Where the alarm in the hose is set [K]: 15 K over the warm full-load reading, between 65 and 75 degC."""
    return float(min(max(warmest + ALARM_OVER, ALARM_LEAST), ALARM_MOST))
