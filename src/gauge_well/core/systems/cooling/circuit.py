"""What the loop does to the coolant: pressures, boiling margins, expansion, the cold day; and its checks."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_fill, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.media import coolant
from gauge_well.core.media.air import P_SEA_LEVEL
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, over_duties
from gauge_well.core.systems.cooling.gauge import AMBIENT_LOW, core_shed_at
from gauge_well.core.systems.cooling.heights import bleed_points, spots
from gauge_well.core.systems.cooling.loop import Pressures, pressures
from gauge_well.core.systems.cooling.model import FILM, Cooling, heat_made, pick_fan, still_conductance
from gauge_well.core.typing import Array, Value, as_array, clip, duty_values, likely
from gauge_well.core.validity import Notice

INLET_MARGIN = 15e3  # Pa the pump's inlet is kept over the coolant's vapour (common practice)
COLLAPSE, NEAR_COLLAPSE = 30e3, 0.7  # Pa under the air outside at which an unsprung hose is sucked flat; near it
# K kept under the coldest day; air from which freezing is judged (common practice).
FREEZE_CLEAR, COLD_SAID = 3.0, 278.15
FILLED_AT = 293.15  # K
BLOCK_PRESSURES = (5e3, 2e6)  # Pa
UNDER_THERMOSTAT = 5.0  # K by which an engine that runs cold lies under its thermostat
COLD_MORNING = 263.15
SHORT = 600.0  # s; a shorter duty is over before the cold matters


@dataclass(frozen=True)
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


def circuit_of(cooling: Cooling) -> Circuit:
    """Pressures at the limit, and how far the pump's inlet and the block stand over boiling.

    The coolant at the pump's inlet is the mix of what the core cooled and what went round it.
    """
    plant = cooling.plant
    held = plant.pressure + as_array(need(plant.facts.cap_pressure, "cooling.cap_pressure"))
    found = pressures(plant.loop, plant.facts, held, solved=plant.open_loop)
    fluid = coolant.properties(plant.limit - FILM, plant.glycol)
    rate = fluid.density * fluid.heat_capacity
    fall = cooling.at_limit.heat / np.maximum(rate * found.radiator_flow, 1e-3)
    inlet = plant.limit - np.maximum(fall, 0.0) * found.radiator_flow / np.maximum(found.whole_flow, 1e-9)
    vapour = coolant.vapour_pressure(inlet, plant.glycol)
    return Circuit(found, vapour, inlet, vapour + INLET_MARGIN, np.asarray(held), plant.limit, plant.glycol)


def inlet_check(circuit: Circuit, context: Context) -> Check:
    """Suction at the pump against what the coolant there can stand before it boils."""
    demand = circuit.held - circuit.pressures.pump_inlet
    capacity = circuit.held - circuit.needed
    fill = ratio_fill(demand, capacity)
    shape = np.broadcast_shapes(fill.shape, (1, len(context.duties.cases), 1))
    fill, demand, capacity = (np.broadcast_to(v, shape) for v in (fill, demand, capacity))
    duty = int(np.argmax(fill[0, :, 0]))
    pressure, boils = (
        float(np.broadcast_to(v, shape)[0, duty, 0]) for v in (circuit.pressures.pump_inlet, circuit.vapour)
    )

    def said() -> Sequence[Sentence]:
        template = "The pump's inlet stands at {p} on {duty}; coolant there boils at {boils}."
        if pressure <= 0.0:
            template = "No pressure is left at the pump's inlet on {duty}: it draws vapour. A wider way to it."
        elif capacity[0, duty, 0] <= 0.0:
            template += " The cap holds too little for it."
        values: dict[str, tuple[float, str] | str] = {
            "p": (max(pressure, 0.0), "pressure_absolute"),
            "boils": (boils, "pressure_absolute"),
            "duty": context.duties.cases[duty].name.lower(),
        }
        return (Sentence(template, values),)

    return Check(
        "pump_inlet",
        "Pump's inlet",
        "loop",
        CheckClass.LIMIT,
        Scales.GATE,
        "pressure_difference",
        demand[:, duty],
        capacity[:, duty],
        fill.max(axis=(0, 1)),
        code="" if capacity[0, duty, 0] > 0.0 else "cannot_suck",
        sentences=said,
    )


def freezing_check(cooling: Cooling, context: Context) -> list[Check]:
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
            "freezing",
            "Freezing",
            "loop",
            CheckClass.LIMIT,
            Scales.GATE,
            "temperature_difference",
            FREEZE_CLEAR,
            clear,
            gap_fill(clear, FREEZE_CLEAR),
            sentences=lambda: (Sentence(words, values),),
        )
    ]


def growth(volume: Value, limit: Array, glycol: Value) -> Array:
    """What a volume of coolant grows by from a cold fill to the hottest limit of the duties [m3]."""
    hottest = over_duties(limit)
    cold, hot = (coolant.properties(t, glycol).density for t in (FILLED_AT, hottest))
    return np.asarray(over_duties(as_array(volume) * (cold / hot - 1.0)))


def expansion(cooling: Cooling) -> Array:
    """What the coolant grows by from a cold fill to its limit [m3], in the hottest duty."""
    plant = cooling.plant
    return growth(need(plant.facts.coolant_volume, "cooling.coolant_volume"), plant.limit, plant.glycol)


def expansion_check(cooling: Cooling) -> Check | None:
    """Growth of the coolant against the room left for it; None where the header's size is not given."""
    facts = cooling.plant.facts
    if facts.header_tank.volume is None:
        return None
    grows = expansion(cooling)
    room = as_array(facts.header_tank.volume) * (1.0 - as_array(need(facts.header_fill, "cooling.header_fill")))
    values: dict[str, tuple[float, str] | str] = {
        "grows": (likely(grows), "volume"),
        "room": (likely(room), "volume"),
    }
    return Check(
        "expansion",
        "Room to expand",
        "loop",
        CheckClass.LIMIT,
        Scales.GATE,
        "volume",
        grows,
        room,
        ratio_fill(grows, room),
        sentences=lambda: (Sentence("Grows by {grows} from cold; {room} of room is left for it.", values),),
    )


