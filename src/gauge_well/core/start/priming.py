"""Before it fires: oil filled and cranked to pressure, fuel pumped to where it is burned."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.case import BuildCase
from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import fact
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.run.contexts import make_context
from gauge_well.core.start import setting
from gauge_well.core.systems.fuel.circuit import circuit_of
from gauge_well.core.systems.fuel.network import network_of
from gauge_well.core.systems.oil import priming
from gauge_well.core.typing import as_array, likely

FILTER = 0.25e-3  # m3 in a fuel filter (common practice)
AGAINST_AIR = 0.6  # of its free flow that a pump moves while it pushes air before it (common practice)
HAND_STROKE = 6e-6  # m3 of a hand primer's stroke (common practice)
KEY_ON = 2.0  # s that a computer runs its pump before it is cranked (common practice)


@dataclass(frozen=True)
class OilPrimed:
    """Seconds and turns of cranking to pressure, tries of 15 s with a minute between, the try after which it is stopped."""

    seconds: float
    turns: float
    speed: float
    tries: int
    most_tries: int
    to_fill: float


def oil(case: BuildCase, air: float) -> OilPrimed:
    """The oil's way to pressure at the likely values; MissingFact where its pump is not known.

    ``t = V_suction / (0.5 q) + V_dry / (0.85 q)``; see :mod:`gauge_well.core.systems.oil.priming`.
    """
    context, _ = make_context(setting.idle_case(case, air))
    facts = case.systems["oil"]
    for name in ("pump.displacement", "pickup.bore", "pickup.length"):
        if fact(facts, name) is None:
            raise MissingFact(f"oil.{name}")
    found = priming.primed(context, facts, air)
    return OilPrimed(
        seconds=found.seconds,
        turns=found.turns,
        speed=found.speed,
        tries=found.tries,
        most_tries=max(priming.TRIES, found.tries + 1),
        to_fill=found.suction + found.dry,
    )


@dataclass(frozen=True)
class FuelPrimed:
    """To fill [m3], seconds of an electric pump and times of key-on, or strokes of a hand primer."""

    to_fill: float
    seconds: float | None
    keys: int | None
    strokes: int | None


def fuel(case: BuildCase, air: float) -> FuelPrimed:
    """Lines and filter filled by the pump at .6 of its free flow, or by hand; MissingFact where the lines are not known."""
    facts = case.systems["fuel"]
    lines: Mapping[str, object] = {"line": facts.line, "suction": facts.suction}
    volume = FILTER
    for name, line in lines.items():
        bore, length = getattr(line, "bore", None), getattr(line, "length", None)
        if bore is None or length is None:
            raise MissingFact(f"fuel.{name}.{'bore' if bore is None else 'length'}")
        volume += likely(bore_area(bore)) * likely(length)
    if facts.main.drive != "electric":
        return FuelPrimed(volume, None, None, round(volume / HAND_STROKE))
    context, _ = make_context(setting.idle_case(case, air))
    circuit = circuit_of(context, facts)
    able = likely(as_array(network_of(context, circuit).main.able(0.0)))
    seconds = volume / (AGAINST_AIR * max(able, 1e-9))
    return FuelPrimed(volume, seconds, max(round(seconds / KEY_ON), 1), None)
