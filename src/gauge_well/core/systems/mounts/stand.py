"""The engine as it stands on its mounts: where they are about its centre of mass, their stiffness, what it weighs."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.elastic import mounted, stops
from gauge_well.core.elastic.modes import Modes, modes
from gauge_well.core.errors import CoreError
from gauge_well.core.facts import entries
from gauge_well.core.geometry.frames import engine_to_vehicle
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.parts.mount import STUFFS, MountFacts
from gauge_well.core.reads import AXLE_FRONT, AXLE_REAR, UNIT_AHEAD, UNIT_LEFT, UNIT_MASS, UNIT_OVER
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts.facts import SCHOOLS, MountsFacts
from gauge_well.core.typing import Array, Value, as_array, drawn, likely

FEWEST, IN_LINE = 3, "in_line"
ROUND_BOX = 0.9  # inertia of an engine over that of a box of its outside (common practice)
DOWN = np.array([0.0, 0.0, -1.0])


@dataclass(frozen=True)
class Foot:
    """One mount as it is worked: name, place from bell's face and crank [m], upright stiffness [N/m], sideways share,
    lean in [rad], travel [m], how many times stiffer when shaken; ``rated`` [kg]."""

    id: str
    name: str
    ahead: Value
    left: Value
    over: Value
    rate: Value
    side: Value
    lean: Value
    travel: Value
    quick: float
    rated: Value | None = None


def feet_of(context: Context, facts: MountsFacts) -> list[Foot]:
    """The mounts stated, or the usual three; of a boat four."""
    whole = [(id, m) for id, m in facts.mounts if all(v is not None for v in (m.ahead, m.left, m.over))]
    if whole:
        return [_stated(n, id, m) for n, (id, m) in enumerate(whole, 1)]
    return usual(context, facts, facts.school)


def _stated(n: int, id: str, m: MountFacts) -> Foot:
    assert m.ahead is not None and m.left is not None and m.over is not None
    return Foot(
        id,
        f"Mount {n}",
        m.ahead,
        m.left,
        m.over,
        m.rate,
        m.side,
        m.lean,
        m.travel,
        STUFFS[m.stuff].quick,
        m.rated,
    )


def places(context: Context, facts: MountsFacts) -> list[tuple[str, Value, Value, Value]]:
    """A usual layout: two beside the crank and one at the tail; across the machine one at either end and one low that holds
    the torque; in a boat two pairs of feet."""
    half = 0.5 * as_array(facts.apart)
    side, tail, up = facts.side_ahead, -as_array(facts.tail_behind), facts.side_over
    if context.installation.lie == "front_trans":
        return [
            ("Mount at the pulley's end", 1.7 * as_array(side), 0.0, up),
            ("Mount at the gearbox's end", tail, 0.0, up),
            ("Torque mount, low", 0.3 * as_array(side), -half, -half),
        ]
    if context.machine.kind == "boat":
        # Rear feet stand on the gearbox's flange, or where one would be.
        return [
            ("Front foot, left", 1.3 * as_array(side), half, up),
            ("Front foot, right", 1.3 * as_array(side), -half, up),
            ("Rear foot, left", 0.3 * tail, half, up),
            ("Rear foot, right", 0.3 * tail, -half, up),
        ]
    return [
        ("Left mount", side, half, up),
        ("Right mount", side, -half, up),
        ("Tail mount", tail, 0.0, 0.0),
    ]


def usual(context: Context, facts: MountsFacts, school: str) -> list[Foot]:
    """The usual layout in a school: cushions chosen for an even share, that sink as the school's do."""
    at = places(context, facts)
    own, stated = SCHOOLS[school], SCHOOLS[facts.school]
    share = as_array(context.given[UNIT_MASS]) * GRAVITY / len(at)
    found = []
    mean = len(at) / sum(1.0 / STUFFS[_stuff(stated.sides, stated.tail, n)].sink for n, *_ in at)
    for n, (name, ahead, left, over) in enumerate(at):
        stuff = STUFFS[_stuff(own.sides, own.tail, name)]
        # As far as this unit sinks against what such mounts usually do.
        sink = stuff.sink * as_array(facts.sink) / mean
        found.append(
            Foot(
                f"usual_{n + 1}",
                name,
                ahead,
                left,
                over,
                share / sink,
                1.0 if own.sides == "solid" else 0.5,
                0.0,
                stuff.travel,
                stuff.quick,
            )
        )
    return found


def _stuff(sides: str, tail: str, name: str) -> str:
    return tail if name in ("Tail mount", "Torque mount, low") else sides


def draws(context: Context, facts: MountsFacts) -> int:
    """How many draws there are of all that mounts are worked from."""
    lie, machine = context.installation, context.machine
    doubted = [
        *(context.given.get(name) for name in (UNIT_MASS, UNIT_AHEAD, UNIT_LEFT, UNIT_OVER, AXLE_FRONT, AXLE_REAR)),
        *(lie.engine_yaw, lie.engine_pitch, lie.engine_roll, machine.mass, context.engine.facts.peak_torque),
        *(value for _, _, value in entries(facts)),
    ]
    return max(v.size if isinstance(v, np.ndarray) else 1 for v in doubted)


