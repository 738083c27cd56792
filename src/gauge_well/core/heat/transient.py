"""Two nodes marched through time against a sink that is not linear: thermostat, fans, boiling."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from gauge_well.core.typing import Array, Value, as_array, clip

Index = NDArray[np.int64]


@dataclass(frozen=True)
class ShedTable:
    """Heat shed [W] over an even row of coolant temperatures for each state of the fans; straight between.

    ``values`` has axes (temperature, state, point).
    """

    low: float
    step: float
    values: Array

    def at(self, temperature: Array, state: Index) -> Array:
        """Heat shed by every point at its temperature [K] and state."""
        place = clip((temperature - self.low) / self.step, 0.0, self.values.shape[0] - 1.000001)
        index = place.astype(int)
        share = place - index
        point = np.arange(self.values.shape[2])
        low, high = self.values[index, state, point], self.values[index + 1, state, point]
        return np.asarray(low + share * (high - low))


@dataclass(frozen=True)
class Body:
    """Heat capacities [J/K] and the conductance between them [W/K], one number a point."""

    metal: Array
    coolant: Array
    between: Array


@dataclass(frozen=True)
class March:
    """Temperatures [K] and fan states by (time, point)."""

    time: Array
    metal: Array
    coolant: Array
    state: Index

    def first_over(self, limit: Value) -> Array:
        """Time [s] at which the coolant first passes a limit, straight between steps; inf where it does not."""
        over = self.coolant > as_array(limit)
        row = np.argmax(over, axis=0)
        point = np.arange(self.coolant.shape[1])
        before = np.maximum(row - 1, 0)
        t0, t1 = self.time[before], self.time[row]
        c0, c1 = self.coolant[before, point], self.coolant[row, point]
        with np.errstate(divide="ignore", invalid="ignore"):
            share = np.where(c1 > c0, clip((limit - c0) / (c1 - c0), 0.0, 1.0), 0.0)
        return np.where(over.any(axis=0), t0 + share * (t1 - t0), np.inf)


def march(
    table: ShedTable,
    body: Body,
    heat: Array,
    start: tuple[Array, Array],
    duration: float,
    step: float,
    switches: Sequence[tuple[Value, Value]] = (),
    fixed: Index | None = None,
    until: Array | None = None,
) -> March:
    """March metal and coolant by fourth-order Runge-Kutta steps.

    Parameters
    ----------
    table : ShedTable
    body : Body
    heat : array, (point,) or (step, point)
        Made [W]; in steps where it changes, the last going on.
    start : (metal, coolant), each (point,)
        [K].
    duration, step : float
        [s]; as many whole steps as cover the duration.
    switches : sequence of (on, off)
        Temperatures [K] at which each higher state is entered and left; looked at between steps.
    fixed : array of int, (point,)
        States held whatever the temperature; -1 where ``switches`` rule.
    until : array, (point,), optional
        Coolant [K] over which a point is done with; the march ends early when all are.

    Returns
    -------
    March

    Notes
    -----
    ``Cm dTm/dt = Q - G (Tm - Tc)``, ``Cc dTc/dt = G (Tm - Tc) - S(Tc)`` (incropera2007, ch. 5, lumped nodes). The
    step must be well under the shortest time constant, ``Cc / (G + dS/dT)``; 2 s serves engines.
    """
    count = max(int(np.ceil(duration / step - 1e-9)), 1)
    points = table.values.shape[2]
    metal, coolant = (np.array(np.broadcast_to(as_array(v), (points,))) for v in start)
    held = np.full(points, -1, dtype=np.int64) if fixed is None else fixed
    free = held < 0
    state = np.where(free, 0, held)
    rows = [(metal, coolant, state)]
    seen = np.zeros(points, dtype=bool)

    def slope(made: Array, tm: Array, tc: Array, s: Index) -> tuple[Array, Array]:
        through = body.between * (tm - tc)
        return (made - through) / body.metal, (through - table.at(tc, s)) / body.coolant

    for at_step in range(count):
        made = heat if heat.ndim == 1 else heat[min(at_step, len(heat) - 1)]
        for at, (on, off) in enumerate(switches):
            state = np.where(free & (state == at) & (coolant >= on), at + 1, state)
            state = np.where(free & (state == at + 1) & (coolant <= off), at, state)
        a = slope(made, metal, coolant, state)
        b = slope(made, metal + 0.5 * step * a[0], coolant + 0.5 * step * a[1], state)
        c = slope(made, metal + 0.5 * step * b[0], coolant + 0.5 * step * b[1], state)
        d = slope(made, metal + step * c[0], coolant + step * c[1], state)
        metal, coolant = (
            v + step / 6.0 * (a[k] + 2.0 * b[k] + 2.0 * c[k] + d[k]) for k, v in enumerate((metal, coolant))
        )
        rows.append((metal, coolant, state))
        if until is not None:
            seen |= coolant > until
            if seen.all():
                break
    return March(
        np.arange(len(rows), dtype=np.float64) * step,
        np.stack([r[0] for r in rows]),
        np.stack([r[1] for r in rows]),
        np.stack([r[2] for r in rows]),
    )
