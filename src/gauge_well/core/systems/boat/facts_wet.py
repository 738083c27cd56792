"""What is stated of a wet exhaust: where each thing lies, the lift silencer, the hose, the siphon break."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.waterlock import WATERLOCK, WaterlockFacts
from gauge_well.core.typing import Value

WET = ("machine.exhaust", ("wet",))
RISER, HOSE, BREAK = "Riser and injection", "Exhaust hose", "Siphon break"
BREAKS: Mapping[str, str] = {"none": "none", "fitted": "fitted, with a valve or a bleed"}
SITS: Mapping[str, str] = {
    "after": "between the exchanger or pump and the injection",
    "before": "ahead of the raw-water pump",
}
TOPS: Mapping[str, str] = {"top": "at the very top of its loop", "below": "below the loop's top"}
FLAPS: Mapping[str, str] = {"none": "nothing", "flap": "a flap", "valve": "a valve to shut"}
OVER = "Over the waterline as it lies laden; below it negative."


@dataclass(frozen=True)
class WetFacts:
    """Points of the exhaust by height over the waterline, aft of the middle of the waterline, left of the centreline. SI."""

    manifold_over: Value | None = quantity(
        "Manifold's port, its underside", "height", -2.0, 4.0, group=RISER, when=WET, help=OVER
    )
    manifold_aft: Value = quantity(
        "Manifold's port, aft of the boat's middle",
        "distance",
        -30.0,
        30.0,
        group=RISER,
        when=WET,
        spread="length",
        follows="manifold_over",
    )
    manifold_left: Value = quantity(
        "Manifold's port, left of the centreline", "length", -5.0, 5.0, group=RISER, when=WET, follows="manifold_over"
    )
    riser_over: Value | None = quantity(
        "Riser's top, inside",
        "height",
        -2.0,
        4.0,
        group=RISER,
        when=WET,
        help="Where there is one: the gas climbs over it.",
    )
    injection_over: Value | None = quantity(
        "Water is injected at", "height", -2.0, 4.0, group=RISER, when=WET, help=OVER
    )
    injection_aft: Value = quantity(
        "Injection, aft of the boat's middle",
        "distance",
        -30.0,
        30.0,
        group=RISER,
        when=WET,
        spread="length",
        follows="injection_over",
    )
    injection_left: Value = quantity(
        "Injection, left of the centreline", "length", -5.0, 5.0, group=RISER, when=WET, follows="injection_over"
    )
    silencer: WaterlockFacts = role(WATERLOCK, "Lift silencer", row="silencer", when=WET)
    silencer_over: Value | None = quantity(
        "Silencer's floor over the waterline", "height", -3.0, 4.0, group="Silencer", when=WET, help=OVER
    )
    silencer_aft: Value = quantity(
        "Silencer, aft of the boat's middle", "distance", -30.0, 30.0, group="Silencer", when=WET, spread="length"
    )
    silencer_left: Value = quantity("Silencer, left of the centreline", "length", -5.0, 5.0, group="Silencer", when=WET)
    hose: LineFacts = role(
        LINE,
        "Exhaust hose",
        row="hose",
        group=HOSE,
        asks=("bore", "length", "loss"),
        labels={
            "bore": "Exhaust hose, inside",
            "length": "Silencer to its highest place, along it",
            "loss": "Silencer and bends, K",
        },
        limits={"bore": (0.02, 0.4), "length": (0.1, 30.0)},
        needs=("bore",),
        when=WET,
    )
    high_over: Value | None = quantity(
        "Hose's highest place, its underside", "height", -2.0, 5.0, group=HOSE, when=WET, help=OVER
    )
    high_aft: Value = quantity(
        "Highest place, aft of the boat's middle",
        "distance",
        -30.0,
        30.0,
        group=HOSE,
        when=WET,
        spread="length",
        follows="high_over",
    )
    high_left: Value = quantity(
        "Highest place, left of the centreline", "length", -5.0, 5.0, group=HOSE, when=WET, follows="high_over"
    )
    outlet_over: Value | None = quantity("Outlet, its underside", "height", -2.0, 4.0, group=HOSE, when=WET, help=OVER)
    outlet_aft: Value = quantity(
        "Outlet, aft of the boat's middle",
        "distance",
        -30.0,
        30.0,
        group=HOSE,
        when=WET,
        spread="length",
        follows="outlet_over",
    )
    outlet_left: Value = quantity(
        "Outlet, left of the centreline", "length", -5.0, 5.0, group=HOSE, when=WET, follows="outlet_over"
    )
    flap: str | None = choice("At the outlet", FLAPS, group=HOSE, when=WET)
    hose_limit: Value = quantity(
        "Hose stands", "temperature", 330.0, 450.0, group=HOSE, when=WET, help="Stamped on it, wet; 93 °C is usual."
    )
    tolerated: Value = quantity(
        "Back pressure allowed",
        "pressure_difference",
        500.0,
        5e4,
        group=HOSE,
        when=WET,
        help="The engine maker's figure.",
    )
    siphon: str | None = choice("Siphon break", BREAKS, group=BREAK, when=WET)
    siphon_over: Value | None = quantity(
        "Siphon break's height", "height", -2.0, 5.0, group=BREAK, help=OVER, when=("siphon", ("fitted",)), also=WET
    )
    siphon_aft: Value = quantity(
        "Siphon break, aft of the boat's middle",
        "distance",
        -30.0,
        30.0,
        group=BREAK,
        spread="length",
        follows="siphon_over",
        when=("siphon", ("fitted",)),
        also=WET,
    )
    siphon_left: Value = quantity(
        "Siphon break, left of the centreline",
        "length",
        -5.0,
        5.0,
        group=BREAK,
        follows="siphon_over",
        when=("siphon", ("fitted",)),
        also=WET,
    )
    siphon_sits: str | None = choice("It sits", SITS, group=BREAK, when=("siphon", ("fitted",)), also=WET)
    siphon_top: str | None = choice("and", TOPS, group=BREAK, when=("siphon", ("fitted",)), also=WET)
    crank_speed: Value = quantity("Cranks at", "speed_rpm", 50.0, 500.0, group=HOSE, when=WET)


LEVEL = "A clear hose full of water, one end at the waterline's mark outside: level to it."
ALONG = "A plumb line down to a string stretched along the keel from the middle of the waterline."
ACROSS = "A plumb line, and a rule across from the centreline."
WAYS: Mapping[str, Way] = {
    **{
        f"{name}_over": Way("stand", LEVEL)
        for name in ("manifold", "riser", "injection", "silencer", "high", "outlet", "siphon")
    },
    **{
        f"{name}_aft": Way("under", ALONG) for name in ("manifold", "injection", "silencer", "high", "outlet", "siphon")
    },
    **{
        f"{name}_left": Way("under", ACROSS)
        for name in ("manifold", "injection", "silencer", "high", "outlet", "siphon")
    },
    "hose.bore": Way("hand", "Calliper in a cut end."),
    "hose.length": Way("under", "A string along it, from the silencer to its highest place."),
    "hose.loss": Way("under", "Count them: 0.3 a bend, 1 an elbow, 3 the silencer."),
    "hose_limit": Way("papers", "Printed along the hose."),
    "tolerated": Way("papers", "The engine maker's sheet, at full revs."),
    "crank_speed": Way("running", "A tachometer while it cranks with its stop held."),
}
