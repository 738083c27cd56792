"""Steering where it passes the engine: rack or box bar, and the column."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Kind, Way, choice, quantity
from gauge_well.core.parts.bay import SIDE
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class SteeringFacts:
    """Rack and column. SI; ahead of the axle line, left of the middle, over the floor."""

    there: str = choice("Steering passes the engine", YES_NO, group="Steering")
    rack_ahead: Value = quantity(
        "Rack from the axle line",
        "length",
        -2.0,
        2.0,
        group="Steering",
        help="Ahead of it: positive. Of a box: its drag link or track rod.",
        when=("there", ("yes",)),
    )
    rack_height: Value = quantity(
        "Rack over the floor", "height", 0.02, 3.0, group="Steering", help="Its centre.", when=("there", ("yes",))
    )
    rack_diameter: Value = quantity("Rack's diameter", "length", 0.01, 0.3, group="Steering", when=("there", ("yes",)))
    travel: Value = quantity(
        "Travel to full steering lock",
        "length",
        0.0,
        0.4,
        group="Steering",
        help="From straight ahead, one way.",
        when=("there", ("yes",)),
    )
    column_left: Value = quantity(
        "Column at the wall", "length", -3.0, 3.0, group="Steering", help=SIDE, when=("there", ("yes",))
    )
    column_height: Value = quantity(
        "Column at the wall, over the floor", "height", 0.05, 4.0, group="Steering", when=("there", ("yes",))
    )
    column_foot: Value = quantity(
        "Column's foot at the rack", "length", -3.0, 3.0, group="Steering", help=SIDE, when=("there", ("yes",))
    )
    column_diameter: Value = quantity(
        "Column's diameter, joints too", "length", 0.01, 0.3, group="Steering", when=("there", ("yes",))
    )


WAYS: Mapping[str, Way] = {
    "rack_ahead": Way("under", "Plumb line from its centre to the chalked axle line."),
    "rack_height": Way("under", "Floor to its centre."),
    "rack_diameter": Way("under", "Calliper over the tube, boots too where they pass the engine."),
    "travel": Way("under", "Turned from straight ahead to one stop: how far the rod moves."),
    "column_left": Way("above", "From the middle line, where it comes through the wall."),
    "column_height": Way("above", "From the straight edge down, taken from the edge's height."),
    "column_foot": Way("under", "From the middle line, where it meets rack or box."),
    "column_diameter": Way("above", "Calliper over the widest joint that passes the engine."),
}

STEERING = Kind("steering", "Steering", SteeringFacts, WAYS)
