"""The intake from outside to the valves: what each place takes, what that and the air's warmth cost, beside what would help."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.facts import with_facts
from gauge_well.core.media import air
from gauge_well.core.sizes import DUCTS
from gauge_well.core.systems.air import intake, warmth
from gauge_well.core.systems.air.facts import DRAWS, AirFacts
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.typing import duty_value, likely, likely_or_none

MORE = 2.0


@dataclass(frozen=True)
class Place:
    """A place on the way in: bore [m], speed [m/s] and what it takes new and at service [Pa]; None where not stated."""

    id: str
    name: str
    bore: float | None
    speed: float | None
    takes: float | None
    service: float | None


@dataclass(frozen=True)
class Helped:
    """A change and the power that it gives back [W]."""

    name: str
    gain: float


@dataclass(frozen=True)
class ChargeView:
    """A boosted charge: temperatures out of the compressor and behind the cooler [K], its pressure over the air outside [Pa],
    speed [m/s], Mach number, what pipes and cooler take [Pa], effectiveness and whether its own core's; bores with the speed each
    would give."""

    hot: float
    cooled: float
    pressure: float
    speed: float | None
    mach: float | None
    lost: float | None
    effectiveness: float
    by_core: bool
    bores: Sequence[float]
    speeds: Sequence[float]
    wanted: float


@dataclass(frozen=True)
class IntakeView:
    """One duty: places in order, totals [Pa], what is allowed [Pa], costs [W]; air outside and as drawn [K]; where it draws."""

    duty: str
    places: Sequence[Place]
    total: float
    service: float
    allowed: float | None
    power: float
    pressure_cost: float
    heat_cost: float
    outside: float
    drawn: float
    draws: str
    draws_stated: bool
    flow: float
    helped: Sequence[Helped]
    charge: ChargeView | None
    idle_angle: float | None


def show(context: Context, facts: AirFacts, options: Options) -> IntakeView:
    """The intake in one duty."""
    index = duty_asked(context, options)
    op = context.peak
    found, space = intake.drawn(context, facts, op), warmth.bay(context, facts, context.mean)

    def pick(value: object) -> float:
        return duty_value(value, index)  # type: ignore[arg-type]

    ambient = pick(context.duties.column("ambient"))
    rho = float(air.density(ambient, pick(context.duties.column("pressure"))))
    flow = pick(op.air_mass_flow) / rho
    count = 1.0 if facts.throttles is None else likely(facts.throttles)
    rows = (
        ("snorkel", "Snorkel or feed", facts.snorkel.bore, 1.0, found.snorkel, found.snorkel),
        ("filter", "Filter", facts.filter.outlet, 1.0, found.filter, found.filter_service),
        ("meter", "Air meter", facts.meter, 1.0, found.meter, found.meter),
        ("pipe", "Intake pipe", facts.pipe.bore, 1.0, found.pipe, found.pipe),
        (
            "throttle",
            "Throttle" if count == 1.0 else f"{count:.0f} throttles",
            facts.throttle,
            count,
            found.throttle,
            found.throttle,
        ),
    )
    places = []
    for id, name, bore, of, new, service in rows:
        if id == "throttle" and not context.engine.fuel.spark:
            continue
        wide = likely_or_none(bore)
        places.append(
            Place(
                id=id,
                name=name,
                bore=wide,
                speed=None if wide is None else flow / (of * np.pi / 4.0 * wide**2),
                takes=None if new is None else pick(new),
                service=None if service is None else pick(service),
            )
        )
    power = pick(op.power)
    warm = warmth.inlet(context, facts, space)
    heat = pick(warmth.heat_cost(context.engine, warm, context.duties.column("ambient"))) * power
    return IntakeView(
        duty=context.duties.cases[index].id,
        places=places,
        total=pick(found.total),
        service=pick(found.service),
        allowed=likely_or_none(facts.allowed),
        power=power,
        pressure_cost=pick(found.cost) * power,
        heat_cost=heat,
        outside=ambient,
        drawn=pick(warm),
        draws=DRAWS[facts.draws or "shielded"][0],
        draws_stated=facts.draws is not None,
        flow=flow,
        helped=_helped(context, facts, space, index),
        charge=_charge(context, facts, index),
        idle_angle=_idle(context, facts, index),
    )


def _helped(context: Context, facts: AirFacts, space: warmth.Bay, index: int) -> list[Helped]:
    """A cold feed against twice the filter, pipes a size up: what each gives back."""

    def costs(own: AirFacts) -> float:
        found = intake.drawn(context, own, context.peak)
        warm = warmth.inlet(context, own, space)
        return duty_value(warmth.power_lost(context, found.cost, warm, context.peak), index)

    now = costs(facts)
    tried: list[tuple[str, AirFacts]] = []
    if facts.draws != "cold":
        tried.append(("a cold feed", replace(facts, draws="cold")))
    if facts.filter.area is not None:
        tried.append(("twice the filter", with_facts(facts, {"filter.area": MORE * likely(facts.filter.area)})))
    for place, bore in (("snorkel", facts.snorkel.bore), ("pipe", facts.pipe.bore)):
        if bore is not None:
            tried.append((f"{place} half as wide again", with_facts(facts, {f"{place}.bore": 1.5 * likely(bore)})))
    if facts.throttle is not None:
        tried.append(("throttle a fifth wider", replace(facts, throttle=1.2 * likely(facts.throttle))))
    return sorted((Helped(name, now - costs(own)) for name, own in tried), key=lambda h: -h.gain)


def _charge(context: Context, facts: AirFacts, index: int) -> ChargeView | None:
    found = intake.charge(context, facts, context.peak)
    if found is None:
        return None
    pressure, hot = duty_value(found.pressure, index), duty_value(found.hot, index)
    flow = duty_value(context.peak.air_mass_flow, index) / float(air.density(hot, pressure))
    bores = [float(b) for b in DUCTS if 0.03 <= b <= 0.12]
    outside = duty_value(context.duties.column("pressure"), index)
    return ChargeView(
        hot=hot,
        cooled=duty_value(found.cooled, index),
        pressure=pressure - outside,
        speed=None if found.speed is None else duty_value(found.speed, index),
        mach=None if found.mach is None else duty_value(found.mach, index),
        lost=None if found.lost is None else duty_value(found.lost, index),
        effectiveness=duty_value(found.effectiveness, index),
        by_core=found.by_core,
        bores=bores,
        speeds=[flow / (np.pi / 4.0 * b**2) for b in bores],
        wanted=intake.CHARGE_SPEED,
    )


def _idle(context: Context, facts: AirFacts, index: int) -> float | None:
    """Angle [rad] at which a throttle lets by what an idling engine burns, with next to nothing behind it."""
    if facts.throttle is None or not context.engine.fuel.spark:
        return None
    idles = [i for i, c in enumerate(context.duties.cases) if c.kind == "idle"]
    slow = idles[0] if idles else int(np.argmin(context.peak.air_mass_flow[..., 0].reshape(-1)))
    wanted = duty_value(context.peak.air_mass_flow, slow)
    count = 1.0 if facts.throttles is None else likely(facts.throttles)
    angles = np.radians(np.linspace(6.0, 80.0, 297))
    t, p = (duty_value(context.duties.column(n), slow) for n in ("ambient", "pressure"))
    lets = count * intake.choked_flow(likely(facts.throttle), angles, t, p)
    return float(np.interp(wanted, lets, angles)) if wanted < lets[-1] else None
