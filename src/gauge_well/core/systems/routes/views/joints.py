"""Joints as stated, and the table of threads: of one picked what goes in it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.fittings.thread import SERIES, THREADS, Thread, adapters, fits
from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.routes import joints
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import likely, likely_or_none

NEAR = 1.5e-3  # m on the diameter within which another thread may be taken for this one
ALL = list(THREADS.values())


@dataclass(frozen=True)
class JointRow:
    """A joint: what goes on, whether it holds (None where not known), wall and engagement [m] with what is asked, turns, a hose's
    stretch with what it bears."""

    id: str
    name: str
    words: str
    goes: bool | None
    wall: float | None
    wall_asked: float | None
    depth: float | None
    depth_asked: float | None
    turns: float | None
    stretch: float | None
    stretch_most: float
    adapters: Sequence[str]


@dataclass(frozen=True)
class ThreadRow:
    """A thread [m]: across its crests, pitch, threads an inch, drill; in the hole picked: whether it goes, what it does."""

    label: str
    series: str
    major: float
    pitch: float
    tpi: float
    drill: float
    goes: bool
    words: str


@dataclass(frozen=True)
class JointsView:
    """All joints; threads by name, the hole picked among them, with all that is near it in size."""

    joints: Sequence[JointRow]
    names: Sequence[str]
    picked: int
    near: Sequence[ThreadRow]


def show(context: Context, facts: RoutesFacts, options: Options) -> JointsView:
    """Options: ``hole`` by its place among the threads."""
    own = joints.all_of(facts)
    first = next((ALL.index(j.female) for j in own if j.female is not None), 1)
    picked = int(option(options, "hole", first, 0, len(ALL) - 1))
    hole = ALL[picked]
    near = sorted((t for t in ALL if abs(t.major - hole.major) <= NEAR), key=lambda t: (not fits(t, hole).goes, abs(t.major - hole.major)))  # fmt: skip
    return JointsView([_joint(j) for j in own], [t.label for t in ALL], picked, [_thread(t, hole) for t in near])


def _joint(joint: joints.Joint) -> JointRow:
    goes, wall, stretch = joint.fits, joint.wall, joint.stretch
    words, good = "", None
    if goes is not None and joint.male is not None and joint.female is not None:
        words, good = f"{joint.male.label} in {joint.female.label}: {goes.words}", goes.goes
    if stretch is not None:
        good = joint.sits
        words = "sits" if good else "is stretched too far" if likely(stretch) > 0.0 else "is too loose for a clamp"
    if joint.facts.what == "tee" and len(joint.sold) == 2:
        good = None not in joint.sold
        words = "a tee of " + ", ".join(
            "none sold" if v is None else f"{1e3 * v:g} mm" for v in (joint.sold[0], *joint.sold)
        )
    boss = likely_or_none(joint.facts.boss)
    larger = [] if joint.male is None or goes is None or goes.goes else [t.label for t in adapters(joint.male, boss)][:3]  # fmt: skip
    return JointRow(
        id=joint.id,
        name=joint.name,
        words=words,
        goes=good,
        wall=None if wall is None else wall.left,
        wall_asked=None if wall is None else wall.wanted,
        depth=likely_or_none(joint.facts.depth),
        depth_asked=joint.asked,
        turns=joint.turns,
        stretch=likely_or_none(stretch),
        stretch_most=joint.most,
        adapters=larger,
    )


def _thread(thread: Thread, hole: Thread) -> ThreadRow:
    found = fits(thread, hole)
    return ThreadRow(
        thread.label,
        SERIES[thread.series].label,
        thread.major,
        thread.pitch,
        25.4e-3 / thread.pitch,
        thread.drill,
        found.goes,
        found.words,
    )
