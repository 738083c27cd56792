"""Change of fuel, the lean guard, bleeding and stopping."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.systems.base import Context, Options, points
from gauge_well.core.systems.fuel import guard
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel.change import STEPS, change_of
from gauge_well.core.systems.fuel.circuit import Circuit, has_injectors
from gauge_well.core.systems.fuel.facts_guard import STOPS
from gauge_well.core.systems.fuel.network import at_peak
from gauge_well.core.typing import duty_value, likely, likely_or_none

RAILS = 33


@dataclass(frozen=True)
class FuelChange:
    """What is left of the old fuel: volumes [m3], its share of the first fill, what that is a hazard to, what to do."""

    old: str
    new: str
    lines: float
    mixed: float
    purge: float
    left: float
    share: float | None
    hazard: str | None
    hazard_share: float | None
    hazardous: bool
    materials: Sequence[str]
    steps: Sequence[str]


@dataclass(frozen=True)
class LeanGuard:
    """How much leaner over rail pressure [Pa], from the setting down; where to cut, where the network stands; hotter [K]."""

    held: float
    cut: float
    now: float | None
    limit: float
    rails: Sequence[float]
    leaner: Sequence[float]
    fitted: str | None
    hotter: float


@dataclass(frozen=True)
class StopDevice:
    """What stops a diesel; ``safe``: it stops by itself when power fails."""

    label: str
    safe: bool


@dataclass(frozen=True)
class ChangeView:
    """Change of fuel, the lean guard, bleeding and stopping."""

    change: FuelChange | None
    guard: LeanGuard | None
    bleed: Sequence[str]
    stop: StopDevice | None
    cuts: Mapping[str, str | None] | None


def show(context: Context, circuit: Circuit, index: int, options: Options) -> ChangeView:
    """What is left of the old fuel; how lean a falling rail makes it; what stops the pump and the engine."""
    electric = circuit.facts.main.drive == "electric"
    return ChangeView(
        change=_change(context, circuit),
        guard=_guard(context, circuit, index) if has_injectors(circuit) else None,
        bleed=list(guard.bleed_order(circuit)),
        stop=_stop(circuit),
        cuts={name: getattr(circuit.facts, name) for name in guard.CUTS} if electric else None,
    )


def _change(context: Context, circuit: Circuit) -> FuelChange | None:
    found = change_of(circuit, context.engine.facts.fuel)
    if found is None:
        return None
    share = likely_or_none(found.share)
    hazard = found.hazard
    return FuelChange(
        old=found.old.label,
        new=found.new.label,
        lines=likely(found.lines),
        mixed=likely(found.mixed),
        purge=likely(found.purge),
        left=likely(found.left),
        share=share,
        hazard=None if hazard is None else hazard.text,
        hazard_share=None if hazard is None else hazard.share,
        hazardous=hazard is not None and (share is None or share > hazard.share),
        materials=list(found.materials),
        steps=list(STEPS),
    )


def _guard(context: Context, circuit: Circuit, index: int) -> LeanGuard:
    """How much leaner over rail pressure, from the setting down; where to cut; where the network stands."""
    count = len(context.duties.cases)
    peak = context.peak
    held = duty_value(inj.set_rail(circuit, peak), index)
    cut = duty_value(guard.cut_pressure(circuit, peak), index)
    manifold = duty_value(peak.manifold_gauge, index)
    rails = np.linspace(held, manifold + 0.3 * max(held - manifold, 1.0), RAILS)
    point = at_peak(context, circuit)
    leaner = np.broadcast_to(guard.leaner(circuit, peak, rails[:, None, None]), (RAILS, count, 1))
    return LeanGuard(
        held=held,
        cut=cut,
        now=None if point is None else duty_value(point.rail, index),
        limit=likely(circuit.fact("lean_limit")),
        rails=[float(p) for p in rails],
        leaner=[float(x) for x in leaner[:, index, 0]],
        fitted=circuit.facts.lean_guard,
        hotter=_hotter(context, circuit, index),
    )


def _hotter(context: Context, circuit: Circuit, index: int) -> float:
    """How much hotter the gas at the port gets [K] when the mixture is as much leaner as is allowed, power held."""
    lean = replace(context.engine, excess_air=context.engine.excess_air * (1.0 + likely(circuit.fact("lean_limit"))))
    _, peak = points(lean, context.duties, context.wanted, 1.0)
    rise = peak.exhaust_temperature - context.peak.exhaust_temperature
    return duty_value(rise, index)


def _stop(circuit: Circuit) -> StopDevice | None:
    if circuit.facts.injection != "mechanical" or circuit.facts.stop_device is None:
        return None
    stop = STOPS[circuit.facts.stop_device]
    return StopDevice(stop.label, stop.safe)
