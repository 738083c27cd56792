"""Pump curves against rail and line, the working points at idle and full load, and the catch test."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.evidence import TAPED
from gauge_well.core.parts.pump import Pump, caught
from gauge_well.core.systems.base import Context, Offer, Options
from gauge_well.core.systems.fuel.circuit import Circuit
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.network import Network, Point, downstream_of, network_of, upstream_of
from gauge_well.core.typing import duty_value, likely

POINTS = 61


@dataclass(frozen=True)
class NamedCurve:
    """Points (flow, pressure) of one curve."""

    name: str
    points: Sequence[tuple[float, float]]


@dataclass(frozen=True)
class WorkingPoint:
    """Flow [m3/s] and pressure [Pa]."""

    flow: float
    pressure: float


@dataclass(frozen=True)
class PumpState:
    """What the pumps do in one state of the engine."""

    name: str
    taken: float
    through: float
    returned: float
    pressure: float
    rail: float
    volts: float
    amps: float


@dataclass(frozen=True)
class CatchTest:
    """A catch test brought to the table's own conditions: what it gives there, new and as caught."""

    flow: float
    pressure: float
    volts: float
    said: float
    health: float
    rated_pressure: float
    rated_volts: float
    corrected: float
    new: float


@dataclass(frozen=True)
class PumpsView:
    """Pump curves against rail and line, the working points, the catch test; flows [m3/s], pressures [Pa]."""

    asked: float
    rail: float
    drive: str | None
    flow: Sequence[float]
    resists: Sequence[float]
    pumps: Sequence[NamedCurve]
    point: WorkingPoint
    states: Sequence[PumpState]
    voltage: float
    current: float
    caught: CatchTest | None


def show(context: Context, circuit: Circuit, index: int, options: Options) -> PumpsView:
    """Curves of pressure [Pa] over flow [m3/s] of one duty; the point each state of the engine works at."""
    count = len(context.duties.cases)
    network = network_of(context, circuit, volts=options.get("voltage"))
    point = network.at(context.peak)
    idle = network_of(context, circuit, circuit.idle.speed, options.get("voltage")).at(circuit.idle)
    back = duty_value(point.back, index)
    able = duty_value(point.able, index)
    asked = duty_value(point.asked, index)
    flow = np.linspace(0.0, 1.05 * max(float(np.max(network.main.flow)), asked), POINTS)
    upstream, downstream = upstream_of(circuit, network.booster), downstream_of(circuit)
    wide = flow[:, None]
    resists = np.ravel(back + downstream(wide)[:, :1] - upstream(wide)[:, :1])
    return PumpsView(
        asked=asked,
        rail=back,
        drive=circuit.facts.main.drive,
        flow=[float(x) for x in flow],
        resists=[float(x) for x in resists],
        pumps=_curves(network, index, count),
        point=WorkingPoint(able, duty_value(point.able_across, index)),
        states=[
            _state("Full load", point, index, count),
            _state("Idle", idle, index, count),
        ],
        voltage=duty_value(point.able_volts, index),
        current=duty_value(point.amps, index),
        caught=_caught(circuit, network),
    )


def _curves(network: Network, index: int, count: int) -> list[NamedCurve]:
    """All pumps together, and one alone where they come on by turns."""
    found = []
    for name, supply in (("pump gives", network.main), ("one alone", network.alone)):
        if supply is None or supply.pump is None:
            continue
        rows = [(duty_value(q, index), duty_value(p, index)) for q, p in zip(supply.flow, supply.across, strict=True)]
        found.append(NamedCurve(name, rows))
    return found


def _state(name: str, point: Point, index: int, count: int) -> PumpState:
    return PumpState(
        name=name,
        taken=duty_value(point.taken, index),
        through=duty_value(point.through, index),
        returned=duty_value(point.returned, index),
        pressure=duty_value(point.across, index),
        rail=duty_value(point.rail, index),
        volts=duty_value(point.volts, index),
        amps=duty_value(point.amps, index),
    )


def offer(facts: FuelFacts) -> Offer | None:
    """A catch is itself a point of a pump of which no figures are known."""
    test = caught(facts.main)
    if test is None or facts.main.flow is not None or facts.main.table is not None:
        return None
    flow, pressure, volts = (likely(v) for v in test)
    changes = {"fuel.main.flow": flow, "fuel.main.pressure": pressure}
    if facts.main.drive == "electric":
        changes["fuel.main.voltage"] = volts
    return Offer(changes, TAPED)


def _caught(circuit: Circuit, network: Network) -> CatchTest | None:
    """A catch test brought to the table's own conditions: what it gives there, new and as caught."""
    test, pump = caught(circuit.facts.main), network.main.pump
    if test is None or pump is None:
        return None
    flow, pressure, volts = (likely(v) for v in test)
    at = circuit.facts.main.pressure if circuit.facts.main.table is None else circuit.rail_gauge
    rated = likely(at) if at is not None else likely(pump.curve.pressure[0])
    said = _at(pump, pressure, volts / likely(circuit.fact("main.voltage")))
    new = _at(pump, rated, 1.0)
    health = likely(pump.health)
    return CatchTest(
        flow=flow,
        pressure=pressure,
        volts=volts,
        said=said,
        health=health,
        rated_pressure=rated,
        rated_volts=likely(circuit.fact("main.voltage")),
        corrected=health * new,
        new=new,
    )


def _at(pump: Pump, pressure: float, ratio: float) -> float:
    return likely(pump.curve.flow_at(pressure, ratio))
