"""Hulls: how fast a boat goes for its length, weight and power."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

KNOT = 0.514444
FEET = 3.28084  # a metre
POUND, HORSE = 0.45359237, 745.7  # kg, W
SEAWATER = 1025.0  # kg/m3
PLANES = 25.0  # W a kilogram from which a hull planes (common practice)
PLANING = 3.7  # knots for the root of each: 150 knots over the root of pounds a horsepower (common practice)
SLENDER = 4.9  # waterline length over the cube root of the volume it displaces, 4.5 to 5.5 (common practice)
DISPLACEMENT_SPEED = 10.665  # knots over the root of feet, for pounds a horsepower to the third (gerr1989, from memory)


@dataclass(frozen=True)
class Hull:
    """A kind of hull: its name; the most knots for each root of a foot of waterline, None where it climbs out of its own
    wave; slip of its propeller, least and most (common practice)."""

    label: str
    most: float | None
    slip: tuple[float, float]


HULLS: Mapping[str, Hull] = {
    "displacement": Hull("displacement", 1.34, (0.35, 0.50)),
    "semi": Hull("semi-displacement", 2.5, (0.25, 0.40)),
    "planing": Hull("planing", None, (0.10, 0.25)),
}


def hull_by_rule(mass: float | None, power: float | None) -> str:
    """Planing where there is power enough for its weight [kg, W], else displacement."""
    return "planing" if mass and power and power / mass > PLANES else "displacement"


def waterline_by_rule(mass: float) -> float:
    """Waterline length [m] of a usual hull of that weight [kg]."""
    return float(SLENDER * np.cbrt(mass / SEAWATER))


def fastest(hull: str, length: float, mass: float, power: float) -> float:
    """Speed at full power [m/s].

    Planing: 150 knots over the root of pounds a horsepower. Else ``10.665 / (pounds a horsepower)^(1/3)`` knots for each
    root of a foot of waterline, at most what such a hull's own wave lets it (gerr1989, from memory; common practice).
    """
    kind = HULLS[hull]
    if kind.most is None:
        return float(PLANING * np.sqrt(power / mass) * KNOT)
    light = (mass / POUND) / (power / HORSE)
    return float(min(DISPLACEMENT_SPEED / np.cbrt(light), kind.most) * np.sqrt(FEET * length) * KNOT)
