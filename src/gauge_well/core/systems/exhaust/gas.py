"""Gas in the cabin: which joint and which mouth sends most, where to test, at what figure to stop."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.flow.pipe import orifice_flow
from gauge_well.core.media import air
from gauge_well.core.parts.pipe import JOINTS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust.facts import OPENINGS, ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import duty_value, likely, likely_or_none

FLEX_LEAKS = 2e-6  # m2 of a flex that has run for years (common practice)
CABIN_AIR = 0.010  # m3/s of air through a cabin, windows shut, fan low (common practice)
CLEANED = 0.1  # of its carbon monoxide that a warm catalyst lets by (common practice)
AHEAD, UNDER, BEHIND = 0.5, 1.0, 0.1  # of what comes in through the openings, by where it leaks (common practice)
TIP_SHARE = 2e-5  # of the tip's gas that reaches the cabin where it ends under the body (common practice)
TIP_CLEAR = 0.05  # m past the body's edge from which it does not (common practice)
TEST, STOP = 30e-6, 100e-6  # mole share: looked for from here, out and engine off from there (common practice)
CO = 2  # its place among the species
IDLING_CO = 0.005  # mole share of an engine that burns evenly, at idle and light load (common practice)


@dataclass(frozen=True)
class Source:
    """A place gas gets out at: piece, pressure there over the air [Pa], what comes into the cabin of it as a mole share of
    carbon monoxide, and where it is."""

    piece: int
    name: str
    place: str
    pressure: float
    cabin: float


def carbon_monoxide(context: Context, index: int) -> float:
    """Mole share of carbon monoxide at the port: the rich gas's own, at least that of an engine idling."""
    moles = context.peak.gas.moles
    return max(duty_value(moles[..., CO] / moles.sum(axis=-1), index), IDLING_CO)


def sources(context: Context, facts: ExhaustFacts, found: Marched, index: int) -> list[Source]:
    """Ranked: the joint or mouth that sends most into the cabin first.

    Leaks as holes of so much, ``Cd A sqrt(2 dp/rho)``; a share comes in by where it lies and what is open, thinned by the
    cabin's air. A ranking: its figures stand on leaks nobody measured.
    """
    outside = duty_value(context.duties.column("pressure"), index)
    begins, ends = (likely_or_none(v) for v in (facts.cabin_from, facts.cabin_to))
    opened = OPENINGS[facts.openings or "usual"][1]
    share, x = carbon_monoxide(context, index), 0.0
    ranked: list[Source] = []
    for i, piece in enumerate(found.pieces):
        s = piece.segment
        over = max(duty_value(piece.pressure.upstream, index) - outside, 0.0)
        hole = JOINTS[s.joint][1] + (FLEX_LEAKS if s.kind == "flex" else 0.0)
        if hole > 0.0 and over > 0.0:
            warm = duty_value(piece.warm, index)
            out = likely(orifice_flow(over, hole, air.density(warm, outside))) * air.T_SEA_LEVEL / warm
            where, near = _where(x, begins, ends)
            ranked.append(Source(i, _called(s.name, s.joint), where, over, out * share * near * opened / CABIN_AIR))
        if s.kind in ("catalyst", "filter"):
            share *= CLEANED
        x += likely(s.length)
    past = likely_or_none(facts.tip_past)
    if past is not None and past < TIP_CLEAR:
        flow = duty_value(context.peak.exhaust_mass_flow, index) / likely(air.density(air.T_SEA_LEVEL, outside))
        comes = flow * share * TIP_SHARE * opened / OPENINGS["usual"][1] / CABIN_AIR
        ranked.append(Source(len(found.pieces) - 1, "tip under the body", "behind the cabin", 0.0, comes))
    return sorted(ranked, key=lambda s: -s.cabin)


def _called(name: str, joint: str) -> str:
    return name if joint == "welded" else f"{JOINTS[joint][0].split(',')[0].split(' with')[0]} ahead of the {name}"


def _where(x: float, begins: float | None, ends: float | None) -> tuple[str, float]:
    if begins is None or x < begins:
        return ("ahead of the cabin", AHEAD) if begins is not None else ("where the cabin lies is not stated", UNDER)
    if ends is not None and x > ends:
        return "behind the cabin", BEHIND
    return "under the cabin", UNDER


def tests(facts: ExhaustFacts, ranked: Sequence[Source]) -> list[str]:
    """Where to hold a meter, in order."""
    found = [f"at the {r.name}, engine cold, a wet cloth over the tip: hear and feel for it" for r in ranked[:2]]
    found.append("at head height in each seat, idling 10 min outdoors, blower off, then on fresh air")
    if facts.openings != "sealed":
        found.append("over every grommet, the lever's boot and the rear seal, smoke underneath")
    return [*found, "driving slowly downwind with a window ajar at the back"]
