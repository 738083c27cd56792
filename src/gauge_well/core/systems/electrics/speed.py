"""The speed signal: what the speedometer shows of it, in the band it may show in."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.electrical import pulses
from gauge_well.core.parts.pulses import PulsesFacts
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, as_array, likely


@dataclass(frozen=True)
class Speed:
    """Pulses a kilometre there and wanted, the converter, and shown over true."""

    there: Array
    wants: Array
    ratio: Array

    @property
    def shown(self) -> Array:
        """Speed shown over the true one."""
        return np.asarray(self.there * self.ratio / self.wants)


def of(facts: ElectricsFacts) -> Speed | None:
    """What is known of it; None where something is missing."""
    own: PulsesFacts = facts.speed
    there = there_km(facts)
    if there is None or own.wants is None:
        return None
    return Speed(there, as_array(own.wants), np.asarray(as_array(own.times) / own.by))


def there_km(facts: ElectricsFacts) -> Array | None:
    """Pulses a kilometre as they come; None where teeth, gearing or tyre are not known."""
    own = facts.speed
    if own.teeth is None or own.radius is None or own.final is None:
        return None
    return np.asarray(1000.0 * pulses.per_metre(own.teeth, own.final, own.radius))


def dividers(facts: ElectricsFacts) -> list[pulses.Ratio]:
    """Converters for it, each closer, aimed a little over the true speed; nothing where it is not known."""
    there, wants = there_km(facts), facts.speed.wants
    if there is None or wants is None:
        return []
    return pulses.dividers((1.0 + pulses.AIM) * likely(wants) / likely(there))


def serving(facts: ElectricsFacts) -> pulses.Ratio | None:
    """The plainest that stays in the band at every speed tried; None where none does."""
    for ratio in dividers(facts):
        shown = (1.0 + pulses.AIM) * (1.0 + ratio.error)
        if shown >= 1.0 and np.all(shown * pulses.TRIED <= pulses.allowed(pulses.TRIED)):
            return ratio
    return None
