"""What draws in each state against what the alternator gives there, and what the battery makes up."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.electrical import alternator, battery
from gauge_well.core.parts.load import STATES, WHATS, LoadFacts
from gauge_well.core.reads import CHARGE, FAN_DROP, FANS_DRAW, FANS_FULL, SAG
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import runs
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, Value, as_array, likely

CHARGING = 13.8  # V of a 12 V system that is charged (common practice)
STANDING = ("idle", "idle_night")
RUNNING = ("idle", "idle_night", "cruise", "cruise_night")
IDLES = 1.1  # times its idle, up to which an engine counts as idling
FED_BACK = 0.2  # V between what was handed on and what comes out, that are worth a word


def nominal(facts: ElectricsFacts) -> float:
    """12 or 24 V."""
    return float(facts.system)


def charging(facts: ElectricsFacts) -> float:
    """Volts of the system while charged."""
    return CHARGING * nominal(facts) / 12.0


@dataclass(frozen=True)
class Draw:
    """One thing that draws: amps in each state; ``said`` where its amps are stated."""

    id: str
    name: str
    amps: Mapping[str, Array]


def load_amps(load: LoadFacts, state: str) -> Array:
    """Mean amps of a load in a state."""
    what = WHATS[load.what or "other"]
    usual = what.on[list(STATES).index(state)]
    share = usual if load.share is None or usual == 0.0 else load.share
    return np.asarray(as_array(load.amps) * load.count * share)


def draws(context: Context, facts: ElectricsFacts) -> list[Draw]:
    """All that draws: as stated, and the radiator fans as Cooling runs them where no load says fan."""
    found = [
        Draw(id, WHATS[load.what].label, {s: load_amps(load, s) for s in STATES})
        for id, load in facts.loads
        if load.what is not None
    ]
    fans = context.told(FANS_DRAW)
    if fans is not None and not any(load.what == "fan" for _, load in facts.loads) and float(np.max(fans)) > 0.0:
        found.append(Draw("", "radiator fans, by Cooling", _fans(context, facts, fans)))
    return found


def idling(context: Context) -> NDArray[np.bool_]:
    """Which duties only idle (duty): by their kind, or turned hardly faster."""
    slow = IDLES * likely(context.engine.facts.idle_speed)
    return np.array([c.kind == "idle" or likely(c.engine_speed) <= slow for c in context.duties.cases])


def _fans(context: Context, facts: ElectricsFacts, watts: Array) -> Mapping[str, Array]:
    """Amps of the fans: the worst of standing duties while idling, of the others under way."""
    slow = idling(context)
    amps = np.broadcast_to(watts, (watts.shape[0], len(slow), watts.shape[-1]))[0] / charging(facts)
    none = 0.0 * amps[0]
    # Where no duty stands still, idling is not worse than the worst of them.
    still = amps[slow].max(axis=0) if slow.any() else amps.max(axis=0)
    moving = amps[~slow].max(axis=0) if (~slow).any() else none
    return {s: still if s in STANDING else moving if s.startswith("cruise") else none for s in STATES}


def total(found: Sequence[Draw], state: str) -> Array:
    """Amps of all in a state."""
    return np.asarray(sum((d.amps[state] for d in found), as_array(0.0)))


def rotor(facts: ElectricsFacts, engine_speed: Value) -> Array:
    """Speed of the alternator's rotor [rev/min]."""
    return np.asarray(as_array(engine_speed) * (facts.alternator.ratio if facts.alternator.ratio is not None else 1.0))


def able(facts: ElectricsFacts, engine_speed: Value) -> Array | None:
    """Amps that a hot alternator gives at an engine speed [rev/min]; None where its plate is not stated."""
    own = facts.alternator
    if own.full is None:
        return None
    cold = alternator.gives(rotor(facts, engine_speed), own.low, own.full, float(own.plate), own.cut_in)
    return np.asarray(cold * own.hot)


def capacity(facts: ElectricsFacts) -> Array | None:
    """Charge of all batteries [C]; None where it is not stated."""
    own = facts.battery
    return None if own.capacity is None else np.asarray(as_array(own.capacity) * own.count)


def slowest(context: Context) -> tuple[float, str]:
    """Lowest engine speed of a duty under way [rev/min] and its name; twice idle where there is none."""
    moving = [
        (likely(c.engine_speed), c.name)
        for c, still in zip(context.duties.cases, idling(context), strict=True)
        if not still
    ]
    return min(moving, default=(2.0 * likely(context.engine.facts.idle_speed), "under way"))


def resistance(facts: ElectricsFacts, temperature: Value) -> Array | None:
    """Of all batteries [ohm]; None where their amps are not stated. Two in series make 24 V."""
    own = facts.battery
    if own.amps is None:
        return None
    one = battery.resistance(own.amps, own.standard, temperature)
    return np.asarray(one * (nominal(facts) / 12.0) / own.count)


def volts_short(context: Context, facts: ElectricsFacts, fans: Array | None) -> Array | None:
    """Volts under a charged system's in each duty (1, duty, sample): nothing where the alternator carries all; None where its plate or
    every load is unknown."""
    if facts.alternator.full is None or not facts.loads:
        return None
    speed = context.duties.column("engine_speed")
    gives = able(facts, speed)
    assert gives is not None
    found = [d for d in draws(context, facts) if d.id]
    idles = idling(context)[None, :, None]
    asked = np.where(idles, total(found, "idle_night"), total(found, "cruise_night"))
    if fans is not None and not any(load.what == "fan" for _, load in facts.loads):
        asked = asked + fans / charging(facts)
    short = np.maximum(asked - gives, 0.0)
    own = resistance(facts, battery.WARM)
    sags = short * (as_array(0.01) if own is None else own)
    rests = charging(facts) - battery.OPEN * nominal(facts) / 12.0
    return np.asarray(np.where(short > 0.0, rests + sags, 0.0))


def charges(context: Context, facts: ElectricsFacts) -> Mapping[str, Array]:
    """What the alternator gives at most, idling or under way on a wet night [W], for the belt that turns it; without end where its plate
    or what draws is not known."""
    if facts.alternator.full is None or not facts.loads:
        return {CHARGE: as_array(np.inf)}
    found = draws(context, facts)
    idle, driven = able(facts, context.engine.facts.idle_speed), able(facts, slowest(context)[0])
    assert idle is not None and driven is not None
    given = np.maximum(
        np.minimum(total(found, "idle_night"), np.ravel(idle)),
        np.minimum(total(found, "cruise_night"), np.ravel(driven)),
    )
    return {CHARGE: np.asarray(given * charging(facts))}


def fed_back(context: Context, facts: ElectricsFacts) -> Array | None:
    """Volts in each duty that were handed on too low, with all fans on where they run a share of the time; None where nothing is."""
    handed, own = (
        volts_short(context, facts, context.told(FANS_FULL)),
        volts_short(context, facts, context.told(FANS_DRAW)),
    )
    return None if handed is None or own is None else np.asarray(handed - own)


def sags(context: Context, facts: ElectricsFacts) -> Mapping[str, Array]:
    """What every duty leaves short of a charging alternator's volts, fans all on, and what the fans' own wire costs."""
    none = 0.0 * context.duties.column("engine_speed")
    short = volts_short(context, facts, context.told(FANS_FULL))
    full = charging(facts)
    return {SAG: none if short is None else short / full, FAN_DROP: none + runs.fan_drop(facts) / full}
