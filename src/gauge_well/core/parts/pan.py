"""An oil pan."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, table
from gauge_well.core.typing import Value

SHAPES: Mapping[str, str] = {
    "box": "one depth all along",
    "rear_well": "well at the rear (flywheel end)",
    "front_well": "well at the front",
    "outline": "own outline",
}

BAFFLES: Mapping[str, str] = {"unknown": "not known", "none": "none", "given": "good for a stated g"}


@dataclass(frozen=True)
class PanFacts:
    """Its shape and its baffle. SI; x from its flywheel end, depths below the rail."""

    shape: str | None = choice("Pan", SHAPES, needed=True, group="Pan")
    length: Value | None = quantity("Length at the rail", "length", 0.05, 2.0, needed=True, group="Pan")
    width: Value | None = quantity("Width", "length", 0.05, 1.5, needed=True, group="Pan")
    depth: Value | None = quantity("Deepest below the rail", "length", 0.02, 1.0, needed=True, group="Pan")
    well_length: Value | None = quantity(
        "Length of the deep part", "length", 0.03, 2.0, group="Pan", help="Along the engine."
    )
    shallow_depth: Value | None = quantity("Depth of the shallow part", "length", 0.0, 1.0, group="Pan")
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
    baffle_g: Value | None = quantity("Baffle good for", "acceleration", 0.0, 40.0, group="Pickup")


WAYS: Mapping[str, Way] = {
    "length": Way("stand", "Inside, along the rail."),
    "width": Way("stand", "Inside, across the rail."),
    "depth": Way("stand", "A straight edge across the rail, down to the deepest floor."),
    "well_length": Way("stand", "Inside, along the floor of the deep part."),
    "shallow_depth": Way("stand", "A straight edge across the rail, down to the shallow floor."),
    "outline": Way("stand", "A card template along the middle, corners read off with a square."),
    "widths": Way("stand", "Inside, across the rail, at each station."),
    "baffle_g": Way("papers", "The maker's figure; a baffle not known is best looked at."),
}

PAN = Kind("pan", "Oil pan", PanFacts, WAYS)
