"""What the engine section of a sheet holds, and what is filled by rule."""

from __future__ import annotations

import itertools
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import YES_NO, Rule, Way, choice, quantity, table, text
from gauge_well.core.media.air import R_AIR, compressed
from gauge_well.core.media.combustion import UNBURNED, products
from gauge_well.core.media.fuels import FUELS, Fuel, burning
from gauge_well.core.typing import Value, likely

ASPIRATIONS: Mapping[str, str] = {
    "natural": "naturally aspirated",
    "turbo": "turbocharged",
    "supercharged": "supercharged",
}
CYCLES: Mapping[str, str] = {"four_stroke": "four-stroke", "two_stroke": "two-stroke"}
# Specific heat of the metal that takes part [J/kgK].
MATERIALS: Mapping[str, tuple[str, float]] = {
    "iron": ("iron", 460.0),
    "iron_light_head": ("iron block, light head", 620.0),
    "light_alloy": ("light alloy", 900.0),
}
ERAS: Mapping[str, tuple[str, float]] = {"modern": ("modern", 0.72), "old": ("older design", 1.0)}
HEAT_SCHOOLS: Mapping[str, str] = {
    "fuel_share": "share of the fuel's energy",
    "power_share": "share of brake power",
    "maker": "maker's figure",
}
WASTEGATES: Mapping[str, str] = {"open": "still has some to let by", "shut": "is shut: all gas goes through"}
BOOSTED = ("aspiration", ("turbo", "supercharged"))
# How a diesel burns: (label, constant of its friction [kPa]; heywood1988, ch. 13).
CHAMBERS: Mapping[str, tuple[str, float]] = {
    "direct": ("direct, bowl in the piston", 75.0),
    "indirect": ("indirect, chamber in the head", 110.0),
}
# Low, default, high in g/kWh on petrol or diesel; others by heating value (heywood1988, ch. 15).
BSFC: Mapping[tuple[bool, str], tuple[float, float, float]] = {
    (True, "natural"): (270.0, 300.0, 340.0),
    (True, "turbo"): (290.0, 340.0, 390.0),
    (True, "supercharged"): (320.0, 360.0, 410.0),
    (False, "natural"): (235.0, 260.0, 290.0),
    (False, "turbo"): (200.0, 222.0, 250.0),
    (False, "supercharged"): (215.0, 240.0, 270.0),
}
# A diesel with its chamber in the head burns more and gives more to the coolant: narrow throat, more wall.
INDIRECT_BSFC: Mapping[str, float] = {"natural": 290.0, "turbo": 260.0, "supercharged": 275.0}
INDIRECT_COOLANT: Mapping[str, float] = {"natural": 0.30, "turbo": 0.24, "supercharged": 0.25}
# Cylinders up to this size [m3] were given a chamber in the head: all small quick diesels without a turbo
# (common practice).
INDIRECT_CYLINDER, INDIRECT_SPEED = 0.55e-3, 2800.0
BSFC_TWO_STROKE = 480.0
# Air an engine takes, on the density in its manifold (heywood1988, ch. 6): petrol old and modern, diesel.
BREATHES: Mapping[str, float] = {"old": 0.82, "modern": 0.92}
BREATHES_DIESEL = 0.90
BOOST_LEAST, BOOST_MOST = 15e3, 3.9e5  # Pa
RATED_T, RATED_P = 298.15, 101325.0  # K, Pa: air in which an engine is rated
HELD_TO = 2000.0  # m to which a turbo usually holds its boost (common practice)
# Coolant, oil, radiation as shares of released energy at rated power (heywood1988, ch. 12).
SHARES: Mapping[tuple[bool, str], tuple[float, float, float]] = {
    (True, "natural"): (0.20, 0.045, 0.03),
    (True, "turbo"): (0.195, 0.05, 0.03),
    (True, "supercharged"): (0.195, 0.05, 0.03),
    (False, "natural"): (0.25, 0.045, 0.03),
    (False, "turbo"): (0.17, 0.045, 0.03),
    (False, "supercharged"): (0.18, 0.045, 0.03),
}
# Coolant heat over brake power, as sized (school: share of brake power).
POWER_SHARES: Mapping[tuple[bool, str], float] = {
    (True, "natural"): 0.80,
    (True, "turbo"): 0.80,
    (True, "supercharged"): 0.80,
    (False, "natural"): 0.75,
    (False, "turbo"): 0.60,
    (False, "supercharged"): 0.60,
}
# Brake mean effective pressure [Pa] above which an engine without boost is doubtful (heywood1988, ch. 2).
NATURAL_BMEP: Mapping[bool, float] = {True: 13e5, False: 9e5}
RELEASED_BRAKE = {"natural": 0.33, "turbo": 0.315, "supercharged": 0.315}


