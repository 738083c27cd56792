"""The working of the ledger: the longest way, a hose's stretch."""

from __future__ import annotations

from gauge_well.core.sentence import inside
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.routes import joints, runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import likely
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: RoutesFacts, index: int) -> list[Step]:
    """Of the run that asks most, and the first hose over a spigot; the same in each duty."""
    w = Working(index)
    found = [(run, needed) for run in runs.all_of(facts) if (needed := runs.needed(context, facts, run)) is not None]
    if found:
        run, needed = max(found, key=lambda pair: likely(pair[1]))
        own, track = run.facts, run.track
        assert track is not None and own.start_along is not None and own.end_along is not None
        a, b, c = track.lanes
        w.add(
            "L", f"To cut, {inside(run.name)}", "1.05 * (abs(x_2 - x_1) + n * w) + s", needed, "length",
            {"x_1": own.start_along, "x_2": own.end_along, "n": float(abs(b - a) + abs(c - b)), "w": facts.apart, "s": runs.slack(context, run)},
            "common practice",
        )  # fmt: skip
    for joint in joints.all_of(facts):
        own_joint = joint.facts
        if joint.stretch is not None and own_joint.spigot is not None and own_joint.hose is not None:
            w.add("e", f"Stretch, {inside(joint.name)}", "D / d - 1", joint.stretch, "share", {"D": own_joint.spigot, "d": own_joint.hose}, "arithmetic")  # fmt: skip
            break
    return w.steps
