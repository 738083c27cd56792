"""The stack against what it must be: free way, shaft and pilot, splines, starter, bolts, patterns, a flywheel that holds."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate, never
from gauge_well.core.parts.flywheel import BALANCES, SEALS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline import stack
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import Array, Value, as_array, likely

STACK, WHEEL = "stack", "flywheel"
CIRCLE = 0.5e-3  # m two bolt circles may differ and still be the same, as taped (common practice)
RUN_OUT = 0.10e-3  # m, whole reading, of a bell's hole and face (common practice)
DEEP, SHALLOW = 0.25, 0.60  # modules from full depth, either way, in which teeth run (common practice)
MOST_OF_HUB = 0.9  # of a short hub that must be on its splines (common practice)
PITCH = 0.10  # of its pitch by which a corrected pinion may seem off (common practice)


def stack_checks(context: Context, facts: DrivelineFacts, stroke: Value | None) -> Iterator[Check]:
    """All that lies along the crank's line; ``stroke``: what the pedal moves the bearing by [m], None where not known."""
    if stack.automatic(context):
        yield from _converter(facts)
    else:
        yield from _bearing(facts, stroke)
        yield from _shaft(facts)
        yield from _splines(facts)
    yield from _starter(facts)
    yield from _bolts(facts)
    yield from _patterns(facts)
    yield from _wheel(context, facts)
    for id, name, found in (
        ("bell_round", "Bell's hole", facts.bell_round),
        ("bell_square", "Bell's face", facts.bell_square),
    ):
        if found is not None:
            words = (
                "{demand} of whole reading; past {capacity} it wears shaft, bearing and clutch: offset dowels or shims."
            )
            yield gate(id, name, STACK, found, RUN_OUT, "size", words, cost=True)


def _at_least(id: str, name: str, gap: Array, kept: Value, words: str, part: str = STACK) -> Check:
    """A length that must be there, {capacity} of {demand}; where it is not at all, {off} beyond."""
    beyond = {"off": (max(-likely(gap), 0.0), "size")}
    return gate(id, name, part, kept, gap, "size", words, lambda: {**beyond}, fill=gap_fill(gap, kept))


def _bearing(facts: DrivelineFacts, stroke: Value | None) -> Iterator[Check]:
    free = stack.play(facts).total
    if free is None:
        return
    rides = facts.bearing_kind == "rides"
    own = likely(free)
    moved = as_array(stroke) if stroke is not None else None
    if moved is not None and own >= likely(moved):
        words = "The bearing never touches the fingers: {free} to them, the pedal moves it {way}."
        far = {"free": own, "way": likely(moved)}
        yield never("bearing_free", "Release bearing", STACK, words, code="never_touches", sizes=far)
        return
    if rides:
        pushed = np.asarray(-free)
        if own > 0.0:
            yield never("bearing_free", "Release bearing", STACK, "A bearing that should ride on the fingers stands {free} off them.", code="never_touches", sizes={"free": own})  # fmt: skip
            return
        yield _at_least("bearing_least", "Riding bearing, least", pushed, stack.PRELOAD[0], "Pushed back {capacity} by the fingers; {demand} keep it on them as the disc wears.")  # fmt: skip
        yield gate("bearing_most", "Riding bearing, most", STACK, pushed, stack.PRELOAD[1], "size", "Pushed back {demand} by the fingers; past {capacity} it bottoms and the clutch slips.")  # fmt: skip
        return
    words = "{capacity} free before the fingers; {demand} at least, for the fingers rise as the disc wears."
    if own < 0.0:
        words = "The bearing presses the fingers by {off} at rest: the clutch slips. Keep {demand} free."
    yield _at_least("bearing_free", "Release bearing, free", free, stack.PLAY[0], words)
    if moved is not None and facts.clutch.release is not None:
        yield gate(
            "bearing_frees", "Clutch lets go", STACK, np.asarray(np.maximum(free, 0.0) + facts.clutch.release), moved, "size",
            "The bearing must go {demand}, free way counted; the pedal moves it {capacity}.",
        )  # fmt: skip
    else:
        yield gate("bearing_far", "Release bearing, far", STACK, np.maximum(free, 0.0), stack.PLAY[1], "size", "{demand} free before the fingers; past {capacity} the pedal's travel is wasted.", cost=True)  # fmt: skip


