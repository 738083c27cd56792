"""The engine at any speed and load: fuel, air and where the energy goes.

Control volume: intake manifold to exhaust manifold. Compressor, charge cooler and turbine stand
outside it; a driven compressor's work is taken from the crank.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.engine.facts import CHAMBERS, ERAS, MATERIALS, POWER_SHARES, EngineFacts
from gauge_well.core.engine.friction import PMEP_DIESEL, fmep_diesel, fmep_petrol, pmep_petrol
from gauge_well.core.engine.torque import TorqueCurve
from gauge_well.core.facts import need
from gauge_well.core.media import air
from gauge_well.core.media.combustion import (
    T_REFERENCE,
    UNBURNED,
    Products,
    products,
    sensible_enthalpy,
    temperature_of,
)
from gauge_well.core.media.fuels import Fuel
from gauge_well.core.typing import Array, Value, as_array, clip

EXPONENT_HEAT = 0.75  # of heat to the walls against the energy released; heywood1988, ch. 12
REJECTED_MOST = 0.62  # of released energy from the gas to coolant and oil
EXHAUST_LEAST = 423.15  # K
IDLE_EFFICIENCY = 0.85
LIGHT_LOAD = 0.2  # of full load
# Powers of pressure and temperature by which full power follows the air, and the air it is rated in (iso1585).
BREATHING = {True: (1.2, 0.6), False: (1.0, 0.7)}
BREATHING_P, BREATHING_T = 99e3, 298.15


@dataclass(frozen=True, kw_only=True)
class Engine:
    """An engine with every number needed; ``wanted`` is the power it is scaled to [W]."""

    facts: EngineFacts
    fuel: Fuel
    curve: TorqueCurve
    rated_power: Value
    rated_speed: Value
    displacement: Value
    bsfc: Value
    excess_air: Value
    boost: Value

    @property
    def swept_rate_factor(self) -> float:
        """Cycles a second for one rev/min: 1/120 four-stroke, 1/60 two-stroke."""
        return 1.0 / (60.0 * self.facts.strokes_per_cycle_rev)

    @cached_property
    def rated_products(self) -> Products:
        """Burned gas at full load."""
        return products(self.fuel, self.excess_air)

    @property
    def body_capacity(self) -> Array:
        """Heat capacity of all its metal [J/K]; MissingFact without its weight."""
        mass = as_array(self.facts.dry_mass)
        return np.asarray(mass * MATERIALS[self.facts.material][1])

    def piston_speed(self, speed: Value) -> Array:
        """Mean piston speed [m/s]."""
        return 2.0 * as_array(self.facts.stroke) * speed / 60.0

    def bmep(self, power: Value, speed: Value) -> Array:
        """Brake mean effective pressure [Pa]."""
        return as_array(power) / (self.displacement * as_array(speed) * self.swept_rate_factor)

    def full_load_power(self, speed: Value, wanted: Value) -> Array:
        """Full-load power [W] at ``speed`` with the curve scaled to ``wanted``."""
        at = as_array(speed) * (self.curve.rated_speed / self.rated_speed)
        return self.curve.power(at) * (as_array(wanted) / self.curve.rated_power)

    def rubbing(self, speed: Value) -> Array:
        """Friction mep [Pa], without pumping: what becomes heat in metal and oil."""
        if self.fuel.spark:
            return ERAS[self.facts.era][1] * fmep_petrol(speed)
        return fmep_diesel(speed, self.piston_speed(speed), CHAMBERS[self.facts.chamber or "direct"][1])

    def breathing(self, temperature: Value, pressure: Value) -> Array:
        """Share of its full power that air of a temperature [K] and pressure [Pa] lets it make; 1 at most.

        Without boost as iso1585 corrects for the air: petrol ``(p/99 kPa)^1.2 (298/T)^0.6``, diesel
        ``(p/99 kPa) (298/T)^0.7``; a blower driven by the crank likewise. A turbo makes up for thin air as far as it
        is said to hold its boost, and gives way with the pressure above.
        """
        p, t = as_array(pressure), as_array(temperature)
        if self.facts.aspiration == "turbo":
            held = need(self.facts.boost_held_to, "engine.boost_held_to")
            return np.minimum(p / air.pressure_isa(held), 1.0)
        p_power, t_power = BREATHING[self.fuel.spark]
        return np.minimum((p / BREATHING_P) ** p_power * (BREATHING_T / t) ** t_power, 1.0)

    def full_boost(self, pressure: Value, breathing: Value) -> Array:
        """Boost over the air outside [Pa] at full load, air of a pressure [Pa] outside."""
        p, boost = as_array(pressure), as_array(self.boost)
        if self.facts.aspiration != "turbo":
            return np.asarray(boost * p / air.P_SEA_LEVEL)
        return np.asarray(np.where(boost > 0.0, np.maximum((air.P_SEA_LEVEL + boost) * breathing - p, 0.0), 0.0))

    def losses(self, bmep: Value, speed: Value) -> Array:
        """Friction and pumping mep [Pa]."""
        return self.rubbing(speed) + (pmep_petrol(bmep) if self.fuel.spark else PMEP_DIESEL)


def engine_of(facts: EngineFacts) -> Engine:
    """Check that the engine is known well enough and build it; MissingFact otherwise."""
    for name in ("fuel", "displacement", "rated_power", "rated_speed"):
        need(getattr(facts, name), f"engine.{name}")
    return Engine(
        facts=facts,
        fuel=facts.fuel_record,
        curve=TorqueCurve(facts),
        rated_power=facts.rated_power,
        rated_speed=facts.rated_speed,
        displacement=facts.displacement,
        bsfc=facts.bsfc,
        excess_air=facts.excess_air,
        boost=facts.boost,
    )


@dataclass(frozen=True)
class Operation:
    """The engine at a set of points; arrays broadcast over (power step, duty, sample)."""

    power: Array
    speed: Array
    torque: Array
    load: Array
    excess_air: Array
    indicated_efficiency: Array
    bmep: Array
    mean_losses: Array
    fuel_mass_flow: Array
    air_mass_flow: Array
    exhaust_mass_flow: Array
    fuel_power: Array
    released: Array
    heat_to_coolant: Array
    heat_to_oil: Array
    radiation: Array
    chemical_loss: Array
    unburned: Array
    left_for_exhaust: Array
    gas: Products
    turbine_work: Array
    charge_heat: Array
    intake_enthalpy: Array
    compressed_temperature: Array
    intake_temperature: Array
    manifold_gauge: Array
    compressor_from_crank: Array
    rated_fuel: Array
    rated_coolant: Array
    rated_oil: Array
    rated_released: Array
    friction_heat: Array
    held_back: NDArray[np.bool_]

    @property
    def clipped(self) -> NDArray[np.bool_]:
        """Where the balance holds heat back under load; at idle it usually does, and is no sign of wrong shares."""
        return np.asarray(self.held_back & (self.load > LIGHT_LOAD))

    @cached_property
    def exhaust_temperature(self) -> Array:
        """Gas at the port [K]: where the products hold what is left of the balance."""
        return temperature_of(self.gas, self.left_for_exhaust / self.fuel_mass_flow)

    @cached_property
    def after_turbine_temperature(self) -> Array:
        """Gas after the turbine [K], its work the compressor's; the port's where there is none."""
        through = self.left_for_exhaust - self.turbine_work
        return temperature_of(self.gas, through / self.fuel_mass_flow)

    @cached_property
    def exhaust_power(self) -> Array:
        """Sensible heat of the exhaust at its temperature [W]."""
        return self.fuel_mass_flow * sensible_enthalpy(self.gas, self.exhaust_temperature)

    @property
    def residual(self) -> Array:
        """What the energy balance leaves over [W]; rounding only."""
        out = (
            self.power
            + self.compressor_from_crank
            + self.heat_to_coolant
            + self.heat_to_oil
            + self.radiation
            + self.chemical_loss
            + self.unburned
            + self.exhaust_power
        )
        return np.asarray(self.fuel_power + self.intake_enthalpy - out)


def _excess_air(engine: Engine, load: Array, fuel_ratio: Array) -> Array:
    """Lambda at part load: throttled petrol leans to 1; a diesel keeps its air and burns less."""
    full = as_array(engine.excess_air)
    if engine.fuel.spark:
        rich = clip((load - 0.75) / 0.20, 0.0, 1.0)
        return np.asarray(np.where(full < 1.0, 1.0 + rich * (full - 1.0), full))
    boosted = engine.facts.aspiration != "natural"
    breath = 0.45 + 0.55 * clip(load, 0.0, 1.0) if boosted else 1.0
    return np.asarray(clip(full * breath / np.maximum(fuel_ratio, 0.05), 1.0, 12.0))


def operate(
    engine: Engine,
    wanted: Value,
    power: Value,
    speed: Value,
    ambient_temperature: Value,
    ambient_pressure: Value,
    wide_open: Value = 0.0,
) -> Operation:
    """Work the engine at ``power`` [W] and ``speed`` [rev/min].

    Parameters
    ----------
    engine : Engine
    wanted : float or array
        Rated power it is scaled to [W].
    power : float or array
        Brake power at the crank, accessories included [W].
    ambient_temperature, ambient_pressure : float or array
        [K], [Pa].
    wide_open : float or array
        1 where the throttle is open and the power a mean over time: mixture and boost are those of
        full load.

    Notes
    -----
    ``mf = (bmep + fmep + pmep) Vd N / n_rev / (eta_ig LHV (1 - chem - unburned))``; ``eta_ig`` is
    fixed once at rated power from the BSFC (heywood1988, ch. 2 and 13). Heat to coolant and oil, and what the hot
    metal radiates, fall with the energy released to the 0.75 (fuel not burned for want of air heats nothing), and
    friction beyond its share at rated power ends in coolant and oil. What is left of the balance is in the exhaust.
    """
    facts, fuel = engine.facts, engine.fuel
    wanted, power, speed = as_array(wanted), as_array(power), as_array(speed)
    t_amb, p_amb = as_array(ambient_temperature), as_array(ambient_pressure)

    # Rated point: fixes the indicated efficiency and the rated heats.
    rated_bmep = engine.bmep(wanted, engine.rated_speed)
    rated_fuel = as_array(engine.bsfc) * wanted
    rated_released = 1.0 - engine.rated_products.chemical_loss - UNBURNED
    swept_rated = engine.displacement * engine.rated_speed * engine.swept_rate_factor
    indicated = (
        (rated_bmep + engine.losses(rated_bmep, engine.rated_speed))
        * swept_rated
        / (rated_fuel * fuel.lhv * rated_released)
    )

    bmep = engine.bmep(power, speed)
    losses = engine.losses(bmep, speed)
    breathing = engine.breathing(t_amb, p_amb)
    full = engine.full_load_power(speed, wanted * breathing)
    load = clip(power / np.maximum(full, 1.0), 0.0, 1.5)
    throttle = np.where(as_array(wide_open) > 0.5, 1.0, load)
    idle = as_array(facts.idle_speed)
    slow = clip((speed / idle - 1.0) / 0.5, 0.0, 1.0)
    efficiency = indicated * (IDLE_EFFICIENCY + (1.0 - IDLE_EFFICIENCY) * slow)
    swept = engine.displacement * speed * engine.swept_rate_factor
    work = (bmep + losses) * swept
    # A diesel burns all it is given, so its fuel needs no lambda; petrol's lambda needs no fuel.
    if fuel.spark:
        lam = _excess_air(engine, throttle, throttle)
        gas = products(fuel, lam)
        fuel_flow = work / (efficiency * fuel.lhv * (1.0 - gas.chemical_loss - UNBURNED))
    else:
        fuel_flow = work / (efficiency * fuel.lhv * (1.0 - UNBURNED))
        full_work = (engine.bmep(full, speed) + engine.losses(bmep, speed)) * swept
        full_flow = full_work / (efficiency * fuel.lhv * (1.0 - UNBURNED))
        lam = _excess_air(engine, throttle, np.where(as_array(wide_open) > 0.5, 1.0, fuel_flow / full_flow))
        gas = products(fuel, lam)
    air_flow = lam * fuel.stoichiometric_air_ratio * fuel_flow

    boost = engine.full_boost(p_amb, breathing) * clip((throttle - 0.3) / 0.7, 0.0, 1.0)
    t_compressed = air.compressed(t_amb, 1.0 + boost / p_amb)
    cooler = as_array(facts.charge_cooler)
    t_intake = t_compressed - cooler * (t_compressed - t_amb)
    compressor = air_flow * air.CP_AIR * (t_compressed - t_amb)
    charge_heat = air_flow * air.CP_AIR * (t_compressed - t_intake)
    intake = air_flow * air.CP_AIR * (t_intake - T_REFERENCE)
    driven = facts.aspiration == "supercharged"
    from_crank = compressor if driven else np.zeros_like(compressor)

    fuel_power = fuel_flow * fuel.lhv
    chemical = gas.chemical_loss * fuel_power
    unburned = UNBURNED * fuel_power
    released = fuel_power - chemical - unburned
    rated_release_w = rated_fuel * fuel.lhv * rated_released
    rated_coolant = _rated_coolant(engine, wanted, rated_release_w, rated_fuel * fuel.lhv)
    rated_oil = as_array(facts.oil_share) * rated_release_w
    fraction = np.power(released / rated_release_w, EXPONENT_HEAT)
    # Rated heats hold the friction of full load; the lighter the load, the more of what is burned ends there.
    rated_friction = engine.rubbing(engine.rated_speed) * swept_rated / rated_release_w
    friction = np.maximum(engine.rubbing(speed) * swept - rated_friction * released, 0.0)
    grown = fraction + friction / (rated_coolant + rated_oil)
    coolant = rated_coolant * grown
    oil = rated_oil * grown
    radiation = as_array(facts.radiation_share) * rated_release_w * fraction
    least_exhaust = fuel_flow * sensible_enthalpy(gas, EXHAUST_LEAST)
    room = np.minimum(
        REJECTED_MOST * released + friction,
        released + intake - power - from_crank - radiation - least_exhaust,
    )
    scale = clip(room / (coolant + oil), 0.0, 1.0)
    coolant, oil = coolant * scale, oil * scale

    left = released + intake - power - from_crank - coolant - oil - radiation
    return Operation(
        power=power,
        speed=speed,
        torque=power / (speed * np.pi / 30.0),
        load=load,
        excess_air=lam,
        indicated_efficiency=efficiency,
        bmep=bmep,
        mean_losses=losses,
        fuel_mass_flow=fuel_flow,
        air_mass_flow=air_flow,
        exhaust_mass_flow=fuel_flow + air_flow,
        fuel_power=fuel_power,
        released=released,
        heat_to_coolant=coolant,
        heat_to_oil=oil,
        radiation=radiation,
        chemical_loss=chemical,
        unburned=unburned,
        left_for_exhaust=left,
        gas=gas,
        turbine_work=compressor if facts.aspiration == "turbo" else np.zeros_like(compressor),
        charge_heat=charge_heat,
        intake_enthalpy=intake,
        compressed_temperature=t_compressed,
        intake_temperature=t_intake,
        manifold_gauge=boost,
        compressor_from_crank=from_crank,
        rated_fuel=rated_fuel,
        rated_coolant=rated_coolant,
        rated_oil=rated_oil,
        rated_released=rated_release_w,
        friction_heat=friction,
        held_back=scale < 1.0,
    )


def _rated_coolant(engine: Engine, wanted: Array, released: Array, fuel_power: Array) -> Array:
    """Heat to coolant at rated power by the school chosen [W]."""
    facts = engine.facts
    school = facts.heat_school
    extra = as_array(facts.extra_share) * fuel_power
    if school == "maker":
        given = as_array(need(facts.coolant_heat, "engine.coolant_heat"))
        return given * wanted / engine.rated_power
    if school == "power_share":
        return POWER_SHARES[(engine.fuel.spark, facts.aspiration)] * wanted + extra
    return as_array(facts.coolant_share) * released + extra
