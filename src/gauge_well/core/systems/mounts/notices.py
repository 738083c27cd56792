"""What is worth saying of mounts and brackets: guides and ways of the trade."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts.brackets import braced, leans
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import Held
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

SINKS = (0.0025, 0.0075)  # m that a sound rubber mounting sinks (common practice, 3 to 6 mm)
LEANS = 0.0175  # rad: 1 degree
BOLTS = 3  # at the block, at the least (common practice)
LOOSE = 0.03  # of its free length that a clamped rubber is squeezed at the least (common practice)


def notices(context: Context, facts: MountsFacts, found: Held) -> list[Notice]:
    """Sink, pull, one hard among soft, bolts, lean, squeeze, thrust."""
    return [*_sink(facts, found), *_pulled(facts, found), *_mixed(facts), *_brackets(facts, found), *_loose(facts)]


def _sink(facts: MountsFacts, found: Held) -> Iterator[Notice]:
    sinks = likely(found.sink)
    least, most = SINKS
    rubber = facts.mounts and all(m.stuff in ("soft", "firm") for _, m in facts.mounts)
    if rubber and not least <= sinks <= most:
        words = "It sinks {s} under its own weight; rubber mounts are chosen to sink 3 to 6 mm: {so}."
        so = (
            "these are soft for it, and rest near their stops"
            if sinks > most
            else "these are stiff for it, and pass its shake on"
        )
        field = f"mounts.mounts.{facts.mounts[0][0]}.rate"
        yield Notice("sink", Sentence(words, {"s": (sinks, "size"), "so": so}), field)


def _pulled(facts: MountsFacts, found: Held) -> Iterator[Notice]:
    up = found.torqued.carried[0, :, :, 2]
    case, k = np.unravel_index(int(up.argmin()), up.shape)
    if facts.mounts and up[case, k] < 0.0:
        foot = found.stood.feet[int(k)]
        words = "{mount} is pulled up by {f}, {case}: it needs a captive cushion, or a wider stance."
        values: dict[str, tuple[float, str] | str] = {
            "mount": foot.name,
            "f": (float(-up[case, k]), "force"),
            "case": found.torqued.names[int(case)],
        }
        yield Notice("pulled", Sentence(words, values), f"mounts.mounts.{foot.id}.left")


def _mixed(facts: MountsFacts) -> Iterator[Notice]:
    metal = [id for id, m in facts.mounts if m.stuff == "solid"]
    if metal and len(metal) < len(facts.mounts):
        words = "One solid mount among rubber ones takes all that moves, and breaks: make it soft, or all solid."
        yield Notice("one_solid", Sentence(words), f"mounts.mounts.{metal[0]}.stuff")


def _brackets(facts: MountsFacts, found: Held) -> Iterator[Notice]:
    for item in braced(facts.brackets, len(found.stood.feet)):
        own = item.facts
        if own.bolted == "yes" and likely(own.bolts) < BOLTS and own.into in ("iron", "alloy"):
            words = "{name}: fewer than three bolts into a block work loose."
            yield Notice("few_bolts", Sentence(words, {"name": item.name}), f"{item.where}.bolts")
        leaning = leans(own)
        if leaning is not None and leaning[0] > LEANS:
            words = "{name} may lean {a} in its holes before it grips: its mount goes {by} by that. Ream, dowel, or tighten it loaded."
            values: dict[str, tuple[float, str] | str] = {
                "name": item.name,
                "a": (leaning[0], "angle"),
                "by": (leaning[1], "size"),
            }
            yield Notice("leans", Sentence(words, values), f"{item.where}.hole")


def _loose(facts: MountsFacts) -> Iterator[Notice]:
    for n, (id, mount) in enumerate(facts.mounts, 1):
        if mount.free is None or mount.sleeve is None:
            continue
        if 1.0 - likely(mount.sleeve) / likely(mount.free) < LOOSE:
            words = "Mount {n}: its sleeve is as long as its rubber: clamped, it is not held and works loose."
            yield Notice("loose", Sentence(words, {"n": str(n)}), f"mounts.mounts.{id}.sleeve")
