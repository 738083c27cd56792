"""Heat round the pipe: its surface at speed, standing and after a stop; what stands beside it, and the gap each needs."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need, need_number
from gauge_well.core.flow.gas_pipe import OUTSIDE, surface_at
from gauge_well.core.heat import neighbour
from gauge_well.core.heat.enclosure import BAY_MOVING, BAY_STANDING
from gauge_well.core.parts.neighbour import SHIELDS, WHATS, NeighbourFacts, What
from gauge_well.core.parts.pipe import COVERINGS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched, Piece
from gauge_well.core.typing import Array, Value, as_array, likely

STILL = 8.0  # W/m2K of a hot pipe to still air (common practice)
STEEL_HEAT = 500.0 * 7850.0  # J/m3K of hot steel (incropera2007, table A.1)
THING_HEAT = 2.5e6  # J/m3K of copper and plastic, rubber and fluid (common practice)
SKIN = 0.002  # m of a plate
BEFORE = 0.25  # of its rise that pipe and neighbour have as a short duty begins: it was driven there (common practice)
# Gaps that are tried [m], the least that is kept to anything first.
GAPS = np.array([0.010, 0.015, 0.025, 0.040, 0.060, 0.090, 0.135, 0.200, 0.300])
FUEL_GAP = 0.100  # m kept to fuel whatever its temperature (common practice)


def bay(context: Context, facts: ExhaustFacts) -> Array:
    """Air round the pipe ahead of the cabin [K]: so much over the air outside on the move, and at rest."""
    moving = BAY_MOVING if facts.bay_moving is None else facts.bay_moving
    return np.asarray(context.duties.column("ambient") + np.where(context.duties.standing, rests(facts), moving))


def rests(facts: ExhaustFacts) -> Value:
    """How far the engine space stands over the air outside at rest [K]."""
    return BAY_STANDING if facts.bay_standing is None else facts.bay_standing


@dataclass(frozen=True)
class Placed:
    """A neighbour where it is: its piece, the bay in each duty and at rest [K], its shape, its limit [K], its shield's
    emissivity."""

    id: str
    facts: NeighbourFacts
    what: What
    piece: Piece
    bay: Array
    rest: Array
    thing: neighbour.Thing
    limit: Value
    dull: float | None


def duration(context: Context) -> Array:
    """How long each duty lasts [s], (duty, 1)."""
    return np.array([[likely(c.duration)] for c in context.duties.cases])


def _piece_at(found: Marched, along: float) -> Piece:
    """The piece that lies at a distance from the flange [m]; of two banks the left one's."""
    x = 0.0
    run = [p for p in found.pieces if p.segment.bank in ("", "left")]
    for piece in run:
        x += likely(piece.segment.length)
        if along <= x + 1e-9:
            return piece
    return run[-1]


def _placed(context: Context, given: ExhaustFacts, found: Marched, id: str, facts: NeighbourFacts) -> Placed:
    place = f"exhaust.neighbours.{id}"
    if facts.what is None:
        raise MissingFact(f"{place}.what")
    what = WHATS[facts.what]
    along, gap = need_number(facts.along, f"{place}.along"), need(facts.gap, f"{place}.gap")
    piece = _piece_at(found, along)
    size = what.size if facts.size is None else facts.size
    sheet = SHIELDS[facts.shield or "none"]
    return Placed(
        id,
        facts,
        what,
        piece,
        bay(context, given),
        np.asarray(context.duties.column("ambient") + rests(given)),
        neighbour.Thing(0.5 * as_array(piece.segment.outside), gap, size, what.plate, what.sheet),
        what.limit if facts.limit is None else facts.limit,
        None if sheet is None else sheet.dull,
    )


def placed(context: Context, facts: ExhaustFacts, found: Marched) -> Iterator[Placed | tuple[str, str]]:
    """Each neighbour where it stands; of one not stated whole (its id, the fact it lacks)."""
    for id, one in facts.neighbours:
        try:
            yield _placed(context, facts, found, id, one)
        except MissingFact as error:
            yield id, error.field


def known(context: Context, facts: ExhaustFacts, found: Marched) -> list[Placed]:
    """Neighbours that are stated whole."""
    return [at for at in placed(context, facts, found) if isinstance(at, Placed)]


@dataclass(frozen=True)
class Warmed:
    """What a neighbour takes up over the surface that gives it away [W/m2], over (power, duty, sample), and temperatures [K].

    Its own were the duty ``lasting``, at the end of ``running`` it, and ``stopped``; its shield's, the pipe's outside, the bay's.
    ``share`` of its rise that it reaches by the duty's end, with its own and the pipe's time [s].
    """

    taken: Array
    lasting: Array
    share: Array
    own_time: Array
    pipe_time: Array
    running: Array
    stopped: Array
    sheet: Array | None
    pipe: Array
    bay: Array

    @property
    def hottest(self) -> Array:
        """The worse of both."""
        return np.asarray(np.maximum(self.running, self.stopped))


