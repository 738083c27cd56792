"""The working of one duty's heat balance."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import ratio_fill
from gauge_well.core.facts import need
from gauge_well.core.heat.radiator import LEAST_MASS_FLUX
from gauge_well.core.media import air, coolant
from gauge_well.core.reads import OIL_PULL, OIL_SHARE, OIL_WARM
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import tested
from gauge_well.core.systems.cooling.air import AirPath, Zones
from gauge_well.core.systems.cooling.circuit import FILLED_AT, Circuit, expansion
from gauge_well.core.systems.cooling.facts_air import SEALINGS
from gauge_well.core.systems.cooling.gauge import AMBIENT_HIGH, AMBIENT_LOW, Limiting
from gauge_well.core.systems.cooling.model import RECIRCULATION_SPEED, Cooling, heat_made, pick_fan
from gauge_well.core.typing import Array, Value, as_array, over_duties
from gauge_well.core.working import Step, Working


def steps(context: Context, cooling: Cooling, trip: Circuit, limiting: Limiting, index: int) -> list[Step]:
    """Explain one duty from the core's areas to the verdict."""
    w = Working(index)
    plant = cooling.plant
    core, facts = plant.core, plant.facts
    on = pick_fan(cooling.airs, -1)
    duties = context.duties
    w.add(
        "p_boil",
        "Boiling pressure",
        "p_amb + p_cap",
        trip.held,
        "pressure_absolute",
        {"p_amb": plant.pressure, "p_cap": facts.cap_pressure},
        "arithmetic",
    )
    w.add(
        "T_lim",
        "Hottest coolant allowed",
        "minimum(T_boil - 10, T_engine)",
        plant.limit,
        "temperature",
        {"T_boil": plant.boiling, "T_engine": context.engine.facts.coolant_limit},
        "iapws1992; dippr_glycol; Raoult's law",
    )
    w.add("A_face", "Core face", "w * h", core.face, "area", {"w": core.width, "h": core.height}, "arithmetic")
    w.add(
        "A_air",
        "Air-side surface",
        "A_fin + A_tube",
        core.air_area,
        "area",
        {"A_fin": core.fin_area, "A_tube": core.tube_area},
        "chang1997, geometry",
    )
    rho = air.density(cooling.ambient, plant.pressure)
    w.add(
        "rho",
        "Air density outside",
        "p / (287.05287 * T)",
        rho,
        "density",
        {"p": plant.pressure, "T": cooling.ambient},
        "iso2533",
    )
    path = on.path
    u = on.velocity
    v = duties.column("air_speed")
    w.add(
        "q",
        "Dynamic head",
        "0.5 * rho * v ** 2",
        path.dynamic_head,
        "pressure_small",
        {"rho": rho, "v": v},
        "arithmetic",
    )
    _front_step(w, cooling)
    _air_steps(w, plant.fan.shroud, path, on.zones, u)
    w.add(
        "m_air",
        "Air through the core",
        f"maximum(rho * abs(u), {LEAST_MASS_FLUX:g}) * A_face",
        on.mass_flow,
        "mass_flow_s",
        {"rho": rho, "u": u, "A_face": core.face},
        "arithmetic",
    )
    side = on.side
    w.add(
        "hA_air",
        "Air-side conductance",
        "h * A_air * (1 - A_fin / A_air * (1 - eta))",
        side.conductance,
        "conductance",
        {"h": side.coefficient, "A_air": core.air_area, "A_fin": core.fin_area, "eta": side.fin_efficiency},
        "chang1997, j × 0.85; incropera2007, ch. 3",
    )
    fluid = plant.fluid
    _loop_steps(w, cooling, trip)
    w.add(
        "m_c",
        "Coolant speed in the tubes",
        "V / A_c",
        fluid.speed,
        "speed_m_s",
        {"V": plant.flow, "A_c": core.coolant_area},
        "arithmetic",
    )
    w.add(
        "hA_c",
        "Coolant-side conductance",
        "h * A",
        fluid.conductance,
        "conductance",
        {"h": fluid.coefficient, "A": core.coolant_surface},
        "gnielinski1976; shah1978; melinder2010",
    )
    wall = core.wall / (core.conductivity * core.coolant_surface)
    on_test = tested.given(plant.facts)
    if on_test:
        facts = plant.facts
        w.add(
            "s",
            "Core on test against its sizes",
            "Q_model - Q_test",
            plant.scale,
            "ratio",
            {
                "Q_model": tested.heat_at(core, facts, plant.glycol, plant.scale),
                "Q_test": need(facts.core.test_heat, "cooling.core.test_heat"),
            },
            "conductance times s sheds what the test says",
            solved=True,
            scale=as_array(need(facts.core.test_heat, "cooling.core.test_heat")),
        )
    w.add(
        "UA",
        "Core conductance",
        ("s * " if on_test else "") + "0.9 / (1 / hA_air + R_wall + 1 / hA_c)",
        cooling.at_limit.ua,
        "conductance",
        {"hA_air": side.conductance, "R_wall": wall, "hA_c": fluid.conductance}
        | ({"s": plant.scale} if on_test else {}),
        "kays1984; ageing 0.9",
    )
    least = np.minimum(side.capacity_rate, fluid.capacity_rate)
    passes = as_array(core.passes)
    w.add(
        "N",
        "Transfer units of each pass",
        "UA / P / minimum(C_air / P, C_c)",
        cooling.at_limit.ntu,
        "ratio",
        {"UA": cooling.at_limit.ua, "P": passes, "C_air": side.capacity_rate, "C_c": fluid.capacity_rate},
        "incropera2007, ch. 11",
    )
    w.add(
        "T_air",
        "Air into the core",
        f"T_amb + dT_seal * minimum(maximum(1 - v / {RECIRCULATION_SPEED:g}, 0), 1) + Q_front / C_air",
        on.air_in,
        "temperature",
        {
            "T_amb": cooling.ambient,
            "dT_seal": 0.0 if plant.fan.shroud == "open" else SEALINGS[facts.sealing][1],
            "v": v,
            "Q_front": on.front_heat,
            "C_air": side.capacity_rate,
        },
        "recirculation; coolers in front",
    )
    w.add(
        "Q_lim",
        "Heat shed at the limit",
        "eps * C_min * (T_lim - T_air)",
        cooling.at_limit.heat,
        "heat",
        {"eps": cooling.at_limit.effectiveness, "C_min": least, "T_lim": plant.limit, "T_air": on.air_in},
        "mason1955, exact series, both unmixed",
    )
    _capacity_step(w, cooling, index)
    heat = heat_made(context, cooling, context.mean)
    _made_step(w, context, cooling, heat)
    w.add(
        "fill",
        "Heat made over heat carried",
        "minimum(Q / maximum(C, 1e-9), 9.99)",
        ratio_fill(heat, cooling.capacity),
        "share",
        {"Q": heat, "C": cooling.capacity},
        "arithmetic",
    )
    w.add(
        "T_max",
        "Limiting ambient",
        f"minimum(maximum(T_run - over / rate, {AMBIENT_LOW}), {AMBIENT_HIGH})",
        limiting.ambient,
        "temperature",
        {"T_run": limiting.guess, "over": limiting.over, "rate": limiting.rate},
        "whole model run again in other air; the chord to where nothing is left over",
    )
    return w.steps


