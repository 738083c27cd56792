"""Cooling solved: air, coolant, heat shed at the limit, duration, shown temperature."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.duty.model import Duties
from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.heat import radiator
from gauge_well.core.heat.louvred_core import LouvredCore
from gauge_well.core.heat.louvred_fin import LouvredFin
from gauge_well.core.heat.plate_fin import PlateFin
from gauge_well.core.heat.plate_fin_core import PlateFinCore
from gauge_well.core.heat.two_node import Shut, TwoNode, end_from_shut, respond
from gauge_well.core.media import air, coolant
from gauge_well.core.parts.fan import ELECTRIC
from gauge_well.core.reads import FAN_DROP, LOST_COOLANT, LOST_REQUEST, OIL_PULL, SAG
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import front, tested
from gauge_well.core.systems.cooling.air import UNSHROUDED_SPREAD, AirPath, Zones, carrying, zones
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.facts_air import GRILLES, OPENINGS, SEALINGS
from gauge_well.core.systems.cooling.fan import Fan, electric_power, fan_of, weakened
from gauge_well.core.systems.cooling.loop import SHUT, Loop, Solved, loop_of, narrowest
from gauge_well.core.typing import Array, Value, as_array, clip

BOILING_MARGIN = 10.0  # K
FIN_THICKNESS, WALL = 0.08e-3, 0.28e-3
PLATE_THICKNESS, ROUND_WALL = 0.12e-3, 0.4e-3
LOUVRE_SHARE = 0.825  # louvre length over fin length
RATING_DENSITY = 1.2
RECIRCULATION_SPEED = 8.0  # m/s of air at which nothing goes round the core again
DROP_RATED, HOSE_SPEED = 7.0, 3.5  # K, m/s
THERMOSTAT_RANGE = 12.0
OPENS_OVER = 2.0  # K over its first lift at which a thermostat lets enough through
FILM = 3.0  # K by which coolant in the tubes is colder than where it enters, for its properties
METAL_STANDS = 30.0  # K over coolant at rated heat
METAL_SHARE = 0.5
# Model factors, by the names under which doubts of them are drawn.
J_DOUBT, F_DOUBT, AGEING_DOUBT, FAN_DOUBT, RAM_DOUBT = "louvred_j", "louvred_f", "ageing", "fan_derate", "ram"
METAL_START = 0.25  # of METAL_STANDS in a warm start: it was cruising
COOLANT_HEAT = 3570.0 * 1.04  # J/LK
CORE_HEAT = 900.0 * 1000.0  # J/m3K
START_OVER_THERMOSTAT, SOAKED_OVER, COOL_START = 2.0, 14.0, 343.15
SKIN, SKIN_MASS = 20.0, 150.0  # W/K that an engine of that mass [kg] gives to still air (common practice)


def core_of(facts: CoolingFacts) -> radiator.RadiatorCore:
    """Build the core; MissingFact names the dimension that is absent."""
    fin_pitch = 1.0 / as_array(facts.core.fin_count)
    conductivity = radiator.FIN_MATERIALS[facts.core.fin_material][1]
    width, height, depth, passes, rows = (
        need(getattr(facts.core, name), f"cooling.core.{name}")
        for name in ("width", "height", "depth", "passes", "rows")
    )
    down_flow = 1.0 if facts.core.direction == "down_flow" else 0.0
    if facts.core.tubes == "plate":
        plate = PlateFin(
            fin_pitch=fin_pitch,
            fin_thickness=PLATE_THICKNESS,
            tube_diameter=need(facts.core.tube_diameter, "cooling.core.tube_diameter"),
            pitch_across=need(facts.core.tube_across, "cooling.core.tube_across"),
            pitch_along=need(facts.core.tube_along, "cooling.core.tube_along"),
            rows=rows,
        )
        return PlateFinCore(width, height, depth, passes, rows, down_flow, ROUND_WALL, conductivity, plate)
    between = as_array(facts.core.fin_length)
    fin = LouvredFin(
        fin_pitch=fin_pitch,
        fin_length=between,
        fin_thickness=FIN_THICKNESS,
        louvre_pitch=facts.core.louvre_pitch,
        louvre_length=LOUVRE_SHARE * between,
        louvre_angle=np.rad2deg(as_array(facts.core.louvre_angle)),
        tube_height=facts.core.tube_height,
        tube_depth=depth,
    )
    return LouvredCore(width, height, depth, passes, rows, down_flow, WALL, conductivity, fin)


@dataclass(frozen=True, kw_only=True)
class AirSolved:
    """Air through the core for fan off and on: leading axis (off, on)."""

    path: AirPath
    zones: Zones
    velocity: Array
    mass_flow: Array
    air_in: Array
    side: radiator.AirSide
    rise: Array
    front_heat: Array


def lift_of(temperature: Array, thermostat: Value) -> Array:
    """Thermostat lift, shut but for its vent hole to 1 open over its range of 12 K."""
    return clip((temperature - thermostat) / THERMOSTAT_RANGE, SHUT, 1.0)


@dataclass(frozen=True, kw_only=True)
class Plant:
    """What depends neither on power nor on the air outside; axes (power step, duty, sample)."""

    facts: CoolingFacts
    core: radiator.RadiatorCore
    fan: Fan
    coolers: tuple[front.Cooler, ...]
    loop: Loop
    glycol: Array
    pressure: Array
    boiling: Array
    limit: Array
    open_loop: Solved
    hose_speed: Array
    fluid: radiator.CoolantSide
    metal: Array
    liquid: Array
    thermostat: Array
    scale: Array

    def lift(self, temperature: Value) -> Array:
        """Opening of the thermostat; whole where there is none."""
        if self.facts.thermostat_kind == "none":
            return np.ones_like(as_array(temperature))
        return lift_of(as_array(temperature), self.thermostat)

    @property
    def flow(self) -> Array:
        """Coolant through the core with the thermostat open [m3/s]."""
        return self.open_loop[1]

    @property
    def heats_front(self) -> bool:
        """Whether what warms the air ahead of the core goes with the engine's power."""
        return "yes" in (self.facts.charge_front, self.facts.oil_front)

    @property
    def heat_capacity(self) -> Array:
        """Metal and coolant together [J/K]."""
        return self.metal + self.liquid


