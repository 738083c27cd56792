"""A duty through time, what follows it, and what breaks in it; and the engine on its stand."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.facts import need
from gauge_well.core.heat.transient import March
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling import bench_run, time
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import Starts, boiling_and_limit, plant_of, prepare
from gauge_well.core.typing import likely

SHOWN = 140  # points of a curve
LUKEWARM = 333.15  # K a hand can bear for a moment


def _thin(done: March) -> dict[str, list[float]]:
    rows = np.unique(np.linspace(0, done.time.size - 1, SHOWN).astype(int))
    return {
        "time": done.time[rows].tolist(),
        "coolant": done.coolant[rows, 0].tolist(),
        "metal": done.metal[rows, 0].tolist(),
        "fan": done.state[rows, 0].tolist(),
    }


def _finite(seconds: float) -> float | None:
    return seconds if np.isfinite(seconds) else None


def show(
    context: Context, facts: CoolingFacts, options: Mapping[str, float], starts: Starts | None = None
) -> dict[str, Any]:
    """The duty traced, the soak after it, a warm-up in it and its failures; times in s, temperatures in K.

    ``starts`` where the duty follows another.
    """
    cooling = prepare(context, plant_of(context, facts), starts=starts)
    course = time.course(cooling, context)
    thermostat = likely(cooling.plant.thermostat)
    return {
        "trace": _thin(course.trace),
        "fan_starts": int(np.sum(np.diff(course.trace.state[:, 0]) > 0)),
        "soak": _thin(course.soak),
        "soak_peak": float(course.soak.coolant.max()),
        "warm_up": _thin(course.warm_up),
        "to_thermostat": _finite(float(course.warm_up.first_over(thermostat)[0])),
        "failures": [
            {"id": f.id, "name": f.name, "to_limit": _finite(f.to_limit), "to_boil": _finite(f.to_boil)}
            for f in course.failures
        ],
        "limit": likely(cooling.plant.limit),
        "boiling": likely(cooling.plant.boiling),
        "thermostat": thermostat,
    }


def stand(context: Context, facts: CoolingFacts, options: Mapping[str, float]) -> dict[str, Any]:
    """The engine turning free on its stand: how long with nothing fitted, and what a hose must bring.

    Options
    -------
    rpm : speed; idle otherwise.
    outlet : temperature wanted of the water that leaves [K].
    supply, supply_temperature : of the water that comes [Pa over the air outside], [K].
    """
    idle = likely(need(context.engine.facts.idle_speed, "engine.idle_speed"))
    limit_speed = likely(need(context.engine.facts.limit_speed, "engine.limit_speed"))
    speed = float(options.get("rpm", idle))
    if not 0.5 * idle <= speed <= limit_speed:
        allowed = f"{0.5 * idle:.0f} to {limit_speed:.0f} rev/min"
        raise CoreError("out_of_range", "rpm", speed, allowed, "The engine does not turn at that speed.")
    heat = bench_run.turning(context, speed).heat_to_coolant
    _, _, limit = boiling_and_limit(context, facts, np.asarray(101325.0))
    volume = bench_run.IN_ENGINE * likely(need(facts.coolant_volume, "cooling.coolant_volume"))
    # Nothing fitted is open to the air: water boils at 100 degC there.
    idling = bench_run.turning(context, idle).heat_to_coolant
    reasons = bench_run.nothing_fitted(context, heat, idling, volume, min(likely(limit), bench_run.OPEN_BOILING))
    outlet, inlet = float(options.get("outlet", LUKEWARM)), float(options.get("supply_temperature", bench_run.TAP))
    fed = bench_run.hose_fed(heat, inlet, outlet, float(options.get("supply", bench_run.TAP_PRESSURE)))
    filled = [r for r in reasons if r.id != "dry"]
    return {
        "rpm": speed,
        "heat": likely(heat),
        "reasons": [{"id": r.id, "name": r.name, "seconds": r.seconds} for r in reasons],
        "dry": next(r.seconds for r in reasons if r.id == "dry"),
        "filled": min(r.seconds for r in filled),
        "filled_by": min(filled, key=lambda r: r.seconds).id,
        "hose": {"flow": fed.flow, "hole": fed.hole, "clogs": fed.clogs, "outlet": fed.outlet, "supply": inlet},
    }
