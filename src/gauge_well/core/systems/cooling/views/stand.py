"""The engine on its stand: how long with nothing fitted, and what a hose must bring."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.base import Context, Options, option
from gauge_well.core.systems.cooling import bench_run
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import boiling_and_limit
from gauge_well.core.typing import likely

LUKEWARM = 333.15  # K a hand can bear for a moment


@dataclass(frozen=True)
class StandReason:
    """Why it must be stopped, and after how long [s]."""

    id: str
    name: str
    seconds: float


@dataclass(frozen=True)
class Hose:
    """Water that keeps the outlet at a temperature: flow [m3/s], hole in the inlet [m], temperatures [K]."""

    flow: float
    hole: float
    clogs: bool
    outlet: float
    supply: float


@dataclass(frozen=True)
class StandView:
    """The engine turning free: heat [W], how long it may run dry and filled [s], and by what that is."""

    rpm: float
    heat: float
    reasons: Sequence[StandReason]
    dry: float
    filled: float
    filled_by: str
    hose: Hose


def show(context: Context, facts: CoolingFacts, options: Options) -> StandView:
    """The engine turning free on its stand: how long with nothing fitted, and what a hose must bring.

    Options
    -------
    rpm : speed; idle otherwise.
    outlet : temperature wanted of the water that leaves [K].
    supply, supply_temperature : of the water that comes [Pa over the air outside], [K].
    """
    idle = likely(context.engine.facts.idle_speed)
    limit_speed = likely(context.engine.facts.limit_speed)
    speed = option(options, "rpm", idle, 0.5 * idle, limit_speed, "rev/min")
    heat = bench_run.turning(context, speed).heat_to_coolant
    _, _, limit = boiling_and_limit(context, facts, np.asarray(101325.0))
    volume = bench_run.IN_ENGINE * likely(facts.coolant_volume)
    # Nothing fitted is open to the air: water boils at 100 degC there.
    idling = bench_run.turning(context, idle).heat_to_coolant
    reasons = bench_run.nothing_fitted(context, heat, idling, volume, min(likely(limit), bench_run.OPEN_BOILING))
    outlet, inlet = float(options.get("outlet", LUKEWARM)), float(options.get("supply_temperature", bench_run.TAP))
    fed = bench_run.hose_fed(heat, inlet, outlet, float(options.get("supply", bench_run.TAP_PRESSURE)))
    filled = [r for r in reasons if r.id != "dry"]
    return StandView(
        rpm=speed,
        heat=likely(heat),
        reasons=[StandReason(id=r.id, name=r.name, seconds=r.seconds) for r in reasons],
        dry=next(r.seconds for r in reasons if r.id == "dry"),
        filled=min(r.seconds for r in filled),
        filled_by=min(filled, key=lambda r: r.seconds).id,
        hose=Hose(flow=fed.flow, hole=fed.hole, clogs=fed.clogs, outlet=fed.outlet, supply=inlet),
    )
