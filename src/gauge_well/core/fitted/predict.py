"""What gauges would read in some conditions, for any values of the factors: the build's own model, once for all of them."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import need
from gauge_well.core.fitted.factors import Factor, scaled
from gauge_well.core.media import oils
from gauge_well.core.run.contexts import make_context
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import afloat, gauge, model
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.oil import judge, warmth
from gauge_well.core.typing import Array, as_array, likely

WHATS: Mapping[str, str] = {
    "coolant": "Coolant",
    "outlet": "Leaving the radiator or exchanger",
    "oil": "Oil temperature",
}
HALVES: Mapping[str, float] = {"coolant": 3.0, "outlet": 4.0, "oil": 4.0}  # K of a usual gauge, 95 % (common practice)
THERMOSTAT = 3.0  # K that a thermostat is off by, 95 %: the tolerance of a sheet
STORED = 36.0  # K for each K/s: a quarter of what is stored, over a time constant of some two and a half minutes
HELD_OVER = 3.0  # K over its thermostat that a boat's coolant is held at


@dataclass(frozen=True)
class Reading:
    """One reading: what was read, its value [K], its gauge's half-range [K], 95 %, and what the machine did.

    ``rises``: how fast it moved [K/s], and ``coolant_rises`` the coolant with it; nought where nothing moved.
    """

    id: str
    what: str
    value: float
    half: float
    doing: DutyFacts
    rises: float = 0.0
    coolant_rises: float = 0.0

    def __post_init__(self) -> None:
        if self.what not in WHATS:
            raise CoreError("no_reading", "what", self.what, ", ".join(WHATS), "There is no such reading.")
        if not self.half > 0.0:
            raise CoreError("half", "half", self.half, "over nought", "A gauge without an error says all.")


def predict(case: BuildCase, readings: Sequence[Reading], factors: Sequence[Factor], theta: Array) -> Array:
    """What each reading would be (sample, reading) [K] at values of the factors (sample, factor).

    Raises
    ------
    MissingFact
        Where engine, cooling or oil are not known enough.
    """
    doings = list(dict.fromkeys((r.doing, r.coolant_rises) for r in readings))
    own, doubts = scaled(case, factors, theta)
    own = replace(own, duties=tuple((f"reading_{k}", duty) for k, (duty, _) in enumerate(doings)), measured=None)
    # The number of draws is asked for even where nothing is drawn in them.
    context, missing = make_context(own, doubts=doubts or {"none": np.ones(1)}, columns=len(theta))
    if missing:
        raise MissingFact(next(iter(missing.values())).rpartition(".")[2])
    shape = (len(doings), len(theta))
    whats = {r.what for r in readings}
    cool = _afloat if own.machine.kind == "boat" else _ashore
    rises = np.array([rate for _, rate in doings]).reshape(1, -1, 1)
    oil = _oil_capacity(own, context)
    coolant, outlet = cool(context, own.systems["cooling"], whats, Rising(rises, oil))
    rows: dict[str, Array] = {"coolant": np.broadcast_to(coolant, (1, *shape))[0]}
    if outlet is not None:
        rows["outlet"] = np.broadcast_to(outlet, (1, *shape))[0]
    at = {key: k for k, key in enumerate(doings)}
    if "oil" in whats:
        rows |= _oil(own, context, coolant, oil, readings, at, shape)
    keys = [r.id if r.what == "oil" else r.what for r in readings]
    return as_array(
        np.stack([rows[k][at[r.doing, r.coolant_rises]] for k, r in zip(keys, readings, strict=True)], axis=1)
    )


Key = tuple[DutyFacts, float]


@dataclass(frozen=True)
class Rising:
    """How fast the coolant rises in each condition [K/s], and the oil beside it: it follows the coolant within a minute or two, and
    stores its own (``oil`` [J/K])."""

    rate: Array
    oil: Array

    def stores(self, metal: Array, liquid: Array) -> Array:
        """Heat that metal, coolant and oil take up [W]."""
        return np.asarray((metal + liquid + self.oil) * self.rate)


def _oil_capacity(case: BuildCase, context: Context) -> Array:
    """Of the oil and of what is warmed with it [J/K]; nought where nobody knows how much there is."""
    quantity = case.systems["oil"].oil_quantity
    if quantity is None:
        return as_array(0.0)
    capacity = as_array(quantity) * oils.density(oils.T_100) * oils.HEAT_CAPACITY
    return np.asarray(capacity + warmth.WITH_OIL * context.engine.body_capacity)


def _oil(
    case: BuildCase,
    context: Context,
    coolant: Array,
    capacity: Array,
    readings: Sequence[Reading],
    at: Mapping[Key, int],
    shape: tuple[int, int],
) -> dict[str, Array]:
    """Oil of each of its readings, by the reading's id: it stores what it rises by."""
    facts = case.systems["oil"]
    ways = replace(warmth.ways_out(context, facts, judge.pan_or_none(facts)), coolant=coolant)
    made = np.broadcast_to(context.mean.heat_to_oil, (1, *shape))
    found: dict[str, Array] = {}
    by_rate: dict[float, Array] = {}
    for reading in readings:
        if reading.what != "oil":
            continue
        if reading.rises not in by_rate:
            heat = made - capacity * reading.rises
            by_rate[reading.rises] = np.broadcast_to(warmth.temperature(ways, heat), (1, *shape))[0]
        found[reading.id] = by_rate[reading.rises]
    return found


