"""The working of one duty's fuel."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import ratio_fill
from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.parts.pump import RELIEF_SPAN
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import guard, tank
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel.circuit import Circuit, asked_pressure, burned, demand, manifold_lift
from gauge_well.core.systems.fuel.network import Point, upstream_of
from gauge_well.core.systems.fuel.pump import wire_resistance
from gauge_well.core.typing import as_array
from gauge_well.core.working import Step, Working


def steps(context: Context, circuit: Circuit, point: Point | None, index: int) -> list[Step]:
    """Explain one duty from power to pump, injector, suction, tank."""
    w = Working(index)
    _demand(w, circuit, context)
    if point is not None:
        _pump(w, circuit, point)
        _rail(w, circuit, point)
        if circuit.facts.lift == "pot":
            _pot(w, point)
    if circuit.way.injectors and circuit.facts.injectors.flow is not None:
        _injectors(w, circuit, context)
    _suction(w, circuit, point, context)
    _tank(w, circuit, point, context)
    return w.steps


def _demand(w: Working, circuit: Circuit, context: Context) -> None:
    peak, fuel = context.peak, circuit.fuel
    burns = burned(peak, fuel)
    inputs = {"m_f": peak.fuel_mass_flow, "rho": as_array(fuel.density)}
    source = "fuel_tables; the engine's fuel at the peak of this duty"
    w.add("V_f", "Volume burned", "m_f / rho", burns, "flow_fuel", inputs, source)
    moved = demand(peak, circuit)
    share = circuit.fact("burned_share")
    w.add(
        "V_p",
        "Volume the engine takes",
        "V_f / burned",
        moved,
        "flow_fuel",
        {"V_f": burns, "burned": share},
        "common practice",
    )
    w.add(
        "V_need",
        "With the reserve",
        "V_p * (1 + reserve)",
        circuit.with_reserve(moved),
        "flow_fuel",
        {"V_p": moved, "reserve": circuit.reserve},
        "common practice",
    )
    lift = manifold_lift(circuit, peak)
    w.add(
        "p_set",
        "Pressure held, or wanted, at the engine",
        "p_reg + p_ref",
        asked_pressure(circuit, peak),
        "pressure_gauge",
        {"p_reg": circuit.rail_gauge, "p_ref": lift},
        "arithmetic",
    )


def _pump(w: Working, circuit: Circuit, point: Point) -> None:
    """The point at which the pumps give their most at the pressure asked."""
    facts, able = circuit.facts, point.able
    supply = point.network.main if point.network.alone is None else None
    pump = point.network.main.pump
    if pump is not None and facts.main.drive == "electric" and supply is not None:
        amps = pump.motor.amps(point.able_across)
        w.add(
            "V_pump",
            "Volts at the pump",
            "maximum(V_s - I * R, 0.05 * V_r)",
            point.able_volts,
            "voltage",
            {
                "V_s": circuit.fact("supply_voltage"),
                "I": amps,
                "R": wire_resistance(facts),
                "V_r": circuit.fact("main.voltage"),
            },
            "arithmetic, wire there and back",
        )
    there = np.asarray(as_array(able) > 0.0)
    if supply is not None and bool(there.all()):
        # Where it gives nothing there is no point to explain.
        dead = facts.regulator.place == "dead_headed"
        lost = circuit.filter_drop(able) if dead else circuit.line_drop(able)
        height = 0.0 * lost if dead else circuit.weight(circuit.fact("end_height")) + 0.0 * lost
        inlet = upstream_of(circuit, point.network.booster)(able)
        end = supply.end_at(able)
        w.add(
            "p_pump",
            "Pressure across the pump" if pump is not None else "Pressure its own head leaves over",
            "p_end + dp_line + dp_height - p_in - p_pump",
            point.able_across,
            "pressure_gauge",
            {"p_end": end, "dp_line": lost, "dp_height": height, "p_in": inlet, "p_pump": point.able_across},
            "churchill1977; crane410",
            solved=True,
            scale=np.maximum(np.abs(end), 1e5),
        )
        if pump is not None:
            said = pump.curve.flow_at(point.able_across, pump.motor.share(point.able_across))
            formula, inputs = "health * speed * q_curve", {"health": pump.health, "speed": pump.speed, "q_curve": said}
            if pump.relief is not None:
                formula += f" * minimum(maximum(1 - (p_pump - p_relief) / ({RELIEF_SPAN:g} * p_relief), 0), 1)"
                inputs |= {"p_pump": point.able_across, "p_relief": pump.relief}
            w.add(
                "V_cap",
                "What the pump gives there",
                formula + " - V_cap",
                able,
                "flow_fuel",
                inputs | {"V_cap": able},
                "pump's own curve, r q(p / r)",
                solved=True,
                scale=np.maximum(able, 1e-9),
            )
    w.add(
        "fill_pump",
        "Asked over given",
        "minimum(V_need / maximum(V_cap, 1e-12), 9.99)",
        ratio_fill(point.asked, able),
        "share",
        {"V_need": point.asked, "V_cap": able},
        "arithmetic",
    )


def _rail(w: Working, circuit: Circuit, point: Point) -> None:
    w.add(
        "V_ret",
        "What goes back from the regulator",
        "V_through - V_p",
        point.returned,
        "flow_fuel",
        {"V_through": point.through, "V_p": point.taken},
        "arithmetic",
    )
    if circuit.facts.regulator.place == "dead_headed":
        lost = circuit.pipe(point.taken, "line", circuit.fact("line.loss"))
        height = circuit.weight(circuit.fact("end_height")) + 0.0 * lost
        w.add(
            "p_rail",
            "Rail behind its line",
            "p_end - dp_line - dp_height",
            point.rail,
            "pressure_gauge",
            {"p_end": point.end, "dp_line": lost, "dp_height": height},
            "churchill1977; crane410",
        )


def _pot(w: Working, point: Point) -> None:
    w.add(
        "V_over",
        "What runs over the pot",
        "V_lift - V_gone",
        point.overflow,
        "flow_fuel",
        {"V_lift": point.lifted, "V_gone": point.pot_takes},
        "arithmetic",
    )


def _injectors(w: Working, circuit: Circuit, context: Context) -> None:
    facts, peak = circuit.facts, context.peak
    found = inj.injectors(context, circuit, peak)
    w.add(
        "q_inj",
        "Injector at this pressure",
        "q_ref * sqrt(dp / dp_ref)",
        found.flow,
        "injector_flow",
        {
            "q_ref": inj.sized_flow(circuit),
            "dp": np.maximum(found.pressure, 0.0),
            "dp_ref": circuit.fact("injectors.pressure"),
        },
        "sae_j1832",
    )
    if facts.injectors.dead_table is None:
        w.add(
            "t_dead",
            "Dead time at these volts",
            "t_13 * (13.5 / maximum(V, 4)) ** 1.8",
            inj.dead_time(circuit),
            "time_short",
            {"t_13": circuit.fact("injectors.dead_time"), "V": circuit.fact("supply_voltage") - inj.LOOM_DROP},
            "common practice",
        )
    w.add(
        "dead",
        "Dead time's share of the cycle",
        "t_dead * N * per_rev * openings",
        found.dead_share,
        "share",
        {
            "t_dead": inj.dead_time(circuit),
            "N": peak.speed,
            "per_rev": context.engine.swept_rate_factor,
            "openings": inj.openings(context, circuit),
        },
        "arithmetic",
    )
    w.add(
        "open",
        "Share of the cycle open",
        "V_f / n / q_inj + dead",
        found.share,
        "share",
        {
            "V_f": burned(peak, circuit.fuel),
            "n": circuit.fact("injectors.count"),
            "q_inj": np.maximum(found.flow, 1e-15),
            "dead": found.dead_share,
        },
        "sae_j1832",
    )
    held = inj.set_rail(circuit, peak)
    dp = np.maximum(inj.across(circuit, peak, held), 0.0)
    w.add(
        "p_cut",
        "Rail pressure to cut at",
        "p_rail - dp + dp / (1 + lean) ** 2",
        guard.cut_pressure(circuit, peak),
        "pressure_gauge",
        {"p_rail": held, "dp": dp, "lean": circuit.fact("lean_limit")},
        "sae_j1832",
    )


def _suction(w: Working, circuit: Circuit, point: Point | None, context: Context) -> None:
    fuel, vapour = circuit.fuel, circuit.vapour_pressure()
    if fuel.rvp > 0.0:
        w.add(
            "p_v",
            "Vapour pressure, hot",
            "k * RVP * exp(-B * (1 / T - 1 / 310.9))",
            vapour,
            "pressure_absolute",
            {
                "k": fuel.rvp_true,
                "RVP": need(circuit.facts.reid_pressure, "fuel.reid_pressure"),
                "B": fuel.rvp_slope,
                "T": circuit.temperature,
            },
            "fuel_tables",
        )
    drawn = demand(context.peak, circuit) if point is None else point.drawn
    lost = circuit.suction_drop(drawn)
    w.add(
        "p_in",
        "Pressure at the first pump's inlet",
        "p_air - dp",
        circuit.left_of(lost),
        "pressure_absolute",
        {"p_air": circuit.pressure, "dp": lost},
        "churchill1977",
    )
    w.add(
        "p_least",
        "Least it can stand",
        "p_v + p_more",
        circuit.least_inlet(),
        "pressure_absolute",
        {"p_v": vapour, "p_more": circuit.vapour_margin},
        "common practice",
    )


def _tank(w: Working, circuit: Circuit, point: Point | None, context: Context) -> None:
    facts = circuit.facts
    if facts.tank.vent_bore is not None:
        flow = burned(context.peak, circuit.fuel)
        w.add(
            "dp_vent",
            "Tank drawn down by",
            "0.5 * rho_air * (V_f / (0.62 * A)) ** 2",
            tank.vent_drop(circuit, flow),
            "pressure_small",
            {"rho_air": tank.air_density(circuit), "V_f": flow, "A": bore_area(facts.tank.vent_bore)},
            "crane410",
        )
    if facts.tank.volume is not None:
        lasts = tank.endurance(context, circuit, context.mean)
        w.add(
            "t_tank",
            "A full tank lasts",
            "maximum(V_tank - V_lost, 0) / V_mean",
            lasts,
            "time",
            {
                "V_tank": circuit.fact("tank.volume"),
                "V_lost": tank.unusable(circuit),
                "V_mean": burned(context.mean, circuit.fuel),
            },
            "arithmetic",
        )