def _shaft(facts: DrivelineFacts) -> Iterator[Check]:
    room = stack.tip_room(facts).total
    if room is not None:
        if likely(room) <= 0.0:
            words = "The input shaft bottoms in the crank by {by} before the bell meets its face: drawn up, it breaks thrust bearing or gearbox."
            yield never(
                "shaft_room",
                "Input shaft's tip",
                STACK,
                words,
                code="bottoms",
                danger=True,
                sizes={"by": -likely(room)},
            )
        else:
            yield _at_least("shaft_room", "Input shaft's tip", room, stack.SHORT_OF, "Its tip stops {capacity} short of the hole's bottom; keep {demand}.")  # fmt: skip
    inside = stack.in_pilot(facts)
    if inside is None or facts.pilot_long is None:
        return
    if likely(inside) <= 0.0:
        words = "The input shaft's nose ends {by} away from its pilot: the disc hangs and the gearbox's bearing fails."
        yield never("pilot", "Pilot", STACK, words, code="no_pilot", sizes={"by": -likely(inside)})
        return
    kept = np.minimum(stack.PILOT, as_array(facts.pilot_long))
    yield _at_least("pilot", "Pilot", inside, kept, "{capacity} of the nose run in the pilot; keep {demand}. An extended pilot bush mends it.")  # fmt: skip


def _splines(facts: DrivelineFacts) -> Iterator[Check]:
    hub, own = facts.clutch.splines, facts.splines
    if hub is not None and own is not None and round(likely(hub)) != round(likely(own)):
        words = f"The disc's {likely(hub):.0f} splines do not go on a shaft with {likely(own):.0f}: the gearbox's disc in the engine's cover."
        yield never("splines", "Disc on its shaft", "clutch", words, code="splines")
        return
    across, shaft = facts.clutch.bore, facts.spline_across
    if across is not None and shaft is not None and abs(likely(across) - likely(shaft)) > 1e-3:
        words = "Disc and shaft differ by {by} over the splines: not the same."
        by = abs(likely(across) - likely(shaft))
        yield never("splines", "Disc on its shaft", "clutch", words, code="splines", sizes={"by": by})
        return
    inside = stack.in_hub(facts)
    if inside is None or facts.spline_across is None:
        return
    kept = stack.SPLINES * as_array(facts.spline_across)
    if facts.clutch.hub_long is not None:
        kept = np.minimum(kept, MOST_OF_HUB * as_array(facts.clutch.hub_long))
    words = "{capacity} of the splines in the hub; {demand} at least, a diameter or nine tenths of the hub."
    if likely(inside) <= 0.0:
        words = "The splines end {off} away from the disc's hub. Keep {demand} in it."
    yield _at_least("splines", "Disc on its shaft", inside, kept, words, "clutch")


def _converter(facts: DrivelineFacts) -> Iterator[Check]:
    room = stack.converter_room(facts).total
    if room is None:
        return
    low, high = stack.CONVERTER
    if likely(room) <= 0.0:
        words = "The converter is {by} too long: bolted up, it crushes the gearbox's pump."
        yield never(
            "converter_least", "Converter", STACK, words, code="bottoms", danger=True, sizes={"by": -likely(room)}
        )
        return
    yield _at_least("converter_least", "Converter, least", room, low, "Pulled forward {capacity} to the flexplate from fully home; {demand} at least, or it crushes the pump.")  # fmt: skip
    yield gate("converter_most", "Converter, most", STACK, room, high, "size", "Pulled forward {demand} from fully home; past {capacity} it leaves the pump's drive.")  # fmt: skip


