"""One pin of an engine computer: what it is for, where its signal comes from, how it stands."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.electrical.signals import SIGNALS
from gauge_well.core.facts import Kind, choice, text

GROUP = "Pin"
REAL, MIMICKED, DROPPED, STAND, MISSING = "real", "mimicked", "dropped", "stand", "missing"
SOURCES: Mapping[str, str] = {
    REAL: "the real thing",
    MIMICKED: "made up, by a resistor or a box",
    DROPPED: "programmed out",
    STAND: "a fuse or a wire in its place, on the stand",
    MISSING: "nothing: it is not there",
}
STATES: Mapping[str, str] = {"works": "works", "untested": "untested", "broken": "does not"}
CONTROLLERS: Mapping[str, str] = {"first": "the engine's own", "second": "the other beside it"}


@dataclass(frozen=True)
class SignalFacts:
    """What it is, where from, how it stands, its pin."""

    what: str | None = choice("It is", {k: v.label for k, v in SIGNALS.items()}, needed=True, group=GROUP)
    source: str | None = choice("Comes from", SOURCES, group=GROUP, help="Nothing said is not known.")
    state: str | None = choice("Proved", STATES, group=GROUP, help="Untested where nothing is said.")
    controller: str = choice("At", CONTROLLERS, group=GROUP)
    plug: str | None = text("Plug", group=GROUP)
    pin: str | None = text("Pin", group=GROUP)
    colour: str | None = text("Wire", group=GROUP, help="Colour, or its mark.")
    says: str | None = text("Called", group=GROUP, help="As its list calls it.")


SIGNAL = Kind("signal", "Pin or signal", SignalFacts, {})
