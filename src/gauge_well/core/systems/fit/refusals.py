"""What no engine, gearbox or space can be."""

from __future__ import annotations

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.geometry.convex import hull_of
from gauge_well.core.parts.solid import SolidFacts
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.typing import Value, likely

PIECES, CORNERS = 8, 200  # of one thing: more is a mesh, to be hulled in fewer


def refuse(facts: FitFacts) -> None:
    """Raise :class:`CoreError` for sizes that contradict each other and for things that are no solid."""
    unit, bay = facts.unit, facts.bay
    _below(unit.pan_shallow, unit.pan, "fit.unit.pan_shallow", "The shallow part of a pan lies over its well.")
    _below(unit.well_length, unit.length, "fit.unit.well_length", "A well is no longer than its engine.")
    _below(bay.rails, bay.wings, "fit.bay.rails", "Inner wings stand no nearer than the rails under them.")
    _below(bay.stack_height, bay.stack_top, "fit.bay.stack_height", "So high a stack goes into the floor.")
    _below(bay.stack_depth, bay.length, "fit.bay.stack_depth", "So deep a stack leaves no space.")
    _below(bay.member_rear, bay.member_front, "fit.bay.member_rear", "A crossmember's rear lies behind its front.")
    for id, part in facts.solids:
        if part.shape == "points" and part.points:
            _pieces(id, part)
        if part.shape == "round" and all(
            v is not None and likely(v) == 0.0 for v in (part.to_ahead, part.to_left, part.to_over)
        ):
            raise CoreError(
                "no_length", f"fit.solids.{id}.to_ahead", 0.0, "some length", "A bar's two ends are one point."
            )


def _below(low: Value | None, high: Value | None, field: str, words: str) -> None:
    if low is None or high is None:
        return
    if likely(low) > likely(high) + 1e-9:
        raise CoreError("contradicts", field, likely(low), f"{1e3 * likely(high):.0f} mm at most", words)


def _pieces(id: str, part: SolidFacts) -> None:
    rows = np.array([[likely(cell) for cell in row] for row in part.points or ()], dtype=float)
    field = f"fit.solids.{id}.points"
    names = np.unique(rows[:, 0])
    if len(names) > PIECES or len(rows) > CORNERS:
        raise CoreError(
            "too_many",
            field,
            float(len(rows)),
            f"{PIECES} pieces, {CORNERS} corners at most",
            "So fine a thing is a mesh.",
        )
    for piece in names:
        try:
            hull_of(rows[rows[:, 0] == piece, 1:])
        except ValueError as error:
            raise CoreError(
                "flat", field, float(piece), "four corners not in one plane", f"Piece {piece:g} is flat: no solid."
            ) from error
