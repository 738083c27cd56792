"""The belts' figures."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.belts import checks
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.grip import worked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import Array, as_array, likely


def figures(context: Context, facts: BeltsFacts, found: Sequence[Way]) -> dict[str, Array]:
    """Of every belt its length, what to buy, grip, speeds, hub loads; of the first by plain names, of others by their place."""
    figures: dict[str, Array] = {}
    for way in found:
        if not way.closes:
            continue
        before = "" if way.place == "first" else f"{way.place}_"
        own = worked(context, facts, way)
        figures |= {
            f"{before}belt_effective_length_m": way.effective,
            f"{before}slip_margin": own.margins.min(axis=(0, 1)),
            f"{before}belt_tension_n": own.static,
            f"{before}belt_speed_m_s": own.belt[-1],
            f"{before}hub_load_n": own.hubs.max(axis=(0, 1)),
            f"{before}driven_speed_rpm": np.delete(own.speeds[:, -1], way.crank, axis=0).max(axis=0),
            f"{before}span_frequency_hz": note(way, own.static, own.mass),
            f"{before}span_over_firing": note(way, own.static, own.mass) / firing(context),
        }
        for i, pulley in enumerate(way.pulleys):
            figures.setdefault(f"{before}wrap_{pulley.what}_deg", np.degrees(way.route.wraps[i]))
        window = ways.window(way)
        if window is not None:
            lengths = ways.sold(float(window[0].flat[0]), float(window[1].flat[0]))
            if lengths:
                figures[f"{before}belt_to_buy_m"] = as_array(lengths[len(lengths) // 2])
        spare = checks.ground_spare(context, way)
        if spare is not None:
            figures[f"{before}pulley_ground_spare_m"] = spare
        arm = way.swings
        if arm is not None:
            figures[f"{before}tensioner_travel_m"] = np.asarray(np.ptp(arm.lengths, axis=0))
    return figures


def firing(context: Context) -> float:
    """Firings a second at idle."""
    return context.engine.facts.firing(likely(context.engine.facts.idle_speed))


def longest(way: Way) -> int:
    """Place of the pulley from which the longest span runs."""
    return int(np.argmax(way.route.spans[:, 0]))


def note(way: Way, static: Array, mass: Array) -> Array:
    """Note of the longest span plucked at rest [Hz]: ``sqrt(T / m) / 2L``."""
    span = way.route.spans[longest(way)]
    return np.asarray(np.sqrt(static / mass) / (2.0 * np.maximum(span, 1e-3)))
