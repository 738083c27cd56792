"""A scavenge pump: stages that draw a dry sump empty."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class ScavengeFacts:
    """How many stages, what each moves. SI."""

    stages: Value | None = quantity(
        "Scavenge stages",
        "count",
        1,
        6,
        needed=True,
        group="Dry sump",
        spread="exact",
        help="The pressure one not counted.",
    )
    displacement: Value | None = quantity("Each, each turn", "swept", 1e-6, 2e-4, needed=True, group="Dry sump")
    ratio: Value | None = quantity("Its turns for each of the crank", "ratio", 0.2, 2.0, group="Dry sump")


WAYS: Mapping[str, Way] = {
    "displacement": Way("papers", "Its sheet; or one slow turn caught in a glass."),
    "ratio": Way("hand", "Teeth of the crank's pulley over the pump's."),
}

SCAVENGE = Kind("scavenge", "Scavenge pump", ScavengeFacts, WAYS)
