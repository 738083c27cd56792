"""The stack from the block's rear face to the release bearing: where everything lies, rearward positive [m], and what is left
between."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline import shaft
from gauge_well.core.duty.facts import AUTOMATIC
from gauge_well.core.facts import fact
from gauge_well.core.parts.flywheel import METALS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline.facts_stack import StackFacts
from gauge_well.core.typing import Array, Value, as_array

PLAY = (1e-3, 3e-3)  # m free before the fingers, of a bearing that returns clear (common practice)
PRELOAD = (2e-3, 4e-3)  # m that one riding on them is pushed back (common practice)
AIM = {"free": 2e-3, "rides": -3e-3}
SHORT_OF = 2e-3  # m an input shaft's tip stays off the bottom (common practice)
PILOT = 10e-3  # m of nose in its pilot (common practice)
SPLINES = 1.0  # of its diameter that a spline is engaged (common practice)
MESH = 2.0 / 3.0  # of the ring's width that a pinion covers (common practice)
CLEAR = 1.5e-3  # m between pinion at rest and ring (common practice)
CONVERTER = (1.5e-3, 5e-3)  # m a converter is pulled forward from fully home (common practice)
OVERSPEED, BURST = 1.25, 1.5  # times red line, and the factor kept there (common practice)
AFTER_SPACER, PLAIN = 1.5, 1.0  # diameters of thread in the crank (common practice)


@dataclass(frozen=True)
class Link:
    """One length of a chain: its name, whether it counts for (1) or against (-1), its value [m]."""

    name: str
    path: str
    sign: float
    value: Value | None


@dataclass(frozen=True)
class Chain:
    """Lengths that add up to a gap."""

    links: tuple[Link, ...]

    @property
    def missing(self) -> tuple[str, ...]:
        """Paths of what is not stated."""
        return tuple(link.path for link in self.links if link.value is None)

    @property
    def begun(self) -> bool:
        """Whether anything that no rule supplies is stated."""
        return any(link.value is not None for link in self.links if link.name not in ("spacer", "adapter"))

    @property
    def total(self) -> Array | None:
        """[m]; None where a length is missing."""
        if self.missing:
            return None
        return np.asarray(sum(link.sign * as_array(link.value) for link in self.links if link.value is not None))


def _link(facts: StackFacts, name: str, path: str, sign: float) -> Link:
    return Link(name, f"driveline.{path}", sign, fact(facts, path))


FINGERS = (
    ("crank's flange", "crank_flange"),
    ("spacer", "spacer"),
    ("flywheel", "flywheel.face"),
    ("clutch", "clutch.height"),
)
BEARING = (("adapter", "adapter"), ("bell", "bell"))


def play(facts: StackFacts) -> Chain:
    """Bearing's face behind the fingers: free way before it touches; below nought it presses."""
    ahead = tuple(_link(facts, name, path, -1.0) for name, path in FINGERS)
    behind = tuple(_link(facts, name, path, 1.0) for name, path in BEARING)
    return Chain((*behind, _link(facts, "bearing", "bearing", -1.0), *ahead))


def tip_room(facts: StackFacts) -> Chain:
    """Input shaft's tip behind the bottom of the crank's hole."""
    return Chain((_link(facts, "adapter", "adapter", 1.0), _link(facts, "input shaft", "reach", -1.0), _link(facts, "crank's flange", "crank_flange", -1.0), _link(facts, "hole", "hole", 1.0)))  # fmt: skip


def converter_room(facts: StackFacts) -> Chain:
    """How far a converter that is fully home is pulled forward to the flexplate."""
    return Chain((_link(facts, "adapter", "adapter", 1.0), _link(facts, "converter", "converter_in", 1.0), _link(facts, "crank's flange", "crank_flange", -1.0), _link(facts, "spacer", "spacer", -1.0), _link(facts, "flexplate", "flywheel.pads", -1.0)))  # fmt: skip


def automatic(context: Context) -> bool:
    """Whether a converter stands where a clutch would."""
    return (context.machine.gearbox or "") in AUTOMATIC[1]


def sum_of(*values: Value | None) -> Array | None:
    """Their sum; None where one is not stated."""
    found = [as_array(v) for v in values if v is not None]
    return np.asarray(sum(found)) if len(found) == len(values) else None


def seat(facts: StackFacts) -> Array | None:
    """Where the flywheel sits."""
    return sum_of(facts.crank_flange, facts.spacer)


def friction(facts: StackFacts) -> Array | None:
    """Where the friction face lies."""
    return sum_of(facts.crank_flange, facts.spacer, facts.flywheel.face)


def tip(facts: StackFacts) -> Array | None:
    """Where the input shaft ends."""
    return None if facts.reach is None else np.asarray(as_array(facts.adapter) - facts.reach)


