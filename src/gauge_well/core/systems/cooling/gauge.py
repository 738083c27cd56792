"""What the gauge shows: coolant temperature, the fans' time, and the weather a duty holds to."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.heat import radiator
from gauge_well.core.roots import find_root
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import FILM, AirSolved, Cooling
from gauge_well.core.typing import Array, as_array, clip

# K over the air at which a shown temperature is first looked for.
OVER_AIR = np.array([0.01, 30, 40, 46, 50, 54, 58, 62, 66, 70, 75, 80, 90, 110, 150, 240, 600.0])


@dataclass(frozen=True)
class Shown:
    """What the gauge would read."""

    steady: Array
    end: Array
    fan_share: Array
    thermostat_open: Array


def shed_at(cooling: Cooling, temperature: Array, airs: AirSolved) -> Array:
    """Heat shed [W] by core and heaters counted on, with coolant at ``temperature`` [K], less what the oil brings there over
    what it brings at the limit."""
    beside = cooling.heater * (temperature - cooling.ambient) + cooling.pull * (temperature - cooling.plant.limit)
    return np.asarray(core_shed_at(cooling, temperature, airs) + beside)


def core_shed_at(cooling: Cooling, temperature: Array, airs: AirSolved, lift: float | None = None) -> Array:
    """Heat shed [W] by the core with coolant at ``temperature`` [K] and the thermostat where it then stands.

    A thermostat that is stuck may be held at a ``lift``.
    """
    plant = cooling.plant
    flow = plant.loop.radiator_flow(plant.lift(temperature) if lift is None else as_array(lift))
    fluid = radiator.coolant_side(plant.core, flow, temperature - FILM, plant.glycol)
    return radiator.shed(plant.core, airs.side, fluid, temperature, airs.air_in, cooling.ageing).heat


@dataclass(frozen=True)
class Stage:
    """One stage of the fans: where the core sheds ``enough`` without it at its switch-on, where it is ``sharing`` its time,
    and the ``middle`` of its thresholds [K]."""

    enough: Array
    sharing: Array
    middle: Array


@dataclass(frozen=True)
class Switched:
    """What the thresholds do with the fans: stage by stage, and their share of full power's running."""

    stages: tuple[Stage, ...]
    fan_share: Array


def switched(cooling: Cooling, heat: Array) -> Switched:
    """How the fans share their time, from what is shed at their thresholds alone: no gauge temperature is sought."""
    plant, airs = cooling.plant, cooling.airs
    switches = thresholds(plant.facts, len(plant.fan.stages))
    # Both thresholds and their middle of every stage at once (axes: temperature, fan's state, ...).
    asked = [t for on, off in switches for t in (on, off, 0.5 * (on + off))]
    wide = np.broadcast_shapes(plant.limit.shape, *(t.shape for t in asked))
    steps = np.stack([np.broadcast_to(t, wide) for t in asked])[:, None]
    shed = shed_at(cooling, steps, airs)
    shape = np.broadcast_shapes(heat.shape, airs.side.mass_flow.shape, shed.shape[1:])
    at = np.broadcast_to(shed, (len(asked), *shape))
    fan, before = np.zeros(shape[1:]), 0.0
    found = []
    for stage, running in enumerate(plant.fan.stages):
        on, off, middle = range(3 * stage, 3 * stage + 3)
        enough, sharing = at[on, stage] >= heat, at[off, stage + 1] >= heat
        low, high = at[middle, stage], at[middle, stage + 1]
        share = clip((heat - low) / np.maximum(high - low, 1e-6), 0.0, 1.0)
        shared = np.where(sharing, before + share * (running - before), running)
        fan = np.where(enough, fan, shared)
        found.append(Stage(enough, sharing, asked[middle]))
        before = running
    return Switched(tuple(found), fan)