def _made_step(w: Working, context: Context, cooling: Cooling, heat: Array) -> None:
    """Heat made with the coolant at its limit: the engine's, a gearbox cooler's, and what the oil then brings."""
    box = context.duties.column("gearbox_heat") if cooling.plant.facts.gearbox_cooler == "yes" else 0.0
    inputs: dict[str, Value] = {"Q_e": context.mean.heat_to_coolant, "Q_box": box}
    formula = "Q_e + Q_box"
    if OIL_SHARE in context.given:
        formula += " + maximum(s * Q_oil + W, 0) - G * (T_lim - T_amb)"
        inputs |= {"s": context.given[OIL_SHARE], "Q_oil": context.mean.heat_to_oil, "W": context.given[OIL_WARM]}
        inputs |= {"G": context.given[OIL_PULL], "T_lim": cooling.plant.limit, "T_amb": cooling.ambient}
    formula = f"maximum({formula}, 0)"
    w.add(
        "Q", "Heat made, coolant at its limit", formula, heat, "heat", inputs, "incropera2007, ch. 5, oil as one lump"
    )


def _capacity_step(w: Working, cooling: Cooling, index: int) -> None:
    """Heat carried over a duty that ends."""
    name = "Heat that just brings the end of the duty to the limit"
    if not np.isfinite(w.pick(cooling.duration)):
        return
    source = "incropera2007, ch. 5, two lumped nodes"
    if w.pick(cooling.starts_shut.astype(float)) > 0.5:
        ends = cooling.end_from_shut(cooling.capacity)
        inputs = {"T_end": ends, "T_lim": cooling.plant.limit}
        name += ", nothing shed until the thermostat opens"
        # The root stands to a watt: a hundredth of a kelvin is far more.
        w.add("Q_cap", name, "T_end - T_lim", cooling.capacity, "heat", inputs, source, solved=True, scale=10.0)
        return
    r = cooling.response
    w.add(
        "Q_cap",
        name,
        "(T_lim - (w_m * T_m + w_c * T_c + w_s * T_sink)) / per_w",
        cooling.capacity,
        "heat",
        {
            "T_lim": cooling.plant.limit,
            "w_m": r.weight_metal,
            "T_m": cooling.start_metal,
            "w_c": r.weight_coolant,
            "T_c": cooling.start,
            "w_s": r.weight_sink,
            "T_sink": cooling.sink,
            "per_w": r.per_watt,
        },
        source,
    )


