"""What fit needs to know: the engine's outside, the space it goes into, where it lies, how far it rocks, what is kept."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import Several, Way, When, choice, quantity, role, several, ways_of
from gauge_well.core.parts.bay import BAY, SIDE, BayFacts
from gauge_well.core.parts.envelope import ENVELOPE, EnvelopeFacts
from gauge_well.core.parts.gearcase import GEARCASE, GearcaseFacts
from gauge_well.core.parts.solid import SOLID, SolidFacts
from gauge_well.core.parts.steering import STEERING, SteeringFacts
from gauge_well.core.typing import Value

PLACED: Mapping[str, str] = {"stated": "as it was taped or decided", "middle": "in the middle, until it is stated"}
# About which line its torque turns it.
ROCKS: Mapping[str, str] = {"roll": "side to side, about the crank", "nod": "nose up and down, by its axle's torque"}
POSE, KEPT, MOTION = "Where the engine lies", "Gaps kept", "How it moves"


def _kept(label: str, help: str = "", also: When | None = None) -> Value:
    found: Value = quantity(label, "size", 0.0, 0.5, group=KEPT, help=help, spread="exact", also=also)
    return found


@dataclass(frozen=True)
class FitFacts:
    """Outside, space, place, motion, gaps kept. SI."""

    unit: EnvelopeFacts = role(ENVELOPE, "Engine's outside", row="place")
    gearcase: GearcaseFacts = role(GEARCASE, "Gearbox's outside", row="place")
    bay: BayFacts = role(BAY, "Engine space", row="place")
    steering: SteeringFacts = role(STEERING, "Steering", row="place", also=ASHORE)
    solids: Several[SolidFacts] = several(SOLID, "Thing in the bay", row="place")
    placed: str = choice("Its place", PLACED, group=POSE)
    from_panel: Value = quantity(
        "Pulley to the panel it faces",
        "length",
        -1.0,
        8.0,
        group=POSE,
        help="From the crank pulley's front. In a boat, and ahead of the rear axle: to the bulkhead. Of a transverse "
        "engine: from the crank's line.",
        spread="exact",
    )
    crank_height: Value = quantity(
        "Crank over the floor, at the pulley", "height", -0.5, 4.0, group=POSE, spread="exact"
    )
    crank_left: Value = quantity("Crank left of the middle", "length", -2.0, 2.0, group=POSE, help=SIDE, spread="exact")
    rock: Value | None = quantity(
        "Rocks in first at full torque",
        "angle",
        0.0,
        0.3,
        group=MOTION,
        help="As it was measured; as its mounts give it where nobody did.",
        spread="conductance",  # a share of itself, as what mounts give is, and no more degrees of a level
    )
    rock_height: Value | None = quantity(
        "Rocks about a line over the crank",
        "height",
        -0.5,
        1.0,
        group=MOTION,
        help="The mounts' elastic axis; as they give it where nobody says.",
    )
    rocks: str = choice("It rocks", ROCKS, group=MOTION)
    bounce: Value | None = quantity(
        "Sinks and lifts on its mounts", "size", 0.0, 0.1, group=MOTION, help="As its mounts give it where nobody says."
    )
    keep_metal: Value = _kept("Engine to fixed metal")
    keep_bonnet: Value = _kept("Cover to bonnet")
    keep_core: Value = _kept("Fan blade to core", also=ASHORE)
    keep_belt: Value = _kept("Moving belt and pulley to anything")
    keep_steering: Value = _kept("Anything to steering", also=ASHORE)
    keep_member: Value = _kept("Pan to crossmember", also=ASHORE)
    keep_hose: Value = _kept("Hoses, brake pipe, loom")
    keep_hot: Value = _kept("Exhaust to metal")
    keep_hot_soft: Value = _kept("Exhaust to hoses, loom, rubber")
    keep_bump: Value = _kept("Axle or ground at full bump", also=ASHORE)
    keep_draw: Value = _kept("Beyond what draws off", "A filter, a gearbox off its dowels.")


WAYS: Mapping[str, Way] = ways_of(
    FitFacts,
    {
        "from_panel": Way("above", "A rule from the pulley's front, along the machine."),
        "crank_height": Way("under", "Floor to the crank bolt's centre, loaded."),
        "crank_left": Way("above", "A string along the middle line; square to the crank bolt's centre."),
        "rock": Way(
            "above",
            "A lever under the block to full torque's pull, or a helper on clutch and brake: dial or rule at the cover.",
        ),
        "bounce": Way("above", "Half a bounce of the hand on the cover: rule against the wing."),
    },
)
