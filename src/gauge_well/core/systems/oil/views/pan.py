"""The tilting pan: outline, surface, pickup, and the rose of what stays covered."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.geometry.frames import apparent_up, to_engine
from gauge_well.core.geometry.free_surface import surface_height
from gauge_well.core.systems.base import Context, Options, duty_asked, option
from gauge_well.core.systems.oil import covering, dipping, feeding, surge, warmth
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import CRANKCASE, Pan, pan_of
from gauge_well.core.typing import Array, duty_value, likely

PETALS = 72
COLD = 293.15
SPEEDS = 24
Vector = tuple[float, float, float]
MOST = 3.0  # g, that is dragged to


@dataclass(frozen=True)
class PressureCurves:
    """Oil pressure [Pa] over engine speed [rev/min]: cold, hot as the duty ends, the least wanted; temperatures [K].

    ``cold_speed``: at which a cold pump's inlet begins to starve.
    """

    speed: Sequence[float]
    cold: Sequence[float]
    hot: Sequence[float]
    least: Sequence[float] | None
    hot_temperature: float
    at: float
    cold_temperature: float
    cold_speed: float


@dataclass(frozen=True)
class Rose:
    """Acceleration [g] to which the pickup stays covered by direction [rad], with its baffle and bare."""

    angle: Sequence[float]
    covered: Sequence[float]
    bare: Sequence[float]


@dataclass(frozen=True)
class AskedG:
    """Accelerations a duty asks [g]."""

    pulling: float
    braking: float
    cornering: float


@dataclass(frozen=True)
class Sweep:
    """What the big ends sweep: the crank over the rail, its radius [m]; how far under them the oil stands as it is thrown
    and at rest [m], negative where they dip."""

    height: float
    radius: float
    clear: float
    rest_clear: float


@dataclass(frozen=True)
class RidesOut:
    """Oil held by a trap door and given by an accumulator [m3], seconds they last at the duty's speed, those asked [s]."""

    held: float
    given: float
    seconds: float
    asked: float


@dataclass(frozen=True)
class TiltedPan:
    """Side view in engine axes [m] with its oil under an acceleration [g] and at rest; volumes [m3]; ``wanted``: oil over
    the pickup's mouth for what is drawn [m]."""

    forward: float
    left: float
    outline: Sequence[tuple[float, float]]
    crankcase: float
    pickup: Vector
    floor: float
    normal: Vector
    height: float
    rest_normal: Vector
    rest_height: float
    head: float
    rest_head: float
    holds: float
    volume: float
    rose: Rose
    asked: AskedG
    most: float
    wanted: float
    sweep: Sweep | None
    rides: RidesOut | None


@dataclass(frozen=True)
class PanView:
    """The tilting pan, or what it lacks; pressure over speed where it was read."""

    duty: str
    unknown: Sequence[str]
    pan: TiltedPan | None
    pressure: PressureCurves | None


def pressure(context: Context, facts: OilFacts, pan: Pan | None, index: int) -> PressureCurves | None:
    """Oil pressure over engine speed: cold at 20 degC, hot as the duty ends, and the least wanted; None without a
    reading."""
    ways = warmth.with_coolant(context, warmth.ways_out(context, facts, pan), context.mean)
    leak = feeding.leak_of(context, facts)
    hot = float(
        np.broadcast_to(warmth.temperature(ways, context.mean.heat_to_oil), (1, len(context.duties.cases), 1))[
            0, index, 0
        ]
    )
    speed = np.linspace(0.1, 1.0, SPEEDS) * context.engine.rated_speed
    curves = [feeding.gauge_pressure(facts, leak, speed, t) for t in (COLD, hot)]
    if curves[0] is None or curves[1] is None:
        return None
    air = float(np.ravel(context.duties.column("pressure"))[index])
    try:
        wanted = feeding.least_pressure(facts, speed, context.engine.rated_speed).tolist()
    except MissingFact:
        wanted = None
    return PressureCurves(
        speed=speed.tolist(),
        cold=curves[0].tolist(),
        hot=curves[1].tolist(),
        least=wanted,
        hot_temperature=hot,
        at=likely(context.duties.cases[index].engine_speed),
        cold_temperature=COLD,
        cold_speed=float(feeding.suction_speed(facts, leak, COLD, air, likely(context.engine.rated_speed))),
    )