@dataclass(frozen=True, kw_only=True)
class Cooling:
    """A plant in the air of its duties, ready to be asked at any power.

    ``pull``: how much less the oil brings for each kelvin that the coolant is hotter [W/K].
    """

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
    heater: Array
    pull: Array
    sink_per_watt: Array
    conductance: Array
    duration: Array
    between: Array

    @property
    def shut(self) -> Shut:
        """What a duty that starts under its thermostat has to warm first."""
        return Shut(self.start_metal, self.start, self.plant.thermostat + OPENS_OVER)

    @property
    def starts_shut(self) -> NDArray[np.bool_]:
        """Which duties do, and end; none without a thermostat."""
        fitted = self.plant.facts.thermostat_kind != "none"
        return np.asarray((self.start < self.shut.opens) & np.isfinite(self.duration) & fitted)

    def end_from_shut(self, heat: Array) -> Array:
        """Coolant at the end of such a duty [K] at a heat [W]."""
        body = (self.plant.metal, self.plant.liquid, self.between)
        return end_from_shut(heat, self.duration, *body, self.conductance, self.sink, self.shut)

    def capacity_at(self, front_heat: Array) -> Array:
        """Capacity [W] with that much heat taken up by the air ahead of the core: linear in it, so exact.

        For a duty that starts under its thermostat the same shift is an upper bound.
        """
        if not self.plant.heats_front:
            return self.capacity
        warmer = self.sink_per_watt * (front_heat - self.airs.front_heat)
        return np.asarray(self.capacity - self.response.weight_sink * warmer / self.response.per_watt)


