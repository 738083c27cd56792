"""What the wanted power asks of pump, injectors and line, fitted or not."""

from __future__ import annotations

import numpy as np

from gauge_well.core.facts import need, need_number
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need, over_duties
from gauge_well.core.systems.fuel import model
from gauge_well.core.systems.fuel.checks import LINE_SPEED, SUCTION_SPEED
from gauge_well.core.typing import as_array, likely


def needs(context: Context, circuit: model.Circuit) -> list[Need]:
    """Pump flow at its pressure and volts, injector size at its rating pressure, line bores."""
    facts = circuit.facts
    peak = context.peak
    flows = model.demand(peak, circuit.fuel, facts)
    flow = over_duties(flows) * (1.0 + circuit.reserve)
    lifts = np.broadcast_to(model.manifold_lift(circuit, peak), flows.shape)[0]
    # The pressure of the duty that asks most; its flow decides, not the highest pressure of another.
    lift = np.take_along_axis(lifts, flows[0].argmax(axis=0)[None], 0)[0]
    pressure = circuit.rail_gauge + lift + model.line_drop(circuit, flow)
    volts = need_number(facts.supply_voltage, "fuel.supply_voltage") - 0.5
    electric = facts.pump_drive == "electric"
    found = [
        Need(
            "pump",
            "pump_flow",
            flow,
            "flow_fuel",
            Sentence(
                "A pump giving {flow} at {p}" + (" and {v}" if electric else "") + ", {reserve} in reserve.",
                {
                    "flow": (likely(flow), "flow_fuel"),
                    "p": (likely(pressure), "pressure_gauge"),
                    "v": (volts, "voltage"),
                    "reserve": (circuit.reserve, "share"),
                },
            ),
        )
    ]
    if circuit.way.injectors:
        found.append(_injector(context, circuit))
    running = flow / (1.0 + circuit.reserve)
    for part, speed, label in (("line", LINE_SPEED, "Line"), ("suction", SUCTION_SPEED, "Suction line")):
        if part == "suction" and facts.pump_place == "tank":
            continue
        bore = np.sqrt(4.0 * running / (np.pi * speed))
        found.append(
            Need(
                part,
                f"{part}_bore",
                bore,
                "size",
                Sentence(
                    "{label} of {bore} bore or more ({v} at most); a returning pump's whole flow wants more.",
                    {"label": label, "bore": (likely(bore), "size"), "v": (speed, "speed_m_s")},
                ),
            )
        )
    return found


def _injector(context: Context, circuit: model.Circuit) -> Need:
    """Smallest injector that serves every duty at the rating pressure."""
    facts, peak = circuit.facts, context.peak
    count = as_array(need(facts.injector_count, "fuel.injector_count"))
    rated = as_array(need(facts.injector_pressure, "fuel.injector_pressure"))
    dead = as_array(need(facts.dead_time, "fuel.dead_time")) * peak.speed * context.engine.swept_rate_factor
    rail = circuit.rail_gauge + model.manifold_lift(circuit, peak)
    if facts.rail == "dead_headed":
        rail = rail - model.line_drop(circuit, model.demand(peak, circuit.fuel, facts))
    dp = np.maximum(rail - peak.manifold_gauge, 1e3)
    room = np.maximum(circuit.ceiling - dead, 0.02)
    each = model.burned(peak, circuit.fuel) / count / room
    size = over_duties(each * np.sqrt(rated / dp))
    return Need(
        "injectors",
        "injector_flow",
        size,
        "injector_flow",
        Sentence(
            "{n} injectors of {size} each, rated at {p}.",
            {
                "n": f"{likely(count):.0f}",
                "size": (likely(size), "injector_flow"),
                "p": (likely(rated), "pressure_difference"),
            },
        ),
    )
