"""Maps of a duty's heat, as the page draws them."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.run import maps
from gauge_well.services.sizing import check, refused

LINES = (0.8, 1.0, 1.25)


def heat_map(raw: Mapping[str, Any], duty: str, kind: str) -> dict[str, Any]:
    """One map: its axes (SI), for each line of fill the y at every x, and from which x the engine is too weak.

    Raises
    ------
    SheetError
        Names the duty or the map that there is none of.
    """
    sheet, resolved = check(raw)
    axes = maps.MAPS[kind]
    try:
        found = maps.heat_map(resolved.case, duty, kind)
    except MissingFact as error:
        return {"missing": error.field, "kind": kind}
    except CoreError as error:
        raise refused(error, sheet) from error
    weak = np.flatnonzero(found.weak.any(axis=0))
    # Where it cannot be driven at any y there is nothing to hold.
    never = np.atleast_1d(np.all(found.weak, axis=0))

    def drawn(line: float) -> list[float | None]:
        return [None if never[i] else y for i, y in enumerate(found.line(line))]

    return {
        "missing": "",
        "kind": kind,
        "x": {"label": axes.x[0], "kind": axes.x[1], "values": found.x.tolist()},
        "y": {"label": axes.y[0], "kind": axes.y[1], "values": found.y.tolist()},
        "lines": [{"fill": line, "y": drawn(line)} for line in LINES],
        "over_above": bool(found.fill[-1].mean() > found.fill[0].mean()),
        "all_over": [bool(v) for v in np.atleast_1d(np.all(found.fill > 1.0, axis=0))],
        "weak_from": float(found.x[weak[0]]) if weak.size else None,
    }