def coolant_flow(context: Context, facts: CoolingFacts, glycol: Value) -> tuple[Array, Value, str]:
    """Coolant flow [m3/s] at ``speed`` [rev/min], and how it is known: here, by the maker, or by rule.

    By rule the smaller of a 7 K drop at the engine's rated power and 3.5 m/s in the hose, in a usual loop.
    """
    if facts.coolant_flow is not None:
        speed = context.engine.rated_speed if facts.coolant_flow_speed is None else facts.coolant_flow_speed
        return as_array(facts.coolant_flow), speed, facts.coolant_flow_is
    bore = as_array(need(facts.hose.bore, "cooling.hose.bore"))
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
    front_heat: Array,
    hot: Value,
    states: tuple[tuple[float, float], ...] = ((0.0, 1.0), (1.0, 1.0)),
    rise: Array | None = None,
    doubts: tuple[Value, Value, Value] = (1.0, 1.0, 1.0),
    coolers: tuple[front.Cooler, ...] = (),
) -> AirSolved:
    """Air flow for each state of the fans (leading axis; off and on), hot density in two passes.

    ``states`` are (speed squared over full speed squared, share of the fans that run). ``hot`` is the
    temperature of what heats the air, for the density behind the core. A known ``rise`` of the air over the
    core saves the first pass. ``doubts`` multiply the correlations' j and f, and the ram.
    """
    rho = air.density(ambient, pressure)
    q = 0.5 * rho * speed**2
    lead = (len(states),) + (1,) * np.ndim(rho)
    share, running = (np.array([state[k] for state in states]).reshape(lead) for k in (0, 1))
    share = np.maximum(share, fan.off)
    loss = GRILLES[facts.grille][1] + (front.CONDENSER_LOSS if facts.condenser_front == "yes" else 0.0)
    covered = clip(UNSHROUDED_SPREAD * as_array(fan.disc_area) / core.face, 0.05, 0.95)
    turning = 0.0 * share if fan.shroud == "open" else np.sqrt(share) * running
    again = SEALINGS[facts.sealing][1]
    recirculated = again * clip(1.0 - speed / RECIRCULATION_SPEED, 0.0, 1.0) * turning
    own = front.resistances(coolers, rho, ambient, doubts[1])
    passes = 2 if rise is None else 1
    rise = as_array(0.5 * (as_array(hot) - ambient)) if rise is None else rise
    for _ in range(passes):
        out = ambient + rise
        rho_hot = air.density(out, pressure)
        film = 0.5 * (ambient + out)
        a, b = radiator.resistance(core, rho, rho_hot, film, doubts[1])
        a, b = front.with_coolers(a, b, coolers, own)
        path = AirPath(
            face=core.face,
            covered=covered,
            a=a,
            b=b + 0.5 * loss * rho,
            ram=OPENINGS[facts.opening][1] * as_array(doubts[2]),
            dynamic_head=q,
            density=rho,
            density_hot=rho_hot,
            fan_flow=fan.free_air,
            # A fan in front pushes the air while it is still cold.
            fan_pressure=as_array(fan.shut_off) * (rho if fan.pusher else rho_hot) / RATING_DENSITY,
            fan_share=share,
            exit_area=facts.exit_area,
            exit_loss=facts.exit_loss,
            running=running,
            curve=fan.curve,
        )
        z = zones(path, fan.shroud)
        velocity = carrying(path, fan.shroud, z)
        mass = rho * velocity * core.face
        side = radiator.air_side(core, mass, film, radiator.J_FACTOR * doubts[0])
        air_in = ambient + recirculated + front_heat / side.capacity_rate
        # Air leaves near 0.7 of the way to the coolant: enough for its density.
        rise = np.maximum(0.7 * (as_array(hot) - air_in), 0.0) + (air_in - ambient)
    return AirSolved(
        path=path,
        zones=z,
        velocity=velocity,
        mass_flow=side.mass_flow,
        air_in=air_in,
        side=side,
        rise=rise,
        front_heat=as_array(front_heat),
    )


def boiling_and_limit(context: Context, facts: CoolingFacts, pressure: Array) -> tuple[Array, Array, Array]:
    """Glycol mass share, boiling point and hottest coolant allowed [K] for each duty."""
    glycol = coolant.mass_share(facts.glycol)
    boiling = coolant.boiling_point(pressure + as_array(facts.cap_pressure), glycol)
    own = as_array(context.engine.facts.coolant_limit)
    return glycol, boiling, np.minimum(boiling - BOILING_MARGIN, own)


@dataclass(frozen=True)
class Starts:
    """Coolant and metal at the start of each duty [K]."""

    coolant: Array
    metal: Array