@dataclass(frozen=True)
class EngineFacts:
    """The engine. SI; powers in W, speeds in rev/min, temperatures in K."""

    name: str | None = text("Name", group="Identity")
    fuel: str = choice("Fuel", {k: f.label for k, f in FUELS.items()}, group="Identity")
    ethanol_share: Value | None = quantity(
        "Ethanol in it",
        "share",
        0.0,
        1.0,
        group="Identity",
        help="By volume. Blends sold as E85 run down to 51 %; a test tube with water shows it.",
        spread="exact",
        when=("fuel", ("petrol", "petrol_e10", "e85", "ethanol")),
    )
    aspiration: str = choice("Aspiration", ASPIRATIONS, group="Identity")
    cycle: str = choice("Cycle", CYCLES, group="Identity")
    chamber: str | None = choice(
        "Combustion", {k: v[0] for k, v in CHAMBERS.items()}, group="Identity", when=("fuel", ("diesel",))
    )
    displacement: Value = quantity("Displacement", "displacement", 20e-6, 0.06, group="Identity")
    cylinders: Value = quantity("Cylinders", "count", 1, 16, group="Identity", spread="exact")
    stroke: Value = quantity("Stroke", "length", 0.02, 0.4, group="Identity")
    rated_power: Value = quantity(
        "Rated power", "power", 500.0, 3e6, group="Output", help="What the engine makes as it is."
    )
    rated_speed: Value = quantity("at", "speed_rpm", 300.0, 20000.0, group="Output", follows="rated_power")
    peak_torque: Value = quantity("Peak torque", "torque", 2.0, 20000.0, group="Output")
    peak_torque_speed: Value = quantity("at ", "speed_rpm", 200.0, 18000.0, group="Output", follows="peak_torque")
    torque_curve: tuple[tuple[float, ...], ...] | None = table(
        "Torque curve",
        (("speed", "speed_rpm"), ("torque", "torque")),
        group="Output",
        help="One row a line, for instance `2500 rpm, 290 Nm`. Two figures serve when there is none.",
        spread="exact",
    )
    idle_speed: Value = quantity("Idle", "speed_rpm", 100.0, 4000.0, group="Output")
    limit_speed: Value = quantity("Red line or governed", "speed_rpm", 400.0, 22000.0, group="Output")
    governed: str = choice("Governed", YES_NO, group="Output")
    boost: Value = quantity(
        "Boost at full load", "pressure_gauge", 0.0, 4e5, group="Output", help="Over the air outside.", when=BOOSTED
    )
    boost_held_to: Value | None = quantity(
        "Boost held up to",
        "distance",
        0.0,
        8000.0,
        group="Output",
        help="Altitude from which the turbo has no more to give; power falls with the air above it.",
        spread="exact",
        when=("aspiration", ("turbo",)),
    )
    wastegate: str | None = choice(
        "At full load its wastegate", WASTEGATES, group="Output", when=("aspiration", ("turbo",))
    )
    charge_cooler: Value = quantity(
        "Charge cooler effectiveness",
        "share",
        0.0,
        0.95,
        group="Output",
        help="Nought where there is none.",
        when=BOOSTED,
    )
    bsfc: Value = quantity("Fuel for power (BSFC)", "bsfc", 3.9e-8, 2.2e-7, group="Heat and fuel")
    excess_air: Value = quantity("Lambda at full load", "ratio", 0.65, 3.0, group="Heat and fuel")
    heat_school: str = choice("Heat to coolant by", HEAT_SCHOOLS, group="Heat and fuel")
    coolant_share: Value = quantity(
        "Coolant's share", "share", 0.05, 0.45, group="Heat and fuel", spread="coolant_share"
    )
    coolant_heat: Value | None = quantity(
        "Maker's heat to coolant",
        "heat",
        100.0,
        3e6,
        group="Heat and fuel",
        help="At rated power.",
        spread="coolant_share",
    )
    oil_share: Value = quantity("Oil's share", "share", 0.0, 0.2, group="Heat and fuel", spread="oil_share")
    radiation_share: Value = quantity("Radiated share", "share", 0.0, 0.1, group="Heat and fuel", spread="oil_share")
    extra_share: Value = quantity(
        "Cooled manifold or gas cooler",
        "share",
        0.0,
        0.15,
        group="Heat and fuel",
        help="Share of fuel energy: cooled exhaust manifold 3 to 6 %, gas cooler 3 to 6, wet marine manifold 4 to 10.",
        spread="oil_share",
    )
    era: str = choice("Design", {k: v[0] for k, v in ERAS.items()}, group="Heat and fuel")
    dry_mass: Value = quantity("Dry weight", "mass", 5.0, 6000.0, group="Body")
    material: str = choice("Made of", {k: v[0] for k, v in MATERIALS.items()}, group="Body")
    thermostat: Value = quantity("Thermostat opens", "temperature", 320.0, 385.0, group="Body")
    coolant_limit: Value = quantity(
        "Hottest coolant allowed", "temperature", 350.0, 400.0, group="Body", spread="exact"
    )

    @property
    def fuel_record(self) -> Fuel:
        """The fuel or blend this engine burns."""
        return burning(self.fuel, self.ethanol_share)

    @property
    def strokes_per_cycle_rev(self) -> float:
        """Revolutions of one working cycle: 2 for a four-stroke."""
        return 1.0 if self.cycle == "two_stroke" else 2.0

    def firing(self, speed: float) -> float:
        """Firings a second at a speed [rev/min]: half the cylinders each turn of a four-stroke."""
        return speed / 60.0 * likely(self.cylinders) / self.strokes_per_cycle_rev


