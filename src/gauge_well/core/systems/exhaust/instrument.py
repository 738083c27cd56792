"""The unrolled pipe: bores, temperature and pressure from flange to tip."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import model
from gauge_well.core.systems.exhaust.facts import ExhaustFacts


def instrument(context: Context, facts: ExhaustFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """Profile of one duty's pipe.

    Options
    -------
    duty : index of the duty.
    bore_scale : all diameters times this (dragging them), 0.5 to 2.
    """
    index = int(options.get("duty", 0))
    cases = context.duties.cases
    if not 0 <= index < len(cases):
        raise CoreError("out_of_range", "duty", index, f"0 to {len(cases) - 1}", "There is no such duty.")
    scale = float(options.get("bore_scale", 1.0))
    if not 0.5 <= scale <= 2.0:
        raise CoreError("out_of_range", "bore_scale", scale, "0.5 to 2", "That is out of range.")
    try:
        segments = [replace(s, bore=np.asarray(s.bore) * scale) for s in model.segments_of(facts)]
    except MissingFact as error:
        return {"unknown": [error.field]}
    found = model.march(context, facts, segments, context.peak)
    limit, makers = model.limit_of(context.engine, facts)

    def pick(value: Any) -> float:
        array = np.broadcast_to(value, np.broadcast_shapes(np.shape(value), (1, len(cases), 1)))
        return float(array[0, index, 0])

    outside = pick(context.duties.column("pressure"))
    x, pieces = 0.0, []
    for piece in found.pieces:
        length = pick(piece.segment.length)
        pieces.append(
            {
                "from": x,
                "to": x + length,
                "outside": pick(piece.segment.bore) + 2.0 * piece.segment.wall,
                "part": piece.segment.part,
                "share": piece.segment.share,
                "lagged": piece.segment.lagged,
                "warm": pick(piece.warm),
                "cool": pick(piece.cool),
                "surface": pick(piece.surface),
                "speed": pick(piece.pressure.speed),
                "up": pick(piece.pressure.upstream) - outside,
                "down": pick(piece.downstream) - outside,
            }
        )
        x += length
    return {
        "duty": cases[index].id,
        "pieces": pieces,
        "back_pressure": pick(found.back_pressure),
        "tip": pick(found.tip),
        "limit": limit,
        "makers": makers,
        "mach": pick(found.mach),
        "cost": pick(model.power_cost(context.engine, found.back_pressure, context.peak.power)),
        "bore_scale": scale,
    }
