"""Runs as they lie: least length with its slack, what shares a lane, what crosses, the order in which they are laid, what is forgotten."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.geometry import bundle, strip
from gauge_well.core.geometry.strip import Crossing, Shared, Track
from gauge_well.core.parts.route import LANES, WHATS, RouteFacts, What
from gauge_well.core.reads import BOUNCE, ROCK
from gauge_well.core.sentence import numbered
from gauge_well.core.systems.base import Context, Laid
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import Array, as_array, likely

INDEX = {lane: i for i, lane in enumerate(LANES)}
WANDERS = 1.05  # a run over its straight pieces (common practice)
TAILS = 0.10  # m that its two ends take (common practice)
LOOP = 0.15  # m of a wire's service loop (common practice)
ARM = 0.30  # m from the line an engine rocks about to where hoses leave it (common practice)
MOVES = {"none": 0.0, "engine": 0.025, "axle": 0.15}  # m that an end moves, where it is not worked (common practice)
WIRED = ("battery", "loom", "wire", "signal")
# What a run that some system tells of may be routed as, where that is more than one.
SERVED = {"fuel": ("fuel", "fuel_pipe"), "wire": ("wire", "loom")}


@dataclass(frozen=True)
class Run:
    """A run by its place and name; its track where both ends are known; outside across [m], None where its bore is not known."""

    id: str
    name: str
    facts: RouteFacts
    what: What
    track: Track | None

    @property
    def outside(self) -> float | None:
        """Across, wall and all [m]."""
        return None if self.facts.bore is None else likely(self.facts.bore) + 2.0 * self.what.wall


def named(facts: RoutesFacts, id: str) -> str:
    """A run by what it is and where it goes; with a number where that does not tell it."""
    run = dict(facts.routes)[id]
    label = WHATS[run.what or "wire"].label
    ends = " to ".join(e for e in (run.starts, run.ends) if e)
    if ends:
        return f"{label.capitalize()}, {ends}"
    alike = [other for other, r in facts.routes if r.what == run.what]
    return numbered(label.capitalize(), alike, id)


def all_of(facts: RoutesFacts) -> list[Run]:
    """Every run of which it is said what it is."""
    return [Run(id, named(facts, id), r, WHATS[r.what], _track(id, r)) for id, r in facts.routes if r.what is not None]


def _track(id: str, run: RouteFacts) -> Track | None:
    if run.start_along is None or run.end_along is None:
        return None
    lanes = (INDEX[run.start_lane], INDEX[run.lane], INDEX[run.end_lane])
    return Track(id, likely(run.start_along), likely(run.end_along), lanes)


def moves(context: Context, run: RouteFacts) -> Array:
    """How far the end that moves goes either way [m]: the engine's rock and bounce as Mounts has them, else usual."""
    rock, bounce = context.told(ROCK), context.told(BOUNCE)
    if run.moves == "engine" and rock is not None and bounce is not None:
        rocks = np.abs(rock) * ARM + np.abs(bounce)
        return np.asarray(rocks if rocks.ndim < 2 else rocks.max(axis=-2))
    return as_array(MOVES[run.moves])


def slack(context: Context, run: Run) -> Array:
    """Length over its way [m]: both ends' tails, twice the move, a service loop of what is wired."""
    return np.asarray(TAILS + 2.0 * moves(context, run.facts) + (LOOP if run.facts.what in WIRED else 0.0))


def needed(context: Context, facts: RoutesFacts, run: Run) -> Array | None:
    """Length to cut [m]: its way along the lanes and its slack; None where its ends are not known."""
    if run.track is None:
        return None
    own = run.facts
    assert own.start_along is not None and own.end_along is not None
    lanes = run.track.lanes
    across = abs(lanes[1] - lanes[0]) + abs(lanes[2] - lanes[1])
    way = np.abs(as_array(own.end_along) - own.start_along) + across * as_array(facts.apart)
    return np.asarray(WANDERS * way + slack(context, run))


def tracks(facts: RoutesFacts) -> list[Track]:
    """Of the runs whose ends are known."""
    return [run.track for run in all_of(facts) if run.track is not None]


@dataclass(frozen=True)
class Bundle:
    """Runs side by side in a lane: where, which, across as laced [m], None where some bore is not known; pairs that must keep apart."""

    shared: Shared
    names: Sequence[str]
    across: float | None
    apart: Sequence[tuple[str, str, str]]


# Pairs that may not lie together, and what is kept (common practice).
APART = {
    frozenset({"fuel", "live"}): "50 mm apart, fuel never over a joint of the wire, no common clip",
    frozenset({"fuel", "signal"}): "no common clip: the loom lies over the fuel, never under it",
    frozenset({"brake", "moving"}): "no common clip: a cable that moves saws",
    frozenset({"brake", "live"}): "no common clip: a short burns through a brake pipe",
    frozenset({"live", "signal"}): "100 mm apart or crossed square: current reads on a sensor's wire",
    frozenset({"moving", "signal"}): "no common clip: a cable that moves saws",
    frozenset({"moving", "live"}): "no common clip: a cable that moves saws",
}


def bundles(facts: RoutesFacts) -> list[Bundle]:
    """Every stretch of a lane with what lies in it."""
    by = {run.id: run for run in all_of(facts)}
    found = []
    for part in strip.shared(tracks(facts)):
        own = [by[id] for id in part.ids]
        sizes = [run.outside for run in own]
        apart = [
            (a.name, b.name, APART[frozenset({a.what.holds, b.what.holds})])
            for i, a in enumerate(own)
            for b in own[i + 1 :]
            if frozenset({a.what.holds, b.what.holds}) in APART
        ]
        across = None if any(s is None for s in sizes) else bundle.across([s for s in sizes if s is not None])
        found.append(Bundle(part, [run.name for run in own], across, apart))
    return found


def crossings(facts: RoutesFacts) -> list[Crossing]:
    """Where one goes across another."""
    return strip.crossings(tracks(facts))


def laying(facts: RoutesFacts) -> list[Run]:
    """The order in which they are laid: what goes in before the engine first, then stiff before soft, long before short."""
    return sorted(
        all_of(facts),
        key=lambda run: (
            run.facts.reached == "yes",
            run.what.order,
            -(likely(run.facts.length) if run.facts.length is not None else 0.0),
        ),
    )


def forgotten(context: Context, facts: RoutesFacts) -> list[Laid]:
    """Runs that other systems tell of, for which none is routed: of the like, so many as are too few, the last of them."""
    left = {id: sum(r.what == id for _, r in facts.routes) for id in WHATS}
    found = []
    for run in context.laid:
        serves = next((w for w in SERVED.get(run.what, (run.what,)) if left.get(w, 0) > 0), None)
        if serves is None:
            found.append(run)
        elif serves != "loom":  # one loom holds many wires
            left[serves] -= 1
    return found
