"""The tank: what of it can be used under grade, heel and acceleration, how long it lasts, how hot it gets, its vent."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import fact
from gauge_well.core.flow.pipe import bore_area, orifice_flow
from gauge_well.core.geometry.frames import apparent_up
from gauge_well.core.geometry.free_surface import Body, prism, volume_below
from gauge_well.core.media import air, fuels
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel.circuit import Circuit, burned
from gauge_well.core.systems.fuel.facts_tank import AIR_SPACE
from gauge_well.core.systems.fuel.network import Point
from gauge_well.core.typing import Array, Value, as_array, clip

SIDES = ("tank.length", "tank.width", "tank.height")
VENT_MOST = 1e3  # Pa under the air outside that a tank stands, and its gauge notices (common practice)
# W/m2K from its walls: standing, more with each m/s of road speed, at most (common practice).
TANK_STILL, TANK_SWEPT, TANK_MOST = 8.0, 2.0, 40.0
DIESEL_HOT = 343.15  # K, in the tank: under its flash point, and it still oils the injection pump (common practice)
RETURN_MOST = 30.0  # K over the feed that a return is taken to reach: the bay is no hotter
FILL_HEAD, NOZZLE = 0.30, 40e-3 / 60.0  # m of head in a filler; m3/s of a filling pump (common practice)
FILL_LOSS = 2.5  # K of neck, flap and outlet


def boxed(circuit: Circuit) -> bool:
    """Whether the tank's box is known."""
    return all(fact(circuit.facts, side) is not None for side in SIDES)


@dataclass(frozen=True)
class Tank:
    """The box as a body of liquid (centred in plan, floor at 0) and its pickup (3,) or (sample, 3) [m]."""

    body: Body
    pickup: Array
    size: tuple[Array, Array, Array]

    @property
    def whole(self) -> Array:
        """Volume it can be filled to [m3]."""
        length, width, height = self.size
        return np.asarray(length * width * height * (1.0 - AIR_SPACE))


# A box of one metre each way, centred in plan on the floor; every tank is this one stretched.
UNIT_BOX = prism(np.array([[-0.5, 0.0], [0.5, 0.0], [0.5, 1.0], [-0.5, 1.0]]), [(-0.5, 1.0), (0.5, 1.0)]).tetrahedra


def tank_of(circuit: Circuit) -> Tank:
    """Build the box; MissingFact names the side that is missing."""
    length, width, height = np.broadcast_arrays(*(circuit.fact(side) for side in SIDES))
    body = Body(UNIT_BOX * np.stack([length, width, height], axis=-1)[..., None, None, :])
    x = clip(circuit.fact("tank.pickup_x"), -0.5 * length, 0.5 * length)
    y = clip(circuit.fact("tank.pickup_y"), -0.5 * width, 0.5 * width)
    z = np.minimum(circuit.fact("tank.pickup_height"), height)
    return Tank(body, np.stack(np.broadcast_arrays(x, y, z), axis=-1), (length, width, height))


def to_cover(tank: Tank, normal: Array) -> Array:
    """Fuel [m3] that just covers the pickup with the surface square to ``normal`` (..., 3).

    The volume under the plane through the pickup's mouth: exact, no root. Quasi-static.
    """
    height = np.einsum("...c,...c->...", normal, tank.pickup)
    return volume_below(tank.body, normal, height)


# What a duty does to the surface: accelerations along (pulling, braking) and across, and which side it heels to.
DIRECTIONS: Mapping[str, tuple[float, float, float, float]] = {
    "at rest": (0.0, 0.0, 0.0, 1.0),
    "heeled over": (0.0, 0.0, 0.0, -1.0),
    "braking": (0.0, -1.0, 0.0, 1.0),
    "pulling away": (1.0, 0.0, 0.0, 1.0),
    "turning left": (0.0, 0.0, 1.0, 1.0),
    "turning right": (0.0, 0.0, -1.0, -1.0),
}
LASTING = 2  # of them last: grade and heel


def normals_of(context: Context, sustained: bool) -> Array:
    """Surfaces (duty, direction, sample, 3) a duty brings, in the order of :data:`DIRECTIONS`; only those that last
    where only what is ``sustained`` is asked."""
    ways = np.array(list(DIRECTIONS.values()))[: LASTING if sustained else None]
    fore, back, aside, side = ways.T[:, None, :, None]

    def column(name: str) -> Array:
        return context.duties.column(name)[0, :, None, :]

    along = fore * column("pulling") + back * column("braking")
    return apparent_up(along, aside * column("cornering"), 0.0, column("grade"), side * column("heel"))


def cover_volumes(context: Context, tank: Tank, sustained: bool) -> Array:
    """Fuel [m3] that keeps the pickup covered, the worst direction of each duty: (duty, sample)."""
    return np.asarray(to_cover(tank, normals_of(context, sustained)).max(axis=1))


