"""Clutch pedal, shifter, steering and brakes against what they must do."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate, never
from gauge_well.core.fittings.thread import THREADS, fits
from gauge_well.core.reads import AXLE_FRONT
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.cables import too_short
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import likely

HEAVY = {"road": 150.0, "heavy": 200.0}  # N at the pad (common practice)
BENDS = 0.1  # of the rod's way that a bracket may swallow (common practice)
LONG = (0.040, 0.060)  # m of knob's throw that is usual (common practice)
MOST_THROW = 0.090
ROD_OFF = np.radians(15.0)  # (common practice)
KNUCKLES = 0.035  # m round a knob for a hand (common practice)
ASIDE = 0.060  # m off where the hand falls that a bent lever makes up (common practice)
DETENT = 0.25  # of the selector's way that its detent still pulls back (common practice)
JOINT = np.radians(35.0)  # (common practice)
RIPPLE = 0.05  # felt at the wheel (common practice)
CLEAR = 0.015  # m (common practice)
TOE = np.radians(0.1) / 0.025  # rad a metre of bump (common practice)


def clutch_checks(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    """Way of the bearing, force at the pad, what the bracket bears and how far it bends; pipes that join."""
    yield from too_short(facts, "clutch_pedal")
    yield from _thread("clutch_pipe", "Clutch pipe", "clutch_pedal", facts.pipe_end, facts.slave_port)
    found = model.pedalled(context, facts)
    if found is None:
        return
    if found.asked is not None:
        words = "The pedal moves the bearing {capacity}; {demand} free the clutch, the free way counted."
        yield gate("clutch_way", "Clutch pedal frees it", "clutch_pedal", found.asked, found.moves, "size", words)
    if found.pad is not None:
        most = HEAVY[facts.heavy]
        words = "{demand} at the pad; past {capacity} it is a heavy one. A smaller master asks less and moves less."
        yield gate("clutch_force", "Clutch pedal's weight", "clutch_pedal", found.pad, most, "force", words, cost=True)
    if found.rod is not None and facts.bracket_bears is not None:
        words = "{demand} at its rod; the bracket bears {capacity}."
        if likely(found.rod) > likely(facts.bracket_bears):
            words += " Its welds pop: stiffen it before the clutch goes in."
        yield gate(
            "clutch_bracket",
            "Pedal's bracket",
            "clutch_pedal",
            found.rod,
            facts.bracket_bears,
            "force",
            words,
            danger=True,
        )
    if facts.pad is not None and facts.pedal_ratio is not None:
        way = (facts.pad - facts.pad_lost) / facts.pedal_ratio
        words = "It bends {demand} under the whole push; past {capacity}, a tenth of the rod's way, the clutch does not free."
        yield gate("clutch_bends", "Pedal's bracket, bending", "clutch_pedal", facts.gives, BENDS * np.asarray(way), "size", words, cost=True)  # fmt: skip
    if facts.nipple_high == "no" and facts.release != "cable":
        yield never("clutch_bleeds", "Clutch, bleeding", "clutch_pedal", "Its nipple is not the highest place: air stays in it, and half the way goes into that.", code="air_stays", cost=True)  # fmt: skip


def _thread(id: str, name: str, part: str, male: str | None, female: str | None) -> Iterator[Check]:
    if male is None or female is None:
        return
    found = fits(THREADS[male], THREADS[female])
    if not found.goes:
        words = f"{THREADS[male].label} in {THREADS[female].label}: {found.words}. An adapter, by those who make brake and steering pipes."
        yield never(id, name, part, words, code="thread")


def shift_checks(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    """Where the knob comes, how far it goes, what it meets, what the engine's rock does to its rods."""
    if facts.shifter == "none":
        return
    yield from too_short(facts, "shifter")
    found = model.shifted(context, facts)
    if found.behind is not None and found.left is not None and facts.shifter == "direct":
        ahead = likely(found.behind) < 0.0
        off = np.hypot(found.behind, found.left)
        words = f"The gearbox puts its lever {{along}} too far {'forward' if ahead else 'back'}, {{aside}} aside; past {{capacity}} in all a bent lever does not make it up."
        values = {"along": (abs(likely(found.behind)), "size"), "aside": (abs(likely(found.left)), "size")}
        yield gate("knob_place", "Knob's place", "shifter", off, ASIDE, "size", words, lambda: {**values}, cost=True)
    if found.throw is not None:
        words = (
            "The knob goes {demand} from neutral to a gear; {short} to {long} are usual, past {capacity} it is a reach."
        )
        ends = {"short": (LONG[0], "size"), "long": (LONG[1], "size")}
        yield gate(
            "throw", "Knob's throw", "shifter", found.throw, MOST_THROW, "size", words, lambda: {**ends}, cost=True
        )
    if facts.rod_off is not None and facts.shifter == "rods":
        words = "The rod runs {demand} off square to its lever; past {capacity} the throws differ and it stiffens."
        yield gate("rod_off", "Shift rod's angle", "shifter", facts.rod_off, ROD_OFF, "angle", words, cost=True)
    jumps = model.rod_jumps(context, facts)
    if jumps is not None and facts.throw is not None:
        kept = DETENT * facts.throw
        words = "The engine's rock moves its rod {demand} against a lever on the body; past {capacity} it jumps out of gear."
        if likely(jumps) > likely(kept):
            words += " Pivot the lever on the unit, or use cables."
        yield gate("jumps", "Shifter and the engine's rock", "shifter", jumps, kept, "size", words)
    gaps = model.knob_gaps(context, facts)
    if gaps:
        worst = min(gaps, key=lambda g: likely(g.left))
        words = "In {gear} the knob is {capacity} from what is {against}; a hand asks {demand}."
        if likely(worst.left) < 0.0:
            words = "In {gear} the knob meets what is {against}: the gear does not go in. A hand asks {demand}."
        yield gate("knob_clash", "Knob in every gear", "shifter", KNUCKLES, worst.left, "size", words, lambda: {"gear": worst.gear, "against": worst.against}, fill=gap_fill(worst.left, KNUCKLES))  # fmt: skip


