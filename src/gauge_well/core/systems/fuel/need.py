"""What the wanted power asks of pumps, injectors, lines and tank, fitted or not."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import BORES, INJECTORS, PUMPS, at_least
from gauge_well.core.systems.base import Context, Need, Shopping
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel import tank
from gauge_well.core.systems.fuel.circuit import Circuit, asked_pressure, burned, demand
from gauge_well.core.systems.fuel.facts_supply import LINE_SPEED, SUCTION_SPEED
from gauge_well.core.systems.fuel.rules import sold_bore
from gauge_well.core.typing import Array, likely, over_duties

NUMBERS = dict(enumerate(("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")))
LOW_LIFT = 20e3  # Pa a lift pump works against (common practice)


def needs(context: Context, circuit: Circuit) -> list[Need]:
    """Pump flow at its pressure and volts, lift pump and pot, injector size at its rating pressure, bores, vent."""
    flow = over_duties(demand(context.peak, circuit))
    found: list[Need] = []
    if circuit.pumped:
        found.append(_pump(context, circuit, flow))
    if circuit.facts.lift != "none":
        found += _lift(circuit, flow)
    if circuit.way.injectors:
        found.append(_injector(context, circuit))
    found += _bores(circuit, flow)
    least = likely(over_duties(tank.vent_bore(circuit, flow)))
    vent = next((b for b in BORES if b >= least), BORES[-1])
    words = "A tank vent of {bore} or more, that no wash or dust can shut."
    found.append(Need("tank", "vent_bore", vent, "size", Sentence(words, {"bore": (vent, "size")})))
    return found


def _pump(context: Context, circuit: Circuit, running: Array) -> Need:
    facts = circuit.facts
    flow = circuit.with_reserve(running)
    flows, back = np.broadcast_arrays(demand(context.peak, circuit), asked_pressure(circuit, context.peak))
    # The pressure of the duty that asks most; its flow decides, not the highest pressure of another.
    back = np.take_along_axis(back[0], flows[0].argmax(axis=0)[None], 0)[0]
    pressure = back + (circuit.filter_drop(flow) if facts.regulator.place == "dead_headed" else circuit.line_drop(flow))
    volts = likely(facts.supply_voltage) - 0.5
    electric = facts.main.drive == "electric"
    return Need(
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
        shop=_sold_pump(likely(flow), likely(pressure), volts if electric else None),
    )


def _sold_pump(flow: float, pressure: float, volts: float | None) -> Shopping:
    size = at_least(PUMPS, flow)
    asked: dict[str, tuple[float, str] | str] = {"flow": (flow, "flow_fuel"), "p": (pressure, "pressure_gauge")}
    words = "two pumps side by side" if size is None else "{q}"
    slots: dict[str, tuple[float, str] | str] = {} if size is None else {"q": (size, "flow_fuel")}
    return Shopping(
        "Fuel pump",
        Sentence("{flow} of fuel at {p}", asked),
        Sentence("at {p}" + ("" if volts is None else ", {v}"), asked | {"v": (volts or 0.0, "voltage")}),
        Sentence(words, slots),
        size,
        "fuel.main.flow",
    )


def _lift(circuit: Circuit, running: Array) -> Iterator[Need]:
    flow = circuit.with_reserve(running)
    values = {"flow": (likely(flow), "flow_fuel"), "p": (LOW_LIFT, "pressure_gauge")}
    words = "A lift pump giving {flow} against {p}; more where the rail's return goes to the tank."
    yield Need("lift", "lift_flow", flow, "flow_fuel", Sentence(words, values))
    if circuit.facts.lift == "pot":
        holds = running * circuit.fact("bare_time")
        time = likely(circuit.fact("bare_time"))
        words = "A pot of {v} or more, for {t} with the tank's pickup bare."
        yield Need(
            "lift",
            "pot_volume",
            holds,
            "volume",
            Sentence(words, {"v": (likely(holds), "volume"), "t": (time, "time")}),
        )


def _bores(circuit: Circuit, running: Array) -> Iterator[Need]:
    for part, speed, label in (("line", LINE_SPEED, "Line"), ("suction", SUCTION_SPEED, "Suction line")):
        if part == "suction" and circuit.facts.pump_place == "tank" and circuit.facts.lift == "none":
            continue
        bore = sold_bore(likely(running), speed)
        words = "{label} of {bore} bore, the next sold ({v} at most); a returning pump's whole flow may want more."
        values: dict[str, tuple[float, str] | str] = {
            "label": label,
            "bore": (bore, "size"),
            "v": (speed, "speed_m_s"),
        }
        yield Need(part, f"{part}_bore", bore, "size", Sentence(words, values))
    rated = circuit.with_reserve(running)
    words = "A filter rated for {q}: twice what passes, so that it lasts."
    yield Need(
        "line", "filter_flow", 2.0 * rated, "flow_fuel", Sentence(words, {"q": (2.0 * likely(rated), "flow_fuel")})
    )


def _injector(context: Context, circuit: Circuit) -> Need:
    """Smallest injector that serves every duty at the rating pressure."""
    peak = context.peak
    count, rated = circuit.fact("injectors.count"), circuit.fact("injectors.pressure")
    cycles = peak.speed * context.engine.swept_rate_factor * inj.openings(context, circuit)
    dp = np.maximum(inj.across(circuit, peak, inj.set_rail(circuit, peak)), 1e3)
    room = np.maximum(circuit.ceiling - inj.dead_time(circuit) * cycles, 0.02)
    each = burned(peak, circuit.fuel) / count / room
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
        shop=_sold_injector(likely(size), likely(count), likely(rated)),
    )


def _sold_injector(size: float, count: float, rated: float) -> Shopping:
    found = at_least(INJECTORS, size)
    words = "two to each cylinder" if found is None else "{q}"
    slots: dict[str, tuple[float, str] | str] = {} if found is None else {"q": (found, "injector_flow")}
    number = NUMBERS.get(round(count), f"{count:.0f}")
    least = min(INJECTORS)  # nobody sells a smaller one: said as it is bought
    brief = "{n} injectors of {size}" if size >= least else "{n} injectors of {size}, the smallest sold"
    return Shopping(
        "Injectors",
        Sentence(brief, {"n": number, "size": (max(size, least), "injector_flow")}),
        Sentence("{n}, rated at {p}", {"n": number, "p": (rated, "pressure_difference")}),
        Sentence(words, slots),
        found,
        "fuel.injectors.flow",
    )
