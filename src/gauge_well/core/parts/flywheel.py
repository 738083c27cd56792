"""What stands on the crank's flange: a flywheel or a flexplate, its faces, its teeth, its bolts."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Flywheel"


@dataclass(frozen=True)
class Metal:
    """What a flywheel is made of: density [kg/m3], Poisson's ratio, stress it stands [Pa] (shigley2004, appendix)."""

    label: str
    density: float
    poisson: float
    stands: float


METALS: Mapping[str, Metal] = {
    "iron": Metal("cast iron, grade not known", 7200.0, 0.26, 150e6),
    "good_iron": Metal("cast iron, GJL-250 or better", 7200.0, 0.26, 250e6),
    "steel": Metal("steel", 7850.0, 0.29, 400e6),
    "alloy": Metal("light alloy, steel face", 2800.0, 0.33, 250e6),
}
MAKES: Mapping[str, str] = {"one": "one piece", "dual": "dual mass", "plate": "a flexplate"}
SEALS: Mapping[str, str] = {"one": "one-piece rear seal", "two": "two-piece rear seal"}
BALANCES: Mapping[str, str] = {"inside": "the crank alone", "outside": "a weight on flywheel and damper"}
SOLID = ("make", ("one", "dual"))


@dataclass(frozen=True)
class FlywheelFacts:
    """Faces from where it sits on the crank's flange, rearward; teeth; pattern. SI."""

    make: str = choice("It is", MAKES, group=GROUP, help="Dual mass is quiet, is thicker, cannot be machined.")
    face: Value | None = quantity(
        "Its seat to the friction face", "size", -0.05, 0.15, needed=True, group=GROUP, spread="gauge", when=SOLID
    )
    pads: Value | None = quantity(
        "Its seat to where the converter bolts on",
        "size",
        -0.05,
        0.1,
        group=GROUP,
        spread="gauge",
        when=("make", ("plate",)),
    )
    web: Value | None = quantity(
        "Thick under the bolts' heads, washer too", "size", 0.001, 0.06, group=GROUP, spread="gauge"
    )
    metal: str = choice("Made of", {k: v.label for k, v in METALS.items()}, group=GROUP, when=SOLID)
    across: Value | None = quantity("Across, without its teeth", "size", 0.1, 0.6, group=GROUP, when=SOLID)
    hole: Value | None = quantity("Hole in its middle", "size", 0.0, 0.2, group=GROUP, when=SOLID)
    ring_at: Value | None = quantity("Its seat to the teeth's front", "size", -0.06, 0.12, group=GROUP, spread="gauge")
    ring_width: Value | None = quantity("Teeth wide", "size", 0.004, 0.04, group=GROUP, spread="gauge")
    ring_teeth: Value | None = quantity("Teeth", "count", 50.0, 250.0, group=GROUP, spread="exact")
    ring_across: Value | None = quantity("Across the teeth's tips", "size", 0.1, 0.7, group=GROUP, spread="gauge")
    seal: str | None = choice("Made for a crank with", SEALS, group=GROUP)
    bolts: Value | None = quantity("Holes for the crank's bolts", "count", 3.0, 12.0, group=GROUP, spread="exact")
    circle: Value | None = quantity("on a circle of", "size", 0.03, 0.2, group=GROUP, follows="bolts", spread="gauge")
    balance: str | None = choice("Made for an engine balanced by", BALANCES, group=GROUP)


WAYS: Mapping[str, Way] = {
    "make": Way("hand", "Two masses turn a little against each other; a plate flexes by hand."),
    "face": Way("hand", "A straight edge over the friction face, a depth gauge to the seat."),
    "pads": Way("hand", "A straight edge over the converter's pads, a depth gauge to the seat."),
    "web": Way("hand", "Calliper at a bolt hole, with its washer or plate."),
    "across": Way("hand", "A rule across, less twice the teeth's height."),
    "hole": Way("hand", "Calliper."),
    "ring_at": Way("hand", "A straight edge over the seat, a depth gauge to the teeth's front."),
    "ring_width": Way("hand", "Calliper along a tooth."),
    "ring_teeth": Way("hand", "Counted, from a mark of chalk."),
    "ring_across": Way("hand", "A rule or a large calliper across the tips."),
    "seal": Way("papers", "By the part's list; the two have other bolt circles."),
    "bolts": Way("hand", "Counted."),
    "circle": Way("hand", "Centre to centre of two opposite bolts."),
    "balance": Way("hand", "A weight welded on, or holes drilled on one side only of a thick rim."),
}

FLYWHEEL = Kind("flywheel", "Flywheel", FlywheelFacts, WAYS)
