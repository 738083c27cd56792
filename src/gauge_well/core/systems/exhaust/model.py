"""The exhaust marched: temperature from flange to tip, pressure from tip to flange."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.engine.model import Engine, Operation
from gauge_well.core.facts import need
from gauge_well.core.flow import gas_pipe
from gauge_well.core.flow.gas_pipe import bend_loss_crane, friction_rough
from gauge_well.core.media.combustion import heat_capacity
from gauge_well.core.parts.pipe import PIECES, PipeFacts, loss_of
from gauge_well.core.parts.silencer import SILENCERS
from gauge_well.core.sizes import TUBES, above
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import COSTS, GATE_SHUT, MOST, MOST_COST, ExhaustFacts
from gauge_well.core.systems.exhaust.refusals import BORE_LEFT
from gauge_well.core.typing import Array, Value, as_array, likely

STEEL = 7850.0  # kg/m3
LAGGING = 0.012 / 0.09  # m2K/W: 12 mm of wrap at 0.09 W/mK (common practice)
SOUND_EXHAUST = float(np.sqrt(1.34 * 287.0 * 900.0))  # m/s in primaries at 900 K
OVERLAP = 120.0  # degrees of crank from pulse to overlap


@dataclass(frozen=True, kw_only=True)
class Segment:
    """One piece: bore, wall, length [m], loss factor of part and bends together, share of the flow, lagged."""

    bore: Value
    wall: Value
    length: Value
    name: str
    part: Value
    bend: Value
    share: float
    lagged: bool

    @property
    def loss(self) -> Array:
        """Part and bends together."""
        return as_array(self.part) + self.bend


def rows_of(facts: ExhaustFacts) -> list[tuple[str, Value, Value, Value, Value]]:
    """(name, outside diameter, length, bend angle, loss) piece by piece; four pieces where only the whole is known."""
    if facts.pieces:
        return [_row(f"exhaust.pieces.{id}", piece) for id, piece in facts.pieces]
    outside = as_array(need(facts.pipe.diameter, "exhaust.pipe.diameter"))
    length, bends = need(facts.pipe.length, "exhaust.pipe.length"), facts.pipe.bends
    catalyst = PIECES["catalyst"][1] if facts.catalyst == "yes" else 0.0
    kind = facts.silencer.type
    silencer = SILENCERS[kind][1]
    plain = PIECES["pipe"][0]
    parts = (
        (plain, 0.30, 0.0),
        (PIECES["catalyst"][0] if catalyst else plain, 0.10, catalyst),
        (plain, 0.30, 0.0),
        (f"{SILENCERS[kind][0]} silencer" if silencer else plain, 0.30, silencer),
    )
    return [(name, outside, share * length, bends * share, loss) for name, share, loss in parts]


def _row(place: str, piece: PipeFacts) -> tuple[str, Value, Value, Value, Value]:
    outside, length, bends = (need(getattr(piece, n), f"{place}.{n}") for n in ("diameter", "length", "bends"))
    return PIECES[piece.piece][0], outside, length, bends, loss_of(piece, place)


def segments_of(facts: ExhaustFacts) -> list[Segment]:
    """Pieces from flange to tip; MissingFact names what is absent."""
    wall, rough = facts.pipe.wall, facts.pipe.roughness
    ratio = facts.pipe.bend_ratio
    merge, lagged = likely(facts.merge_after), likely(facts.lagged)
    found = []
    for i, (name, outside, length, angle, loss) in enumerate(rows_of(facts)):
        # Drawn within their tolerances a thin tube and a thick wall may cross: some bore is always left.
        bore = np.maximum(as_array(outside) - 2.0 * wall, BORE_LEFT * as_array(outside))
        bend = bend_loss_crane(angle, ratio, friction_rough(rough / bore))
        half = facts.layout == "twin" or (facts.layout == "merged" and i < merge)
        found.append(
            Segment(
                bore=bore,
                wall=wall,
                length=length,
                name=name,
                part=loss,
                bend=bend,
                share=0.5 if half else 1.0,
                lagged=i < lagged,
            )
        )
    return found


@dataclass(frozen=True, kw_only=True)
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
    """The whole exhaust; ``choking``: flow over that at which gas chokes, in the piece where that is most."""

    pieces: Sequence[Piece]
    back_pressure: Array
    tip: Array
    choking: Array

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


def march(context: Context, facts: ExhaustFacts, segments: Sequence[Segment], op: Operation) -> Marched:
    """March gas of ``op`` through ``segments``: heat downstream, then pressure upstream."""
    ambient, pressure = context.duties.column("ambient"), context.duties.column("pressure")
    cp = heat_capacity(op.gas, op.after_turbine_temperature) / op.gas.mass
    rough = facts.pipe.roughness
    temperature = op.after_turbine_temperature
    walked = []
    for segment in segments:
        flow = op.exhaust_mass_flow * segment.share
        lagging = LAGGING if segment.lagged else 0.0
        lost = gas_pipe.lose_heat(flow, cp, temperature, segment.bore, segment.wall, segment.length, ambient, lagging)
        walked.append((segment, flow, temperature, lost))
        temperature = lost.end
    downstream = pressure
    choking = np.asarray(0.0)
    pieces = []
    for segment, flow, warm, lost in reversed(walked):
        # Each piece's end holds at least what its gas makes at the speed of sound.
        sonic = gas_pipe.sonic_pressure(flow, lost.end, segment.bore)
        choking = np.maximum(choking, sonic / downstream)
        downstream = np.maximum(downstream, sonic)
        found = gas_pipe.lose_pressure(
            flow, warm, lost.end, downstream, segment.bore, segment.length, segment.loss, rough
        )
        pieces.append(
            Piece(
                segment=segment,
                mass_flow=flow,
                warm=warm,
                cool=lost.end,
                surface=lost.surface,
                reynolds=lost.reynolds,
                pressure=found,
                downstream=downstream,
            )
        )
        downstream = found.upstream
    return Marched(pieces[::-1], np.asarray(downstream - pressure), temperature, np.asarray(choking))


def cost_rate(engine: Engine) -> float:
    """Share of its power an engine loses to each pascal: 1.5 % each 10 kPa unboosted, 1.0 a petrol turbo with its gate
    open, 5 with it shut, 1.6 a turbo diesel (common practice)."""
    breathing = engine.facts.aspiration
    if engine.fuel.spark and breathing == "turbo" and engine.facts.wastegate == "shut":
        return GATE_SHUT
    return COSTS[engine.fuel.spark, breathing]


def limit_of(engine: Engine, facts: ExhaustFacts) -> tuple[float, bool]:
    """Back pressure [Pa] past which the exhaust does not serve, and whether the maker gave it.

    Without a maker's figure back pressure only costs, up to 60 kPa or a tenth of the power; with the gate shut it
    never is more than a cost up to 60 kPa.
    """
    if facts.tolerated is not None:
        return likely(facts.tolerated), True
    rate = cost_rate(engine)
    return (MOST if rate == GATE_SHUT else min(MOST, MOST_COST / rate)), False


def power_cost(engine: Engine, back_pressure: Array, power: Array) -> Array:
    """Power lost to back pressure [W]."""
    return np.asarray(power * cost_rate(engine) * np.maximum(back_pressure, 0.0))


def wider(segments: Sequence[Segment]) -> list[Segment]:
    """The same pipe with every piece of the next size sold; the widest stays."""
    found = []
    for segment in segments:
        outside = likely(segment.bore) + 2.0 * likely(segment.wall)
        larger = above(TUBES, outside, 1)
        bore = larger[0] - 2.0 * likely(segment.wall) if larger else segment.bore
        found.append(replace(segment, bore=bore))
    return found


def weight(segments: Sequence[Segment]) -> float:
    """Of plain tube [kg], two pipes counted twice."""
    return sum(likely(np.pi * (as_array(s.bore) + s.wall) * s.wall * s.length * STEEL / s.share) for s in segments)


def primary_length(speed: Value) -> Array:
    """Length of a primary tuned to ``speed`` [rev/min]: ``a dtheta / (12 N)``, +-20 % (common practice)."""
    return np.asarray(SOUND_EXHAUST * OVERLAP / (12.0 * as_array(speed)))
