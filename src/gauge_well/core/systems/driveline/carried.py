"""What torque goes through what, capped by the tyres, and what each place stands."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.driveline import clutch, shaft
from gauge_well.core.parts.halfshaft import HalfshaftFacts
from gauge_well.core.parts.propshaft import PropshaftFacts
from gauge_well.core.reads import DRIVE_CAP, DRIVE_DUMP, DRIVE_FINAL, DRIVE_OUT
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline.facts import LOCKS, DrivelineFacts
from gauge_well.core.systems.torqued import Asked
from gauge_well.core.typing import Array, Value, as_array

HOLLOW = 0.68  # of a lining's outside that its hole is (common practice)


@dataclass(frozen=True)
class Driven:
    """What Mounts hands on: at the wanted power behind the lowest gear [N m], what the tyres take at all driven wheels [N m],
    times the torque as the clutch is let go, final drive."""

    output: Array
    cap: Array
    dump: Array
    final: Array

    @property
    def free(self) -> Array:
        """What the wheels would be turned with, did the tyres hold it all [N m]."""
        return np.asarray(self.output * self.dump * self.final)


def driven(context: Context) -> Driven | None:
    """None where Mounts does not know, or nothing rolls."""
    found = [context.given.get(n) for n in (DRIVE_OUT, DRIVE_CAP, DRIVE_DUMP, DRIVE_FINAL)]
    known = [np.ravel(as_array(v)) for v in found if v is not None and bool(np.isfinite(v).all())]
    return Driven(*known) if len(known) == len(found) else None


def whole(facts: DrivelineFacts, drive: str | None) -> tuple[float, Value]:
    """Share of the engine's torque, and of the tyres' grip, that one axle may get at most."""
    if drive != "four":
        return 1.0, 1.0
    # Bound together or alone, an axle gets all of it until its own tyres slip.
    alone = facts.axle_out != "none" or facts.centre in ("part", "locked")
    return (1.0, facts.shared) if alone else (0.5, facts.shared)


def _pulls(context: Context, facts: DrivelineFacts, found: Driven, at: Asked) -> tuple[Array, Array]:
    """What the engine turns one axle's wheels with, and what their tyres take [N m], (step, 1, draw) and (draw,)."""
    turned, gripped = whole(facts, context.machine.drive)
    return at.times(found.free * turned), np.ravel(as_array(gripped)) * found.cap


def axle(context: Context, facts: DrivelineFacts, found: Driven, at: Asked) -> Array:
    """Torque at one axle's wheels together [N m], (step, 1, draw)."""
    return np.asarray(np.minimum(*_pulls(context, facts, found, at)))


def capped(context: Context, facts: DrivelineFacts, found: Driven, at: Asked) -> bool:
    """Whether the tyres give way before the engine's torque is all there."""
    pulls, grip = _pulls(context, facts, found, at)
    return bool(pulls.flat[0] > grip[0])


def at_place(context: Context, facts: DrivelineFacts, found: Driven, at: Asked, place: str) -> Array:
    """Torque at the shaft before an axle, at both its wheels, or at one [N m]."""
    both = axle(context, facts, found, at)
    if place == "shaft":
        return np.asarray(both / found.final)
    return np.asarray(both * LOCKS[facts.locks].share) if place == "wheel" else both


def drives(context: Context, facts: DrivelineFacts, which: str) -> bool:
    """Whether an axle is driven at all."""
    drive = context.machine.drive
    return facts.axle_out != which if drive == "four" else drive in (None, which)


def lined(facts: DrivelineFacts) -> Array | None:
    """Inside of the clutch's lining [m]; of one whose hole is not taped, seven tenths of its outside (common practice)."""
    own = facts.clutch
    if own.outer is None:
        return None
    return as_array(own.inner) if own.inner is not None else np.asarray(HOLLOW * as_array(own.outer))


def held(facts: DrivelineFacts) -> Array | None:
    """Torque the clutch holds [N m]."""
    own, inner = facts.clutch, lined(facts)
    if own.outer is None or own.clamp is None or inner is None:
        return None
    return clutch.holds(2.0 * as_array(own.discs), own.friction, own.clamp, own.outer, inner)


def stands(own: PropshaftFacts | HalfshaftFacts) -> float:
    """Shear at which its steel yields [Pa]."""
    return shaft.SHEARS * shaft.STEELS[own.steel].yields
