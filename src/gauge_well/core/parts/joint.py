"""A joint: a thread in a hole, or a hose over a spigot."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, text
from gauge_well.core.fittings.spigot import HOSES
from gauge_well.core.fittings.thread import THREADS
from gauge_well.core.typing import Value

GROUP = "Joint"
WHATS: Mapping[str, str] = {"thread": "a thread in a hole", "spigot": "a hose over a spigot", "tee": "a tee in a hose"}
MADE_OF: Mapping[str, str] = {"light": "light alloy", "iron": "iron, steel, brass"}
_THREAD, _SPIGOT, _TEE, _HOSES = (("what", w) for w in (("thread",), ("spigot",), ("tee",), ("spigot", "tee")))
_LABELS = {k: v.label for k, v in THREADS.items()}


@dataclass(frozen=True)
class JointFacts:
    """What is joined to what. SI; angles from straight up, clockwise as one looks at the hole."""

    what: str | None = choice("It is", WHATS, needed=True, group=GROUP)
    where: str | None = text("Where", group=GROUP)
    male: str | None = choice("Fitting's thread", _LABELS, group=GROUP, when=_THREAD)
    female: str | None = choice("Hole's thread", _LABELS, group=GROUP, when=_THREAD)
    boss: Value | None = quantity("Boss round the hole, across", "size", 0.008, 0.2, group=GROUP, when=_THREAD)
    depth: Value | None = quantity("Screwed in", "size", 0.002, 0.1, group=GROUP, when=_THREAD, help="Full threads.")
    made_of: str = choice("Hole in", MADE_OF, group=GROUP, when=_THREAD)
    at_hand: Value | None = quantity(
        "Hand tight it points", "angle", -6.3, 6.3, group=GROUP, when=_THREAD, help="Of an elbow."
    )
    wanted: Value | None = quantity("and should point", "angle", -6.3, 6.3, group=GROUP, when=_THREAD, follows="at_hand")  # fmt: skip
    hose: Value | None = quantity("Hose's bore", "size", 0.002, 0.3, group=GROUP, when=_HOSES)
    branch: Value | None = quantity("Branch's bore", "size", 0.002, 0.3, group=GROUP, when=_TEE)
    spigot: Value | None = quantity("Spigot, across its bead or end", "size", 0.002, 0.3, group=GROUP, when=_SPIGOT)
    kind: str = choice("Hose", {k: v.label for k, v in HOSES.items()}, group=GROUP, when=_HOSES)


WAYS: Mapping[str, Way] = {
    "boss": Way("hand", "Calliper across the boss at its thinnest."),
    "depth": Way("hand", "Turns times the pitch."),
    "at_hand": Way("hand", "By a clock: twelve is up, three is 90°."),
    "hose": Way("hand", "Calliper in a cut end."),
    "branch": Way("hand", "Calliper in a cut end."),
    "spigot": Way("hand", "Calliper across it."),
}

JOINT = Kind("joint", "Joint", JointFacts, WAYS)
