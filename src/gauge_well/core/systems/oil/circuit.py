"""The way of the oil from pump to its far end: pressure at each place, what filter and cooler take, what a gauge reads."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.flow.pipe import pressure_drop
from gauge_well.core.media import oils
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import feeding
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.warmth import PLATE_LEAKS, PLATE_OPENS
from gauge_well.core.typing import Array, Value, as_array

FILTER_OPENS = 100e3  # Pa across a filter at which its bypass opens (common practice)
COOLER, COOLER_OPENS = 60e3, 150e3  # Pa across a cooler hot at rated speed; its bypass, 100 to 200 (common practice)
LINE_LOSS = 8.0  # K of a cooler's fittings where nobody counts them (common practice)


@dataclass(frozen=True)
class Way:
    """Pressure at each place [Pa gauge], what filter and cooler take [Pa], and the share of the oil that goes through the
    cooler. ``sandwich`` stands before the filter, ``pump`` before the cooler."""

    pump: Array
    sandwich: Array
    gallery: Array
    far: Array
    filter: Array
    cooler: Array
    cooled: Array

    def at(self, place: str) -> Array:
        """What a gauge teed in there reads."""
        return {"gallery": self.gallery, "sandwich": self.sandwich}.get(place, self.far)


def filter_drop(facts: OilFacts, flow: Value, rated: Value, temperature: Value) -> Array:
    """Across the filter [Pa]: by Darcy's law with flow and viscosity from its hot figure, to its bypass."""
    hot = as_array(feeding.FILTER if facts.filter_drop is None else facts.filter_drop)
    opens = FILTER_OPENS if facts.filter_bypass is None else facts.filter_bypass
    return np.minimum(hot * as_array(flow) / rated * feeding.thinness(facts, temperature), opens)


def cooler_drop(facts: OilFacts, flow: Value, rated: Value, temperature: Value) -> Array:
    """Across cooler and lines with all of a flow through them [Pa]: fine tubes laminar, lines by their bore."""
    hot = as_array(COOLER if facts.cooler.drop is None else facts.cooler.drop)
    drop = hot * as_array(flow) / rated * feeding.thinness(facts, temperature)
    line = facts.cooler_line
    if line.bore is not None and line.length is not None:
        loss = LINE_LOSS if line.loss is None else line.loss
        thick = oils.viscosity_walther(feeding.oil_of(facts), temperature)
        drop = drop + pressure_drop(
            flow, line.bore, line.length, oils.density(temperature), thick, loss, slow_factor=feeding.PICKUP_SLOW
        )
    return np.asarray(drop)


def cooler_opens(facts: OilFacts) -> Value:
    """Across cooler and lines at which their bypass opens [Pa]."""
    return COOLER_OPENS if facts.cooler.bypass is None else facts.cooler.bypass


def cooled_share(facts: OilFacts, flow: Value, rated: Value, temperature: Value) -> Array:
    """Share of a flow that goes through the cooler: all of it until its bypass opens; a shut plate lets a tenth by.

    The share at which cooler and lines take what opens the bypass: one root, as what they take rises with flow.
    """
    opens = cooler_opens(facts)
    t = as_array(temperature)
    flow, t = np.broadcast_arrays(as_array(flow), t)
    over = cooler_drop(facts, flow, rated, t) > opens
    share = np.ones(over.shape)
    if over.any():
        found = find_root(
            lambda s: cooler_drop(facts, s * flow, rated, t) - opens, as_array(1e-6), as_array(1.0), tolerance=1e-5
        )
        share = np.where(over, found, share)
    return np.where((facts.cooler.plate == "plate") & (t < PLATE_OPENS), np.minimum(share, PLATE_LEAKS), share)


def way(context: Context, facts: OilFacts, speed: Value, temperature: Value) -> Way | None:
    """Pressures from pump to far end at an engine speed [rev/min] and an oil temperature [K]; None without a reading."""
    leak = feeding.leak_of(context, facts)
    gallery = feeding.gauge_pressure(facts, leak, speed, temperature)
    if gallery is None:
        return None
    flow = feeding.drawn_flow(facts, leak, speed, temperature)
    rated = feeding.drawn_flow(facts, leak, context.engine.rated_speed, oils.T_100)
    filtered = filter_drop(facts, flow, rated, temperature)
    share, taken = as_array(0.0), as_array(0.0)
    if facts.cooler.into in ("air", "water"):
        share = cooled_share(facts, flow, rated, temperature)
        taken = np.minimum(cooler_drop(facts, share * flow, rated, temperature), cooler_opens(facts))
    sandwich = gallery + filtered
    return Way(sandwich + taken, sandwich, gallery, feeding.FAR * gallery, filtered, taken, share)