# How each is measured in a workshop. What only a logged run shows (heat shares, fuel for power) is not here.
WAYS: Mapping[str, Way] = {
    "peak_torque": Way("papers", "The maker's sheet, or a chassis dyno's torque brought back to the crank."),
    "peak_torque_speed": Way("papers", "The maker's sheet, or the dyno's plot."),
    "displacement": Way(
        "papers", "Bore and stroke from the plate or the casting number; or a burette through the plug hole."
    ),
    "stroke": Way("stand", "A rod through the plug hole on the piston: top to bottom of its travel."),
    "rated_power": Way("papers", "The maker's curve for this very version, or a run on a dynamometer."),
    "rated_speed": Way("papers", "The speed at which the maker's curve peaks."),
    "idle_speed": Way("running", "Warm, on the rev counter or with a strobe."),
    "limit_speed": Way("running", "On the rev counter where the governor or limiter cuts in."),
    "boost": Way("running", "A gauge teed into the manifold at full load."),
    "charge_cooler": Way("running", "Air in, air out and air outside with a probe: how far it comes down."),
    "dry_mass": Way("stand", "A crane scale under the hoist, drained."),
    "thermostat": Way("hand", "In a pan of water with a thermometer: where it first lifts."),
}


REQUIRED = ("fuel", "displacement", "rated_power", "rated_speed")


# Usual number of cylinders up to a size [m3], by how the fuel burns (common practice): spark ignition keeps to 0.3 to 0.7 L
# a cylinder above the smallest engines, diesels at work go to 1.4 L and more before another pair is added.
USUAL_CYLINDERS: Mapping[bool, Sequence[tuple[float, int]]] = {
    True: ((0.3e-3, 1), (0.8e-3, 2), (1.25e-3, 3), (2.7e-3, 4), (4.2e-3, 6), (8.5e-3, 8)),
    False: ((0.6e-3, 1), (1.1e-3, 2), (1.7e-3, 3), (5.5e-3, 4), (13e-3, 6), (20e-3, 8)),
}
MOST_CYLINDERS = 12


