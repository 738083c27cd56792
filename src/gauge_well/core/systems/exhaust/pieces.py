"""The exhaust as pieces in order: what each is, how it is bent, pressed, joined and covered, and whose gas it carries."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.engine.model import Engine
from gauge_well.core.facts import need
from gauge_well.core.flow import pulses
from gauge_well.core.flow.fittings import (
    cone_angle,
    narrowing_loss_crane,
    pressed,
    step_loss_borda,
    widening_loss_crane,
)
from gauge_well.core.flow.gas_pipe import bend_loss_crane, friction_rough
from gauge_well.core.parts.pipe import COVERINGS, MATERIALS, PIECES, PipeFacts, loss_of
from gauge_well.core.parts.silencer import SILENCERS
from gauge_well.core.sizes import TUBES, above
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.refusals import BORE_LEFT
from gauge_well.core.typing import Array, Value, as_array, likely

WHOLE = "exhaust.pipe"
SAME = 0.02  # of a bore: closer ones are one size
REDUCER = np.pi / 6.0  # full angle of the swaged end by which a tube goes into a narrower one (common practice)
PRESSED_TO = 0.67  # of its tube, where an oval's height is not said (common practice)


@dataclass(frozen=True, kw_only=True)
class Segment:
    """One piece of the run.

    ``bore`` of a round tube as wide [m], ``rubs`` times that its length counts; ``part``, ``bend``, ``step``: its loss
    factors, ``form`` what pulsing multiplies them and its friction by; ``share`` of the flow; ``bank`` whose alone.
    """

    bore: Value
    wall: Value
    length: Value
    name: str
    kind: str
    place: str
    part: Value
    bend: Value
    step: Value = 0.0
    rubs: Value = 1.0
    form: float = 1.0
    share: float = 1.0
    bank: str = ""
    outside: Value = 0.0
    height: Value = 0.0
    angle: Value = 0.0
    ratio: Value = 1.5
    turn: Value | None = None
    joint: str = "welded"
    material: str = "mild"
    covering: str = "bare"
    body: Value | None = None

    @property
    def loss(self) -> Array:
        """Part, bends and step together."""
        return np.asarray(as_array(self.part) + self.bend + self.step)

    @property
    def stated(self) -> bool:
        """Whether it is a piece of its own, not a share of a whole."""
        return self.place != WHOLE

    @property
    def upright(self) -> float:
        """Its outside upright, body and all [m]."""
        tube = likely(self.height)
        usual = tube * PIECES[self.kind].body if self.stated else tube
        return usual if self.body is None else max(likely(self.body), tube)

    @property
    def resistance(self) -> float:
        """Of what lies on it [m2K/W]."""
        return COVERINGS[self.covering].resistance

    @property
    def emissivity(self) -> float:
        """Of its outside."""
        return COVERINGS[self.covering].emissivity

    @property
    def tubes(self) -> float:
        """How many of it there are."""
        return 1.0 if self.bank else 1.0 / self.share

    @property
    def mass(self) -> float:
        """All of it [kg]: plain tube, times what is let into it where it is stated as a piece."""
        tube = np.pi * (as_array(self.outside) - self.wall) * self.wall * self.length * MATERIALS[self.material].density
        return likely(np.asarray(tube)) * self.tubes * (PIECES[self.kind].mass if self.stated else 1.0)


def _whole(facts: ExhaustFacts) -> list[tuple[str, PipeFacts]]:
    """Four pieces where only the whole is known."""
    whole = facts.pipe
    outside = need(whole.diameter, "exhaust.pipe.diameter")
    length = need(whole.length, "exhaust.pipe.length")
    kind = facts.silencer.type
    parts = (
        ("pipe", 0.30),
        ("catalyst" if facts.catalyst == "yes" else "pipe", 0.10),
        ("pipe", 0.30),
        ("pipe" if kind not in SILENCERS or kind == "none" else kind, 0.30),
    )
    made = replace(whole, diameter=outside)
    return [
        (WHOLE, replace(made, piece=piece, length=share * length, bends=whole.bends * share)) for piece, share in parts
    ]


def listed(facts: ExhaustFacts) -> list[tuple[str, PipeFacts]]:
    """Pieces with the place each is stated at, from flange to tip; MissingFact where not even the whole is known."""
    if facts.pieces:
        return [(f"exhaust.pieces.{id}", piece) for id, piece in facts.pieces]
    return _whole(facts)


def wall_of(facts: ExhaustFacts, piece: PipeFacts) -> Value:
    """Its own wall [m], else the whole pipe's."""
    return need(facts.pipe.wall, "exhaust.pipe.wall") if piece.wall is None else piece.wall


