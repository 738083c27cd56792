"""Guides worth saying of runs and joints."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.sentence import Sentence, inside
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.routes import joints, runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.validity import Notice

NAMED = 6


def notices(context: Context, facts: RoutesFacts) -> Iterator[Notice]:
    """What is forgotten, what may not lie together, ends that hang, threads that only look alike, elbows that cannot be turned."""
    if facts.routes:
        yield from _runs(context, facts)
    for joint in joints.all_of(facts):
        place = f"routes.joints.{joint.id}"
        asked = joint.facts.at_hand is not None and joint.facts.wanted is not None and joint.male is not None
        if asked and joint.male is not None and joint.male.of.male_taper:
            turns = joint.turns
            words = f"{joint.name}: no turn between one and a half and three past hand tight points it there: another elbow." if turns is None else f"{joint.name}: {turns:.1f} turns past hand tight point it as wanted."  # fmt: skip
            yield Notice(f"clocked_{joint.id}", Sentence(words), f"{place}.wanted")
        if joint.fits is not None and joint.fits.goes and joint.male is not None:
            yield Notice(f"seals_{joint.id}", Sentence(f"{joint.name}: {joint.male.label} {joint.fits.words}."), f"{place}.male")  # fmt: skip


def _runs(context: Context, facts: RoutesFacts) -> Iterator[Notice]:
    lost = runs.forgotten(context, facts)
    if lost:
        more = f" and {len(lost) - NAMED} more" if len(lost) > NAMED else ""
        listed = ", ".join(inside(run.name) for run in lost[:NAMED])
        yield Notice("forgotten", Sentence(f"Stated elsewhere and not routed: {listed}{more}."), "routes.routes")
    seen = set[tuple[str, str]]()
    for part in runs.bundles(facts):
        for a, b, kept in part.apart:
            if (a, b) in seen:
                continue
            seen.add((a, b))
            words = "{a} and {b} share a lane from {from} to {to}: {kept}."
            values: dict[str, tuple[float, str] | str] = {
                "a": a, "b": inside(b), "kept": kept, "from": (part.shared.start, "length"), "to": (part.shared.end, "length"),
            }  # fmt: skip
            yield Notice("apart", Sentence(words, values), "routes.routes")
    for id, run in facts.routes:
        if run.relief == "no" and run.moves != "none":
            words = f"{runs.named(facts, id)} hangs on its ends and one of them moves: held within a hand of either, the slack between."
            yield Notice(f"relief_{id}", Sentence(words), f"routes.routes.{id}.relief")