def _cylinders_by_rule(fuel: Fuel, displacement: Value) -> tuple[float, str]:
    """Usual number for an engine's size [m3], and the words for it."""
    size = likely(displacement)
    count = next((n for most, n in USUAL_CYLINDERS[fuel.spark] if size <= most), MOST_CYLINDERS)
    return float(count), f"usual for {1e3 * size:.2g} L"


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults by rule for fields not given; each says what it rests on."""
    rules: dict[str, Rule] = {}

    def get(name: str, default: Any = None) -> Any:
        if given.get(name) is not None:
            return given[name]
        return rules[name].value if name in rules else default

    def rule(name: str, value: Any, note: str, source: str = "common practice") -> None:
        if given.get(name) is None:
            rules[name] = Rule(value, note, source)

    if get("fuel") is None or get("displacement") is None:
        return rules
    fuel = burning(get("fuel"), given.get("ethanol_share"))
    marine = context.get("machine", {}).get("kind") == "boat"
    breathing, why = _aspiration_by_rule(
        fuel, get("boost"), get("rated_power"), get("rated_speed"), get("displacement")
    )
    rule("aspiration", breathing, why)
    rule("cycle", "four_stroke", "nearly every engine")
    count, usual = _cylinders_by_rule(fuel, get("displacement"))
    rule("cylinders", count, usual)
    aspiration = get("aspiration")
    key = (fuel.spark, aspiration)
    if not fuel.spark:
        rule("chamber", *_chamber_by_rule(aspiration, get("displacement") / get("cylinders"), get("rated_speed")))
    indirect = get("chamber") == "indirect" and not fuel.spark
    rule("charge_cooler", 0.0 if aspiration == "natural" else 0.7, "usual air-to-air cooler")
    rule("stroke", (4.0 * get("displacement") / (np.pi * get("cylinders"))) ** (1.0 / 3.0), "as long as the bore")
    if get("rated_power") and get("rated_speed"):
        omega = get("rated_speed") * np.pi / 30.0
        backup = 1.15 if aspiration == "natural" else 1.25
        rule("peak_torque", get("rated_power") / omega * backup, f"{backup:g} times the torque at rated power")
        rule("peak_torque_speed", 0.6 * get("rated_speed"), "0.6 of rated speed")
        rule("idle_speed", min(850.0 if fuel.spark else 750.0, 0.4 * get("rated_speed")), "usual idle")
        rule("limit_speed", (1.08 if fuel.spark else 1.05) * get("rated_speed"), "a little over rated speed")
    rule("governed", "no" if fuel.spark else "yes", "diesels are governed")
    cycle_bsfc = INDIRECT_BSFC[aspiration] if indirect else BSFC[key][1]
    if get("cycle") == "two_stroke" and fuel.spark:
        cycle_bsfc = BSFC_TWO_STROKE
    base = FUELS["petrol"] if fuel.spark else FUELS["diesel"]
    rule(
        "bsfc",
        cycle_bsfc / 3.6e9 * base.lhv / fuel.lhv,
        f"{cycle_bsfc:.0f} g/kWh on {base.label}, by heating value",
        "heywood1988, ch. 15",
    )
    rule(
        "excess_air",
        _lambda_by_rule(fuel, aspiration, get("bsfc")),
        "brake share of released heat" if fuel.spark else "smoke limit",
        "heywood1988, ch. 12",
    )
    rule("heat_school", "fuel_share", "closes the energy balance")
    coolant, oil, radiation = SHARES[key]
    rule(
        "coolant_share",
        INDIRECT_COOLANT[aspiration] if indirect else coolant,
        "share of released heat at rated power",
        "heywood1988, ch. 12",
    )
    rule("oil_share", oil, "share of released heat at rated power", "heywood1988, ch. 12")
    rule("radiation_share", radiation, "share of released heat at rated power", "heywood1988, ch. 12")
    jacket = marine and context.get("machine", {}).get("manifold") != "dry"
    rule("extra_share", 0.06 if jacket else 0.0, "wet manifold" if jacket else "none fitted")
    rule("era", "modern", "built in the last thirty years")
    if aspiration == "natural":
        rule("boost", 0.0, "naturally aspirated")
    elif get("rated_power") and get("rated_speed"):
        breathes = BREATHES[get("era")] if fuel.spark else BREATHES_DIESEL
        air = get("excess_air") * fuel.stoichiometric_air_ratio * get("bsfc") * get("rated_power")
        turns = 60.0 * (1.0 if get("cycle") == "two_stroke" else 2.0)
        swept = get("displacement") * get("rated_speed") / turns
        rule(
            "boost",
            boost_for(air / (breathes * swept), get("charge_cooler")),
            "what the power claimed takes, by the air it burns; read the gauge",
            "heywood1988, ch. 6",
        )
    else:
        rule("boost", 70e3 if fuel.spark else 100e3, "mild boost; read the gauge")
    if aspiration == "turbo":
        rule("boost_held_to", HELD_TO, "usual for a turbo; its map shows it")
        rule("wastegate", "open", "usual: boost is held to its setting")
    litres = get("displacement") * 1e3
    rule(
        "dry_mass",
        (60.0 + 40.0 * litres) if fuel.spark else (80.0 + 65.0 * litres),
        "by displacement; weigh it on the hoist",
    )
    rule("material", "iron_light_head" if fuel.spark else "iron", "usual for the fuel")
    rule("thermostat", 344.15 if marine else 361.15, "71 °C afloat" if marine else "88 °C")
    limit = 368.15 if marine else (388.15 if fuel.spark else 378.15)
    rule("coolant_limit", limit, "marine 95, diesel 105, petrol 115 °C")
    return rules


def boost_for(density: float, cooler: float) -> float:
    """Boost [Pa] that stands a density [kg/m3] in the manifold, air at 25 degC and sea level.

    ``p_m = rho R T_m`` with ``T_m`` behind compressor and cooler (heywood1988, ch. 6), brought together by turns:
    the temperature follows the pressure to less than a third.
    """
    pressure = RATED_P
    for _ in range(30):
        hot = float(compressed(RATED_T, pressure / RATED_P))
        pressure = max(density * R_AIR * (hot - cooler * (hot - RATED_T)), RATED_P)
    return min(max(pressure - RATED_P, BOOST_LEAST), BOOST_MOST)


def _chamber_by_rule(aspiration: str, cylinder: float, speed: float | None) -> tuple[str, str]:
    """How a diesel burns, by the size of a cylinder [m3] and rated speed [rev/min], and the words for it."""
    if aspiration == "natural" and cylinder <= INDIRECT_CYLINDER and (speed or 0.0) >= INDIRECT_SPEED:
        return "indirect", "usual for small quick diesels without a turbo"
    return "direct", "usual for its size"


def _aspiration_by_rule(
    fuel: Fuel, boost: float | None, power: float | None, speed: float | None, displacement: float
) -> tuple[str, str]:
    if boost:
        return "turbo", "boost is given"
    if power and speed and power * 120.0 / (displacement * speed) > NATURAL_BMEP[fuel.spark]:
        return "turbo", "that power from that size needs boost"
    return "natural", "that power needs no boost"


def _lambda_by_rule(fuel: Fuel, aspiration: str, bsfc: float) -> float:
    """Lambda at full load; for spark engines the one that makes the released brake share usual."""
    if not fuel.spark:
        return 1.35 if aspiration == "natural" else 1.6
    grid = np.linspace(0.78, 1.0, 45)
    released = 1.0 - products(fuel, grid).chemical_loss - UNBURNED
    share = 1.0 / (bsfc * fuel.lhv) / released
    # The released brake share falls as lambda rises; np.interp wants it rising.
    return float(np.interp(-RELEASED_BRAKE[aspiration], -share, grid))


def refuse(facts: EngineFacts) -> None:
    """Raise :class:`CoreError` where facts contradict each other."""
    idle, limit = facts.idle_speed, facts.limit_speed
    if idle is not None and limit is not None and np.any(np.asarray(idle) >= limit):
        raise CoreError(
            "idle_above_limit",
            "engine.idle_speed",
            idle,
            "below the red line",
            "Idle is at or above the red line or governed speed.",
        )
    rated = facts.rated_speed
    if rated is not None and limit is not None and np.any(np.asarray(rated) > 1.0001 * np.asarray(limit)):
        raise CoreError(
            "rated_above_limit",
            "engine.rated_speed",
            rated,
            "at or below the red line",
            "Rated speed is above the red line or governed speed.",
        )
    if facts.displacement is not None and facts.rated_power is not None:
        per_litre = np.max(np.asarray(facts.rated_power) / np.asarray(facts.displacement)) / 1e6
        if per_litre > 600.0:
            raise CoreError(
                "power_density",
                "engine.rated_power",
                facts.rated_power,
                "600 kW a litre",
                f"{per_litre:.0f} kW from a litre is beyond any engine; check power and displacement.",
            )
    curve = facts.torque_curve
    if curve is not None:
        speeds = [row[0] for row in curve]
        if len(curve) < 2 or any(b <= a for a, b in itertools.pairwise(speeds)):
            raise CoreError(
                "curve_not_rising",
                "engine.torque_curve",
                speeds,
                "two rows or more, speeds rising",
                "The torque curve needs two rows or more with rising speeds.",
            )
