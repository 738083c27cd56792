"""Cables of the controls: those in use, each with the way it has to go."""

from __future__ import annotations

from dataclasses import dataclass

from gauge_well.core.checks import Check, never
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import Value, likely


@dataclass(frozen=True)
class Cable:
    """A cable or a pair: its fact, its check, the row it stands in, its name; sleeve and way [m], None where not stated; what is said, {by}
    how much it is too short."""

    id: str
    check: str
    part: str
    name: str
    long: Value | None
    way: Value | None
    says: str
    danger: bool = False

    @property
    def short(self) -> bool:
        """Whether it does not reach."""
        return self.long is not None and self.way is not None and likely(self.long) < likely(self.way)


def cables(facts: ControlsFacts) -> list[Cable]:
    """Throttle's, clutch's and shifter's, where those are worked by one."""
    found = []
    if facts.throttle != "pedal":
        says = "The cable is {by} too short for its way: it pulls tight, and the throttle with it."
        found.append(
            Cable("cable", "cable_short", "throttle", "Throttle cable", facts.cable, facts.cable_way, says, danger=True)
        )
    if facts.release == "cable":
        says = "The clutch cable is {by} too short for its way."
        found.append(
            Cable(
                "clutch_cable",
                "clutch_cable",
                "clutch_pedal",
                "Clutch cable",
                facts.clutch_cable,
                facts.clutch_way,
                says,
            )
        )
    if facts.shifter == "cables":
        says = "The shift cables are {by} too short for their way."
        found.append(
            Cable("shift_cable", "shift_cable", "shifter", "Shift cables", facts.shift_cable, facts.shift_way, says)
        )
    return found


def too_short(facts: ControlsFacts, part: str) -> list[Check]:
    """A row's cable where it does not reach."""
    return [
        never(
            c.check,
            c.name,
            part,
            c.says,
            code="short_cable",
            danger=c.danger,
            sizes={"by": likely(c.way) - likely(c.long)},
        )
        for c in cables(facts)
        if c.part == part and c.short and c.long is not None and c.way is not None
    ]