def start_temperatures(context: Context, limit: Array, ambient: Array) -> Starts:
    """Where duties start by how they are said to: warm, cool, soaked or cold; what follows another starts warm."""
    thermostat = as_array(context.engine.facts.thermostat)
    warm = thermostat + START_OVER_THERMOSTAT
    starts = [case.start for case in context.duties.cases]

    def where(start: str) -> NDArray[np.bool_]:
        return np.array([s == start for s in starts])[None, :, None]

    coolant_t = np.select(
        [where("warm"), where("cool"), where("soaked")], [warm, COOL_START, warm + SOAKED_OVER], ambient
    )
    return Starts(coolant_t, coolant_t + np.where(where("warm"), METAL_START * METAL_STANDS, 0.0))


def heat_capacities(context: Context, facts: CoolingFacts, core: radiator.RadiatorCore) -> tuple[Array, Array]:
    """Metal and coolant heat capacity [J/K]."""
    litres = 1e3 * as_array(facts.coolant_volume)
    return METAL_SHARE * context.engine.body_capacity, litres * COOLANT_HEAT + core.face * core.depth * CORE_HEAT


def still_conductance(context: Context) -> Array:
    """What a standing engine gives to the air round it [W/K]: with its surface, so with mass to the 2/3."""
    mass = as_array(context.engine.facts.dry_mass)
    return np.asarray(SKIN * (mass / SKIN_MASS) ** (2.0 / 3.0))


def fan_volts(context: Context) -> Array:
    """Share of its volts that an electric fan gets in each duty: what the alternator and its own wire leave it."""
    short, wire = context.given.get(SAG), context.given.get(FAN_DROP)
    if short is None or wire is None:
        return as_array(1.0)
    left = 1.0 - short - wire
    # Where other duties are drawn than those of the build the worst stands for all.
    fits = left.shape[-2] in (1, len(context.duties.cases))
    return np.asarray(left if fits else left.min(axis=-2, keepdims=True))


# Speed that a controller holds its fans at while a signal of theirs is missing, of full; all but still where it lets them stand.
HELD: Mapping[str, float] = {"full": 1.0, "half": 0.5, "off": 0.02, "as_ever": 1.0}


def held(context: Context, facts: CoolingFacts) -> list[tuple[str, str | None]]:
    """What its controller's fans go by that is missing, with what is said of how it then runs them."""
    if facts.fan.drive not in ELECTRIC or facts.fan_by not in (None, "controller"):
        return []
    by = ((LOST_COOLANT, facts.fan_sensor_lost), (LOST_REQUEST, facts.fan_request_lost))
    return [(figure, said) for figure, said in by if np.any(context.given.get(figure, as_array(0.0)) > 0.5)]


def fan_share(context: Context, facts: CoolingFacts) -> Array:
    """Share of its speed that an electric fan has: by its volts, and where a missing signal holds it, if somebody said how."""
    return fan_volts(context) * min((HELD[said] for _, said in held(context, facts) if said is not None), default=1.0)


def plant_of(context: Context, facts: CoolingFacts, loop: Loop | None = None) -> Plant:
    """Core, fan, coolant and its limit for each duty; MissingFact names what is absent.

    A ``loop`` handed in stands in place of the facts' own: what else changes in it leaves the pump what it is.
    """
    duties = context.duties
    core = core_of(facts)
    fan = weakened(
        fan_of(facts, duties.column("engine_speed"), context.doubt(FAN_DOUBT)), facts, fan_share(context, facts)
    )
    pressure = duties.column("pressure")
    glycol, boiling, limit = boiling_and_limit(context, facts, pressure)
    flow_at, at_speed, known = coolant_flow(context, facts, glycol)
    if loop is None:
        loop = loop_of(
            core,
            facts,
            glycol,
            limit - FILM,
            (flow_at, at_speed),
            context.engine.rated_speed,
            duties.column("engine_speed"),
            known == "here",
        )
    open_loop = loop.solve(1.0)
    flow = open_loop[1]
    metal, liquid = heat_capacities(context, facts, core)
    return Plant(
        facts=facts,
        core=core,
        fan=fan,
        coolers=front.coolers(core, facts),
        loop=loop,
        glycol=glycol,
        pressure=pressure,
        boiling=boiling,
        limit=limit,
        open_loop=open_loop,
        hose_speed=flow / bore_area(narrowest(facts)),
        fluid=radiator.coolant_side(core, flow, limit - FILM, glycol),
        metal=metal,
        liquid=liquid,
        thermostat=as_array(context.engine.facts.thermostat),
        scale=tested.scale_of(core, facts, glycol),
    )


