"""What gauges would read in some conditions, for any values of the factors: the build's own model, once for all of them."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.errors import CoreError
from gauge_well.core.fitted.factors import scaled
from gauge_well.core.run.contexts import make_context
from gauge_well.core.systems.cooling import gauge, model
from gauge_well.core.systems.oil import judge, warmth
from gauge_well.core.typing import Array, as_array

WHATS = {"coolant": "Coolant, steady", "outlet": "Radiator's outlet, steady", "oil": "Oil temperature, steady"}


@dataclass(frozen=True)
class Condition:
    """What the engine did while it was read: power [W], speed [rev/min], air over the core [m/s], air outside [K], height [m]."""

    power: float
    engine_speed: float
    air_speed: float
    ambient: float
    altitude: float = 0.0


@dataclass(frozen=True)
class Reading:
    """One reading: what was read, its value [K], its gauge's half-range [K], 95 %, in a condition, steady and the thermostat open."""

    id: str
    what: str
    value: float
    half: float
    condition: Condition

    def __post_init__(self) -> None:
        if self.what not in WHATS:
            raise CoreError("no_reading", "what", self.what, ", ".join(WHATS), "There is no such reading.")
        if not self.half > 0.0:
            raise CoreError("half", "half", self.half, "over nought", "A gauge without an error says all.")


def _duty(k: int, c: Condition) -> tuple[str, DutyFacts]:
    facts = DutyFacts(
        name=f"Reading {k + 1}", kind="typed", engine_power=c.power, engine_speed=c.engine_speed, air_speed=c.air_speed,
        ambient=c.ambient, altitude=c.altitude, start="warm", air_conditioning="no", braking=0.0, cornering=0.0, pulling=0.0,
        heel=0.0,
    )  # fmt: skip
    return f"reading_{k}", facts


def predict(case: BuildCase, readings: Sequence[Reading], theta: Array) -> Array:
    """What each reading would be (sample, reading) [K] at values of the factors (sample, factor).

    Raises
    ------
    MissingFact
        Where engine, cooling or oil are not known enough.
    """
    conditions = list(dict.fromkeys(r.condition for r in readings))
    own, doubts = scaled(case, theta)
    own = replace(own, duties=tuple(_duty(k, c) for k, c in enumerate(conditions)))
    context, _ = make_context(own, doubts=doubts, columns=len(theta))
    shape = (len(conditions), len(theta))
    rows: dict[str, Array] = {}
    facts = own.systems["cooling"]
    cooling = model.prepare(context, model.plant_of(context, facts))
    shown = gauge.shown(cooling, model.heat_made(context, cooling, context.mean))
    coolant = np.broadcast_to(shown.steady, (1, *shape))
    rows["coolant"] = coolant[0]
    if any(r.what == "outlet" for r in readings):
        on = model.pick_fan(cooling.airs, -1)
        off = model.pick_fan(cooling.airs, 0)
        core = [gauge.core_shed_at(cooling, coolant, a) for a in (off, on)]
        share = np.broadcast_to(shown.fan_share, coolant.shape)
        flow = cooling.plant.loop.radiator_flow(cooling.plant.lift(coolant))
        fluid = cooling.plant.fluid
        rate = np.maximum(flow * fluid.capacity_rate / np.maximum(cooling.plant.flow, 1e-9), 1e-3)
        rows["outlet"] = np.broadcast_to(coolant - (core[0] + share * (core[1] - core[0])) / rate, (1, *shape))[0]
    if any(r.what == "oil" for r in readings):
        oil = own.systems["oil"]
        ways = replace(warmth.ways_out(context, oil, judge.pan_or_none(oil)), coolant=coolant)
        rows["oil"] = np.broadcast_to(warmth.temperature(ways, context.mean.heat_to_oil), (1, *shape))[0]
    at = {c: k for k, c in enumerate(conditions)}
    return as_array(np.stack([rows[r.what][at[r.condition]] for r in readings], axis=1))