def _ashore(context: Context, facts: CoolingFacts, whats: set[str], rises: Rising) -> tuple[Array, Array | None]:
    """Coolant as the thermostat and the fan leave it, and what leaves the core; what rises [K/s] stores heat in metal and coolant."""
    cooling = model.prepare(context, model.plant_of(context, facts))
    stored = rises.stores(cooling.plant.metal, cooling.plant.liquid)
    made = np.maximum(model.heat_made(context, cooling, context.mean) - stored, 1.0)
    shown = gauge.shown(cooling, made)
    if "outlet" not in whats:
        return shown.steady, None
    coolant, plant = shown.steady, cooling.plant
    off, on = (gauge.core_shed_at(cooling, coolant, model.pick_fan(cooling.airs, k)) for k in (0, -1))
    flow = plant.loop.radiator_flow(plant.lift(coolant))
    rate = np.maximum(flow * plant.fluid.capacity_rate / np.maximum(plant.flow, 1e-9), 1e-3)
    return coolant, coolant - (off + shown.fan_share * (on - off)) / rate


def _afloat(context: Context, facts: CoolingFacts, whats: set[str], rises: Rising) -> tuple[Array, Array | None]:
    """Coolant where the exchanger sheds what is made, held up by its thermostat; and what leaves the exchanger."""
    found = afloat.solved(context, facts)
    stored = rises.stores(found.plant.metal, found.plant.liquid)
    made = np.maximum(afloat.heat_made(context, found.plant.limit, context.mean) - stored, 1.0)
    free = found.sink + made / found.conductance
    coolant = np.maximum(free, found.plant.thermostat + HELD_OVER)
    if "outlet" not in whats:
        return coolant, None
    shed = made + found.pull * (found.plant.limit - coolant)
    return coolant, np.asarray(coolant - shed / found.coolant_rate)


def widened(case: BuildCase, reading: Reading) -> float | None:
    """A reading's half-range [K]: its gauge's, what is doubtful of the heat that is stored, and its thermostat's own while that is
    not wide open; None where it is as good as shut: what is read then is the thermostat."""
    opens = likely(need(case.engine.thermostat, "engine.thermostat"))
    half = float(np.hypot(reading.half, STORED * abs(reading.rises)))
    if reading.what != "coolant":
        return half
    if reading.value < opens + model.OPENS_OVER:
        return None
    return half if reading.value >= opens + model.THERMOSTAT_RANGE else float(np.hypot(half, THERMOSTAT))
