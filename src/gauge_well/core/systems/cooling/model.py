"""Cooling solved: air, coolant, heat shed at the limit, duration, shown temperature."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.engine.facts import MATERIALS
from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.heat import radiator
from gauge_well.core.heat.louvred_fin import LouvredFin
from gauge_well.core.heat.two_node import TwoNode, respond
from gauge_well.core.media import air, coolant
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import tested
from gauge_well.core.systems.cooling.air import UNSHROUDED_SPREAD, AirPath, face_velocity
from gauge_well.core.systems.cooling.facts import ADVERTISED, GRILLES, OPENINGS, CoolingFacts
from gauge_well.core.typing import Array, Value, as_array, clip

BOILING_MARGIN = 10.0  # K
CONDENSER_LOSS = 8.0
PUSHER = 0.8
FIN_THICKNESS, WALL = 0.08e-3, 0.28e-3
LOUVRE_SHARE = 0.825  # louvre length over fin length
RECIRCULATION, RECIRCULATION_SPEED = 5.0, 8.0  # K at standstill; gone at 8 m/s
DROP_RATED, HOSE_SPEED = 7.0, 3.5  # K, m/s
THERMOSTAT_RANGE = 12.0
FILM = 3.0  # K by which coolant in the tubes is colder than where it enters, for its properties
METAL_STANDS = 30.0  # K over coolant at rated heat
METAL_SHARE = 0.5
# Model factors, by the names under which doubts of them are drawn.
J_DOUBT, F_DOUBT, AGEING_DOUBT, FAN_DOUBT, RAM_DOUBT = "louvred_j", "louvred_f", "ageing", "fan_derate", "ram"
# What the oil system hands over: share of its heat that reaches the coolant, less what air takes first [W].
OIL_SHARE, OIL_BACK = "oil_heat_to_coolant_share", "oil_heat_to_air_w"
METAL_START = 0.25  # of METAL_STANDS in a warm start: it was cruising
COOLANT_HEAT = 3570.0 * 1.04  # J/LK
CORE_HEAT = 900.0 * 1000.0  # J/m3K
START_OVER_THERMOSTAT, SOAKED_OVER, COOL_START = 2.0, 14.0, 343.15
# K over the air at which a shown temperature is first looked for.
OVER_AIR = np.array([0.01, 30, 40, 46, 50, 54, 58, 62, 66, 70, 75, 80, 90, 110, 150, 240, 600.0])


def core_of(facts: CoolingFacts) -> radiator.RadiatorCore:
    """Build the core; MissingFact names the dimension that is absent."""
    height = as_array(need(facts.fin_length, "cooling.fin_length"))
    depth = need(facts.core_depth, "cooling.core_depth")
    fin = LouvredFin(
        fin_pitch=1.0 / as_array(need(facts.fin_count, "cooling.fin_count")),
        fin_length=height,
        fin_thickness=FIN_THICKNESS,
        louvre_pitch=need(facts.louvre_pitch, "cooling.louvre_pitch"),
        louvre_length=LOUVRE_SHARE * height,
        louvre_angle=np.rad2deg(as_array(need(facts.louvre_angle, "cooling.louvre_angle"))),
        tube_height=need(facts.tube_height, "cooling.tube_height"),
        tube_depth=depth,
    )
    return radiator.RadiatorCore(
        width=need(facts.core_width, "cooling.core_width"),
        height=need(facts.core_height, "cooling.core_height"),
        depth=depth,
        passes=need(facts.core_passes, "cooling.core_passes"),
        rows=need(facts.core_rows, "cooling.core_rows"),
        down_flow=1.0 if facts.core_direction == "down_flow" else 0.0,
        fin=fin,
        wall=WALL,
        conductivity=radiator.FIN_MATERIALS[facts.fin_material or "aluminium"][1],
    )


@dataclass(frozen=True)
class Fan:
    """All fans together: free air [m3/s] after derating and shut-off [Pa] at 1.2 kg/m3."""

    free_air: Value
    shut_off: Value
    disc_area: Value
    shroud: str


def fan_of(facts: CoolingFacts, doubt: Value = 1.0) -> Fan:
    """Build the fan; with none the face stands open. ``doubt`` multiplies what is taken off an advertised figure."""
    if need_choice(facts.fan_kind, "cooling.fan_kind") == "none":
        return Fan(1.0, 1.0, 0.0, "none")
    count = as_array(need(facts.fan_count, "cooling.fan_count"))
    diameter = as_array(need(facts.fan_diameter, "cooling.fan_diameter"))
    flow = as_array(need(facts.fan_flow, "cooling.fan_flow")) * count
    if facts.fan_rating == "advertised":
        flow = flow * ADVERTISED * doubt
    if facts.fan_kind == "pusher":
        flow = flow * PUSHER
    return Fan(
        flow,
        need(facts.fan_pressure, "cooling.fan_pressure"),
        count * np.pi / 4.0 * diameter**2,
        facts.shroud or "full",
    )


def need_choice(value: str | None, field: str) -> str:
    """Return a choice that was made; MissingFact otherwise."""
    if value is None:
        raise MissingFact(field)
    return value


@dataclass(frozen=True)
class AirSolved:
    """Air through the core for fan off and on: leading axis (off, on)."""

    path: AirPath
    velocity: Array
    mass_flow: Array
    air_in: Array
    side: radiator.AirSide
    rise: Array


@dataclass(frozen=True)
class Plant:
    """What depends neither on power nor on the air outside; axes (power step, duty, sample)."""

    facts: CoolingFacts
    core: radiator.RadiatorCore
    fan: Fan
    glycol: Array
    pressure: Array
    boiling: Array
    limit: Array
    flow: Array
    hose_speed: Array
    fluid: radiator.CoolantSide
    metal: Array
    liquid: Array
    thermostat: Array
    scale: Array

    @property
    def heat_capacity(self) -> Array:
        """Metal and coolant together [J/K]."""
        return self.metal + self.liquid


@dataclass(frozen=True)
class Cooling:
    """A plant in the air of its duties, ready to be asked at any power."""

    plant: Plant
    ambient: Array
    airs: AirSolved
    at_limit: radiator.Shed
    sink: Array
    start: Array
    start_metal: Array
    response: TwoNode
    capacity: Array
    ageing: Array


def coolant_flow(context: Context, facts: CoolingFacts, glycol: Value) -> tuple[Array, Value, str]:
    """Coolant flow [m3/s] at ``speed`` [rev/min], and how it is known.

    By rule the smaller of a 7 K drop at the engine's rated power and 3.5 m/s in the hose; in
    proportion to speed.
    """
    if facts.coolant_flow is not None:
        speed = context.engine.rated_speed if facts.coolant_flow_speed is None else facts.coolant_flow_speed
        return as_array(facts.coolant_flow), speed, "given"
    bore = as_array(need(facts.hose_bore, "cooling.hose_bore"))
    hose = HOSE_SPEED * np.pi / 4.0 * bore**2
    warm = coolant.properties(363.15, glycol)
    rho_cp = warm.density * warm.heat_capacity
    by_drop = context.own_coolant_heat / (DROP_RATED * rho_cp)
    return np.minimum(hose, by_drop), context.engine.rated_speed, "rule"


def solve_air(
    core: radiator.RadiatorCore,
    fan: Fan,
    facts: CoolingFacts,
    ambient: Array,
    pressure: Array,
    speed: Array,
    condenser_heat: Array,
    hot: Value,
    shares: tuple[float, ...] = (0.0, 1.0),
    rise: Array | None = None,
    doubts: tuple[Value, Value, Value] = (1.0, 1.0, 1.0),
) -> AirSolved:
    """Air flow for each fan share (leading axis; off and on), hot density in two passes.

    ``hot`` is the temperature of what heats the air, for the density behind the core. A known
    ``rise`` of the air over the core saves the first pass. ``doubts`` multiply the correlations' j and
    f, and the ram.
    """
    rho = air.density(ambient, pressure)
    q = 0.5 * rho * speed**2
    share = np.array(shares).reshape((len(shares),) + (1,) * np.ndim(rho))
    grille = GRILLES[facts.grille or "usual"][1]
    front = grille + (CONDENSER_LOSS if facts.condenser == "yes" else 0.0)
    covered = clip(UNSHROUDED_SPREAD * as_array(fan.disc_area) / core.face, 0.0, 0.95)
    recirculated = RECIRCULATION * clip(1.0 - speed / RECIRCULATION_SPEED, 0.0, 1.0) * share
    condenser = condenser_heat if facts.condenser == "yes" else 0.0 * condenser_heat
    passes = 2 if rise is None else 1
    rise = as_array(0.5 * (as_array(hot) - ambient)) if rise is None else rise
    for _ in range(passes):
        out = ambient + rise
        rho_hot = air.density(out, pressure)
        film = 0.5 * (ambient + out)
        a, b = radiator.resistance(core, rho, rho_hot, film, doubts[1])
        path = AirPath(
            face=core.face,
            covered=covered,
            a=a,
            b=b + 0.5 * front * rho,
            ram=OPENINGS[facts.opening or "open_nose"][1] * as_array(doubts[2]),
            dynamic_head=q,
            density=rho,
            density_hot=rho_hot,
            fan_flow=fan.free_air,
            fan_pressure=as_array(fan.shut_off) * rho_hot / 1.2,
            fan_share=share,
            exit_area=need(facts.exit_area, "cooling.exit_area"),
            exit_loss=need(facts.exit_loss, "cooling.exit_loss"),
        )
        velocity = face_velocity(path, fan.shroud)
        mass = rho * velocity * core.face
        side = radiator.air_side(core, mass, film, radiator.J_FACTOR * doubts[0])
        air_in = ambient + recirculated + condenser / side.capacity_rate
        # Air leaves near 0.7 of the way to the coolant: enough for its density.
        rise = np.maximum(0.7 * (as_array(hot) - air_in), 0.0) + (air_in - ambient)
    return AirSolved(path, velocity, side.mass_flow, air_in, side, rise)


def boiling_and_limit(context: Context, facts: CoolingFacts, pressure: Array) -> tuple[Array, Array, Array]:
    """Glycol mass share, boiling point and hottest coolant allowed [K] for each duty."""
    glycol = coolant.mass_share(need(facts.glycol, "cooling.glycol"))
    boiling = coolant.boiling_point(pressure + as_array(need(facts.cap_pressure, "cooling.cap_pressure")), glycol)
    own = as_array(need(context.engine.facts.coolant_limit, "engine.coolant_limit"))
    return glycol, boiling, np.minimum(boiling - BOILING_MARGIN, own)


def start_temperatures(context: Context, limit: Array, ambient: Array) -> tuple[Array, Array]:
    """Coolant and metal temperature at the start of each duty [K]."""
    thermostat = as_array(need(context.engine.facts.thermostat, "engine.thermostat"))
    warm = thermostat + START_OVER_THERMOSTAT
    starts = [case.start for case in context.duties.cases]

    def where(start: str) -> NDArray[np.bool_]:
        return np.array([s == start for s in starts])[None, :, None]

    coolant_t = np.select(
        [where("warm"), where("cool"), where("soaked")], [warm, COOL_START, warm + SOAKED_OVER], ambient
    )
    return coolant_t, coolant_t + np.where(where("warm"), METAL_START * METAL_STANDS, 0.0)


def heat_capacities(context: Context, core: radiator.RadiatorCore) -> tuple[Array, Array]:
    """Metal and coolant heat capacity [J/K]."""
    facts = context.engine.facts
    metal = (
        METAL_SHARE
        * as_array(need(facts.dry_mass, "engine.dry_mass"))
        * MATERIALS[facts.material or "iron_light_head"][1]
    )
    litres = 4.0 + 2.0 * as_array(context.engine.displacement) * 1e3
    return metal, litres * COOLANT_HEAT + core.face * core.depth * CORE_HEAT


def plant_of(context: Context, facts: CoolingFacts) -> Plant:
    """Core, fan, coolant and its limit for each duty; MissingFact names what is absent."""
    core, fan = core_of(facts), fan_of(facts, context.doubt(FAN_DOUBT))
    duties = context.duties
    pressure = duties.column("pressure")
    glycol, boiling, limit = boiling_and_limit(context, facts, pressure)
    flow_at, at_speed, _ = coolant_flow(context, facts, glycol)
    flow = flow_at * duties.column("engine_speed") / at_speed
    bore = as_array(need(facts.hose_bore, "cooling.hose_bore"))
    metal, liquid = heat_capacities(context, core)
    return Plant(
        facts,
        core,
        fan,
        glycol,
        pressure,
        boiling,
        limit,
        flow,
        flow / (np.pi / 4.0 * bore**2),
        radiator.coolant_side(core, flow, limit - FILM, glycol),
        metal,
        liquid,
        as_array(need(context.engine.facts.thermostat, "engine.thermostat")),
        tested.scale_of(core, facts, glycol),
    )


def prepare(
    context: Context,
    plant: Plant,
    ambient: Array | None = None,
    shares: tuple[float, ...] = (0.0, 1.0),
    rise: Array | None = None,
) -> Cooling:
    """Solve what does not depend on power: air, heat shed at the limit, capacity for the duration.

    ``ambient`` overrides the air outside of every duty (limiting-ambient search); the last of the
    fan ``shares`` is the one heat is shed with at the limit.
    """
    duties, limit = context.duties, plant.limit
    t_amb = duties.column("ambient") if ambient is None else ambient
    airs = solve_air(
        plant.core,
        plant.fan,
        plant.facts,
        t_amb,
        plant.pressure,
        duties.column("air_speed"),
        duties.column("condenser_heat"),
        limit,
        shares,
        rise,
        # A test says how well this core's fins do: their doubt is then the test's.
        (
            1.0 if tested.given(plant.facts) else context.doubt(J_DOUBT),
            context.doubt(F_DOUBT),
            context.doubt(RAM_DOUBT),
        ),
    )
    side, air_in = _fan_state(airs.side, -1), _cut(airs.air_in, -1)
    ageing = radiator.AGEING * as_array(context.doubt(AGEING_DOUBT)) * plant.scale
    at_limit = radiator.shed(plant.core, side, plant.fluid, limit, air_in, ageing)
    conductance = np.maximum(at_limit.heat / np.maximum(limit - air_in, 1e-3), 1e-3)
    start, start_metal = start_temperatures(context, limit, t_amb)
    response = respond(
        duties.column("duration"), plant.metal, plant.liquid, context.own_coolant_heat / METAL_STANDS, conductance
    )
    free = response.weight_metal * start_metal + response.weight_coolant * start + response.weight_sink * air_in
    capacity = (limit - free) / response.per_watt
    return Cooling(plant, t_amb, airs, at_limit, air_in, start, start_metal, response, capacity, ageing)


def _cut(value: Array, state: int) -> Array:
    """One fan state (0 off, -1 on) of an array that may lead with the fan's axis."""
    return np.asarray(value[state]) if value.ndim > 3 else value


