"""Something that stands beside a hot pipe and minds the heat."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

GROUP = "Beside the pipe"


@dataclass(frozen=True)
class What:
    """What can stand there: its usual width [m], the hottest it may be [K], whether it is a plate, whether it holds fuel,
    the gaps a rule of thumb keeps to it bare and shielded [m] (common practice)."""

    label: str
    size: float
    limit: float
    plate: bool = False
    fuel: bool = False
    bare: float = 0.075
    shielded: float = 0.025
    sheet: float = 0.0  # of a plate: conductivity times thickness [W/K]

    @property
    def name(self) -> str:
        """What it is called, without what is said to be among it."""
        return self.label.split(":")[0]


WHATS: Mapping[str, What] = {
    "loom": What("loom", 0.010, 378.15),
    "hot_loom": What("loom in heat-proof sleeve, for 150 °C", 0.012, 423.15),
    "hose": What("hose: coolant, oil, vacuum", 0.030, 398.15),
    "fuel_line": What("fuel line", 0.010, 333.15, fuel=True, bare=0.1, shielded=0.1),
    "brake_line": What("brake or clutch line", 0.006, 393.15),
    "starter": What("starter", 0.080, 393.15),
    "rack": What("steering rack, boots", 0.060, 383.15),
    "cover": What("plastic cover or tank", 0.1, 373.15, plate=True, sheet=0.0006),
    "floor": What("floor under feet", 0.3, 368.15, plate=True, sheet=0.05),
    "tank": What("fuel tank", 0.3, 333.15, plate=True, fuel=True, bare=0.1, shielded=0.1, sheet=0.05),
}


@dataclass(frozen=True)
class Sheet:
    """A heat shield: its label and emissivity (common practice)."""

    label: str
    dull: float


SHIELDS: Mapping[str, Sheet | None] = {
    "none": None,
    "bright": Sheet("one bright sheet between", 0.1),
    "weathered": Sheet("one weathered sheet between", 0.3),
}


@dataclass(frozen=True)
class NeighbourFacts:
    """What it is, where along the pipe and how near. SI."""

    what: str | None = choice("What it is", {k: v.label for k, v in WHATS.items()}, needed=True, group=GROUP)
    along: Value | None = quantity(
        "Along the pipe, from the flange", "length", 0.0, 30.0, needed=True, group=GROUP, help="To where it is nearest."
    )
    gap: Value | None = quantity(
        "Gap, outside to outside", "length", 0.001, 2.0, needed=True, group=GROUP, help="Hot, rocking, at its nearest."
    )
    shield: str | None = choice(
        "Shield",
        {k: "none" if v is None else v.label for k, v in SHIELDS.items()},
        group=GROUP,
        help="None where nothing is said.",
    )
    size: Value | None = quantity("Its width", "length", 0.001, 2.0, group=GROUP, help="Of a line or loom, across.")
    limit: Value | None = quantity(
        "It may reach", "temperature", 310.0, 700.0, group=GROUP, help="Printed on its sleeve."
    )


WAYS: Mapping[str, Way] = {
    "along": Way("under", "A string along the pipe from the flange."),
    "gap": Way("under", "Stacked drill shanks at the tightest place, the engine levered towards it."),
    "size": Way("under", "Calliper across it."),
}

NEIGHBOUR = Kind("neighbour", "Neighbour of the pipe", NeighbourFacts, WAYS)
