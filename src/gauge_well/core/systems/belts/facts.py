"""What the belts need to know."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Several, Way, choice, quantity, role, several, ways_of
from gauge_well.core.parts.belt import BELT, BeltFacts
from gauge_well.core.parts.pulley import PULLEY, PulleyFacts
from gauge_well.core.typing import Value

COUNTS: Mapping[str, str] = {"none": "none", "one": "one", "two": "two", "three": "three"}
# How many of the places are there, by how many belts.
PLACES: Mapping[str, tuple[str, ...]] = {
    "none": (),
    "one": ("first",),
    "two": ("first", "second"),
    "three": ("first", "second", "third"),
}
ANY = ("count", ("one", "two", "three"))
HOW, CRANK = "How many", "Speeding up"


@dataclass(frozen=True)
class BeltsFacts:
    """Belts at the engine's front and their pulleys, each belt's in order counter-clockwise as seen from the front, its crank among
    them. SI."""

    count: str = choice("Belts", COUNTS, group=HOW)
    blip: Value = quantity(
        "Speeds up at a blip", "speed_rpm", 0.0, 30e3, group=CRANK, spread="exact", when=ANY,
        help="In a second, nothing in gear: 3,000 usual, a light racing engine 10,000.",
    )  # fmt: skip
    first: BeltFacts = role(BELT, "Belt", group="Belt", also=ANY, row="first")
    second: BeltFacts = role(BELT, "Second belt", group="Second belt", also=("count", ("two", "three")), row="second")
    third: BeltFacts = role(BELT, "Third belt", group="Third belt", also=("count", ("three",)), row="third")
    pulleys: Several[PulleyFacts] = several(PULLEY, "Pulley", row="first", also=ANY)


WAYS: Mapping[str, Way] = ways_of(BeltsFacts, {"count": Way("above", "Counted at the front of the engine.")})
