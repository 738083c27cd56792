"""Fit worked once for the facts it stands on: what judges, hands on and draws share it."""

from __future__ import annotations

from collections.abc import Callable, Mapping

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need, with_facts
from gauge_well.core.installation import LIES
from gauge_well.core.reads import (
    BELL_AHEAD,
    BELL_LEFT,
    BELL_OVER,
    BONNET_OVER,
    BOUNCE,
    BUMP,
    NODS,
    PULLEY_OVER,
    ROCK,
    ROCK_AHEAD,
    ROCK_LEFT,
    ROCK_OVER,
    ROOMS,
    WHEELBASE,
)
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Swing, pose_of
from gauge_well.core.systems.fit.shapes import Thing
from gauge_well.core.systems.fit.spread import Lies, Spread, spread
from gauge_well.core.typing import Array, Value, as_array, likely, settled

LENGTHWISE = 0.35  # rad off the machine's line, within which a pulley faces the panel


# How it moves, by fit's own field: as measured, else as the mounts give it.
MOVES: Mapping[str, str] = {"rock": ROCK, "rock_height": ROCK_OVER, "bounce": BOUNCE}


def swing_of(context: Context, facts: FitFacts) -> Swing:
    """The line it rocks about: the mounts' where they tell, else over the crank, by how it is said to rock."""
    told = [context.given.get(n) for n in (NODS, ROCK_AHEAD, ROCK_LEFT)]
    if facts.rock is not None or any(v is None or not np.isfinite(v).all() for v in told):
        return Swing(facts.rocks == "nod", None, 0.0)
    nods, ahead, left = (likely(v) for v in told if v is not None)
    return Swing(nods > 0.5, ahead, left)


def lies_of(context: Context, facts: FitFacts) -> Lies:
    """How the engine lies in the machine, as it is known, and what it rocks about."""
    lie, swing = context.installation, swing_of(context, facts)
    return Lies(lie.lie, lie.engine_yaw, lie.engine_pitch, lie.engine_roll, lie.ground_needed, swing)


def moving(context: Context, facts: FitFacts) -> FitFacts:
    """Facts with how the engine moves on its mounts; at rest where nobody can tell."""
    given = tuple(context.given.get(figure) for figure in MOVES.values())

    def work() -> FitFacts:
        found: dict[str, Value] = {}
        for name, value in zip(MOVES, given, strict=True):
            if getattr(facts, name) is None:
                known = value is not None and bool(np.isfinite(value).all())
                found[name] = (
                    settled(value.reshape(-1) if value.size > 1 else value.reshape(()))
                    if known and value is not None
                    else 0.0
                )
        return with_facts(facts, found)

    return context.remember("moving", (facts, *given), work)


def solved(context: Context, facts: FitFacts) -> Spread:
    """Gaps of a build, worked once; MissingFact names what is not measured."""
    own = moving(context, facts)
    return context.remember("fit", (own, context.installation), lambda: spread(own, lies_of(context, facts)))


def bell(context: Context, facts: FitFacts) -> Mapping[str, Array]:
    """Where the bell's face stands in the machine, and the axles apart [m]; without end where no place is stated."""
    figures = (BELL_AHEAD, BELL_LEFT, BELL_OVER, PULLEY_OVER, BONNET_OVER)
    told: dict[str, Array] = {figure: as_array(np.inf) for figure in figures}
    told[WHEELBASE], told[BUMP] = as_array(facts.bay.wheelbase), as_array(facts.bay.bump)
    if facts.placed != "stated":
        return told
    try:
        at = pose_of(facts, lies_of(context, facts).likely)
    except MissingFact:
        return told
    # Its place is decided at the pulley: what the engine's length is off by, the bell's face is.
    length = as_array(need(facts.unit.length, "fit.unit.length"))
    forward = float(np.cos(at.pitch) * np.cos(at.yaw))
    told[BELL_AHEAD] = np.asarray(at.x - forward * (length - likely(length)))
    told[BELL_LEFT], told[BELL_OVER] = as_array(at.y), as_array(at.z)
    told[PULLEY_OVER] = np.asarray(at.z + at.rotation[2, 0] * length)
    edge, front = facts.bay.edge, facts.bay.bonnet_front
    if edge is not None and front is not None:
        told[BONNET_OVER] = as_array(edge + front)
    return told


# What each room is of: the engine's things and the machine's.
Pick = Callable[[Thing, Thing], bool]
SEEN: Mapping[str, Pick] = {
    "pan_ground": lambda a, b: a.what == "pan" and b.moves == "ground",
    "pan_crossmember": lambda a, b: a.what == "pan" and b.what == "member",
    "pan_steering": lambda a, b: a.what == "pan" and b.what == "steering",
    "exhaust_ground": lambda a, b: a.what == "pipe" and b.moves == "ground",
    "exhaust_loom": lambda a, b: a.what in ("pipe", "manifold") and b.what == "hose",
    "exhaust_fuel": lambda a, b: a.what in ("pipe", "manifold") and b.what == "tank",
}


def rooms(context: Context, facts: FitFacts) -> Mapping[str, Array]:
    """What others come to know of gaps and heights [m]; without end where nothing is near, or no place is stated."""
    told: dict[str, Array] = {figure: as_array(np.inf) for figure in ROOMS.values()}
    if facts.placed != "stated":
        return told
    try:
        found = solved(context, facts)
    except MissingFact:
        return told
    for name, pick in SEEN.items():
        rows = _rows(found, pick, name.endswith("_ground"))
        if rows.any():
            told[ROOMS[name]] = found.gap[rows].min(axis=0)
    lie = LIES[context.installation.lie]
    if lie.panel and lie.ahead and abs(np.sin(found.scene.pose.yaw)) < LENGTHWISE:
        told[ROOMS["depth_available"]] = as_array(facts.from_panel)
    return told


def _rows(found: Spread, pick: Pick, standing: bool) -> NDArray[np.bool_]:
    """Rows of some pairs with the engine at rest, as a tape reads them; ground clearance with the wheels at rest too."""
    scene, rows = found.scene, found.found
    wanted = [pick(scene.unit[scene.pairs[p][0]], scene.machine[scene.pairs[p][1]]) for p in rows.pair[found.rows]]
    still = rows.stance[found.rows] == 0
    if standing:
        still &= rows.place[found.rows] == 0
    return np.asarray(np.array(wanted, dtype=bool) & still)