@dataclass(frozen=True)
class Stood:
    """A unit of mass [kg] on its mounts, n draws: arms of their axes (n, 3 m, 6) about its centre of mass, stiffness, travel
    (n, 3 m), inertia (n, 3) [kg m2], down in the engine's axes and turn from machine to engine (n, 3, 3)."""

    feet: Sequence[Foot]
    mass: Array
    centre: Array
    b: Array
    rates: Array
    travel: Array
    harder: Array
    turn: Array

    @cached_property
    def k(self) -> Array:
        """Stiffness (n, 6, 6)."""
        return mounted.stiffness(self.b, self.rates)

    def weight(self, g: Array) -> Array:
        """Load (n, c, 6) of accelerations (c, 3) [g] in the machine's axes, that of gravity at rest (0, 0, -1)."""
        force = (g @ self.turn) * (self.mass * GRAVITY)[:, None, None]
        return np.concatenate([force, np.zeros_like(force)], axis=-1)

    @cached_property
    def rest(self) -> Array:
        """How it lies at rest (n, 6)."""
        return mounted.moved(self.k, self.weight(DOWN[None]))[:, 0]

    def settled(self, load: Array) -> Array:
        """How far it goes from rest (n, c, 6) under loads (n, c, 6), its own weight among them; on stops where it comes to
        them."""
        return stops.settle(self.b, self.rates, self.travel, self.harder, load - self.weight(DOWN[None]))

    def travels(self, q: Array) -> Array:
        """How far each mount is moved along its axes (n, c, m, 3) [m], the unit moved (n, c, 6)."""
        return (q @ np.swapaxes(self.b, -1, -2)).reshape(*q.shape[:2], len(self.feet), 3)

    def carried(self, q: Array) -> Array:
        """What each mount carries along its axes (n, c, m, 3) [N], pressed down positive, the unit moved (n, c, 6) from rest."""
        u = q @ np.swapaxes(self.b, -1, -2)
        own = self.rest[:, None] @ np.swapaxes(self.b, -1, -2)
        force = (
            stops.forces(u, self.rates[:, None], self.travel[:, None], self.harder[:, None, None])
            - self.rates[:, None] * own
        )
        return force.reshape(*q.shape[:2], len(self.feet), 3)

    def modes(self, inertia: Array) -> Modes:
        """How it shakes: mounts as stiff as they are to what is quick; inertia (n, 3) [kg m2]."""
        quick = np.repeat([f.quick for f in self.feet], 3)
        return modes(mounted.stiffness(self.b, self.rates * quick), self.mass, inertia)


def stand(context: Context, facts: MountsFacts, feet: Sequence[Foot]) -> Stood:
    """The unit on some mounts.

    Raises
    ------
    CoreError
        ``few_mounts``, :data:`IN_LINE`: what holds no engine, named.
    """
    first = f"mounts.mounts.{feet[0].id}.ahead" if feet and facts.mounts else "mounts.apart"
    if len(feet) < FEWEST:
        raise CoreError(
            "few_mounts",
            first,
            float(len(feet)),
            f"{FEWEST} or more",
            "So few let it turn: three at least hold an engine.",
        )
    unit = [as_array(context.given[n]) for n in (UNIT_MASS, UNIT_AHEAD, UNIT_LEFT, UNIT_OVER)]
    lie = context.installation
    angles = [as_array(a) for a in (lie.engine_yaw, lie.engine_pitch, lie.engine_roll)]
    n = draws(context, facts)

    centre = np.stack([drawn(v, n) for v in unit[1:]], axis=-1)
    at = np.stack([np.stack([drawn(v, n) for v in (f.ahead, f.left, f.over)], axis=-1) for f in feet], axis=1)
    b = mounted.arms(at - centre[:, None])
    b = _leaning(b, feet)
    rates = np.stack([drawn(as_array(f.rate) * s, n) for f in feet for s in (f.side, f.side, 1.0)], axis=-1)
    travel = np.stack([drawn(f.travel, n) for f in feet for _ in range(3)], axis=-1)
    turn = np.broadcast_to(engine_to_vehicle(*(drawn(a, n) for a in angles)), (n, 3, 3))
    found = Stood(feet, drawn(unit[0], n).astype(float), centre, b, rates, travel, drawn(facts.harder, n), turn)
    size = max(float(np.ptp(at[0], axis=0).max()), 1e-3)
    if mounted.free(found.k[:1], size):
        raise CoreError(
            IN_LINE,
            first,
            0.0,
            "mounts that stand apart",
            "They stand in a line: nothing keeps the engine from turning about it.",
        )
    return found


def _leaning(b: Array, feet: Sequence[Foot]) -> Array:
    """Arms along the axes of mounts that lean in at the top, towards the crank's line."""
    if not any(np.any(as_array(f.lean)) for f in feet):
        return b
    own = b.reshape(len(b), len(feet), 3, 6)
    side = np.array([np.sign(likely(f.left)) for f in feet])
    lean = np.stack([drawn(f.lean, len(b)) for f in feet], axis=1) * side
    c, s = np.cos(lean), np.sin(lean)
    turned = own.copy()
    turned[:, :, 1] = c[..., None] * own[:, :, 1] + s[..., None] * own[:, :, 2]
    turned[:, :, 2] = c[..., None] * own[:, :, 2] - s[..., None] * own[:, :, 1]
    return turned.reshape(b.shape)
