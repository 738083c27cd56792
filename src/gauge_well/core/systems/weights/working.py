"""The working of weights: the unit, the axles, the hook."""

from __future__ import annotations

import numpy as np

from gauge_well.core.media.air import GRAVITY
from gauge_well.core.parts.item import DRESSES
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import Ledger, unit_of
from gauge_well.core.systems.weights.lifting import DIRT, Hung, Legs
from gauge_well.core.typing import Value, likely
from gauge_well.core.working import Step, Working


def steps(
    context: Context, facts: WeightsFacts, found: Ledger | None, load: Hung, legs: Legs | None, index: int
) -> list[Step]:
    """What hangs, what stands on each axle, how it hangs and pulls."""
    w = Working(index)
    dry = context.engine.facts.dry_mass
    w.add(
        "m_unit",
        "Engine as it runs, and its gearbox",
        "m_dry * dress + m_box",
        unit_of(context, facts).mass,
        "mass",
        {"m_dry": dry, "dress": DRESSES[facts.dress].more, "m_box": facts.gearbox},
        "common practice",
    )
    if found is not None:
        _axles(w, facts, found)
    w.add(
        "m_hoist",
        "To be lifted, with oil and dirt",
        "m * f",
        load.mass * DIRT,
        "mass",
        {"m": load.mass, "f": DIRT},
        "common practice",
    )
    w.add(
        "tan_tilt",
        "It hangs front up by the angle of this tangent",
        "(x_ring - x_m) / (z_ring - z_m)",
        np.tan(load.tilt),
        "ratio",
        {"x_ring": load.ring_ahead, "x_m": load.ahead, "z_ring": load.ring_over, "z_m": load.over},
        "arithmetic",
    )
    if legs is not None and np.isfinite(likely(legs.most)):
        names: dict[str, Value] = {
            "m": load.mass,
            "g": GRAVITY,
            "sin_a": np.sin(legs.front_off),
            "cos_a": np.cos(legs.front_off),
        }
        names |= {"sin_b": np.sin(legs.rear_off), "cos_b": np.cos(legs.rear_off)}
        for symbol, name, own, value in (
            ("F_front", "Pull in the front leg", "sin_b", legs.front),
            ("F_rear", "Pull in the rear leg", "sin_a", legs.rear),
        ):
            w.add(symbol, name, f"m * g * {own} / (sin_a * cos_b + cos_a * sin_b)", value, "force", names, "arithmetic")
    return w.steps


def _axles(w: Working, facts: WeightsFacts, found: Ledger) -> None:
    on = found.front
    for n, e in enumerate(found.entries, 1):
        then = on + e.mass * (1.0 - e.arm / found.wheelbase)
        w.add(
            f"F_{n}",
            f"Front axle, then: {e.name.lower()}{' out' if e.goes == 'out' else ''}",
            "F + m * (1 - x / L)",
            then,
            "mass",
            {"F": on, "m": e.mass, "x": e.arm, "L": found.wheelbase},
            "arithmetic",
        )
        on = then
    w.add(
        "R",
        "Rear axle after the swap",
        "F_0 + R_0 + more - F",
        found.rear_after,
        "mass",
        {"F_0": found.front, "R_0": found.rear, "more": found.more, "F": found.front_after},
        "arithmetic",
    )
    if facts.front_rate is not None:
        w.add(
            "k_front",
            "Front spring of the same frequency",
            "k * (F - u) / (F_0 - u)",
            likely(facts.front_rate) * (found.front_after - facts.unsprung) / (found.front - facts.unsprung),
            "stiffness",
            {"k": facts.front_rate, "F": found.front_after, "F_0": found.front, "u": facts.unsprung},
            "thomson1993, ch. 2",
        )
