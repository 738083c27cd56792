"""Guides and warnings worth saying of a boat."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow import propeller
from gauge_well.core.flow.lifting import SURGES
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.geometry.afloat import height_over
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat import raw, safety, shafting, wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.systems.boat.facts_shaft import REPOWERS
from gauge_well.core.typing import as_array, duty_values, likely, over_duties
from gauge_well.core.validity import Notice

PRESSES = 100e3  # Pa that a flexible impeller works against for long (common practice)
TILT = np.radians(1.0)


def notices(context: Context, facts: BoatFacts) -> Iterator[Notice]:
    """Raw water, exhaust, shaft, room and flooding in turn."""
    yield from _raw(context, facts)
    if context.machine.exhaust == "wet":
        yield from _wet(context, facts)
    else:
        words = "A dry exhaust: lagged wherever a hand or a plank can touch it; its station judges it, and the room takes its heat."
        yield Notice("dry_exhaust", Sentence(words), "machine.exhaust")
    yield from _shaft(context, facts)
    yield from _room(context, facts)


def _raw(context: Context, facts: BoatFacts) -> Iterator[Notice]:
    try:
        moves = raw.flow(context, facts)
    except MissingFact:
        return
    if facts.suction.bore is not None:
        speed = likely(over_duties(moves / bore_area(facts.suction.bore)))
        if speed > raw.SPEED_MOST:
            words = "Raw water runs at {v} in its suction hose; 1.0 to 1.5 m/s is wished."
            yield Notice("suction_speed", Sentence(words, {"v": (speed, "speed_m_s")}), "boat.suction.bore")
    against = raw.delivery(facts, moves)
    if against is not None and likely(over_duties(against)) > PRESSES:
        words = "The raw-water pump works against {p}; a flexible impeller lives under {most}."
        values = {"p": (likely(over_duties(against)), "pressure_difference"), "most": (PRESSES, "pressure_difference")}
        yield Notice("delivery_pressure", Sentence(words, values), "boat.delivery.bore")
    if context.machine.exhaust == "wet":
        warmest = max(duty_values(raw.mixed(context, facts, context.mean), len(context.duties.cases)))
        values = {
            "t": (raw.alarm(warmest), "temperature"),
            "warm": (warmest, "temperature"),
            "down": (raw.SHUT_DOWN, "temperature"),
        }
        words = (
            "An alarm in the exhaust hose, set to {t} (warmest reading {warm}), shut down at {down}: without water the gas burns "
            "the hose within a minute, long before the coolant tells."
        )
        yield Notice("alarm", Sentence(words, values), "boat.hose_limit")
        if warmest > raw.MIX_WISHED:
            words = "Gas and water come to {warm}; a wet exhaust is laid out for {wished}."
            values = {"warm": (warmest, "temperature"), "wished": (raw.MIX_WISHED, "temperature")}
            yield Notice("mix_warm", Sentence(words, values), "boat.raw_pump.displacement")


def _wet(context: Context, facts: BoatFacts) -> Iterator[Notice]:
    if facts.siphon == "fitted":
        words = "A siphon break's valve sticks with salt: taken out, rinsed and blown through once a year, or a bleed in its place."
        yield Notice("siphon_tested", Sentence(words), "boat.siphon")
    try:
        found = wet.back(context, facts, context.peak)
    except MissingFact:
        found = None
    if found is not None:
        count = len(context.duties.cases)
        rows = zip(context.duties.cases, duty_values(found.lifted.wallis, count), strict=True)
        surges = [case.name.lower() for case, number in rows if number < SURGES]
        if surges:
            words = (
                "The gas is too slow to carry its water up evenly on " + ", ".join(surges) + ": it gargles and surges."
            )
            yield Notice("surges", Sentence(words), "boat.hose.bore")
        if likely(found.start) > 1.3 * likely(as_array(facts.tolerated)):
            words = "At the start it lifts a full hose, {p}: more than the {limit} allowed while running, for a moment only."
            values = {
                "p": (likely(found.start), "pressure_difference"),
                "limit": (likely(as_array(facts.tolerated)), "pressure_difference"),
            }
            yield Notice("start_lift", Sentence(words, values), "boat.high_over")
    yield from _falls(context, facts)


def _falls(context: Context, facts: BoatFacts) -> Iterator[Notice]:
    """Where the hose does not fall to the outlet on one heel or the other."""
    if facts.high_over is None or facts.outlet_over is None:
        return
    high, outlet = wet.point(facts, "high"), wet.point(facts, "outlet")
    run = float(np.hypot(likely(outlet.aft) - likely(high.aft), likely(outlet.left) - likely(high.left)))
    for at in wet.leans(context):
        falls = likely(
            height_over(high.aft, high.left, high.over, at) - height_over(outlet.aft, outlet.left, outlet.over, at)
        )
        if falls < wet.FALLS * run:
            words = (
                "Behind its highest place the hose falls {f} to the outlet {position}: a low loop there holds water. The highest "
                "place near the centreline and higher, or the outlet lower."
            )
            if falls < 0.0:
                words = words.replace("falls {f} to", "rises {f} to")
            yield Notice(
                "low_loop", Sentence(words, {"f": (abs(falls), "height"), "position": at.name}), "boat.high_over"
            )
            return


def _shaft(context: Context, facts: BoatFacts) -> Iterator[Notice]:
    both = shafting.repower(context, facts)
    if both is not None:
        power, torque = likely(both.new_power / both.old_power), likely(both.new_torque / both.old_torque)
        values: dict[str, tuple[float, str] | str] = {"p": (power, "share"), "t": (torque, "share")}
        school, most = REPOWERS[facts.repower]
        if max(power, torque) > most:
            words = (
                f"The shaft gets {{p}} of the old power and {{t}} of the old torque; kept to is {school}. Shaft, log and propeller to "
                "match, or a higher ratio."
            )
            yield Notice("repower", Sentence(words, values), "boat.gear_ratio")
        elif power < 0.95:
            words = "The shaft gets {p} of the old power and {t} of the old torque: less than it had."
            yield Notice("repower", Sentence(words, values), "boat.gear_ratio")
    if facts.aligned_by == "faces" and shafting.aligned(facts) is not None:
        words = (
            "By the faces alone a shaft pressed aside in its log reads true: its gland's clearance felt all round, the shaft turned by "
            "hand, before the engine is moved to it."
        )
        yield Notice("aligned_by", Sentence(words), "boat.aligned_by")
    found = shafting.loaded(context, facts)
    if found is not None:
        share = likely(found.takes / shafting.shaft_power(facts, context.wanted))
        if not found.by_reading:
            words = "The propeller is taken to have let the old engine reach its rated revs: the revs it really reached would settle it."
            yield Notice("old_revs", Sentence(words), "boat.old_reached")
        if share < shafting.WORKS:
            words = "At rated revs this propeller takes {s} of the power: the rest is for nothing. More pitch, or a higher gear."
            yield Notice("underloaded", Sentence(words, {"s": (share, "share")}), "boat.pitch")
    slips = shafting.slips(context, facts)
    if slips is not None:
        slip, (low, high) = likely(slips[0]), slips[1]
        values = {"s": (slip, "share"), "a": (low, "share"), "b": (high, "share")}
        if slip < low or slip > high:
            words = "At top speed the propeller slips {s}; {a} to {b} is usual of such a hull: speed, pitch or ratio is off."
            yield Notice("slip", Sentence(words, values), "boat.pitch")
    if facts.propeller is not None and facts.gear_ratio is not None:
        tip = likely(propeller.tip_speed(facts.propeller, shafting.shaft_speed(context, facts)))
        if tip > propeller.TIP_MOST:
            words = "The blades' tips run at {v}; over {most} they begin to cavitate: more area, or slower."
            values = {"v": (tip, "speed_m_s"), "most": (propeller.TIP_MOST, "speed_m_s")}
            yield Notice("tips", Sentence(words, values), "boat.gear_ratio")
    wished = shafting.wished(context, facts)
    if (
        wished is not None
        and facts.propeller_most is not None
        and likely(wished.diameter) > likely(facts.propeller_most)
    ):
        words = "A propeller of {d} is wished, {room} go in: a lower ratio turns a smaller one faster, at some cost in thrust."
        values = {"d": (likely(wished.diameter), "size"), "room": (likely(facts.propeller_most), "size")}
        yield Notice("aperture", Sentence(words, values), "boat.propeller_most")
    if facts.shaft_angle is not None:
        angle = likely(facts.shaft_angle)
        pitch = likely(need(context.installation.engine_pitch, "installation.engine_pitch"))
        if angle > shafting.STEEP:
            words = "The shaft falls {a}: past 14 degrees thrust is lost and the oil's pickup is tried."
            yield Notice("steep", Sentence(words, {"a": (angle, "angle")}), "boat.shaft_angle")
        if abs(angle - pitch) > TILT:
            words = "The shaft falls {a}, the engine is tilted {b}: a plain coupling wants both alike; a joint or a down-angle gear takes the rest."
            yield Notice("tilt", Sentence(words, {"a": (angle, "angle"), "b": (pitch, "angle")}), "boat.shaft_angle")


def _room(context: Context, facts: BoatFacts) -> Iterator[Notice]:
    spark = context.engine.fuel.spark
    if spark and facts.blower is None:
        words = "Petrol vapour lies in the bilge: a blower from its bottom third, four minutes before every start, nose first."
        yield Notice("blower", Sentence(words), "boat.blower")
    if spark and facts.blower_low == "no":
        words = "Petrol vapour is heavier than air: a duct that draws from above the bottom third leaves it lying."
        yield Notice("blower_low", Sentence(words), "boat.blower_low")
    if spark and facts.ignition_protected != "yes":
        words = "In a petrol engine room starter, alternator, pumps and switches are ignition-protected, car parts are not: look at each."
        yield Notice("ignition_protected", Sentence(words), "boat.ignition_protected")
    bore, moved = safety.widest(facts), [p.moves for p in safety.pumped(facts) if p.moves is not None]
    if bore is not None and moved and sum(moved) < likely(safety.inflow(bore, facts.depth)):
        words = (
            "A {b} hose off its fitting lets in {q}; the bilge pumps take out {p}: they buy time to shut it, no more."
        )
        values = {
            "b": (bore, "size"),
            "q": (likely(safety.inflow(bore, facts.depth)), "flow"),
            "p": (sum(moved), "flow"),
        }
        yield Notice("bilge", Sentence(words, values), "boat.bilge_pumps")
    if not any(p.worked == "automatic" for p in safety.pumped(facts)) and facts.bilge_pumps:
        words = "No bilge pump works by itself: one by a float, fed ahead of the battery's switch through its own fuse."
        yield Notice("no_automatic", Sentence(words), "boat.bilge_pumps")
