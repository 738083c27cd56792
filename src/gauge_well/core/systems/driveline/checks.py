"""The driveline against what it stands: torque through clutch, gearbox and shafts; lines, half-shafts, the gearbox's oil."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate, hot_gate, never
from gauge_well.core.driveline import joints, shaft
from gauge_well.core.engine.model import Operation
from gauge_well.core.parts.halfshaft import OUTER_MOST
from gauge_well.core.parts.member import WHATS
from gauge_well.core.sentence import Sentence, inside, numbered
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline import carried, halves, lines, oiling, stack
from gauge_well.core.systems.driveline.facts import RESERVES, DrivelineFacts
from gauge_well.core.systems.driveline.halves import Half
from gauge_well.core.systems.driveline.lines import Line
from gauge_well.core.systems.torqued import asked, peak_torque, torque_limit
from gauge_well.core.typing import Array, as_array, duty_values, likely

NOTED = 1.15  # times its torque that a gearbox's rating should be (common practice)


def torque_checks(context: Context, facts: DrivelineFacts, peak: Operation) -> Iterator[Check]:
    """Everything that the engine's torque goes through; each goes with the power wanted."""
    at = asked(context, peak)
    own = peak_torque(context)
    pulls = at.times(own)
    holds = carried.held(facts)
    if holds is not None and not stack.automatic(context):
        keeps = RESERVES[facts.reserve][1]
        words = "The clutch holds {capacity}; {torque} with {reserve} over it ask {demand}."
        values: dict[str, tuple[float, str] | str] = {
            "torque": (likely(own), "torque"),
            "reserve": (keeps - 1.0, "share"),
        }
        yield torque_limit(
            context, "clutch", "Clutch", "clutch", np.asarray(keeps * pulls), holds, "torque", words, at, values
        )
    if facts.rating is not None:
        words = "{demand} into a gearbox that may be given {capacity}."
        yield torque_limit(
            context, "rating", "Gearbox's input", "gearbox", pulls, facts.rating, "torque", words, at, {}
        )
    found = carried.driven(context)
    if found is None:
        return
    tyres = carried.capped(context, facts, found, at)
    why = ", where the tyres let go" if tyres else ", the clutch let go"
    for id, member in facts.members:
        if member.what is None or member.rated is None or not carried.drives(context, facts, member.axle):
            continue
        name = numbered(
            WHATS[member.what],
            [other for other, m in facts.members if (m.what, m.axle) == (member.what, member.axle)],
            id,
        )
        asks = carried.at_place(context, facts, found, at, member.at)
        words = "{demand} on it" + why + "; it carries {capacity}."
        yield torque_limit(context, f"member_{id}", f"{member.axle.capitalize()} {name}", "members", asks, member.rated, "torque", words, at, {})  # fmt: skip
    for id, own_shaft in facts.shafts:
        if own_shaft.tube is None or own_shaft.wall is None or not carried.drives(context, facts, own_shaft.line):
            continue
        torque = carried.at_place(context, facts, found, at, "shaft")
        hollow = np.maximum(as_array(own_shaft.tube) - 2.0 * as_array(own_shaft.wall), 0.0)
        yield torque_limit(
            context, f"twist_{id}", f"{lines.called(facts, id, own_shaft.line)}, twisted", "shafts", shaft.twisting(torque, own_shaft.tube, hollow), carried.stands(own_shaft),
            "stress", "{torque} twist it to {demand}" + why + "; its steel yields at {capacity}.", at, {"torque": (likely(torque), "torque")},
        )  # fmt: skip
    for id, half in facts.halves:
        if half.thick is None or not carried.drives(context, facts, half.axle):
            continue
        torque = carried.at_place(context, facts, found, at, "wheel")
        yield torque_limit(
            context, f"twist_{id}", f"{halves.called(facts, id, half)}, twisted", "halves", shaft.twisting(torque, half.thick), carried.stands(half),
            "stress", "{torque} twist it to {demand}" + why + "; its steel yields at {capacity}.", at, {"torque": (likely(torque), "torque")},
        )  # fmt: skip


