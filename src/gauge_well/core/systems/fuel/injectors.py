"""Injectors: flow at the pressure they get, dead time at the volts they get, share of the cycle, idle pulse."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.facts import need
from gauge_well.core.roots import polyline
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel.circuit import VACUUM, Circuit, asked_pressure, burned, demand
from gauge_well.core.systems.fuel.facts_supply import FIRINGS
from gauge_well.core.typing import Array, Value, as_array, likely

DEAD_VOLTS, DEAD_POWER = 13.5, 1.8  # dead time goes as (13.5 / V) to the 1.8 (common practice)
LOOM_DROP = 0.3  # V from battery to injectors (common practice)
DEAD_LEAST = 0.05e-3


@dataclass(frozen=True)
class Injectors:
    """Injectors of each duty: pressure across them [Pa], flow each [m3/s], share of the cycle with dead time, the
    dead time's part of it."""

    pressure: Array
    flow: Array
    share: Array
    dead_share: Array


def dead_time(circuit: Circuit, volts: Value | None = None) -> Array:
    """Dead time [s] at the injectors' volts: the table, or the figure at 13.5 V times ``(13.5 / V)**1.8``."""
    facts = circuit.facts
    v = as_array(volts) if volts is not None else circuit.fact("supply_voltage") - LOOM_DROP
    if facts.injectors.dead_table is not None:
        rows = sorted(facts.injectors.dead_table, key=lambda row: likely(row[0]))
        x, y = (np.stack([as_array(row[k]) for row in rows]) for k in (0, 1))
        return np.maximum(polyline(x, y, v), DEAD_LEAST)
    return np.asarray(circuit.fact("injectors.dead_time") * (DEAD_VOLTS / np.maximum(v, 4.0)) ** DEAD_POWER)


def openings(context: Context, circuit: Circuit) -> float:
    """How often one opens in a working cycle."""
    times = FIRINGS[circuit.facts.injector_firing].times
    if times > 0.0:
        return times
    cylinders = context.engine.facts.cylinders
    return max(likely(cylinders if cylinders is not None else 4.0) / likely(circuit.fact("injectors.count")), 1.0)


def sized_flow(circuit: Circuit) -> Array:
    """Flow at the rating pressure of one of each set together [m3/s]."""
    second = circuit.facts.staged.flow
    first = as_array(need(circuit.facts.injectors.flow, "fuel.injectors.flow"))
    return first if second is None else np.asarray(first + as_array(second))


def across(circuit: Circuit, peak: Operation, rail: Value) -> Array:
    """Pressure across the injectors [Pa]: rail less manifold."""
    return np.asarray(as_array(rail) - peak.manifold_gauge)


def set_rail(circuit: Circuit, peak: Operation) -> Array:
    """Rail pressure [Pa] with the regulator holding: its setting, less the line of a dead-headed rail."""
    rail = asked_pressure(circuit, peak)
    if circuit.facts.regulator.place == "dead_headed":
        taken = demand(peak, circuit)
        line = circuit.pipe(taken, "line", circuit.fact("line.loss"))
        return np.asarray(rail - line - circuit.weight(circuit.fact("end_height")))
    return rail


def injectors(context: Context, circuit: Circuit, peak: Operation, rail: Value | None = None) -> Injectors:
    """Share of the cycle the injectors must be open, dead time included.

    ``q = q_ref sqrt(dp / dp_ref)``, dp = rail less manifold; share = needed / q + dead N / 120 for each opening
    (sae_j1832; four-stroke). The check takes the rail as the regulator holds it, so that pump and injectors each
    answer for themselves; ``rail`` is for what the network really gives.
    """
    rated = circuit.fact("injectors.pressure")
    dp = across(circuit, peak, set_rail(circuit, peak) if rail is None else rail)
    flow = sized_flow(circuit) * np.sqrt(np.maximum(dp, 0.0) / rated)
    needed = burned(peak, circuit.fuel) / circuit.fact("injectors.count")
    cycles = peak.speed * context.engine.swept_rate_factor * openings(context, circuit)
    dead = dead_time(circuit) * cycles
    share = np.where(flow > 0.0, needed / np.maximum(flow, 1e-15), 99.0)
    return Injectors(dp, flow, share + dead, np.asarray(dead))


@dataclass(frozen=True)
class IdlePulse:
    """One opening at idle [s], dead time left out; the shortest that is steady; the largest injector that idles."""

    open: Array
    least: Array
    largest: Array


def idle_pulse(context: Context, circuit: Circuit) -> IdlePulse:
    """Opening at idle of the first set.

    A regulator on the manifold keeps the difference it is set to; on the outside air the vacuum adds to it.
    """
    idle = circuit.idle
    dp = circuit.rail_gauge if circuit.facts.regulator.reference == "manifold" else circuit.rail_gauge - VACUUM
    scale = np.sqrt(np.maximum(dp, 1e3) / circuit.fact("injectors.pressure"))
    cycles = idle.speed * context.engine.swept_rate_factor * openings(context, circuit)
    each = burned(idle, circuit.fuel) / circuit.fact("injectors.count") / cycles
    least = circuit.fact("injectors.least_pulse")
    size = as_array(need(circuit.facts.injectors.flow, "fuel.injectors.flow"))
    return IdlePulse(np.asarray(each / (size * scale)), least, np.asarray(each / (least * scale)))
