"""Water at the machine's front: still, with its wave, against what must stay dry."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.systems.air import wading
from gauge_well.core.systems.air.facts import AirFacts
from gauge_well.core.systems.base import Context, Options, duty_asked, option
from gauge_well.core.typing import likely, likely_or_none

USUAL_DEPTH, USUAL_SPEED = 0.5, 5.0 / 3.6


@dataclass(frozen=True)
class Dry:
    """Something that must stay dry: its height [m], what is kept over the water [m]; None where its height is not stated."""

    id: str
    name: str
    height: float | None
    spare: float


@dataclass(frozen=True)
class WaterView:
    """Still water and its wave [m] at a speed [m/s], as asked or dragged to; the deepest still water by speed [m/s] the inlet
    allows [m]; water that locks a cylinder [m3]."""

    depth: float
    speed: float
    asked: bool
    wave: float
    dry: Sequence[Dry]
    speeds: Sequence[float]
    deepest: Sequence[float] | None
    locks: float
    ratio_stated: bool


def show(context: Context, facts: AirFacts, options: Options) -> WaterView:
    """Water as asked, or dragged to."""
    duty_asked(context, options)
    depth = USUAL_DEPTH if facts.wading is None else likely(facts.wading)
    speed = USUAL_SPEED if facts.wading_speed is None else likely(facts.wading_speed)
    depth = option(options, "depth", depth, 0.0, 3.0, "m")
    speed = option(options, "speed", speed, 0.0, 10.0, "m/s")
    speeds = np.linspace(0.0, 15.0 / 3.6, 31)
    rows = (
        ("inlet", "Inlet", facts.inlet_height, wading.INLET_SPARE),
        ("computer", "Engine computer", facts.computer_height, wading.PLUG_SPARE),
        ("vents", "Axle vents", facts.vents_height, wading.PLUG_SPARE),
    )
    deepest = None
    if facts.inlet_height is not None:
        deepest = np.maximum(likely(facts.inlet_height) - wading.bow_wave(speeds) - wading.INLET_SPARE, 0.0).tolist()
    return WaterView(
        depth=depth,
        speed=speed,
        asked=facts.wading is not None,
        wave=float(wading.bow_wave(speed)),
        dry=[Dry(id, name, likely_or_none(h), spare) for id, name, h, spare in rows],
        speeds=speeds.tolist(),
        deepest=deepest,
        locks=wading.locks_at(context.engine, facts),
        ratio_stated=facts.compression is not None,
    )
