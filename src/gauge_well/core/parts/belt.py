"""A belt: what section it is, how it is kept tight, what it grips with."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class Section:
    """A belt's section.

    ``cord``: its cord outside the pulley's stated diameter [m], on the grooved side; ``mass`` of a rib or a belt [kg/m]; static
    ``tension`` of one [N]; ``stretch`` of its length in a life; ``most`` that stand side by side.
    """

    label: str
    cord: float
    mass: float
    tension: float
    stretch: float
    most: int


# Ribbed: ISO 9981 PK, cord 1.5 to 2.5 mm over the ribs' tips, EPDM stretches 0.4 to 1.0 %. Vee: narrow, 10 mm, ISO 4183: its datum
# line lies 2 mm inside the pulley's rim (masses, tensions and stretch common practice).
SECTIONS: Mapping[str, Section] = {
    "ribbed": Section("ribbed", 2.0e-3, 0.016, 50.0, 0.007, 12),
    "vee": Section("vee, narrow", -2.0e-3, 0.07, 300.0, 0.010, 3),
}
TIGHT: Mapping[str, str] = {"arm": "a sprung arm", "slot": "an accessory in its slot, then locked"}
SLOTTED = ("tight_by", ("slot",))


@dataclass(frozen=True)
class BeltFacts:
    """Section, ribs, tension, grip; the one that lies there. SI."""

    section: str = choice("Section", {k: v.label for k, v in SECTIONS.items()}, group="Belt")
    ribs: Value = quantity(
        "Ribs", "count", 1.0, 12.0, group="Belt", spread="exact", help="Of vee belts: how many side by side."
    )
    tight_by: str = choice("Kept tight by", TIGHT, group="Belt")
    tension: Value = quantity(
        "Tension at rest, each rib", "force", 10.0, 900.0, group="Belt", spread="stiffness",
        help="Ribbed 40 to 70 N a rib; a vee belt 200 to 400 N. By its note.",
    )  # fmt: skip
    grip: Value = quantity(
        "Friction on its grooved side", "ratio", 0.1, 2.0, group="Belt", spread="friction",
        help="1.0 dry and new, 0.6 wet or worn; on the back three tenths of it.",
    )  # fmt: skip
    slot: Value = quantity(
        "Slot takes up belt by", "length", 0.005, 0.3, group="Belt", when=SLOTTED, help="From fit to tight: 25 to 40 mm."
    )  # fmt: skip
    owned: Value | None = quantity(
        "The one I have, effective length", "length", 0.3, 5.0, group="Belt", spread="exact",
        help="Printed on its back: 6PK 1515.",
    )  # fmt: skip


WAYS: Mapping[str, Way] = {
    "section": Way("hand", "Ribs along it, or one wedge."),
    "ribs": Way("hand", "Counted."),
    "tension": Way("hand", "A span plucked, a telephone listening: its note tells."),
    "grip": Way("papers", "Its maker's; wet or glazed four tenths less."),
    "slot": Way("hand", "A string round the route, accessory right in, then right out."),
    "owned": Way("papers", "Printed on its back, in mm."),
}

BELT = Kind("belt", "Belt", BeltFacts, WAYS)
