"""An oil pickup."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class PickupFacts:
    """Where its mouth lies and its pipe. SI; x from the flywheel end of the pan."""

    x: Value | None = quantity("Pickup from the flywheel end", "length", 0.0, 2.0, needed=True, group="Pickup")
    y: Value = quantity("Pickup off centre, left", "length", -0.7, 0.7, group="Pickup")
    clearance: Value = quantity(
        "Pickup over the floor", "length", 0.0, 0.2, group="Pickup", help="6 to 10 mm; a lump of clay shows it."
    )
    drop: Value | None = quantity(
        "Mouth below the block's face",
        "length",
        0.02,
        1.0,
        group="Pickup",
        help="Taken on the engine, so that a pan is judged before it is bolted on; the pan's gasket not counted.",
    )
    mouth_pitch: Value | None = quantity(
        "Mouth's front edge up", "angle", -0.8, 0.8, group="Pickup", help="Against the block's face."
    )
    mouth_roll: Value | None = quantity(
        "Mouth's left edge up", "angle", -0.8, 0.8, group="Pickup", help="Against the block's face."
    )
    sieve: Value | None = quantity("Sieve's open area", "wire_area", 1e-5, 0.1, group="Pickup")
    bore: Value = quantity("Pickup pipe bore", "length", 0.006, 0.08, group="Pickup", spread="gauge")
    length: Value = quantity("Pickup pipe length", "length", 0.0, 2.0, group="Pickup")
    mouth: Value = quantity(
        "Pickup's mouth, across",
        "length",
        0.008,
        0.2,
        group="Pickup",
        help="Of the bell or sieve that faces the floor.",
    )


WAYS: Mapping[str, Way] = {
    "x": Way("stand", "From the flywheel end of the rail to the middle of the sieve."),
    "y": Way("stand", "From the middle line to the middle of the sieve."),
    "clearance": Way("stand", "A lump of clay on the sieve, the pan offered up: what is left of it."),
    "drop": Way("stand", "A straight edge across the block's face, down to the mouth."),
    "mouth_pitch": Way("stand", "An inclinometer on the mouth and on the block's face: the difference."),
    "mouth_roll": Way("stand", "An inclinometer on the mouth and on the block's face: the difference."),
    "sieve": Way("stand", "Its length by its width, by the open share of the mesh: a half to two thirds."),
    "bore": Way("stand", "Calliper in the pipe."),
    "length": Way("stand", "Along the pipe from sieve to pump."),
    "mouth": Way("stand", "A rule across the bell or sieve."),
}

PICKUP = Kind("pickup", "Oil pickup", PickupFacts, WAYS)
