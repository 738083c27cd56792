"""Two nodes, engine metal over coolant: how long a duty may last."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class TwoNode:
    """Response of the coolant node after a time, linear in heat, sink and start.

    ``T_c(t) = weight_metal T_m0 + weight_coolant T_c0 + weight_sink T_sink + per_watt Q``.
    """

    weight_metal: Array
    weight_coolant: Array
    weight_sink: Array
    per_watt: Array


def respond(
    time: Value,
    capacity_metal: Value,
    capacity_coolant: Value,
    conductance_metal: Value,
    conductance_sink: Value,
) -> TwoNode:
    """Exact response of two lumped nodes to constant heat by the 2 x 2 matrix exponential.

    Parameters
    ----------
    time : float or array
        [s]; infinity gives the steady state.
    capacity_metal, capacity_coolant : float or array
        [J/K].
    conductance_metal : float or array
        Metal to coolant [W/K].
    conductance_sink : float or array
        Coolant to air [W/K], above 0.

    Notes
    -----
    ``Cm dTm/dt = Q - G (Tm - Tc)``, ``Cc dTc/dt = G (Tm - Tc) - U (Tc - Ta)``
    (incropera2007, ch. 5, lumped capacitance). ``exp(At) = e^(st) (cosh qt + sinh(qt)/q (A - sI))``;
    both eigenvalues are real and negative.
    """
    cm, cc = as_array(capacity_metal), as_array(capacity_coolant)
    g, u = as_array(conductance_metal), np.maximum(as_array(conductance_sink), 1e-6)
    t = np.minimum(as_array(time), 1e9)
    a11, a12 = -g / cm, g / cm
    a21, a22 = g / cc, -(g + u) / cc
    s = 0.5 * (a11 + a22)
    q = np.sqrt(np.maximum(s * s - (a11 * a22 - a12 * a21), 1e-30))
    slow, fast = np.exp((s + q) * t), np.exp((s - q) * t)
    cosh, sinh = 0.5 * (slow + fast), 0.5 * (slow - fast) / q
    e21, e22 = sinh * a21, cosh + sinh * (a22 - s)
    # Steady state for Q: Tc = Ta + Q/U, Tm = Tc + Q/G; the rest decays from the start.
    rest = 1.0 - e21 - e22
    return TwoNode(e21, e22, rest, rest / u - e21 / g)