def _starter(facts: DrivelineFacts) -> Iterator[Check]:
    found = stack.meshed(facts)
    if found is not None:
        if likely(found.covers) <= 0.0:
            yield never("starter_mesh", "Starter on the ring", WHEEL, "Thrown, the pinion stops {by} short of the ring's teeth.", code="no_mesh", sizes={"by": -likely(found.covers)})  # fmt: skip
        else:
            yield _at_least("starter_mesh", "Starter on the ring", found.covers, stack.MESH * as_array(found.width), "Thrown, it covers {capacity} of the teeth; {demand} at least, two thirds.", WHEEL)  # fmt: skip
        words = "At rest it stands {capacity} off the ring; keep {demand}."
        if likely(found.gap) < 0.0:
            words = "At rest it stands {off} in the ring's teeth. Keep {demand}."
        yield _at_least("starter_rest", "Starter at rest", found.gap, stack.CLEAR, words, WHEEL)
    own = stack.teeth(facts)
    if own is None:
        return
    off = np.abs(own.ring / own.pinion - 1.0)
    yield gate("starter_pitch", "Starter's teeth", WHEEL, off, PITCH, "share", "By teeth and diameters ring and pinion differ {demand} in pitch; past {capacity} they are not the same.")  # fmt: skip
    if own.shallow is not None:
        deep = likely(own.shallow) < 0.0
        most = (DEEP if deep else SHALLOW) * own.ring
        words = (
            "Its middle stands {demand} nearer than full depth; past {capacity} it jams."
            if deep
            else "Its middle stands {demand} off full depth; past {capacity} it skips."
        )
        yield gate("starter_depth", "Starter's depth", WHEEL, np.abs(own.shallow), most, "size", words)


def _bolts(facts: DrivelineFacts) -> Iterator[Check]:
    inside = stack.threaded(facts)
    if inside is None:
        return
    if facts.bolt is not None:
        spaced = likely(facts.spacer) > 0.0
        kept = (stack.AFTER_SPACER if spaced else stack.PLAIN) * as_array(facts.bolt)
        words = "{capacity} of thread in the crank; {demand} at least, " + ("one and a half diameters behind a spacer." if spaced else "a diameter.")  # fmt: skip
        yield _at_least("bolts", "Flywheel's bolts", inside, kept, words, WHEEL)
    if facts.bolt_hole is not None and likely(inside) > likely(facts.bolt_hole):
        words = "Its bolts bottom {by} before they clamp."
        by = likely(inside) - likely(facts.bolt_hole)
        yield never(
            "bolts_bottom", "Flywheel's bolts, too long", WHEEL, words, code="bottoms", danger=True, sizes={"by": by}
        )


def _patterns(facts: DrivelineFacts) -> Iterator[Check]:
    wheel = facts.flywheel
    if facts.crank_seal and wheel.seal and facts.crank_seal != wheel.seal:
        words = f"It is made for a crank with a {SEALS[wheel.seal]}, the block has a {SEALS[facts.crank_seal]}: another bolt circle."
        yield never("pattern_seal", "Flywheel on its crank", WHEEL, words, code="pattern")
    if (
        facts.crank_bolts is not None
        and wheel.bolts is not None
        and round(likely(facts.crank_bolts)) != round(likely(wheel.bolts))
    ):
        words = f"{likely(wheel.bolts):.0f} holes for {likely(facts.crank_bolts):.0f} bolts."
        yield never("pattern_bolts", "Flywheel's holes", WHEEL, words, code="pattern")
    circles = facts.crank_circle, wheel.circle
    if circles[0] is not None and circles[1] is not None and abs(likely(circles[0]) - likely(circles[1])) > CIRCLE:
        both = {"own": likely(circles[1]), "crank": likely(circles[0])}
        words = "Its bolts stand on {own}, the crank's on {crank}."
        yield never("pattern_circle", "Flywheel's bolt circle", WHEEL, words, code="pattern", sizes=both)
    if facts.crank_balance and wheel.balance and facts.crank_balance != wheel.balance:
        words = f"It is made for an engine balanced by {BALANCES[wheel.balance]}, this one is by {BALANCES[facts.crank_balance]}: it shakes itself to pieces."  # fmt: skip
        yield never("balance", "Flywheel's balance", WHEEL, words, code="balance", danger=True)


def _wheel(context: Context, facts: DrivelineFacts) -> Iterator[Check]:
    if likely(facts.spacer) > 0.0 and facts.spacer_metal == "alloy":
        words = "A spacer of light alloy creeps under the flywheel's bolts as it warms: they come loose. Steel."
        yield never("spacer", "Spacer", WHEEL, words, code="alloy", danger=True)
    found = stack.bursts(context, facts)
    if found is None:
        return
    stress, most = found
    limit = likely(context.engine.facts.limit_speed)
    words = "{demand} at its hole a quarter over {limit}; {capacity} is two thirds of what its metal stands. In pieces it comes through floor and feet."
    yield gate("burst", "Flywheel at speed", WHEEL, stress, most, "stress", words, lambda: {"limit": (limit, "speed_rpm")}, danger=True)  # fmt: skip
