"""The need sheet with its bands, to print and as CSV."""

from __future__ import annotations

import csv
import io
from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.run import bands, runs
from gauge_well.core.run.sampling import SAMPLES_LIVE, draw
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.typing import as_array
from gauge_well.services.sizing import check, report_of
from gauge_well.sheet import Resolved
from gauge_well.units import KINDS, unit_for
from gauge_well.units.printing import convert, number

HEADINGS = ("System", "Part", "Quantity", "At least", "Low (5 %)", "High (95 %)", "Unit", "What to look for")


def _samples(resolved: Resolved) -> dict[tuple[str, str, str], Any]:
    """Samples of every need of a build drawn within its tolerances."""
    try:
        found = runs.run(draw(resolved.case, SAMPLES_LIVE))
    except MissingFact:
        return {}
    samples: dict[tuple[str, str, str], Any] = {}
    for id, solved in found.solved.items():
        try:
            needs = solved.needs
        except CoreError:
            continue
        samples |= {(id, n.part, n.quantity): as_array(n.value) for n in needs}
    return samples


def needs_with_bands(raw: Mapping[str, Any]) -> list[dict[str, Any]]:
    """Every need of a build, with the 5th and 95th percentile of what is asked (None where there is no end)."""
    sheet, resolved = check(raw)
    report = report_of(sheet, resolved, "none")
    samples = _samples(resolved)
    rows = []
    for id, block in report["systems"].items():
        for item in block["need"]:
            drawn = samples.get((id, item["part"], item["quantity"]))
            low, high = item["low"], item["high"]
            if drawn is not None and drawn.size > 1:
                low, high = (runs.percentile(drawn.ravel()[1:], share) for share in (bands.LOW, bands.HIGH))
                low, high = (x if np.isfinite(x) else None for x in (low, high))
            title = SYSTEMS[id].title if id in SYSTEMS else block["title"]
            rows.append({"system": id, "title": title} | item | {"low": low, "high": high})
    return rows


def as_csv(raw: Mapping[str, Any]) -> str:
    """The need sheet as CSV in the build's units; numbers plain, for a spreadsheet."""
    sheet, _ = check(raw)
    out = io.StringIO()
    writer = csv.writer(out)
    writer.writerow(HEADINGS)
    for row in needs_with_bands(raw):
        kind, unit = KINDS[row["unit"]], unit_for(row["unit"], sheet.prefer)
        values = [
            "" if v is None else number(convert(v, kind.id, unit), kind).replace(",", "")
            for v in (row["value"], row["low"], row["high"])
        ]
        quantity = row["quantity"].replace("_", " ")
        sentence = row["sentence"].replace("\u00a0", " ")
        writer.writerow([row["title"], row["part"].replace("_", " "), quantity, *values, unit.symbol, sentence])
    return out.getvalue()
