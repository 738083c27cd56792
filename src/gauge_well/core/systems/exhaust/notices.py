"""Guides and assumptions worth saying of the exhaust."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import cutting, gas, growth, layouts, model, pieces, primaries, warmth
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.ground import Ground
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import duty_value, duty_values, likely
from gauge_well.core.validity import Notice

Values = dict[str, tuple[float, str] | str]
MACH_SAID = 0.3
SAVED = 100.0  # Pa worth a word
DEPARTS = 1.25  # times, from which a rule of thumb and what was worked are said to differ
SCALES = 823.15  # K from which plain steel scales (common practice)
FLEX_TAKES = 0.025  # m sideways that a usual flex takes (common practice)
COLLECTOR = (1.5, 3.0)  # primary areas, about two (common practice)


def notices(
    context: Context, facts: ExhaustFacts, segments: Sequence[pieces.Segment], found: Marched, under: Ground | None
) -> Iterator[Notice]:
    """What the run's own shape says, heat, ground, gas."""
    yield from _flow(context, found)
    yield from _shape(facts, segments)
    yield from _banks(context, facts, segments, found)
    yield from _heat(context, facts, found)
    yield from _wrapped(found)
    yield from _held(context, segments, found)
    yield from _under(facts, under)
    yield from _cabin(context, facts, found)


def _flow(context: Context, found: Marched) -> Iterator[Notice]:
    cases = context.duties.cases
    mach = duty_values(found.mach, len(cases))
    i = int(np.argmax(mach))
    if mach[i] > MACH_SAID and not bool(np.any(found.choked)):
        words = "Gas runs at Mach {m} on {duty}; above 0.3 losses climb fast."
        values = {"m": f"{mach[i]:.2f}", "duty": cases[i].name.lower()}
        yield Notice("mach", Sentence(words, values), "exhaust.pipe.diameter", cases[i].id)


def _shape(facts: ExhaustFacts, segments: Sequence[pieces.Segment]) -> Iterator[Notice]:
    tight = cutting.too_tight(segments)
    if tight is not None:
        s = segments[tight]
        bent, radius = cutting.arc(s)
        words = (
            "Piece {n}: its bends alone are {arc} long at a radius of {r}, the piece is {l}: measure it along the pipe."
        )
        values: Values = {
            "n": str(tight + 1),
            "arc": (bent, "size"),
            "r": (radius, "size"),
            "l": (likely(s.length), "size"),
        }
        yield Notice("bends_long", Sentence(words, values), f"{s.place}.length")
    over = facts.tip_over
    if over is not None and likely(over) > 0.0 and facts.drained != "yes":
        words = "The tip stands {h} over the lowest place: water gathers in a loop that nothing drains. A 3 mm hole at its lowest."
        yield Notice("closed_loop", Sentence(words, {"h": (likely(over), "height")}), "exhaust.drained")
    for i, s in enumerate(segments):
        if s.kind == "cone" and facts.pieces[i][1].end is None:
            words = "Piece {n} is a cone: without its far end's size it is counted as straight."
            yield Notice("cone_end", Sentence(words, {"n": str(i + 1)}), f"{s.place}.end")


def _banks(
    context: Context, facts: ExhaustFacts, segments: Sequence[pieces.Segment], found: Marched
) -> Iterator[Notice]:
    count = len(context.duties.cases)
    if len(found.banks) > 1:
        left, right = (max(duty_values(b, count)) for b in found.banks)
        words = "{bank} bank has {more}, the other {less}: its cylinders keep more of their gas and run hotter."
        values = {
            "bank": "The left" if left > right else "The right",
            "more": (max(left, right), "pressure_difference"),
            "less": (min(left, right), "pressure_difference"),
        }
        if max(left, right) > DEPARTS * min(left, right):
            yield Notice("banks_differ", Sentence(words, values), "exhaust.layout")
    form = pieces.bank_form(facts, context.engine)
    if _may_pulse(context, facts, segments):
        words = "Two pipes are counted as an even flow each; one bank of a six or of a cross-plane eight pulses and loses 1.2 times: say how each bank fires."
        yield Notice("pulses_unsaid", Sentence(words), "exhaust.firing")
    apart = [s for s in segments if s.share < 1.0 and s.kind not in ("primaries", "crossover")]
    if form > 1.02 and any(s.form > 1.0 for s in apart) and not any(s.kind == "crossover" or s.bank for s in segments):
        crossed = model.march(context, facts, layouts.crossed(segments), context.peak)
        saved = float(np.max((found.mean_pressure - crossed.mean_pressure)[..., 0]))
        words = "One bank's gas comes in pulses and loses {times} times what an even flow would"
        words += "; a crossover near the first bend saves {saved}." if saved > SAVED else "."
        values = {"times": f"{form:.2f}", "saved": (saved, "pressure_difference")}
        yield Notice("pulses", Sentence(words, values), "exhaust.firing")
    asked = primaries.primaries(context.engine)
    for i, s in enumerate(segments):
        if s.kind == "primaries" and context.engine.facts.aspiration == "natural":
            speed = likely(
                primaries.gas_speed(
                    likely(context.engine.displacement) / likely(context.engine.facts.cylinders),
                    context.engine.rated_speed,
                    s.bore,
                )
            )
            words = "Primaries: {v} of gas at rated speed, where {bore} inside would have {usual}; {l} long, {asked} would help at rated speed."
            values = {
                "v": (speed, "speed_m_s"),
                "bore": (asked.bore, "size"),
                "usual": (primaries.SPEED, "speed_m_s"),
                "l": (likely(s.length), "size"),
                "asked": (asked.length, "size"),
            }
            yield Notice("primaries", Sentence(words, values), f"{s.place}.diameter")
            then = segments[i + 1] if i + 1 < len(segments) else None
            if then is not None and then.kind == "collector":
                areas = (likely(then.bore) / likely(s.bore)) ** 2
                if not COLLECTOR[0] <= areas <= COLLECTOR[1]:
                    words = "The collector has {n} times a primary's area; about 2 serve."
                    yield Notice("collector", Sentence(words, {"n": f"{areas:.1f}"}), f"{then.place}.diameter")


