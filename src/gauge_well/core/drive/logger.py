"""A simulated logger: a build taken along a drive, sound or with a fault, as its gauges would log it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.drive.course import along
from gauge_well.core.drive.tables import Day
from gauge_well.core.drive.track import Track
from gauge_well.core.fitted.factors import applied, factors_of, measured
from gauge_well.core.typing import Array

GAUGES: Mapping[str, float] = {
    "coolant": 0.4,
    "oil_temperature": 0.6,
    "rpm": 12.0,
    "speed": 0.12,
    "height": 1.5,
    "volts": 0.05,
}
# Standard deviation of each second's noise [SI] (common practice).
CHARGING, RESTING = 14.0, 12.5  # V
SPIKES = 9  # a drive
JUMP = 45.0  # K


@dataclass(frozen=True)
class Fault:
    """What is wrong: factors on the model, or a gauge. ``only``: on what machine there is such a thing."""

    label: str
    factors: Mapping[str, float] = field(default_factory=dict)
    gauge: str = ""
    only: str = ""

    def concerns(self, case: BuildCase) -> bool:
        """Whether a build has the thing that is wrong."""
        return not self.factors or bool(set(self.factors) & {f.id for f in factors_of(case)})


FAULTS: Mapping[str, Fault] = {
    "": Fault("sound"),
    "blocked": Fault("the radiator half blocked", {"core": 0.6}),
    "around": Fault("air goes round the core", {"ram": 0.5}),
    "fan": Fault("the fan moves half of what it should", {"fan": 0.5}),
    "scaled": Fault("the exchanger scaled up", {"cooler": 0.55}),
    "pump": Fault("the coolant pump slips", {"flow": 0.6}),
    "gas": Fault("gas leaks into the coolant", {"heat": 1.3}),
    "dead": Fault("the oil sender is dead", gauge="dead"),
    "spikes": Fault("a loose plug on the coolant sender", gauge="spikes"),
}


@dataclass(frozen=True, eq=False)
class Played:
    """Each second's channels as logged [SI], not a number where the logger dropped it; what truly was wrong and by how much."""

    time: Array
    channels: Mapping[str, Array]
    truth: Mapping[str, float]


def played(case: BuildCase, track: Track, day: Day, fault: str = "", seed: int = 0) -> Played:
    """Log a build through a drive. Every engine is a little other than its model: its factors are drawn from their priors, the same
    ones for a seed whatever is wrong.

    MissingFact where the build is not known enough to be driven.
    """
    own_engine, rng = np.random.default_rng(seed), np.random.default_rng([seed, *fault.encode()])
    wrong = FAULTS[fault]
    plain = replace(case, measured=None)
    factors = factors_of(plain)
    modes = np.array(
        [0.5 * f.sd * own_engine.standard_normal() + np.log(wrong.factors.get(f.id, 1.0)) for f in factors]
    )
    own = applied(plain, measured(factors, modes, 1e-12 * np.eye(len(factors))))
    found = along(own, track, day)
    count = track.time.size
    charging = found.charge is None or bool(np.all(np.diff(found.charge) >= 0.0))
    channels = {
        "speed": track.speed,
        "height": track.height,
        "rpm": found.engine_speed,
        "coolant": found.marched.coolant,
        "oil_temperature": found.marched.oil,
        "volts": np.full(count, CHARGING if charging else RESTING),
    }
    logged = {id: values + GAUGES[id] * rng.standard_normal(count) for id, values in channels.items()}
    logged["speed"] = np.where(track.speed > 0.0, np.maximum(logged["speed"], 0.0), 0.0)
    if wrong.gauge == "dead":
        logged["oil_temperature"] = np.full(count, 233.15)
    if wrong.gauge == "spikes":
        logged["coolant"][rng.choice(count, SPIKES, replace=False)] += JUMP
    return Played(track.time, logged, {f.id: float(np.exp(m)) for f, m in zip(factors, modes, strict=True)})
