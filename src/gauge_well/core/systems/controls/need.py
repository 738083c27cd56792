"""What the controls ask: a wheel for the throttle, a reservoir or a pump, a pedal's force, cables to order."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.linkage import vacuum
from gauge_well.core.reads import RELEASE_FORCE, RELEASE_WAY
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.cables import cables
from gauge_well.core.systems.controls.checks_hands import HEAVY
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import as_array, likely

SPARE = 1.1  # of a cable's way that is bought: wide bends at both ends (common practice)


def needs(context: Context, facts: ControlsFacts) -> list[Need]:
    """Of what is stated."""
    return [*_throttle(facts), *_vacuum(context, facts), *_clutch(context, facts), *_cables(facts)]


def _throttle(facts: ControlsFacts) -> Iterator[Need]:
    wheel = model.wheel_for(facts)
    if wheel is not None and facts.throttle != "pedal":
        values = {"wheel": (likely(wheel), "size"), "moves": (likely(as_array(facts.pedal_moves if facts.pedal_moves is not None else 0.0)), "size"), "opens": (likely(facts.opens), "angle")}  # fmt: skip
        words = "A throttle wheel or lever of {wheel} at most, for {moves} of pedal to open it {opens}."
        yield Need("throttle", "wheel", wheel, "size", Sentence(words, values))


def _vacuum(context: Context, facts: ControlsFacts) -> Iterator[Need]:
    if facts.booster != "vacuum":
        return
    if model.vacuumless(facts):
        each = vacuum.lets_in(facts.bore, facts.stroke)
        values = {"each": (likely(each), "volume")}
        words = "A vacuum pump, or brakes helped by fluid: each application lets in {each}."
        yield Need("vacuum", "pump", np.asarray(each), "volume", Sentence(words, values))
        return
    if facts.depth is None:
        return
    # Three applications: (1 + Va/V)^3 = d / least, solved for V.
    own = model.depth_at(facts, facts.depth, facts.high)
    ratio = likely(own) / model.LEAST_DEPTH
    if ratio <= 1.02:
        weak = Sentence("A pump of its own for the booster: idling there are {depth}, it wants more than {least}.", {"depth": (likely(own), "pressure_difference"), "least": (model.LEAST_DEPTH, "pressure_difference")})  # fmt: skip
        yield Need("vacuum", "pump", model.LEAST_DEPTH, "pressure_difference", weak)
        return
    whole = vacuum.lets_in(facts.bore, facts.stroke) / ((own / model.LEAST_DEPTH) ** (1.0 / model.WISHED) - 1.0)
    more = np.asarray(whole - facts.holds)
    if likely(more) > likely(facts.reservoir):
        values = {"more": (likely(more), "volume")}
        words = f"A reservoir of {{more}}, or a pump: then it holds {model.WISHED:.0f} whole applications."
        yield Need("vacuum", "reservoir", more, "volume", Sentence(words, values))


def _clutch(context: Context, facts: ControlsFacts) -> Iterator[Need]:
    force, way = context.told(RELEASE_FORCE), context.told(RELEASE_WAY)
    if force is None or way is None or model.link_of(facts) is not None:
        return
    # Work of the bearing over the most a foot gives, so much of its way lost to free play and rubbing.
    pad = np.ravel(force) * np.ravel(way) / (HEAVY[facts.heavy] * facts.through)
    values = {"pad": (likely(pad), "size"), "force": (likely(force), "force"), "way": (likely(way), "size"), "most": (HEAVY[facts.heavy], "force")}  # fmt: skip
    words = "A clutch pedal that moves {pad} at least past its free way: {force} over {way} at the bearing, {most} at the pad at most."
    yield Need("clutch_pedal", "pad", pad, "size", Sentence(words, values))


def _cables(facts: ControlsFacts) -> Iterator[Need]:
    for cable in cables(facts):
        if cable.way is not None and (cable.long is None or cable.short):
            long = np.asarray(SPARE * as_array(cable.way))
            values = {"long": (likely(long), "length"), "way": (likely(cable.way), "length")}
            words = f"{cable.name}: {{long}} of sleeve for a way of {{way}}, in wide bends."
            yield Need(cable.part, cable.id, long, "length", Sentence(words, values))
