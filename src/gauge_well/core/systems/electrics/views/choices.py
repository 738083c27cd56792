"""Air-conditioning kept or dropped, steering driven by belt or current, the alternator re-sized: beside each other."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from gauge_well.core.duty.model import ALTERNATOR_EFFICIENCY
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.load import WHATS, LoadFacts
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.systems.electrics.need import SOLD
from gauge_well.core.typing import likely

COMPRESSOR, STEERING = 3000.0, 600.0  # W off the crank at a mean (common practice)


@dataclass(frozen=True)
class ChoiceRow:
    """One way: amps drawn and left over on a wet night idling and under way (below nought: out of the battery), off the crank for
    alternator, steering and air-conditioning under way [W], full output of the alternator that is on it [A]."""

    id: str
    name: str
    idle_draws: float
    idle_left: float
    cruise_draws: float
    cruise_left: float
    crank: float
    full: float


@dataclass(frozen=True)
class ChoicesView:
    """Every way that is a change from what is there; what stands is the first."""

    rows: Sequence[ChoiceRow]
    air_conditioned: bool
    electric_steering: bool


def show(context: Context, facts: ElectricsFacts, options: Options) -> ChoicesView:
    """As it is, then each change alone."""
    if not facts.loads:
        raise MissingFact("electrics.loads")
    if facts.alternator.full is None:
        raise MissingFact("electrics.alternator.full")
    cooled, steered = (any(load.what == what for _, load in facts.loads) for what in ("aircon", "steering"))
    tried: list[tuple[str, str, ElectricsFacts, bool, bool]] = [("now", "as it is", facts, cooled, steered)]
    if cooled:
        tried.append(("no_air", "air-conditioning dropped", _without(facts, "aircon"), False, steered))
    else:
        tried.append(("air", "air-conditioning fitted", _with(facts, "aircon"), True, steered))
    if steered:
        tried.append(("belt", "steering pump on the belt", _without(facts, "steering"), cooled, False))
    else:
        tried.append(("current", "electric steering pump", _with(facts, "steering"), cooled, True))
    full, low = likely(facts.alternator.full), likely(facts.alternator.low)
    for size in [s for s in SOLD if s > full][:2]:
        own = replace(facts.alternator, full=size, low=low * size / full)
        tried.append(
            (f"a{size:.0f}", f"an alternator of {size:.0f} A", replace(facts, alternator=own), cooled, steered)
        )
    return ChoicesView([_row(context, *way) for way in tried], cooled, steered)


def _without(facts: ElectricsFacts, what: str) -> ElectricsFacts:
    return replace(facts, loads=tuple((id, load) for id, load in facts.loads if load.what != what))


def _with(facts: ElectricsFacts, what: str) -> ElectricsFacts:
    amps = WHATS[what].amps / (charging.nominal(facts) / 12.0)
    return replace(facts, loads=(*facts.loads, ("", LoadFacts(what=what, amps=amps, count=1.0))))


def _row(context: Context, id: str, name: str, facts: ElectricsFacts, cooled: bool, steered: bool) -> ChoiceRow:
    found = charging.draws(context, facts)
    slow, _ = charging.slowest(context)
    idle = charging.able(facts, context.engine.facts.idle_speed)
    driven = charging.able(facts, slow)
    assert idle is not None and driven is not None
    night, cruise = (likely(charging.total(found, s)) for s in ("idle_night", "cruise_night"))
    given = min(cruise, likely(driven)) * charging.charging(facts)
    crank = given / ALTERNATOR_EFFICIENCY + (COMPRESSOR if cooled else 0.0) + (0.0 if steered else STEERING)
    full = likely(facts.alternator.full) if facts.alternator.full is not None else 0.0
    return ChoiceRow(id, name, night, likely(idle) - night, cruise, likely(driven) - cruise, crank, full)