def _may_pulse(context: Context, facts: ExhaustFacts, segments: Sequence[pieces.Segment]) -> bool:
    """Whether banks run apart of an engine whose banks may pulse, and nobody says how they fire."""
    several = likely(context.engine.facts.cylinders or 4.0) >= 6.0
    apart = any(s.share < 1.0 and s.kind != "primaries" for s in segments)
    return facts.firing == "joined" and several and apart and context.engine.facts.aspiration != "turbo"


def _heat(context: Context, facts: ExhaustFacts, found: Marched) -> Iterator[Notice]:
    for at in warmth.known(context, facts, found):
        if at.what.fuel:
            continue
        got = warmth.warmed(context, at)
        gap = warmth.gap_wanted(context, at)
        if at.dull is None and gap is not None:
            if gap > DEPARTS * at.what.bare or gap < at.what.bare / DEPARTS:
                words = "The rule keeps {rule} to a {what}; here {gap} do, the pipe being at {pipe}."
                if gap > at.what.bare:
                    words = "The rule keeps {rule} to a {what}; here {gap} are needed, the pipe being at {pipe}."
                values: Values = {
                    "rule": (at.what.bare, "size"),
                    "what": at.what.name,
                    "gap": (gap, "size"),
                    "pipe": (float(np.max(got.pipe[..., 0])), "temperature"),
                }
                yield Notice("gap_rule", Sentence(words, values), f"exhaust.neighbours.{at.id}.gap")
        elif got.sheet is not None:
            sheet = float(np.max(got.sheet[..., 0]))
            words = "Its shield stands at {t}: 10 mm free to each side, both ends open."
            yield Notice(
                "shield_hot", Sentence(words, {"t": (sheet, "temperature")}), f"exhaust.neighbours.{at.id}.shield"
            )


def _wrapped(found: Marched) -> Iterator[Notice]:
    """What wrap does to the metal under it."""
    for i, piece in enumerate(found.pieces):
        hot = float(np.max(growth.metal(piece)[..., 0]))
        if piece.segment.covering == "wrapped" and hot > SCALES and piece.segment.material != "stainless":
            words = "Under its wrap the metal of piece {n} stands at {t}; such steel scales from {scales}, and wrap keeps it wet."
            values: Values = {"n": str(i + 1), "t": (hot, "temperature"), "scales": (SCALES, "temperature")}
            yield Notice("wrapped", Sentence(words, values), f"{piece.segment.place}.material")


def _held(context: Context, segments: Sequence[pieces.Segment], found: Marched) -> Iterator[Notice]:
    hangs = growth.hung(context, found)
    words = "Hot, the pipe is {l} longer"
    values: Values = {"l": (hangs.whole, "size")}
    if hangs.flex_at is None:
        words += ": a flex within 300 mm of {where}, nothing rigid ahead of it."
        turned = context.engine.facts.aspiration == "turbo"
        values["where"] = "the turbine" if turned else "the collector"
        yield Notice("no_flex", Sentence(words, values), "exhaust.pipe.length")
    elif hangs.flange_moves is not None and hangs.flange_moves > FLEX_TAKES:
        words = "The engine rocks its flange by {m}: a usual flex takes 25 mm sideways. A longer one, or firmer mounts."
        yield Notice("flex_rock", Sentence(words, {"m": (hangs.flange_moves, "size")}), "exhaust.pipe.length")


def _under(facts: ExhaustFacts, under: Ground | None) -> Iterator[Notice]:
    if under is None:
        return
    if likely(under.bumped) < likely(under.height) - 1e-6 and likely(under.bumped) < 0.04:
        words = "At the bump stop {h} are left under the pipe."
        yield Notice(
            "pipe_bump", Sentence(words, {"h": (likely(under.bumped), "height")}), "installation.exhaust_ground"
        )


def _cabin(context: Context, facts: ExhaustFacts, found: Marched) -> Iterator[Notice]:
    past = facts.tip_past
    if past is not None and likely(past) < gas.TIP_CLEAR:
        words = "The tip ends {short} the body's edge: gas rolls up behind the machine and in. 50 mm past it, away from openings."
        said = f"{abs(likely(past)) * 1e3:.0f} mm " + ("short of" if likely(past) < 0 else "past")
        yield Notice("tip_short", Sentence(words, {"short": said}), "exhaust.tip_past")
    if facts.cabin_from is None:
        return
    idle = int(np.argmin([likely(c.power) for c in context.duties.cases]))
    ranked = gas.sources(context, facts, found, idle)
    if ranked and duty_value(context.peak.power, idle) >= 0.0:
        words = (
            "Gas in the cabin: look first at the {name}, {place}. Over 30 ppm mend it, over 100 ppm out and engine off."
        )
        yield Notice(
            "cabin_gas", Sentence(words, {"name": ranked[0].name, "place": ranked[0].place}), "exhaust.cabin_from"
        )
