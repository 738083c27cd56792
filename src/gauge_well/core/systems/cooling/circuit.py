"""What the loop does to the coolant: pressures, boiling margins, expansion, the cold day; and its checks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Protocol

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_fill, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.media import coolant
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.gauge import AMBIENT_LOW, core_shed_at
from gauge_well.core.systems.cooling.loop import Loop, Pressures, Solved, pressures
from gauge_well.core.systems.cooling.model import FILM, Cooling, heat_made, pick_fan, still_conductance
from gauge_well.core.typing import Array, Value, as_array, clip, duty_value, likely, over_duties

INLET_MARGIN = 15e3  # Pa the pump's inlet is kept over the coolant's vapour (common practice)
# K kept under the coldest day; air from which freezing is judged (common practice).
FREEZE_CLEAR, COLD_SAID = 3.0, 278.15
FILLED_AT = 293.15  # K
BLOCK_PRESSURES = (5e3, 2e6)  # Pa
UNDER_THERMOSTAT = 5.0  # K by which an engine that runs cold lies under its thermostat


class Plumbed(Protocol):
    """A loop of coolant, whatever cools it."""

    @property
    def facts(self) -> CoolingFacts: ...
    @property
    def open_loop(self) -> Solved: ...
    @property
    def loop(self) -> Loop: ...
    @property
    def glycol(self) -> Array: ...
    @property
    def pressure(self) -> Array: ...
    @property
    def limit(self) -> Array: ...


class Sheds(Protocol):
    """What is shed at the coolant's limit [W]."""

    @property
    def heat(self) -> Array: ...


class Cooled(Protocol):
    """A loop and what it sheds at its limit: by a radiator, or by a boat's heat exchanger or keel cooler."""

    @property
    def plant(self) -> Plumbed: ...
    @property
    def at_limit(self) -> Sheds: ...


@dataclass(frozen=True, kw_only=True)
class Circuit:
    """The loop with the coolant at its limit and the thermostat open."""

    pressures: Pressures
    vapour: Array
    inlet_temperature: Array
    needed: Array
    held: Array
    limit: Array
    glycol: Array

    @cached_property
    def margin(self) -> Array:
        """How far the coolant in the block stands under boiling at its limit [K]."""
        # Held to where a mix boils at all between a vacuum and pressures no block stands.
        block = clip(self.pressures.block, *BLOCK_PRESSURES)
        return np.asarray(coolant.boiling_point(block, self.glycol) - self.limit)


def circuit_of(cooling: Cooled) -> Circuit:
    """Pressures at the limit, and how far the pump's inlet and the block stand over boiling.

    The coolant at the pump's inlet is the mix of what the core cooled and what went round it.
    """
    plant = cooling.plant
    held = plant.pressure + as_array(plant.facts.cap_pressure)
    found = pressures(plant.loop, plant.facts, held, solved=plant.open_loop)
    fluid = coolant.properties(plant.limit - FILM, plant.glycol)
    rate = fluid.density * fluid.heat_capacity
    fall = cooling.at_limit.heat / np.maximum(rate * found.radiator_flow, 1e-3)
    inlet = plant.limit - np.maximum(fall, 0.0) * found.radiator_flow / np.maximum(found.whole_flow, 1e-9)
    vapour = coolant.vapour_pressure(inlet, plant.glycol)
    return Circuit(
        pressures=found,
        vapour=vapour,
        inlet_temperature=inlet,
        needed=vapour + INLET_MARGIN,
        held=np.asarray(held),
        limit=plant.limit,
        glycol=plant.glycol,
    )


def inlet_check(context: Context, circuit: Circuit) -> Check:
    """Suction at the pump against what the coolant there can stand before it boils."""
    demand = circuit.held - circuit.pressures.pump_inlet
    capacity = circuit.held - circuit.needed
    fill = ratio_fill(demand, capacity)
    shape = np.broadcast_shapes(fill.shape, (1, len(context.duties.cases), 1))
    fill, demand, capacity = (np.broadcast_to(v, shape) for v in (fill, demand, capacity))
    duty = int(np.argmax(fill[0, :, 0]))
    pressure, boils = (duty_value(v, duty) for v in (circuit.pressures.pump_inlet, circuit.vapour))

    def said() -> Sequence[Sentence]:
        template = "The pump's inlet stands at {p} on {duty}; coolant there boils at {boils}."
        if pressure <= 0.0:
            template = "No pressure is left at the pump's inlet on {duty}: it draws vapour. A wider way to it."
        elif duty_value(capacity, duty) <= 0.0:
            template += " The cap holds too little for it."
        values: dict[str, tuple[float, str] | str] = {
            "p": (max(pressure, 0.0), "pressure_absolute"),
            "boils": (boils, "pressure_absolute"),
            "duty": context.duties.cases[duty].name.lower(),
        }
        return (Sentence(template, values),)

    return Check(
        id="pump_inlet",
        name="Pump's inlet",
        part="loop",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="pressure_difference",
        demand=demand[:, duty],
        capacity=capacity[:, duty],
        fill=fill.max(axis=(0, 1)),
        code="" if duty_value(capacity, duty) > 0.0 else "cannot_suck",
        sentences=said,
    )


