"""Cranking cold: the engine's drag against battery, leads and starter."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.electrical import battery, starter, wires
from gauge_well.core.media import oils
from gauge_well.core.reads import OIL_40, OIL_100
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import charging
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, Value, as_array, likely

PETROL_CMEP, DIESEL_CMEP = 1.5e5, 2.1e5  # Pa turned over with oil of 260 mm2/s (common practice)
POSTS = 9.6  # V at the posts of a sound battery, warm, as it cranks (common practice)
SAGS_TO = 9.0  # V of a 12 V battery that is cranked by, under which it is too small (common practice)
AT_PIN = 0.3  # V between the battery's posts and a computer's pin while cranking (common practice)
PLAIN = oils.Oil("plain", "10W-30", 70e-6, 10.7e-6)  # where nobody says what is in it (common practice)


@dataclass(frozen=True)
class Cold:
    """Cranked at a temperature [K]: drag [N m], resistances [ohm], what comes of it."""

    temperature: Value
    torque: Array
    battery: Array
    leads: Array
    own: Array
    turned: starter.Cranked


def oil_of(context: Context) -> oils.Oil:
    """The oil in it, as its station tells."""
    thick, thin = context.told(OIL_40), context.told(OIL_100)
    return PLAIN if thick is None or thin is None else oils.Oil("told", "its oil", thick, thin)


def torque(context: Context, temperature: Value) -> Array:
    """Drag of the cold engine at the crank [N m]."""
    oil = oil_of(context)
    thick = oils.viscosity_walther(oil, np.maximum(as_array(temperature), oils.TEMPERATURE_RANGE.low)) * 1e6
    cmep = PETROL_CMEP if context.engine.fuel.spark else DIESEL_CMEP
    return starter.engine_torque(context.engine.displacement, cmep, np.ravel(thick))


def leads(facts: ElectricsFacts, temperature: Value) -> Array:
    """Lead to the starter and the way back, joints among it [ohm]."""
    assert facts.lead.length is not None and facts.lead.area is not None
    one = wires.per_metre(facts.lead.area, temperature) * facts.lead.length
    return np.asarray(one * (2.0 if facts.back == "cable" else 1.0) + facts.body)


def own_resistance(facts: ElectricsFacts) -> Array:
    """Of the starter [ohm]: stated, else by its power."""
    if facts.starter.resistance is not None:
        return as_array(facts.starter.resistance)
    return starter.resistance(facts.starter.power, charging.nominal(facts))


def cold(
    context: Context, facts: ElectricsFacts, temperature: Value, count: float = 1.0, lead: float = 1.0
) -> Cold | None:
    """Cranked at a temperature; None where the battery's amps are not stated. ``count`` times the batteries, ``lead`` times the
    copper of its leads."""
    own = charging.resistance(facts, temperature)
    if own is None:
        return None
    drag, wire, motor = torque(context, temperature), leads(facts, temperature), own_resistance(facts)
    copper = wire - facts.body
    wire = np.asarray(copper / lead + facts.body)
    volts = battery.OPEN * charging.nominal(facts) / 12.0
    found = starter.cranks(drag, facts.starter.ratio, motor, own / count, wire, volts, charging.nominal(facts))
    return Cold(temperature, drag, np.asarray(own / count), wire, motor, found)


def battery_for(context: Context, facts: ElectricsFacts) -> float | None:
    """Cranking amps by EN that turn it just fast enough at the coldest, and keep 9 V at the posts; None where no battery does through
    those leads."""
    drag, wire, motor = (
        likely(v) for v in (torque(context, facts.coldest), leads(facts, facts.coldest), own_resistance(facts))
    )
    by = charging.nominal(facts) / 12.0
    k, ratio = starter.K * by, likely(facts.starter.ratio)
    amps = (drag / (ratio * starter.MESH) + starter.DRAG) / k
    turns = likely(facts.needs_speed) * ratio * np.pi / 30.0
    volts = battery.OPEN * by
    left = min((volts - k * turns) / amps - wire - motor, (volts - SAGS_TO * by) / amps)
    if left <= 0.0:
        return None
    warmer = battery.COOLER ** ((likely(facts.coldest) - battery.COLD) / (battery.WARM - battery.COLD))
    return float(battery.FALLS * by * warmer / left)
