"""What the exhaust needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import YES_NO, Rule, Several, Way, choice, quantity, role, several, ways_of
from gauge_well.core.parts.pipe import PIPE, PipeFacts
from gauge_well.core.parts.silencer import SILENCER, SilencerFacts
from gauge_well.core.typing import Value, likely

LAYOUTS: Mapping[str, str] = {
    "single": "one pipe all the way",
    "merged": "two pipes into one",
    "twin": "two pipes all the way",
}
# Loss factors K on the pipe's own dynamic head (common practice).
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
BEND_LEAST = 0.6  # of the outside diameter: tighter, the inside of the bend folds
WALL = 0.0015
BORE_LEFT = 0.1  # of a tube, least: less is a slip of the tape, not a tube


@dataclass(frozen=True)
class ExhaustFacts:
    """Pipes from flange (turbine outlet) to tip. SI; diameters are outside, as tube is sold."""

    layout: str | None = choice("Layout", LAYOUTS, group="Pipe")
    pipe: PipeFacts = role(
        PIPE, "Exhaust pipe", row="pipe", asks=("diameter", "length", "bends", "bend_ratio", "wall", "roughness")
    )
    silencer: SilencerFacts = role(SILENCER, "Silencer", row="pipe")
    catalyst: str | None = choice("Catalyst or filter", YES_NO, group="Pipe")
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
    merge_after: Value | None = quantity("Pieces before the merge", "count", 1, 30, group="Pipe", spread="exact")
    lagged: Value | None = quantity("Pieces lagged, from the flange", "count", 0, 30, group="Heat", spread="exact")
    tolerated: Value | None = quantity(
        "Back pressure allowed",
        "pressure_difference",
        500.0,
        1e5,
        group="Limit",
        help="The engine maker's figure.",
        spread="exact",
    )
    shielded: str | None = choice("Heat shield at loom and hoses", YES_NO, group="Limit")


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    ExhaustFacts,
    {},
)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults for what has one; the pipe itself has none."""
    rules: dict[str, Rule] = {}

    def rule(name: str, value: Any, note: str, source: str = "common practice") -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, source)

    rule("layout", "single", "one pipe")
    rule("pipe.bends", 2.0 * np.pi, "four right angles")
    rule("pipe.bend_ratio", 1.5, "a usual mandrel bend")
    for id in given.get("pieces", ()):
        rule(f"pieces.{id}.piece", "pipe", "none stated")
        rule(f"pieces.{id}.bends", 0.0, "straight")
    rule("silencer.type", "chambered", "a usual silencer")
    rule("catalyst", "no", "none stated")
    rule("merge_after", 1.0, "after the first piece")
    rule("lagged", 0.0, "bare")
    rule("pipe.wall", WALL, "1.5 mm tube")
    rule("pipe.roughness", 45e-6, "steel tube", "crane410")
    rule("shielded", "no", "none stated")
    return rules


def refuse(facts: ExhaustFacts) -> None:
    """Raise :class:`CoreError` for a bend tighter than its tube or a tube thinner than its walls."""
    ratio = facts.pipe.bend_ratio
    if ratio is not None and np.any(np.asarray(ratio) < BEND_LEAST):
        raise CoreError(
            "bend_too_tight",
            "exhaust.pipe.bend_ratio",
            ratio,
            f"{BEND_LEAST:g} diameters or more",
            "A bend of that radius is tighter than its tube.",
        )
    wall = likely(WALL if facts.pipe.wall is None else facts.pipe.wall)
    tubes = [("pipe", facts.pipe), *((f"pieces.{id}", piece) for id, piece in facts.pieces)]
    outside = [(f"{place}.diameter", likely(tube.diameter)) for place, tube in tubes if tube.diameter is not None]
    for name, width in outside:
        if width * (1.0 - BORE_LEFT) <= 2.0 * wall:
            raise CoreError(
                "no_bore",
                f"exhaust.{name}",
                width,
                "wider than both its walls",
                "A piece has no bore left inside its walls.",
            )
