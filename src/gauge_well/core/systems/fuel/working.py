"""The working of one duty's fuel."""

from __future__ import annotations

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import model
from gauge_well.core.working import Step, Working


def steps(
    circuit: model.Circuit,
    curve: model.PumpCurve | None,
    point: model.PumpPoint | None,
    context: Context,
    index: int,
) -> list[Step]:
    """Explain one duty from power to pump and injector."""
    w = Working(index)
    facts, peak, fuel = circuit.facts, context.peak, circuit.fuel
    w.add(
        "m_f",
        "Fuel burned",
        "m_f",
        peak.fuel_mass_flow,
        "mass_flow_s",
        {"m_f": peak.fuel_mass_flow},
        "engine, at the peak of this duty",
    )
    burned = model.burned(peak, fuel)
    w.add(
        "V_f",
        "Volume burned",
        "m_f / rho",
        burned,
        "flow_fuel",
        {"m_f": peak.fuel_mass_flow, "rho": fuel.density},
        "fuel_tables",
    )
    moved = model.demand(peak, fuel, facts)
    w.add(
        "V_p",
        "Volume the pump must move",
        "V_f / burned",
        moved,
        "flow_fuel",
        {"V_f": burned, "burned": need(facts.burned_share, "")},
        "common practice",
    )
    w.add(
        "V_need",
        "With the reserve",
        "V_p * (1 + reserve)",
        moved * (1 + circuit.reserve),
        "flow_fuel",
        {"V_p": moved, "reserve": circuit.reserve},
        "common practice",
    )
    lift = model.manifold_lift(circuit, peak)
    w.add(
        "p_rail",
        "Rail pressure",
        "p_set + p_ref",
        circuit.rail_gauge + lift,
        "pressure_gauge",
        {"p_set": circuit.rail_gauge, "p_ref": lift},
        "arithmetic",
    )
    if curve is not None and point is not None:
        if facts.pump_drive == "electric":
            w.add(
                "V_pump",
                "Volts at the pump",
                "V_s - I * R",
                point.voltage,
                "voltage",
                {"V_s": need(facts.supply_voltage, ""), "I": point.current, "R": model.wire_resistance(facts)},
                "arithmetic, wire there and back",
            )
        if facts.rail != "dead_headed":
            drop, pull = model.line_drop(circuit, point.flow), model.suction_drop(circuit, point.flow)
            w.add(
                "p_pump",
                "Pressure across the pump",
                "maximum(p_rail + dp_line + dp_suction, 0)",
                point.pressure,
                "pressure_gauge",
                {"p_rail": circuit.rail_gauge + lift, "dp_line": drop, "dp_suction": pull},
                "churchill1977; crane410",
            )
        w.add(
            "V_cap",
            "What the pump gives there",
            "q_curve - V_cap",
            point.flow,
            "flow_fuel",
            {"q_curve": curve.flow_at(point.pressure, point.voltage_ratio), "V_cap": point.flow},
            "pump's own curve, r q(p / r)",
            solved=True,
            scale=np.maximum(point.flow, 1e-9),
        )
        w.add(
            "fill_pump",
            "Asked over given",
            "V_need / V_cap",
            moved * (1 + circuit.reserve) / np.maximum(point.flow, 1e-12),
            "share",
            {"V_need": moved * (1 + circuit.reserve), "V_cap": np.maximum(point.flow, 1e-12)},
            "arithmetic",
        )
    if circuit.way.injectors and facts.injector_flow is not None:
        found = model.injectors(circuit, peak, context)
        w.add(
            "q_inj",
            "Injector at this pressure",
            "q_ref * sqrt(dp / dp_ref)",
            found.flow,
            "injector_flow",
            {
                "q_ref": facts.injector_flow,
                "dp": np.maximum(found.pressure, 0.0),
                "dp_ref": need(facts.injector_pressure, ""),
            },
            "sae_j1832",
        )
        w.add(
            "dead",
            "Dead time's share of the cycle",
            "t_dead * N * per_rev",
            found.dead_share,
            "share",
            {"t_dead": need(facts.dead_time, ""), "N": peak.speed, "per_rev": context.engine.swept_rate_factor},
            "arithmetic",
        )
        w.add(
            "open",
            "Share of the cycle open",
            "V_f / n / q_inj + dead",
            found.share,
            "share",
            {
                "V_f": burned,
                "n": need(facts.injector_count, ""),
                "q_inj": np.maximum(found.flow, 1e-15),
                "dead": found.dead_share,
            },
            "sae_j1832",
        )
    vapour = model.vapour_pressure(circuit)
    if fuel.rvp > 0.0:
        w.add(
            "p_v",
            "Vapour pressure, hot",
            "k * RVP * exp(-B * (1 / T - 1 / 310.9))",
            vapour,
            "pressure_absolute",
            {
                "k": fuel.rvp_true,
                "RVP": need(facts.reid_pressure, "fuel.reid_pressure"),
                "B": fuel.rvp_slope,
                "T": circuit.temperature,
            },
            "fuel_tables",
        )
    flow = model.drawn(circuit, point, peak)
    at = model.suction(circuit, flow)
    w.add(
        "p_in",
        "Pressure at the pump inlet",
        "p_air - dp",
        at.inlet,
        "pressure_absolute",
        {"p_air": at.source, "dp": model.suction_drop(circuit, flow)},
        "churchill1977",
    )
    w.add(
        "p_least",
        "Least it can stand",
        "p_v + 10000",
        at.least,
        "pressure_absolute",
        {"p_v": vapour},
        "common practice",
    )
    return w.steps
