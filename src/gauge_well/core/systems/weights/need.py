"""What the unit asks of hoist, sling and stand, and the swap of springs."""

from __future__ import annotations

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import Ledger, ends
from gauge_well.core.systems.weights.lifting import DIRT, STANDS, hung
from gauge_well.core.typing import likely

STIFFER = 0.04  # share by which a spring must change to be worth changing (common practice)


def needs(context: Context, facts: WeightsFacts, found: Ledger | None) -> list[Need]:
    """Ratings to look for, with what they are for; springs that keep an axle's frequency."""
    load = hung(context, facts)
    what = "engine and gearbox" if facts.with_gearbox == "unit" else "engine"
    told = [
        Need(
            "lifting",
            "hoist_capacity",
            load.mass * DIRT,
            "mass",
            Sentence(
                "A hoist whose plate allows {m} at the reach it takes: {what} with oil and dirt.",
                {"m": (likely(load.mass * DIRT), "mass"), "what": what},
            ),
        ),
        Need(
            "lifting",
            "leg_rating",
            load.mass * DIRT / np.sqrt(2.0),
            "mass",
            Sentence(
                "Two legs each rated for {m} or more, no flatter than 45°; of four straps any two.",
                {"m": (likely(load.mass * DIRT) / np.sqrt(2.0), "mass")},
            ),
        ),
        Need(
            "lifting",
            "stand_rating",
            load.mass * STANDS,
            "mass",
            Sentence("A stand rated for {m} or more.", {"m": (likely(load.mass * STANDS), "mass")}),
        ),
    ]
    for end in ends(facts, found) if found is not None else ():
        if end.rate is None or end.same is None or abs(likely(end.same) / likely(end.rate) - 1.0) <= STIFFER:
            continue
        words = f"{end.name.capitalize()} springs of {{k}} at the wheel keep the ride's frequency."
        value = {"k": (likely(end.same), "stiffness")}
        told.append(Need("axles", f"spring_{end.name}", end.same, "stiffness", Sentence(words, {**value})))
    return told
