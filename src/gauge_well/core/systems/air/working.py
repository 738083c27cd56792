"""The working of one duty's air: intake, inlet, engine space, box."""

from __future__ import annotations

import numpy as np

from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.heat import enclosure
from gauge_well.core.media import air
from gauge_well.core.parts.air_filter import AT_SERVICE, MEDIA
from gauge_well.core.systems.air import intake, wading, warmth
from gauge_well.core.systems.air.facts import BOXES, DRAWS, AirFacts
from gauge_well.core.systems.base import Context
from gauge_well.core.typing import as_array
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: AirFacts, found: intake.Drawn, space: warmth.Bay, index: int) -> list[Step]:
    """From the air drawn to the power it costs."""
    w = Working(index)
    _intake(w, context, facts, found)
    _bay(w, context, facts, found, space)
    _box(w, context, facts, space)
    if (water := wading.wades(facts)) is not None:
        w.add(
            "h_w", "Bow wave", "v ** 2 / (2 * g)", water.wave, "height",
            {"v": as_array(facts.wading_speed if facts.wading_speed is not None else 0.0), "g": 9.80665}, "arithmetic",
        )  # fmt: skip
    return w.steps


def _intake(w: Working, context: Context, facts: AirFacts, found: intake.Drawn) -> None:
    t, p = context.duties.column("ambient"), context.duties.column("pressure")
    rho, flow = air.density(t, p), context.peak.air_mass_flow
    w.add(
        "q",
        "Air drawn",
        "m / rho",
        intake.volume_flow(context, context.peak),
        "air_flow",
        {"m": flow, "rho": rho},
        "arithmetic",
    )
    own = facts.filter
    if found.filter is not None and own.drop is None and own.area is not None:
        w.add(
            "dp_f", "Filter, new", "mu * alpha * q / A", found.filter, "pressure_difference",
            {"mu": air.viscosity(t), "alpha": MEDIA[own.medium or "paper"][1], "q": flow / rho, "A": own.area},
            "common practice",
        )  # fmt: skip
        assert found.filter_service is not None
        w.add(
            "dp_s", "Filter, at service", "n * dp_f", found.filter_service, "pressure_difference",
            {"n": AT_SERVICE, "dp_f": found.filter}, "common practice",
        )  # fmt: skip
    if found.throttle is not None and facts.throttle is not None:
        count = 1.0 if facts.throttles is None else facts.throttles
        area = bore_area(facts.throttle) * count
        there = air.density(*intake.at_throttle(context, context.peak))
        w.add(
            "dp_t", "Open throttle", "K * rho * (q / A) ** 2 / 2", found.throttle, "pressure_difference",
            {"K": intake.THROTTLE_LOSS, "rho": there, "q": flow / there, "A": area}, "common practice",
        )  # fmt: skip
    rate = intake.PRESSURE_COST[context.engine.facts.aspiration == "natural"]
    throttle = np.asarray(0.0) if found.throttle is None else found.throttle
    _, dense = intake.at_throttle(context, context.peak)
    w.add(
        "c_p", "Share of power lost to it", "k * ((dp - dp_t) / p + dp_t / p_t)", found.cost, "share",
        {"k": rate, "dp": found.total, "dp_t": throttle, "p": p, "p_t": dense}, "common practice",
    )  # fmt: skip


def _bay(w: Working, context: Context, facts: AirFacts, found: intake.Drawn, space: warmth.Bay) -> None:
    ambient = context.duties.column("ambient")
    parts = {"Q_c": space.core, "Q_x": space.exhaust, "Q_r": space.radiation}
    w.add("Q_b", "Heat into the engine space", "Q_c + Q_x + Q_r", space.heat, "heat", parts, "arithmetic")
    if space.worked:
        carries = np.maximum(space.through, space.draught)
        w.add(
            "T_b", "Engine space", "T_a + Q_b / (m * c_p)", space.temperature, "temperature",
            {"T_a": ambient, "Q_b": space.heat, "m": carries, "c_p": air.CP_AIR}, "incropera2007, ch. 1",
        )  # fmt: skip
    warm = warmth.inlet(context, facts, space)
    w.add(
        "T_i", "Air drawn at", "T_a + s * maximum(T_b - T_a, 0)", warm, "temperature",
        {"T_a": ambient, "T_b": space.temperature, "s": DRAWS[facts.draws or "shielded"][1]}, "common practice",
    )  # fmt: skip
    w.add(
        "c_T", "Share of power lost to its warmth", "1 - (T_a / T_i) ** n",
        warmth.heat_cost(context.engine, warm, ambient), "share",
        {"T_a": ambient, "T_i": warm, "n": warmth.power_of(context.engine)}, "common practice",
    )  # fmt: skip
    w.add(
        "P_i", "Power lost on the way in", "(c_p + c_T) * P",
        warmth.power_lost(context, found.cost, warm, context.peak), "power",
        {"c_p": found.cost, "c_T": warmth.heat_cost(context.engine, warm, ambient), "P": context.peak.power},
        "arithmetic",
    )  # fmt: skip


def _box(w: Working, context: Context, facts: AirFacts, space: warmth.Bay) -> None:
    found = warmth.box(context, facts, space)
    if found is None or facts.box_watts is None or facts.box_vents is not None:
        return
    w.add(
        "C_w", "Box's wall", "A / (2 / h + t / k)", found.wall, "conductance",
        {
            "A": as_array(facts.box_area if facts.box_area is not None else 0.0), "h": enclosure.FILM,
            "t": BOXES[facts.box_wall or "plastic"][1], "k": enclosure.PLASTIC,
        },
        "incropera2007, ch. 3",
    )  # fmt: skip
    w.add(
        "T_x", "Inside the box", "T_o + Q / (C_w + C_v)", found.inside, "temperature",
        {"T_o": found.around, "Q": as_array(facts.box_watts), "C_w": found.wall, "C_v": found.fan},
        "incropera2007, ch. 3",
    )  # fmt: skip
