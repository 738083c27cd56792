"""An alternator: its plate."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

PLATES: Mapping[str, str] = {"1500": "1,500 rpm of its rotor", "1800": "1,800 rpm, an older plate"}


@dataclass(frozen=True)
class AlternatorFacts:
    """Amps at two speeds of its rotor, and how it is driven. SI."""

    full: Value | None = quantity(
        "Full output", "current", 5.0, 600.0, needed=True, group="Alternator", help="The larger figure: 55/110 A."
    )
    low: Value = quantity(
        "Output at low speed", "current", 1.0, 500.0, group="Alternator", help="The smaller: 55/110 A."
    )
    plate: str = choice("That is at", PLATES, group="Alternator")
    cut_in: Value = quantity("Begins to charge at", "speed_rpm", 400.0, 3000.0, group="Alternator")
    hot: Value = quantity("Gives when hot, of its plate", "share", 0.4, 1.0, group="Alternator")
    ratio: Value | None = quantity(
        "Turns to one of the crank", "ratio", 0.5, 6.0, group="Alternator",
        help="By the pulleys under Belts where they are stated.",
    )  # fmt: skip


WAYS: Mapping[str, Way] = {
    "full": Way("papers", "On its plate: 14 V 55/110 A."),
    "low": Way("papers", "On its plate, the smaller figure."),
    "plate": Way("papers", "By its standard; plates of before 1990 say 1,800 or nothing."),
    "ratio": Way("above", "Crank pulley over its own, both over the belt."),
}

ALTERNATOR = Kind("alternator", "Alternator", AlternatorFacts, WAYS)
