"""The working of one duty's oil."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import ratio_fill
from gauge_well.core.flow.pipe import DRAWN_TUBE_ROUGHNESS, bore_area, friction_factor_churchill
from gauge_well.core.geometry.free_surface import volume_below
from gauge_well.core.media import oils
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import covering, feeding, warmth
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Value, as_array
from gauge_well.core.working import Step, Working

BRAKING = tuple(covering.DIRECTIONS).index("braking")


def steps(
    context: Context, facts: OilFacts, coverage: covering.Coverage | None, ways: warmth.Ways, index: int
) -> list[Step]:
    """Explain one duty: oil in the pan, its surface under braking, temperature, viscosity, pressure, suction."""
    w = Working(index)
    volume = covering.in_sump(facts)
    w.add(
        "V",
        "Oil in the pan, running",
        "maximum(V_all - V_up, 0.05 * V_all)",
        volume,
        "volume",
        {"V_all": facts.oil_quantity, "V_up": facts.oil_up},
        "common practice",
    )
    if coverage is not None:
        pan = coverage.pan
        n = coverage.normal[index, BRAKING]
        d = covering.surface(coverage, index, BRAKING)
        w.add(
            "d",
            "Surface under braking, along its normal",
            "V_under - V",
            d,
            "length",
            {"V_under": volume_below(pan.body, n, d), "V": volume},
            "arithmetic, exact over tetrahedra",
            solved=True,
            scale=volume,
        )
        w.add(
            "h",
            "Oil over the pickup under braking",
            "d - (n_x * x + n_y * y + n_z * z)",
            coverage.head[index, BRAKING],
            "length",
            {
                "d": d,
                "n_x": n[0],
                "n_y": n[1],
                "n_z": n[2],
                "x": pan.pickup[0],
                "y": pan.pickup[1],
                "z": pan.pickup[2],
            },
            "arithmetic",
        )
    heat = context.mean.heat_to_oil
    hot = warmth.temperature(ways, heat)
    w.add(
        "T_oil",
        "Oil at the end of the duty",
        "T_0 + ((Q + (U_b + U_w) * T_c + (U_p + U_a) * T_a) / (U_b + U_w + U_p + U_a) - T_0) * s",
        hot,
        "temperature",
        {
            "Q": heat,
            "U_b": ways.block,
            "U_w": ways.water,
            "T_c": ways.coolant,
            "U_p": ways.pan,
            "U_a": ways.air,
            "T_a": ways.ambient,
            "T_0": warmth.begins(ways, heat),
            "s": ways.settled,
        },
        "incropera2007, ch. 5",
    )
    oil = feeding.oil_of(facts)
    thin = oils.viscosity_walther(oil, hot)
    at = oils.walther(oil)
    w.add(
        "nu",
        "Viscosity there",
        "(10 ** (10 ** (A - B * log10(T_oil))) - 0.7) / 1e6",
        thin,
        "viscosity",
        {"A": at.intercept, "B": at.slope, "T_oil": hot},
        "astm_d341, oil_tables",
    )
    leak = feeding.leak_of(context, facts)
    pressure = feeding.gauge_pressure(facts, leak, context.mean.speed, hot)
    at_hot = oils.viscosity_walther(oil, oils.T_100) * oils.density(oils.T_100)
    thinness = thin * oils.density(hot) / at_hot
    if pressure is not None:
        w.add(
            "p",
            "Oil pressure",
            "minimum(p_ref * (0.5 * N / N_ref * mu / mu_100 + 0.5 * (N / N_ref) ** 2), p_relief)",
            pressure,
            "pressure_gauge",
            {
                "p_ref": leak.pressure,
                "N": context.mean.speed,
                "N_ref": leak.speed,
                "mu": thin * oils.density(hot),
                "mu_100": at_hot,
                "p_relief": leak.relief,
            },
            "common practice; half of what bearings let through goes by inertia",
        )
    flow = feeding.drawn_flow(facts, leak, context.mean.speed, hot)
    moved: dict[str, Value] = {"V_p": facts.pump.displacement, "N": context.mean.speed}
    drawn = "V_p * N / 60"
    if facts.pump.relief_returns != "sump":
        drawn = "V_p * minimum(N, N_ref * (sqrt(0.25 * m ** 2 + 2 * p_relief / p_ref) - 0.5 * m)) / 60"
        moved |= {"N_ref": leak.speed, "m": thinness, "p_relief": leak.relief, "p_ref": leak.pressure}
    w.add("q", "Oil drawn through the pickup", drawn, flow, "flow", moved, "arithmetic")
    lost = feeding.suction_drop(facts, flow, hot)
    bore = as_array(facts.pickup.bore)
    w.add(
        "dp",
        "Lost to the pump",
        "(f * L / D + K + K_1 / Re) * 0.5 * rho * (q / (0.7853981634 * D ** 2)) ** 2 + rho * 9.80665 * H",
        lost,
        "pressure_difference",
        {
            "f": friction_factor_churchill(flow / bore_area(bore) * bore / thin, DRAWN_TUBE_ROUGHNESS / bore),
            "L": facts.pickup.length,
            "D": bore,
            "K": feeding.PICKUP_LOSS,
            "K_1": feeding.PICKUP_SLOW,
            "Re": flow / bore_area(bore) * bore / thin,
            "H": facts.pickup_lift,
            "rho": oils.density(hot),
            "q": flow,
        },
        "churchill1977; crane410; hooper1981",
    )
    limit = facts.oil_limit
    w.add(
        "fill",
        "Oil over the air, against its limit over the air",
        "minimum(maximum(T_oil - T_a, 0) / (T_lim - T_a), 9.99)",
        ratio_fill(np.maximum(hot - ways.ambient, 0.0), limit - ways.ambient),
        "share",
        {"T_oil": hot, "T_a": ways.ambient, "T_lim": limit},
        "arithmetic",
    )
    return w.steps
