"""One pipe, two into one, two, two with a crossover, out at the side: the same run each way."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from gauge_well.core.parts.pipe import PIECES
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import costs, model, pieces
from gauge_well.core.systems.exhaust.facts import LAYOUTS, ExhaustFacts
from gauge_well.core.systems.exhaust.ground import lowest
from gauge_well.core.systems.exhaust.noise import noise
from gauge_well.core.systems.exhaust.pieces import Segment
from gauge_well.core.typing import as_array, likely

SIDE_SHARE = 0.5  # of the whole that a side exit would take, where nobody says (common practice)


@dataclass(frozen=True)
class Laid:
    """A way to lay the run: back pressure [Pa] and its cost [W] in the worst duty, mass [kg], lowest place over what it is
    now [m], how loud."""

    id: str
    label: str
    fitted: bool
    back_pressure: float
    cost: float
    mass: float
    higher: float
    noise: str
    pipes: int


def crossed(segments: Sequence[Segment]) -> list[Segment]:
    """With a crossover after the first piece that runs apart; after it both banks' gas adds up to an even flow."""
    at = next((i for i, s in enumerate(segments) if s.share == 0.5 and s.kind not in ("primaries", "collector")), None)
    if at is None or any(s.kind == "crossover" or s.bank for s in segments):
        return list(segments)
    first = segments[at]
    length = 3.0 * likely(first.outside)
    cross = replace(
        first, kind="crossover", name=PIECES["crossover"].label, part=PIECES["crossover"].loss, bend=0.0, step=0.0,
        length=length, angle=0.0, form=1.0,
    )  # fmt: skip
    return [*segments[: at + 1], cross, *(replace(s, form=1.0) for s in segments[at + 1 :])]


def cut_off(segments: Sequence[Segment], length: float) -> list[Segment]:
    """The run ended at a length from the flange [m], silencers and catalysts of it kept as far as they lie ahead."""
    found, x = [], 0.0
    for s in segments:
        whole = likely(s.length)
        share = min(max((length - x) / whole, 0.0), 1.0) if whole > 0.0 else 1.0
        if share > 0.0:
            kept = s if share == 1.0 else replace(
                s, length=share * as_array(s.length), bend=share * as_array(s.bend), angle=share * as_array(s.angle)
            )  # fmt: skip
            found.append(kept)
        x += whole
    return found


def _ways(context: Context, facts: ExhaustFacts) -> Iterator[tuple[str, str, list[Segment], bool]]:
    own = pieces.segments_of(facts, context.engine)
    banked = any(s.bank for s in own)
    for id, label in LAYOUTS.items():
        fitted = id == facts.layout
        if banked and not fitted:
            continue
        yield id, label, own if fitted else pieces.segments_of(replace(facts, layout=id), context.engine), fitted
    twin = own if banked else pieces.segments_of(replace(facts, layout="twin"), context.engine)
    with_cross = crossed(twin)
    if len(with_cross) > len(twin):
        yield "crossover", "two pipes with a crossover near the first bend", with_cross, False
    whole = sum(likely(s.length) for s in own)
    side = SIDE_SHARE * whole if facts.side_length is None else likely(facts.side_length)
    if side < whole:
        words = "out at the side" if facts.side_length is not None else "out at the side, taken as half as long"
        yield "side", words, cut_off(own, side), False


def laid(context: Context, facts: ExhaustFacts) -> list[Laid]:
    """Each way worked; the same tube and pieces."""
    found = []
    now = lowest(pieces.segments_of(facts, context.engine)).upright
    for id, label, segments, fitted in _ways(context, facts):
        marched = model.march(context, facts, segments, context.peak)
        cost = costs.power_cost(context.engine, marched.mean_pressure, context.peak.power)
        found.append(
            Laid(
                id=id,
                label=label,
                fitted=fitted,
                back_pressure=float(marched.back_pressure[..., 0].max()),
                cost=float(cost[..., 0].max()),
                mass=pieces.weight(segments),
                higher=now - lowest(segments).upright,
                noise=noise(context.engine, segments),
                pipes=2 if segments[-1].share < 1.0 else 1,
            )
        )
    return found