def still_checks(context: Context, facts: DrivelineFacts) -> Iterator[Check]:
    """What no power changes: whether it drives at all, lines of shafts, half-shafts."""
    yield from _drives(context, facts)
    own = [line for line in lines.lines(facts) if carried.drives(context, facts, line.axle)]
    if own:  # how fast it goes is worked over every draw: only for shafts that turn by it
        speed = lines.fastest(context, facts)
        for line in own:
            yield from _line(facts, line, speed)
    for half in halves.halves(context, facts):
        if carried.drives(context, facts, half.facts.axle):
            yield from _half(half)


def _drives(context: Context, facts: DrivelineFacts) -> Iterator[Check]:
    if context.machine.drive == "four" and facts.axle_out != "none" and facts.centre == "open":
        words = f"With the {facts.axle_out} axle's shaft out and the differential between the axles open, all goes to the shaft that is not there: it does not move. Lock it."
        yield never("axle_out", "Axle left out", "members", words, code="no_drive")


def _line(facts: DrivelineFacts, line: Line, speed: Array | None) -> Iterator[Check]:
    for k, (id, own) in enumerate(line.shafts):
        which = lines.called(facts, id, line.axle)
        whirl = lines.whirls(own)
        if whirl is not None and speed is not None:
            words = "It turns {demand} at most on the road; {capacity} are seven tenths of where it whirls."
            yield gate(
                f"whirl_{id}",
                f"{which}, whirling",
                "shafts",
                speed,
                lines.WHIRLS * whirl,
                "speed_rpm",
                words,
                danger=True,
            )
        bent = np.maximum(line.angles[k], line.angles[k + 1])
        words = "Standing laden a joint bends {demand}; it binds at {capacity}."
        yield gate(f"bends_{id}", f"{which}'s joints", "shafts", bent, own.joint_most, "angle", words)
        if speed is not None:
            yield _needles(id, which, bent, speed)
    if speed is not None:
        yield from _uneven(line, speed)
    yield from _slides(line)


def _needles(id: str, which: str, bent: Array, speed: Array) -> Check:
    values = {"angle": (likely(bent), "angle"), "speed": (likely(speed), "speed_rpm")}
    words = f"{{angle}} at {{speed}}: past {lines.BEARS:,.0f} degrees times rev/min its needles are short-lived."
    return gate(f"needles_{id}", f"{which}'s needles", "shafts", np.degrees(bent) * speed, lines.BEARS, "count", words, lambda: {**values}, cost=True)  # fmt: skip


def _uneven(line: Line, speed: Array) -> Iterator[Check]:
    rate, inner = joints.acceleration(line.residual, speed), joints.acceleration(line.angles[0], speed)
    values = {"speed": (likely(speed), "speed_rpm"), "left": (likely(line.residual), "angle")}
    words = f"What its joints leave is as one bent {{left}}: at {{speed}} the axle is shaken {likely(rate):,.0f} rad/s², {lines.DRIVING:,.0f} are felt."
    yield gate(f"uneven_{line.axle}", f"Evenness, {line.name}", "shafts", rate, lines.DRIVING, "count", words, lambda: {**values}, cost=True)  # fmt: skip
    words = f"Between its joints the shaft itself is shaken {likely(inner):,.0f} rad/s² at {{speed}}; {lines.COASTING:,.0f} are felt."
    yield gate(f"shakes_{line.axle}", f"Shake in the {line.name}", "shafts", inner, lines.COASTING, "count", words, lambda: {**values}, cost=True)  # fmt: skip


def _slides(line: Line) -> Iterator[Check]:
    id, own = line.shafts[-1]
    found = lines.slid(line)
    if found is None:
        return
    yield gate(f"travel_{id}", f"Joints over the travel, {line.name}", "shafts", found.bends, own.joint_most, "angle", "Over bump and droop a joint bends {demand}; it binds at {capacity}.")  # fmt: skip
    shorter = np.maximum(np.maximum(-found.up, -found.down), 0.0)
    longer = np.maximum(np.maximum(found.up, found.down), 0.0)
    if own.slides_in is not None:
        words = "Over its travel it slides in {way}; {capacity} are there, {demand} asked."
        asked_in = shorter + lines.SPARE
        yield gate(f"slides_{id}", f"Slip, in, {line.name}", "shafts", asked_in, own.slides_in, "size", words, lambda: {"way": (likely(shorter), "size")}, fill=gap_fill(own.slides_in, asked_in), danger=True)  # fmt: skip
    if own.spline is not None and own.engaged is not None:
        left = as_array(own.engaged) - longer
        words = "Drawn out {way} over its travel, {capacity} of its spline stay in; {demand} are asked, two thirds."
        kept = lines.ENGAGED * as_array(own.spline)
        yield gate(f"engaged_{id}", f"Slip, out, {line.name}", "shafts", kept, left, "size", words, lambda: {"way": (likely(longer), "size")}, fill=gap_fill(left, kept))  # fmt: skip


