"""Fuel in depth: its own report, candidates side by side, and what the station draws."""

from __future__ import annotations

from benchmarks.timing import Line, median
from gauge_well.core.run import contexts
from gauge_well.core.run.assumptions import UNTRIED
from gauge_well.core.run.blocks import block_of
from gauge_well.core.run.reach import seek
from gauge_well.core.run.solved import Solved
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.fuel.instrument import instrument
from gauge_well.services.compare import compared
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo

CANDIDATES = (
    {"injectors.flow": "650 cc/min", "injectors.dead_time": "1.1 ms"},
    {"main.flow": "190 L/h", "pump_pressure": "3 bar", "main.flow_2": "150 L/h", "main.pressure_2": "5 bar"},
    {"main.count": "2"},
)
VIEWS = ("circuit", "pumps", "over speed", "lines", "tank", "guards")
BUILDS = ("quarry-mule", "chalk-hare", "dripping-well")


def _own(name: str) -> Line:
    """Fuel solved, judged at every power of its reach, with figures, needs and working."""
    case = resolve(load(demo(name))).case
    context, _ = contexts.make_context(case)
    system, facts = SYSTEMS["fuel"], case.systems["fuel"]

    def report() -> None:
        solved = Solved(system, context, facts)
        seek([solved], context)
        block_of(solved, UNTRIED)

    return median(f"fuel's own report, {name}", report, repeats=25, target=0.010)


def fuel() -> list[Line]:
    """The system's report, three candidates redrawn, and each view of the station."""
    lines = [_own(name) for name in BUILDS]
    document = demo("quarry-mule")
    document["candidates"] = {
        "fuel": [{"id": f"c{i}", "name": f"Candidate {i}", "facts": facts} for i, facts in enumerate(CANDIDATES)]
    }
    lines.append(
        median("three pumps and injectors side by side", lambda: compared(document, "fuel"), repeats=15, target=0.150)
    )
    case = resolve(load(demo("chalk-hare"))).case
    context, _ = contexts.make_context(case)
    facts = case.systems["fuel"]
    for view, name in enumerate(VIEWS):
        options = {"view": float(view), "duty": 2.0}
        lines.append(median(f"fuel drawn: {name}", lambda o=options: instrument(context, facts, o), repeats=9))
    return lines
