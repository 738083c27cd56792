"""Fuel over the whole speed range at full load: what is burned, what the pumps give, how long injectors open; other
fuels at the same power; starting from cold."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from typing import Any

import numpy as np

from gauge_well.core.engine.model import Operation, operate
from gauge_well.core.facts import with_facts
from gauge_well.core.media import fuels
from gauge_well.core.media.fuels import FUELS, Fuel, blend
from gauge_well.core.sizes import INJECTORS
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fuel import guard
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel.circuit import Circuit, asked_pressure, demand, has_injectors
from gauge_well.core.systems.fuel.network import missing_of, network_of
from gauge_well.core.typing import duty_value, likely

SPEEDS = 41
UNIT = 1e-5  # m3/s, an injector to scale from
BLENDS = (0.0, 0.10, 0.25, 0.51, 0.70, 0.85, 1.0)
WINTER = 1.5  # times the usual Reid pressure, of winter grades (common practice)
VOLTS = (8.0, 10.0, 12.0, 13.5, 14.5)


@dataclass(frozen=True)
class SizeRow:
    """An injector as sold [m3/s]: share of the cycle where most is asked, opening at idle [s]."""

    size: float
    share: float
    open: float


@dataclass(frozen=True)
class OtherFuel:
    """A fuel for the same power: volume over what is burned now, what that asks; ``now``: the one in the tank."""

    name: str
    now: bool
    ratio: float
    flow: float
    injector: float | None
    air: float
    starts: float


@dataclass(frozen=True)
class ColdStart:
    """Coldest start of the fuel in the tank, and of its winter grade [K]."""

    least: float
    winter: float


@dataclass(frozen=True)
class IdleOpening:
    """How long the set opens at idle [s], the least that is steady, the largest injector that keeps to it [m3/s]."""

    open: float
    least: float
    largest: float


@dataclass(frozen=True)
class DeadTime:
    """Dead time [s] at volts."""

    volts: float
    time: float


@dataclass(frozen=True)
class InjectorsOverSpeed:
    """How long injectors open over speed, as shares of the cycle; pressure across them [Pa]; where a rail is cut [Pa]."""

    share: Sequence[float]
    dead: Sequence[float]
    ceiling: float
    idle: IdleOpening
    pressure: Sequence[float]
    dead_times: Sequence[DeadTime]
    cut: float


@dataclass(frozen=True)
class SpeedView:
    """Fuel over the speed range at full load in one duty's air; flows [m3/s]. ``able``: what the pumps give."""

    speed: Sequence[float]
    burned: Sequence[float]
    asked: Sequence[float]
    able: Sequence[float] | None
    lifted: Sequence[float] | None
    sizes: Sequence[SizeRow]
    injectors: InjectorsOverSpeed | None
    fuels: Sequence[OtherFuel]
    cold: ColdStart | None


def show(context: Context, circuit: Circuit, index: int, options: Options) -> SpeedView:
    """Curves over engine speed in one duty's air; flows [m3/s], shares."""
    engine, case = context.engine, context.duties.cases[index]
    low = likely(engine.facts.idle_speed)
    high = likely(engine.facts.limit_speed)
    speed = np.linspace(1.1 * low, high, SPEEDS)[None, :, None]
    able = context.wanted * engine.breathing(case.ambient, case.pressure)
    op = operate(engine, context.wanted, engine.full_load_power(speed, able), speed, case.ambient, case.pressure)

    def line(value: Any) -> list[float]:
        return [float(x) for x in np.broadcast_to(value, speed.shape)[0, :, 0]]

    taken = demand(op, circuit)
    able_flow = lifted = None
    if not missing_of(circuit):
        network = network_of(context, circuit, speed)
        able_flow = line(network.point(taken, asked_pressure(circuit, op)).able)
        lifted = None if network.lift is None else line(network.lift.able(0.0))
    return SpeedView(
        speed=line(speed),
        burned=line(taken * circuit.fact("burned_share")),
        asked=line(circuit.with_reserve(taken)),
        able=able_flow,
        lifted=lifted,
        sizes=_sizes(context, circuit, index) if circuit.way.injectors else [],
        injectors=_injectors(context, circuit, op, index, line) if has_injectors(circuit) else None,
        fuels=_fuels(context, circuit, index),
        cold=_cold(context, circuit, index),
    )


