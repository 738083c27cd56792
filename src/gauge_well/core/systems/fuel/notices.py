"""Guides and assumptions worth saying of the fuel."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import guard, tank
from gauge_well.core.systems.fuel.circuit import Circuit, demand
from gauge_well.core.systems.fuel.facts_guard import STOPS
from gauge_well.core.systems.fuel.facts_supply import LINE_SPEED, SUCTION_SPEED
from gauge_well.core.systems.fuel.network import Point
from gauge_well.core.typing import largest, likely
from gauge_well.core.validity import Notice


def notices(context: Context, circuit: Circuit, point: Point | None) -> list[Notice]:
    """All that applies, the circuit's first."""
    return [
        *_speeds(context, circuit, point),
        *_pumps(circuit, point),
        *_rails(context, circuit),
        *_tank(circuit),
        *_guards(circuit),
    ]


def _speeds(context: Context, circuit: Circuit, point: Point | None) -> Iterator[Notice]:
    facts = circuit.facts
    taken = demand(context.peak, circuit)
    run = taken if point is None else point.in_line
    drawn = taken if point is None else point.drawn
    for bore, flow, name, guide, where in (
        (facts.line.bore, run, "line", LINE_SPEED, "fuel.line.bore"),
        (facts.suction.bore, drawn, "suction", SUCTION_SPEED, "fuel.suction.bore"),
    ):
        if bore is None or (name == "suction" and facts.pump_place == "tank" and facts.lift == "none"):
            continue
        speed = largest(flow) / likely(bore_area(bore))
        if speed > guide * 1.001:
            yield Notice(
                f"{name}_speed",
                Sentence(
                    "Fuel runs at {v} in the {name}; {guide} is the guide. The losses are counted above.",
                    {
                        "v": (speed, "speed_m_s"),
                        "name": "suction line" if name == "suction" else "line",
                        "guide": (guide, "speed_m_s"),
                    },
                ),
                where,
            )


def _pumps(circuit: Circuit, point: Point | None) -> Iterator[Notice]:
    pump = None if point is None else point.network.main.pump
    if point is None or pump is None:
        return
    curve, facts = pump.curve, circuit.facts
    if curve.by_rule:
        words = "Only one point of the pump is known: no more is counted at less pressure, and that it stops at {p} is a rule. Give a second point or a table."
        yield Notice(
            "pump_one_point",
            Sentence(words, {"p": (likely(curve.pressure[-1]), "pressure_gauge")}),
            "fuel.main.flow_2",
        )
    if pump.relief is not None and largest(point.able_across) > likely(pump.relief):
        words = "The pump's relief opens at {p}, under the {work} it works against: some of its flow goes round inside."
        values = {"p": (likely(pump.relief), "pressure_gauge"), "work": (largest(point.able_across), "pressure_gauge")}
        yield Notice("relief_opens", Sentence(words, values), "fuel.main.relief")
    wear = 1.0 - likely(pump.health)
    if wear > 0.3:
        words = "The pump gives {s} of what its figures say: worn, blocked, or short of volts at the test."
        yield Notice("pump_worn", Sentence(words, {"s": (1.0 - wear, "share")}), "fuel.main.wear")
    if facts.main.drive == "engine" and facts.injection == "port":
        yield Notice(
            "engine_pump", Sentence("Few engine-driven pumps hold a rail's pressure, and none before it turns.")
        )


def _rails(context: Context, circuit: Circuit) -> Iterator[Notice]:
    facts = circuit.facts
    if not circuit.way.injectors:
        words = "Injectors are the engine's own here and not judged; only the supply is."
        yield Notice("injectors_not_judged", Sentence(words))
    elif context.engine.facts.cycle == "two_stroke":
        yield Notice("two_stroke", Sentence("Injectors are taken to open once every turn."))
    boost = largest(context.peak.manifold_gauge)
    fixed = circuit.way.injectors and circuit.regulated and facts.regulator.reference == "atmosphere"
    if fixed and boost > 0.2 * likely(circuit.rail_gauge):
        words = "The rail is not referenced to the manifold: under boost the injectors lose flow."
        yield Notice("fixed_rail", Sentence(words))
    if facts.regulator.place == "free" and circuit.way.injectors:
        words = "Injectors want a held pressure: say where the regulator stands."
        yield Notice("no_regulator", Sentence(words), "fuel.regulator.place")
    if facts.regulator.place == "dead_headed" and facts.regulator.reference == "manifold" and boost > 0.0:
        words = "A regulator at the tank is seldom hosed to the manifold; without that hose boost takes from the rail."
        yield Notice("far_reference", Sentence(words), "fuel.regulator.reference")


def _tank(circuit: Circuit) -> Iterator[Notice]:
    facts = circuit.facts
    if facts.tank.filler_bore is None:
        return
    swallowed = likely(tank.fill_flow(facts.tank.filler_bore, facts.tank.filler_length or 0.0))
    if swallowed < tank.NOZZLE:
        words = "The filler swallows {q}; a filling pump gives {n}: it blows back."
        values = {"q": (swallowed, "flow"), "n": (tank.NOZZLE, "flow")}
        yield Notice("slow_filler", Sentence(words, values), "fuel.tank.filler_bore")


def _guards(circuit: Circuit) -> Iterator[Notice]:
    facts = circuit.facts
    missing = guard.not_cut(circuit)
    if 0 < len(missing) < len(guard.CUTS):
        yield Notice("cut_off_gap", Sentence(f"The pump does not stop {' or '.join(missing)}."), "fuel.cut_impact")
    if facts.injection == "mechanical" and facts.stop_device is not None and not STOPS[facts.stop_device].safe:
        words = {
            "cable": "It runs on when power fails, until the cable is pulled: keep the knob in reach, and its cable free.",
            "stop": "It runs on when power fails, and cannot be stopped by the key then: fit a cable beside it.",
        }[facts.stop_device]
        yield Notice("runs_on", Sentence(words), "fuel.stop_device")
    if facts.injection in ("mechanical", "common_rail") and facts.water_bowl == "no":
        words = "No water bowl: water is what kills injection pumps. Fit one on the suction side, where it can be seen."
        yield Notice("no_water_bowl", Sentence(words), "fuel.water_bowl")
    if facts.lean_guard == "none" and facts.injection == "port":
        words = "Nothing notices a rail pressure that falls under full load."
        yield Notice("no_lean_guard", Sentence(words), "fuel.lean_guard")
