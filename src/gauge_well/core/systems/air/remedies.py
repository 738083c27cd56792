"""Changes of filter, feed, bores, inlet and box worth trying."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import DUCTS, THROTTLES, above
from gauge_well.core.systems.air import wading, warmth
from gauge_well.core.systems.air.facts import DRAWS, AirFacts
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.typing import likely

LARGER = 1.5
FAN = 0.01  # m3/s of a small box fan (common practice)


def candidates(context: Context, facts: AirFacts) -> list[Candidate]:
    """Each a step from what is there."""
    return [*_intake(facts), *_bores(context, facts), *_water(facts), *_box(facts), *_room(context, facts)]


def _intake(facts: AirFacts) -> Iterator[Candidate]:
    if facts.filter.area is not None:
        now = likely(facts.filter.area)
        more = LARGER * now
        words = Sentence("Filter {a} → {b} of medium", {"a": (now, "area"), "b": (more, "area")})
        yield Candidate("filter", "intake", words, {"air.filter.area": more})
        if facts.draws != "cold":
            yield Candidate("cold", "intake", Sentence(DRAWS["cold"][0].capitalize()), {"air.draws": "cold"})


def _bores(context: Context, facts: AirFacts) -> Iterator[Candidate]:
    places = (
        ("snorkel", "Snorkel", "intake", facts.snorkel.bore),
        ("pipe", "Intake pipe", "intake", facts.pipe.bore),
        ("charge_pipe", "Charge pipes", "charge", facts.charge_pipe.bore),
    )
    for place, name, part, bore in places:
        if bore is None:
            continue
        for size in above(DUCTS, likely(bore), 1):
            words = Sentence(f"{name} {{a}} → {{b}}", {"a": (likely(bore), "size"), "b": (size, "size")})
            yield Candidate(place, part, words, {f"air.{place}.bore": size})
    if facts.throttle is not None and context.engine.fuel.spark:
        for size in above(THROTTLES, likely(facts.throttle), 1):
            words = Sentence("Throttle {a} → {b}", {"a": (likely(facts.throttle), "size"), "b": (size, "size")})
            yield Candidate("throttle", "throttle", words, {"air.throttle": size})


def _water(facts: AirFacts) -> Iterator[Candidate]:
    found = wading.wades(facts)
    if found is None or found.inlet is None or facts.inlet_height is None:
        return
    needed = likely(found.stands) + wading.INLET_SPARE
    if needed > likely(facts.inlet_height):
        words = Sentence("Inlet raised to {h}", {"h": (needed, "height")})
        yield Candidate("raise_inlet", "water", words, {"air.inlet_height": needed})
    slow = likely(facts.wading_speed) / 2.0 if facts.wading_speed is not None else 0.0
    if slow > 0.1:
        words = Sentence("Waded at {v}", {"v": (slow, "speed")})
        yield Candidate("slower", "water", words, {"air.wading_speed": slow})


def _box(facts: AirFacts) -> Iterator[Candidate]:
    if facts.box_watts is None or facts.box_area is None:
        return
    if facts.box_fan is None:
        words = Sentence("A fan of {q} through the box", {"q": (FAN, "air_flow")})
        yield Candidate("box_fan", "box", words, {"air.box_fan": FAN})
    if facts.box_place != "outside":
        yield Candidate("box_out", "box", Sentence("The box outside the engine space"), {"air.box_place": "outside"})


def _room(context: Context, facts: AirFacts) -> Iterator[Candidate]:
    if facts.room_opening is None:
        return
    wanted = float(warmth.room(context, context.peak).wanted[..., 0].max())
    if wanted > likely(facts.room_opening):
        words = Sentence("The room's opening made {a}", {"a": (wanted, "area")})
        yield Candidate("room_opening", "room", words, {"air.room_opening": wanted})
