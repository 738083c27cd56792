"""Every run in the order in which it is laid, drawn along the machine; what shares a lane, what crosses, what is forgotten."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.geometry import strip
from gauge_well.core.parts.route import LANES
from gauge_well.core.sentence import inside
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.routes import runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import likely, likely_or_none

LABELS = list(LANES.values())


@dataclass(frozen=True)
class RunRow:
    """A run as it is cut and labelled: lengths [m] (None where not known), bore and outside [m]; its pieces along the machine as
    (along, lane) to (along, lane); laid before the engine goes in; how much it moves [m]."""

    id: str
    number: int
    name: str
    what: str
    starts: str
    ends: str
    bore: float | None
    outside: float | None
    cut: float | None
    needed: float | None
    slack: float
    moves: float
    clips: float | None
    clips_most: float
    before: bool
    legs: Sequence[tuple[float, float, float, float]]


@dataclass(frozen=True)
class BundleRow:
    """Side by side in a lane: from and to [m], lane, runs by number, across [m], what must keep apart."""

    lane: int
    start: float
    end: float
    numbers: Sequence[int]
    across: float | None
    apart: Sequence[str]


@dataclass(frozen=True)
class CrossRow:
    """One across another: by their numbers, where [m], lane."""

    across: int
    along: int
    at: float
    lane: int


@dataclass(frozen=True)
class LaidRow:
    """Stated elsewhere and not routed: where, its name, what it is, its length [m]."""

    path: str
    name: str
    what: str
    length: float | None


@dataclass(frozen=True)
class LedgerView:
    """All runs; the machine from and to [m]; lanes by name."""

    runs: Sequence[RunRow]
    bundles: Sequence[BundleRow]
    crossings: Sequence[CrossRow]
    forgotten: Sequence[LaidRow]
    start: float
    end: float
    lanes: Sequence[str]


def show(context: Context, facts: RoutesFacts, options: Options) -> LedgerView:
    """What is told of, and what others tell of."""
    order = runs.laying(facts)
    number = {run.id: n for n, run in enumerate(order, 1)}
    start, end = strip.reach(runs.tracks(facts))
    return LedgerView(
        runs=[_row(context, facts, run, n) for n, run in enumerate(order, 1)],
        bundles=[
            BundleRow(
                b.shared.lane,
                b.shared.start,
                b.shared.end,
                [number[id] for id in b.shared.ids],
                b.across,
                [f"{one} and {inside(other)}: {kept}" for one, other, kept in b.apart],
            )
            for b in runs.bundles(facts)
        ],
        crossings=[CrossRow(number[c.across], number[c.along], c.at, c.lane) for c in runs.crossings(facts)],
        forgotten=[LaidRow(r.path, r.name, r.what, r.length) for r in runs.forgotten(context, facts)],
        start=start,
        end=end,
        lanes=LABELS,
    )


def _row(context: Context, facts: RoutesFacts, run: runs.Run, number: int) -> RunRow:
    own, needed = run.facts, runs.needed(context, facts, run)
    return RunRow(
        id=run.id,
        number=number,
        name=run.name,
        what=run.what.label,
        starts=own.starts or "",
        ends=own.ends or "",
        bore=likely_or_none(own.bore),
        outside=run.outside,
        cut=likely_or_none(own.length),
        needed=likely_or_none(needed),
        slack=likely(runs.slack(context, run)),
        moves=likely(runs.moves(context, own)),
        clips=likely_or_none(own.clips),
        clips_most=run.what.clips,
        before=own.reached == "no",
        legs=[] if run.track is None else run.track.legs,
    )
