"""What weights need to know: what comes out and goes in, what stood on the axles, plates, springs; how it is lifted."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ROLLS
from gauge_well.core.facts import Several, Way, choice, quantity, role, several, table, ways_of
from gauge_well.core.parts.hoist import HOIST, HoistFacts
from gauge_well.core.parts.item import DRESSES, ITEM, ItemFacts
from gauge_well.core.typing import Value

UNIT_GROUP, BEFORE, PLATES = "Engine and gearbox", "On the axles before", "Plates and springs"
LIFT, STAND, PAPERS, SCALES = "Sling", "Stands", "Aircraft", "On scales"
LEGS: Mapping[str, str] = {"two": "two legs", "four": "four straps"}
ON_WHEELS = (f"machine.{ROLLS[0]}", ROLLS[1])
FLIES = ("machine.kind", ("aircraft",))


@dataclass(frozen=True)
class WeightsFacts:
    """Weights and how they are lifted. SI."""

    dress: str = choice(
        "Engine's dry weight is", {k: v.label for k, v in DRESSES.items() if k != "wet"}, group=UNIT_GROUP
    )
    gearbox: Value = quantity("Gearbox, with clutch or converter", "mass", 0.0, 3000.0, group=UNIT_GROUP)
    gearbox_behind: Value = quantity(
        "Gearbox's balance point behind the bell's face", "length", -0.5, 4.0, group=UNIT_GROUP
    )
    unit_ahead: Value = quantity(
        "Balance point ahead of the bell's face",
        "length",
        -3.0,
        3.0,
        group=UNIT_GROUP,
        help="Engine and gearbox together; towards the gearbox negative.",
    )
    unit_left: Value = quantity("Balance point left of the crank", "length", -1.0, 1.0, group=UNIT_GROUP)
    unit_over: Value = quantity("Balance point over the crank", "height", -1.0, 1.5, group=UNIT_GROUP)
    unit_arm: Value | None = quantity(
        "Balance point behind the front axle",
        "length",
        -4.0,
        20.0,
        group=UNIT_GROUP,
        help="Where the new engine's and gearbox's balance point comes to; as fit has it where its place is stated.",
        when=ON_WHEELS,
    )
    front: Value | None = quantity(
        "Front axle", "mass", 5.0, 60e3, needed=True, group=BEFORE, help="Before the swap, as weighed.", when=ON_WHEELS
    )
    rear: Value | None = quantity("Rear axle", "mass", 5.0, 60e3, needed=True, group=BEFORE, when=ON_WHEELS)
    height: Value = quantity(
        "Machine's balance point over the ground", "height", 0.05, 4.0, group=BEFORE, when=ON_WHEELS
    )
    front_plate: Value | None = quantity("Front axle's plate", "mass", 10.0, 60e3, group=PLATES, when=ON_WHEELS)
    rear_plate: Value | None = quantity("Rear axle's plate", "mass", 10.0, 60e3, group=PLATES, when=ON_WHEELS)
    gross_plate: Value | None = quantity("Whole machine's plate", "mass", 20.0, 90e3, group=PLATES, when=ON_WHEELS)
    front_rate: Value | None = quantity(
        "Front spring, at each wheel",
        "stiffness",
        1e3,
        1e7,
        group=PLATES,
        help="At the wheel, not at the spring: spring's rate times its leverage squared.",
        when=ON_WHEELS,
    )
    rear_rate: Value | None = quantity(
        "Rear spring, at each wheel", "stiffness", 1e3, 1e7, group=PLATES, when=ON_WHEELS
    )
    unsprung: Value = quantity(
        "Unsprung, each axle",
        "mass",
        0.0,
        5e3,
        group=PLATES,
        help="Wheels, hubs, half the arms; a beam axle whole.",
        when=ON_WHEELS,
    )
    items: Several[ItemFacts] = several(ITEM, "Thing taken out or put in", row="axles")
    hoist: HoistFacts = role(HOIST, "Hoist", row="lifting")
    with_gearbox: str = choice("Lifted", {"unit": "engine with its gearbox", "engine": "engine alone"}, group=LIFT)
    legs: str = choice("Slung by", LEGS, group=LIFT)
    lift_front: Value | None = quantity("Front lifting eye ahead of the bell's face", "length", -2.0, 4.0, group=LIFT)
    lift_rear: Value | None = quantity("Rear lifting eye ahead of the bell's face", "length", -3.0, 3.0, group=LIFT)
    lift_over: Value | None = quantity("Lifting eyes over the crank", "height", -0.5, 2.0, group=LIFT)
    ring: Value = quantity(
        "Ring over the eyes", "height", 0.02, 3.0, group=LIFT, help="The hook's place, the legs taut."
    )
    ring_ahead: Value | None = quantity(
        "Ring ahead of the bell's face",
        "length",
        -3.0,
        4.0,
        group=LIFT,
        help="With the engine level; over its balance point by rule.",
    )
    leg_rated: Value | None = quantity("One leg is rated for", "mass", 10.0, 20e3, group=LIFT)
    stand_rated: Value | None = quantity("Engine stand's rating", "mass", 20.0, 5e3, group=STAND)
    table_rated: Value | None = quantity("Lift table's or trolley's rating", "mass", 20.0, 5e3, group=STAND)
    stand_front: Value | None = quantity(
        "Front stands behind the front axle", "length", -3.0, 10.0, group=STAND, when=ON_WHEELS
    )
    stand_rear: Value | None = quantity(
        "Rear stands behind the front axle", "length", -1.0, 15.0, group=STAND, when=ON_WHEELS
    )
    beam_front: Value | None = quantity(
        "Front scale reads", "mass", 0.5, 5e3, group=SCALES, help="The unit on a beam, a scale under either end."
    )
    beam_rear: Value | None = quantity("Rear scale reads", "mass", 0.5, 5e3, group=SCALES)
    beam_apart: Value | None = quantity("Scales apart", "length", 0.1, 6.0, group=SCALES)
    beam_ahead: Value | None = quantity("Front scale ahead of the bell's face", "length", -3.0, 4.0, group=SCALES)
    raised_front: Value | None = quantity(
        "Front axle with the rear raised",
        "mass",
        5.0,
        60e3,
        group=SCALES,
        help="Springs wedged, tanks full or empty; for the height of the balance point.",
        when=ON_WHEELS,
    )
    raised_by: Value | None = quantity("Rear axle raised by", "length", 0.05, 2.0, group=SCALES, when=ON_WHEELS)
    axle_height: Value = quantity("Axles over the ground", "height", 0.05, 1.5, group=SCALES, when=ON_WHEELS)
    empty: Value | None = quantity("Empty weight", "mass", 20.0, 6e3, needed=True, group=PAPERS, when=FLIES)
    empty_arm: Value | None = quantity(
        "Its arm", "length", -5.0, 15.0, needed=True, group=PAPERS, help="Behind the datum of its papers.", when=FLIES
    )
    envelope: tuple[tuple[float, ...], ...] | None = table(
        "Envelope: arm and weight",
        (("arm", "length"), ("mass", "mass")),
        group=PAPERS,
        help="Corners of the approved envelope, in order round it, as `310 mm, 420 kg`.",
        spread="exact",
        when=FLIES,
        rows=12,
        signed=True,
    )


WAYS: Mapping[str, Way] = ways_of(
    WeightsFacts,
    {
        "gearbox": Way("stand", "A crane scale under the hoist; two bathroom scales and a beam."),
        "gearbox_behind": Way("hand", "Rolled on a tube until it balances; tape to the bell's face."),
        "unit_ahead": Way(
            "stand", "Hang it level by one hook over its length: plumb the hook to the crank, tape to the bell's face."
        ),
        "unit_left": Way("stand", "The same across."),
        "unit_over": Way(
            "stand", "Hang it at two tilts, chalk the plumb line on its side each time: the lines cross there."
        ),
        "unit_arm": Way("above", "Plumb its balance point to the floor; tape to the front axle's chalk line."),
        "front": Way(
            "papers", "A weighbridge, front wheels on it; or four bathroom scales and beams under the front wheels."
        ),
        "rear": Way("papers", "A weighbridge, rear wheels on it."),
        "height": Way("under", "Front weighed level and with the rear raised: the difference tells it."),
        "front_plate": Way("papers", "The plate under the bonnet or on the door post."),
        "rear_plate": Way("papers", "The plate under the bonnet or on the door post."),
        "gross_plate": Way("papers", "The plate, or the papers."),
        "front_rate": Way("under", "Known weights over the axle: half their weight over how far the arch sinks."),
        "rear_rate": Way("under", "Known weights over the axle: half their weight over how far the arch sinks."),
        "unsprung": Way("hand", "Wheel and hub on a bathroom scale, the spring off."),
        "lift_front": Way("stand", "Rule along the crank from the bell's face to the eye."),
        "lift_rear": Way("stand", "Rule along the crank from the bell's face to the eye."),
        "lift_over": Way("stand", "Crank bolt's centre to the eyes, upright."),
        "ring": Way("stand", "The legs taut by hand: eyes to the ring, upright."),
        "ring_ahead": Way("stand", "Plumb from the ring to the crank; rule to the bell's face."),
        "leg_rated": Way("papers", "The tag on the leg."),
        "stand_rated": Way("papers", "Its plate."),
        "table_rated": Way("papers", "Its plate."),
        "stand_front": Way("under", "Tape along the sill to the axle's chalk line."),
        "stand_rear": Way("under", "Tape along the sill to the axle's chalk line."),
        "beam_front": Way(
            "hand", "A stiff beam over two bathroom scales, the unit on it: the front one's reading less the beam's."
        ),
        "beam_rear": Way("hand", "The rear one's reading less the beam's."),
        "beam_apart": Way("hand", "Between the bars on which the beam rests."),
        "beam_ahead": Way("hand", "Plumb from the front bar up to the unit; rule to the bell's face."),
        "raised_front": Way(
            "under", "The rear axle on stands as high as it goes, springs wedged: the front wheels on scales."
        ),
        "raised_by": Way("under", "Hub's height raised less level."),
        "axle_height": Way("under", "Floor to the hub's centre."),
        "empty": Way("papers", "The last weighing report."),
        "empty_arm": Way("papers", "The last weighing report."),
    },
)
