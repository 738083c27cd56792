"""Cooling in depth: candidates side by side, and what the station draws."""

from __future__ import annotations

from benchmarks.timing import Line, median
from gauge_well.core.run.contexts import make_context
from gauge_well.core.systems.cooling.instrument import instrument
from gauge_well.services.compare import compared
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo

CANDIDATES = (
    {"core.depth": "56 mm"},
    {"fan.diameter": "2x 300 mm"},
    {"shroud": "none"},
    {"core.width": "720 mm", "core.depth": "26 mm"},
    {"fan.drive": "none"},
)
VIEWS = ("air", "stack", "coolant", "through time", "on the stand")


def cooling() -> list[Line]:
    """Five candidates redrawn, and each view of the station."""
    document = demo("quarry-mule")
    document["candidates"] = {
        "cooling": [{"id": f"c{i}", "name": f"Candidate {i}", "facts": facts} for i, facts in enumerate(CANDIDATES)]
    }
    lines = [
        median("five cores and fans side by side", lambda: compared(document, "cooling"), repeats=15, target=0.150)
    ]
    case = resolve(load(demo("quarry-mule"))).case
    context, _ = make_context(case)
    facts = case.systems["cooling"]
    for view, name in enumerate(VIEWS):
        options = {"view": float(view), "duty": 2.0}
        lines.append(median(f"cooling drawn: {name}", lambda o=options: instrument(context, facts, o), repeats=9))
    return lines
