"""A run of wire with its fuse: what it feeds, how long, how thick, how it lies."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.electrical.wires import PLACES
from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.parts.load import WHATS
from gauge_well.core.typing import Value

BACK: Mapping[str, str] = {"wire": "by a wire as long", "body": "through the body"}
RELAYS: Mapping[str, str] = {"relay": "a relay", "switch": "a switch", "none": "nothing: always on"}


@dataclass(frozen=True)
class RunFacts:
    """Load, length, area, bundle, heat, fuse. SI."""

    feeds: str | None = choice("Feeds", {k: v.label for k, v in WHATS.items()}, needed=True, group="Run")
    amps: Value | None = quantity(
        "Amps in it", "current", 0.01, 600.0, group="Run", help="By the loads stated, where this is not."
    )
    length: Value | None = quantity(
        "Length one way", "length", 0.1, 40.0, needed=True, group="Run", help="With slack for a service loop."
    )
    area: Value | None = quantity("Wire size", "wire_area", 0.2e-6, 150e-6, needed=True, group="Run")
    back: str = choice("Goes back", BACK, group="Run")
    bundle: Value = quantity("Loaded wires in its bundle", "count", 1.0, 60.0, group="Run", spread="exact")
    lies: str = choice("Lies in", {k: v.label for k, v in PLACES.items()}, group="Run")
    connector: Value | None = quantity(
        "Its weakest plug bears",
        "current",
        0.5,
        600.0,
        group="Run",
        spread="exact",
        help="By its maker, for good and warm.",
    )
    fuse: Value | None = quantity("Fuse", "current", 0.5, 600.0, group="Run", spread="exact")
    fuse_from: Value | None = quantity("Fuse from its source", "length", 0.0, 10.0, group="Run")
    switched: str = choice("Switched by", RELAYS, group="Run")


WAYS: Mapping[str, Way] = {
    "amps": Way("running", "A clamp meter round it, all on."),
    "length": Way("under", "A string along the way it goes, and a hand more."),
    "area": Way("hand", "Read on the sheath; or a calliper on the bared strands' bundle."),
    "bundle": Way("hand", "Counted; signal wires do not count."),
    "connector": Way("papers", "Its maker's figure for good, at 80 °C."),
    "fuse": Way("papers", "Printed on it."),
    "fuse_from": Way("above", "Along the wire, from the post or the busbar."),
}

RUN = Kind("run", "Run of wire", RunFacts, WAYS)