def _fan_state(side: radiator.AirSide, state: int) -> radiator.AirSide:
    return radiator.AirSide(*(_cut(getattr(side, name), state) for name in side.__dataclass_fields__))


def pick_fan(airs: AirSolved, state: int) -> AirSolved:
    """One fan state: index 0 off, -1 on, the leading axis dropped."""
    path = airs.path
    return AirSolved(
        AirPath(*(_cut(np.asarray(getattr(path, name)), state) for name in path.__dataclass_fields__)),
        _cut(airs.velocity, state),
        _cut(airs.mass_flow, state),
        _cut(airs.air_in, state),
        _fan_state(airs.side, state),
        _cut(airs.rise, state),
    )


def heat_made(cooling: Cooling, context: Context, mean: Operation) -> Array:
    """Heat that lands in this coolant [W]: engine, oil by way of the block, coolers that share the radiator."""
    heat = mean.heat_to_coolant
    if OIL_SHARE in context.given:
        through = context.given[OIL_SHARE] * mean.heat_to_oil - context.given[OIL_BACK]
        heat = heat + np.maximum(through, 0.0)
    if cooling.plant.facts.gearbox_cooler == "yes":
        heat = heat + context.duties.column("gearbox_heat") * (mean.power / context.mean.power)
    return np.asarray(heat)


