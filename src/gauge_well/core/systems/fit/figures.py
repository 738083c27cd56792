"""Fit's figures: the tightest pair, how far it rocks, what is lowest."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.installation import LIES
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.gaps import Scene, placed_unit
from gauge_well.core.systems.fit.spread import Spread, tightest
from gauge_well.core.typing import Array, as_array, likely


def figures(facts: FitFacts, found: Spread) -> Mapping[str, Array]:
    """Least gap and slack [m], rock [degrees], ground and the ramp it takes [degrees]."""
    told = {"rock_angle_deg": np.degrees(np.abs(as_array(found.scene.of.rock or 0.0)))}
    order = tightest(found)
    if order:
        k = order[0]
        told["least_gap_m"] = as_array(found.gap[k, 0])
        told["least_slack_m"] = as_array(found.gap[k, 0] - found.keep[k, 0])
    low, _ = lowest(found.scene)
    told["lowest_m"] = as_array(low)
    steepest = ramp(facts, found.scene)
    if steepest is not None:
        told["ramp_angle_deg"] = as_array(np.degrees(steepest))
    return told


def ramp(facts: FitFacts, scene: Scene) -> float | None:
    """Steepest ramp [rad] whose crest the engine's lowest place passes between the axles; None where it lies beyond
    them, or on no wheels."""
    low, behind = lowest(scene)
    base = likely(facts.bay.wheelbase)
    if LIES[scene.lie].boat or low <= 0.0 or not 0.0 < behind < base:
        return None
    return float(np.arctan2(low, behind) + np.arctan2(low, base - behind))


def lowest(scene: Scene) -> tuple[float, float]:
    """Height of the engine's lowest place over the floor, and how far it lies from the axle line towards the other
    axle [m]."""
    solids = placed_unit(scene, (scene.pose.rotation, scene.pose.shift), scene.stances[0])
    points = np.concatenate([s.points - [0.0, 0.0, s.radius] for s in solids])
    at = points[int(np.argmin(points[:, 2]))]
    inward = -1.0 if LIES[scene.lie].ahead else 1.0
    return float(at[2]), float(inward * at[0])
