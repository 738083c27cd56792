"""What no driveline can be."""

from __future__ import annotations

from gauge_well.core.errors import CoreError
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import likely


def refuse(facts: DrivelineFacts) -> None:
    """Raise :class:`CoreError` for a lining with its hole outside it, a wall over half its tube, a spline engaged past itself."""
    own = facts.clutch
    if own.outer is not None and own.inner is not None and likely(own.inner) >= likely(own.outer):
        raise CoreError("inside_out", "driveline.clutch.inner", likely(own.inner), "under its outside", "A lining's hole is smaller than the lining.")  # fmt: skip
    wheel = facts.flywheel
    if wheel.across is not None and wheel.hole is not None and likely(wheel.hole) >= likely(wheel.across):
        raise CoreError("inside_out", "driveline.flywheel.hole", likely(wheel.hole), "under the flywheel", "A hole is smaller than the flywheel.")  # fmt: skip
    for id, shaft in facts.shafts:
        place = f"driveline.shafts.{id}"
        if shaft.tube is not None and shaft.wall is not None and 2.0 * likely(shaft.wall) > likely(shaft.tube) + 1e-9:
            raise CoreError("wall", f"{place}.wall", likely(shaft.wall), "half the tube at most", "That wall is thicker than its tube.")  # fmt: skip
        if shaft.spline is not None and shaft.engaged is not None and likely(shaft.engaged) > likely(shaft.spline):
            raise CoreError("engaged", f"{place}.engaged", likely(shaft.engaged), "its spline at most", "No more of a spline is engaged than there is.")  # fmt: skip
    for id, half in facts.halves:
        if (
            half.inner_out is not None
            and half.outer_out is not None
            and half.taped == "machine"
            and likely(half.inner_out) >= likely(half.outer_out)
        ):
            raise CoreError("inside_out", f"driveline.halves.{id}.inner_out", likely(half.inner_out), "inside the outer joint", "The inner joint lies inside the outer one.")  # fmt: skip
        if half.arm is not None and max(likely(half.up or 0.0), likely(half.down or 0.0)) + abs(
            likely(half.arm_over)
        ) >= likely(half.arm):
            raise CoreError("arm", f"driveline.halves.{id}.arm", likely(half.arm), "over the travel", "An arm so short does not swing so far.")  # fmt: skip
