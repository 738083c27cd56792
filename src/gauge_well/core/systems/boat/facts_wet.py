"""What is stated of a wet exhaust: where each thing lies, the lift silencer, the hose, the siphon break."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, When, choice, quantity, role
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.waterlock import WATERLOCK, WaterlockFacts
from gauge_well.core.typing import Value

WET = ("machine.exhaust", ("wet",))
RISER, BOX, HOSE, BREAK = "Riser and injection", "Silencer", "Exhaust hose", "Siphon break"
BREAKS: Mapping[str, str] = {"none": "none", "fitted": "fitted, with a valve or a bleed"}
SITS: Mapping[str, str] = {
    "after": "between the exchanger or pump and the injection",
    "before": "ahead of the raw-water pump",
}
TOPS: Mapping[str, str] = {"top": "at the very top of its loop", "below": "below the loop's top"}
FLAPS: Mapping[str, str] = {"none": "nothing", "flap": "a flap", "valve": "a valve to shut"}
OVER = "Over the waterline as it lies laden; below it negative."


def _over(
    label: str, group: str, help: str = OVER, low: float = -2.0, high: float = 5.0, more: When = WET
) -> Value | None:
    found: Value | None = quantity(label, "height", low, high, group=group, help=help, when=more, also=WET)
    return found


def _aft(what: str, name: str, group: str, more: When = WET) -> Value:
    label, follows = f"{what}, aft of the boat's middle", f"{name}_over"
    found: Value = quantity(
        label, "distance", -30.0, 30.0, group=group, spread="length", follows=follows, when=more, also=WET
    )
    return found


def _left(what: str, name: str, group: str, more: When = WET) -> Value:
    label, follows = f"{what}, left of the centreline", f"{name}_over"
    found: Value = quantity(label, "length", -5.0, 5.0, group=group, follows=follows, when=more, also=WET)
    return found


FITTED = ("siphon", ("fitted",))


@dataclass(frozen=True)
class WetFacts:
    """Points of the exhaust by height over the waterline, aft of the middle of the waterline, left of the centreline. SI."""

    manifold_over: Value | None = _over("Manifold's port, its underside", RISER)
    manifold_aft: Value = _aft("Manifold's port", "manifold", RISER)
    manifold_left: Value = _left("Manifold's port", "manifold", RISER)
    riser_over: Value | None = _over("Riser's top, inside", RISER, "Where there is one: the gas climbs over it.")
    injection_over: Value | None = _over("Water is injected at", RISER)
    injection_aft: Value = _aft("Injection", "injection", RISER)
    injection_left: Value = _left("Injection", "injection", RISER)
    silencer: WaterlockFacts = role(WATERLOCK, "Lift silencer", row="silencer", when=WET)
    silencer_over: Value | None = _over("Silencer's floor over the waterline", BOX, low=-3.0)
    silencer_aft: Value = _aft("Silencer", "silencer", BOX)
    silencer_left: Value = _left("Silencer", "silencer", BOX)
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
    high_over: Value | None = _over("Hose's highest place, its underside", HOSE)
    high_aft: Value = _aft("Highest place", "high", HOSE)
    high_left: Value = _left("Highest place", "high", HOSE)
    outlet_over: Value | None = _over("Outlet, its underside", HOSE)
    outlet_aft: Value = _aft("Outlet", "outlet", HOSE)
    outlet_left: Value = _left("Outlet", "outlet", HOSE)
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
    siphon_over: Value | None = _over("Siphon break's height", BREAK, more=FITTED)
    siphon_aft: Value = _aft("Siphon break", "siphon", BREAK, FITTED)
    siphon_left: Value = _left("Siphon break", "siphon", BREAK, FITTED)
    siphon_sits: str | None = choice("It sits", SITS, group=BREAK, when=FITTED, also=WET)
    siphon_top: str | None = choice("and", TOPS, group=BREAK, when=FITTED, also=WET)
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
