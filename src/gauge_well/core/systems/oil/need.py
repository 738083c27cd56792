"""What the duties and the wanted power ask of pan, quantity and cooler, fitted or not."""

from __future__ import annotations

import numpy as np

from gauge_well.core.facts import need, need_number
from gauge_well.core.geometry.free_surface import volume_below
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need, over_duties
from gauge_well.core.systems.oil import model
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import as_array, likely

REACH = 0.15  # m from pickup to the wall oil runs to, where no pan is known
OVER_PICKUP = 0.02  # m left over the pickup


def needs(context: Context, facts: OilFacts, coverage: model.Coverage | None, ways: model.Ways) -> list[Need]:
    """Quantity, oil over the pickup or a baffle, cooler conductance."""
    found = [_quantity(context, facts, coverage)]
    cases = context.duties.cases
    hardest = max(likely(g) for c in cases for g in (c.braking, c.cornering, c.pulling))
    if coverage is None:
        depth = need_number(facts.pickup_clearance, "oil.pickup_clearance") + hardest * REACH + OVER_PICKUP
        found.append(
            Need(
                "pan",
                "oil_over_floor",
                depth,
                "size",
                Sentence(
                    "A well with {depth} of oil at rest, the pickup within {reach} of its walls; or a baffle good for {g}.",
                    {"depth": (depth, "size"), "reach": (REACH, "size"), "g": (hardest * GRAVITY, "acceleration")},
                ),
            )
        )
    heat = context.mean.heat_to_oil
    limit = as_array(need(facts.oil_limit, "oil.oil_limit"))
    rest = ways.block * (limit - ways.coolant) + ways.pan * (limit - ways.ambient)
    wanted = over_duties((heat - rest) / np.maximum(limit - ways.ambient, 1.0))
    if likely(wanted) > 0.0:
        found.append(
            Need(
                "cooler",
                "oil_cooler_conductance",
                np.maximum(wanted, 0.0),
                "conductance",
                Sentence(
                    "An oil cooler of {ua} (about {q} at {dt} between oil and air).",
                    {
                        "ua": (likely(wanted), "conductance"),
                        "q": (likely(wanted) * 60.0, "heat"),
                        "dt": (60.0, "temperature_difference"),
                    },
                ),
            )
        )
    return found


def _quantity(context: Context, facts: OilFacts, coverage: model.Coverage | None) -> Need:
    """By the pan: what keeps the pickup covered in every duty; by displacement where no pan is known."""
    if coverage is None:
        litres = likely(context.engine.displacement) * 1e3
        volume = (2.5 + litres) * 1e-3
        return Need(
            "pan",
            "oil_quantity",
            volume,
            "volume",
            Sentence("About {v} of oil, by engine size; the pan decides.", {"v": (volume, "volume")}),
        )
    pan, n = coverage.pan, coverage.sampled_normals
    under = volume_below(pan.body, n, pan.over_pickup(n)).max(axis=(0, 1))
    volume = under + need(facts.oil_up, "oil.oil_up")
    template = "{v} of oil keeps the pickup covered in every duty; the pan holds {holds} to the rail."
    if likely(volume) > likely(pan.holds):
        template = (
            "Only {v} would keep the pickup covered, and the pan holds {holds}: a baffle or a deeper well does it."
        )
    return Need(
        "pan",
        "oil_quantity",
        volume,
        "volume",
        Sentence(template, {"v": (likely(volume), "volume"), "holds": (likely(pan.holds), "volume")}),
    )
