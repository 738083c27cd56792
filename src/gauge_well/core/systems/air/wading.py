"""Water: how high it stands on the move, what it must not reach, how little of it locks an engine."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Engine
from gauge_well.core.facts import need
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.typing import Array, Value, as_array, likely

INLET_SPARE, PLUG_SPARE = 0.150, 0.050  # m over the bow wave (common practice)
LOCKS = 0.6  # of a cylinder's clearance volume, from which a rod bends (common practice)
RATIOS = {True: 10.0, False: 18.0}  # compression, petrol and diesel, where nobody says (common practice)


def bow_wave(speed: Value) -> Array:
    """How far still water stands up before what is driven into it [m]: ``v^2/2g`` (Bernoulli)."""
    return np.asarray(as_array(speed) ** 2 / (2.0 * GRAVITY))


@dataclass(frozen=True)
class Wades:
    """Water at the front [m]: still and with its wave; what is left of it to each thing that must stay dry [m], None where
    its height is not stated."""

    still: Value
    wave: Array
    stands: Array
    inlet: Array | None
    computer: Array | None
    vents: Array | None


def wades(facts: AirFacts) -> Wades | None:
    """None where it need not wade."""
    if facts.wading is None:
        return None
    wave = bow_wave(need(facts.wading_speed, "air.wading_speed"))
    stands = np.asarray(as_array(facts.wading) + wave)

    def left(height: Value | None) -> Array | None:
        return None if height is None else np.asarray(as_array(height) - stands)

    return Wades(
        facts.wading, wave, stands, left(facts.inlet_height), left(facts.computer_height), left(facts.vents_height)
    )


def deepest(facts: AirFacts) -> Array | None:
    """Still water [m] the inlet lets it wade at that speed; None where the inlet's height is not stated."""
    if facts.inlet_height is None:
        return None
    speed = 5.0 / 3.6 if facts.wading_speed is None else facts.wading_speed
    return np.asarray(as_array(facts.inlet_height) - bow_wave(speed) - INLET_SPARE)


def locks_at(engine: Engine, facts: AirFacts) -> float:
    """Water in one cylinder [m3] from which it locks: six tenths of its clearance ``V/(cr - 1)``."""
    swept = likely(engine.displacement) / max(likely(engine.facts.cylinders or 4.0), 1.0)
    ratio = RATIOS[engine.fuel.spark] if facts.compression is None else likely(facts.compression)
    return LOCKS * swept / (ratio - 1.0)