def steer_checks(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    """Column, rack, pump: joints, evenness, room, bump-steer, flow and pressure."""
    found = model.column(facts)
    if found is not None:
        worst = found.angles.max(axis=0)
        words = "A joint of the column bends {demand}; {capacity} is the most."
        yield gate("column_joint", "Column's joints", "steering", worst, JOINT, "angle", words, danger=True)
        words = "It turns {demand} heavier and lighter round; past {capacity} it is felt. Angles alike and forks in line mend it."
        yield gate("column_even", "Column's evenness", "steering", found.ripple, RIPPLE, "share", words, cost=True)
    if facts.column_gap is not None:
        words = "{capacity} round the column from lock to lock; keep {demand}."
        yield gate("column_gap", "Room round the column", "steering", CLEAR, facts.column_gap, "size", words, fill=gap_fill(facts.column_gap, CLEAR), danger=True)  # fmt: skip
    if facts.collapses == "no":
        yield never("collapse", "Column", "steering", "Altered, it no longer collapses in a crash: that is kept, or the column another.", code="collapse", danger=True)  # fmt: skip
    toe = model.toed(facts)
    if toe is not None:
        bump = likely(facts.bump)
        words = "Over a bump of {bump} a wheel steers itself {demand}; past {capacity} it darts. Rack and arms at their maker's height again, or its joints shimmed."
        yield gate("bump_steer", "Bump-steer", "steering", toe, TOE * np.asarray(facts.bump), "angle", words, lambda: {"bump": (bump, "size")}, cost=True)  # fmt: skip
    yield from _pump(context, facts)
    yield from _thread("steer_hose", "Steering hose", "steering", facts.hose_end, facts.box_port)


def _pump(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    if facts.steers not in ("donor", "own"):
        return
    flow = model.pump_flow(context, facts)
    if flow is not None:
        idle = likely(context.engine.facts.idle_speed)
        words = "A quick turn asks {demand}; idling at {idle} the pump gives {capacity}: past that it goes heavy."
        if likely(flow[1]) <= likely(flow[0]):
            words = "A quick turn asks {demand}; idling at {idle} the pump gives {capacity}."
        yield gate("steer_flow", "Steering pump's flow", "steering", flow[1], flow[0], "flow", words, lambda: {"idle": (idle, "speed_rpm")}, cost=True)  # fmt: skip
    asked = model.pressure_asked(context, facts, context.told(AXLE_FRONT))
    if asked is not None and facts.relief is not None:
        words = "Standing wheels ask {demand}; the pump's relief opens at {capacity}."
        yield gate(
            "steer_pressure",
            "Steering pump's pressure",
            "steering",
            asked,
            facts.relief,
            "pressure_gauge",
            words,
            cost=True,
        )
    if facts.relief is not None and facts.box_most is not None:
        words = "The pump gives up to {demand}; the rack may be given {capacity}."
        yield gate(
            "steer_relief",
            "Pressure in the rack",
            "steering",
            facts.relief,
            facts.box_most,
            "pressure_gauge",
            words,
            danger=True,
        )