def show(context: Context, facts: OilFacts, options: Options) -> PanView:
    """Side view of the pan in engine axes with its oil under an acceleration, and the rose in the vehicle's.

    Options
    -------
    duty : index of the duty whose grade and asked accelerations are taken.
    forward, left : acceleration dragged to [g]; the duty's braking otherwise.
    """
    index = duty_asked(context, options)
    case = context.duties.cases[index]
    forward = option(options, "forward", -likely(case.braking), -MOST, MOST, "g")
    left = option(options, "left", 0.0, -MOST, MOST, "g")
    try:
        pan = pan_of(facts)
    except MissingFact as error:
        return PanView(case.id, [error.field], None, pressure(context, facts, None, index))
    tilted = _tilted(context, facts, pan, index, (forward, left))
    return PanView(case.id, [], tilted, pressure(context, facts, pan, index))


def _vector(values: Array) -> Vector:
    x, y, z = (float(v) for v in values)
    return x, y, z


def _tilted(context: Context, facts: OilFacts, pan: Pan, index: int, asked: tuple[float, float]) -> TiltedPan:
    case, (forward, left) = context.duties.cases[index], asked
    rotation, volume = covering.rotation_of(context), covering.in_sump(facts)
    n = to_engine(apparent_up(forward, left, 0.0, case.grade, 0.0), rotation)
    rest = to_engine(apparent_up(0.0, 0.0, 0.0, case.grade, 0.0), rotation)
    d, d_rest = (float(surface_height(pan.body, m, volume)) for m in (n, rest))
    angle = np.linspace(0.0, 2.0 * np.pi, PETALS, endpoint=False)
    over = float(covering.cover(context, facts, pan)[index].flat[0])
    petals = covering.covered(pan, rotation, volume, np.cos(angle), np.sin(angle), case.grade, over=over)
    return TiltedPan(
        forward=forward,
        left=left,
        outline=[(float(x), float(z)) for x, z in pan.outline],
        crankcase=CRANKCASE,
        pickup=_vector(pan.pickup),
        floor=likely(pan.floor),
        normal=_vector(n),
        height=d,
        rest_normal=_vector(rest),
        rest_height=d_rest,
        head=float(d - n @ pan.pickup),
        rest_head=float(d_rest - rest @ pan.pickup),
        holds=float(pan.holds),
        volume=float(volume),
        rose=Rose(angle=angle.tolist(), covered=covering.effective(facts, petals).tolist(), bare=petals.tolist()),
        asked=AskedG(likely(case.pulling), likely(case.braking), likely(case.cornering)),
        most=covering.G_MOST,
        wanted=over,
        sweep=_sweep(context, facts, pan, (n, rest), float(volume)),
        rides=_rides(context, facts, index),
    )


def _sweep(context: Context, facts: OilFacts, pan: Pan, normals: tuple[Array, Array], volume: float) -> Sweep | None:
    found = dipping.clear(context, facts, pan, np.stack(normals), np.full(2, volume))
    if found is None or facts.crank_height is None:
        return None
    return Sweep(likely(facts.crank_height), dipping.swing(context), float(found[0]), float(found[1]))


def _rides(context: Context, facts: OilFacts, index: int) -> RidesOut | None:
    found = surge.ride(context, facts)
    if found is None or facts.thrown is None:
        return None
    return RidesOut(
        likely(found.held), duty_value(found.given, index), duty_value(found.seconds, index), likely(facts.thrown)
    )
