"""Metal, coolant and oil through a drive, a second at a time: linearly implicit, the fan by its thresholds, the wax with its lag."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from scipy.ndimage import map_coordinates

from gauge_well.core.typing import Array

WAX_LAGS = 12.0  # s by which a thermostat's wax follows its coolant, 10 to 15 (common practice)
STEP = 1.0  # s


@dataclass(frozen=True)
class Body:
    """Heat capacities of metal, coolant and oil [J/K], conductances metal to coolant and oil to coolant [W/K]."""

    metal: float
    coolant: float
    between: float
    oil: float
    oil_to_coolant: float


@dataclass(frozen=True, eq=False)
class Tables:
    """What core or exchanger sheds for each kelvin over what comes to it [W/K], (row of the wax's temperature, fan's state,
    column), the rows even from ``low`` [K], the columns at ``across``: air speeds [m/s] ashore, engine speeds [rev/min] afloat;
    ``comes`` [K] (power, state, column) at powers at the crank (``powers`` [W]), for what stands in front warms the air; ``beside``: heaters counted on [W/K] over the air."""

    low: float
    step: float
    across: Array
    conductance: Array
    powers: Array
    comes: Array
    beside: float
    switches: tuple[tuple[float, float], ...]
    body: Body
    limit: float
    boiling: float
    thermostat: float


@dataclass(frozen=True, eq=False)
class Heats:
    """Each second: heat to coolant's walls and to oil [W], power at the crank [W], where among the tables' columns, the oil's way to
    the air [W/K]."""

    coolant: Array
    oil: Array
    power: Array
    across: Array
    oil_to_air: Array


@dataclass(frozen=True, eq=False)
class Marched:
    """Temperatures [K] and the fan's state each second."""

    metal: Array
    coolant: Array
    oil: Array
    fan: np.ndarray


def march(tables: Tables, body: Body, heats: Heats, start: tuple[float, float], ambient: float) -> Marched:
    """March from a start of coolant (metal with it) and oil [K].

    ``Cm dTm = Q - G (Tm - Tc)``, ``Cc dTc = G (Tm - Tc) - U (Tc - Ta) + k (To - Tc)``, ``Co dTo = Qo - k (To - Tc) - u (To - Ta)``
    (incropera2007, ch. 5, lumped nodes). Metal and coolant implicit together in closed form, U as the wax then stands; oil
    implicit after them. Plain floats: a trace of two hours is some 7,000 of them, and arrays of one number cost more than
    the sum. What passes boiling leaves as steam.
    """
    count = heats.coolant.size
    metal, coolant, oil = np.empty(count), np.empty(count), np.empty(count)
    fan = np.zeros(count, dtype=np.int64)
    tm = tc = wax = float(start[0])
    to = float(start[1])
    state = 0
    table = tables.conductance.tolist()
    place = np.interp(heats.across, tables.across, np.arange(tables.across.size))
    column = np.minimum(place.astype(int), tables.across.size - 2).tolist()
    share = (place - np.minimum(place.astype(int), tables.across.size - 2)).tolist()
    comes = _comes(tables, heats, place).tolist()
    made, made_oil, to_air = heats.coolant.tolist(), heats.oil.tolist(), heats.oil_to_air.tolist()
    rows = len(table) - 1
    a, b, g = body.metal / STEP, body.coolant / STEP, body.between
    k, c = body.oil_to_coolant, body.oil / STEP
    for at in range(count):
        metal[at], coolant[at], oil[at], fan[at] = tm, tc, to, state
        for stage, (on, off) in enumerate(tables.switches):
            if state == stage and tc >= on:
                state = stage + 1
            elif state == stage + 1 and tc <= off:
                state = stage
        row = min(max((wax - tables.low) / tables.step, 0.0), rows - 1e-9)
        i, j, s = int(row), column[at], share[at]
        own = state if state < len(comes) else len(comes) - 1
        low = table[i][own][j] + s * (table[i][own][j + 1] - table[i][own][j])
        high = table[i + 1][own][j] + s * (table[i + 1][own][j + 1] - table[i + 1][own][j])
        u = low + (row - i) * (high - low)
        air = comes[own][at]
        # Two by two: (a + g) Tm' - g Tc' = a Tm + Q; -g Tm' + (b + g + U + v + k) Tc' = b Tc + U Ta + v T0 + k To.
        right_m = a * tm + made[at]
        right_c = b * tc + u * air + tables.beside * ambient + k * to
        down = b + g + u + tables.beside + k
        det = (a + g) * down - g * g
        tm, tc = (down * right_m + g * right_c) / det, ((a + g) * right_c + g * right_m) / det
        tc = min(tc, tables.boiling)
        to = (c * to + made_oil[at] + k * tc + to_air[at] * ambient) / (c + k + to_air[at])
        wax += (tc - wax) * STEP / (WAX_LAGS + STEP)
    return Marched(metal, coolant, oil, fan)


def _comes(tables: Tables, heats: Heats, place: Array) -> Array:
    """What comes to the core each second [K] (state, second), between the tables' powers and columns."""
    power = np.interp(heats.power, tables.powers, np.arange(tables.powers.size))
    found = []
    for state in range(tables.comes.shape[1]):
        found.append(map_coordinates(tables.comes[:, state], [power, place], order=1, mode="nearest"))
    return np.stack(found)
