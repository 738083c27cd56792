"""What pulls at an engine: torque that the tyres cap, thrust, shocks of its use; each load case by name."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.duty.facts import ROLLS
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.reads import AXLE_FRONT, AXLE_REAR, DRIVE_CAP, DRIVE_DUMP, DRIVE_FINAL, DRIVE_OUT
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts.facts import SHOCKS, TURNS, WHEELED, MountsFacts, Turns
from gauge_well.core.systems.mounts.stand import Stood
from gauge_well.core.systems.torqued import peak_torque
from gauge_well.core.typing import Array, as_array, drawn, likely

STALLED = 1.8  # a converter's torque over the engine's, stalled (common practice)
# Weight on the driven wheels as it pulls away, over that at rest (common practice).
SHIFT = {"front": 0.85, "rear": 1.20, "four": 1.0}
SHARE = {"front": 0.58, "rear": 0.48, "four": 1.0}  # of the machine's weight, where nobody weighed (common practice)
TORQUED = 3  # torque cases at each power


@dataclass(frozen=True)
class Torque:
    """What turns the unit against its mounts at the wanted power, n draws [N m].

    ``engine`` its peak; ``output`` behind the lowest gear, and the final drive where that is in the gearbox; ``cap`` what the
    tyres let pass there, without end where none do; ``sign`` about the crank's line, engine axes; ``across``: it turns about
    the machine's width, not the crank's line.
    """

    engine: Array
    output: Array
    cap: Array
    dump: Array
    across: Array  # unit vector in engine axes (n, 3)
    turns: Turns

    def cases(self, factor: Array) -> Array:
        """Moments (n, f x 3, 3) [N m] in engine axes of the three torque cases, at powers ``factor`` (n, f) times wanted."""
        whole = self.output[:, None] * factor
        cap = self.cap[:, None]
        each = np.stack(
            [
                np.minimum(whole, cap),
                -np.minimum(self.turns.back * whole, cap),
                np.minimum(self.dump[:, None] * whole, cap),
            ],
            axis=-1,
        )
        return np.asarray(each.reshape(len(whole), -1)[..., None] * self.across[:, None])

    @property
    def capped(self) -> bool:
        """Whether the tyres give way before the lowest gear's torque is reached."""
        return bool(self.output[0] > self.cap[0])


def on_driven(context: Context, facts: MountsFacts) -> Array:
    """What stands on the driven wheels [kg]: stated, as the ledger has it, or a usual share of the machine."""
    drive = context.machine.drive or "rear"
    if facts.axle is not None:
        return as_array(facts.axle)
    front, rear = (as_array(context.given.get(n, np.inf)) for n in (AXLE_FRONT, AXLE_REAR))
    weighed = {"front": front, "rear": rear, "four": front + rear}[drive]
    if np.isfinite(weighed).all():
        return weighed
    return as_array(context.machine.mass if context.machine.mass is not None else np.inf) * SHARE[drive]


@dataclass(frozen=True)
class Driven:
    """What goes from the engine to the ground [N m]: its peak torque, behind the lowest gear, what the tyres take at the driven
    wheels together, without end where none do."""

    engine: Array
    output: Array
    wheels: Array


def driven_of(context: Context, facts: MountsFacts) -> Driven:
    """At the wanted power; a converter's stall counted."""
    rolls = context.machine.kind in ROLLS[1]
    engine = peak_torque(context)
    slipping = STALLED if (context.machine.gearbox or "").startswith("automatic") and rolls else 1.0
    wheels = as_array(np.inf)
    if rolls:
        wheels = as_array(
            facts.grip * on_driven(context, facts) * GRAVITY * SHIFT[context.machine.drive or "rear"] * facts.wheel
        )
    return Driven(engine, as_array(engine * facts.first_gear * slipping), wheels)


def handed(context: Context, facts: MountsFacts) -> dict[str, Array]:
    """The same, for what carries it."""
    found = driven_of(context, facts)
    return {
        DRIVE_OUT: found.output,
        DRIVE_CAP: found.wheels,
        DRIVE_DUMP: as_array(facts.dump),
        DRIVE_FINAL: as_array(facts.final),
    }


