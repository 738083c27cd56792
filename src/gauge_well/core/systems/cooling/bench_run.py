"""An engine run on its stand: with nothing fitted, or fed from a hose."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation, operate
from gauge_well.core.errors import CoreError
from gauge_well.core.flow.pipe import orifice_flow
from gauge_well.core.media import coolant
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.model import METAL_SHARE
from gauge_well.core.typing import Array, Value, as_array, likely

NO_LOAD = 0.02  # of full load: what an engine turning free gives its own pumps and alternator
HOT_METAL, HOT_SHARE, HOT_RISE = 0.15, 0.6, 75.0  # of the mass round the chambers, of the heat there, K
DRY_SECONDS, FILLED_SECONDS = 30.0, 180.0  # idling; common practice: 20 to 30 s dry
CLOGS = 0.002  # m: a smaller hole is stopped by the first flake of rust
IN_ENGINE = 0.5  # of the coolant stands in the engine
TAP, TAP_PRESSURE = 288.15, 200e3  # water main: K, Pa over the air outside (common practice)
COLD, OPEN_BOILING = 293.15, 371.15  # K; 2 K under water's own boiling


@dataclass(frozen=True)
class Reason:
    """One thing that ends a run, and after how long [s]."""

    id: str
    name: str
    seconds: float


def turning(context: Context, speed: Value) -> Operation:
    """The engine turning free at a speed [rev/min]."""
    power = NO_LOAD * context.engine.full_load_power(speed, context.wanted)
    return operate(context.engine, context.wanted, power, speed, COLD, 101325.0)


def nothing_fitted(context: Context, heat: Value, idling: Value, volume: Value, limit: float) -> list[Reason]:
    """How long an engine may run on its stand with no radiator, dry and filled; the least of the reasons counts.

    Parameters
    ----------
    context : Context
    heat : float or array
        To the coolant's walls [W].
    idling : float or array
        The same turning at idle [W], for what practice says of idling.
    volume : float or array
        Water that stands in the engine where it is filled [m3].
    limit : float
        Hottest coolant allowed [K].

    Notes
    -----
    The lump: metal and what water stands in it from 20 degC to the limit, ``(Cm + Cw) dT / Q``. Round the chambers the
    metal heats first: ``0.15 m c 75 K / (0.6 Q)`` to local boiling (common practice for the shares).
    """
    capacity = context.engine.body_capacity
    q = as_array(heat)
    water = coolant.properties(COLD + 40.0, 0.0)
    filled = METAL_SHARE * capacity + as_array(volume) * water.density * water.heat_capacity
    times: list[tuple[str, str, Array | float]] = [
        ("dry", "dry: bores and rings run without coolant behind them", DRY_SECONDS),
        ("chambers", "water boils round the chambers", HOT_METAL * capacity * HOT_RISE / (HOT_SHARE * q)),
        ("lump", "metal and water reach the limit", filled * (limit - COLD) / q),
        ("filled", "filled, but nothing moves the water", FILLED_SECONDS * np.minimum(as_array(idling) / q, 1.0)),
    ]
    return [Reason(id, name, likely(t)) for id, name, t in times]


@dataclass(frozen=True)
class HoseFed:
    """Total-loss water: flow [m3/s], the hole that lets it through [m], temperature of what leaves [K].

    The hole belongs in the inlet, with the outlet free: in the outlet the whole jacket stands at the main's pressure,
    twice what a cap holds. ``clogs``: too small to stay open.
    """

    flow: float
    hole: float
    outlet: float

    @property
    def clogs(self) -> bool:
        """Whether the first flake of rust stops it."""
        return self.hole < CLOGS


def hose_fed(heat: Value, inlet: float, outlet: float, pressure: float) -> HoseFed:
    """Water that keeps the outlet at a temperature, and the drilled hole that lets it through from the supply.

    ``m = Q / (cp dT)``; ``A = V / (Cd sqrt(2 dp / rho))`` with Cd 0.62 (crane410).

    Parameters
    ----------
    heat : float or array
        [W].
    inlet, outlet : float
        [K].
    pressure : float
        Of the supply over the air outside [Pa].

    Raises
    ------
    CoreError
        Where the outlet is not warmer than the supply, or there is no pressure.
    """
    if outlet <= inlet:
        raise CoreError(
            "outlet_cold", "outlet", outlet, "warmer than the supply", "The outlet must be warmer than the supply."
        )
    if pressure <= 0.0:
        raise CoreError("no_pressure", "supply", pressure, "above 0", "The supply has no pressure.")
    water = coolant.properties(0.5 * (inlet + outlet), 0.0)
    rho, cp = likely(water.density), likely(water.heat_capacity)
    flow = likely(as_array(heat)) / (rho * cp * (outlet - inlet))
    area = flow / likely(orifice_flow(pressure, 1.0, rho))
    return HoseFed(flow, float(np.sqrt(4.0 * area / np.pi)), outlet)