def overlap(a: Array, b: Array, c: Array, d: Array) -> Array:
    """What [a, b] and [c, d] share; below nought what lies between."""
    return np.asarray(np.minimum(b, d) - np.maximum(a, c))


def in_pilot(facts: StackFacts) -> Array | None:
    """Nose in its pilot."""
    end = tip(facts)
    if end is None or facts.crank_flange is None or facts.pilot_in is None or facts.pilot_long is None:
        return None
    rear = as_array(facts.crank_flange) - facts.pilot_in
    nose = as_array(facts.nose) if facts.nose is not None else as_array(facts.pilot_long) + 1.0
    return overlap(end, end + nose, rear - facts.pilot_long, rear)


def in_hub(facts: StackFacts) -> Array | None:
    """Splines in the disc's hub."""
    end, face = tip(facts), friction(facts)
    own = facts.clutch
    if (
        end is None
        or face is None
        or facts.nose is None
        or facts.spline_long is None
        or own.hub_behind is None
        or own.hub_long is None
    ):
        return None
    rear = face + own.hub_behind
    start = end + facts.nose
    return overlap(start, start + facts.spline_long, rear - own.hub_long, rear)


@dataclass(frozen=True)
class Meshed:
    """A starter's pinion and the ring: gap at rest, teeth covered when thrown [m]; from the ring's front; whether it is thrown
    rearward."""

    gap: Array
    covers: Array
    width: Value
    rearward: bool


def meshed(facts: StackFacts) -> Meshed | None:
    """None where starter or ring is not stated."""
    at, wheel = seat(facts), facts.flywheel
    if (
        at is None
        or wheel.ring_at is None
        or wheel.ring_width is None
        or facts.pinion_rest is None
        or facts.pinion_out is None
    ):
        return None
    face = as_array(facts.adapter) if facts.starts_on == "bell" else as_array(0.0)
    front = at + wheel.ring_at
    rear = front + wheel.ring_width
    rest, out = face + facts.pinion_rest, face + facts.pinion_out
    rearward = bool(np.ravel(out)[0] >= np.ravel(rest)[0])
    if rearward:
        return Meshed(np.asarray(front - rest), np.asarray(np.minimum(out, rear) - front), wheel.ring_width, True)
    return Meshed(np.asarray(rest - rear), np.asarray(rear - np.maximum(out, front)), wheel.ring_width, False)


@dataclass(frozen=True)
class Teeth:
    """Pitch of ring and pinion as modules [m], and how far they stand apart past full depth [m], None where not taped."""

    ring: Array
    pinion: Array
    shallow: Array | None


def teeth(facts: StackFacts) -> Teeth | None:
    """By teeth and tip circles, ``m = D / (z + 2)``; full depth is two modules."""
    wheel = facts.flywheel
    if (
        wheel.ring_teeth is None
        or wheel.ring_across is None
        or facts.pinion_teeth is None
        or facts.pinion_across is None
    ):
        return None
    ring = as_array(wheel.ring_across) / (as_array(wheel.ring_teeth) + 2.0)
    pinion = as_array(facts.pinion_across) / (as_array(facts.pinion_teeth) + 2.0)
    shallow = None
    if facts.pinion_from is not None:
        shallow = np.asarray(
            facts.pinion_from - (0.5 * (as_array(wheel.ring_across) + facts.pinion_across) - 2.0 * ring)
        )
    return Teeth(np.asarray(ring), np.asarray(pinion), shallow)


def threaded(facts: StackFacts) -> Array | None:
    """Crank's bolts in their thread [m]."""
    if facts.bolt_long is None or facts.flywheel.web is None:
        return None
    return np.asarray(as_array(facts.bolt_long) - facts.flywheel.web - facts.spacer)


def bursts(context: Context, facts: StackFacts) -> tuple[Array, float] | None:
    """Stress at the flywheel's bore [Pa] at a quarter over red line, and what it stands there; None where not stated."""
    wheel = facts.flywheel
    if wheel.across is None or wheel.make == "plate":
        return None
    metal = METALS[wheel.metal]
    speed = OVERSPEED * as_array(context.engine.facts.limit_speed)
    stress = shaft.rim(wheel.across, wheel.hole if wheel.hole is not None else 0.0, speed, metal.density, metal.poisson)
    return stress, metal.stands / BURST


def spacer_for(facts: StackFacts) -> Array | None:
    """Spacer in all [m] with which the bearing is as it should be; below nought the adapter must grow by so much."""
    free = play(facts).total
    return None if free is None else np.asarray(as_array(facts.spacer) + free - AIM[facts.bearing_kind])
