"""A small control that an engine or a gearbox wants: what works it, and whether the machine has that."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Small control"


@dataclass(frozen=True)
class What:
    """What a small control is for, by what it is usually worked, and what goes wrong without it (common practice)."""

    label: str
    by: str
    without: str


WHATS: Mapping[str, What] = {
    "kickdown": What(
        "kickdown", "cable", "gears change at the wrong load: an automatic without its cable set burns its clutches"
    ),
    "modulator": What("gearbox's vacuum modulator", "vacuum", "it changes late and hard"),
    "lockup": What("converter lock-up", "signal", "the converter slips for good and its oil boils on a long road"),
    "cruise": What("cruise control", "signal", "it does without"),
    "choke": What("choke or cold start", "cable", "it does not start cold"),
    "idle_up": What("idle raised with air-conditioning", "signal", "it dies with the compressor in"),
    "stop": What("stop cable or solenoid of a diesel", "cable", "it cannot be stopped"),
    "hand": What("hand throttle", "cable", "nothing holds its working speed"),
    "axle": What("front axle or low range engaged", "vacuum", "the second axle stays out"),
}
BYS: Mapping[str, str] = {
    "cable": "a cable's travel",
    "vacuum": "vacuum",
    "signal": "a signal or a switched supply",
    "computer": "a computer of its own",
}
HAS: Mapping[str, str] = {"yes": "the machine has it", "no": "it has not", "without": "done without on purpose"}
CABLE, VACUUM = ("by", ("cable",)), ("by", ("vacuum",))


@dataclass(frozen=True)
class AidFacts:
    """A small control. SI."""

    what: str | None = choice("It is", {k: v.label for k, v in WHATS.items()}, needed=True, group=GROUP)
    by: str = choice("Worked by", BYS, group=GROUP)
    has: str | None = choice("That", HAS, needed=True, group=GROUP)
    wants: Value | None = quantity(
        "Travel it wants", "size", 0.002, 0.2, group=GROUP, when=CABLE, help="Idle to full throttle."
    )
    gets: Value | None = quantity("Travel it gets", "size", 0.0, 0.2, group=GROUP, when=CABLE)
    depth: Value | None = quantity("Vacuum it wants", "pressure_difference", 1e3, 99e3, group=GROUP, when=VACUUM)


WAYS: Mapping[str, Way] = {
    "wants": Way("papers", "The gearbox's or the maker's sheet; or its lever from stop to stop."),
    "gets": Way("above", "A rule at its end, a helper from idle to full throttle."),
    "depth": Way("papers", "Its maker's sheet; 40 kPa will do for most."),
}

AID = Kind("aid", "Small control", AidFacts, WAYS)
