"""From dry to pressure: how much is to be filled, in how many turns and seconds, by which way."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.flow.pipe import bore_area, pressure_drop
from gauge_well.core.media import oils
from gauge_well.core.roots import find_root
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import feeding
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import Array, Value, as_array, likely, likely_or_none

SUCKS_DRY, FILLS = 0.5, 0.85  # of what a pump moves wet: air on its suction side, galleries before it (common practice)
CRANKS = {"plugs_in": 220.0, "plugs_out": 300.0}  # rev/min (common practice)
DRY_FILTER, DRY_PER_LITRE = 0.35e-3, 0.25  # m3 in a filter; of the engine's size in its galleries (common practice)
TRY, REST, TRIES = 15.0, 60.0, 3  # s of cranking, s of rest for the starter, and then it is stopped (common practice)
POT, POT_BORE, POT_LENGTH, POT_LOSS = 250e3, 6e-3, 2.0, 2.0  # Pa gauge; m of its hose; K (common practice)


@dataclass(frozen=True)
class Priming:
    """To fill [m3] before and behind the pump; speed [rev/min], seconds and turns of the crank to pressure, tries of 15 s;
    what the gauge shows cranking, cold [Pa gauge], None without a reading."""

    suction: float
    dry: float
    speed: float
    seconds: float
    turns: float
    tries: int
    gauge: float | None


def dry_volume(context: Context, facts: OilFacts) -> float:
    """Filter and galleries [m3]."""
    if facts.dry_volume is not None:
        return likely(facts.dry_volume)
    return DRY_FILTER + DRY_PER_LITRE * likely(context.engine.displacement)


def primed(context: Context, facts: OilFacts, air: float) -> Priming:
    """Worked at the likely values, with oil as cold as ``air`` [K].

    ``t = V_suction / (0.5 q) + V_dry / (0.85 q)``, q what the pump moves at cranking speed.
    """
    way = facts.priming if facts.priming in CRANKS else "plugs_out"
    speed = CRANKS[way] if facts.crank_speed is None else likely(facts.crank_speed)
    moves = likely(feeding.pump_flow(facts, speed))
    bore = bore_area(likely(facts.pickup.bore))
    suction, dry = float(bore * likely(facts.pickup.length)), dry_volume(context, facts)
    seconds = suction / (SUCKS_DRY * moves) + dry / (FILLS * moves)
    gauge = feeding.gauge_pressure(facts, feeding.leak_of(context, facts), speed, air)
    return Priming(
        suction=suction,
        dry=dry,
        speed=speed,
        seconds=seconds,
        turns=seconds * speed / 60.0,
        tries=int(np.ceil(seconds / TRY)),
        gauge=likely_or_none(gauge),
    )


def pot_flow(facts: OilFacts, air: float) -> float:
    """Oil from a pressure pot through its hose [m3/s], as cold as ``air`` [K]; Darcy-Weisbach."""
    thick, rho = likely(oils.viscosity_walther(feeding.oil_of(facts), air)), float(oils.density(air))

    def short(flow: Value) -> Array:
        return np.asarray(pressure_drop(flow, POT_BORE, POT_LENGTH, rho, thick, POT_LOSS) - POT)

    return float(find_root(short, as_array(1e-9), as_array(5e-3), tolerance=1e-9))
