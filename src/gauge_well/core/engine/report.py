"""The engine's own block of the report: is it enough, is it believable, where the energy goes."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, ratio_fill
from gauge_well.core.duty.facts import MachineFacts
from gauge_well.core.duty.model import ALTERNATOR_EFFICIENCY, Case, Duties
from gauge_well.core.duty.road import Vehicle, steepest_grade, time_to_speed, top_speed
from gauge_well.core.engine.facts import CHAMBERS, ERAS
from gauge_well.core.engine.friction import SPEED_RANGE
from gauge_well.core.engine.model import Engine, Operation, operate
from gauge_well.core.facts import need
from gauge_well.core.media import air
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.combustion import sensible_enthalpy
from gauge_well.core.sentence import Sentence
from gauge_well.core.sources import COMMON_PRACTICE, STATED
from gauge_well.core.typing import Array, Value, as_array, likely
from gauge_well.core.validity import Look, Notice
from gauge_well.core.working import Step, Working

GRADE_SPEED, SPRINT_SPEED = 80.0 / 3.6, 100.0 / 3.6
THIN_AIR_SAID = 0.97  # of full power: thinner air is said


def enough(duties: Duties) -> Check | None:
    """Power asked on the road against the most the gear gives; None when nothing runs on a road."""
    held = [case.held for case in duties.cases]
    if not any(held):
        return None
    required = _over_duties([h.required if h else 0.0 for h in held])
    available = _over_duties([h.available if h else 1.0 for h in held])
    return Check(
        id="enough",
        name="Power for the speed",
        part="engine",
        check_class=CheckClass.LIMIT,
        scales=Scales.LOAD,
        kind="power",
        demand=required,
        capacity=np.maximum(available, 1.0),
        fill=ratio_fill(required, np.maximum(available, 1.0)),
        judged=[h is not None for h in held],
        sentences=lambda: tuple(_enough_sentence(case) for case in duties.cases),
    )


def _over_duties(values: Sequence[Value]) -> Array:
    return np.stack(np.broadcast_arrays(*(np.atleast_1d(v) for v in values)))[None]


def _enough_sentence(case: Case) -> Sentence:
    if case.held is None:
        return Sentence("")
    values: dict[str, tuple[float, str] | str] = {
        "held": (likely(case.held.speed), "speed"),
        "asked": (case.asked_speed, "speed"),
        "needs": (likely(case.held.required), "power"),
        "rpm": (likely(case.engine_speed), "speed_rpm"),
    }
    if case.held.too_weak:
        return Sentence("Holds {held} of {asked}; {asked} would take {needs}.", values)
    if likely(case.held.through) < 0.999:
        values["made"] = (likely(case.held.power), "power")
        return Sentence("Holds {asked} with the clutch slipping: {made} made at {rpm} for {needs} passed on.", values)
    return Sentence("Holds {asked}: takes {needs} at {rpm}.", values)


def figures(op: Operation) -> dict[str, Array]:
    """Figures of every duty, SI, names ending in their unit."""
    return {
        "engine_power_w": op.power,
        "engine_speed_rpm": op.speed,
        "torque_n_m": op.torque,
        "load_share": op.load,
        "excess_air": op.excess_air,
        "fuel_mass_flow_kg_s": op.fuel_mass_flow,
        "air_mass_flow_kg_s": op.air_mass_flow,
        "exhaust_mass_flow_kg_s": op.exhaust_mass_flow,
        "fuel_power_w": op.fuel_power,
        "heat_to_coolant_w": op.heat_to_coolant,
        "heat_to_oil_w": op.heat_to_oil,
        "heat_to_charge_cooler_w": op.charge_heat,
        "exhaust_power_w": op.exhaust_power,
        "radiation_w": op.radiation,
        "chemical_loss_w": op.chemical_loss,
        "unburned_w": op.unburned,
        "intake_enthalpy_w": op.intake_enthalpy,
        "driven_compressor_w": op.compressor_from_crank,
        "exhaust_gas_temperature_k": op.exhaust_temperature,
        "exhaust_after_turbine_k": op.after_turbine_temperature,
        "energy_residual_w": op.residual,
    }


# Froude number at which a displacement hull sits between its own two waves: 1.34 knots for each root of a foot
# (common practice).
HULL_FROUDE = 0.40


def machine_figures(
    engine: Engine, duties: Duties, wanted: float, claimed: Mapping[str, float], machine: MachineFacts
) -> dict[str, float]:
    """What the claim implies; on a road also top speed, time to 100 km/h, steepest grade at 80 km/h; afloat the speed of
    the hull's own wave."""
    found = dict(claimed)
    if machine.kind == "boat" and machine.waterline_length is not None:
        found["hull_speed_m_s"] = HULL_FROUDE * float(np.sqrt(GRAVITY * likely(machine.waterline_length)))
    road = [case for case in duties.cases if case.held is not None]
    if road and duties.vehicle is not None:
        case = road[-1]
        density = float(air.density(case.ambient, case.pressure))
        tow, accessories = max(c.tow for c in road), likely(case.accessories.total)
        found["top_speed_m_s"] = top_speed(engine, duties.vehicle, wanted, density, accessories)
        found["steepest_grade"] = steepest_grade(engine, duties.vehicle, wanted, GRADE_SPEED, density, tow, accessories)
        seconds = time_to_speed(engine, duties.vehicle, wanted, SPRINT_SPEED, density, accessories)
        if seconds is not None:
            found["time_to_100_km_h_s"] = seconds
    return found


