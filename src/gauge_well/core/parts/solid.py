"""Any other thing in or round the engine space: a filter, a battery, a pipe, a scanned piece."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, table
from gauge_well.core.typing import Value

GROUP = "Thing"
# What it is: decides which gap is kept from it.
WHATS: Mapping[str, str] = {
    "filter": "filter: of oil or fuel",
    "accessory": "accessory: alternator, pump, compressor",
    "belt": "belt, or a pulley",
    "manifold": "manifold: exhaust, or a turbo",
    "pipe": "exhaust pipe",
    "battery": "battery",
    "brakes": "brake unit: booster, pedal box",
    "hose": "hose: brake pipe, loom",
    "tank": "tank: vessel, reservoir",
    "metal": "other metal",
}
MOVES: Mapping[str, str] = {
    "unit": "engine",
    "body": "body",
    "steer": "steering",
    "unsprung": "wheels",
    "hung": "engine at its first end, body at its last",
}
SHAPES: Mapping[str, str] = {"box": "box", "round": "round bar or can", "points": "points"}
AXES: Mapping[str, str] = {"along": "along", "across": "across", "upright": "upright"}
ROUND, BOXED = ("shape", ("round",)), ("shape", ("box",))
PLACED = ("shape", ("box", "round"))


@dataclass(frozen=True)
class SolidFacts:
    """Where it is and how large. SI; what moves with the engine in engine axes from the bell's face and the crank's
    line, all else ahead of the axle line, left of the middle, over the floor."""

    what: str | None = choice("What it is", WHATS, needed=True, group=GROUP)
    moves: str | None = choice("Moves with", MOVES, needed=True, group=GROUP)
    shape: str | None = choice("Shape", SHAPES, needed=True, group=GROUP)
    ahead: Value | None = quantity(
        "Ahead",
        "length",
        -5.0,
        5.0,
        group=GROUP,
        help="Of its middle, or of a bar's first end: ahead of the bell's face on the engine, of the axle line on all "
        "else.",
        when=PLACED,
    )
    left: Value | None = quantity(
        "Left", "length", -5.0, 5.0, group=GROUP, help="Of the crank's line, or of the machine's middle.", when=PLACED
    )
    over: Value | None = quantity(
        "Over", "height", -2.0, 5.0, group=GROUP, help="The crank's line, or the floor.", when=PLACED
    )
    long: Value | None = quantity("Along", "length", 0.005, 5.0, group=GROUP, when=BOXED)
    wide: Value | None = quantity("Across", "length", 0.005, 5.0, group=GROUP, when=BOXED)
    high: Value | None = quantity("Upright", "length", 0.005, 5.0, group=GROUP, when=BOXED)
    diameter: Value | None = quantity("Diameter", "length", 0.004, 2.0, group=GROUP, when=ROUND)
    to_ahead: Value | None = quantity(
        "Last end, farther ahead by", "length", -5.0, 5.0, group=GROUP, when=ROUND, help="Behind its first: negative."
    )
    to_left: Value | None = quantity("Last end, farther left by", "length", -5.0, 5.0, group=GROUP, when=ROUND)
    to_over: Value | None = quantity("Last end, higher by", "length", -5.0, 5.0, group=GROUP, when=ROUND)
    points: tuple[tuple[float, ...], ...] | None = table(
        "Points",
        (("piece", "count"), ("ahead", "length"), ("left", "length"), ("over", "length")),
        group=GROUP,
        help="Corners, one a line: piece, ahead, left, over, as `1, 220 mm, -40 mm, 95 mm`. Each piece is taken as the "
        "hull of its corners.",
        when=("shape", ("points",)),
        rows=200,
        signed=True,
    )
    withdraw: Value | None = quantity(
        "Draws off by",
        "length",
        0.0,
        2.0,
        group=GROUP,
        help="A filter's own length and 10 mm. Along a bar, away from its first end.",
        when=ROUND,
    )


WAYS: Mapping[str, Way] = {
    "ahead": Way("above", "From bell's face or axle line, along the machine."),
    "left": Way("above", "From the crank's line or the middle."),
    "over": Way("above", "From the crank's line, or from the floor by the edge's height."),
    "long": Way("hand", "A rule along it."),
    "wide": Way("hand", "A rule across it."),
    "high": Way("hand", "A rule up it."),
    "diameter": Way("hand", "Calliper at its widest."),
    "to_ahead": Way("above", "First end to last end, along the machine."),
    "to_left": Way("above", "First end to last end, across."),
    "to_over": Way("above", "First end to last end, upright."),
    "points": Way("above", "Corners from the two datums, or a scan."),
    "withdraw": Way("hand", "A rule along it."),
}

SOLID = Kind("solid", "Thing in the bay", SolidFacts, WAYS)
