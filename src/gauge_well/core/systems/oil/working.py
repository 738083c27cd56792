"""The working of one duty's oil."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import ratio_fill
from gauge_well.core.flow.pipe import DRAWN_TUBE_ROUGHNESS, bore_area, friction_factor_churchill
from gauge_well.core.geometry.free_surface import surface_height, volume_below
from gauge_well.core.media import air, oils
from gauge_well.core.parts.accumulator import FAST
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import breathing, covering, drysump, feeding, levels, priming, returns, surge, warmth
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.figures import coldest
from gauge_well.core.systems.oil.pan import Pan, gasket_of, over_floor
from gauge_well.core.typing import Array, Value, as_array, likely
from gauge_well.core.working import Step, Working

BRAKING = tuple(covering.DIRECTIONS).index("braking")


def steps(
    context: Context,
    facts: OilFacts,
    pan: Pan | None,
    covered: covering.Covered | None,
    ways: warmth.Ways,
    index: int,
) -> list[Step]:
    """Explain one duty: oil in the pan, its surface under braking, temperature, viscosity, pressure, suction; then what is
    fitted beside the pan."""
    w = Working(index)
    coverage = None if covered is None else covered.coverage
    in_tank = drysump.is_dry(facts)
    volume = drysump.in_tank(facts) if in_tank else covering.in_sump(facts)
    w.add(
        "V",
        "Oil in the tank, running" if in_tank else "Oil in the pan, running",
        "maximum(V_all - V_up - V_acc, 0.05 * V_all)",
        volume,
        "volume",
        {"V_all": facts.oil_quantity, "V_up": facts.oil_up, "V_acc": 0.0 if in_tank else covering.accumulated(facts)},
        "common practice",
    )
    if coverage is not None:
        vessel = coverage.pan
        n = coverage.normal[index, BRAKING]
        d = covering.surface(coverage, index, BRAKING)
        w.add(
            "d",
            "Surface under braking, along its normal",
            "V_under - V",
            d,
            "length",
            {"V_under": volume_below(vessel.body, n, d), "V": volume},
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
                "x": vessel.pickup[0],
                "y": vessel.pickup[1],
                "z": vessel.pickup[2],
            },
            "arithmetic",
        )
    heat = context.mean.heat_to_oil
    hot = warmth.temperature(ways, heat)
    steady = "(Q + (U_b + U_w) * T_c + (U_p + U_a) * T_a) / (U_b + U_w + U_p + U_a)"
    if ways.plate:
        shut = "(Q + (U_b + 0.1 * U_w) * T_c + (U_p + 0.1 * U_a) * T_a) / (U_b + 0.1 * U_w + U_p + 0.1 * U_a)"
        steady = f"maximum({steady}, minimum(353.15, {shut}))"
    w.add(
        "T_oil",
        "Oil at the end of the duty",
        f"T_0 + ({steady} - T_0) * s",
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
    at = oil.line
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
    at_hot = oils.viscosity_walther(feeding.clean(facts), oils.T_100) * oils.density(oils.T_100)
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
    moved: dict[str, Value] = {"q_1": feeding.pump_flow(facts, 1.0), "N": context.mean.speed}
    drawn = "q_1 * N"
    if facts.pump.relief_returns != "sump":
        drawn = "q_1 * minimum(N, N_ref * (sqrt(0.25 * m ** 2 + 2 * p_relief / p_ref) - 0.5 * m))"
        moved |= {"N_ref": leak.speed, "m": thinness, "p_relief": leak.relief, "p_ref": leak.pressure}
    w.add("q", "Oil drawn through the pickup", drawn, flow, "flow", moved, "arithmetic")
    lost = feeding.suction_drop(facts, flow, hot)
    dry = facts.sump == "dry"
    own = facts.tank_line.bore if dry else None
    bore = as_array(facts.pickup.bore if own is None else own)
    w.add(
        "dp",
        "Lost to the pump",
        "(f * L / D + K + K_1 / Re) * 0.5 * rho * (q / (0.7853981634 * D ** 2)) ** 2 + rho * 9.80665 * H",
        lost,
        "pressure_difference",
        {
            "f": friction_factor_churchill(flow / bore_area(bore) * bore / thin, DRAWN_TUBE_ROUGHNESS / bore),
            "L": feeding.TANK_LINE if dry else facts.pickup.length,
            "D": bore,
            "K": feeding.PICKUP_LOSS,
            "K_1": feeding.PICKUP_SLOW,
            "Re": flow / bore_area(bore) * bore / thin,
            "H": 0.0 if dry else facts.pickup_lift,
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
    _beside(w, context, facts, pan, hot)
    return w.steps


def _beside(w: Working, context: Context, facts: OilFacts, pan: Pan | None, hot: Array) -> None:
    """Add the steps of what is fitted."""
    if pan is not None and not drysump.is_dry(facts):
        _mouth(w, facts, pan)
        _stick(w, context, facts, pan)
    _held(w, context, facts)
    _back(w, facts, hot)
    _breather(w, context, facts)
    if drysump.is_dry(facts):
        drawn = feeding.hot_flow(context, facts)
        rests = drysump.residence(facts, drawn)
        given = {"V": drysump.in_tank(facts), "q_d": drawn}
        w.add("t_tank", "Oil rests in the tank", "V / q_d", rests, "time", given, "arithmetic")
    _primed(w, context, facts)


def _mouth(w: Working, facts: OilFacts, pan: Pan) -> None:
    if facts.pickup.drop is None:
        return
    given = {"g": gasket_of(facts), "h_p": facts.pickup.drop, "z_f": pan.floor}
    w.add("c", "Mouth over the floor", "g - h_p - z_f", over_floor(facts, pan), "length", given, "arithmetic")


def _stick(w: Working, context: Context, facts: OilFacts, pan: Pan) -> None:
    marks, stick = levels.marks(context, facts, pan), facts.dipstick
    if marks is None or stick.x is None or stick.seat is None:
        return
    n = levels.level_up(context)
    level = surface_height(pan.likely.body, n, as_array(likely(facts.oil_quantity)))
    front, left = (0.0 if v is None else float(np.tan(likely(v))) for v in (stick.lean_front, stick.lean_left))
    w.add(
        "s_full",
        "Full mark, from the stick's seat",
        "(n_x * x + n_y * y + n_z * z - d_0) * sqrt(1 + a ** 2 + b ** 2) / (n_z - n_x * a - n_y * b)",
        marks.full,
        "length",
        {
            "n_x": n[0],
            "n_y": n[1],
            "n_z": n[2],
            "x": stick.x,
            "y": 0.0 if stick.y is None else stick.y,
            "z": stick.seat,
            "d_0": level,
            "a": front,
            "b": left,
        },
        "arithmetic",
    )


def _held(w: Working, context: Context, facts: OilFacts) -> None:
    ride, own = surge.ride(context, facts), facts.accumulator
    if ride is None:
        return
    leak = feeding.leak_of(context, facts)
    if own.volume is not None and own.precharge is not None and own.spent is not None:
        pressure = feeding.gauge_pressure(facts, leak, context.mean.speed, oils.T_100)
        w.add(
            "V_g",
            "Accumulator gives",
            "V_0 * (p_0 + p_a) / p_1 * maximum((p_1 / maximum(p_2 + p_a, p_0 + p_a)) ** (1 / n) - 1, 0)",
            ride.given,
            "volume",
            {
                "V_0": own.volume,
                "p_0": own.precharge,
                "p_a": air.P_SEA_LEVEL,
                "p_1": np.maximum(leak.relief if pressure is None else pressure, own.precharge) + air.P_SEA_LEVEL,
                "p_2": own.spent,
                "n": FAST,
            },
            "incropera2007, ch. 1",
        )
    flow = feeding.hot_flow(context, facts)
    given = {"V_h": ride.held, "V_g": ride.given, "q_h": flow}
    w.add("t_r", "Rides out, uncovered", "(V_h + V_g) / q_h", ride.seconds, "time", given, "common practice")


def _back(w: Working, facts: OilFacts, hot: Array) -> None:
    own, found = facts.head_drain, returns.head_drain(facts, hot)
    if found is None or own.bore is None or own.length is None or facts.head_drains is None:
        return
    thin = oils.viscosity_walther(feeding.oil_of(facts), hot)
    hole = returns.hole_flow(own.bore, own.length, returns.STANDS, thin)
    w.add(
        "q_r",
        "One return lets down, full",
        "0.7853981634 * D ** 2 * 2 * g * (h + L) / (32 * nu * L / D ** 2"
        " + sqrt((32 * nu * L / D ** 2) ** 2 + 2 * (K + 1) * g * (h + L)))",
        hole,
        "flow",
        {
            "D": own.bore,
            "L": own.length,
            "h": returns.STANDS,
            "nu": thin,
            "K": returns.HEAD_LOSS,
            "g": air.GRAVITY,
        },
        "incropera2007, ch. 8; crane410",
    )


def _breather(w: Working, context: Context, facts: OilFacts) -> None:
    hose = facts.breather
    flow = breathing.blow_by(facts, context.peak, worn=True)
    over = breathing.crankcase(facts, flow)
    if over is None or hose.bore is None:
        return
    bore = as_array(hose.bore)
    speed = flow / bore_area(bore)
    w.add(
        "p_c",
        "Crankcase over the air, worn",
        "(f * L / D + K) * 0.5 * rho * (q / (0.7853981634 * D ** 2)) ** 2",
        over,
        "pressure_small",
        {
            "f": friction_factor_churchill(
                speed * bore * breathing.density() / air.viscosity(breathing.HOT), DRAWN_TUBE_ROUGHNESS / bore
            ),
            "L": 1.0 if hose.length is None else hose.length,
            "D": bore,
            "K": as_array(breathing.LOSS if hose.loss is None else hose.loss) + 1.0,
            "rho": breathing.density(),
            "q": flow,
        },
        "churchill1977",
    )


def _primed(w: Working, context: Context, facts: OilFacts) -> None:
    found = priming.primed(context, facts, coldest(context))
    w.add(
        "t_p",
        "Cranked to pressure",
        "V_s / (0.5 * q_c) + V_f / (0.85 * q_c)",
        found.seconds,
        "time",
        {
            "V_s": found.suction,
            "V_f": found.dry,
            "q_c": likely(feeding.pump_flow(facts, found.speed)),
        },
        "common practice",
    )