def shown(cooling: Cooling, heat: Array) -> Shown:
    """Coolant temperature where shed equals made, with the fan as its thresholds control it.

    Off where the core sheds enough at the switch-on temperature without it; sharing its time where
    it sheds enough at switch-off with it; else fully on, and so on from stage to stage. The root is bracketed between the air and
    air + 600 K and found by bracketing, never by substitution.
    """
    plant, airs = cooling.plant, cooling.airs
    shape = np.broadcast_shapes(heat.shape, airs.side.mass_flow.shape, airs.air_in.shape, plant.limit.shape)
    rungs = np.broadcast_to(airs.air_in, shape) + OVER_AIR.reshape((-1,) + (1,) * len(shape))
    # One pass over the ladder leaves each point a short bracket; shed rises with temperature.
    surplus = shed_at(cooling, rungs, airs) - heat
    ladder = np.broadcast_to(rungs, surplus.shape)
    over = surplus > 0.0
    step = np.where(over.any(axis=0), np.argmax(over, axis=0), len(OVER_AIR) - 1)[None]
    below = np.maximum(step - 1, 0)
    ends = [(np.take_along_axis(v, i, 0)[0]) for v in (ladder, surplus) for i in (below, step)]
    roots = find_root(
        lambda t: shed_at(cooling, t, airs) - heat, ends[0], ends[1], tolerance=1e-2, values=(ends[2], ends[3])
    )
    steady, control = roots[0], switched(cooling, heat)
    for stage, state in enumerate(control.stages):
        steady = np.where(state.enough, steady, np.where(state.sharing, state.middle, roots[stage + 1]))
    r = cooling.response
    linear = (
        r.weight_metal * cooling.start_metal
        + r.weight_coolant * cooling.start
        + r.weight_sink * cooling.sink
        + r.per_watt * heat
    )
    if np.any(cooling.starts_shut):
        linear = np.where(cooling.starts_shut, cooling.end_from_shut(heat), linear)
    # The thermostat and the fan hold the coolant up; the linear answer knows them full open.
    floor = np.minimum(cooling.start, steady)
    end = np.where(np.isfinite(r.per_watt), np.maximum(linear, floor), steady)
    ever = r.weight_coolant < 1e-9
    end = np.where(ever, steady, np.minimum(end, np.maximum(steady, cooling.start)))
    return Shown(steady, np.asarray(end), control.fan_share, plant.lift(steady))


def thresholds(facts: CoolingFacts, stages: int) -> list[tuple[Array, Array]]:
    """Temperatures [K] at which each stage of the fans comes on and goes off; all with one dead band."""
    on, off = (as_array(need(getattr(facts, n), f"cooling.{n}")) for n in ("fan_on", "fan_off"))
    band = on - off
    found = [(on, off)]
    if stages > 1:
        second = as_array(need(facts.fan_on_second, "cooling.fan_on_second"))
        found.append((second, second - band))
    if facts.fan_line_switch is None:
        return found
    # Two in line: it runs only while both let it.
    closes = as_array(facts.fan_line_switch)
    return [(np.maximum(a, closes), np.maximum(b, closes - band)) for a, b in found]


def air_to_boil(cooling: Cooling, heat: Array) -> Array:
    """Air outside at which a lasting duty just boils [K]: thermostat open, fans at full.

    ``T_boil - Q / U - (T_sink - T_air)``: the coolant stands as far over its air whatever the air is.
    """
    over = heat / cooling.conductance + (cooling.sink - cooling.ambient)
    return np.asarray(cooling.plant.boiling - over)


AMBIENT_LOW, AMBIENT_HIGH = 223.15, 363.15
SECANT_LEAST = 0.05  # K


@dataclass(frozen=True)
class Limiting:
    """Air outside in which a duty's heat is just carried, as it was sought: the model run again at ``guess`` [K], the
    heat left ``over`` there [W], and the ``rate`` at which that grows with the air [W/K]."""

    guess: Array
    over: Array
    rate: Array

    @cached_property
    def ambient(self) -> Array:
        """[K], held to -50..90 degC; at an end the true answer lies beyond."""
        return clip(self.guess - self.over / self.rate, AMBIENT_LOW, AMBIENT_HIGH)


def limiting_ambient(heat: Array, first: Cooling, again: Callable[[Array], Array]) -> Limiting:
    """Air temperature outside at which the duty's heat is just carried.

    The whole build is run ``again`` in the air of a first guess, drag and oil and all, and once more where the secant
    then points: within 0.5 K.

    Parameters
    ----------
    heat : array
        Made in the duty's own air [W].
    first : Cooling
        Solved there.
    again : callable
        Air outside [K] of each duty -> heat made over heat carried there [W].
    """
    t0, limit = first.ambient, first.plant.limit
    g0 = heat - first.capacity
    slope = np.maximum(first.at_limit.heat / np.maximum(limit - first.sink, 1.0), 1.0)
    t1 = clip(t0 - g0 / slope, AMBIENT_LOW, AMBIENT_HIGH)
    g1 = again(t1)
    # Capacity falls as the air warms, so the surplus rises with ambient; keep the step on that side.
    rate = np.maximum(_secant(t0, g0, t1, g1, slope), 0.02 * slope)
    t2 = clip(t1 - g1 / rate, AMBIENT_LOW, AMBIENT_HIGH)
    g2 = again(t2)
    return Limiting(t2, np.asarray(g2), np.maximum(_secant(t1, g1, t2, g2, rate), 0.02 * slope))


def _secant(t0: Array, g0: Array, t1: Array, g1: Array, otherwise: Array) -> Array:
    """Slope between two points; another where they are all but one, or a change of gear lies between them."""
    apart = np.abs(t1 - t0) > SECANT_LEAST
    slope = (g1 - g0) / np.where(apart, t1 - t0, 1.0)
    return np.asarray(np.where(apart & (slope > 0.3 * otherwise) & (slope < 3.0 * otherwise), slope, otherwise))
