"""The knob in plan: where it stands in every gear, what is round it, where the gearbox puts it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.controls import checks_hands, model
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.systems.controls.facts_hands import SHIFTERS
from gauge_well.core.typing import likely, likely_or_none


@dataclass(frozen=True)
class KnobPlace:
    """A gear: knob's middle forward and right of neutral [m], its least room and to what."""

    gear: str
    ahead: float
    right: float
    room: float | None
    against: str


@dataclass(frozen=True)
class ShifterView:
    """How it is shifted; lever over selector, knob's throw [m]; gears; gaps round neutral [m]: ahead, behind, left, right; how far off
    the gearbox puts it: behind and left [m]; rock at its rods against what a detent holds [m]."""

    by: str
    ratio: float | None
    throw: float | None
    gears: Sequence[KnobPlace]
    ahead: float | None
    behind: float | None
    left: float | None
    right: float | None
    off_behind: float | None
    off_left: float | None
    jumps: float | None
    detent: float | None
    knuckles: float


def show(context: Context, facts: ControlsFacts, options: Options) -> ShifterView:
    """Likely values."""
    found = model.shifted(context, facts)
    gaps = model.knob_gaps(context, facts)
    gears = []
    if found.throw is not None:
        for gear, gate, ahead in model.knob_places(round(likely(facts.gears))):
            own = sorted((g for g in gaps if g.gear == gear), key=lambda g: likely(g.left))
            gears.append(
                KnobPlace(
                    gear,
                    ahead * likely(found.throw),
                    gate * likely(facts.gate),
                    likely(own[0].left) if own else None,
                    own[0].against if own else "",
                )
            )
    jumps = model.rod_jumps(context, facts)
    detent = None if facts.throw is None else checks_hands.DETENT * likely(facts.throw)
    return ShifterView(
        SHIFTERS[facts.shifter], likely_or_none(found.ratio), likely_or_none(found.throw), gears, likely_or_none(facts.ahead_gap), likely_or_none(facts.behind_gap), likely_or_none(facts.left_gap),
        likely_or_none(facts.right_gap), likely_or_none(found.behind), likely_or_none(found.left), likely_or_none(jumps), detent, checks_hands.KNUCKLES,
    )  # fmt: skip
