"""What is worth saying of how an engine lies."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.reads import ROOMS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.systems.fit.rooms import rooms
from gauge_well.core.systems.fit.spread import Spread
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

APART = 0.010  # m by which a taped gap and the drawn one may differ unsaid
STEEP = 0.105  # rad: 6 degrees, past which pans, pickups and joints ask for a look (common practice)


def notices(context: Context, facts: FitFacts, found: Spread) -> list[Notice]:
    """A place nobody stated, a steep lie, taped gaps that the drawing contradicts."""
    return [*_place(facts), *_steep(context), *_claims(context, facts)]


def _place(facts: FitFacts) -> Iterator[Notice]:
    if facts.placed != "stated":
        yield Notice(
            "place",
            Sentence("No place of the engine is stated: it is put in the middle of what there is."),
            "fit.from_panel",
        )


def _steep(context: Context) -> Iterator[Notice]:
    pitch = likely(context.installation.engine_pitch)
    if abs(pitch) > STEEP:
        yield Notice(
            "steep",
            Sentence(
                "It lies {a} off level: look at oil over the pickup and at the joints' angles.",
                {"a": (abs(pitch), "angle")},
            ),
            "installation.engine_pitch",
        )


def _claims(context: Context, facts: FitFacts) -> Iterator[Notice]:
    """What is taped stands; where the sizes stated come to something else, one of the two is wrong."""
    told = rooms(context, facts)
    for name, figure in ROOMS.items():
        taped = getattr(context.installation, name)
        if taped is None or figure not in told:
            continue
        drawn = likely(told[figure])
        if abs(likely(taped) - drawn) > max(APART, 0.1 * abs(likely(taped))) and np.isfinite(drawn):
            values = {"taped": (likely(taped), "size"), "drawn": (drawn, "size")}
            words = "Taped as {taped}; by the sizes stated here it is {drawn}. The tape stands."
            yield Notice("claim", Sentence(words, values), f"installation.{name}")