@dataclass(frozen=True)
class Shown:
    """What the gauge would read."""

    steady: Array
    end: Array
    fan_share: Array
    thermostat_open: Array


def lift_of(temperature: Array, thermostat: Value) -> Array:
    """Thermostat lift, 0.01 shut to 1 open over its range of 12 K."""
    return clip((temperature - thermostat) / THERMOSTAT_RANGE, 0.01, 1.0)


def shed_at(cooling: Cooling, temperature: Array, airs: AirSolved) -> Array:
    """Heat shed [W] with coolant at ``temperature`` [K] and the thermostat where it then stands."""
    plant = cooling.plant
    flow = plant.flow * lift_of(temperature, plant.thermostat)
    fluid = radiator.coolant_side(plant.core, flow, temperature - FILM, plant.glycol)
    return radiator.shed(plant.core, airs.side, fluid, temperature, airs.air_in, cooling.ageing).heat


def shown(cooling: Cooling, heat: Array) -> Shown:
    """Coolant temperature where shed equals made, with the fan as its thresholds control it.

    Off where the core sheds enough at the switch-on temperature without it; sharing its time where
    it sheds enough at switch-off with it; else fully on. The root is bracketed between the air and
    air + 600 K and found by bracketing, never by substitution.
    """
    plant, airs = cooling.plant, cooling.airs
    facts = plant.facts
    on_t = as_array(need(facts.fan_on, "cooling.fan_on"))
    off_t = as_array(need(facts.fan_off, "cooling.fan_off"))
    shape = np.broadcast_shapes(heat.shape, airs.side.mass_flow.shape, plant.limit.shape)
    ladder = np.broadcast_to(airs.air_in, shape) + OVER_AIR.reshape((-1,) + (1,) * len(shape))
    # One pass over the ladder leaves each point a short bracket; shed rises with temperature.
    surplus = shed_at(cooling, ladder, airs) - heat
    over = surplus > 0.0
    step = np.where(over.any(axis=0), np.argmax(over, axis=0), len(OVER_AIR) - 1)[None]
    below = np.maximum(step - 1, 0)
    ends = [(np.take_along_axis(v, i, 0)[0]) for v in (ladder, surplus) for i in (below, step)]
    roots = find_root(
        lambda t: shed_at(cooling, t, airs) - heat, ends[0], ends[1], tolerance=1e-2, values=(ends[2], ends[3])
    )
    middle = 0.5 * (on_t + off_t)
    # Both thresholds and their middle at once, for fan off and on (axes: temperature, fan, ...).
    steps = np.stack([np.broadcast_to(t, plant.limit.shape) for t in (on_t, off_t, middle)])[:, None]
    at = shed_at(cooling, steps, airs)
    q_off, q_on, q_mid_off, q_mid_on = at[0, 0], at[1, -1], at[2, 0], at[2, -1]
    share = clip((heat - q_mid_off) / np.maximum(q_mid_on - q_mid_off, 1e-6), 0.0, 1.0)
    off, sharing = q_off >= heat, q_on >= heat
    steady = np.where(off, roots[0], np.where(sharing, middle, roots[-1]))
    fan = np.where(off, 0.0, np.where(sharing, share, 1.0))
    r = cooling.response
    linear = (
        r.weight_metal * cooling.start_metal
        + r.weight_coolant * cooling.start
        + r.weight_sink * cooling.sink
        + r.per_watt * heat
    )
    # The thermostat and the fan hold the coolant up; the linear answer knows them full open.
    floor = np.minimum(cooling.start, steady)
    end = np.where(np.isfinite(r.per_watt), np.maximum(linear, floor), steady)
    ever = r.weight_coolant < 1e-9
    end = np.where(ever, steady, np.minimum(end, np.maximum(steady, cooling.start)))
    return Shown(steady, np.asarray(end), np.asarray(fan), lift_of(steady, plant.thermostat))


