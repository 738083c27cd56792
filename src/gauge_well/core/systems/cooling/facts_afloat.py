"""What is stated of a boat's heat exchanger or keel cooler."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Way, choice, quantity, role
from gauge_well.core.heat.exchanger import PATTERNS
from gauge_well.core.parts.exchanger import EXCHANGER, ExchangerFacts
from gauge_well.core.typing import Value

GROUP = "Heat exchanger"
BY_EXCHANGER, BY_KEEL = ("machine.cooled_by", ("exchanger",)), ("machine.cooled_by", ("keel",))
AFLOAT = ("machine.kind", ("boat",))


@dataclass(frozen=True)
class AfloatFacts:
    """Coolant to raw water, or to the sea itself. SI."""

    exchanger: ExchangerFacts = role(
        EXCHANGER,
        "Heat exchanger",
        row="exchanger",
        group=GROUP,
        asks=("conductance",),
        labels={"conductance": "Heat exchanger's conductance, clean"},
        helps={"conductance": "Its heat over the mean difference of both waters, by its sheet."},
        limits={"conductance": (50.0, 60e3)},
        needs=("conductance",),
        when=BY_EXCHANGER,
        also=AFLOAT,
    )
    exchanger_is: str = choice(
        "It is made of", {k: v[0] for k, v in PATTERNS.items()}, group=GROUP, when=BY_EXCHANGER, also=AFLOAT
    )
    fouled: Value = quantity(
        "Of that left, fouled as it runs",
        "share",
        0.1,
        1.0,
        group=GROUP,
        when=BY_EXCHANGER,
        also=AFLOAT,
        spread="share",
    )
    keel_area: Value | None = quantity(
        "Keel cooler's outside",
        "area",
        0.02,
        60.0,
        group=GROUP,
        when=BY_KEEL,
        also=AFLOAT,
        help="Pipes' or skin's wetted side.",
    )
    keel_painted: str = choice("It is painted or grown over", YES_NO, group=GROUP, when=BY_KEEL, also=AFLOAT)


WAYS: Mapping[str, Way] = {
    "exchanger.conductance": Way(
        "papers",
        "The maker's heat over the mean difference of both waters; or flows and four temperatures at full revs.",
    ),
    "fouled": Way("running", "Both waters' temperatures now against when it was clean, at the same revs."),
    "keel_area": Way("under", "Pipes: 3.14 x diameter x length; a skin tank: length x width."),
}
