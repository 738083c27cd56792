"""Why the rail's pressure falls, or there is none: pump, filter, line, wire and regulator run again with something wrong."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import with_facts
from gauge_well.core.run.contexts import make_context
from gauge_well.core.run.memory import MEMORY
from gauge_well.core.start import setting
from gauge_well.core.start.faults.cause import SOUND, SOUND_AS_OFTEN, Cause, Check, Effort, Gauge, When, Worked, gauged
from gauge_well.core.start.faults.group import Group, eased
from gauge_well.core.start.setting import Stood
from gauge_well.core.systems.fuel import network
from gauge_well.core.systems.fuel.circuit import circuit_of, demand
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.typing import Array, as_array

# At full size (common practice): what a worn pump still moves, times its drop that a filter or sieve takes, volts lost, what
# a regulator holds, what vapour leaves of the flow.
WORN, CLOGGED, VOLTS_LOST, HOLDS, VAPOUR = 0.5, 12.0, 4.0, 0.6, 0.45
STILL = 1e-3

FIRE = "Petrol sprays: ignition off, extinguisher at hand, no flame or lamp, a sealed can, wipe up first."

GAUGE = Gauge("pressure_gauge", 8e3, 0.02)  # half-ranges of what is read by


def causes(case: BuildCase) -> Sequence[Cause]:
    """What goes wrong on the way from tank to rail."""
    return [
        Cause(SOUND, "Nothing is wrong with it", "Nothing: it reads as it should.", SOUND_AS_OFTEN, whole=True),
        Cause("no_power", "Pump gets no current", "Fuse, relay, inertia switch, ground; its signal.", 3.0, whole=True),
        Cause("wire", "Volts are lost on the way to the pump", "Thicker wire, its own relay, its ground.", 2.0),
        Cause("filter", "Filter is blocked", "A new filter; look at what is in the old one.", 2.0),
        Cause("sieve", "Suction is blocked, or draws air", "Sieve, pickup, every joint before the pump.", 2.0),
        Cause("worn", "Pump is worn or too small", "Another pump; its flow at its pressure.", 1.5),
        Cause("regulator", "Regulator holds too little", "Its seat, its spring, its hose to the manifold.", 1.5),
        Cause("vapour", "Fuel boils before the pump", "Cooler, lower, shorter; heat shields; a full tank.", 1.0),
        Cause("gauge", "Gauge reads low", "Another gauge.", 1.0),
    ]


def checks(case: BuildCase) -> Sequence[Check]:
    """What can be read and looked at."""
    heavy = _heavy(case)
    found = [
        gauged(Check("rail", "Pressure at the rail, idling", "A gauge teed in at the rail.", 1.0), GAUGE),
        gauged(Check("rail_key", "Pressure at the rail, key on", "Pump running, engine off.", 1.0, When.OFF), GAUGE),
        Check(
            "hums", "Pump heard at its first two seconds of key on", "Ear at the tank; a second person at the key.", 0.5,
            When.OFF, outcomes=("hums", "silent", "hums, loud and rough"),
        ),
        Check(
            "touch", "Pump and line by hand, as soon as it stops", "Warm is sound.", 0.5, When.OFF,
            outcomes=("cool or warm", "too hot to hold"),
        ),
        Check(
            "volts", "Volts at the pump's plug, pump running", "Meter's leads on both of its pins.", 3.0, When.OFF,
            Effort.TOOL, kind="voltage", error=0.25,
        ),
        Check(
            "vacuum", "Vacuum at the pump's inlet, pump running", "Teed in before the pump; or a clear hose and a look.",
            5.0, When.OFF, Effort.APART, kind="pressure_difference", error=2e3, share=0.05, danger=FIRE,
        ),
        Check(
            "second", "A second gauge at the rail, idling", "One that is known to be right.", 4.0, effort=Effort.TOOL,
            kind="pressure_gauge", error=5e3, share=0.015,
        ),
        Check(
            "can", "Fuel into a can with nothing to push against", "Hose off before the rail; 15 s, weighed.", 6.0,
            When.OFF, Effort.APART, kind="flow", share=0.08, danger=FIRE,
        ),
        Check(
            "across", "Pressure before the filter over that behind it", "Two tees, pump running.", 6.0, When.OFF,
            Effort.APART, kind="pressure_difference", error=6e3, share=0.05, danger=FIRE,
        ),
    ]  # fmt: skip
    if case.systems["fuel"].regulator.place == "returned":
        found.append(
            Check(
                "pinched", "Pressure with the return pinched a moment", "Soft hose only, pump running, one second.", 3.0,
                When.OFF, Effort.TOOL, kind="pressure_gauge", error=15e3, share=0.03, danger=FIRE,
            )
        )  # fmt: skip
    if heavy:
        name = dict(case.duties)[heavy].name or heavy
        found.append(
            Check(
                "rail_heavy", f"Pressure at the rail: {name}", "A gauge that can be read from the seat, or logged.", 10.0,
                When.GRADE, kind="pressure_gauge", error=8e3, share=0.02,
            )
        )  # fmt: skip
    return found


def _heavy(case: BuildCase) -> str:
    """The duty that asks most fuel, whatever it lasts; empty where that is not known."""
    try:
        cases = make_context(case, memory=MEMORY)[0].duties.cases
    except MissingFact:
        return ""
    asking = [c for c in cases if c.kind != "idle"]
    return max(asking, key=lambda c: float(as_array(c.peak_power).flat[0])).id if asking else ""


def _worked(stood: Stood, id: str, size: float) -> tuple[network.Network, Array]:
    """The network in a trouble, and volts at its pump (sample,)."""
    facts: FuelFacts = stood.drawn.case.systems["fuel"]
    changes: dict[str, object] = {}
    if id == "filter":
        changes["filter.drop"] = as_array(facts.filter.drop) * eased(CLOGGED, size)
    if id == "sieve":
        changes["sieve.drop"] = as_array(facts.sieve.drop) * eased(CLOGGED, size)
    if id == "regulator":
        changes["regulator.pressure"] = as_array(facts.regulator.pressure) * eased(HOLDS, size)
    facts = with_facts(facts, changes) if changes else facts
    circuit = circuit_of(stood.context, facts)
    net = network.network_of(stood.context, circuit)
    taken = demand(stood.context.mean, circuit)
    own = net.point(taken, circuit.rail_gauge).volts
    if id == "wire":
        own = own - VOLTS_LOST * size
        net = network.network_of(stood.context, circuit, volts=own)
    left = {"worn": eased(WORN, size), "vapour": eased(VAPOUR, size), "no_power": STILL}.get(id, 1.0)
    if left != 1.0:
        net = replace(net, main=replace(net.main, flow=net.main.flow * left), alone=None)
    return net, stood.wide(0.0 * own if id == "no_power" else own)


def work(case: BuildCase, air: float, count: int = setting.DRAWS) -> Mapping[tuple[str, float], Worked]:
    """Every cause at every size over the draws; MissingFact where no electric pump and regulator are known."""
    own: FuelFacts = case.systems["fuel"]
    if own.main.drive != "electric":
        raise MissingFact("fuel.main.drive")
    if own.regulator.place not in ("returned", "dead_headed"):
        raise MissingFact("fuel.regulator.place")
    stood = setting.stand(setting.idle_case(case, air), count)
    heavy = _heavy(case)
    driven = setting.stand(setting.in_todays_air(case, heavy, air), count) if heavy else None
    found = {}
    for cause in causes(case):
        for size in cause.sizes:
            found[cause.id, size] = read(stood, driven, cause.id, size)
    return found


def read(stood: Stood, driven: Stood | None, id: str, size: float) -> Worked:
    """A cause at a size: idling, and in the heaviest duty where there is one."""
    net, volts = _worked(stood, id, size)
    circuit = net.circuit
    asked = stood.wide(circuit.rail_gauge)
    shows = eased(0.75, size) if id == "gauge" else 1.0
    dead = id == "no_power"
    idle = net.point(demand(stood.context.mean, circuit), circuit.rail_gauge)
    none = as_array(1e-9)
    key = net.point(none, circuit.rail_gauge)
    manifold = MANIFOLD if circuit.facts.regulator.reference == "manifold" else 0.0
    able = stood.wide(net.main.able(0.0))
    rail_key = np.zeros(stood.samples) if dead else stood.wide(key.rail)
    readings = {
        "rail": np.zeros(stood.samples) if dead else shows * np.maximum(stood.wide(idle.rail) - manifold, 0.0),
        "rail_key": shows * rail_key,
        "volts": volts,
        "vacuum": np.zeros(stood.samples) if dead else stood.wide(circuit.suction_drop(key.through)),
        "second": np.zeros(stood.samples) if dead else np.maximum(stood.wide(idle.rail) - manifold, 0.0),
        "can": 0.0 * able if dead else able,
        "across": np.zeros(stood.samples) if dead else stood.wide(circuit.filter_drop(key.through)),
        "pinched": 0.0 * asked if dead else shows * SHUT_OFF.get(id, 1.0) ** size * stood.wide(net.main.end_at(none)),
    }
    if driven is not None:
        far, _ = _worked(driven, id, size)
        rail = np.maximum(driven.wide(far.at(driven.context.peak).rail), 0.0)
        readings["rail_heavy"] = np.zeros_like(rail) if dead else shows * rail
    hums = {"no_power": (0.03, 0.95, 0.02), "vapour": (0.3, 0.02, 0.68), "sieve": (0.35, 0.02, 0.63)}
    touch = (0.1, 0.9) if id == "vapour" else (0.95, 0.05)
    return Worked(readings, {"hums": hums.get(id, (0.94, 0.01, 0.05)), "touch": touch})


SHUT_OFF = {
    "worn": 0.6,
    "vapour": 0.5,
    "sieve": 0.8,
}  # of its pressure at no flow that such a pump still makes (common practice)
MANIFOLD = 60e3  # Pa under the air outside in a throttled engine's manifold, idling (common practice)

FUEL = Group("fuel", "Fuel pressure", causes, checks, work)
