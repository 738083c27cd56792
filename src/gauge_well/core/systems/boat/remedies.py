"""Changes of pump, hoses, riser, silencer, siphon break and propeller worth trying."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.errors import MissingFact
from gauge_well.core.flow.propeller import INCH
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import RAW_PUMPS, SEA_HOSES, SHAFT_BARS, WET_HOSES, above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.boat import shafting, wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import likely

RAISED = (0.1, 0.2, 0.3)  # m
ROOMIER = (1.26, 1.59)  # each way a twelfth and a sixth longer: twice and four times as much by the second


def candidates(context: Context, facts: BoatFacts) -> list[Candidate]:
    """Each a step from what is there."""
    found = [*_raw(facts), *_shaft(context, facts)]
    if context.machine.exhaust == "wet":
        found += [*_heights(facts), *_silencer(facts), *_break(context, facts)]
    return found


def _raw(facts: BoatFacts) -> Iterator[Candidate]:
    own = facts.raw_pump
    if own.displacement is not None:
        now = likely(own.displacement)
        for size in above(RAW_PUMPS, now, 2):
            words = Sentence("Raw-water pump {a} → {b} a turn", {"a": (now, "swept"), "b": (size, "swept")})
            yield Candidate(f"pump_{size * 1e6:.0f}", "raw", words, {"boat.raw_pump.displacement": size})
    if likely(own.worn) < 1.0:
        yield Candidate("impeller", "raw", Sentence("A new impeller"), {"boat.raw_pump.worn": 1.0})
    if facts.suction.bore is not None:
        now = likely(facts.suction.bore)
        for size in above(SEA_HOSES, now, 2):
            words = Sentence("Suction hose, cock and strainer {a} → {b}", {"a": (now, "size"), "b": (size, "size")})
            changes = {"boat.suction.bore": size, "boat.intake.bore": size}
            yield Candidate(f"suction_{size * 1e3:.0f}", "suction", words, changes)
        if likely(facts.pump_over) > 0.3:
            words = Sentence("The pump at the waterline")
            yield Candidate("pump_low", "suction", words, {"boat.pump_over": 0.0})


def _heights(facts: BoatFacts) -> Iterator[Candidate]:
    top = facts.manifold_over if facts.riser_over is None else facts.riser_over
    if top is not None:
        label = "A riser to {h} over the waterline" if facts.riser_over is None else "The riser raised to {h}"
        for more in RAISED:
            height = likely(top) + more
            words = Sentence(label, {"h": (height, "height")})
            yield Candidate(f"riser_{more * 1e3:.0f}", "riser", words, {"boat.riser_over": height})
    if facts.injection_over is not None and top is not None:
        low = min(likely(top) - 2.0 * wet.ELBOW_UNDER, likely(facts.injection_over) - wet.ELBOW_UNDER)
        words = Sentence("Water injected lower, at {h}", {"h": (low, "height")})
        yield Candidate("injection_low", "riser", words, {"boat.injection_over": low})
    if facts.high_over is not None:
        for more in RAISED:
            height = likely(facts.high_over) + more
            words = Sentence("The hose's highest place at {h}", {"h": (height, "height")})
            yield Candidate(f"high_{more * 1e3:.0f}", "hose", words, {"boat.high_over": height})
        if abs(likely(facts.high_left)) > 0.05:
            words = Sentence("Its highest place on the centreline")
            yield Candidate("high_middle", "hose", words, {"boat.high_left": 0.0})
    if facts.flap in (None, "none") and facts.outlet_over is not None:
        yield Candidate("flap", "hose", Sentence("A flap at the outlet"), {"boat.flap": "flap"})


def _silencer(facts: BoatFacts) -> Iterator[Candidate]:
    box, bore = facts.silencer, facts.hose.bore
    if box.length is not None and box.width is not None:
        for times in ROOMIER:
            length, width = likely(box.length) * times**0.5, likely(box.width) * times**0.5
            words = Sentence("A silencer {a} × {b}, as high", {"a": (length, "size"), "b": (width, "size")})
            changes: dict[str, float | str | tuple[tuple[float, ...], ...] | None] = {
                "boat.silencer.length": length,
                "boat.silencer.width": width,
            }
            yield Candidate(f"silencer_{100 * times:.0f}", "silencer", words, changes)
        if abs(likely(box.lip_left)) > 0.01:
            words = Sentence("A silencer with its inlet in the middle")
            yield Candidate("lip_middle", "silencer", words, {"boat.silencer.lip_left": 0.0})
    if facts.silencer_over is not None:
        low = likely(facts.silencer_over) - 0.1
        yield Candidate("silencer_low", "riser", Sentence("The silencer 100 mm lower"), {"boat.silencer_over": low})
    if bore is not None:
        for size in above(WET_HOSES, likely(bore), 2):
            words = Sentence("Exhaust hose {a} → {b}", {"a": (likely(bore), "size"), "b": (size, "size")})
            yield Candidate(f"hose_{size * 1e3:.0f}", "hose", words, {"boat.hose.bore": size})


def _break(context: Context, facts: BoatFacts) -> Iterator[Candidate]:
    if facts.injection_over is None:
        return
    at = wet.least(context, wet.point(facts, "injection"))
    if likely(wet.breaks_needed(at)) == 0.0:
        return
    right = {"boat.siphon": "fitted", "boat.siphon_sits": "after", "boat.siphon_top": "top"}
    if facts.siphon == "fitted" and facts.siphon_over is not None:
        if facts.siphon_sits == "before" or facts.siphon_top == "below":
            words = Sentence("The siphon break at the top of a loop behind the pump")
            yield Candidate("siphon_place", "siphon", words, right)
        for more in RAISED:
            height = likely(facts.siphon_over) + more
            words = Sentence("A longer loop, the siphon break at {h}", {"h": (height, "height")})
            yield Candidate(f"siphon_{more * 1e3:.0f}", "siphon", words, {**right, "boat.siphon_over": height})
    elif facts.siphon == "none":
        height = 0.9
        words = Sentence("A siphon break {h} over the waterline, on the centreline", {"h": (height, "height")})
        yield Candidate("siphon", "siphon", words, {**right, "boat.siphon_over": height, "boat.siphon_left": 0.0})


def _shaft(context: Context, facts: BoatFacts) -> Iterator[Candidate]:
    if facts.shaft_diameter is not None:
        for size in above(SHAFT_BARS, likely(facts.shaft_diameter), 1):
            words = Sentence("Shaft {a} → {b}", {"a": (likely(facts.shaft_diameter), "size"), "b": (size, "size")})
            yield Candidate("shaft", "shaft", words, {"boat.shaft_diameter": size})
    try:
        found = shafting.loaded(context, facts)
    except MissingFact:
        return
    ratio = facts.gear_ratio
    if found is None or ratio is None:
        return
    share = likely(found.takes / shafting.shaft_power(facts, context.wanted))
    if share > 1.0:
        # The cubic law: so much slower a shaft takes just the power.
        to = likely(ratio) * share ** (1.0 / 3.0)
        words = Sentence("A gear of {r} : 1", {"r": f"{to:.2f}"})
        yield Candidate("gear", "propeller", words, {"boat.gear_ratio": to})


def repitched(context: Context, facts: BoatFacts) -> str:
    """What pitch would let it just reach its rated revs, in inches as propeller shops speak; empty where none is known."""
    found = shafting.loaded(context, facts)
    if found is None:
        return ""
    to = shafting.pitch_to_reach(found, facts, shafting.shaft_power(facts, context.wanted))
    return "" if to is None else f"{to / INCH:.1f} in"
