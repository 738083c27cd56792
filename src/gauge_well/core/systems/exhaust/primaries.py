"""Primaries and collector: bore by the gas's speed and by an old rule, length by the pulse's way."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.engine.model import Engine
from gauge_well.core.typing import Array, Value, as_array, likely

SOUND_EXHAUST = float(np.sqrt(1.34 * 287.0 * 900.0))  # m/s in primaries at 900 K
OVERLAP = 120.0  # degrees of crank from pulse to overlap
SPEED = 95.0  # m/s, mean over the exhaust stroke: 90 to 110 (common practice)
RULE, RULE_SPEED = 88200.0, 0.75  # square inches of a cubic inch at a share of rated speed (common practice)
COLLECTOR = 2.0  # primary areas, of four into one (common practice)
INCH = 0.0254


def primary_length(speed: Value) -> Array:
    """Length of a primary tuned to ``speed`` [rev/min]: ``a dtheta / (12 N)``, +-20 % (common practice)."""
    return np.asarray(SOUND_EXHAUST * OVERLAP / (12.0 * as_array(speed)))


def primary_bore(swept: Value, speed: Value, gas: Value = SPEED) -> Array:
    """Bore [m] of a primary whose gas runs at ``gas`` [m/s] over the exhaust stroke: ``A = 2 V N/60 / v`` (common practice).

    Parameters
    ----------
    swept : float or array
        Of one cylinder [m3].
    speed : float or array
        [rev/min].
    """
    return np.asarray(np.sqrt(4.0 * 2.0 * as_array(swept) * as_array(speed) / 60.0 / as_array(gas) / np.pi))


def primary_bore_by_rule(swept: Value, speed: Value) -> Array:
    """The old rule's bore [m]: ``A[in2] = V[in3] N / 88200`` at three quarters of rated speed (common practice)."""
    area = as_array(swept) / INCH**3 * RULE_SPEED * as_array(speed) / RULE * INCH**2
    return np.asarray(np.sqrt(4.0 * area / np.pi))


def gas_speed(swept: Value, speed: Value, bore: Value) -> Array:
    """Mean speed [m/s] over the exhaust stroke of a bore [m]."""
    return np.asarray(2.0 * as_array(swept) * as_array(speed) / 60.0 / (np.pi / 4.0 * as_array(bore) ** 2))


@dataclass(frozen=True)
class Primaries:
    """Of one cylinder at rated speed: bores inside by speed and by rule, length, collector's bore [m]."""

    bore: float
    by_rule: float
    length: float
    collector: float


def primaries(engine: Engine) -> Primaries:
    """What an engine without boost asks."""
    swept = likely(engine.displacement) / max(likely(engine.facts.cylinders or 4.0), 1.0)
    speed = likely(engine.rated_speed)
    bore = likely(primary_bore(swept, speed))
    return Primaries(
        bore,
        likely(primary_bore_by_rule(swept, speed)),
        likely(primary_length(speed)),
        float(np.sqrt(COLLECTOR) * bore),
    )