def _bores(facts: ExhaustFacts, piece: PipeFacts, place: str) -> tuple[Value, Value, Array, Array, Value]:
    """(outside, wall, bore as round, how much more it rubs, height outside); of a cone those of its narrow end."""
    outside = need(piece.diameter, f"{place}.diameter")
    wall = wall_of(facts, piece)
    # Drawn within their tolerances a thin tube and a thick wall may cross: some bore is always left.
    bore = np.maximum(as_array(outside) - 2.0 * as_array(wall), BORE_LEFT * as_array(outside))
    if piece.piece == "cone" and piece.end is not None:
        far = np.maximum(as_array(piece.end) - 2.0 * as_array(wall), BORE_LEFT * as_array(piece.end))
        # What rubs goes with the fifth power of a bore: the narrow end decides.
        bore = np.minimum(bore, far)
    if piece.shape != "oval":
        return outside, wall, bore, np.asarray(1.0), outside
    height = PRESSED_TO * as_array(outside) if piece.height is None else as_array(piece.height)
    inside = np.maximum(height - 2.0 * as_array(wall), BORE_LEFT * height)
    same, rubs = pressed(bore, inside)
    return outside, wall, same, rubs, height


def segments_of(facts: ExhaustFacts, engine: Engine | None = None) -> list[Segment]:
    """Pieces from flange to tip; MissingFact names what is absent. Without an engine nothing pulses."""
    merge, lagged = likely(facts.merge_after), likely(facts.lagged)
    found = []
    for i, (place, piece) in enumerate(listed(facts)):
        outside, wall, bore, rubs, height = _bores(facts, piece, place)
        length, angle = need(piece.length, f"{place}.length"), need(piece.bends, f"{place}.bends")
        whole = need(facts.pipe.bend_ratio, "exhaust.pipe.bend_ratio")
        ratio = whole if piece.bend_ratio is None else piece.bend_ratio
        bank = piece.bank or ""
        half = bool(bank) or facts.layout == "twin" or (facts.layout == "merged" and i < merge)
        found.append(
            Segment(
                bore=bore,
                wall=wall,
                length=length,
                name=_name(facts, piece),
                kind=piece.piece,
                place=place,
                part=as_array(loss_of(piece, place)) + _cone(piece, wall, length),
                bend=bend_loss_crane(angle, ratio, friction_rough(facts.pipe.roughness / bore)),
                rubs=rubs,
                share=0.5 if half else 1.0,
                bank=bank,
                outside=outside,
                height=height,
                angle=angle,
                ratio=ratio,
                turn=piece.turn,
                joint=piece.joint or "welded",
                material=piece.material or facts.pipe.material or "mild",
                covering=piece.covering or ("wrapped" if i < lagged else "bare"),
                body=piece.body,
            )
        )
    return _stepped(found if engine is None else _pulsing(facts, engine, found))


def _name(facts: ExhaustFacts, piece: PipeFacts) -> str:
    return (
        f"{SILENCERS[piece.piece][0]} silencer"
        if not facts.pieces and piece.piece in SILENCERS
        else PIECES[piece.piece].label
    )


def _cone(piece: PipeFacts, wall: Value, length: Value) -> Array:
    """What a cone loses by its angle, on the narrow end's head."""
    if piece.piece != "cone" or piece.end is None or piece.diameter is None:
        return np.asarray(0.0)
    first, last = (
        np.maximum(as_array(d) - 2.0 * as_array(wall), BORE_LEFT * as_array(d)) for d in (piece.diameter, piece.end)
    )
    angle = cone_angle(first, last, length)
    wide, narrow = np.maximum(first, last), np.minimum(first, last)
    widening = widening_loss_crane(narrow, wide, angle)
    return np.asarray(np.where(last >= first, widening, narrowing_loss_crane(narrow, wide, angle)))


