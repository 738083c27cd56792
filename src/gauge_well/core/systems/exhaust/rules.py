"""What the exhaust's fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule
from gauge_well.core.heat.enclosure import BAY_MOVING, BAY_STANDING
from gauge_well.core.parts.neighbour import WHATS
from gauge_well.core.systems.exhaust.facts import WALL
from gauge_well.core.systems.ruling import Ruling

AFLOAT = {"natural": 10e3, "boosted": 7.5e3}  # Pa that makers of marine engines allow (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults for what has one; the pipe itself has none."""
    rules = Ruling(given, context)
    rule = rules.rule
    rule("layout", "single", "one pipe")
    rule("firing", "joined", "no pulses counted")
    rule("pipe.bends", 2.0 * np.pi, "four right angles")
    rule("pipe.bend_ratio", 1.5, "a usual mandrel bend")
    for id in given.get("pieces", ()):
        rule(f"pieces.{id}.piece", "pipe", "none stated")
        rule(f"pieces.{id}.bends", 0.0, "straight")
    for id in given.get("neighbours", ()):
        what = WHATS.get(given.get(f"neighbours.{id}.what") or "")
        if what is not None:
            named = what.name
            rule(f"neighbours.{id}.limit", what.limit, f"usual for a {named}")
            rule(f"neighbours.{id}.size", what.size, f"usual for a {named}")
    if given.get("neighbours"):
        rule("bay_moving", BAY_MOVING, "usual behind a radiator")
        rule("bay_standing", BAY_STANDING, "usual at rest")
    rule("silencer.type", "chambered", "a usual silencer")
    rule("catalyst", "no", "none stated")
    rule("merge_after", 1.0, "after the first piece")
    rule("lagged", 0.0, "bare")
    rule("pipe.wall", WALL, "1.5 mm tube")
    rule("pipe.roughness", 45e-6, "steel tube", "crane410")
    rule("shielded", "no", "none stated")
    if context.get("machine", {}).get("kind") == "boat":
        natural = context.get("engine", {}).get("aspiration", "natural") == "natural"
        rule("tolerated", AFLOAT["natural" if natural else "boosted"], "makers of marine engines, as it breathes")
    return rules.rules
