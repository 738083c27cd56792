"""Mounts worked once for the facts they stand on: what judges, hands on and draws share it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.elastic import mounted
from gauge_well.core.elastic.modes import Modes, transmissibility
from gauge_well.core.errors import CoreError
from gauge_well.core.reads import (
    AXLE_FRONT,
    AXLE_REAR,
    BOUNCE,
    MOTION,
    NODS,
    ROCK,
    ROCK_AHEAD,
    ROCK_LEFT,
    ROCK_OVER,
    UNIT,
    UNIT_MASS,
)
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.loads import Pulled, Torque, shocked, thrust_of, torque_of, torqued
from gauge_well.core.systems.mounts.stand import ROUND_BOX, Foot, Stood, feet_of, stand
from gauge_well.core.typing import Array, as_array, likely

DAMPED = 0.07  # share of critical damping that rubber has (common practice)
BUMP = 2.0  # g, in all, of a bump as a road has them every mile (common practice)
DENSE = 600.0  # kg/m3 of the box round an engine and its gearbox, twice as long as wide and high (common practice)


@dataclass(frozen=True)
class Held:
    """A unit on its mounts: the torque it reacts, thrust (n, 6), inertia (n, 3) [kg m2]; what else is asked of it is worked
    when it is."""

    facts: MountsFacts
    stood: Stood
    torque: Torque
    thrust: Array
    inertia: Array

    @cached_property
    def shocked(self) -> Pulled:
        """At rest and in every shock of its use."""
        return shocked(self.facts, self.stood)

    @cached_property
    def torqued(self) -> Pulled:
        """In the torque cases at the wanted power."""
        return torqued(self.stood, self.torque, self.thrust, np.ones((len(self.stood.mass), 1)))

    @cached_property
    def modes(self) -> Modes:
        """How it shakes."""
        return self.stood.modes(self.inertia)

    @property
    def nods(self) -> bool:
        """Whether its torque turns it about a line across the crank: an axle's, of an engine that lies lengthwise."""
        return abs(float(self.torque.across[0, 1])) > abs(float(self.torque.across[0, 0]))

    @property
    def rock(self) -> Array:
        """How far it turns at full torque in first [rad]: left side up about the crank, or front down across it."""
        return np.asarray(self.torqued.q[:, 0, 4 if self.nods else 3])

    @property
    def axis(self) -> tuple[Array, Array, Array]:
        """A point of the line it turns about: ahead of the bell's face, left of the crank, over it [m]."""
        x, y, z = np.moveaxis(self.stood.centre, -1, 0)
        first, over = mounted.pitch_axis(self.stood.k) if self.nods else mounted.roll_axis(self.stood.k)
        return (x + first, y, z + over) if self.nods else (x, y + first, z + over)

    @property
    def sink(self) -> Array:
        """How far its balance point sinks under its weight [m]."""
        down = (self.stood.rest[:, :3] * (np.array([0.0, 0.0, -1.0]) @ self.stood.turn)[:]).sum(axis=-1)
        return np.asarray(down)


def inertia_of(stood: Stood) -> Array:
    """Inertia (n, 3) [kg m2] of a box about as large as such a unit, a tenth less: ``m (b^2 + c^2) / 12``.

    What makes an engine large makes it heavy: the box goes with the weight.
    """
    wide = np.cbrt(0.5 * stood.mass / DENSE)
    long, high = 2.0 * wide, wide
    m = stood.mass * ROUND_BOX / 12.0
    return np.stack([m * (wide**2 + high**2), m * (long**2 + high**2), m * (long**2 + wide**2)], axis=-1)


def held(context: Context, facts: MountsFacts) -> Held:
    """The unit on the mounts stated, or the usual ones; CoreError for mounts that hold nothing."""
    return context.remember(
        "mounts", (facts, *_stands_on(context)), lambda: on(context, facts, feet_of(context, facts))
    )


def _stands_on(context: Context) -> tuple[object, ...]:
    given = (context.given.get(figure) for figure in (*UNIT.split(), AXLE_FRONT, AXLE_REAR))
    return (context.installation, context.machine, context.mean, *given)


def on(context: Context, facts: MountsFacts, feet: list[Foot]) -> Held:
    """The unit on some mounts."""
    stood = stand(context, facts, feet)
    torque, thrust = torque_of(context, facts, stood), thrust_of(context, facts, stood)
    return Held(facts, stood, torque, thrust, inertia_of(stood))


def motion(context: Context, facts: MountsFacts) -> Mapping[str, Array]:
    """How the engine moves, for fit; without end where it cannot be told."""
    none = {figure: as_array(np.inf) for figure in MOTION.split()}
    if UNIT_MASS not in context.given:
        return none
    try:
        found = held(context, facts)
    except CoreError:
        return none
    stood = found.stood
    ahead, left, over = found.axis
    q = stood.settled(stood.weight(np.array([[0.0, 0.0, -BUMP]])))
    bounce = np.abs((q[:, 0, :3] * (np.array([0.0, 0.0, 1.0]) @ stood.turn)).sum(axis=-1))
    return {
        ROCK: found.rock,
        ROCK_AHEAD: ahead,
        ROCK_LEFT: left,
        ROCK_OVER: over,
        NODS: as_array(1.0 if found.nods else 0.0),
        BOUNCE: bounce,
    }


def shake(context: Context, found: Held) -> Array:
    """Share of its torque's shake at idle that passes to the machine: about the crank, where firing shakes it."""
    at = context.engine.facts.firing(likely(context.engine.facts.idle_speed))
    return transmissibility(at, found.modes.of("roll"), DAMPED)