def overcooled_ambient(cooling: Cooling, context: Context, mean: Operation) -> Array:
    """Air temperature outside under which the coolant falls 5 K below its thermostat [K].

    Fan off, thermostat shut but for its vent, cabin heaters full on as they are in the cold, the engine's skin in its
    bay; all go with the coolant over the air, so that one division serves. Without a thermostat the whole flow goes
    through the core. Held to -50 degC: at that end the true answer lies beyond.
    """
    facts, at = cooling.plant.facts, as_array(cooling.plant.thermostat) - UNDER_THERMOSTAT
    off = pick_fan(cooling.airs, 0)
    shed = core_shed_at(cooling, np.broadcast_to(at, cooling.plant.limit.shape), off)
    core = shed / np.maximum(at - off.air_in, 1.0)
    heaters = as_array(need(facts.heater.count, "cooling.heater.count")) * need(
        facts.heater.conductance, "cooling.heater.conductance"
    )
    conductance = np.maximum(core + heaters + still_conductance(context), 1e-6)
    return np.maximum(at - heat_made(cooling, context, mean) / conductance, AMBIENT_LOW)


def notices(cooling: Cooling, circuit: Circuit, context: Context, overcooled: Array) -> list[Notice]:
    """Hose collapse, bleeding, the cold day (:func:`overcooled_ambient`): said, not judged."""
    plant, cases = cooling.plant, context.duties.cases
    found: list[Notice] = []
    # Right after the cap was opened nothing holds the suction side up, and the engine may still be revved.
    belted = plant.facts.pump.drive != "electric"
    faster = context.engine.rated_speed / context.duties.column("engine_speed") if belted else 1.0
    open_cap = pressures(replace(plant.loop, speed=as_array(plant.loop.speed) * faster), plant.facts, 0.0)
    suction = -likely(np.asarray(open_cap.pump_inlet))
    if suction > NEAR_COLLAPSE * COLLAPSE:
        template = (
            "With the cap just opened the lower hose stands {p} under the air outside at rated speed, and an unsprung one "
            "is sucked flat at about {flat}: a spring in it, or a stiff pipe."
        )
        under = {"p": (min(suction, P_SEA_LEVEL), "pressure_difference"), "flat": (COLLAPSE, "pressure_difference")}
        found.append(Notice("hose_collapse", Sentence(template, under), "cooling.header"))
    margins = duty_values(circuit.margin, len(cases))
    worst = int(np.argmin(margins))
    if margins[worst] < 10.0:
        template = "In the block the coolant stands {k} under boiling at its limit on {duty}; 10 K is usual."
        values: dict[str, tuple[float, str] | str] = {
            "k": (margins[worst], "temperature_difference"),
            "duty": cases[worst].name.lower(),
        }
        found.append(Notice("block_boiling", Sentence(template, values), "cooling.cap_pressure", cases[worst].id))
    found += _air_notices(cooling)
    return found + _cold_notices(cooling, context, overcooled)


