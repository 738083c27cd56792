"""Filling and bleeding: how much of what, in which order, and what a gauge shows while air is in it."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.sentence import Sentence
from gauge_well.core.start.faults.cause import Foretold
from gauge_well.core.start.setting import Setting
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.heights import bleed_points, spots
from gauge_well.core.typing import likely_or_none


@dataclass(frozen=True)
class Pour:
    """One step of filling, with what it should come to."""

    id: str
    label: str
    do: Sentence


@dataclass(frozen=True)
class Airlock:
    """What a gauge reads, sound and with air in the loop [K]: idling, and in the heaviest duty (its name)."""

    idle: float
    idle_air: float
    duty: str
    loaded: float | None
    loaded_air: float | None


@dataclass(frozen=True)
class Filling:
    """Steps in order; what air shows, None where the loop is not known, naming what it lacks."""

    steps: Sequence[Pour]
    airlock: Airlock | None
    missing: tuple[str, ...]


def filling(case: BuildCase, where: Setting, foretold: Callable[[], Foretold]) -> Filling:
    """How this build's coolant is filled and bled; ``foretold``: its cooling with each fault, asked for what air shows."""
    facts = case.systems["cooling"]
    volume = likely_or_none(facts.coolant_volume)
    glycol = likely_or_none(facts.glycol) or 0.0
    cap = likely_or_none(facts.cap_pressure) or 0.0
    steps = [
        Pour(
            "drain", "Drain cocks shut, heater open", Sentence("Heater at hot, its tap open; every bleed screw open.")
        ),
    ]
    if volume is not None:
        values: dict[str, tuple[float, str] | str] = {
            "all": (volume, "volume"),
            "mix": (glycol * volume, "volume"),
            "water": ((1.0 - glycol) * volume, "volume"),
        }
        words = (
            "{all}: {mix} of coolant concentrate and {water} of clean water, mixed before."
            if glycol > 0
            else "{all} of water."
        )
        steps.append(Pour("mix", "Measure what goes in", Sentence(words, values)))
    steps += [
        Pour("nose", "Filler highest", Sentence("Nose up on ramps, or the filler lifted: the neck above everything else.")),
        Pour("slow", "Pour slowly", _bled(facts)),
        Pour("squeeze", "Squeeze the hoses", Sentence("Top and bottom in turn until no more bubbles come; top it up.")),
    ]  # fmt: skip
    if cap > 0.0:
        steps.append(
            Pour(
                "test",
                "Pressure test, cold",
                Sentence("{p} by a hand pump, ten minutes: it may fall by a twentieth. Look under the heater too.", {"p": (cap, "pressure_gauge")}),
            )
        )  # fmt: skip
    steps += [
        Pour(
            "warm",
            "Warm it through",
            Sentence(
                "Cap off only while the top hose is cold. As the thermostat opens the level falls: engine off, cooled, topped up; the heater blows hot."
            ),
        ),
        Pour(
            "again",
            "Cold again",
            Sentence("Level read and topped up next morning, and once more after the first drive."),
        ),
    ]
    if where.place == "machine" and volume is not None:
        steps.append(
            Pour(
                "less",
                "Count what went in",
                Sentence("Less than {v} is air still in it.", {"v": (0.95 * volume, "volume")}),
            )
        )
    try:
        return Filling(steps, _airlock(foretold()), ())
    except MissingFact as error:
        return Filling(steps, None, (error.field,))


def _bled(facts: CoolingFacts) -> Sentence:
    """From which places air is let out, the lowest first: humps of this run without a vent, where heights are stated."""
    run = spots(facts)
    points = sorted(bleed_points(run), key=lambda spot: spot.height)
    if points:
        names = ", then ".join(spot.name for spot in points)
        return Sentence(
            "Until it runs without bubbles from {names}; shut each as it does, the filler last.", {"names": names}
        )
    if run:
        return Sentence("By its heights no hump of this run holds air; until the filler stays full all the same.")
    return Sentence("Until it runs from the lowest bleed without bubbles; shut it; the next higher; the top last.")


def _airlock(field: Foretold) -> Airlock:
    names = [cause.id for cause in field.causes]
    rows = {
        id: int(np.flatnonzero((field.cause == names.index(id)) & (field.size == 1.0))[0]) for id in ("sound", "air")
    }
    idle = field.at("gauge")
    heavy = next((k for k, check in enumerate(field.checks) if check.id == "gauge_heavy"), None)
    duty = "" if heavy is None else field.checks[heavy].label.partition(": ")[2]

    def reads(id: str, k: int | None) -> float | None:
        return None if k is None else float(field.mean[rows[id], k])

    return Airlock(
        float(field.mean[rows["sound"], idle]),
        float(field.mean[rows["air"], idle]),
        duty,
        reads("sound", heavy),
        reads("air", heavy),
    )
