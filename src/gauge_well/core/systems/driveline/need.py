"""What the wanted power and the machine ask of clutch, gearbox, shafts and cooler, fitted or not."""

from __future__ import annotations

import numpy as np

from gauge_well.core.driveline import shaft
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.driveline import carried, halves, lines, oiling, stack
from gauge_well.core.systems.driveline.checks import NOTED
from gauge_well.core.systems.driveline.facts import RESERVES, DrivelineFacts
from gauge_well.core.systems.torqued import asked, peak_torque
from gauge_well.core.typing import Array, Value, as_array, duty_values, likely

THIN = (0.0762, 0.0720)  # m, a drawn tube outside and inside, by which others are scaled


def needs(context: Context, facts: DrivelineFacts) -> list[Need]:
    """Clutch and gearbox by torque, a spacer by the stack, shafts by torque and grip, half-shafts to order, a cooler."""
    return [*_torque(context, facts), *_stack(context, facts), *_shafts(context, facts), *_cooler(context, facts)]


def _torque(context: Context, facts: DrivelineFacts) -> list[Need]:
    own = peak_torque(context)
    found = []
    if not stack.automatic(context):
        kept = RESERVES[facts.reserve][1]
        words = "A clutch that holds {needs}: {torque} and {reserve} over it."
        values = {
            "needs": (likely(kept * own), "torque"),
            "torque": (likely(own), "torque"),
            "reserve": (kept - 1.0, "share"),
        }
        found.append(Need("clutch", "holds", np.asarray(kept * own), "torque", Sentence(words, values)))
        wide, inner = facts.clutch.outer, carried.lined(facts)
        if wide is not None and inner is not None and facts.clutch.clamp is None:
            faces = 2.0 * likely(facts.clutch.discs) * likely(facts.clutch.friction)
            clamp = kept * own / (faces * (as_array(wide) + inner) / 4.0)
            said = Sentence(
                "On a lining of {wide} that is a cover of {clamp}.",
                {"wide": (likely(wide), "size"), "clamp": (likely(clamp), "force")},
            )
            found.append(Need("clutch", "clamp", np.asarray(clamp), "force", said))
    words = "A gearbox that may be given {needs}: a seventh over {torque}."
    values = {"needs": (likely(NOTED * own), "torque"), "torque": (likely(own), "torque")}
    found.append(Need("gearbox", "rating", np.asarray(NOTED * own), "torque", Sentence(words, values)))
    return found


def _stack(context: Context, facts: DrivelineFacts) -> list[Need]:
    if stack.automatic(context):
        return []
    wanted = stack.spacer_for(facts)
    if wanted is None:
        return []
    size = likely(wanted)
    free = stack.AIM[facts.bearing_kind]
    if abs(size - likely(facts.spacer)) < 1e-3:
        return []
    aim = "{free} free" if free > 0.0 else "pushed back {free}"
    values = {"size": (abs(size), "size"), "free": (abs(free), "size")}
    if size < -0.5e-3:
        words = "{size} more of adapter, or a bearing so much shorter: then it is " + aim + "."
        return [Need("stack", "adapter", np.asarray(-wanted), "size", Sentence(words, values))]
    words = (
        "A spacer of {size} in all under the flywheel, of steel: then the bearing is "
        + aim
        + ". Look at bolts, starter and pilot again."
    )
    return [Need("stack", "spacer", np.asarray(wanted), "size", Sentence(words, values))]


def _shafts(context: Context, facts: DrivelineFacts) -> list[Need]:
    found: list[Need] = []
    driven = carried.driven(context)
    if driven is not None:
        at = asked(context, context.peak)
        tyres = carried.capped(context, facts, driven, at)
        why = "where the tyres let go" if tyres else "the clutch let go in the lowest gear"
        axle = carried.at_place(context, facts, driven, at, "axle")
        one = carried.at_place(context, facts, driven, at, "wheel")
        words = f"An axle that carries {{needs}} at its wheels together, {why}; one half-shaft {{one}}: {{thick}} of medium carbon steel."
        thick = np.cbrt(16.0 * one / (np.pi * shaft.SHEARS * shaft.STEELS["carbon"].yields))
        values = {"needs": (likely(axle), "torque"), "one": (likely(one), "torque"), "thick": (likely(thick), "size")}
        found.append(Need("members", "axle", np.ravel(axle), "torque", Sentence(words, values)))
    for half in halves.halves(context, facts):
        values = {"length": (likely(half.mid), "length"), "slides": (likely(half.slides), "size"), "angle": (likely(half.over.inner.max(axis=0)), "angle")}  # fmt: skip
        words = f"{half.name}: {{length}} joint to joint, its inner joint half slid; it slides {{slides}} and bends {{angle}} over the travel."
        found.append(Need("halves", f"length_{half.id}", half.mid, "length", Sentence(words, values)))
    speed = lines.fastest(context, facts)
    for id, own in facts.shafts:
        if own.tube is None and own.length is not None and speed is not None:
            wide = _tube(own.length, speed)
            said = Sentence(f"{own.line.capitalize()} shaft of {{length}}: a tube of {{wide}} at least, thin, for it turns {{speed}}.", {"length": (likely(own.length), "length"), "wide": (likely(wide), "size"), "speed": (likely(speed), "speed_rpm")})  # fmt: skip
            found.append(Need("shafts", f"tube_{id}", wide, "size", said))
    return found


def _tube(length: Value, speed: Array) -> Array:
    """Outside [m] of a thin tube that whirls only past what is kept: its stiffness over its mass goes with its width."""
    each = shaft.critical(length, *THIN)
    return np.asarray(THIN[0] * speed / (lines.WHIRLS * each))


def _cooler(context: Context, facts: DrivelineFacts) -> list[Need]:
    if (context.machine.gearbox or "manual") == "manual" and facts.box_cooler == "none":
        return []
    gives = oiling.cooler_needed(context, facts, context.mean)
    each = duty_values(gives, len(context.duties.cases))
    worst = int(np.argmax(each))
    if each[worst] <= 0.0:
        return []
    name = context.duties.cases[worst].name.lower()
    heat = duty_values(context.gearbox_heat(context.mean), len(each))[worst]
    if not np.isfinite(each[worst]):
        words = Sentence("A cooler in the air for the gearbox's oil: on {duty} {heat} come, and the coolant is as warm as it may be.", {"duty": name, "heat": (heat, "heat")})  # fmt: skip
        return [Need("box_oil", "cooler", 0.0, "conductance", words)]
    where = "in the radiator's tank" if facts.box_cooler == "tank" else "in the air"
    words = Sentence(f"A cooler {where} that gives {{needs}}: on {{duty}} {{heat}} come, {{most}} is kept.", {"needs": (each[worst], "conductance"), "duty": name, "heat": (heat, "heat"), "most": (likely(facts.box_most), "temperature")})  # fmt: skip
    return [Need("box_oil", "cooler", each[worst], "conductance", words)]