def thin_air(engine: Engine, duties: Duties) -> list[Notice]:
    """Which duty's air takes most of the power, and why; nothing where it takes none to speak of."""
    case = min(duties.cases, key=lambda c: likely(c.breathing))
    share = likely(case.breathing)
    if share > THIN_AIR_SAID:
        return []
    values: dict[str, tuple[float, str] | str] = {
        "share": (share, "share"),
        "duty": case.name.lower(),
        "altitude": (case.altitude, "distance"),
        "ambient": (case.ambient, "temperature"),
    }
    words = "At {altitude} and {ambient} ({duty}) the air lets it make {share} of its full power."
    if engine.facts.aspiration == "turbo":
        held = likely(need(engine.facts.boost_held_to, "engine.boost_held_to"))
        values["held"] = (held, "distance")
        words = "The turbo holds its boost up to {held}; at {altitude} ({duty}) {share} of full power is left."
    return [Notice("thin_air", Sentence(words, values), "engine.boost_held_to" if "held" in values else "", case.id)]


def looks(engine: Engine, op: Operation) -> Iterator[Look]:
    """What the engine's relations were fitted on."""
    if engine.fuel.spark:
        yield Look(SPEED_RANGE, op.speed, "engine", "engine.rated_speed")
    yield Look(air.CP_RANGE, op.compressed_temperature, "charge", "engine.boost")


def steps(engine: Engine, op: Operation, index: int, case: Case, vehicle: Vehicle | None, wanted: float) -> list[Step]:
    """The working of one duty: from what is asked to fuel, heat and exhaust."""
    w = Working(index)
    f, fuel = engine.facts, engine.fuel
    per_rev = engine.swept_rate_factor
    _power_steps(w, op, case, vehicle, wanted)
    w.add(
        "bmep",
        "Brake mean effective pressure",
        "P / (V_d * N * per_rev)",
        op.bmep,
        "pressure_difference",
        {"P": op.power, "V_d": engine.displacement, "N": op.speed, "per_rev": per_rev},
        "heywood1988, ch. 2",
    )
    _losses_step(w, engine, op)
    w.add(
        "m_f",
        "Fuel",
        "(bmep + losses) * V_d * N * per_rev / (eta * LHV * (1 - chem - 0.015))",
        op.fuel_mass_flow,
        "mass_flow_s",
        {
            "bmep": op.bmep,
            "losses": op.mean_losses,
            "V_d": engine.displacement,
            "N": op.speed,
            "per_rev": per_rev,
            "eta": op.indicated_efficiency,
            "LHV": fuel.lhv,
            "chem": op.gas.chemical_loss,
        },
        "heywood1988, ch. 2 and 13",
    )
    w.add(
        "m_a",
        "Air",
        "lam * AFR * m_f",
        op.air_mass_flow,
        "mass_flow_s",
        {"lam": op.excess_air, "AFR": fuel.stoichiometric_air_ratio, "m_f": op.fuel_mass_flow},
        "fuel_tables",
    )
    w.add(
        "Q_f",
        "Fuel energy",
        "m_f * LHV",
        op.fuel_power,
        "heat",
        {"m_f": op.fuel_mass_flow, "LHV": fuel.lhv},
        "fuel_tables",
    )
    w.add(
        "Q_rel",
        "Released",
        "Q_f - Q_chem - Q_unb",
        op.released,
        "heat",
        {"Q_f": op.fuel_power, "Q_chem": op.chemical_loss, "Q_unb": op.unburned},
        "heywood1988, ch. 4",
    )
    if not bool(np.any(op.held_back)):
        w.add(
            "Q_c",
            "Heat to coolant",
            "Q_c_rated * ((Q_rel / Q_rel_rated) ** 0.75 + W_rub / (Q_c_rated + Q_o_rated))",
            op.heat_to_coolant,
            "heat",
            {
                "Q_c_rated": op.rated_coolant,
                "Q_o_rated": op.rated_oil,
                "Q_rel": op.released,
                "Q_rel_rated": op.rated_released,
                "W_rub": op.friction_heat,
            },
            "heywood1988, ch. 12; " + ("share of released heat" if f.heat_school == "fuel_share" else "school chosen"),
        )
    w.add(
        "H_ex",
        "Left for the exhaust",
        "Q_rel + H_in - P - W_c - Q_c - Q_o - Q_r",
        op.left_for_exhaust,
        "heat",
        {
            "Q_rel": op.released,
            "H_in": op.intake_enthalpy,
            "P": op.power,
            "W_c": op.compressor_from_crank,
            "Q_c": op.heat_to_coolant,
            "Q_o": op.heat_to_oil,
            "Q_r": op.radiation,
        },
        "arithmetic",
    )
    w.add(
        "T_ex",
        "Exhaust gas at the port",
        "H_ex - H_of_T_ex",
        op.exhaust_temperature,
        "temperature",
        {
            "H_ex": op.left_for_exhaust,
            "H_of_T_ex": op.fuel_mass_flow * sensible_enthalpy(op.gas, op.exhaust_temperature),
        },
        "gri30, polynomials of the products",
        solved=True,
        scale=op.left_for_exhaust,
    )
    return w.steps