def prepare(
    context: Context,
    plant: Plant,
    only_on: bool = False,
    rise: Array | None = None,
    starts: Starts | None = None,
    states: tuple[tuple[float, float], ...] | None = None,
) -> Cooling:
    """Solve what does not depend on power: air, heat shed at the limit, capacity for the duration.

    ``only_on`` leaves out the fans' lower states, which only the shown temperature needs; ``states`` are others than the fan's
    own, full last. ``starts`` where a duty follows another. Heat is shed at the limit with all fans on.
    """
    duties, limit = context.duties, plant.limit
    t_amb = duties.column("ambient")
    airs = solve_air(
        plant.core,
        plant.fan,
        plant.facts,
        t_amb,
        plant.pressure,
        duties.column("air_speed"),
        front.heat_in_front(context, plant.facts, context.mean, limit),
        limit,
        states or (states_of(plant.fan)[-1:] if only_on else states_of(plant.fan)),
        rise,
        # A test says how well this core's fins do: their doubt is then the test's.
        (
            1.0 if tested.given(plant.facts) else context.doubt(J_DOUBT),
            context.doubt(F_DOUBT),
            context.doubt(RAM_DOUBT),
        ),
        plant.coolers,
    )
    side, air_in = _fan_state(airs.side, -1), _cut(airs.air_in, -1)
    ageing = radiator.AGEING * as_array(context.doubt(AGEING_DOUBT)) * plant.scale
    at_limit = radiator.shed(plant.core, side, plant.fluid, limit, air_in, ageing)
    radiator_ua = np.maximum(at_limit.heat / np.maximum(limit - air_in, 1e-3), 1e-3)
    begin = starts or start_temperatures(context, limit, t_amb)
    radiator_ua = radiator_ua * _while_opening(plant, side, air_in, ageing, at_limit, begin.coolant, duties)
    heater = heater_conductance(plant.facts)
    pull = as_array(context.given.get(OIL_PULL, 0.0))
    conductance = radiator_ua + heater + pull
    # A heater counted on sheds to the air outside, the radiator to the air that reaches it, and the oil brings less the
    # hotter the coolant, counted from the limit: one mean sink.
    sink = (radiator_ua * air_in + heater * t_amb + pull * limit) / conductance
    sink_per_watt = radiator_ua / conductance / side.capacity_rate
    start, start_metal = begin.coolant, begin.metal
    between = context.own_coolant_heat / METAL_STANDS
    response = respond(duties.column("duration"), plant.metal, plant.liquid, between, conductance)
    free = response.weight_metal * start_metal + response.weight_coolant * start + response.weight_sink * sink
    capacity = (limit - free) / response.per_watt
    found = Cooling(
        plant=plant,
        ambient=t_amb,
        airs=airs,
        at_limit=at_limit,
        sink=sink,
        start=start,
        start_metal=start_metal,
        response=response,
        capacity=capacity,
        ageing=ageing,
        heater=as_array(heater),
        pull=pull,
        sink_per_watt=sink_per_watt,
        conductance=conductance,
        duration=duties.column("duration"),
        between=between,
    )
    return replace(found, capacity=_from_shut(found)) if np.any(found.starts_shut) else found


