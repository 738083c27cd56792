"""An oil pan."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, table
from gauge_well.core.typing import Value

SHAPES: Mapping[str, str] = {
    "box": "one depth all along: deep, or flat and dry",
    "rear_well": "well at the rear (flywheel end)",
    "front_well": "well at the front",
    "centre_well": "well in the middle",
    "kicked": "well at the rear, kicked out to the sides",
    "outline": "own outline",
}

WELLS = ("rear_well", "front_well", "centre_well", "kicked")
BAFFLES: Mapping[str, str] = {
    "unknown": "not known",
    "none": "none",
    "given": "good for a stated g",
    "trap": "trap door that holds a stated volume",
}


@dataclass(frozen=True)
class PanFacts:
    """Its shape and its baffle. SI; x from its flywheel end, depths below the rail."""

    shape: str | None = choice("Pan", SHAPES, needed=True, group="Pan")
    length: Value | None = quantity("Length at the rail", "length", 0.05, 2.0, needed=True, group="Pan")
    width: Value | None = quantity("Width", "length", 0.05, 1.5, needed=True, group="Pan")
    depth: Value | None = quantity("Deepest below the rail", "length", 0.02, 1.0, needed=True, group="Pan")
    well_length: Value | None = quantity(
        "Length of the deep part", "length", 0.03, 2.0, group="Pan", help="Along the engine.", when=("shape", WELLS)
    )
    shallow_depth: Value | None = quantity(
        "Depth of the shallow part", "length", 0.0, 1.0, group="Pan", when=("shape", WELLS)
    )
    well_start: Value | None = quantity(
        "Deep part begins at",
        "length",
        0.0,
        2.0,
        group="Pan",
        help="From the flywheel end.",
        when=("shape", ("centre_well",)),
    )
    kick_width: Value | None = quantity(
        "Each kick-out, across", "length", 0.01, 0.6, group="Pan", when=("shape", ("kicked",))
    )
    kick_height: Value | None = quantity(
        "Kick-outs, floor to roof", "length", 0.01, 0.5, group="Pan", when=("shape", ("kicked",))
    )
    floor_roll: Value | None = quantity(
        "Floor's left side up",
        "angle",
        -0.7,
        0.7,
        group="Pan",
        help="Against the rail: a floor made level for a canted engine.",
    )
    outline: tuple[tuple[float, ...], ...] | None = table(
        "Own outline",
        (("from the flywheel end", "length"), ("below the rail", "length")),
        group="Pan",
        help="Round the side view, one corner a line, for instance `220 mm, 150 mm`.",
    )
    widths: tuple[tuple[float, ...], ...] | None = table(
        "Widths along it",
        (("from the flywheel end", "length"), ("width", "length")),
        group="Pan",
        help="One station a line, for instance `0 mm, 240 mm`.",
    )
    baffle: str = choice("Baffle or trap door", BAFFLES, group="Pickup")
    baffle_g: Value | None = quantity(
        "Baffle good for", "acceleration", 0.0, 40.0, group="Pickup", when=("baffle", ("given", "unknown"))
    )
    held: Value | None = quantity(
        "Trap door holds", "volume", 5e-5, 0.02, group="Pickup", help="Round the pickup.", when=("baffle", ("trap",))
    )


WAYS: Mapping[str, Way] = {
    "length": Way("stand", "Inside, along the rail."),
    "width": Way("stand", "Inside, across the rail."),
    "depth": Way("stand", "A straight edge across the rail, down to the deepest floor."),
    "well_length": Way("stand", "Inside, along the floor of the deep part."),
    "shallow_depth": Way("stand", "A straight edge across the rail, down to the shallow floor."),
    "well_start": Way("stand", "Inside, from the flywheel end to the near wall of the deep part."),
    "kick_width": Way("stand", "From the line of the rail out to the kick-out's wall, inside."),
    "kick_height": Way("stand", "Inside, floor to roof of the kick-out."),
    "floor_roll": Way("stand", "An inclinometer on rail and floor: the difference."),
    "held": Way("stand", "Water from a measuring glass into the box round the pickup, doors shut."),
    "outline": Way("stand", "A card template along the middle, corners read off with a square."),
    "widths": Way("stand", "Inside, across the rail, at each station."),
    "baffle_g": Way("papers", "The maker's figure; a baffle not known is best looked at."),
}

PAN = Kind("pan", "Oil pan", PanFacts, WAYS)
