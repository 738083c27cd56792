"""Changes of pump, line, rail and injectors worth trying."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np

from gauge_well.core.parts.regulator import REGULATED
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import INJECTORS, PUMPS, above, below
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.fuel.circuit import circuit_of
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.facts_supply import CEILINGS, INJECTIONS, RESERVES
from gauge_well.core.systems.fuel.injectors import idle_pulse
from gauge_well.core.typing import Value, likely

# Sizes sold (common practice): [m3/s], [Pa], [m], [m2].
RAILS = (250e3, 300e3, 350e3, 400e3, 450e3, 500e3, 550e3)
LINES = (6e-3, 8e-3, 10e-3, 12e-3, 15e-3)
SUCTION_LINES = (8e-3, 10e-3, 12e-3, 15e-3, 19e-3)
WIRES = (1.5e-6, 2.5e-6, 4e-6, 6e-6, 10e-6)
RETURNS = (5e-3, 6e-3, 8e-3, 10e-3, 12e-3)
VENTS = (2e-3, 3e-3, 4e-3, 6e-3, 8e-3)
SEATS = (1.5e-3, 1.8e-3, 2.0e-3, 2.2e-3, 2.5e-3, 3.0e-3)
POTS = (1e-3, 1.5e-3, 2e-3, 3e-3)
# What a pump leaves behind when another is put in.
OWN = ("relief", "wear", "catch_volume", "catch_time", "catch_pressure", "catch_voltage")
TANK_LIFT, TANK_LENGTH = -0.05, 0.1  # m, of a pump that hangs in the tank
NEAR = 0.8  # of its brim, from which a smaller injector is worth a try
LOW_PUMP, LOW = 100 / 3.6e6, 20e3  # m3/s and Pa of a usual low-pressure pump (common practice)


def candidates(context: Context, facts: FuelFacts) -> list[Candidate]:
    """Pump, wire, line, rail, injectors, suction and their schools: each a step from what is there."""
    return [
        *_pump(facts),
        *_lift(facts),
        *_rail(facts),
        *_injectors(facts),
        *_suction(facts),
        *_return(facts),
        *_beside(context, facts),
    ]


def _step(
    id: str, part: str, label: str, path: str, now: Value | None, sizes: Sequence[float], kind: str, count: int = 1
) -> Iterator[Candidate]:
    if now is None:
        return
    for i, size in enumerate(above(sizes, likely(now), count)):
        words = Sentence(label + " {a} → {b}", {"a": (likely(now), kind), "b": (size, kind)})
        yield Candidate(id if i == 0 else f"{id}_{i + 1}", part, words, {path: size})


def _pump(facts: FuelFacts) -> Iterator[Candidate]:
    if facts.main.flow is not None or facts.main.table is not None:
        count = 1.0 if facts.main.count is None else likely(facts.main.count)
        label = "Second pump, in parallel" if count == 1.0 else "One more pump, in parallel"
        # An engine has one place to drive a pump from.
        if facts.main.drive == "electric":
            yield Candidate("pump_count", "pump", Sentence(label), {"fuel.main.count": count + 1.0})
        if count > 1.0 and facts.pump_staging == "always" and facts.main.drive == "electric":
            words = Sentence("The other pumps on demand: less fuel, less heat going round")
            yield Candidate("staged", "tank", words, {"fuel.pump_staging": "demand"})
    if facts.main.flow is not None and facts.main.table is None:
        now = likely(facts.main.flow)
        for i, size in enumerate(above(PUMPS, now, 2)):
            changes: dict[str, float | str | None] = {
                "fuel.main.flow": size,
                "fuel.main.flow_2": None,
                "fuel.main.pressure_2": None,
                **{f"fuel.main.{name}": None for name in OWN if getattr(facts.main, name)},
            }
            if facts.main.current is not None:
                # A larger pump of a kind draws in proportion to what it moves.
                changes["fuel.main.current"] = likely(facts.main.current) * size / now
            kind = "Engine-driven pump" if facts.main.drive == "engine" else "Pump"
            words = Sentence(kind + " {a} → {b} at that pressure", {"a": (now, "flow_fuel"), "b": (size, "flow_fuel")})
            yield Candidate(f"pump_{i + 1}", "pump", words, changes)
    if facts.main.drive == "engine" and facts.injection in ("mechanical", "carburettor"):
        # An electric pump in its stead: one that gives what is wanted at the engine's inlet.
        pressure = max(likely(facts.regulator.pressure), LOW)
        words = Sentence(
            "An electric pump of {q} at {p} in its stead",
            {"q": (LOW_PUMP, "flow_fuel"), "p": (pressure, "pressure_gauge")},
        )
        yield Candidate(
            "electric_pump",
            "pump",
            words,
            {
                "fuel.main.drive": "electric",
                "fuel.main.flow": LOW_PUMP,
                "fuel.main.pressure": pressure,
                "fuel.main.flow_2": None,
                "fuel.main.pressure_2": None,
                "fuel.main.table": None,
                **{f"fuel.main.{name}": None for name in (*OWN, "speed") if getattr(facts.main, name)},
            },
        )
    if facts.main.drive == "electric":
        yield from _step("wire", "pump", "Pump's wire", "fuel.wire.area", facts.wire.area, WIRES, "wire_area")
    if facts.main.drive == "none":
        yield Candidate(
            "electric_lift",
            "line",
            Sentence(
                "An electric lift pump of {q} at {p}", {"q": (LOW_PUMP, "flow_fuel"), "p": (LOW, "pressure_gauge")}
            ),
            {
                "fuel.main.drive": "electric",
                "fuel.main.flow": LOW_PUMP,
                "fuel.main.pressure": LOW,
                "fuel.regulator.pressure": None,
                "fuel.end_height": None,
            },
        )
    yield from _step(
        "line",
        "line" if facts.main.drive == "none" else "pump",
        "Pressure line",
        "fuel.line.bore",
        facts.line.bore,
        LINES,
        "size",
    )
    lower = {"30": "20", "20": "10"}.get(facts.reserve)
    if lower is not None:
        yield Candidate(
            "reserve",
            "pump",
            Sentence(f"Reckon with {RESERVES[lower][0]} in reserve"),
            {"fuel.reserve": lower},
            school=True,
        )


def _rail(facts: FuelFacts) -> Iterator[Candidate]:
    if not INJECTIONS[facts.injection].injectors:
        return
    now = likely(facts.regulator.pressure)
    for id, found in (("rail_down", below(RAILS, now, 1)), ("rail_up", above(RAILS, now, 1))):
        for size in found:
            words = Sentence("Regulator {a} → {b}", {"a": (now, "pressure_gauge"), "b": (size, "pressure_gauge")})
            yield Candidate(id, "pump" if id == "rail_down" else "injectors", words, {"fuel.regulator.pressure": size})
    if facts.regulator.reference == "atmosphere" and facts.regulator.place in REGULATED:
        yield Candidate(
            "reference",
            "injectors",
            Sentence("Regulator's hose to the manifold"),
            {"fuel.regulator.reference": "manifold"},
        )
    if facts.regulator.place == "returned":
        yield Candidate(
            "dead_headed", "pump", Sentence("Rail dead-headed at the tank"), {"fuel.regulator.place": "dead_headed"}
        )
    else:
        yield Candidate(
            "returned", "injectors", Sentence("Rail returned to the tank"), {"fuel.regulator.place": "returned"}
        )


def _injectors(facts: FuelFacts) -> Iterator[Candidate]:
    if not INJECTIONS[facts.injection].injectors or facts.injectors.flow is None:
        return
    yield from _step(
        "injectors",
        "injectors",
        "Injectors",
        "fuel.injectors.flow",
        facts.injectors.flow,
        INJECTORS,
        "injector_flow",
        2,
    )
    higher = {"80": "85", "85": "90"}.get(facts.ceiling)
    if higher is not None:
        yield Candidate(
            "ceiling",
            "injectors",
            Sentence(f"Let injectors open to {CEILINGS[higher][0]}"),
            {"fuel.ceiling": higher},
            school=True,
        )


def _suction(facts: FuelFacts) -> Iterator[Candidate]:
    if facts.pump_place == "outside":
        if facts.main.drive == "electric":
            yield Candidate(
                "in_tank",
                "suction",
                Sentence("Pump hung in the tank"),
                {
                    "fuel.pump_place": "tank",
                    "fuel.suction_lift": TANK_LIFT,
                    "fuel.suction.length": TANK_LENGTH,
                },
            )
        yield from _step(
            "suction", "suction", "Suction line", "fuel.suction.bore", facts.suction.bore, SUCTION_LINES, "size"
        )


def _lift(facts: FuelFacts) -> Iterator[Candidate]:
    if facts.lift == "none":
        if facts.pump_place == "outside" and facts.main.drive == "electric" and facts.injection == "port":
            words = Sentence("A lift pump and a surge pot of {v}", {"v": (POTS[1], "volume")})
            yield Candidate(
                "pot",
                "suction",
                words,
                {
                    "fuel.lift": "pot",
                    "fuel.lift_pump.flow": LOW_PUMP * 1.4,
                    "fuel.lift_pump.pressure": LOW,
                    "fuel.pot.volume": POTS[1],
                },
            )
        return
    now = likely(facts.lift_pump.flow) if facts.lift_pump.flow is not None and facts.lift_pump.table is None else None
    for i, size in enumerate(above(PUMPS, now, 2) if now is not None else ()):
        words = Sentence(
            "Lift pump {a} → {b} at that pressure", {"a": (now or 0.0, "flow_fuel"), "b": (size, "flow_fuel")}
        )
        changes = {"fuel.lift_pump.flow": size, "fuel.lift_pump.flow_2": None, "fuel.lift_pump.pressure_2": None}
        yield Candidate(f"lift_pump_{i + 1}", "lift", words, changes)
    if facts.lift == "pot":
        yield from _step("pot_size", "lift", "Surge pot", "fuel.pot.volume", facts.pot.volume, POTS, "volume")
        yield from _step(
            "pot_hose", "suction", "Pot to pump", "fuel.pot_line.bore", facts.pot_line.bore, SUCTION_LINES, "size"
        )
        if facts.return_to == "tank":
            yield Candidate("return_pot", "lift", Sentence("The rail's return into the pot"), {"fuel.return_to": "pot"})


def _return(facts: FuelFacts) -> Iterator[Candidate]:
    if facts.regulator.place == "returned" or facts.injection in ("mechanical", "common_rail"):
        yield from _step(
            "return", "line", "Return line", "fuel.return_line.bore", facts.return_line.bore, RETURNS, "size"
        )


def _idles_badly(context: Context, facts: FuelFacts) -> bool:
    """Whether the opening at idle comes near the shortest that is steady."""
    found = idle_pulse(context, circuit_of(context, facts))
    return likely(found.least) > NEAR * float(np.min(found.open))


def _beside(context: Context, facts: FuelFacts) -> Iterator[Candidate]:
    yield from _step("vent", "tank", "Tank's vent", "fuel.tank.vent_bore", facts.tank.vent_bore, VENTS, "size")
    if facts.tank.length is not None:
        words = Sentence("Refuel with {s} left", {"s": (2.0 * likely(facts.tank_reserve), "share")})
        yield Candidate(
            "refuel", "tank", words, {"fuel.tank_reserve": min(2.0 * likely(facts.tank_reserve), 0.5)}, school=True
        )
    if facts.injection == "carburettor":
        yield from _step("seat", "bowl", "Float valve's seat", "fuel.needle_bore", facts.needle_bore, SEATS, "size")
        if facts.regulator.place == "free" and facts.main.drive != "none":
            yield Candidate(
                "regulator", "bowl", Sentence("A regulator ahead of the bowl"), {"fuel.regulator.place": "dead_headed"}
            )
    if facts.injection == "port" and facts.injectors.flow is not None and _idles_badly(context, facts):
        now = likely(facts.injectors.flow)
        for size in below(INJECTORS, now, 1):
            words = Sentence("Injectors {a} → {b}", {"a": (now, "injector_flow"), "b": (size, "injector_flow")})
            yield Candidate("smaller", "injectors", words, {"fuel.injectors.flow": size})