def _pulsing(facts: ExhaustFacts, engine: Engine, found: Sequence[Segment]) -> list[Segment]:
    """How much more each piece loses for its gas coming in pulses: of one cylinder a primary, of one bank a pipe that runs
    apart up to the first crossover or the merge. A pipe all cylinders blow into is taken as even: silencers see to it."""
    cylinders = max(int(likely(engine.facts.cylinders or 4.0)), 1)
    cycle = 360.0 * engine.facts.strokes_per_cycle_rev
    two = any(s.share < 1.0 for s in found)
    bank = max(cylinders // 2, 1) if two else cylinders
    single = pulses.form_factor(pulses.even(1, cycle), cycle)
    apart = bank_form(facts, engine)
    crossed = next((i for i, s in enumerate(found) if s.kind == "crossover"), len(found))
    made = []
    for i, segment in enumerate(found):
        if segment.kind == "primaries":
            made.append(replace(segment, share=segment.share / bank, form=single))
        elif segment.share < 1.0 and i < crossed:
            made.append(replace(segment, form=apart))
        else:
            made.append(segment)
    return made


def bank_form(facts: ExhaustFacts, engine: Engine) -> float:
    """Form factor of one bank's pulses: 1.22 a cross-plane eight's, 1.23 a six's, 1 an even eight's; 1 where all cylinders
    join before pipes part, as behind a turbine."""
    if facts.firing == "joined" or engine.facts.aspiration == "turbo":
        return 1.0
    cylinders = max(int(likely(engine.facts.cylinders or 4.0)), 1)
    cycle = 360.0 * engine.facts.strokes_per_cycle_rev
    if facts.firing == "cross" and cylinders == 8 and cycle == 720.0:
        return pulses.form_factor(pulses.CROSS_PLANE, cycle)
    return pulses.form_factor(pulses.even(max(cylinders // 2, 1), cycle), cycle)


def _stepped(found: Sequence[Segment]) -> list[Segment]:
    """Each with what is lost where its bore meets the next one's: a widening on its own head, a narrowing on the next's.

    A widening is a step, a narrowing a swaged reducer; where pipes part or meet, or a cone is stated, that piece says what
    it loses.
    """
    made = list(found)
    for i in range(len(made) - 1):
        here = made[i]
        after = next((k for k in range(i + 1, len(made)) if _follows(here, made[k])), None)
        if after is None or made[after].share != here.share or "cone" in (here.kind, made[after].kind):
            continue
        first, last = as_array(here.bore), as_array(made[after].bore)
        if abs(likely(last) / likely(first) - 1.0) <= SAME:
            continue
        widens = np.where(last > first, step_loss_borda(np.minimum(first, last), np.maximum(first, last)), 0.0)
        narrows = np.where(
            last < first, narrowing_loss_crane(np.minimum(first, last), np.maximum(first, last), REDUCER), 0.0
        )
        made[i] = replace(made[i], step=np.asarray(as_array(made[i].step) + widens))
        made[after] = replace(made[after], step=np.asarray(as_array(made[after].step) + narrows))
    return made


def _follows(here: Segment, then: Segment) -> bool:
    return not here.bank or not then.bank or here.bank == then.bank


def with_bore(segment: Segment, bore: Value) -> Segment:
    """The same piece of another tube: round, no step to its neighbours."""
    return replace(
        segment,
        bore=bore,
        rubs=1.0,
        step=0.0,
        outside=as_array(bore) + 2.0 * as_array(segment.wall),
        height=as_array(bore) + 2.0 * as_array(segment.wall),
    )


def wider(segments: Sequence[Segment]) -> list[Segment]:
    """The same pipe with every piece of the next size sold; the widest stays."""
    found = []
    for segment in segments:
        larger = above(TUBES, likely(segment.outside), 1)
        if not larger:
            found.append(segment)
            continue
        scale = (larger[0] - 2.0 * likely(segment.wall)) / (likely(segment.outside) - 2.0 * likely(segment.wall))
        grown = np.asarray(as_array(segment.bore) * scale)
        found.append(
            replace(segment, bore=grown, outside=larger[0], height=np.asarray(as_array(segment.height) * scale))
        )
    return found


def weight(segments: Sequence[Segment]) -> float:
    """All of it [kg]."""
    return sum(s.mass for s in segments)
