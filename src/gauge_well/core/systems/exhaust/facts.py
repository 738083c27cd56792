"""What the exhaust needs to know, and its defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import YES_NO, Several, Way, choice, quantity, role, several, ways_of
from gauge_well.core.parts.neighbour import NEIGHBOUR, NeighbourFacts
from gauge_well.core.parts.pipe import PIPE, PipeFacts
from gauge_well.core.parts.silencer import SILENCER, SilencerFacts
from gauge_well.core.typing import Value

LAYOUTS: Mapping[str, str] = {
    "single": "one pipe all the way",
    "merged": "two pipes into one",
    "twin": "two pipes all the way",
}
# How one bank fires, of an engine whose banks run apart.
FIRINGS: Mapping[str, str] = {
    "joined": "counted as an even flow: pipes part after all cylinders have joined",
    "even": "at even intervals: a six, a flat-plane eight",
    "cross": "a cross-plane eight's way",
}
# What opens from below and behind into the cabin, and the share of what leaks under it that comes in (common practice).
OPENINGS: Mapping[str, tuple[str, float]] = {
    "sealed": ("sealed: every grommet in, pressure-tested", 0.02),
    "usual": ("usual grommets and seals", 0.10),
    "open": ("holes, a lever gate without its boot, no rear seal", 0.40),
}
# Share of its time at full load where nobody says, by kind of machine (common practice).
AT_FULL: Mapping[str, float] = {"hillclimb": 0.5, "tractor": 0.6, "locomotive": 0.5, "generator": 0.7, "aircraft": 0.7}
AT_FULL_USUAL = 0.03
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
    firing: str = choice("Each bank fires", FIRINGS, group="Pipe", help="Where two banks run apart.")
    pipe: PipeFacts = role(
        PIPE,
        "Exhaust pipe",
        row="pipe",
        asks=("diameter", "length", "bends", "bend_ratio", "wall", "material", "roughness"),
    )
    silencer: SilencerFacts = role(SILENCER, "Silencer", row="pipe")
    catalyst: str = choice("Catalyst or filter", YES_NO, group="Pipe")
    pieces: Several[PipeFacts] = several(
        PIPE,
        "Piece",
        row="pipe",
        asks=(
            *("piece", "diameter", "end", "length", "bends", "bend_ratio", "turn", "loss", "shape", "height", "body"),
            *("bank", "joint", "wall", "material", "covering"),
        ),
        labels={"diameter": "Outside", "length": "Length", "bends": "Bends"},
        helps={"bends": "", "wall": "As the whole pipe's where nothing is said."},
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
    bay_moving: Value | None = quantity(
        "Engine space over the air outside, on the move",
        "temperature_difference",
        0.0,
        90.0,
        group="Heat",
        help="The station Air works it.",
    )
    bay_standing: Value | None = quantity(
        "and standing, or just stopped", "temperature_difference", 0.0, 90.0, group="Heat", follows="bay_moving"
    )
    neighbours: Several[NeighbourFacts] = several(NEIGHBOUR, "Neighbour", row="neighbour", needs=())
    full_load: Value | None = quantity(
        "Of its time at full load", "share", 0.0, 1.0, group="Cost", help="For what a wider pipe is worth over a year."
    )
    side_length: Value | None = quantity(
        "Length to a side exit", "length", 0.1, 20.0, group="Cost", help="Flange to a tip ahead of the rear wheel."
    )
    oval_height: Value | None = quantity(
        "An oval would be pressed to",
        "length",
        0.02,
        0.2,
        group="Ground",
        help="Two thirds of it where not said.",
        also=ASHORE,
    )
    low_behind: Value | None = quantity(
        "Lowest place behind the front axle",
        "length",
        -2.0,
        12.0,
        group="Ground",
        help="Midway between the axles where nothing is said: the worst.",
        also=ASHORE,
    )
    ramp: Value | None = quantity(
        "Ramp it must cross",
        "angle",
        0.0,
        1.2,
        group="Ground",
        help="Both sides together, over its crest.",
        also=ASHORE,
    )
    cabin_from: Value | None = quantity(
        "Cabin begins, along the pipe",
        "length",
        0.0,
        30.0,
        group="Cabin",
        help="From the flange to under the bulkhead.",
    )
    cabin_to: Value | None = quantity("and ends", "length", 0.0, 30.0, group="Cabin", follows="cabin_from")
    tip_over: Value | None = quantity(
        "Tip over the pipe's lowest place", "height", -2.0, 5.0, group="Ground", help="A stack, a snorkel: upwards."
    )
    drained: str | None = choice("Lowest place drains", YES_NO, group="Ground", help="A 3 mm hole, or a drain plug.")
    openings: str | None = choice(
        "Open from below", {k: v[0] for k, v in OPENINGS.items()}, group="Cabin", help="Usual where nothing is said."
    )
    tip_past: Value | None = quantity(
        "Tip past the body's edge", "length", -2.0, 1.0, group="Cabin", help="Short of it: negative."
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = ways_of(
    ExhaustFacts,
    {
        "bay_moving": Way("running", "A probe beside the pipe on a hot climb, less the air outside."),
        "bay_standing": Way("running", "The same at rest after it."),
        "side_length": Way("under", "A string along the way it would take."),
        "oval_height": Way("under", "What the floor and the ground leave it."),
        "low_behind": Way("under", "Plumb line from the front axle and from the lowest place; along the floor."),
        "ramp": Way("under", "An inclinometer on both sides of the worst kerb or ramp, added up."),
        "tip_over": Way("under", "Level from the tip down to the lowest inside of the pipe."),
        "cabin_from": Way("under", "A string along the pipe from the flange to under the bulkhead."),
        "cabin_to": Way("under", "The same to the end of the floor."),
        "openings": Way("above", "A lamp under the floor at night, the carpets up."),
        "tip_past": Way("under", "A rule from the body's edge."),
    },
)
