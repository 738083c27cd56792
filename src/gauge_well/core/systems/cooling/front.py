"""What stands in front of the core: condenser, charge cooler, oil cooler; what they resist and how they warm the air."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import fact, need
from gauge_well.core.heat import radiator
from gauge_well.core.heat.coarse_core import coarse_core
from gauge_well.core.heat.louvred_core import LouvredCore
from gauge_well.core.heat.radiator import RadiatorCore
from gauge_well.core.reads import OIL_PULL, OIL_SHARE, OIL_WARM
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.air import signed_quadratic
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.typing import Array, Value, as_array, clip

CONDENSER_LOSS = 8.0  # K on face velocity
FIT = (1.0, 8.0)  # m/s where the parts' joint resistance is matched


@dataclass(frozen=True)
class Cooler:
    """One cooler ahead of part of the face: ``share`` of it, with fins of its own."""

    name: str
    share: Array
    core: LouvredCore


def coolers(core: RadiatorCore, facts: CoolingFacts) -> tuple[Cooler, ...]:
    """Charge and oil cooler where they are said to stand in front; MissingFact names a size that is not given."""
    found = []
    for name in ("charge", "oil"):
        if getattr(facts, f"{name}_front") != "yes":
            continue
        width, height, depth = (
            need(fact(facts, path), f"cooling.{path}")
            for path in (f"{name}_cooler.{size}" for size in ("width", "height", "depth"))
        )
        share = np.minimum(as_array(width) / core.width, 1.0) * np.minimum(as_array(height) / core.height, 1.0)
        found.append(Cooler(name, clip(share, 0.01, 1.0), coarse_core(width, height, depth)))
    return tuple(found)


def resistances(parts: tuple[Cooler, ...], density: Value, film: Value, f_factor: Value) -> list[tuple[Array, Array]]:
    """Coefficients of each cooler by itself, on its own face velocity."""
    return [radiator.resistance(p.core, density, density, film, f_factor) for p in parts]


def with_coolers(
    a: Array, b: Array, parts: tuple[Cooler, ...], own: Sequence[tuple[Array, Array]]
) -> tuple[Array, Array]:
    """Coefficients of core and coolers together, ``dp = a u + b u|u|``, matched at two pressures; ``own`` the coolers'.

    The air parts over the face: where a cooler stands it meets both in series, beside it the core alone, all with
    the same pressure across. Two coolers lie side by side as far as the face has room, and overlap beyond.
    """
    if not parts:
        return a, b
    shares = [p.share for p in parts]
    if len(parts) == 1:
        pieces = [(1.0 - shares[0], a, b), (shares[0], a + own[0][0], b + own[0][1])]
    else:
        both = np.maximum(shares[0] + shares[1] - 1.0, 0.0)
        pieces = [
            (1.0 - shares[0] - shares[1] + both, a, b),
            (shares[0] - both, a + own[0][0], b + own[0][1]),
            (shares[1] - both, a + own[1][0], b + own[1][1]),
            (both, a + own[0][0] + own[1][0], b + own[0][1] + own[1][1]),
        ]
    drops = [a * u + b * u * u for u in FIT]
    mean = [sum((w * signed_quadratic(x, y, dp) for w, x, y in pieces), start=np.asarray(0.0)) for dp in drops]
    low, high = (dp / u for dp, u in zip(drops, mean, strict=True))
    slope = np.maximum((high - low) / (mean[1] - mean[0]), 0.0)
    return np.maximum(low - slope * mean[0], 0.0), slope


def heat_in_front(context: Context, facts: CoolingFacts, mean: Operation, coolant: Array) -> Array:
    """Heat the air takes up before it reaches the core [W]: condenser, charge air, oil beside ``coolant`` [K]."""
    heat = np.asarray(0.0)
    if facts.condenser_front == "yes":
        heat = heat + context.duties.column("condenser_heat")
    if facts.charge_front == "yes":
        heat = heat + np.maximum(mean.charge_heat, 0.0)
    if facts.oil_front == "yes":
        heat = heat + np.maximum(mean.heat_to_oil - oil_to_coolant(context, mean, coolant), 0.0)
    return np.asarray(heat)


def oil_to_coolant(context: Context, mean: Operation, coolant: Array) -> Array:
    """Oil's heat that reaches the coolant at a temperature [K] by way of block or cooler [W]; none where oil is not judged.

    Less than none where the oil's own air takes it; but what cold oil soaks up on its way is not counted on.
    """
    if OIL_SHARE not in context.given:
        return np.asarray(0.0)
    given, over = context.given, coolant - context.duties.column("ambient")
    return np.maximum(given[OIL_SHARE] * mean.heat_to_oil + given[OIL_WARM], 0.0) - given[OIL_PULL] * over


def oil_standing(context: Context, coolant: Array) -> Array:
    """Of that, what does not go with the heat the oil is given [W]."""
    if OIL_SHARE not in context.given:
        return np.asarray(0.0)
    given, over = context.given, coolant - context.duties.column("ambient")
    warm = np.where(given[OIL_SHARE] * context.mean.heat_to_oil + given[OIL_WARM] > 0.0, given[OIL_WARM], 0.0)
    return np.asarray(warm - given[OIL_PULL] * over)
