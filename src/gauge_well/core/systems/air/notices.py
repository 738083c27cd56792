"""Guides and assumptions worth saying of the air."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.air import intake, wading, warmth
from gauge_well.core.systems.air.facts import DRAWS, AirFacts
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import duty_values, likely
from gauge_well.core.validity import Notice

PETROL_NEW = 2.5e3  # Pa that a whole petrol intake takes new (common practice)
MEDIA_SPEED = 0.15  # m/s through a medium (common practice)
WARMER = 10.0  # K over which a cold feed is worth a word


def notices(context: Context, facts: AirFacts, found: intake.Drawn, space: warmth.Bay) -> Iterator[Notice]:
    """What the intake's own sizes say, heat, water."""
    yield from _sizes(context, facts, found)
    yield from _warm(context, facts, found, space)
    charge = intake.charge(context, facts, context.peak)
    if charge is not None and charge.mach is not None:
        mach = float(np.max(charge.mach[..., 0]))
        if mach > intake.MACH_MOST:
            words = "Charge runs at Mach {m} in its pipe; above 0.3 losses climb fast."
            yield Notice("charge_mach", Sentence(words, {"m": f"{mach:.2f}"}), "air.charge_pipe.bore")
    if facts.wading is not None and facts.inlet_height is None:
        yield Notice(
            "inlet_unsaid", Sentence("Must it wade, the inlet's height decides: state it."), "air.inlet_height"
        )
    if facts.wading is not None:
        words = "{v} of water in one cylinder lock it: after a splash plugs or injectors out, turn it by hand."
        values = {"v": (wading.locks_at(context.engine, facts), "volume")}
        yield Notice("locks", Sentence(words, values), "air.wading")
    boxed = warmth.box(context, facts, space)
    if boxed is not None and (facts.box_fan is not None or facts.box_vents is not None):
        words = "A box with air through it keeps no splash out by itself: its mouths down, behind a labyrinth, with a filter."
        yield Notice("box_splash", Sentence(words), "air.box_vents" if facts.box_fan is None else "air.box_fan")


def _sizes(context: Context, facts: AirFacts, found: intake.Drawn) -> Iterator[Notice]:
    own, pipe = facts.filter, facts.pipe.bore
    if own.outlet is not None and pipe is not None and likely(own.outlet) < 0.98 * likely(pipe):
        words = "The filter's outlet is {o}, the pipe behind it {p}: the filter is the narrow place."
        values = {"o": (likely(own.outlet), "size"), "p": (likely(pipe), "size")}
        yield Notice("filter_narrow", Sentence(words, values), "air.filter.outlet")
    if facts.snorkel.bore is not None and pipe is not None and likely(facts.snorkel.bore) < 0.9 * likely(pipe):
        words = "The snorkel is {s} inside, the pipe behind the filter {p}: it is the narrow place."
        values = {"s": (likely(facts.snorkel.bore), "size"), "p": (likely(pipe), "size")}
        yield Notice("snorkel_narrow", Sentence(words, values), "air.snorkel.bore")
    if own.area is not None and own.drop is None:
        op = context.peak
        count = len(context.duties.cases)
        speed = max(duty_values(op.air_mass_flow / 1.15 / own.area, count))
        if speed > MEDIA_SPEED:
            words = "Air goes through the filter's medium at {v}; up to 0.15 m/s it keeps dust as it should."
            yield Notice("media_fast", Sentence(words, {"v": (speed, "speed_m_s")}), "air.filter.area")
    if facts.meter is not None and facts.meter_straight is not None:
        asked = intake.METER_AHEAD * likely(facts.meter)
        if likely(facts.meter_straight) < asked:
            words = (
                "Ahead of the meter {has} are straight; behind a bend it reads wrong: {asked}, or a grid ahead of it."
            )
            values = {"has": (likely(facts.meter_straight), "size"), "asked": (asked, "size")}
            yield Notice("meter_bend", Sentence(words, values), "air.meter_straight")
    if context.engine.fuel.spark and facts.allowed is None and found.filter is not None:
        total = float(np.max(found.total[..., 0]))
        if total > PETROL_NEW:
            words = "New, the whole intake takes {takes}; {usual} are usual on petrol engines."
            values = {"takes": (total, "pressure_difference"), "usual": (PETROL_NEW, "pressure_difference")}
            yield Notice("intake_tight", Sentence(words, values), "air.filter.area")


def _warm(context: Context, facts: AirFacts, found: intake.Drawn, space: warmth.Bay) -> Iterator[Notice]:
    warm = warmth.inlet(context, facts, space)
    ambient = context.duties.column("ambient")
    over = np.broadcast_to(warm - ambient, context.peak.power.shape)[..., 0].reshape(-1)
    count = len(context.duties.cases)
    i = int(np.argmax(duty_values(warmth.heat_cost(context.engine, warm, ambient) * context.peak.power, count)))
    if over[i] > WARMER and found.filter is not None:
        power = duty_values(context.peak.power, len(context.duties.cases))[i]
        cost = warmth.heat_cost(context.engine, warm, ambient) * context.peak.power
        heat = duty_values(cost, len(context.duties.cases))[i]
        filter_cost = duty_values(found.cost * context.peak.power, len(context.duties.cases))[i]
        words = "On {duty} it draws air {k} warmer than outside: {heat} of {power}."
        if heat > filter_cost:
            words += " A cold feed gives back more than any filter."
        values: dict[str, tuple[float, str] | str] = {
            "duty": context.duties.cases[i].name.lower(),
            "k": (float(over[i]), "temperature_difference"),
            "heat": (heat, "power"),
            "power": (power, "power"),
        }
        yield Notice("warm_air", Sentence(words, values), "air.draws", context.duties.cases[i].id)
    if facts.draws is None and found.filter is not None:
        words = f"Nobody says where it draws: taken as {DRAWS['shielded'][0]}, four tenths of its air out of the engine space."
        yield Notice("draws_unsaid", Sentence(words), "air.draws")
    if not space.worked and (facts.computer_in == "yes" or facts.fuel_line_in == "yes" or facts.alternator_in == "yes"):
        words = "Nothing moves air through the engine space that is known: core and fan, a blower, or openings low and high."
        yield Notice("bay_still", Sentence(words), "air.blower")
