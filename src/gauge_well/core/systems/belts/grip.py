"""What a belt carries: speeds, powers, tensions from the slack span on, whether each pulley holds or slips."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.duty.model import ALTERNATOR_EFFICIENCY
from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.parts.pulley import FREE, WHATS, PulleyFacts
from gauge_well.core.reads import CHARGE
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.way import DEAD, LEVER, Way
from gauge_well.core.typing import Array, Value, as_array, likely

BACK_SHARE = 0.3  # of the ribs' friction, that the smooth back has (common practice)
MARGIN = 1.2  # that grip is kept over what is carried (common practice)
SPEED_MOST = 50.0  # m/s of belt (common practice)
HELD_MOST = 99.0  # a margin past this is as good as any
SPEEDS = 15
# Power at rated speed where nobody says: [W], or of the rated power (common practice).
USUAL: Mapping[str, float] = {"steering": 1000.0, "aircon": 3000.0, "other": 500.0}
SHARES: Mapping[str, float] = {"water_pump": 0.01, "fan": 0.03, "blower": 0.12}
COOLED = 60e3  # W of engine from which an air-conditioning or a steering pump is whole (common practice)
CUBED = ("water_pump", "fan")  # go with the cube of their speed
ALWAYS = ("alternator", "steering")  # ask as much at any speed: current, and pressure at full lock


@dataclass(frozen=True)
class Grip:
    """Down the engine's range (pulley, speed, sample); ``engine`` (speed) [rev/min].

    ``belt`` (speed, sample) [m/s]; ``speeds`` of pulleys [rev/min]; ``powers`` with what spinning up takes [W]; ``ahead``: tension of
    the span ahead of each as the belt runs [N]; ``margins`` of their grip; ``hubs``: loads [N]; ``static`` tension [N], ``mass``
    [kg/m].
    """

    engine: Array
    belt: Array
    speeds: Array
    powers: Array
    ahead: Array
    margins: Array
    hubs: Array
    static: Array
    mass: Array

    @property
    def worst(self) -> tuple[int, int]:
        """Pulley and place in the speeds where the grip has least left."""
        i, j = np.unravel_index(int(np.argmin(self.margins[..., 0])), self.margins.shape[:2])
        return int(i), int(j)


def range_of(context: Context) -> Array:
    """Engine speeds from idle to its limit [rev/min]."""
    own = context.engine.facts
    idle = likely(own.idle_speed)
    return np.linspace(idle, max(likely(own.limit_speed), 1.2 * idle), SPEEDS)


def full_power(context: Context, pulley: PulleyFacts, charge: Value) -> Value:
    """What a pulley takes at rated speed [W], stated or usual; ``charge``: what the alternator gives [W]."""
    what = pulley.what or "other"
    if what in ("crank", *FREE):
        return 0.0
    if pulley.power is not None:
        return pulley.power
    if what == "alternator":
        return charge / ALTERNATOR_EFFICIENCY
    rated = context.engine.rated_power
    if what in USUAL:
        return USUAL[what] * min(likely(rated) / COOLED, 1.0)
    return SHARES[what] * rated


def follows(what: str, share: Array) -> Array:
    """How what a pulley takes goes with its share of rated speed."""
    if what in ALWAYS:
        return np.ones_like(share)
    if what == "aircon":
        return np.minimum(2.0 * share, 1.0)
    return np.asarray(share**3 if what in CUBED else share)


def charge_of(context: Context) -> Value:
    """What the alternator is asked for [W]: by what draws where Electrics knows, else of the machine's loads."""
    told, said = context.told(CHARGE), context.machine.electrical_load
    if told is not None:
        return told
    return 0.0 if said is None else said


def _three(value: Value) -> Array:
    """A number or samples as (1, sample), to stand under speeds."""
    return np.ravel(as_array(value))[None]


