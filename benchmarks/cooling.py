"""Cooling in depth: candidates side by side, and what the station draws."""

from __future__ import annotations

from functools import partial

from benchmarks.timing import Line, median
from gauge_well.core.run.contexts import make_context
from gauge_well.core.systems.cooling.views import VIEWS
from gauge_well.services.compare import compared
from gauge_well.sheet import load, resolve
from gauge_well.sheet.demo import demo

FACE = {"width": "676 mm", "height": "438 mm"}
YARD = (
    FACE | {"depth": "56 mm"},
    FACE | {"depth": "40 mm", "fin_count": "18 /in"},
    FACE | {"width": "720 mm", "depth": "26 mm"},
    FACE | {"height": "500 mm", "depth": "40 mm"},
)


def cooling() -> list[Line]:
    """Cores of the yard in place, and each view of the station."""
    document = demo("quarry-mule")
    document["parts"] += [{"id": f"c{i}", "kind": "core", "facts": facts} for i, facts in enumerate(YARD)]
    lines = [median("five cores side by side", lambda: compared(document, "cooling.core"), repeats=15, target=0.150)]
    case = resolve(load(demo("quarry-mule"))).case
    context, _ = make_context(case)
    facts = case.systems["cooling"]
    for name, view in VIEWS.items():
        lines.append(median(f"cooling drawn: {name}", partial(view.show, context, facts, {"duty": 2.0}), repeats=9))
    return lines