def _air_notices(cooling: Cooling) -> list[Notice]:
    """Where air stays in the run, and a filler that is not the highest point."""
    facts = cooling.plant.facts
    run = spots(facts)
    found = []
    for spot in bleed_points(run):
        template = (
            "Air gathers at {name}, {height} up: it is higher than what it leads to and has no vent. Bleed it there."
        )
        values: dict[str, tuple[float, str] | str] = {"name": spot.name, "height": (spot.height, "height")}
        found.append(Notice("bleed_point", Sentence(template, values), "cooling.high_points"))
    if facts.filler_height is not None and run:
        top = max(run, key=lambda spot: spot.height)
        short = top.height - likely(facts.filler_height)
        if short > 0.0 and facts.steam_line != "yes":
            template = "The filler lies {short} under {name}: raise it, lift the nose to fill, or lead a steam line to the header."
            found.append(
                Notice(
                    "filler_low",
                    Sentence(template, {"short": (short, "height"), "name": top.name}),
                    "cooling.filler_height",
                )
            )
    return found


def _cold_notices(cooling: Cooling, context: Context, overcooled: Array) -> list[Notice]:
    """Which lasting duty runs under its thermostat on a cold morning."""
    cases = context.duties.cases
    cold = duty_values(overcooled, len(cases))
    lasting = [i for i, case in enumerate(cases) if case.duration >= SHORT and case.kind != "idle"]
    if not lasting:
        return []
    worst = max(lasting, key=lambda i: cold[i])
    if cold[worst] <= COLD_MORNING:
        return []
    # What is lost goes with the coolant over the air: so much more than is made on the coldest day asked.
    at = min(min(case.ambient for case in cases), COLD_MORNING)
    over = likely(cooling.plant.thermostat) - UNDER_THERMOSTAT
    ratio = (over - at) / max(over - min(cold[worst], 330.0), 1.0)
    template = (
        "At {at} it sheds {x} times what {duty} makes and runs cold, as it does below {t}: blank off {share} of the core, "
        "or turn the heater down. A hotter thermostat cannot help: this one is shut by then."
    )
    if cooling.plant.facts.thermostat_kind == "none":
        template = (
            "At {at} it sheds {x} times what {duty} makes and runs cold, as it does below {t}: put a thermostat back."
        )
    values: dict[str, tuple[float, str] | str] = {
        "t": (min(cold[worst], 330.0), "temperature"),
        "at": (at, "temperature"),
        "x": f"{ratio:.1f}",
        "share": (1.0 - 1.0 / max(ratio, 1.01), "fill"),
        "duty": cases[worst].name.lower(),
    }
    return [Notice("overcooled", Sentence(template, values), "cooling.thermostat_kind", cases[worst].id)]
