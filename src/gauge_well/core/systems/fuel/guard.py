"""The lean guard, cut-offs, the float bowl, bleeding and stopping: what protects, and in what order."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.flow.pipe import bore_area, orifice_flow
from gauge_well.core.systems.fuel.change import line_volume, mixing_volume
from gauge_well.core.systems.fuel.circuit import Circuit
from gauge_well.core.systems.fuel.facts_supply import CARBURETTORS, INJECTION_PUMPS
from gauge_well.core.systems.fuel.injectors import across, set_rail
from gauge_well.core.systems.fuel.network import Network
from gauge_well.core.typing import Array, Value, as_array

HAND_STROKE = 6e-6  # m3 a stroke of a hand primer (common practice)
CUTS = {"cut_stopped": "with the engine", "cut_oil": "on lost oil pressure", "cut_impact": "on impact"}


def cut_pressure(circuit: Circuit, peak: Operation) -> Array:
    """Rail pressure [Pa over the air] at which the mixture is as much leaner as is allowed.

    Injectors give with the root of the pressure across them, the air stays: lambda goes up as
    ``sqrt(dp_set / dp)``, so ``dp = dp_set / (1 + limit)^2``.
    """
    held = set_rail(circuit, peak)
    dp = np.maximum(across(circuit, peak, held), 0.0)
    return np.asarray(held - dp + dp / (1.0 + circuit.fact("lean_limit")) ** 2)


def leaner(circuit: Circuit, peak: Operation, rail: Value) -> Array:
    """How much leaner the mixture is [share] on ``rail`` [Pa] than on the regulator's setting, same pulses; 9.99 where
    nothing gets in."""
    held, there = (np.maximum(across(circuit, peak, p), 0.0) for p in (set_rail(circuit, peak), rail))
    return np.where(there > 0.0, np.sqrt(held / np.maximum(there, 1e-9)) - 1.0, 9.99)


def seat_flow(circuit: Circuit, pressure: Value) -> Array:
    """What a float valve's seat passes [m3/s] with ``pressure`` [Pa] ahead of it."""
    return orifice_flow(
        np.maximum(as_array(pressure), 0.0), bore_area(circuit.fact("needle_bore")), circuit.fuel.density
    )


def shut_pressure(network: Network) -> Array:
    """Pressure [Pa] on a shut float valve: what the regulator holds; without one, where the pump moves nothing."""
    c = network.circuit
    return c.rail_gauge if c.regulated else network.main.end[0]


def float_most(circuit: Circuit) -> float:
    """Pressure [Pa] the float still shuts its valve against."""
    return CARBURETTORS[circuit.facts.carburettor].most


def prime_time(network: Network) -> Array | None:
    """Time [s] to fill empty lines and filter with the engine still; None where nothing pumps then."""
    c = network.circuit
    if not c.pumped or c.facts.main.drive == "engine":
        return None
    first = network.lift or network.main
    return np.asarray((line_volume(c) + mixing_volume(c)) / np.maximum(first.flow[-1], 1e-9))


def prime_strokes(circuit: Circuit) -> float:
    """Strokes of a hand primer to fill lines and filter."""
    return float(np.ravel((line_volume(circuit) + mixing_volume(circuit)) / HAND_STROKE)[0])


def bleed_order(circuit: Circuit) -> Sequence[str]:
    """Where air is let out, from the tank forward; nothing for petrol, which clears itself."""
    facts = circuit.facts
    if facts.injection not in ("mechanical", "common_rail"):
        return ()
    order = ["Tank full enough, its tap open."]
    if facts.water_bowl == "yes":
        order.append("Water bowl: drain what stands in it, then its bleed screw until no bubbles come.")
    order.append("Filter head: open its screw, prime until clear fuel runs, close it while it runs.")
    if facts.injection == "common_rail":
        order.append("Run the supply pump by key or tester, engine still; never open a high-pressure joint.")
        order.append("Crank in short bursts; let the starter cool.")
        return order
    pump = INJECTION_PUMPS[facts.injection_pump]
    if not pump.clears:
        order.append("Injection pump's gallery: its screw, the one nearest the filter first.")
    else:
        order.append("Injection pump: clears itself through its return; its vent screw shortens it.")
    order.append("Two injector unions loose by half a turn, crank until they spurt, tighten; keep hands off the jet.")
    return order


def not_cut(circuit: Circuit) -> list[str]:
    """What is said not to stop an electric pump."""
    if circuit.facts.main.drive != "electric":
        return []
    return [words for name, words in CUTS.items() if getattr(circuit.facts, name) == "no"]