def rides_out(circuit: Circuit) -> bool:
    """Whether a pot, in the tank or outside it, or a float bowl rides out what lasts only seconds: then only grade
    and heel count."""
    facts = circuit.facts
    return facts.lift == "pot" or facts.tank.pickup_in == "pot" or facts.injection == "carburettor"


@lru_cache(maxsize=4)
def unusable(circuit: Circuit) -> Array:
    """Fuel each duty cannot reach [m3], on the duty axis; nought where the tank's box is not known."""
    context = circuit.context
    if not boxed(circuit):
        return np.zeros((1, len(context.duties.cases), 1))
    return cover_volumes(context, tank_of(circuit), rides_out(circuit))[None]


def endurance(context: Context, circuit: Circuit, mean: Operation) -> Array:
    """How long a full tank lasts in each duty [s]; MissingFact without what it holds."""
    usable = np.maximum(circuit.fact("tank.volume") - unusable(circuit), 0.0)
    return np.asarray(usable / np.maximum(burned(mean, circuit.fuel), 1e-12))


def heat_back(point: Point) -> Array:
    """Heat what comes back carries into the tank [W]: the rail's, the injection pump's, and of the lift or main pump's
    power the share that returns."""
    c = point.network.circuit
    back = point.returned + point.spilled
    spill = c.fuel.density * c.fuel.heat_capacity * point.spilled * c.fact("return_rise")
    rail = np.where(point.returned > 0.0, c.fact("rail_heat"), 0.0)
    share = back / np.maximum(point.through, 1e-12)
    return np.asarray(spill + rail + point.watts * share)


def return_temperature(point: Point) -> Array:
    """Temperature of what goes back [K]: warmer by what the rail took up, or by the injection pump's work."""
    c = point.network.circuit
    heat = c.fuel.density * c.fuel.heat_capacity * np.maximum(point.returned, 1e-9)
    rail = np.minimum(c.fact("rail_heat") / heat, RETURN_MOST)
    return np.asarray(c.temperature + np.where(point.returned > 0.0, rail, c.fact("return_rise")))


def tank_end(context: Context, circuit: Circuit, heat: Array) -> Array:
    """Temperature in the tank [K], filled to its reserve, at the end of each duty.

    One lump with walls: ``T = Ta + Q/UA (1 - exp(-UA t / C))`` (incropera2007, ch. 5); MissingFact without what it
    holds.
    """
    volume = circuit.fact("tank.volume")
    reserve = np.maximum(circuit.fact("tank_reserve"), 0.05) * volume
    area = 6.6 * volume ** (2.0 / 3.0)
    swept = TANK_STILL + TANK_SWEPT * context.duties.column("air_speed")
    conductance = area * np.minimum(swept, TANK_MOST)
    capacity = circuit.fuel.density * circuit.fuel.heat_capacity * reserve
    time = context.duties.column("duration")
    with np.errstate(over="ignore"):
        rise = heat / conductance * (1.0 - np.exp(-conductance * np.minimum(time, 1e7) / capacity))
    return np.asarray(context.duties.column("ambient") + rise)


def hottest_allowed(circuit: Circuit, pull: Array) -> Array:
    """Temperature [K] at which what the pump's inlet is left with is what the fuel boils at, or the diesel's own."""
    if circuit.fuel.rvp <= 0.0:
        return np.full_like(circuit.pressure, DIESEL_HOT)
    left = np.maximum(circuit.pressure - pull - circuit.vapour_margin, 1.0)
    return fuels.boiling_temperature(circuit.fuel, left, circuit.facts.reid_pressure)


def vent_drop(circuit: Circuit, flow: Value) -> Array:
    """Pressure under the air outside [Pa] while ``flow`` [m3/s] of fuel leaves the tank; MissingFact without a vent.

    A sharp hole (crane410), turned round: ``dp = rho / 2 (Q / (0.62 A))^2``.
    """
    one = orifice_flow(1.0, bore_area(circuit.fact("tank.vent_bore")), air_density(circuit))
    return np.asarray((as_array(flow) / one) ** 2)


def vent_bore(circuit: Circuit, flow: Value) -> Array:
    """Bore [m] that passes ``flow`` at the most a tank should stand."""
    each = orifice_flow(VENT_MOST, 1.0, air_density(circuit))
    return np.sqrt(4.0 / np.pi * as_array(flow) / each)


def air_density(circuit: Circuit) -> Array:
    """Air that comes in through the vent [kg/m3]."""
    return air.density(circuit.temperature, circuit.pressure)


def fill_flow(bore: Value, length: Value) -> Array:
    """Flow [m3/s] a filler swallows by its head alone: ``A sqrt(2 g h / K)``, friction as 0.03 L / D."""
    k = FILL_LOSS + 0.03 * as_array(length) / as_array(bore)
    return np.asarray(bore_area(bore) * np.sqrt(2.0 * GRAVITY * FILL_HEAD / k))