def _loop_steps(w: Working, cooling: Cooling, trip: Circuit) -> None:
    """Pump against the branches, the pump's inlet, and what the coolant grows by."""
    plant = cooling.plant
    loop, around = plant.loop, trip.pressures
    whole, drop = around.whole_flow, around.across
    source = "eck1973; churchill1977; crane410"
    w.add(
        "dp",
        "Pressure across core, bypass and heater",
        "H0 * s ** 2 - (k_pump + k_engine) * V_all ** 2 - dp",
        drop,
        "pressure_difference",
        {"H0": loop.head, "s": loop.speed, "k_pump": loop.own, "k_engine": loop.engine, "V_all": whole, "dp": drop},
        source,
        solved=True,
        scale=as_array(loop.head) * as_array(loop.speed) ** 2,
    )
    w.add(
        "V",
        "Coolant through the core, thermostat open",
        "2 * dp / (a_t + sqrt(a_t ** 2 + 4 * b * dp))",
        around.radiator_flow,
        "flow",
        {"dp": drop, "a_t": loop.tubes_a, "b": loop.main(1.0)},
        source,
    )
    tubes = "(a_t * V + b_t * V ** 2)"
    header = plant.facts.header
    given: dict[str, Value] = {"p_boil": trip.held, "V": around.radiator_flow}
    if header == "core":
        given |= {"a_t": loop.tubes_a, "b_t": loop.tubes_b}
    if header != "remote":
        given |= {"b_back": loop.back}
    else:
        given = {"p_amb": plant.pressure, "p_cap": plant.facts.cap_pressure}
    formula = {
        "core": f"p_boil - {tubes} - b_back * V ** 2",
        "core_cold": "p_boil - b_back * V ** 2",
        "remote": "p_amb + p_cap",
    }[header]
    inlet = around.pump_inlet
    w.add("p_in", "Pressure at the pump's inlet", formula, inlet, "pressure_absolute", given, "arithmetic")
    cold = coolant.properties(FILLED_AT, plant.glycol).density
    hottest = over_duties(plant.limit)
    w.add(
        "V_grow",
        "What the coolant grows by from a cold fill",
        "V_sys * (rho_cold / rho_hot - 1)",
        expansion(cooling),
        "volume",
        {
            "V_sys": plant.facts.coolant_volume,
            "rho_cold": cold,
            "rho_hot": coolant.properties(hottest, plant.glycol).density,
        },
        "melinder2010",
    )


def _front_step(w: Working, cooling: Cooling) -> None:
    """Share of the face that each cooler in front takes up."""
    core = cooling.plant.core
    for cooler in cooling.plant.coolers:
        inputs = {"w": cooler.core.width, "h": cooler.core.height, "W": core.width, "H": core.height}
        name = f"Face behind the {cooler.name} cooler"
        formula = "minimum(w / W, 1) * minimum(h / H, 1)"
        w.add(f"c_{cooler.name}", name, formula, cooler.share, "share", inputs, "arithmetic")


def _air_steps(w: Working, shroud: str, path: AirPath, z: Zones, u: Array) -> None:
    """Where what pushes meets what resists, for each kind of shroud."""
    source = "eck1973; kays1984; chang2000"
    given: dict[str, Value] = {"K_ram": path.ram, "q": path.dynamic_head, "a": path.a, "b": path.b}
    scale = as_array(path.ram) * path.dynamic_head + path.fan_pressure
    out: dict[str, Value] = {
        "K_out": path.exit_loss,
        "rho_hot": path.density_hot,
        "V": z.flow,
        "A_out": path.exit_area,
        "q": path.dynamic_head,
    }
    leaves = "0.5 * K_out * rho_hot * V * abs(V) / A_out ** 2 - 0.1 * q"
    bay = "Bay over the air outside"
    if shroud == "none":
        # Both parts share one bay: its pressure is found with the fan's, not from the flow alone.
        meeting = out | {"p_bay": z.bay}
        formula = leaves + " - p_bay"
        w.add(
            "p_bay",
            bay,
            formula,
            z.bay,
            "pressure_small",
            meeting,
            source,
            solved=True,
            scale=np.maximum(np.abs(z.bay), 1.0),
        )
    else:
        w.add("p_bay", bay, leaves, z.bay, "pressure_small", out, source)
    meets = "K_ram * q + P_fan - (a * u + b * u * abs(u)) - p_bay"
    inputs = given | {"P_fan": z.rise, "p_bay": z.bay}
    name = "Air speed on the face" + ("" if shroud == "open" else ", fan on")
    if shroud != "none":
        w.add("u", name, meets, u, "speed_m_s", inputs | {"u": u}, source, solved=True, scale=scale)
        return
    w.add(
        "u_fan",
        "Air speed where the fan covers",
        meets.replace("u", "u_fan"),
        z.fan,
        "speed_m_s",
        inputs | {"u_fan": z.fan},
        source,
        solved=True,
        scale=scale,
    )
    w.add(
        "u_open",
        "Air speed on the open part",
        "2 * d / (a + sqrt(a ** 2 + 4 * b * abs(d)))",
        z.open,
        "speed_m_s",
        {"d": as_array(path.ram) * path.dynamic_head - z.bay, "a": path.a, "b": path.b},
        source,
    )
    w.add(
        "u",
        "Air speed on the face, as a mean",
        "c * abs(u_fan) + (1 - c) * maximum(u_open, 0)",
        u,
        "speed_m_s",
        {"c": path.covered, "u_fan": z.fan, "u_open": z.open},
        "arithmetic",
    )