def _half(half: Half) -> Iterator[Check]:
    own, id = half.facts, half.id
    worst = half.over.inner.max(axis=0)
    yield gate(f"inner_{id}", f"{half.name}, inner joint", "halves", worst, half.joint.most, "angle", "Over its travel the inner joint bends {demand}; it takes {capacity}.")  # fmt: skip
    yield gate(f"runs_{id}", f"{half.name}, standing", "halves", half.runs, half.joint.runs, "angle", "Standing laden it runs bent {demand}; past {capacity} such a joint shudders under torque.", cost=True)  # fmt: skip
    yield gate(f"outer_{id}", f"{half.name}, outer joint", "halves", half.outer, OUTER_MOST, "angle", "At full lock and travel the outer joint bends {demand}; a ball joint takes {capacity}.")  # fmt: skip
    slides = as_array(own.slides)
    if likely(slides) > 0.0 and own.owned is None:
        yield gate(f"plunge_{id}", f"{half.name}, sliding", "halves", half.slides, slides, "size", "Over its travel its length changes {demand}; its joint slides {capacity}.")  # fmt: skip
    gone = halves.off(half)
    if gone is not None and own.owned is not None:
        longer, out = likely(own.owned) > likely(half.mid), likely(gone) > likely(0.5 * slides)
        words = "The one there is {owned}, {right} would be right: its joint goes {demand} from its middle, {capacity} are there"
        words += ("; it bottoms." if longer else "; it pulls apart.") if out else "."
        values = {"owned": (likely(own.owned), "length"), "right": (likely(half.mid), "length")}
        yield gate(f"length_{id}", f"{half.name}, length", "halves", gone, 0.5 * slides, "size", words, lambda: {**values}, danger=out)  # fmt: skip
    if own.stub is not None and own.room is not None:
        kept = as_array(own.stub) + halves.ROOM
        words = "It is drawn out {demand} to come free, {capacity} are beside its flange with the engine in."
        if likely(own.room) < likely(own.stub):
            words = "With the engine in, {inside} does not go in: it is drawn out {demand}, {capacity} are beside its flange. Before the engine, then, or the engine let down."
        yield gate(f"goes_in_{id}", f"{half.name}, going in", "halves", kept, own.room, "size", words, lambda: {"inside": inside(half.name)}, fill=gap_fill(own.room, kept))  # fmt: skip


def oil_checks(context: Context, facts: DrivelineFacts, op: Operation) -> Iterator[Check]:
    """How warm the gearbox's oil gets, where its cooler is stated; its lines."""
    if facts.box_cooler != "none" and facts.cooler_gives is not None:
        t, names = oiling.warmth(context, facts, op), [name for _, name in context.duties.named]

        def said(at: int) -> Sentence:
            settled, kept = duty_values(t, len(names))[at], likely(facts.box_most)
            values = {"t": (settled, "temperature"), "most": (kept, "temperature")}
            return Sentence(f"Its oil settles at {{t}} on {names[at].lower()}; {{most}} is kept.", values)

        ambient = context.duties.column("ambient")
        yield hot_gate("box_oil", "Gearbox's oil", "box_oil", t, ambient, facts.box_most, said)
    found = oiling.drop(facts)
    if found is not None:
        yield gate("box_lines", "Gearbox cooler's lines", "box_oil", found, oiling.DROP, "pressure_difference", "{demand} lost in them warm; past {capacity} less oil is cooled.", cost=True)  # fmt: skip
