"""The ledger: what stood on the axles, what came out, what went in, what stands there now."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.geometry.frames import engine_to_vehicle
from gauge_well.core.installation import LIES
from gauge_well.core.parts.item import DRESSES, HEAVY, IN, OUT, ItemFacts
from gauge_well.core.reads import BELL_AHEAD, BELL_OVER, WHEELBASE
from gauge_well.core.statics.axles import on_front, same_frequency, sinks
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Unit:
    """Engine and gearbox as they hang: mass [kg], balance point ahead of the bell's face, left and over the crank [m]."""

    mass: Array
    ahead: Array
    left: Array
    over: Array


def unit_of(context: Context, facts: WeightsFacts) -> Unit:
    """What hangs on the mounts."""
    engine = as_array(context.engine.facts.dry_mass) * DRESSES[facts.dress].more
    return Unit(
        engine + facts.gearbox, as_array(facts.unit_ahead), as_array(facts.unit_left), as_array(facts.unit_over)
    )


def weighs(item: ItemFacts) -> Array:
    """A thing as it runs [kg]: dressed and filled, of whatever state it was weighed in."""
    more = DRESSES[item.dress].more if item.what in HEAVY else 1.0
    return as_array(item.mass if item.mass is not None else 0.0) * more


@dataclass(frozen=True)
class Entry:
    """A line of the ledger: mass [kg], negative of what comes out; arm behind the front axle or datum [m]."""

    id: str
    name: str
    goes: str
    mass: Array
    arm: Array
    height: Value | None


@dataclass(frozen=True)
class Ledger:
    """Before, the lines, and what they come to. Masses [kg], arms behind the front axle [m]."""

    front: Array
    rear: Array
    wheelbase: Array
    entries: Sequence[Entry]
    height: Array

    @cached_property
    def more(self) -> Array:
        """By how much the machine comes to weigh more [kg]."""
        return np.asarray(sum((e.mass for e in self.entries), as_array(0.0)))

    @cached_property
    def front_after(self) -> Array:
        """On the front axle after the swap [kg]."""
        return np.asarray(
            self.front + sum((on_front(e.mass, e.arm, self.wheelbase) for e in self.entries), as_array(0.0))
        )

    @cached_property
    def rear_after(self) -> Array:
        """On the rear axle after the swap [kg]."""
        return np.asarray(self.front + self.rear + self.more - self.front_after)

    @property
    def mass(self) -> Array:
        """The whole machine after the swap [kg]."""
        return np.asarray(self.front + self.rear + self.more)

    @property
    def cg_x(self) -> Array:
        """Its balance point behind the front axle [m]."""
        return np.asarray(self.wheelbase * self.rear_after / self.mass)

    @property
    def cg_z(self) -> Array:
        """Its balance point over the ground [m]; what has no height stated counts at the machine's own."""
        moment = (self.front + self.rear) * self.height
        for e in self.entries:
            moment = moment + e.mass * (self.height if e.height is None else e.height)
        return np.asarray(moment / self.mass)

    def with_out_only(self) -> Ledger:
        """The machine stripped: what comes out is out, and nothing is in yet."""
        return Ledger(self.front, self.rear, self.wheelbase, [e for e in self.entries if e.goes == OUT], self.height)


@dataclass(frozen=True)
class End:
    """An axle before and after the swap [kg]; its plate [kg] and its spring at each wheel [N/m], None where nobody says."""

    name: str
    before: Array
    after: Array
    plate: Value | None
    rate: Value | None
    unsprung: Value

    @property
    def sinks(self) -> Array | None:
        """How far it comes to ride lower [m]."""
        return None if self.rate is None else sinks(self.after - self.before, self.rate)

    @property
    def same(self) -> Array | None:
        """Spring that keeps its frequency [N/m]."""
        return None if self.rate is None else same_frequency(self.rate, self.before, self.after, self.unsprung)


def ends(facts: WeightsFacts, found: Ledger) -> tuple[End, End]:
    """Both axles, the front one first."""
    return (
        End("front", found.front, found.front_after, facts.front_plate, facts.front_rate, facts.unsprung),
        End("rear", found.rear, found.rear_after, facts.rear_plate, facts.rear_rate, facts.unsprung),
    )


def unit_arm(context: Context, facts: WeightsFacts) -> tuple[Value, Value | None] | None:
    """Where the new unit's balance point comes to: behind the front axle, and over the ground [m]; None where neither is
    it stated nor has fit a place for it."""
    if facts.unit_arm is not None:
        return facts.unit_arm, None
    bell, floor, base = (context.given.get(n) for n in (BELL_AHEAD, BELL_OVER, WHEELBASE))
    if bell is None or floor is None or base is None or not np.isfinite(bell).all():
        return None
    lie = context.installation
    turn = engine_to_vehicle(lie.engine_yaw, lie.engine_pitch, lie.engine_roll)
    unit = unit_of(context, facts)
    own = np.stack(np.broadcast_arrays(unit.ahead, unit.left, unit.over), axis=-1)
    x, _, z = np.moveaxis((turn @ own[..., None])[..., 0], -1, 0)
    ahead = bell + x
    return -ahead if LIES[lie.lie].ahead else base - ahead, floor + z


def ledger(context: Context, facts: WeightsFacts) -> Ledger:
    """The ledger of a machine on wheels; MissingFact names what nobody weighed or placed."""
    front, rear = (as_array(need(getattr(facts, n), f"weights.{n}")) for n in ("front", "rear"))
    at = unit_arm(context, facts)
    arm, height = (need(None, "weights.unit_arm"), None) if at is None else at
    entries = [Entry("unit", "New engine and gearbox", IN, unit_of(context, facts).mass, as_array(arm), height)]
    entries += [e for e in lines(facts) if e.goes in (IN, OUT)]
    base = context.given.get(WHEELBASE)
    return Ledger(front, rear, as_array(need(base, "fit.bay.wheelbase")), entries, as_array(facts.height))


def lines(facts: WeightsFacts) -> list[Entry]:
    """Things of the ledger that are known whole."""
    found = []
    for id, item in facts.items:
        if item.mass is None or item.arm is None or item.goes is None or item.what is None:
            continue
        mass = weighs(item)
        found.append(
            Entry(id, item.what, item.goes, -mass if item.goes == OUT else mass, as_array(item.arm), item.height)
        )
    return found
