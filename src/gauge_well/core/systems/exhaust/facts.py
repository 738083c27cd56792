"""What the exhaust needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import YES_NO, Rule, Way, choice, quantity, table
from gauge_well.core.typing import Value, likely

LAYOUTS: Mapping[str, str] = {
    "single": "one pipe all the way",
    "merged": "two pipes into one",
    "twin": "two pipes all the way",
}
# Loss factors K on the pipe's own dynamic head (common practice).
LOSSES: Mapping[str, float] = {
    "pipe": 0.0,
    "flex": 0.3,
    "straight": 0.2,  # its length is counted as pipe: two small steps are left
    "catalyst": 3.5,
    "chambered": 4.0,
    "reversed": 7.0,
}
SILENCERS: Mapping[str, tuple[str, float]] = {
    "none": ("none", 0.0),
    "straight": ("straight-through", LOSSES["straight"]),
    "chambered": ("louvred or chambered", LOSSES["chambered"]),
    "reversed": ("reversed flow", LOSSES["reversed"]),
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
BEND_LEAST = 0.6  # of the outside diameter: tighter, the inside of the bend folds
WALL = 0.0015
BORE_LEFT = 0.1  # of a tube, least: less is a slip of the tape, not a tube


@dataclass(frozen=True)
class ExhaustFacts:
    """Pipes from flange (turbine outlet) to tip. SI; diameters are outside, as tube is sold."""

    layout: str | None = choice("Layout", LAYOUTS, group="Pipe")
    pipe_diameter: Value | None = quantity(
        "Tube, outside", "length", 0.012, 0.4, part="pipe", group="Pipe", spread="gauge"
    )
    pipe_length: Value | None = quantity("Whole length", "length", 0.05, 30.0, part="pipe", group="Pipe")
    bends: Value | None = quantity(
        "Bends, all together", "angle", 0.0, 40.0, group="Pipe", help="Sum of their angles: four right angles are 360."
    )
    bend_ratio: Value | None = quantity("Bend radius over diameter", "ratio", 0.1, 12.0, group="Pipe")
    silencer: str | None = choice("Silencer", {k: v[0] for k, v in SILENCERS.items()}, group="Pipe")
    catalyst: str | None = choice("Catalyst or filter", YES_NO, group="Pipe")
    pipes: tuple[tuple[float, ...], ...] | None = table(
        "Piece by piece",
        (("outside", "length"), ("length", "length"), ("bends", "angle"), ("part", "ratio")),
        group="Pipe",
        words=LOSSES,
        help="From flange to tip, one a line: `63.5 mm, 900 mm, 90 deg, pipe`. Parts: pipe, flex, straight, "
        "catalyst, chambered, reversed, or a loss factor.",
    )
    merge_after: Value | None = quantity("Pieces before the merge", "count", 1, 30, group="Pipe", spread="exact")
    lagged: Value | None = quantity("Pieces lagged, from the flange", "count", 0, 30, group="Heat", spread="exact")
    wall: Value | None = quantity("Wall", "length", 0.0005, 0.008, group="Heat", spread="gauge")
    roughness: Value | None = quantity("Roughness inside", "length", 1e-6, 1e-3, group="Heat", spread="loss")
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
WAYS: Mapping[str, Way] = {
    "pipe_diameter": Way("under", "A strip of paper round it, divided by 3.14."),
    "pipe_length": Way("under", "A string laid along it from flange to tip."),
    "bends": Way("under", "Count them and add their angles: four right angles are 360."),
    "bend_ratio": Way("under", "Radius of the bend's middle line over the diameter."),
    "wall": Way("hand", "Calliper on a cut end."),
    "pipes": Way("under", "String and paper strip, piece by piece from the flange."),
    "roughness": Way("under", "Look inside: drawn tube smooth, old steel scaled."),
}


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults for what has one; the pipe itself has none."""
    rules: dict[str, Rule] = {}

    def rule(name: str, value: Any, note: str, source: str = "common practice") -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, source)

    rule("layout", "single", "one pipe")
    rule("bends", 2.0 * np.pi, "four right angles")
    rule("bend_ratio", 1.5, "a usual mandrel bend")
    rule("silencer", "chambered", "a usual silencer")
    rule("catalyst", "no", "none stated")
    rule("merge_after", 1.0, "after the first piece")
    rule("lagged", 0.0, "bare")
    rule("wall", WALL, "1.5 mm tube")
    rule("roughness", 45e-6, "steel tube", "crane410")
    rule("shielded", "no", "none stated")
    return rules


def refuse(facts: ExhaustFacts) -> None:
    """Raise :class:`CoreError` for a bend tighter than its tube or a tube thinner than its walls."""
    ratio = facts.bend_ratio
    if ratio is not None and np.any(np.asarray(ratio) < BEND_LEAST):
        raise CoreError(
            "bend_too_tight",
            "exhaust.bend_ratio",
            ratio,
            f"{BEND_LEAST:g} diameters or more",
            "A bend of that radius is tighter than its tube.",
        )
    wall = likely(WALL if facts.wall is None else facts.wall)
    outside = [("pipes", likely(row[0])) for row in facts.pipes or ()]
    if facts.pipe_diameter is not None:
        outside.append(("pipe_diameter", likely(facts.pipe_diameter)))
    for name, width in outside:
        if width * (1.0 - BORE_LEFT) <= 2.0 * wall:
            raise CoreError(
                "no_bore",
                f"exhaust.{name}",
                width,
                "wider than both its walls",
                "A piece has no bore left inside its walls.",
            )
