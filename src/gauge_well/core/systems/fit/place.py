"""A pose as the facts that say it: distance to the panel it faces, height and side of the crank, how it is turned."""

from __future__ import annotations

import numpy as np

from gauge_well.core.installation import LIES
from gauge_well.core.systems.fit import shapes
from gauge_well.core.systems.fit.gaps import Pose, Scene
from gauge_well.core.typing import likely

TURNED = 1e-4  # rad: less is no turn to write down


def sets_of(scene: Scene, pose: Pose) -> dict[str, float]:
    """Facts by path that put the engine there; angles only where they differ from how it lies."""
    facts, lie = scene.of, LIES[scene.lie]
    faced, toward = shapes.faced(facts, lie)
    pulley = pose.shift + pose.rotation @ np.array([likely(facts.unit.length or 0.0), 0.0, 0.0])
    found = {
        "fit.from_panel": toward * (faced - float(pulley[0])),
        "fit.crank_left": float(pulley[1]),
        "fit.crank_height": float(pulley[2]),
    }
    found = {path: round(value, 4) for path, value in found.items()}
    for path, now, then in (
        ("installation.engine_yaw", scene.pose.yaw, pose.yaw),
        ("installation.engine_pitch", scene.pose.pitch, pose.pitch),
        ("installation.engine_roll", scene.pose.roll, pose.roll),
    ):
        if abs(then - now) > TURNED:
            found[path] = round(then, 5)
    return found
