"""The space an engine goes into, taken by tape from two datums: an edge across the wings, and an axle line on the floor."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import YES_NO, Kind, Way, choice, quantity
from gauge_well.core.typing import Value

OVER, UNDER = "Over the bay", "Under the machine"
SIDE = "Left of the middle line; to the right is negative."


@dataclass(frozen=True)
class BayFacts:
    """What stands round the engine. SI; ahead of the axle line, left of the middle, over the floor."""

    length: Value | None = quantity(
        "Bulkhead to panel",
        "length",
        0.1,
        8.0,
        needed=True,
        group=OVER,
        help="Along the machine, from the wall to the panel at the other end. A boat: bulkhead to bulkhead.",
    )
    rails: Value | None = quantity(
        "Between the rails",
        "length",
        0.1,
        4.0,
        needed=True,
        group=OVER,
        help="Chassis legs, frame rails or a boat's engine beds, inside.",
    )
    edge: Value | None = quantity(
        "Edge over the floor",
        "height",
        0.1,
        4.0,
        needed=True,
        group=OVER,
        help="A straight edge across the wings, or across the hatch: down to the floor the machine stands on, loaded. A "
        "boat: down to the hull under the engine.",
    )
    panel_ahead: Value = quantity(
        "Panel from the axle line", "length", -1.0, 5.0, group=UNDER, help="Plumbed down; of the axle at this end."
    )
    wings: Value = quantity("Between the inner wings", "length", 0.1, 5.0, group=OVER, also=ASHORE)
    bonnet_rear: Value = quantity(
        "Bonnet's frame over the edge, at the wall", "height", -0.6, 2.0, group=OVER, help="Below the edge: negative."
    )
    bonnet_front: Value = quantity(
        "Bonnet's frame over the edge, at the panel", "height", -0.6, 2.0, group=OVER, help="Below the edge: negative."
    )
    rail_top: Value = quantity("Rail's top over the floor", "height", 0.0, 3.0, group=OVER)
    stack_depth: Value = quantity(
        "Panel to the stack's rear",
        "length",
        0.0,
        2.0,
        group=OVER,
        help="Radiator, what stands before it, shroud and fan. Nought: none stands here.",
        also=ASHORE,
    )
    stack_width: Value = quantity("Stack's width", "length", 0.05, 3.0, group=OVER, also=ASHORE)
    stack_top: Value = quantity("Stack's top over the floor", "height", 0.05, 4.0, group=OVER, also=ASHORE)
    stack_height: Value = quantity("Stack's height", "height", 0.05, 3.0, group=OVER, also=ASHORE)
    tunnel_width: Value = quantity("Tunnel's width inside", "length", 0.0, 3.0, group=UNDER, also=ASHORE)
    tunnel_roof: Value = quantity("Tunnel's roof over the floor", "height", 0.0, 3.0, group=UNDER, also=ASHORE)
    member_front: Value = quantity(
        "Crossmember's front from the axle line",
        "length",
        -3.0,
        3.0,
        group=UNDER,
        help="Ahead of it: positive.",
        also=ASHORE,
    )
    member_rear: Value = quantity(
        "Crossmember's rear from the axle line",
        "length",
        -3.0,
        3.0,
        group=UNDER,
        help="Behind it: negative.",
        also=ASHORE,
    )
    member_top: Value = quantity("Crossmember's top over the floor", "height", 0.0, 3.0, group=UNDER, also=ASHORE)
    beam: str = choice(
        "Axle under the engine is a beam", YES_NO, group=UNDER, help="It comes up with the wheels.", also=ASHORE
    )
    beam_top: Value = quantity("Beam's top over the floor", "height", 0.05, 2.0, group=UNDER, when=("beam", ("yes",)))
    bump: Value = quantity(
        "Travel left to the bump stop",
        "length",
        0.0,
        0.6,
        group=UNDER,
        help="Loaded, at the wheels of this end.",
        also=ASHORE,
    )
    wheelbase: Value = quantity("Wheelbase", "distance", 0.5, 12.0, group=UNDER, also=ASHORE)


WAYS: Mapping[str, Way] = {
    "length": Way("above", "A rule along the middle, from the wall's foremost place to the panel."),
    "rails": Way("above", "Inside callipers or two rules, at the narrowest place."),
    "edge": Way("above", "A straight edge across both wings; plumb line or rule down to the floor."),
    "panel_ahead": Way("under", "Chalk the axle line and the panel on the floor with a plumb line."),
    "wings": Way("above", "At the height of the engine's top, at the narrowest place: strut towers count."),
    "bonnet_rear": Way("above", "Clay on the edge, bonnet let down: its frame, not its skin."),
    "bonnet_front": Way("above", "Clay on the edge, bonnet let down: its frame, not its skin."),
    "rail_top": Way("above", "From the straight edge down to the rail, taken from the edge's height."),
    "stack_depth": Way("above", "Panel to the rearmost of shroud, fan and motor."),
    "stack_width": Way("above", "Tank to tank."),
    "stack_top": Way("above", "From the straight edge down, taken from the edge's height."),
    "stack_height": Way("above", "Lowest to highest of core and tanks."),
    "tunnel_width": Way("under", "Inside, where gearbox and bell will lie."),
    "tunnel_roof": Way("under", "Floor to the roof's lowest place."),
    "member_front": Way("under", "Plumb line from its front edge to the chalked axle line."),
    "member_rear": Way("under", "Plumb line from its rear edge to the chalked axle line."),
    "member_top": Way("under", "Floor to its highest place under the engine."),
    "beam_top": Way("under", "Floor to the beam's or the differential's highest place under the engine."),
    "bump": Way("under", "Axle to its stop, loaded."),
    "wheelbase": Way("under", "Between the plumbed wheel centres."),
}

BAY = Kind("bay", "Engine space", BayFacts, WAYS)
