"""What the machine's loads ask of a belt, stated or not: ribs at idle, the alternator's pulley, a length."""

from __future__ import annotations

import numpy as np

from gauge_well.core.duty.model import ALTERNATOR_EFFICIENCY
from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.parts.pulley import FREE, WHATS
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.belts import way as ways
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.grip import charge_of, follows, full_power, ribs_for
from gauge_well.core.typing import as_array, likely

RATIO_MOST = 3.0  # alternator turns to one of the crank, usual at most (common practice)
USUAL_CRANK = 0.14  # m of crank pulley on a 2 L engine (common practice)


def crank_of(context: Context, facts: BeltsFacts) -> tuple[float, bool]:
    """The crank pulley [m], and whether it is stated; else as engines of its size have."""
    for _, pulley in facts.pulleys:
        if pulley.what == "crank" and pulley.diameter is not None:
            return likely(pulley.diameter), True
    return USUAL_CRANK * (likely(context.engine.displacement) / 2e-3) ** (1.0 / 3.0), False


def needs(context: Context, facts: BeltsFacts) -> list[Need]:
    """Nothing where it has no belt."""
    if facts.count == "none":
        return []
    crank, stated = crank_of(context, facts)
    return [_ribs(context, facts, crank, stated), *_alternator(context, crank, stated), *_lengths(context, facts)]


def idle_power(context: Context, facts: BeltsFacts) -> float:
    """What the stated pulleys take at idle [W]; of none stated the alternator's."""
    idle = as_array(likely(context.engine.facts.idle_speed) / likely(context.engine.rated_speed))
    first = [p for _, p in facts.pulleys if p.on == "first" and p.what not in (None, "crank", *FREE)]
    charge = charge_of(context)
    if not first:
        return likely(charge) / ALTERNATOR_EFFICIENCY
    return sum(likely(full_power(context, p, charge)) * float(follows(p.what or "other", idle)) for p in first)


def _ribs(context: Context, facts: BeltsFacts, crank: float, stated: bool) -> Need:
    power = idle_power(context, facts)
    ribs = max(np.ceil(ribs_for(context, power, crank) - 1e-9), 3.0)
    words = "{power} off the crank at idle ask {ribs} ribs at half a turn's wrap; three at the least."
    if not stated:
        words += " Taken: a crank pulley of {crank}, as engines of its size have."
    values = {"power": (power, "power"), "ribs": (float(ribs), "count"), "crank": (crank, "size")}
    return Need("first", "belt_ribs", float(ribs), "count", Sentence(words, values))


def _alternator(context: Context, crank: float, stated: bool) -> list[Need]:
    limit = likely(context.engine.facts.limit_speed)
    ratio = min(WHATS["alternator"].most / limit, RATIO_MOST)
    cord = SECTIONS["ribbed"].cord
    size = (crank + 2.0 * cord) / ratio - 2.0 * cord
    words = "At {limit} an alternator that may turn {most} goes {ratio} times as fast as the crank at most: no pulley under {size} on it."
    values = {
        "limit": (limit, "speed_rpm"), "most": (WHATS["alternator"].most, "speed_rpm"), "ratio": (ratio, "ratio"),
        "size": (size, "size"),
    }  # fmt: skip
    if not stated:
        words += " Taken: a crank pulley of {crank}."
        values["crank"] = (crank, "size")
    return [Need("first", "alternator_pulley", size, "size", Sentence(words, values))]


def _lengths(context: Context, facts: BeltsFacts) -> list[Need]:
    found = []
    for way in ways.ways(context, facts):
        window = ways.window(way) if way.closes else None
        if window is None:
            continue
        low, high = likely(window[0]), likely(window[1])
        lengths = ways.sold(low, high)
        if not lengths:
            continue
        pick = lengths[len(lengths) // 2]
        words = f"{way.said.capitalize()}: {{low}} to {{high}} effective length serve new and worn; {{pick}} lies in the middle."
        values = {"low": (low, "length"), "high": (high, "length"), "pick": (pick, "length")}
        found.append(
            Need(way.place, f"{way.place}_belt_length", pick, "length", Sentence(words, values), band=(low, high))
        )
    return found