def _while_opening(
    plant: Plant,
    side: radiator.AirSide,
    air_in: Array,
    ageing: Array,
    full: radiator.Shed,
    start: Array,
    duties: Duties,
) -> Array:
    """Share of the open core's conductance that a duty with an end sees while its coolant rises to the limit [-].

    From where it starts to 12 K over its first lift the thermostat lets less through; shed there over shed open, by
    Simpson's rule over that way, whole from there on. A duty that never ends, or without a thermostat, sees all.
    """
    ends = np.isfinite(duties.column("duration"))
    if plant.facts.thermostat_kind == "none" or not bool(ends.any()):
        return np.ones_like(plant.limit)
    opened = plant.thermostat + THERMOSTAT_RANGE
    first = np.minimum(np.maximum(start, plant.thermostat + OPENS_OVER), opened)

    def share(temperature: Array) -> Array:
        flow = plant.loop.solve(plant.lift(temperature))[1]
        fluid = radiator.coolant_side(plant.core, flow, plant.limit - FILM, plant.glycol)
        shed = radiator.shed(plant.core, side, fluid, plant.limit, air_in, ageing).heat
        return clip(shed / np.maximum(full.heat, 1e-3), 0.0, 1.0)

    opening = (share(first) + 4.0 * share(0.5 * (first + opened)) + 1.0) / 6.0
    way = clip((opened - first) / np.maximum(plant.limit - first, 1e-3), 0.0, 1.0)
    # What lasts longer than the coolant takes to warm sees the core whole.
    settles = (plant.metal + plant.liquid) * np.maximum(plant.limit - air_in, 1.0) / np.maximum(full.heat, 1.0)
    early = np.exp(-np.where(ends, duties.column("duration"), 0.0) / settles)
    return np.asarray(np.where(ends, 1.0 - way * (1.0 - opening) * early, 1.0))


def _from_shut(cooling: Cooling) -> Array:
    """Capacity where some duties start under their thermostat [W].

    Heat that just brings the end to the limit: less than where the core sheds from the start, and the end rises with
    it, so that one bracketed root serves. The other duties keep theirs.
    """
    limit, most = cooling.plant.limit, cooling.capacity
    shape = np.broadcast_shapes(most.shape, cooling.start.shape, cooling.conductance.shape)
    high = np.broadcast_to(np.maximum(most, 1.0), shape)
    found = find_root(lambda q: cooling.end_from_shut(q) - limit, 1e-3 * high, high, tolerance=1.0)
    return np.asarray(np.where(cooling.starts_shut & (most > 0.0), found, most))


def heater_conductance(facts: CoolingFacts) -> Array:
    """What heater cores counted on shed [W/K], coolant over the air outside."""
    if facts.heater_open != "yes":
        return np.asarray(0.0)
    count = as_array(facts.heater.count)
    return count * need(facts.heater.conductance, "cooling.heater.conductance")


def states_of(fan: Fan) -> tuple[tuple[float, float], ...]:
    """States of the fans from off to all on: (speed squared over full squared, share that runs)."""
    return ((0.0, 1.0), *((1.0, share) for share in fan.stages))


def _cut(value: Array, state: int) -> Array:
    """One fan state (0 off, -1 on) of an array that may lead with the fan's axis."""
    return np.asarray(value[state]) if value.ndim > 3 else value


def _fan_state(side: radiator.AirSide, state: int) -> radiator.AirSide:
    return radiator.AirSide(*(_cut(getattr(side, name), state) for name in side.__dataclass_fields__))


def pick_fan(airs: AirSolved, state: int) -> AirSolved:
    """One fan state: index 0 off, -1 on, the leading axis dropped."""
    path = airs.path
    cut: dict[str, Any] = {n: _cut(np.asarray(v), state) for n, v in vars(path).items() if n != "curve"}
    return AirSolved(
        path=replace(path, **cut),
        zones=Zones(*(_cut(getattr(airs.zones, name), state) for name in airs.zones.__dataclass_fields__)),
        velocity=_cut(airs.velocity, state),
        mass_flow=_cut(airs.mass_flow, state),
        air_in=_cut(airs.air_in, state),
        side=_fan_state(airs.side, state),
        rise=_cut(airs.rise, state),
        front_heat=airs.front_heat,
    )


def fan_power(cooling: Cooling) -> Array:
    """What all fans take, on at full [W]."""
    on = pick_fan(cooling.airs, -1)
    return electric_power(cooling.plant.fan, on.zones.through, on.zones.rise)


def heat_made(context: Context, cooling: Cooling, mean: Operation) -> Array:
    """Heat that lands in this coolant at its limit [W]: engine, oil by way of the block, coolers that share the radiator.

    Cooler than that the oil brings more: :attr:`Cooling.pull` for each kelvin.
    """
    heat = mean.heat_to_coolant + front.oil_to_coolant(context, mean, cooling.plant.limit)
    if cooling.plant.facts.gearbox_cooler == "yes":
        heat = heat + context.gearbox_heat(mean)
    return np.maximum(heat, 0.0)