AMBIENT_LOW, AMBIENT_HIGH = 223.15, 363.15


def limiting_ambient(context: Context, heat: Array, first: Cooling) -> Array:
    """Air temperature outside at which the duty's heat is just carried [K].

    The model is run again at a first guess and the secant taken: within 0.1 K near the ambient asked
    for, 0.5 K where that is 40 K away. Held to -50..90 degC; at an end the true answer lies beyond.
    """
    t0, limit = first.ambient, first.plant.limit
    g0 = heat - first.capacity
    slope = np.maximum(first.at_limit.heat / np.maximum(limit - first.sink, 1.0), 1.0)
    t1 = clip(t0 - g0 / slope, AMBIENT_LOW, AMBIENT_HIGH)
    # The air warms in proportion to what is left between it and the coolant.
    rise = first.airs.rise[-1:] / np.maximum(limit - t0, 1.0) * np.maximum(limit - t1, 1.0)
    g1 = heat - prepare(context, first.plant, t1, (1.0,), rise).capacity
    rate = np.where(np.abs(t1 - t0) > 1e-9, (g1 - g0) / np.where(t1 == t0, 1.0, t1 - t0), slope)
    # Capacity falls as the air warms, so the surplus rises with ambient; keep the step on that side.
    return clip(t1 - g1 / np.maximum(rate, 0.02 * slope), AMBIENT_LOW, AMBIENT_HIGH)
