"""What a builder should know of the driveline that is no limit."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline import carried, halves, lines
from gauge_well.core.systems.driveline.checks import NOTED
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.systems.torqued import asked, peak_torque
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

FAST = 6000.0  # rev/min past which iron of unknown grade is told of (common practice)


def notices(context: Context, facts: DrivelineFacts) -> Iterator[Notice]:
    """Identify the driveline first; patterns to check; what a choice of flywheel or axle brings with it."""
    if context.machine.gear_ratios is None or context.machine.final_drive is None:
        words = "The driveline that is really there is not stated: ratios and final drive can stop the job, and nothing behind the gearbox is sure until then."
        field = "machine.gear_ratios" if context.machine.gear_ratios is None else "machine.final_drive"
        yield Notice("identify", Sentence(words), field, part="gearbox")
    yield from _rating(context, facts)
    yield from _wheel(context, facts)
    yield from _axles(context, facts)
    yield from _lines(facts)
    yield from _halves(context, facts)


def _rating(context: Context, facts: DrivelineFacts) -> Iterator[Notice]:
    own = peak_torque(context)
    if facts.rating is not None and likely(own) <= likely(facts.rating) < NOTED * likely(own):
        words = "{torque} into a gearbox that may be given {rating}: it holds with little over; a seventh is usual."
        yield Notice("rating_near", Sentence(words, {"torque": (likely(own), "torque"), "rating": (likely(facts.rating), "torque")}), "driveline.rating", part="gearbox")  # fmt: skip


def _wheel(context: Context, facts: DrivelineFacts) -> Iterator[Notice]:
    wheel = facts.flywheel
    limit = likely(context.engine.facts.limit_speed)
    if wheel.across is not None and wheel.metal == "iron" and wheel.make != "plate" and limit > FAST:
        words = "Cast iron of unknown grade at {limit}: where that is past the red line it was made for, use steel."
        yield Notice(
            "iron", Sentence(words, {"limit": (limit, "speed_rpm")}), "driveline.flywheel.metal", part="flywheel"
        )
    if wheel.make == "dual":
        words = "A dual-mass flywheel keeps gears quiet at idle, cannot be machined, is thicker, and twists further than its springs under a much larger torque: its maker's limit is what holds."
        yield Notice("dual", Sentence(words), "driveline.flywheel.make", part="flywheel")
    if facts.crank_flange is not None and (facts.crank_seal is None or wheel.seal is None):
        words = "Rear seals in one piece and in two go with other bolt circles and other balance: say which the block has, and which the flywheel or flexplate is for, before it is bought."
        yield Notice("seal_unsaid", Sentence(words), "driveline.crank_seal" if facts.crank_seal is None else "driveline.flywheel.seal", part="flywheel")  # fmt: skip
    if likely(facts.spacer) > 0.0:
        words = "A spacer moves flywheel, ring and clutch back together: longer bolts of the crank's grade, dowels or a register through it, and balance it with the flywheel."
        yield Notice("spacer", Sentence(words), "driveline.spacer", part="flywheel")
    if facts.crank_flange is not None and facts.bell_round is None:
        words = "Whether the bell stands true to the crank is not known: a dial on the crank round its hole, 0.10 mm of whole reading, and its face as square."
        yield Notice("bell_unsaid", Sentence(words), "driveline.bell_round", part="stack")


def _axles(context: Context, facts: DrivelineFacts) -> Iterator[Notice]:
    if context.machine.drive != "four":
        return
    if facts.axle_out != "none" and facts.centre != "open":
        words = f"With the {facts.axle_out} axle's shaft left out the other carries all the torque, and the tyres of one axle all the grip: it is judged so here."
        yield Notice("axle_out", Sentence(words), "driveline.axle_out", part="members")
    if facts.axle_out == "none" and facts.centre == "locked":
        words = "Both axles locked together wind up on a hard road: loose ground only."
        yield Notice("wind_up", Sentence(words), "driveline.centre", part="members")


def _lines(facts: DrivelineFacts) -> Iterator[Notice]:
    for line in lines.lines(facts):
        for k, angle in enumerate(line.angles):
            if likely(angle) < lines.LEAST:
                words = f"Joint {k + 1} of the {line.name} hardly bends: its needles do not roll and dent their cups; half a degree is wanted."
                yield Notice("needles_still", Sentence(words), f"driveline.shafts.{line.shafts[min(k, len(line.shafts) - 1)][0]}.falls", part="shafts")  # fmt: skip
        if len(line.shafts) == 1 and np.abs(likely(line.angles[0]) - likely(line.angles[1])) > np.radians(1.0):
            values = {"a": (likely(line.angles[0]), "angle"), "b": (likely(line.angles[1]), "angle"), "left": (likely(line.residual), "angle")}  # fmt: skip
            words = f"The {line.name} bends {{a}} at one end and {{b}} at the other: their squares do not cancel, what is left is as one joint bent {{left}}. Angles count between shafts, not from level."
            yield Notice(
                "not_cancelling", Sentence(words, values), f"driveline.shafts.{line.shafts[0][0]}.falls", part="shafts"
            )


def _halves(context: Context, facts: DrivelineFacts) -> Iterator[Notice]:
    found = halves.halves(context, facts)
    for half in found:
        if half.facts.stub is not None and half.facts.room is None:
            words = f"Whether the {half.name.lower()} goes in with the engine in its place is not known: tape from its flange outward."
            yield Notice("goes_in_unsaid", Sentence(words), f"driveline.halves.{half.id}.room", part="halves")
    pairs = {(h.facts.axle, h.facts.side): h for h in found}
    for axle in ("front", "rear"):
        left, right = pairs.get((axle, "left")), pairs.get((axle, "right"))
        if left is not None and right is not None and abs(likely(left.mid) - likely(right.mid)) > 0.05:
            words = f"The {axle} half-shafts differ by {{by}}: it pulls to one side under torque; a shaft in two with a bearing makes them alike."
            yield Notice("unequal", Sentence(words, {"by": (abs(likely(left.mid) - likely(right.mid)), "length")}), f"driveline.halves.{left.id}.inner_out", part="halves")  # fmt: skip
    driven = carried.driven(context)
    if driven is not None and facts.halves and carried.capped(context, facts, driven, asked(context, context.peak)):
        words = "The tyres let go before the engine's torque is all there: more power asks no more of the shafts, more grip does."
        yield Notice("tyres_cap", Sentence(words), "mounts.grip", part="halves")
