"""Two nodes, engine metal over coolant: how long a duty may last."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

SUBSTITUTIONS = 6


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


@dataclass(frozen=True)
class Shut:
    """What a duty that starts under its thermostat has to warm first: start of metal and coolant, and where it opens [K]."""

    metal: Array
    coolant: Array
    opens: Array


def end_from_shut(
    heat: Value,
    time: Value,
    capacity_metal: Value,
    capacity_coolant: Value,
    conductance_metal: Value,
    conductance_sink: Value,
    sink: Value,
    shut: Shut,
) -> Array:
    """Coolant at the end of a time where nothing is shed until the thermostat opens [K]; rises with the heat.

    Shut, the two nodes share all heat: ``Tm - Tc = Q tau / Cm (1 - e^(-t/tau)) + d0 e^(-t/tau)`` with
    ``tau = Cm Cc / (G (Cm + Cc))``, and their mean rises by ``Q t / (Cm + Cc)``; both exact. The time of opening is
    found by substitution, which settles at once where it is long beside tau. What is left of the time follows
    :func:`respond`, held up to the opening.
    """
    cm, cc, g, q = (as_array(v) for v in (capacity_metal, capacity_coolant, conductance_metal, heat))
    both = cm + cc
    tau = cm * cc / (g * both)
    begin = cm * shut.metal + cc * shut.coolant
    last = np.minimum(as_array(time), 1e9)

    def stands(t: Array) -> Array:
        fading = np.exp(-t / tau)
        return np.asarray(q * tau / cm * (1.0 - fading) + (shut.metal - shut.coolant) * fading)

    def warmed(t: Array) -> Array:
        return np.asarray((begin + q * t - cm * stands(t)) / both)

    opening = np.minimum(np.maximum(both * shut.opens - begin, 0.0) / np.maximum(q, 1e-6), last)
    for _ in range(SUBSTITUTIONS):
        wanted = (both * shut.opens - begin + cm * stands(opening)) / np.maximum(q, 1e-6)
        opening = np.minimum(np.maximum(wanted, 0.0), last)
    coolant = np.minimum(warmed(opening), shut.opens)
    r = respond(last - opening, cm, cc, g, conductance_sink)
    after = (
        r.weight_metal * (coolant + stands(opening))
        + r.weight_coolant * coolant
        + r.weight_sink * sink
        + r.per_watt * q
    )
    # Where the core then sheds more than is made, the thermostat holds the coolant at its opening.
    return np.asarray(np.where(opening >= last, warmed(last), np.maximum(after, coolant)))
