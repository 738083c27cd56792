"""What the exhaust needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Several, Way, choice, quantity, role, several, ways_of
from gauge_well.core.parts.pipe import PIPE, PipeFacts
from gauge_well.core.parts.silencer import SILENCER, SilencerFacts
from gauge_well.core.typing import Value

LAYOUTS: Mapping[str, str] = {
    "single": "one pipe all the way",
    "merged": "two pipes into one",
    "twin": "two pipes all the way",
}
# Share of its power that an engine loses to each pascal of back pressure: pumping, and the gas that stays behind; a
# turbo holds its boost as long as its gate has some to let by (common practice).
COSTS: Mapping[tuple[bool, str], float] = {
    (True, "natural"): 1.5e-6,
    (True, "turbo"): 1.0e-6,
    (True, "supercharged"): 1.5e-6,
    (False, "natural"): 1.5e-6,
    (False, "turbo"): 1.6e-6,
    (False, "supercharged"): 1.5e-6,
}
GATE_SHUT = 5.0e-6
# Past either no exhaust serves, whoever made the engine: [Pa], share of power (common practice).
MOST, MOST_COST = 60e3, 0.10
WORTH = 0.01  # of the power: a next size that buys less is not worth its weight and room
WIDEST = 0.0889  # m: over it two pipes are laid rather than one (common practice)
WALL = 0.0015


@dataclass(frozen=True)
class ExhaustFacts:
    """Pipes from flange (turbine outlet) to tip. SI; diameters are outside, as tube is sold."""

    layout: str = choice("Layout", LAYOUTS, group="Pipe")
    pipe: PipeFacts = role(
        PIPE, "Exhaust pipe", row="pipe", asks=("diameter", "length", "bends", "bend_ratio", "wall", "roughness")
    )
    silencer: SilencerFacts = role(SILENCER, "Silencer", row="pipe")
    catalyst: str = choice("Catalyst or filter", YES_NO, group="Pipe")
    pieces: Several[PipeFacts] = several(
        PIPE,
        "Piece",
        row="pipe",
        asks=("piece", "diameter", "length", "bends", "loss"),
        labels={"diameter": "Outside", "length": "Length", "bends": "Bends"},
        helps={"bends": ""},
        limits={"length": (0.0, 30.0)},
        needs=(),
    )
    merge_after: Value = quantity("Pieces before the merge", "count", 1, 30, group="Pipe", spread="exact")
    lagged: Value = quantity("Pieces lagged, from the flange", "count", 0, 30, group="Heat", spread="exact")
    tolerated: Value | None = quantity(
        "Back pressure allowed",
        "pressure_difference",
        500.0,
        1e5,
        group="Limit",
        help="The engine maker's figure.",
        spread="exact",
    )
    shielded: str = choice("Heat shield at loom and hoses", YES_NO, group="Limit")


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    ExhaustFacts,
    {},
)
