"""The exhaust marched: temperature from flange to tip, pressure from tip to flange."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need, need_number
from gauge_well.core.flow import gas_pipe
from gauge_well.core.flow.gas_pipe import bend_loss_crane, friction_rough
from gauge_well.core.media.combustion import heat_capacity
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import BORE_LEFT, LOSSES, SILENCERS, TOLERATED, ExhaustFacts
from gauge_well.core.typing import Array, Value, as_array, likely

LAGGING = 0.012 / 0.09  # m2K/W: 12 mm of wrap at 0.09 W/mK (common practice)
POWER_COST = {True: 0.10, False: 0.15}  # of power for each 100 kPa: boosted, not (common practice)
SOUND_EXHAUST = float(np.sqrt(1.34 * 287.0 * 900.0))  # m/s in primaries at 900 K
OVERLAP = 120.0  # degrees of crank from pulse to overlap


@dataclass(frozen=True)
class Segment:
    """One piece: bore, wall, length [m], loss factor of part and bends together, share of the flow, lagged."""

    bore: Value
    wall: Value
    length: Value
    part: Value
    bend: Value
    share: float
    lagged: bool

    @property
    def loss(self) -> Array:
        """Part and bends together."""
        return as_array(self.part) + self.bend


def rows_of(facts: ExhaustFacts) -> list[tuple[Value, Value, Value, Value]]:
    """(outside diameter, length, bend angle, loss) piece by piece; four pieces where only the whole is known."""
    if facts.pipes is not None:
        return [(row[0], row[1], row[2], row[3]) for row in facts.pipes]
    outside = as_array(need(facts.pipe_diameter, "exhaust.pipe_diameter"))
    length, bends = need(facts.pipe_length, "exhaust.pipe_length"), need(facts.bends, "exhaust.bends")
    catalyst = LOSSES["catalyst"] if facts.catalyst == "yes" else 0.0
    silencer = SILENCERS[facts.silencer or "chambered"][1]
    parts = (("pipe", 0.30, 0.0), ("catalyst", 0.10, catalyst), ("pipe", 0.30, 0.0), ("silencer", 0.30, silencer))
    return [(outside, share * length, bends * share, loss) for _, share, loss in parts]


def segments_of(facts: ExhaustFacts) -> list[Segment]:
    """Pieces from flange to tip; MissingFact names what is absent."""
    wall, rough = need(facts.wall, "exhaust.wall"), need(facts.roughness, "exhaust.roughness")
    ratio = need(facts.bend_ratio, "exhaust.bend_ratio")
    merge, lagged = need_number(facts.merge_after, "exhaust.merge_after"), need_number(facts.lagged, "exhaust.lagged")
    found = []
    for i, (outside, length, angle, loss) in enumerate(rows_of(facts)):
        # Drawn within their tolerances a thin tube and a thick wall may cross: some bore is always left.
        bore = np.maximum(as_array(outside) - 2.0 * wall, BORE_LEFT * as_array(outside))
        bend = bend_loss_crane(angle, ratio, friction_rough(rough / bore))
        half = facts.layout == "twin" or (facts.layout == "merged" and i < merge)
        found.append(Segment(bore, wall, length, loss, bend, 0.5 if half else 1.0, i < lagged))
    return found


@dataclass(frozen=True)
class Piece:
    """One piece marched; arrays over (power step, duty, sample)."""

    segment: Segment
    mass_flow: Array
    warm: Array
    cool: Array
    surface: Array
    reynolds: Array
    pressure: gas_pipe.PressureLoss
    downstream: Array

    @property
    def lost(self) -> Array:
        """Pressure lost in it [Pa]."""
        return np.asarray(self.pressure.upstream - self.downstream)


@dataclass(frozen=True)
class Marched:
    """The whole exhaust."""

    pieces: Sequence[Piece]
    back_pressure: Array
    tip: Array
    choked: NDArray[np.bool_]

    @property
    def speed(self) -> Array:
        """Fastest gas anywhere [m/s]."""
        return np.asarray(np.max(np.broadcast_arrays(*(p.pressure.speed for p in self.pieces)), axis=0))

    @property
    def mach(self) -> Array:
        """Highest Mach number anywhere."""
        return np.asarray(np.max(np.broadcast_arrays(*(p.pressure.mach for p in self.pieces)), axis=0))

    @property
    def surface(self) -> Array:
        """Hottest outside anywhere [K]."""
        return np.asarray(np.max(np.broadcast_arrays(*(p.surface for p in self.pieces)), axis=0))


def march(context: Context, facts: ExhaustFacts, segments: Sequence[Segment], op: Operation) -> Marched:
    """March gas of ``op`` through ``segments``: heat downstream, then pressure upstream."""
    ambient, pressure = context.duties.column("ambient"), context.duties.column("pressure")
    cp = heat_capacity(op.gas, op.after_turbine_temperature) / op.gas.mass
    rough = need(facts.roughness, "exhaust.roughness")
    temperature = op.after_turbine_temperature
    walked = []
    for segment in segments:
        flow = op.exhaust_mass_flow * segment.share
        lagging = LAGGING if segment.lagged else 0.0
        lost = gas_pipe.lose_heat(flow, cp, temperature, segment.bore, segment.wall, segment.length, ambient, lagging)
        walked.append((segment, flow, temperature, lost))
        temperature = lost.end
    last = walked[-1]
    downstream = gas_pipe.tip_pressure(last[1], temperature, last[0].bore, pressure)
    choked = downstream > pressure * 1.000001
    pieces = []
    for segment, flow, warm, lost in reversed(walked):
        found = gas_pipe.lose_pressure(
            flow, warm, lost.end, downstream, segment.bore, segment.length, segment.loss, rough
        )
        pieces.append(Piece(segment, flow, warm, lost.end, lost.surface, lost.reynolds, found, downstream))
        downstream = found.upstream
    return Marched(pieces[::-1], np.asarray(downstream - pressure), temperature, choked)


def tolerated(context: Context, facts: ExhaustFacts) -> tuple[float, bool]:
    """Back pressure allowed [Pa], and whether passing it does damage.

    A maker's figure and a diesel's usual one are limits; a petrol engine without a maker's figure only
    pays for more in power.
    """
    boosted = context.engine.facts.aspiration == "turbo"
    spark = context.engine.fuel.spark
    if facts.tolerated is not None:
        return likely(facts.tolerated), True
    return TOLERATED[spark, boosted], not spark


def power_cost(context: Context, back_pressure: Array, power: Array) -> Array:
    """Power lost to back pressure [W]: about 1.5 % for each 10 kPa unboosted, 1 boosted (common practice)."""
    share = POWER_COST[context.engine.facts.aspiration == "turbo"]
    return np.asarray(power * share * np.maximum(back_pressure, 0.0) / 100e3)


def primary_length(speed: Value) -> Array:
    """Length of a primary tuned to ``speed`` [rev/min]: ``a dtheta / (12 N)``, +-20 % (common practice)."""
    return np.asarray(SOUND_EXHAUST * OVERLAP / (12.0 * as_array(speed)))
