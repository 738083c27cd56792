"""Guides and assumptions worth saying of the cooling."""

from __future__ import annotations

from dataclasses import replace

import numpy as np

from gauge_well.core.media.air import P_SEA_LEVEL
from gauge_well.core.reads import LOST_COOLANT, LOST_REQUEST
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import tested
from gauge_well.core.systems.cooling.circuit import UNDER_THERMOSTAT, Circuit
from gauge_well.core.systems.cooling.heights import bleed_points, spots
from gauge_well.core.systems.cooling.loop import pressures
from gauge_well.core.systems.cooling.model import HOSE_SPEED, Cooling, held
from gauge_well.core.typing import Array, as_array, duty_values, likely
from gauge_well.core.validity import Notice

COLLAPSE, NEAR_COLLAPSE = 30e3, 0.7  # Pa under the air outside at which an unsprung hose is sucked flat; near it
COLD_MORNING = 263.15
SHORT = 600.0  # s; a shorter duty is over before the cold matters


def notices(context: Context, cooling: Cooling, circuit: Circuit, overcooled: Array) -> list[Notice]:
    """All that applies, the core's first; ``overcooled``: air under which each duty runs below its thermostat [K]."""
    return [
        *_guides(context, cooling),
        *_held(context, cooling),
        *_loop(context, cooling, circuit),
        *_air(cooling),
        *_cold(context, cooling, overcooled),
    ]


def _guides(context: Context, cooling: Cooling) -> list[Notice]:
    """Rules of thumb and ranges: said, not judged."""
    found: list[Notice] = []
    cases = context.duties.cases
    speeds = duty_values(cooling.plant.hose_speed, len(cases))
    worst = int(np.argmax(speeds))
    if speeds[worst] > HOSE_SPEED * 1.001:
        found.append(
            Notice(
                "hose_speed",
                Sentence(
                    "Coolant runs at {v} in the hose; {guide} is the guide. A larger hose costs the pump less.",
                    {"v": (speeds[worst], "speed_m_s"), "guide": (HOSE_SPEED, "speed_m_s")},
                ),
                "cooling.hose.bore",
                cases[worst].id,
            )
        )
    lacks = tested.missing(cooling.plant.facts)
    if lacks:
        said = ", ".join(name.removeprefix("test_").replace("_", " ") for name in lacks)
        template = "The core's test is not used: its {lacks} is missing; one point wants all four figures."
        found.append(Notice("test_incomplete", Sentence(template, {"lacks": said}), f"cooling.core.{lacks[0]}"))
    reynolds = duty_values(cooling.plant.fluid.reynolds, len(cases))
    slow = [i for i, case in enumerate(cases) if reynolds[i] < 2300.0 and case.kind != "idle"]
    if slow:
        i = min(slow, key=lambda k: reynolds[k])
        found.append(
            Notice(
                "laminar",
                Sentence(
                    "Coolant in the tubes is laminar (Re {re}): more flow, or more passes, helps more "
                    "here than a thicker core.",
                    {"re": f"{reynolds[i]:.0f}"},
                ),
                "cooling.coolant_flow",
                cases[i].id,
            )
        )
    if cooling.plant.facts.fan.drive == "none":
        slow_air = [case for case in cases if case.air_speed < 5.0]
        if slow_air:
            found.append(
                Notice(
                    "no_fan",
                    Sentence("No fan is fitted and {duty} brings hardly any air.", {"duty": slow_air[0].name.lower()}),
                    "cooling.fan.drive",
                    slow_air[0].id,
                )
            )
    return found


_LOST = {
    LOST_COOLANT: ("coolant's temperature", "fan_sensor_lost"),
    LOST_REQUEST: ("air-conditioning's signal", "fan_request_lost"),
}
_RUNS = {"full": "at full", "half": "at half speed", "off": "not at all", "as_ever": "as ever"}


def _held(context: Context, cooling: Cooling) -> list[Notice]:
    """A signal its controller's fans go by is missing: how they then run, or that nobody said."""
    found = []
    for figure, said in held(context, cooling.plant.facts):
        name, field = _LOST[figure]
        words = f"The {name} is missing (Electrics): the fan runs "
        words += (
            f"{_RUNS[said]}, and so it is worked here."
            if said
            else "at half speed on many controllers: say how, nothing is taken off for it."
        )
        found.append(Notice("fan_held", Sentence(words), f"cooling.{field}"))
    return found


def _loop(context: Context, cooling: Cooling, circuit: Circuit) -> list[Notice]:
    """Hose collapse, boiling in the block."""
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
    return found


def _air(cooling: Cooling) -> list[Notice]:
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


def _cold(context: Context, cooling: Cooling, overcooled: Array) -> list[Notice]:
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
