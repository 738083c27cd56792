"""Guides and assumptions worth saying of the oil."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import breathing, circuit, covering, dipping, drysump, feeding, levels, returns
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan, over_floor
from gauge_well.core.typing import Array, duty_values, likely, over_duties
from gauge_well.core.validity import Notice

CLEARANCE = (0.006, 0.010)  # m, pickup over the floor (common practice)
SIEVE = 8.0  # bores' areas open in a sieve, 8 to 12 (common practice)
POURED_OFF = 0.08  # of the oil poured that a stick may differ before the pan's measures are doubted (common practice)
LIGHT = 1.2  # of a switch's setting under which its lamp flickers at idle (common practice)
COLD = 293.15
COOL_OIL = 343.15  # K under which oil keeps its water and its fuel (common practice)


def notices(context: Context, facts: OilFacts, pan: Pan | None, hot: Array) -> Iterator[Notice]:
    """Guides and what stands behind the answer."""
    yield from _pressure(context, facts, hot)
    if pan is not None and not drysump.is_dry(facts):
        yield from _pan(context, facts, pan)
    if drysump.is_dry(facts):
        yield from _dry(context, facts)
    yield from _back(context, facts)


def _pressure(context: Context, facts: OilFacts, hot: Array) -> Iterator[Notice]:
    if facts.hot_pressure is None:
        words = "Oil pressure is not judged: give one hot reading with its engine speed."
        yield Notice("pressure_not_judged", Sentence(words), "oil.hot_pressure")
    idle = likely(context.engine.facts.idle_speed)
    leak = feeding.leak_of(context, facts)
    if facts.pressure_school == "per_speed":
        meets = likely(leak.relief) / feeding.PSI_PER_SPEED
        if meets < likely(context.engine.rated_speed):
            words = "The relief opens at {p}: over {rpm} it holds the pressure under 10 psi for each 1000 rpm."
            if meets < idle:
                words = "The relief opens at {p}, under 10 psi for each 1000 rpm at every speed from idle up."
            values = {"p": (likely(leak.relief), "pressure_gauge"), "rpm": (meets, "speed_rpm")}
            yield Notice("relief_low", Sentence(words, values), "oil.pump.relief")
    found = circuit.way(context, facts, idle, float(np.max(hot[..., 0])))
    if found is not None and facts.switch_opens is not None:
        reads = likely(found.at(facts.switch_at or "gallery"))
        if reads < LIGHT * likely(facts.switch_opens):
            words = "At a hot idle {p} stand where the switch is; it lights under {opens}: its lamp will flicker."
            values = {"p": (reads, "pressure_gauge"), "opens": (likely(facts.switch_opens), "pressure_gauge")}
            yield Notice("switch_flickers", Sentence(words, values), "oil.switch_opens")
    cold = circuit.way(context, facts, 2.0 * idle, COLD)
    if cold is not None and facts.cooler.into in ("air", "water") and likely(cold.cooled) < 0.5:
        words = "At {t} the cooler's bypass is open: {share} of the oil goes through the cooler."
        values = {"t": (COLD, "temperature"), "share": (likely(cold.cooled), "share")}
        yield Notice("cooler_bypassed", Sentence(words, values), "oil.cooler.bypass")
    coolest = min(duty_values(hot, len(context.duties.cases)))
    if facts.cooler.into == "air" and facts.cooler.plate != "plate" and coolest < COOL_OIL:
        words = "On the coolest duty the oil stays at {t}, too cold to drive out water and fuel: a thermostat plate."
        yield Notice("oil_stays_cold", Sentence(words, {"t": (coolest, "temperature")}), "oil.cooler.plate")


def _pan(context: Context, facts: OilFacts, pan: Pan) -> Iterator[Notice]:
    gap = likely(over_floor(facts, pan))
    if not CLEARANCE[0] <= gap <= CLEARANCE[1]:
        words = "The pickup stands {gap} over the floor; {low} to {high} is usual."
        values = {"gap": (gap, "length"), "low": (CLEARANCE[0], "length"), "high": (CLEARANCE[1], "length")}
        yield Notice("pickup_clearance", Sentence(words, values), "oil.pickup.clearance")
    tilt = likely(covering.mouth_tilt(facts, pan)) if covering.leans(facts) else 0.0
    if tilt > np.radians(1.0):
        words = "The pickup's mouth leans {tilt} against the floor: an adapter of that angle sets it parallel."
        yield Notice("mouth_leans", Sentence(words, {"tilt": (tilt, "angle")}), "oil.pickup.mouth_roll")
    bore = float(bore_area(likely(facts.pickup.bore)))
    if facts.pickup.sieve is not None and likely(facts.pickup.sieve) < SIEVE * bore:
        words = (
            "The sieve's open area is {n} times the pipe's; 8 to 12 is usual: a clogging one starves the pump early."
        )
        yield Notice(
            "sieve_small",
            Sentence(words, {"n": (round(likely(facts.pickup.sieve) / bore, 1), "ratio")}),
            "oil.pickup.sieve",
        )
    stick, full = levels.marks(context, facts, pan), likely(facts.oil_quantity)
    if stick is not None and stick.poured is not None:
        off = stick.poured / full - 1.0
        words = "The stick read after pouring bears the pan out: {read} by its measures, {poured} poured."
        if abs(off) > POURED_OFF:
            words = (
                "By the stick the pan as measured holds {read} to there, and {poured} were poured: measure it again."
            )
        values = {"read": (stick.poured, "volume"), "poured": (full, "volume")}
        yield Notice("poured", Sentence(words, values), "oil.dipstick.wetted")
    standing = dipping.clear(context, facts, pan, levels.level_up(context), full)
    if standing is not None and float(standing) < 0.0:
        words = "Before it starts the big ends stand {d} in the oil: a little is usual, more is foam as it starts."
        yield Notice("standing_dips", Sentence(words, {"d": (-float(standing), "size")}), "oil.oil_quantity")
    over = dipping.clear(
        context, facts, pan, levels.level_up(context), likely(covering.in_sump(facts)) + dipping.OVERFILLED
    )
    if over is not None and float(over) < 0.0:
        words = "{more} too much, and the big ends dip {d} into it: fill by the stick."
        values = {"more": (dipping.OVERFILLED, "volume"), "d": (-float(over), "size")}
        yield Notice("overfilled_dips", Sentence(words, values), "oil.oil_quantity")
    yield Notice(
        "quasi_static",
        Sentence(
            "Coverage is for steady acceleration: the oil has had time to move. An uncovering shorter than "
            "about half a second may be ridden out."
        ),
    )


def _dry(context: Context, facts: OilFacts) -> Iterator[Notice]:
    rated = np.asarray(context.engine.rated_speed)
    moved, pressure = drysump.scavenged(facts, rated), likely(feeding.pump_flow(facts, rated))
    if moved is not None and likely(moved) > drysump.SCAVENGE_MOST * pressure:
        words = "The stages move {n} times what the pump does; over 3 they churn air into the oil."
        yield Notice(
            "scavenge_large",
            Sentence(words, {"n": (round(likely(moved) / pressure, 1), "ratio")}),
            "oil.scavenge.ratio",
        )
    drawn = likely(over_duties(feeding.hot_flow(context, facts)))
    lines = (
        (facts.tank_line.bore, drawn, drysump.TANK_SPEED, "oil.tank_line.bore", "from the tank"),
        (
            facts.scavenge_line.bore,
            0.0 if moved is None else likely(moved) / likely(facts.scavenge.stages or 1.0),
            drysump.FOAM_SPEED,
            "oil.scavenge_line.bore",
            "of foam",
        ),
    )
    for bore, flow, most, field, what in lines:
        if bore is not None and drysump.line_speed(likely(bore), flow) > most:
            values: dict[str, tuple[float, str] | str] = {
                "v": (drysump.line_speed(likely(bore), flow), "speed_m_s"),
                "most": (most, "speed_m_s"),
                "what": what,
                "bore": (float(np.sqrt(4.0 * flow / (np.pi * most))), "size"),
            }
            words = "{v} in the line {what}; {most} is kept to: {bore} bore."
            yield Notice(field.split(".")[1], Sentence(words, values), field)


def _back(context: Context, facts: OilFacts) -> Iterator[Notice]:
    thrown = returns.head_pan(facts)
    if thrown is not None:
        pan, volume = thrown
        asked = max(likely(c.cornering) for c in context.duties.cases)
        dry = float(min(covering.covered(pan, covering.rotation_of(context), volume, 0.0, s) for s in (-1.0, 1.0)))
        if dry < asked:
            words = (
                "In a bend the head's returns stand dry from {g}, and the head fills until it ends; {asked} are asked."
            )
            values = {
                "g": (dry * GRAVITY, "acceleration"),
                "asked": (asked * GRAVITY, "acceleration"),
            }
            yield Notice("head_thrown", Sentence(words, values), "oil.head_side")
    if facts.breather.bore is None:
        return
    if context.engine.facts.aspiration != "natural":
        words = "With boost the valve to the intake must shut: the crankcase breathes ahead of the compressor then."
        yield Notice("breather_boost", Sentence(words), "oil.breather.bore")
    speed = breathing.can_speed(facts, over_duties(breathing.blow_by(facts, context.peak, worn=True)))
    if speed is not None and likely(speed) > breathing.CAN_SPEED:
        words = "Gas rises at {v} in the catch can; over {most} it carries its oil on: a wider one, baffled."
        values = {"v": (likely(speed), "speed_m_s"), "most": (breathing.CAN_SPEED, "speed_m_s")}
        yield Notice("can_small", Sentence(words, values), "oil.catch_can")