def grip(context: Context, facts: BeltsFacts, way: Way) -> Grip:
    """From idle to the engine's limit, with a blip at each speed.

    The crank turns clockwise seen from the front, so that the belt runs against its counter-clockwise order; from the crank's slack
    side on each driven pulley adds ``P / v``. A sprung arm holds ``T - m v^2`` of its own span; locked centres hold the mean of all
    tensions as it was set, so that grip falls with ``m v^2``.
    """
    engine = range_of(context)
    found, count, crank = way.route, len(way.pulleys), way.crank
    radius = found.radius  # (pulley, n)
    turns = engine[:, None] * np.pi / 30.0
    belt = turns * radius[crank][None]
    ratios = way.ratios
    speeds = engine[None, :, None] * ratios[:, None]
    share = engine[:, None] / _three(context.engine.rated_speed)
    alpha = likely(facts.blip) * np.pi / 30.0
    taken = []
    for i, pulley in enumerate(way.pulleys):
        what = pulley.what or "other"
        steady = _three(full_power(context, pulley, charge_of(context))) * follows(what, share)
        rotor = 0.0 if i == crank else WHATS[what].rotor if what in FREE else pulley.rotor
        spun = _three(rotor) * WHATS[what].radius ** 2 * alpha * ratios[i][None] ** 2 * turns
        taken.append(steady + spun)
    powers = np.stack(np.broadcast_arrays(*taken))
    section = SECTIONS[way.facts.section]
    ribs = _three(way.facts.ribs)
    mass, static = section.mass * ribs, _three(way.facts.tension) * ribs
    flung = mass * belt**2
    order = [(crank - k) % count for k in range(count)]
    # Of the span ahead of each as the belt runs: what has been added since the crank's slack side.
    added = np.cumsum(np.stack([powers[i] / belt if i != crank else 0.0 * powers[i] for i in order]), axis=0)
    slack = _slack(way, order, added, static, flung)
    tensions = slack[None] + added
    ahead, behind = np.empty_like(tensions), np.empty_like(tensions)
    for k, i in enumerate(order):
        ahead[i], behind[i] = tensions[k], tensions[(k - 1) % count]
    one, other = ahead - flung[None], behind - flung[None]
    high, low = np.maximum(one, other), np.minimum(one, other)
    # Friction holds what differs over a pulley by e to the mu wrap, of what bears on it: tension less m v^2.
    side = np.where(found.sense > 0.0, 1.0, BACK_SHARE)[:, None] * _three(way.facts.grip)[None]
    holds = np.minimum(side * found.wraps[:, None], 60.0)
    carries = high - low > 1e-6
    bears = low > 1e-6
    needed = np.log(np.where(carries & bears, high / np.where(bears, low, 1.0), np.e))
    margins = np.where(carries, np.where(bears, holds / needed, 0.0), HELD_MOST)
    hubs = np.sqrt(np.maximum(one**2 + other**2 - 2.0 * one * other * np.cos(found.wraps[:, None]), 0.0))
    return Grip(engine, belt, speeds, powers, ahead, np.minimum(margins, HELD_MOST), hubs, static[0], mass[0])


def _slack(way: Way, order: list[int], added: Array, static: Array, flung: Array) -> Array:
    """Tension of the crank's slack span [N] (speed, sample)."""
    at = way.arm
    if at is None:
        spans = np.stack([way.route.spans[(i - 1) % len(order)] for i in order])[:, None]
        return np.asarray(static - np.sum(added * spans, axis=0) / np.maximum(np.sum(spans, axis=0), 1e-9))
    return np.asarray(arm_pull(way, static) + flung - added[order.index(at)])


def arm_pull(way: Way, static: Array) -> Array:
    """What bears on the arm's pulley: its spring by virtual work, else the tension that is stated [N]."""
    at = way.arm
    assert at is not None
    spring, arm = way.pulleys[at].spring, way.swings
    if spring is None or arm is None:
        return static
    pull = np.ravel(as_array(spring)) / np.maximum(np.abs(arm.answers), 1e-4)
    # Near its dead point a spring would pull without end: it locks there, as tight as the belt was laid on.
    return np.where(np.abs(arm.answers) < LEVER * DEAD * arm.most, static, pull)


def worked(context: Context, facts: BeltsFacts, way: Way) -> Grip:
    """The grip of a belt, worked once for the same values."""
    stands = (way, facts.blip, context.engine, context.machine, context.given.get(CHARGE))
    return context.remember(f"grip_{way.place}", stands, lambda: grip(context, facts, way))


def ribs_for(context: Context, power: float, crank: float) -> float:
    """Ribs that carry a power [W] at idle off a crank pulley [m]: each at its usual tension, half a turn's wrap, grip kept."""
    section = SECTIONS["ribbed"]
    speed = likely(context.engine.facts.idle_speed) * np.pi / 30.0 * (0.5 * crank + section.cord)
    ratio = np.exp(np.pi / MARGIN)
    return float(power / speed / (2.0 * section.tension * (ratio - 1.0) / (ratio + 1.0)))
