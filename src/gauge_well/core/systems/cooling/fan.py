"""Fans: their curve by speed and density, one or several, driven by a motor or by the engine."""

from __future__ import annotations

from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.parts.fan import ELECTRIC
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.facts_air import ADVERTISED
from gauge_well.core.typing import Array, Value, as_array, likely

PUSHER = 0.8  # of the flow: the core's face stands in the way of the swirl
CLUTCH_SLIP, CLUTCH_IDLING = 0.93, 0.25  # speed out over in, hot and cold (common practice)
EFFICIENCY, PLATE_LEAST = 0.35, 0.7  # of electric power; of the plate even where little is done


@dataclass(frozen=True)
class Curve:
    """A fan's curve in shares of its free air and shut-off pressure: straight between points.

    ``flow`` rises from 0 to 1 while ``pressure`` falls from 1 to 0.
    """

    flow: Array
    pressure: Array

    def at(self, rise: Array) -> Array:
        """Share of free air at a share of the shut-off pressure; beyond both ends the parabola's root goes on."""
        inside = np.interp(-rise, -self.pressure, self.flow)
        beyond = np.sqrt(np.abs(np.where(rise < 0.0, 1.0 - rise, rise - 1.0)))
        return np.asarray(np.where(rise < 0.0, beyond, np.where(rise > 1.0, -beyond, inside)))


@dataclass(frozen=True, kw_only=True)
class Fan:
    """All fans together at 1.2 kg/m3: free air [m3/s] after derating, shut-off [Pa], duty axis where a belt drives.

    ``off``: share of the shut-off pressure left with the fan off (a slipping clutch, a fan without one).
    ``stages``: shares of the fans that come on one after the other. ``plate`` [W] of all of them.
    """

    free_air: Value
    shut_off: Value
    disc_area: Value
    shroud: str
    curve: Curve | None = None
    off: float = 0.0
    stages: tuple[float, ...] = (1.0,)
    plate: Value = 0.0
    pusher: bool = False


NO_FAN = Fan(free_air=1.0, shut_off=1.0, disc_area=0.0, shroud="open")


def curve_of(rows: tuple[tuple[float, ...], ...]) -> tuple[Curve, Value, Value]:
    """Curve of a table of (flow, pressure), with its free air and shut-off, drawn on to both axes in straight lines.

    Where the cells are samples the shape is that of the likely ones.
    """
    flow = np.array([likely(as_array(row[0])) for row in rows])
    pressure = np.array([likely(as_array(row[1])) for row in rows])
    scale_flow = as_array(rows[-1][0]) / flow[-1]
    scale_pressure = as_array(rows[0][1]) / pressure[0]
    if flow[0] > 0.0:
        slope = (pressure[1] - pressure[0]) / (flow[1] - flow[0])
        flow, pressure = np.insert(flow, 0, 0.0), np.insert(pressure, 0, pressure[0] - slope * flow[0])
    if pressure[-1] > 0.0:
        slope = (flow[-1] - flow[-2]) / (pressure[-1] - pressure[-2])
        flow, pressure = np.append(flow, flow[-1] - slope * pressure[-1]), np.append(pressure, 0.0)
    return Curve(flow / flow[-1], pressure / pressure[0]), flow[-1] * scale_flow, pressure[0] * scale_pressure


def belt_speed(facts: CoolingFacts, engine_speed: Value) -> Array:
    """Speed of an engine-driven fan over the speed its figures stand at, clutch in."""
    turning = as_array(need(facts.fan.ratio, "cooling.fan.ratio")) * engine_speed
    if facts.fan.clutch != "none":
        limit = as_array(need(facts.fan.clutch_limit, "cooling.fan.clutch_limit"))
        turning = np.minimum(CLUTCH_SLIP * turning, limit)
    return np.asarray(turning / need(facts.fan.speed, "cooling.fan.speed"))


def fan_of(facts: CoolingFacts, engine_speed: Value, doubt: Value = 1.0) -> Fan:
    """Build the fan; with none the face stands open.

    Parameters
    ----------
    facts : CoolingFacts
    engine_speed : float or array
        [rev/min] of each duty; a fan the engine drives goes with it: flow with speed, pressure with its square
        (eck1973).
    doubt : float or array
        Multiplies what is taken off an advertised figure.

    Raises
    ------
    MissingFact
        Naming the fan's fact that is not given.
    """
    if facts.fan.drive is None:
        raise MissingFact("cooling.fan.drive")
    if facts.fan.drive == "none":
        return NO_FAN
    count = as_array(facts.fan.count)
    diameter = as_array(need(facts.fan.diameter, "cooling.fan.diameter"))
    curve: Curve | None = None
    if facts.fan.table is not None:
        curve, each, shut_off = curve_of(facts.fan.table)
    else:
        each, shut_off = need(facts.fan.flow, "cooling.fan.flow"), need(facts.fan.pressure, "cooling.fan.pressure")
        if facts.fan.rating == "advertised":
            each = as_array(each) * ADVERTISED * doubt
    flow = as_array(each) * count
    if facts.fan.drive == "pusher":
        flow = flow * PUSHER
    most = _most_power(curve) * flow * as_array(shut_off) / EFFICIENCY
    plate = most if facts.fan.power is None else as_array(facts.fan.power) * count
    off = 0.0
    stages: tuple[float, ...] = (1.0,)
    if facts.fan.drive == "belt":
        speed = belt_speed(facts, engine_speed)
        flow, shut_off = flow * speed, as_array(shut_off) * speed**2
        off = 1.0 if facts.fan.clutch == "none" else CLUTCH_IDLING**2
        plate = most * speed**3
    elif facts.fan_stages == "staged" and likely(count) > 1.0:
        stages = (float(np.ceil(likely(count) / 2.0)) / likely(count), 1.0)
    return Fan(
        free_air=flow,
        shut_off=shut_off,
        disc_area=count * np.pi / 4.0 * diameter**2,
        shroud=facts.fan.shroud,
        curve=curve,
        off=off,
        stages=stages,
        plate=plate,
        pusher=facts.fan.drive == "pusher",
    )


def weakened(fan: Fan, facts: CoolingFacts, share: Array) -> Fan:
    """An electric fan on a share of its volts: its speed goes with them, flow with speed, pressure with its square, power with its
    cube (eck1973)."""
    if facts.fan.drive not in ELECTRIC or np.all(share >= 1.0):
        return fan
    return replace(
        fan,
        free_air=fan.free_air * share,
        shut_off=as_array(fan.shut_off) * share**2,
        plate=as_array(fan.plate) * share**3,
    )


def _most_power(curve: Curve | None) -> float:
    """Largest product of flow and pressure along the curve, in shares; 2 / sqrt(27) for the parabola."""
    if curve is None:
        return 2.0 / float(np.sqrt(27.0))
    shares = np.linspace(0.0, 1.0, 101)
    return float(np.max(shares * curve.at(shares)))


def electric_power(fan: Fan, flow: Value, rise: Value) -> Array:
    """Power all fans take at full [W]: ``Q dp / 0.35``, not under 0.7 of the plate."""
    work = np.maximum(as_array(flow), 0.0) * np.maximum(as_array(rise), 0.0) / EFFICIENCY
    return np.asarray(np.maximum(work, PLATE_LEAST * as_array(fan.plate)))