def surface(context: Context, piece: Piece, still: bool | NDArray[np.bool_], covering: str | None = None) -> Array:
    """Outside of a piece where the gas enters it [K], on the move or standing; as it is, or under another covering."""
    own = COVERINGS[piece.segment.covering]
    other = own if covering is None else COVERINGS[covering]
    film = np.where(still, STILL, OUTSIDE)
    through = piece.resistance - own.resistance + other.resistance
    return surface_at(piece.warm, through, context.duties.column("ambient"), film, other.emissivity)


def warmed(context: Context, at: Placed, covering: str | None = None, dull: float | str | None = "own") -> Warmed:
    """A neighbour's temperatures; with the pipe under another ``covering``, behind another shield (None: none)."""
    still, b = context.duties.standing, at.bay
    sheet_dull = at.dull if isinstance(dull, str) else dull
    film = np.where(still, neighbour.STANDING, neighbour.MOVING)
    pipe = surface(context, at.piece, still, covering)
    emits = COVERINGS[covering or at.piece.segment.covering].emissivity
    sheet = None
    if sheet_dull is None:
        taken = neighbour.received(at.thing, pipe, emits)
    else:
        sheet = neighbour.shield(at.thing, pipe, b, film, sheet_dull, emits)
        taken = neighbour.let_by(sheet, b, sheet_dull)
    lasting = neighbour.settles(taken, b, film)
    metal = STEEL_HEAT * as_array(at.piece.segment.wall)
    own = THING_HEAT * (SKIN / 2.0 if at.what.plate else 0.25 * as_array(at.thing.size))
    own_time = own / (film + neighbour.radiates(lasting, neighbour.ABSORBS))
    pipe_time = metal / (1.0 / at.piece.resistance + np.where(still, STILL, OUTSIDE) + neighbour.radiates(pipe, emits))
    share = neighbour.reached(duration(context), own_time, pipe_time, BEFORE)
    running = np.asarray(b + share * (lasting - b))
    begins = neighbour.Stopped(
        b + (1.0 - (1.0 - BEFORE) * np.exp(-duration(context) / pipe_time)) * (pipe - b), running, metal, own
    )
    stopped = neighbour.after_stop(at.thing, begins, np.maximum(at.rest, b), neighbour.STANDING, STILL, sheet_dull)
    return Warmed(taken, lasting, share, own_time, pipe_time, running, stopped, sheet, pipe, b)


def gap_wanted(context: Context, at: Placed, covering: str | None = None, dull: float | None = None) -> float | None:
    """Gap [m] at which a neighbour stays at its limit, running and after a stop, in every duty; None where 300 mm are not
    enough. The pipe as it is or under a ``covering``, no shield or one of an emissivity. Between the gaps tried straight
    in their logarithms."""
    tried = replace(at, thing=replace(at.thing, gap=GAPS[:, None, None, None]))
    hottest = warmed(context, tried, covering, dull).hottest
    over = np.max(np.reshape(hottest[..., 0], (GAPS.size, -1)), axis=1) - likely(at.limit)
    if over[-1] > 0.0:
        return None
    if over[0] <= 0.0:
        return float(GAPS[0])
    return float(np.exp(np.interp(0.0, -over, np.log(GAPS))))


@dataclass(frozen=True)
class Eased:
    """What would be done for a neighbour: the hottest it then gets over all duties [K], and the gap it then needs [m]."""

    id: str
    label: str
    hottest: float
    gap: float | None


def eases(context: Context, at: Placed) -> Sequence[Eased]:
    """A bright shield, a weathered one, wrap or a coating on the pipe: each alone."""
    ways: list[tuple[str, str, str | None, float | None]] = []
    for id, sheet in SHIELDS.items():
        if sheet is not None and sheet.dull != at.dull:
            ways.append((id, f"{id} sheet", None, sheet.dull))
    if at.piece.segment.covering != "wrapped":
        ways.append(("wrap", "pipe wrapped there", "wrapped", at.dull))
    if at.piece.segment.covering == "bare":
        ways.append(("coat", "pipe coated", "coated", at.dull))
    return [
        Eased(
            id,
            label,
            float(np.max(warmed(context, at, cover, dull).hottest[..., 0])),
            gap_wanted(context, at, cover, dull),
        )
        for id, label, cover, dull in ways
    ]


def shed_ahead(facts: ExhaustFacts, found: Marched) -> Array:
    """Heat [W] the pipe gives to the engine space: of all that lies ahead of the cabin, else of its first metre."""
    end = 1.0 if facts.cabin_from is None else likely(facts.cabin_from)
    x, heat = 0.0, np.asarray(0.0)
    for piece in found.pieces:
        length = likely(piece.segment.length)
        share = min(max((end - x) / length, 0.0), 1.0) if length > 0.0 else 0.0
        if share > 0.0:
            heat = heat + share * piece.heat * piece.segment.tubes
        x += length if piece.segment.bank in ("", "left") else 0.0
    return np.asarray(heat)
