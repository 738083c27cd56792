"""Every line with its flow, speed and loss; the margin to boiling hot and high; priming; heat into the tank."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.media import air, fuels
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fuel import guard, tank
from gauge_well.core.systems.fuel.change import line_volume, mixing_volume
from gauge_well.core.systems.fuel.circuit import Circuit, demand
from gauge_well.core.systems.fuel.facts_supply import LINE_SPEED, SUCTION_SPEED
from gauge_well.core.systems.fuel.network import Point, at_peak
from gauge_well.core.systems.fuel.views.circuit import CircuitPart, parts_of
from gauge_well.core.typing import Value, duty_value, likely, likely_or_none

ALTITUDES = (0.0, 1000.0, 2500.0)
TEMPERATURES = np.linspace(273.15, 343.15, 36)
SUCKS = ("suction", "pot_hose")


@dataclass(frozen=True)
class LineRow:
    """A line as drawn: flow [m3/s], loss [Pa], speed and its guide [m/s]."""

    id: str
    label: str
    path: str
    flow: float
    drop: float
    speed: float
    guide: float


@dataclass(frozen=True)
class Margin:
    """What the first inlet is left with over boiling [Pa], by temperature, at an altitude [m]."""

    altitude: float
    margin: Sequence[float]


@dataclass(frozen=True)
class Returning:
    """What goes back to the tank: temperature [K], heat [W], flow [m3/s]; how long the pump primes [s]."""

    temperature: float
    heat: float
    flow: float
    prime: float | None


@dataclass(frozen=True)
class Boiling:
    """Margin at the first inlet by temperature [K] and altitude; the hottest fuel it holds to [K]."""

    temperatures: Sequence[float]
    margins: Sequence[Margin]
    holds_to: float


@dataclass(frozen=True)
class LinesView:
    """Lines with flow, speed and loss; margin to boiling; what stands in them [m3] and takes to prime; what returns."""

    lines: Sequence[LineRow]
    lost: float
    lift: float
    temperature: float
    boiling: Boiling | None
    stands: float
    strokes: float
    returning: Returning | None


def show(context: Context, circuit: Circuit, index: int, options: Options) -> LinesView:
    """Lines as drawn, the margin at the first pump's inlet over fuel temperature at three heights [Pa]."""

    def pick(value: Value) -> float:
        return duty_value(value, index)

    point = at_peak(context, circuit)
    pull = circuit.suction_drop(demand(context.peak, circuit) if point is None else point.drawn)
    return LinesView(
        lines=[] if point is None else [_row(part) for part in parts_of(point, pick) if part.speed is not None],
        lost=pick(pull),
        lift=likely(circuit.fact("suction_lift")),
        temperature=likely(circuit.temperature),
        boiling=_boiling(circuit, pick(pull), pick(tank.hottest_allowed(circuit, pull)))
        if circuit.fuel.rvp > 0.0
        else None,
        stands=likely(line_volume(circuit) + mixing_volume(circuit)),
        strokes=guard.prime_strokes(circuit),
        returning=None if point is None else _returning(point, pick),
    )


def _row(part: CircuitPart) -> LineRow:
    guide = SUCTION_SPEED if part.id in SUCKS else LINE_SPEED
    return LineRow(part.id, part.label, part.path, part.flow or 0.0, part.drop or 0.0, part.speed or 0.0, guide)


def _boiling(circuit: Circuit, lost: float, holds_to: float) -> Boiling:
    reid = circuit.facts.reid_pressure
    vapour = fuels.vapour_pressure(circuit.fuel, TEMPERATURES, likely_or_none(reid))
    margins = []
    for height in ALTITUDES:
        margin = float(air.pressure_isa(height)) - lost - vapour - circuit.vapour_margin
        margins.append(Margin(height, [float(m) for m in margin]))
    return Boiling([float(t) for t in TEMPERATURES], margins, holds_to)


def _returning(point: Point, pick: Callable[[Value], float]) -> Returning:
    primed = guard.prime_time(point.network)
    return Returning(
        temperature=pick(tank.return_temperature(point)),
        heat=pick(tank.heat_back(point)),
        flow=pick(point.returned + point.spilled),
        prime=likely_or_none(primed),
    )