def freezing_check(context: Context, cooling: Cooled) -> list[Check]:
    """Where the mix begins to freeze against the coldest air asked; nothing where no duty is cold."""
    coldest = min(context.duties.cases, key=lambda c: c.ambient)
    if coldest.ambient > COLD_SAID:
        return []
    freezes = coolant.freezing_point(cooling.plant.glycol)
    clear = coldest.ambient - freezes
    values: dict[str, tuple[float, str] | str] = {
        "f": (likely(freezes), "temperature"),
        "t": (coldest.ambient, "temperature"),
        "duty": coldest.name.lower(),
    }
    words = "Begins to freeze at {f}; {duty} is at {t}."
    if likely(clear) < 0.0:
        words = "Freezes at {f} and bursts core and block: {duty} is at {t}. More glycol."
    return [
        Check(
            id="freezing",
            name="Freezing",
            part="loop",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="temperature_difference",
            demand=FREEZE_CLEAR,
            capacity=clear,
            fill=gap_fill(clear, FREEZE_CLEAR),
            sentences=lambda: (Sentence(words, values),),
        )
    ]


def growth(volume: Value, limit: Array, glycol: Value) -> Array:
    """What a volume of coolant grows by from a cold fill to the hottest limit of the duties [m3]."""
    hottest = over_duties(limit)
    cold, hot = (coolant.properties(t, glycol).density for t in (FILLED_AT, hottest))
    return np.asarray(over_duties(as_array(volume) * (cold / hot - 1.0)))


def expansion(cooling: Cooled) -> Array:
    """What the coolant grows by from a cold fill to its limit [m3], in the hottest duty."""
    plant = cooling.plant
    return growth(plant.facts.coolant_volume, plant.limit, plant.glycol)


def expansion_check(cooling: Cooled) -> Check | None:
    """Growth of the coolant against the room left for it; None where the header's size is not given."""
    facts = cooling.plant.facts
    if facts.header_tank.volume is None:
        return None
    grows = expansion(cooling)
    room = as_array(facts.header_tank.volume) * (1.0 - as_array(facts.header_fill))
    values: dict[str, tuple[float, str] | str] = {
        "grows": (likely(grows), "volume"),
        "room": (likely(room), "volume"),
    }
    return Check(
        id="expansion",
        name="Room to expand",
        part="loop",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="volume",
        demand=grows,
        capacity=room,
        fill=ratio_fill(grows, room),
        sentences=lambda: (Sentence("Grows by {grows} from cold; {room} of room is left for it.", values),),
    )


def overcooled_ambient(context: Context, cooling: Cooling, mean: Operation) -> Array:
    """Air temperature outside under which the coolant falls 5 K below its thermostat [K].

    Fan off, thermostat shut but for its vent, cabin heaters full on as they are in the cold, the engine's skin in its
    bay; all go with the coolant over the air, so that one division serves. Without a thermostat the whole flow goes
    through the core. Held to -50 degC: at that end the true answer lies beyond.
    """
    facts, at = cooling.plant.facts, as_array(cooling.plant.thermostat) - UNDER_THERMOSTAT
    off = pick_fan(cooling.airs, 0)
    shed = core_shed_at(cooling, np.broadcast_to(at, cooling.plant.limit.shape), off)
    core = shed / np.maximum(at - off.air_in, 1.0)
    heaters = as_array(facts.heater.count) * need(facts.heater.conductance, "cooling.heater.conductance")
    conductance = np.maximum(core + heaters + still_conductance(context) + cooling.pull, 1e-6)
    # What the oil takes back of the coolant goes with its air too: counted as conductance, not off the heat.
    heat = heat_made(context, cooling, mean) + cooling.pull * (cooling.plant.limit - cooling.ambient)
    return np.maximum(at - heat / conductance, AMBIENT_LOW)