def _injectors(
    context: Context, circuit: Circuit, op: Operation, index: int, line: Callable[[Any], list[float]]
) -> InjectorsOverSpeed:
    found = inj.injectors(context, circuit, op)
    idle = inj.idle_pulse(context, circuit)
    return InjectorsOverSpeed(
        share=line(np.minimum(found.share, 9.99)),
        dead=line(found.dead_share),
        ceiling=circuit.ceiling,
        idle=IdleOpening(
            open=duty_value(idle.open, index),
            least=likely(idle.least),
            largest=duty_value(idle.largest, index),
        ),
        pressure=line(found.pressure),
        dead_times=[DeadTime(v, likely(inj.dead_time(circuit, v))) for v in VOLTS],
        cut=duty_value(guard.cut_pressure(circuit, context.peak), index),
    )


def _sizes(context: Context, circuit: Circuit, index: int) -> list[SizeRow]:
    """Injectors as sold round the smallest that serves every duty: share of the cycle where most is asked, opening at
    idle. Both go as one over the size."""
    one = replace(circuit, facts=with_facts(circuit.facts, {"injectors.flow": UNIT, "staged.flow": None}))
    peak = inj.injectors(context, one, context.peak)
    shares = np.broadcast_to(peak.share - peak.dead_share, peak.share.shape)[0, :, 0]
    worst = int(np.argmax(np.broadcast_to(peak.share, peak.share.shape)[0, :, 0]))
    dead = duty_value(peak.dead_share, worst)
    opening = duty_value(inj.idle_pulse(context, one).open, index)
    rows = [SizeRow(size, float(shares[worst]) * UNIT / size + dead, opening * UNIT / size) for size in INJECTORS]
    first = next((i for i, row in enumerate(rows) if row.share <= circuit.ceiling), len(rows) - 1)
    return rows[max(first - 1, 0) : first + 3]


def _fuels(context: Context, circuit: Circuit, index: int) -> list[OtherFuel]:
    """Volume of each fuel for the same power at equal efficiency, over what is burned now."""
    now = circuit.fuel
    if not now.spark or now.gas:
        return []
    flow = duty_value(context.peak.fuel_mass_flow / now.density, index)
    lift = circuit.facts.injectors.flow
    listed: list[Fuel] = [*(blend(share) for share in BLENDS), FUELS["methanol"]]
    found = []
    for fuel in listed:
        ratio = now.lhv * now.density / (fuel.lhv * fuel.density)
        found.append(
            OtherFuel(
                name=fuel.label,
                now=abs(fuel.lhv - now.lhv) < 0.02 * now.lhv,
                ratio=ratio,
                flow=flow * ratio,
                injector=None if lift is None else likely(lift) * ratio,
                air=fuel.stoichiometric_air_ratio,
                starts=likely(fuels.coldest_start(fuel, context.duties.cases[index].pressure)),
            )
        )
    return found


def _cold(context: Context, circuit: Circuit, index: int) -> ColdStart | None:
    """Coldest start of the fuel in the tank; None where vapour does not decide it."""
    if circuit.fuel.lean_limit <= 0.0:
        return None
    pressure = context.duties.cases[index].pressure
    least = likely(fuels.coldest_start(circuit.fuel, pressure, circuit.facts.reid_pressure))
    # A winter grade is sold with more light ends; pure fuels are what they are.
    winter = (
        likely(fuels.coldest_start(circuit.fuel, pressure, WINTER * circuit.fuel.rvp))
        if circuit.fuel.rvp_true > 1.0
        else least
    )
    return ColdStart(least, winter)