def torque_of(context: Context, facts: MountsFacts, stood: Stood) -> Torque:
    """The torque a unit reacts: its gearbox's output about the crank; with its differential in it the axle's, about the
    machine's width; never more than the tyres take."""
    n = len(stood.mass)

    whole = facts.transaxle == "yes" and context.machine.kind in ROLLS[1]
    found = driven_of(context, facts)
    output = found.output * (facts.final if whole else 1.0)
    cap = found.wheels if whole or not np.isfinite(found.wheels).all() else as_array(found.wheels / facts.final)
    # Wheels turn forward about the machine's left; the unit turns the other way, nose up. A shaft turned by a crank that
    # runs clockwise seen from its front turns the unit left side up.
    across = (
        stood.turn[:, :, :].swapaxes(-1, -2) @ np.array([0.0, -1.0, 0.0])
        if whole
        else np.broadcast_to([1.0, 0.0, 0.0], (n, 3))
    )
    turns = TURNS.get(str(context.machine.kind), WHEELED)
    return Torque(
        drawn(found.engine, n), drawn(output, n), drawn(cap, n), drawn(facts.dump, n), np.asarray(across), turns
    )


def thrust_of(context: Context, facts: MountsFacts, stood: Stood) -> Array:
    """Propeller's thrust on the unit (n, 6) at the wanted power, along the crank's line [N, N m]; nought where a bearing
    takes it: ``F = eta P / V``."""
    n = len(stood.mass)
    found = np.zeros((n, 6))
    if context.machine.kind not in ("boat", "aircraft") or facts.takes_thrust != "engine":
        return found
    force = as_array(facts.thrust_share) * context.wanted / facts.thrust_speed
    # Along the crank, which lies under and beside its balance point.
    way = np.sign(np.cos(likely(context.installation.engine_yaw))) or 1.0
    found[:, 0] = way * force
    found[:, 4] = -stood.centre[:, 2] * found[:, 0]
    found[:, 5] = stood.centre[:, 1] * found[:, 0]
    return found


@dataclass(frozen=True)
class Case:
    """A load case: its name, and accelerations (3) [g] in the machine's axes."""

    name: str
    g: tuple[float, float, float]


def shocks_of(facts: MountsFacts) -> list[Case]:
    """What its use throws it about with."""
    s = SHOCKS[facts.use]
    down, up, ahead, back = s.called
    found = [Case(down, (0.0, 0.0, -s.down))]
    if s.up > 0.0:
        found.append(Case(up, (0.0, 0.0, s.up)))
    found += [
        Case(ahead, (s.along, 0.0, -1.0)),
        Case(back, (-s.along, 0.0, -1.0)),
        Case("thrown to the left", (0.0, s.aside, -1.0)),
        Case("thrown to the right", (0.0, -s.aside, -1.0)),
    ]
    return found


@dataclass(frozen=True)
class Pulled:
    """The unit in its load cases, n draws: moves from rest (n, c, 6), what each mount carries (n, c, m, 3) [N] and how far it
    goes (n, c, m, 3) [m]; names (c)."""

    stood: Stood
    names: Sequence[str]
    q: Array

    @cached_property
    def carried(self) -> Array:
        """What each mount carries (n, c, m, 3) [N]."""
        return self.stood.carried(self.q)

    @cached_property
    def size(self) -> Array:
        """Its size (n, c, m) [N]."""
        return np.asarray(np.linalg.norm(self.carried, axis=-1))

    @cached_property
    def moved(self) -> Array:
        """How far each mount goes from rest along its axes (n, c, m, 3) [m]."""
        return self.stood.travels(self.q)


def shocked(facts: MountsFacts, stood: Stood) -> Pulled:
    """At rest and in every shock of its use."""
    cases = [Case("at rest", (0.0, 0.0, -1.0)), *shocks_of(facts)]
    load = stood.weight(np.array([c.g for c in cases]))
    return Pulled(stood, [c.name for c in cases], stood.settled(load))


def torqued(stood: Stood, torque: Torque, thrust: Array, factor: Array) -> Pulled:
    """In the torque cases at powers ``factor`` (n, f) times wanted, thrust with them."""
    moments = torque.cases(factor)
    load = np.repeat(stood.weight(np.array([[0.0, 0.0, -1.0]])), moments.shape[1], axis=1)
    load[..., 3:] += moments
    load += np.repeat(factor, TORQUED, axis=1)[..., None] * thrust[:, None]
    return Pulled(stood, [name for _ in range(factor.shape[1]) for name in torque.turns.called], stood.settled(load))
