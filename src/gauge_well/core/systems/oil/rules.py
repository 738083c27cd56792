"""What the oil's fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule
from gauge_well.core.heat.coarse_core import coarse_core, oil_conductance
from gauge_well.core.systems.oil.facts import KNEE, OWN
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

SUCTION_SPEED, SMALLEST_PICKUP, STEP = 2.5, 0.008, 0.001  # m/s, m: how a pickup pipe is sized (common practice)
MOUTH = 2.5  # bores across a pickup's mouth (common practice)
# Oil in an engine [L] by its size [L], ``a V^b`` (common practice, a third either way): petrol 0.35 L 1.6, 2 L 4.2,
# 6 L 7.8; diesel single of half a litre 1.8, 2 L 6, tractor of 4 L 11, 9 L 23.
QUANTITY: Mapping[bool, tuple[float, float]] = {True: (2.9, 0.55), False: (3.3, 0.88)}
# What a pump moves each turn of the crank [cm3] by the engine's size [L], ``a V^(2/3)``: diesels cool their pistons
# with oil (common practice).
PUMP: Mapping[bool, float] = {True: 6.0, False: 10.0}
RELIEF_FOR_SPEED, RELIEF_LEAST = 75.0, 300e3  # Pa for each rev/min of rated speed; Pa (common practice)

COOLER_FACE = 5.0  # m/s on an oil cooler's face at 15 m/s of road (common practice)
PRECHARGE, SPENT, THROWN = 70e3, 150e3, 3.0  # Pa gauge, s (common practice)


def usual_quantity(displacement: float, spark: bool) -> float:
    """Oil usual in an engine of that displacement [m3], filter included [m3]."""
    factor, power = QUANTITY[spark]
    return float(factor * (displacement * 1e3) ** power * 1e-3)


def _over_floor(given: Mapping[str, Any]) -> float | None:
    """Pickup over the deepest floor [m] by its drop; None where drop or depth is not stated."""
    drop, depth = given.get("pickup.drop"), given.get("pan.depth")
    if drop is None or depth is None:
        return None
    return max(likely(depth) + likely(given.get("gasket") or 0.0) - likely(drop), 0.0)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults for what has one; a pan and its pickup have none."""
    rules = Ruling(given, context)
    rule, engine = rules.rule, rules.engine

    def get(name: str) -> float:
        return float(rules.get(name))

    size = float(engine.get("displacement") or 0.002)
    spark = engine.get("fuel") != "diesel"
    rated = float(engine.get("rated_speed") or 5000.0)
    rule("oil_quantity", usual_quantity(size, spark), "usual for its size and fuel, a third either way")
    rule("oil_up", 0.18 * get("oil_quantity"), "18 % of it; 10 to 25 % is usual")
    rule("pickup.y", 0.0, "in the middle")
    over = _over_floor(given)
    if over is not None:
        rule("pickup.clearance", over, "the pan's floor under its drop", "arithmetic")
    rule("pickup.clearance", 0.008, "6 to 10 mm")
    rule("pan.baffle", "given" if given.get("pan.baffle_g") is not None else "unknown", "as stated")
    rule("pump.displacement", PUMP[spark] * (size * 1e3) ** (2.0 / 3.0) * 1e-6, "usual for its size and fuel")
    returns = given.get("pump.relief_returns") or "inlet"
    rule("pump.relief_returns", "inlet", "usual")
    most = get("pump.displacement") * rated / 60.0 * (KNEE if returns == "inlet" else 1.0)
    bore = max(float(np.sqrt(4.0 * most / (np.pi * SUCTION_SPEED))), SMALLEST_PICKUP)
    rule("pickup.bore", float(np.ceil(bore / STEP) * STEP), "usual for what the pump draws: 2.5 m/s")
    rule("pickup.length", min(max(12.0 * get("pickup.bore"), 0.1), 0.5), "a usual pipe")
    rule("pickup.mouth", MOUTH * get("pickup.bore"), "2.5 bores across")
    rule("pickup_lift", 0.15, "a pump at the crank's nose")
    rule("grade", "10w40" if spark else "15w40", "usual for the fuel")
    if given.get("grade") == OWN:
        rule("viscosity_40", 96e-6, "as a 10W-40")
        rule("viscosity_100", 14.4e-6, "as a 10W-40")
    rule("oil_limit", 403.15, "130 °C for good mineral oil")
    if given.get("accumulator.volume") is not None:
        rule("accumulator.precharge", PRECHARGE, "about 10 psi")
        rule("accumulator.spent", SPENT, "150 kPa still serves the speeds of a bend")
    if given.get("accumulator.volume") is not None or given.get("pan.held") is not None:
        rule("thrown", THROWN, "a bend or a stop taken hard: 3 s")
    if given.get("scavenge.stages") is not None:
        rule("scavenge.ratio", 0.5, "half the crank's speed")
    if given.get("tank.shape") is not None:
        rule("tank.filled", 0.75, "three quarters")
    core = [context.get("cooling", {}).get(f"oil_cooler.{n}") for n in ("width", "height", "depth")]
    if given.get("cooler.into") == "air" and all(size is not None for size in core):
        ua = float(oil_conductance(coarse_core(*(likely(size) for size in core if size is not None)), COOLER_FACE))
        rule("cooler.conductance", ua, "by its core under Cooling, 5 m/s on its face", "chang1997")
    relief = max(RELIEF_FOR_SPEED * rated, RELIEF_LEAST)
    # Makers set it over what their bearings want: lower it is not, and higher changes nothing but the cold.
    said = "usual for its rated speed: a little over 10 psi for each 1000 rpm"
    rule("pump.relief", relief, said, exact=True)
    if engine.get("aspiration") == "turbo":
        rule("turbo_oil_flow", 2.5e-3 / 60.0, "2 to 3 L/min hot")
    rule("pressure_school", "per_speed", "10 psi for each 1000 rpm")
    return rules.rules
