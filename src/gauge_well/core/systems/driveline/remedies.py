"""Changes of the driveline worth trying."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.driveline.clutch import LININGS
from gauge_well.core.driveline.shaft import STEELS
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.driveline import halves, lines, stack
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.typing import likely, likely_or

TUBES = tuple(d * 1e-3 for d in (50.8, 63.5, 76.2, 88.9, 101.6))  # of shafts, outside [m] (common practice)
CLAMPS = 1.25


def candidates(context: Context, facts: DrivelineFacts) -> list[Candidate]:
    """Each a step from what is there."""
    return [
        *_clutch(context, facts),
        *_stack(context, facts),
        *_shafts(facts),
        *_halves(context, facts),
        *_axles(context, facts),
    ]


def _clutch(context: Context, facts: DrivelineFacts) -> Iterator[Candidate]:
    own = facts.clutch
    if stack.automatic(context) or own.outer is None or own.clamp is None:
        return
    now = likely(own.clamp)
    yield Candidate("clamp", "clutch", Sentence("Cover {a} → {b}", {"a": (now, "force"), "b": (CLAMPS * now, "force")}), {"driveline.clutch.clamp": CLAMPS * now})  # fmt: skip
    if own.lining != "puck":
        yield Candidate("lining", "clutch", Sentence("Lining of metal pucks, harsher"), {"driveline.clutch.lining": "puck", "driveline.clutch.friction": LININGS["puck"].friction})  # fmt: skip
    discs = likely(own.discs)
    if discs < 3.0:
        yield Candidate("discs", "clutch", Sentence("Discs {a} → {b}", {"a": (discs, "count"), "b": (discs + 1.0, "count")}), {"driveline.clutch.discs": discs + 1.0})  # fmt: skip
    yield Candidate(
        "reserve",
        "clutch",
        Sentence("A fifth over the torque kept, not more"),
        {"driveline.reserve": "light"},
        school=True,
    )


def _stack(context: Context, facts: DrivelineFacts) -> Iterator[Candidate]:
    wanted = None if stack.automatic(context) else stack.spacer_for(facts)
    if wanted is not None and abs(likely(wanted) - likely(facts.spacer)) >= 0.5e-3:
        size = round(likely(wanted), 4)
        if size >= 0.0:
            yield Candidate("spacer", "stack", Sentence("Spacer {a} → {b}", {"a": (likely(facts.spacer), "size"), "b": (size, "size")}), {"driveline.spacer": size})  # fmt: skip
        else:
            more = round(likely(facts.adapter) - size, 4)
            yield Candidate("adapter", "stack", Sentence("Adapter {a} → {b}", {"a": (likely(facts.adapter), "size"), "b": (more, "size")}), {"driveline.adapter": more})  # fmt: skip
    room = stack.tip_room(facts).total
    if room is not None and likely(room) < stack.SHORT_OF and facts.reach is not None:
        cut = stack.SHORT_OF + 1e-3 - likely(room)
        now = likely(facts.reach)
        change = {"driveline.reach": round(now - cut, 5)}
        if facts.nose is not None:
            change["driveline.nose"] = round(max(likely(facts.nose) - cut, 0.0), 5)
        yield Candidate("shorten", "stack", Sentence("Input shaft's tip cut by {a}", {"a": (cut, "size")}), change)
    inside = stack.in_pilot(facts)
    if inside is not None and facts.pilot_in is not None and likely(inside) < stack.PILOT:
        by = stack.PILOT - likely(inside)
        to = round(likely(facts.pilot_in) - by, 5)
        yield Candidate(
            "pilot",
            "stack",
            Sentence("A pilot that stands {a} farther out", {"a": (by, "size")}),
            {"driveline.pilot_in": to},
        )
    if likely(facts.spacer) > 0.0 and facts.spacer_metal == "alloy":
        steel = {"driveline.spacer_metal": "steel"}
        yield Candidate("spacer_metal", "flywheel", Sentence("The spacer of steel"), steel)
    if facts.flywheel.across is not None and facts.flywheel.metal in ("iron", "good_iron"):
        yield Candidate(
            "wheel_metal", "flywheel", Sentence("A flywheel of steel"), {"driveline.flywheel.metal": "steel"}
        )
    inside = stack.threaded(facts)
    if inside is not None and facts.bolt is not None and facts.bolt_long is not None:
        kept = (stack.AFTER_SPACER if likely(facts.spacer) > 0.0 else stack.PLAIN) * likely(facts.bolt)
        if likely(inside) < kept:
            to = likely(facts.bolt_long) + float(np.ceil(1e3 * (kept - likely(inside)) / 5.0)) * 5e-3
            yield Candidate("bolts", "flywheel", Sentence("Crank's bolts {a} → {b}", {"a": (likely(facts.bolt_long), "size"), "b": (to, "size")}), {"driveline.bolt_long": to})  # fmt: skip


def _shafts(facts: DrivelineFacts) -> Iterator[Candidate]:
    for id, own in facts.shafts:
        place = f"driveline.shafts.{id}"
        if own.tube is not None:
            for wide in above(TUBES, likely(own.tube), 1):
                yield Candidate(f"tube_{id}", "shafts", Sentence("Shaft's tube {a} → {b}", {"a": (likely(own.tube), "size"), "b": (wide, "size")}), {f"{place}.tube": wide})  # fmt: skip
        if likely(own.forks) > 0.0:
            yield Candidate(f"forks_{id}", "shafts", Sentence("Its forks in line"), {f"{place}.forks": 0.0})
        if own.steel == "tube":
            yield Candidate(
                f"steel_{id}", "shafts", Sentence(f"Shaft of {STEELS['alloy'].label}"), {f"{place}.steel": "alloy"}
            )
    for line in lines.lines(facts):
        if len(line.shafts) != 1:
            continue
        # The axle's input turned so that both joints bend alike, its plan kept.
        own = line.shafts[0][1]
        field = "front_falls" if line.axle == "front" else "pinion_falls"
        out = likely_or(facts.out_falls) * (-1.0 if line.axle == "front" else 1.0)
        now, to = likely_or(getattr(facts, field)), round(out, 4)
        if abs(now - to) > np.radians(0.5):
            words = Sentence(
                f"{line.axle.capitalize()} axle's input turned to fall {{b}}: both joints bend alike",
                {"b": (to, "angle")},
            )
            yield Candidate(f"turn_{line.axle}", "shafts", words, {f"driveline.{field}": to})


def _halves(context: Context, facts: DrivelineFacts) -> Iterator[Candidate]:
    order = list(STEELS)
    for id, own in facts.halves:
        place, name = f"driveline.halves.{id}", halves.called(facts, id, own)
        if own.thick is not None and own.steel != order[-1]:
            better = order[order.index(own.steel) + 1]
            yield Candidate(
                f"steel_{id}", "halves", Sentence(f"{name} of {STEELS[better].label}"), {f"{place}.steel": better}
            )
            thick = round(likely(own.thick) + 2e-3, 4)
            yield Candidate(f"thick_{id}", "halves", Sentence(f"{name} {{a}} → {{b}}", {"a": (likely(own.thick), "size"), "b": (thick, "size")}), {f"{place}.thick": thick})  # fmt: skip
        if own.inner == "tripod":
            yield Candidate(
                f"inner_{id}",
                "halves",
                Sentence(f"{name}: inner joint of six balls"),
                {f"{place}.inner": "ball", f"{place}.slides": None},
            )
    for half in halves.halves(context, facts):
        if half.facts.owned is not None and abs(likely(half.facts.owned) - likely(half.mid)) > 2e-3:
            to = round(likely(half.mid), 3)
            yield Candidate(
                f"length_{half.id}",
                "halves",
                Sentence(f"{half.name} of {{b}}", {"b": (to, "length")}),
                {f"driveline.halves.{half.id}.owned": to},
            )


def _axles(context: Context, facts: DrivelineFacts) -> Iterator[Candidate]:
    if context.machine.drive == "four" and facts.axle_out != "none":
        if facts.centre == "open":
            yield Candidate(
                "centre",
                "members",
                Sentence("The differential between the axles locked"),
                {"driveline.centre": "locked"},
            )
        yield Candidate(
            "axle_in", "members", Sentence("The second axle's shaft put in"), {"driveline.axle_out": "none"}
        )
    if facts.locks != "open":
        yield Candidate("open", "members", Sentence("Differential open"), {"driveline.locks": "open"})
    if facts.box_cooler != "air" and facts.cooler_gives is not None:
        yield Candidate("cooler", "box_oil", Sentence("Gearbox's cooler in the air"), {"driveline.box_cooler": "air"})
