"""Fuel in depth: its own report, candidates side by side, and what the station draws."""

from __future__ import annotations

from functools import partial

from benchmarks.timing import Line, median
from gauge_well.core.run import contexts
from gauge_well.core.run.assumptions import UNTRIED
from gauge_well.core.run.blocks import block_of
from gauge_well.core.run.reach import seek
from gauge_well.core.run.solved import Solved
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.fuel.views import VIEWS
from gauge_well.services.compare import compared
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo

YARD = (
    {"flow": "155 L/h", "pressure": "3 bar"},
    {"flow": "190 L/h", "pressure": "3 bar", "flow_2": "150 L/h", "pressure_2": "5 bar"},
    {"flow": "124 L/h", "pressure": "3 bar", "count": "2"},
)
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
    """The system's report, parts of the yard in their places, and each view of the station."""
    lines = [_own(name) for name in BUILDS]
    document = demo("quarry-mule")
    document["parts"] += [{"id": f"c{i}", "kind": "pump", "facts": facts} for i, facts in enumerate(YARD)]
    lines.append(median("four pumps side by side", lambda: compared(document, "fuel.main"), repeats=15, target=0.150))
    case = resolve(load(demo("chalk-hare"))).case
    context, _ = contexts.make_context(case)
    facts = case.systems["fuel"]
    for name, view in VIEWS.items():
        lines.append(median(f"fuel drawn: {name}", partial(view.show, context, facts, {"duty": 2.0}), repeats=9))
    return lines
