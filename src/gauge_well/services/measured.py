"""What readings moved in a report: each verdict that goes by what was measured, with what it was without."""

from __future__ import annotations

from typing import Any

from gauge_well.core.measured import Measured
from gauge_well.core.report import Report
from gauge_well.core.run import sizing
from gauge_well.services.render import sentence
from gauge_well.sheet import Resolved, Sheet

MOVED = 0.005  # of a fill, from which a check is said to have moved
GONE = {
    "heat": "the engine",
    "core": "the radiator",
    "ram": "the way of the air to the core",
    "fan": "the fan",
    "flow": "the coolant pump",
    "cooler": "the exchanger or keel cooler",
    "oil": "the oil's cooling",
}


def told(sheet: Sheet, resolved: Resolved, found: Report) -> dict[str, Any] | None:
    """Which verdicts of a report go by what was measured; None where nothing measured is applied."""
    own = resolved.case.measured
    if own is None or sheet.readings.applied is None:
        return None
    before = sizing.size(resolved.unmeasured, explain="none", checked=True)
    fills = {(id, c.id, c.duty): c for id, block in before.systems.items() for c in block.checks}
    moved = []
    for id, block in found.systems.items():
        for check in block.checks:
            was = fills.get((id, check.id, check.duty))
            if was is not None and (abs(was.fill - check.fill) > MOVED or was.state != check.state):
                moved.append(
                    {"system": id, "check": check.id, "duty": check.duty, "fill": was.fill, "state": was.state}
                )
    reaches = {(r.system, r.part, r.kind): r for r in before.rows}
    rows = []
    for row in found.rows:
        was_row = reaches.get((row.system, row.part, row.kind))
        if was_row is not None and any(m["system"] == row.system and m["check"] == row.check for m in moved):
            rows.append(
                {
                    "system": row.system, "part": row.part, "kind": row.kind,
                    "reach_w": was_row.reach_w, "carries_w": was_row.carries_w,
                }
            )  # fmt: skip
    return {
        "at": sheet.readings.applied.date().isoformat(),
        "factors": factors(own),
        "gone": [GONE.get(id, id) for id in resolved.gone],
        "headline": sentence(before.verdict.headline.sentence, sheet.prefer),
        "checks": moved,
        "rows": rows,
    }


def factors(own: Measured) -> list[dict[str, Any]]:
    """Each factor at its likely value, and how unsure it is still."""
    values = own.likely()[:, 0]
    return [
        {"id": f.id, "label": f.label, "value": float(value), "sd": float(sum(v * v for v in f.row) ** 0.5)}
        for f, value in zip(own.factors, values, strict=True)
    ]
