"""The exhaust marched: temperature from flange to tip, pressure from tip to flange; two banks apart where they differ."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.engine.model import Operation
from gauge_well.core.flow import gas_pipe
from gauge_well.core.media.combustion import heat_capacity
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.pieces import Segment, segments_of
from gauge_well.core.typing import Array, Value

EACH = ("left", "right")


@dataclass(frozen=True, kw_only=True)
class Piece:
    """One piece marched; arrays over (power step, duty, sample). ``heat`` [W] of one of it."""

    segment: Segment
    mass_flow: Array
    warm: Array
    cool: Array
    surface: Array
    resistance: Array
    heat: Array
    reynolds: Array
    pressure: gas_pipe.PressureLoss
    downstream: Array

    @property
    def lost(self) -> Array:
        """Pressure lost in it [Pa]."""
        return np.asarray(self.pressure.upstream - self.downstream)


@dataclass(frozen=True)
class Marched:
    """The whole exhaust; ``banks``: back pressure of each, one where both are alike; ``choking``: flow over that at which
    gas chokes, in the piece where that is most."""

    pieces: Sequence[Piece]
    banks: Sequence[Array]
    tip: Array
    choking: Array

    @property
    def back_pressure(self) -> Array:
        """At the flange [Pa], of the bank that has more."""
        return self.banks[0] if len(self.banks) == 1 else np.asarray(np.maximum(*self.banks))

    @property
    def flange(self) -> Array:
        """Pressure at the flange [Pa absolute], of the bank that has more."""
        first = [next(p for p in self.pieces if p.segment.bank in ("", bank)) for bank in EACH[: len(self.banks)]]
        return np.asarray(np.max(np.broadcast_arrays(*(p.pressure.upstream for p in first)), axis=0))

    @property
    def mean_pressure(self) -> Array:
        """At the flanges [Pa], of both banks: what the whole engine pays for."""
        return self.banks[0] if len(self.banks) == 1 else np.asarray(0.5 * (self.banks[0] + self.banks[1]))

    @property
    def choked(self) -> NDArray[np.bool_]:
        """Where no more gas flows."""
        return np.asarray(self.choking > 1.0)

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


@dataclass(frozen=True)
class _Walked:
    segment: Segment
    flow: Array
    warm: Array
    lost: gas_pipe.HeatLoss


def _cools(
    segments: Sequence[Segment], gas: Array, temperature: Array, cp: Array, ambient: Array
) -> tuple[list[_Walked], Array]:
    """Heat lost downstream; the temperature at the end."""
    walked = []
    for s in segments:
        flow = gas * s.share
        lost = gas_pipe.lose_heat(
            flow, cp, temperature, s.bore, s.wall, s.length * s.rubs, ambient, s.resistance, s.emissivity
        )
        walked.append(_Walked(s, flow, temperature, lost))
        temperature = lost.end
    return walked, temperature


def _presses(walked: Sequence[_Walked], downstream: Array, roughness: Value) -> tuple[list[Piece], Array, Array]:
    """Pressure found upstream; (pieces from flange to tip, pressure at the first's entry, worst choking)."""
    choking, pieces = np.asarray(0.0), []
    for w in reversed(walked):
        s = w.segment
        # Each piece's end holds at least what its gas makes at the speed of sound.
        sonic = gas_pipe.sonic_pressure(w.flow, w.lost.end, s.bore)
        choking = np.maximum(choking, sonic / downstream)
        downstream = np.maximum(downstream, sonic)
        length, loss = (s.length * s.rubs, s.loss) if s.form == 1.0 else (s.form * s.length * s.rubs, s.form * s.loss)
        found = gas_pipe.lose_pressure(w.flow, w.warm, w.lost.end, downstream, s.bore, length, loss, roughness)
        pieces.append(
            Piece(
                segment=s,
                mass_flow=w.flow,
                warm=w.warm,
                cool=w.lost.end,
                surface=w.lost.surface,
                resistance=w.lost.resistance,
                heat=w.lost.heat,
                reynolds=w.lost.reynolds,
                pressure=found,
                downstream=downstream,
            )
        )
        downstream = found.upstream
    return pieces[::-1], np.asarray(downstream), choking


def march(context: Context, facts: ExhaustFacts, segments: Sequence[Segment], op: Operation) -> Marched:
    """March gas of ``op`` through ``segments``: heat downstream, then pressure upstream.

    Banks that are not alike are marched each by itself as far as they run apart; what is common begins with their mean
    temperature, its pressure is what both end in.
    """
    ambient, pressure = context.duties.column("ambient"), context.duties.column("pressure")
    hot = op.after_turbine_temperature
    cp, rough, gas = heat_capacity(op.gas, hot) / op.gas.mass, facts.pipe.roughness, op.exhaust_mass_flow
    apart = [s for s in segments if s.share < 1.0]
    own = any(s.bank for s in segments)
    if not own:
        walked, tip = _cools(segments, gas, hot, cp, ambient)
        pieces, up, choking = _presses(walked, pressure, rough)
        return Marched(pieces, (np.asarray(up - pressure),), tip, np.asarray(choking))
    common = [s for s in segments if s.share == 1.0]
    cooled = [_cools([s for s in apart if s.bank in ("", bank)], gas, hot, cp, ambient) for bank in EACH]
    walked, tip = _cools(common, gas, 0.5 * (cooled[0][1] + cooled[1][1]), cp, ambient)
    last, joined, choking = _presses(walked, pressure, rough)
    pieces, banks = [], []
    for bank, (own_walk, _) in zip(EACH, cooled, strict=True):
        found, up, chokes = _presses(own_walk, joined, rough)
        pieces += [p for p in found if p.segment.bank == bank or bank == EACH[0]]
        banks.append(np.asarray(up - pressure))
        choking = np.maximum(choking, chokes)
    return Marched([*pieces, *last], tuple(banks), np.asarray(tip), np.asarray(choking))


def marched(context: Context, facts: ExhaustFacts) -> tuple[Sequence[Segment], Marched]:
    """The run and its march at the wanted power, worked once for all who ask; MissingFact names what is absent."""

    def work() -> tuple[Sequence[Segment], Marched]:
        segments = segments_of(facts, context.engine)
        return segments, march(context, facts, segments, context.peak)

    return context.remember("exhaust", (facts, context.engine, context.duties, context.peak), work)
