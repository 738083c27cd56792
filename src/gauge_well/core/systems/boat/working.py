"""The working of one duty: raw water, suction, mix, heights, volumes, back pressure, propeller."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.flow import lifting, propeller
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.heat.wet_mix import balance
from gauge_well.core.media import air
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.seawater import DENSITY, HEAT_CAPACITY
from gauge_well.core.parts.raw_pump import a_turn
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.boat import raw, shafting, wet
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import as_array
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: BoatFacts, index: int) -> list[Step]:
    """What is stated, explained as far as it goes."""
    w = Working(index)
    rows: list[Callable[[], None]] = [lambda: _raw(w, context, facts), lambda: _suction(w, context, facts)]
    if context.machine.exhaust == "wet":
        rows += [
            lambda: _mix(w, context, facts),
            lambda: _heights(w, context, facts),
            lambda: _volumes(w, context, facts),
            lambda: _lift(w, context, facts),
        ]
    rows.append(lambda: _propeller(w, context, facts))
    for row in rows:
        try:
            row()
        except MissingFact:
            continue
    return w.steps


def _raw(w: Working, context: Context, facts: BoatFacts) -> None:
    own = facts.raw_pump
    moves, sea = raw.flow(context, facts), context.duties.column("sea")
    w.add(
        "V", "Raw water", "V_t * w * r * n / 60", moves, "flow",
        {
            "V_t": a_turn(own, "boat.raw_pump"), "w": own.worn, "r": own.ratio,
            "n": context.duties.column("engine_speed"),
        },
        "common practice",
    )  # fmt: skip
    heat = raw.heat(context, facts, context.mean)
    w.add(
        "T_r", "Raw water out", "T_sea + Q / (rho * c * V)", raw.out(context, facts, context.mean), "temperature",
        {"T_sea": sea, "Q": heat, "rho": DENSITY, "c": HEAT_CAPACITY, "V": moves}, "arithmetic",
    )  # fmt: skip
    w.add(
        "V_rule", "Raw water by the rule", f"{raw.RULE:.6g} * P", raw.by_rule(context), "flow", {"P": context.wanted},
        "common practice",
    )  # fmt: skip
    most = raw.DIRECT_MOST if context.machine.cooled_by == "direct" else raw.OUT_MOST
    w.add(
        "V_heat", "Raw water by the heat alone", "Q / (rho * c * maximum(T_most - T_sea, 1))",
        raw.for_heat(context, facts, context.mean), "flow",
        {"Q": heat, "rho": DENSITY, "c": HEAT_CAPACITY, "T_most": most, "T_sea": sea}, "arithmetic",
    )  # fmt: skip


def _suction(w: Working, context: Context, facts: BoatFacts) -> None:
    moves = raw.flow(context, facts)
    found = raw.suction(facts, moves)
    bore = need(facts.suction.bore, "boat.suction.bore")
    w.add(
        "u_s", "Speed in the suction hose", "V / (3.141592653589793 / 4 * d ** 2)", moves / bore_area(bore), "speed_m_s",
        {"V": moves, "d": bore}, "arithmetic",
    )  # fmt: skip
    w.add(
        "dp_s", "What the pump draws, strainer so far blocked",
        "dp_f + 0.5 * rho * K * u ** 2 / (1 - b) ** 2 + dp_h + rho * g * h", found.total, "pressure_difference",
        {
            "dp_f": found.fitting, "rho": DENSITY, "K": facts.strainer_loss, "u": moves / bore_area(bore),
            "b": facts.strainer_blocked, "dp_h": found.hose, "g": GRAVITY, "h": facts.pump_over,
        },
        "crane410; churchill1977",
    )  # fmt: skip


def _mix(w: Working, context: Context, facts: BoatFacts) -> None:
    op, pressure = context.mean, context.duties.column("pressure")
    water = DENSITY * raw.flow(context, facts) * facts.injected
    enters = raw.out(context, facts, op)
    mixed = raw.mixed(context, facts, op)
    gives, steam, per_kg = balance(op.gas, op.fuel_mass_flow, op.after_turbine_temperature, mixed, water, pressure)
    w.add(
        "T_m", "Gas and water mixed", "H - m_v * h_fg - m_w * c * (T_m - T_r)", mixed, "temperature",
        {"H": gives, "m_v": steam, "h_fg": per_kg, "m_w": water, "c": HEAT_CAPACITY, "T_m": mixed, "T_r": enters},
        "iapws1992; gri30", solved=True, scale=np.maximum(gives, 1.0),
    )  # fmt: skip


def _heights(w: Working, context: Context, facts: BoatFacts) -> None:
    name, top = wet.crest(facts)
    found = wet.least(context, top)
    at = next(p for p in wet.leans(context) if p.name == found.position)
    w.add(
        "z", f"The {wet.POINTS[name]} over the sea, {found.position}",
        "(z_0 * ch + y * sh) * ct + x * st - s", found.value, "height",
        {
            "z_0": top.over, "ch": np.cos(as_array(at.heel)), "y": top.left, "sh": np.sin(as_array(at.heel)),
            "ct": np.cos(as_array(at.trim)), "x": top.aft, "st": np.sin(as_array(at.trim)), "s": wet.sinks(context),
        },
        "arithmetic",
    )  # fmt: skip


def _volumes(w: Working, context: Context, facts: BoatFacts) -> None:
    bore, length = need(facts.hose.bore, "boat.hose.bore"), need(facts.hose.length, "boat.hose.length")
    back = wet.drain_back(facts)
    w.add(
        "V_b", "Runs back when it stops", "3.141592653589793 / 4 * D ** 2 * L", back, "volume", {"D": bore, "L": length},
        "arithmetic",
    )  # fmt: skip
    holds = wet.usable(context, facts)
    brings = a_turn(facts.raw_pump, "boat.raw_pump") * facts.raw_pump.ratio * facts.injected
    w.add(
        "t_c", "Cranking until the silencer stands full", "60 * maximum(V_r - V_b, 0) / (V_t * n)",
        wet.crank_time(context, facts), "time",
        {"V_r": holds.rest, "V_b": back, "V_t": brings, "n": facts.crank_speed}, "arithmetic",
    )  # fmt: skip


def _lift(w: Working, context: Context, facts: BoatFacts) -> None:
    found, bore = wet.back(context, facts, context.peak), need(facts.hose.bore, "boat.hose.bore")
    warm = raw.mixed(context, facts, context.peak)
    dense = air.density(warm, context.duties.column("pressure"))
    of_gas = context.peak.exhaust_mass_flow / dense / bore_area(bore)
    of_water = raw.flow(context, facts) * facts.injected / bore_area(bore)
    w.add(
        "a", "Share of the riser that is gas",
        f"j_g / ({lifting.SPREAD} * (j_g + j_w) + {lifting.DRIFT} * sqrt(g * D) + 1e-12)", found.lifted.void, "share",
        {"j_g": of_gas, "j_w": of_water, "g": GRAVITY, "D": bore}, "zuber1965",
    )  # fmt: skip
    w.add(
        "p_w", "Weight of what stands in it", "(a * rho_g + (1 - a) * rho_w) * g * maximum(h, 0)", found.lifted.weight,
        "pressure_difference",
        {"a": found.lifted.void, "rho_g": dense, "rho_w": DENSITY, "g": GRAVITY, "h": wet.height(facts)}, "zuber1965",
    )  # fmt: skip
    w.add(
        "p_b", "Back pressure", "p_w + p_f + p_a + p_k + p_d", found.total, "pressure_difference",
        {
            "p_w": found.lifted.weight, "p_f": found.lifted.friction, "p_a": found.lifted.acceleration,
            "p_k": found.fittings, "p_d": found.down,
        },
        "muller1986",
    )  # fmt: skip


def _propeller(w: Working, context: Context, facts: BoatFacts) -> None:
    n = shafting.shaft_speed(context, facts)
    power = shafting.shaft_power(facts, context.wanted)
    w.add(
        "T_p", "Torque at the shaft", "P / (n * 3.141592653589793 / 30)", propeller.torque(power, n), "torque",
        {"P": power, "n": n}, "arithmetic",
    )  # fmt: skip
    if facts.shaft_diameter is not None:
        w.add(
            "tau", "Shear in the shaft", "16 * T / (3.141592653589793 * d ** 3)",
            propeller.shaft_stress(propeller.torque(power, n), facts.shaft_diameter), "stress",
            {"T": propeller.torque(power, n), "d": facts.shaft_diameter}, "gerr1989",
        )  # fmt: skip
    wished = shafting.wished(context, facts)
    if wished is not None:
        w.add(
            "D_p", "Propeller's diameter", "632.7 * (P / 745.7) ** 0.2 / n ** 0.6 * 0.0254", wished.diameter, "size",
            {"P": power, "n": n}, "gerr1989",
        )  # fmt: skip
        w.add(
            "P_p", "Its pitch", "v / (n / 60 * (1 - s))", wished.pitch, "size",
            {"v": wished.speed, "n": n, "s": wished.slip}, "gerr1989",
        )  # fmt: skip
