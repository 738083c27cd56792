"""Fit worked once for the facts it stands on: what judges, hands on and draws share it."""

from __future__ import annotations

from collections.abc import Callable, Mapping

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.errors import MissingFact
from gauge_well.core.installation import LIES
from gauge_well.core.reads import ROOMS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.shapes import Thing
from gauge_well.core.systems.fit.spread import Lies, Spread, spread
from gauge_well.core.typing import Array, as_array

LENGTHWISE = 0.35  # rad off the machine's line, within which a pulley faces the panel


def lies_of(context: Context) -> Lies:
    """How the engine lies in the machine, as it is known."""
    lie = context.installation
    return Lies(lie.lie, lie.engine_yaw, lie.engine_pitch, lie.engine_roll, lie.ground_needed)


def solved(context: Context, facts: FitFacts) -> Spread:
    """Gaps of a build, worked once; MissingFact names what is not measured."""
    return context.remember("fit", (facts, context.installation), lambda: spread(facts, lies_of(context)))


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
