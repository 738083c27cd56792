"""Runs and joints against what they must be."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import FILL_MAX, Check, gap_fill, gate
from gauge_well.core.fittings.spigot import LOOSE
from gauge_well.core.sentence import inside
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.routes import joints, runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.systems.routes.joints import Joint
from gauge_well.core.systems.routes.runs import Run
from gauge_well.core.typing import as_array, likely

HARMS = ("fuel", "brake", "live")  # what a chafed one of these does is no leak alone


def route_checks(context: Context, facts: RoutesFacts) -> Iterator[Check]:
    """Of every run its length, clips, bend, heat and edges. What rests on usual lanes and rules of thumb is a cost; fuel near heat, and
    what harms where it chafes through, a danger."""
    for run in runs.all_of(facts):
        yield from _run(context, facts, run)


def _run(context: Context, facts: RoutesFacts, run: Run) -> Iterator[Check]:
    own, what, said = run.facts, run.what, inside(run.name)
    needed = runs.needed(context, facts, run)
    if needed is not None and own.length is not None:
        extra = likely(runs.slack(context, run))
        yield gate(
            f"length_{run.id}", f"Length, {said}", "routes", needed, own.length, "length",
            "Its way asks {demand}, {slack} of it slack and ends; it is cut to {capacity}.", lambda: {"slack": (extra, "length")}, cost=True,
        )  # fmt: skip
    if own.clips is not None:
        yield gate(
            f"clips_{run.id}", f"Clips, {said}", "routes", own.clips, what.clips, "length",
            "Clipped every {demand} at the widest; {capacity} is usual at most.", cost=True,
        )  # fmt: skip
    outside = run.outside
    if own.bend is not None and outside is not None:
        least = what.bend * outside
        yield gate(
            f"bend_{run.id}", f"Bend, {said}", "routes", least, own.bend, "size",
            "Bent to {capacity}; under {demand} it kinks or works hard.", cost=True,
        )  # fmt: skip
    if own.hot_gap is not None:
        kept = what.bare if own.shielded == "none" else what.shielded
        yield gate(
            f"hot_{run.id}", f"Heat, {said}", "routes", kept, own.hot_gap, "size",
            "{capacity} from the exhaust; {demand} is kept.", fill=gap_fill(own.hot_gap, kept),
            danger=what.holds == "fuel", cost=what.holds != "fuel",
        )  # fmt: skip
    if own.edge == "bare":
        words = "It passes a bare edge: a grommet or a sleeve, or it is sawn through."
        harms, past = what.holds in HARMS, as_array(FILL_MAX)
        yield gate(
            f"edge_{run.id}", f"Edge, {said}", "routes", 1.0, 0.0, "count", words, fill=past, danger=harms, cost=not harms,
        )  # fmt: skip


def joint_checks(facts: RoutesFacts) -> Iterator[Check]:
    """Of every joint: whether it goes in, its wall and engagement, a hose's stretch."""
    for joint in joints.all_of(facts):
        yield from _joint(joint)


def _joint(joint: Joint) -> Iterator[Check]:
    said, own = inside(joint.name), joint.facts
    goes = joint.fits
    if goes is not None and not goes.goes:
        assert joint.male is not None and joint.female is not None
        words = f"{joint.male.label} in a hole of {joint.female.label}: {goes.words}."
        yield gate(f"fits_{joint.id}", f"Fits, {said}", "joints", 1.0, 0.0, "count", words, fill=as_array(FILL_MAX))
    left = joint.wall
    if left is not None:
        yield gate(
            f"wall_{joint.id}", f"Wall, {said}", "joints", left.wanted, left.left, "size",
            "{capacity} of wall stay round the hole; {demand} are kept.", fill=gap_fill(left.left, left.wanted),
        )  # fmt: skip
    asked = joint.asked
    if asked is not None and own.depth is not None:
        yield gate(
            f"held_{joint.id}", f"Engaged, {said}", "joints", asked, own.depth, "size",
            "{capacity} screwed in; {demand} hold.",
        )  # fmt: skip
    stretch = joint.stretch
    if stretch is not None:
        yield gate(
            f"stretch_{joint.id}", f"Stretch, {said}", "joints", np.maximum(stretch, 0.0), joint.most, "share",
            "Stretched by {demand} of its bore; such a hose bears {capacity}.",
        )  # fmt: skip
        yield gate(
            f"loose_{joint.id}", f"Looseness, {said}", "joints", np.maximum(-stretch, 0.0), LOOSE, "share",
            "Loose by {demand} of its bore; a clamp takes up {capacity}" + (": a reducer, or the right hose." if likely(stretch) < -LOOSE else "."),
        )  # fmt: skip
