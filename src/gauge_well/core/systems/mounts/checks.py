"""Mounts and brackets against what they stand: gates of shock, limits that go with the torque, costs of comfort."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate
from gauge_well.core.engine.model import Operation
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.strength.bolt import INTO
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts import brackets
from gauge_well.core.systems.mounts.brackets import Braced, braced, lacks, on_foot, sheet_lacks
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.loads import TORQUED, Pulled, torqued
from gauge_well.core.systems.mounts.model import Held, shake
from gauge_well.core.systems.torqued import Asked, asked, torque_limit
from gauge_well.core.typing import Array, as_array, likely

QUIET = 0.5  # share of its shake past which a mount is felt (common practice)
SQUEEZED = 0.25  # share of a rubber's free length past which it cracks (common practice)


@dataclass(frozen=True)
class Turned:
    """The torque cases at some powers: worked once, and brought to (power step, 1, draw)."""

    pulled: Pulled
    steps: int
    asked: Asked

    def worst(self, values: Array) -> Array:
        """The greatest of the three cases of (n, c) as (step, 1, draw)."""
        return np.asarray(values.reshape(len(values), self.steps, TORQUED).max(axis=-1).T[:, None])

    def name(self, values: Array) -> str:
        """Which case it is, at the first power."""
        return self.pulled.names[int(values[0, :TORQUED].argmax())]


def turned(context: Context, found: Held, peak: Operation) -> Turned:
    """The torque cases at a power."""
    own = asked(context, peak)
    if own.factor is None:
        return Turned(found.torqued, 1, own)
    n = len(found.stood.mass)
    factor = np.broadcast_to(own.factor, (len(own.factor), max(n, own.factor.shape[-1]))).T[:n]
    stood, torque = found.stood, found.torque
    return Turned(torqued(stood, torque, found.thrust, factor), len(own.factor), own)


def in_line(message: str) -> Check:
    """Mounts that stand in a line: whatever their stuff, they hold nothing."""
    return gate("in_line", "Mounts", "mounts", 1.0, 0.0, "count", "{why}", lambda: {"why": message}, danger=True)


def mount_checks(context: Context, facts: MountsFacts, found: Held, at: Turned) -> Iterator[Check]:
    """Rating, squeeze, stops, shake."""
    rest = found.shocked.carried[:, 0, :, 2]
    for k, foot in enumerate(found.stood.feet):
        if foot.rated is not None:
            yield gate(
                f"rated_{foot.id}",
                f"Rating of {foot.name.lower()}",
                "mounts",
                rest[:, k] / GRAVITY,
                as_array(foot.rated),
                "mass",
                "{demand} on it at rest; rated for {capacity}.",
            )
    for n, (id, mount) in enumerate(facts.mounts, 1):
        if mount.free is not None and mount.sleeve is not None:
            squeeze = 1.0 - as_array(mount.sleeve) / mount.free
            yield gate(
                f"squeeze_{id}",
                f"Squeeze of mount {n}'s rubber",
                "mounts",
                np.maximum(squeeze, 0.0),
                SQUEEZED,
                "share",
                "Clamped on its sleeve it is squeezed by {demand}; past {capacity} it cracks.",
            )
    if not facts.mounts:
        return  # of mounts nobody has stated, only the brackets' loads and the rock are told
    yield _stops(found, at)
    yield _shake(context, found)


def _stops(found: Held, at: Turned) -> Check:
    """How far the mount goes that comes nearest to its stop: past it, it works and is felt."""
    gone = np.abs(at.pulled.moved).reshape(*at.pulled.moved.shape[:2], -1)
    share = gone / found.stood.travel[:, None]
    first = share[0, :TORQUED]
    case, axis = np.unravel_index(int(first.argmax()), first.shape)
    foot = found.stood.feet[int(axis) // 3]
    travel = likely(foot.travel)
    demand = np.asarray(share[:, :TORQUED].max(axis=(1, 2)) * travel)
    words = f"{foot.name} goes {{demand}} {at.pulled.names[int(case)]}; its stop stands at {{capacity}}: past it, it knocks."
    return gate("stops", "Mounts on their stops", "mounts", demand, travel, "size", words, cost=True)


def _shake(context: Context, found: Held) -> Check:
    passes = shake(context, found)
    at = context.engine.facts.firing(likely(context.engine.facts.idle_speed))

    def more() -> dict[str, tuple[float, str] | str]:
        return {"hz": (at, "frequency"), "mode": (likely(found.modes.of("roll")), "frequency")}

    words = "At idle it fires {hz}, its roll on the mounts stands at {mode}: {demand} of the shake passes; past {capacity} it is felt."
    return gate("shake", "Shake at idle", "mounts", passes, QUIET, "share", words, more, cost=True)


def bracket_checks(context: Context, facts: MountsFacts, found: Held, at: Turned) -> Iterator[Check]:
    """Of each bracket that is known well enough: shock, torque, life, bolts, sheet."""
    for item in braced(facts.brackets, len(found.stood.feet)):
        if lacks(item):
            continue
        yield from _strength(context, found, at, item)
        if item.facts.welded == "yes":
            yield _life(found, item)
        if item.facts.bolted == "yes":
            yield from _bolts(found, item)
        if item.facts.on_sheet == "yes" and not sheet_lacks(item):
            yield from _sheet(found, item)


def _strength(context: Context, found: Held, at: Turned, item: Braced) -> Iterator[Check]:
    own = item.facts
    force, case = brackets.shock_on(found, item.foot)
    limit = brackets.allowed(own)
    yield gate(
        f"shock_{item.id}",
        f"Shock on {item.said}",
        "brackets",
        brackets.stress(own, item.where, force),
        limit,
        "stress",
        f"{{force}} on it {case}: {{demand}} at its root; {{capacity}} is allowed.",
        lambda: {"force": (likely(force), "force")},
    )
    pulls = on_foot(at.pulled.size, item.foot)
    yield torque_limit(
        context, f"torque_{item.id}", f"Torque on {item.said}", "brackets", brackets.stress(own, item.where, at.worst(pulls)), limit,
        "stress", "{demand} at its root, {case}; {capacity} is allowed.", at.asked, {"case": at.name(pulls)},
    )  # fmt: skip


def _life(found: Held, item: Braced) -> Check:
    own = item.facts
    rest = brackets.rest_on(found, item.foot)
    fill = brackets.life_fill(own, item.where, rest)
    at_rest = brackets.weld_stress(own, item.where, rest)
    # Over the spectrum: what the weld's class stands of such swings, at rest's stress.
    return gate(
        f"life_{item.id}",
        f"Weld's life of {item.said}",
        "brackets",
        at_rest,
        at_rest / np.maximum(fill, 1e-9),
        "stress",
        "{demand} in its throat at rest; a life of such use stands {capacity}. A throat of {throat} lasts.",
        lambda: {"throat": (likely(brackets.throat_for(own, item.where, rest)), "size")},
    )


def _bolts(found: Held, item: Braced) -> Iterator[Check]:
    own = item.facts
    most, case = brackets.worst_on(found, item.foot)
    held = brackets.bolted(own, item.where, most)
    grip = as_array(own.friction) * own.bolts * held.preload
    yield gate(
        f"slip_{item.id}",
        f"Friction of {item.said}'s bolts",
        "brackets",
        most,
        grip,
        "force",
        f"{{demand}} {case}; {{capacity}} is held by bolts at {{torque}} dry.",
        lambda: {"torque": (held.dry, "torque")},
        fill=np.minimum(held.slip, 9.99),
    )
    yield gate(
        f"opens_{item.id}",
        f"Prising of {item.said}'s bolts",
        "brackets",
        held.opens * held.preload,
        held.preload,
        "force",
        f"{{demand}} prises each bolt at the far edge, {case}; drawn to {{capacity}}.",
    )
    if held.engaged is not None:
        yield gate(
            f"thread_{item.id}",
            f"Thread of {item.said}'s bolts",
            "brackets",
            held.wanted,
            held.engaged,
            "size",
            f"{{capacity}} of thread; {{demand}} is wanted in {INTO[own.into].label}.",
            fill=np.asarray(gap_fill(held.engaged, held.wanted)),
        )


def _sheet(found: Held, item: Braced) -> Iterator[Check]:
    force, case = brackets.worst_on(found, item.foot)
    worked = brackets.sheeted(item.facts, item.where, force)
    mend = (
        "a plate of {least} wide holds"
        if worked.least is not None
        else "no plate so near its fold holds: carry it to a rail"
    )
    yield gate(
        f"bends_{item.id}",
        f"Sheet round the plate of {item.said}",
        "brackets",
        worked.bends,
        1.0,
        "share",
        f"{{demand}} of what the sheet takes, {case}; {mend}.",
        lambda: {"least": (worked.least or 0.0, "size")},
    )
    if worked.bears is not None:
        yield gate(
            f"bears_{item.id}",
            f"Sheet at the bolts of {item.said}",
            "brackets",
            worked.bears,
            1.0,
            "share",
            f"{{demand}} of what the edge of its holes bears, {case}.",
        )