def _power_steps(w: Working, op: Operation, case: Case, vehicle: Vehicle | None, wanted: float) -> None:
    """Engine power by what kind of duty asks for it."""
    more = case.accessories
    if case.kind == "typed":
        w.add("P", "Engine power", "P", op.power, "power", {"P": op.power}, STATED)
        return
    if case.held is None and case.kind != "idle":
        asked: dict[str, Value] = {"share": case.share, "P_wanted": wanted, "air": case.breathing}
        w.add("P", "Engine power", "share * P_wanted * air", op.power, "power", asked, "duty: " + case.kind)
        return
    drawn = f"P_el / {ALTERNATOR_EFFICIENCY} + P_steer + P_ac"
    inputs = {"P_el": more.electrical, "P_steer": more.steering, "P_ac": more.air_conditioning}
    if case.held is None or vehicle is None:
        w.add("P", "Engine power, all for accessories", drawn, op.power, "power", inputs, COMMON_PRACTICE)
        return
    w.add("P_acc", "Accessories at the crank", drawn, more.total, "power", inputs, COMMON_PRACTICE)
    w.add(
        "P",
        "Engine power, accessories in it",
        "(maximum(v * (m * g * (C_rr + grade) / sqrt(1 + grade ** 2) + 0.5 * rho * CdA * v ** 2) / eta, 0) + P_acc) / s",
        op.power,
        "power",
        {
            "v": case.held.speed,
            "m": vehicle.mass + as_array(case.tow) * vehicle.trailer_mass,
            "g": GRAVITY,
            "C_rr": vehicle.rolling,
            "grade": case.grade,
            "rho": air.density(case.ambient, case.pressure),
            "CdA": vehicle.drag_area + as_array(case.tow) * vehicle.trailer_drag_area,
            "eta": vehicle.efficiency,
            "P_acc": more.total,
            "s": case.held.through,
        },
        "gillespie1992",
    )


def _losses_step(w: Working, engine: Engine, op: Operation) -> None:
    name, source = "Friction and pumping", "heywood1988, ch. 13"
    if engine.fuel.spark:
        formula = "era * (0.97 + 0.15 * N / 1000 + 0.05 * (N / 1000) ** 2) * 1e5 + maximum(0, 0.75e5 - 0.07 * bmep)"
        inputs: dict[str, Value] = {"era": ERAS[engine.facts.era][1], "N": op.speed, "bmep": op.bmep}
    else:
        formula = "(C + 48 * N / 1000 + 0.4 * S_p ** 2) * 1e3 + 0.2e5"
        constant = CHAMBERS[engine.facts.chamber or "direct"][1]
        inputs = {"C": constant, "N": op.speed, "S_p": engine.piston_speed(op.speed)}
    w.add("losses", name, formula, op.mean_losses, "pressure_difference", inputs, source)


@dataclass(frozen=True)
class CurvesView:
    """Full load over speed [rev/min]: power [W], torque [N m], heat to coolant [W], fuel [m3/s], exhaust [K]."""

    speed: Sequence[float]
    power: Sequence[float]
    torque: Sequence[float]
    heat_to_coolant: Sequence[float]
    fuel: Sequence[float]
    exhaust_temperature: Sequence[float]


def speed_sweep(engine: Engine, wanted: float, ambient: float, pressure: float) -> CurvesView:
    """Full-load curves over speed for the station's plot."""
    idle = likely(engine.facts.idle_speed)
    limit = likely(engine.facts.limit_speed)
    speed = np.linspace(idle, limit, 61)
    power = engine.full_load_power(speed, wanted * engine.breathing(ambient, pressure))
    op = operate(engine, wanted, power, speed, ambient, pressure)
    return CurvesView(
        speed=speed.tolist(),
        power=power.tolist(),
        torque=(power / (speed * np.pi / 30.0)).tolist(),
        heat_to_coolant=np.ravel(op.heat_to_coolant).tolist(),
        fuel=np.ravel(op.fuel_mass_flow / engine.fuel.density).tolist(),
        exhaust_temperature=np.ravel(op.exhaust_temperature).tolist(),
    )
