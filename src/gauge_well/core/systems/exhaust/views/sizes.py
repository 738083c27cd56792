"""What each size of tube costs, the ways to lay it, and what the rules of thumb would say."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.sizes import TUBES
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.exhaust import costs, layouts, pieces, primaries, tubes
from gauge_well.core.systems.exhaust.facts import MOST, ExhaustFacts
from gauge_well.core.systems.exhaust.figures import at_full
from gauge_well.core.systems.exhaust.layouts import Laid
from gauge_well.core.typing import likely

FAR, NARROW = (
    1.5,
    0.005,
)  # times where no exhaust serves, of the power: what is beyond, or gains nothing more, is not shown


@dataclass(frozen=True)
class SizeRow:
    """A tube [m] for the whole run: back pressure [Pa], cost at full load and over its time [W], what the next size gives back
    [W], mass [kg], speed of the gas [m/s], all pipes side by side across [m]."""

    tube: float
    back_pressure: float
    cost: float
    cost_mean: float
    gain: float
    mass: float
    speed: float
    across: float
    advised: bool
    fitted: bool


@dataclass(frozen=True)
class RuleRow:
    """What a school would say [m], and what that size costs [W]; None where no such size serves."""

    name: str
    tube: float
    cost: float | None


@dataclass(frozen=True)
class Primary:
    """Primaries of an engine without boost: bores and length [m], the collector's; those fitted, and their gas speed [m/s]."""

    bore: float
    by_rule: float
    length: float
    collector: float
    fitted: float | None
    fitted_length: float | None
    speed: float | None
    wanted_speed: float


@dataclass(frozen=True)
class SizesView:
    """All of it; ``at_full`` share of time, ``stated`` whether somebody said so; ``form`` how much more one bank's pulses
    lose where banks run apart."""

    sizes: Sequence[SizeRow]
    rules: Sequence[RuleRow]
    layouts: Sequence[Laid]
    primaries: Primary | None
    power: float
    pipes: int
    at_full: float
    stated: bool
    form: float
    length_taken: float | None


def show(context: Context, facts: ExhaustFacts, options: Options) -> SizesView:
    """Every size of the worst duty."""
    duty_asked(context, options)
    sizes = tubes.at_every_size(context, facts)
    limit, _ = costs.limit_of(context.engine, facts)
    best = int(tubes.advised(sizes, limit, context.wanted)[0])
    share = at_full(context, facts)
    lost = sizes.cost[:, 0]
    gains = np.append(lost[:-1] - lost[1:], 0.0)
    outside = [likely(s.outside) for s in pieces.segments_of(facts, context.engine)] if _laid(facts) else []
    common = sorted(outside)[len(outside) // 2] if outside else None
    shape = np.broadcast_shapes(sizes.found.speed.shape, (TUBES.size, 1, 1))
    speed = np.broadcast_to(sizes.found.speed, shape)[..., 0].max(axis=1)
    rows = []
    for i, tube in enumerate(TUBES):
        serves = sizes.back[i, 0] < FAR * MOST
        if not serves or (i > best + 1 and gains[i - 1] < NARROW * context.wanted):
            continue
        own = tubes.own_size(sizes.segments, i)
        pipes = 2 if own[-1].share < 1.0 else 1
        rows.append(
            SizeRow(
                tube=float(tube),
                back_pressure=float(sizes.back[i, 0]),
                cost=float(lost[i]),
                cost_mean=share * float(lost[i]),
                gain=float(gains[i]),
                mass=pieces.weight(own),
                speed=float(speed[i]),
                across=pipes * float(tube),
                advised=i == best,
                fitted=common is not None and abs(float(tube) / common - 1.0) < 0.02,
            )
        )
    pipes = 2 if sizes.segments[-1].share < 1.0 else 1
    return SizesView(
        sizes=rows,
        rules=[
            RuleRow(name, tube, _costs_at(lost, tube, context.wanted))
            for name, tube in (
                ("2.2 cfm for each hp", tubes.by_flow(context.wanted, pipes)),
                ("a square inch for each 60 hp", tubes.by_area(context.wanted, pipes)),
            )
        ],
        layouts=layouts.laid(context, facts) if _laid(facts) else [],
        primaries=_primaries(context, facts),
        power=context.wanted,
        pipes=pipes,
        at_full=share,
        stated=facts.full_load is not None,
        form=pieces.bank_form(facts, context.engine),
        length_taken=None if tubes.known(facts) else tubes.USUAL_LENGTH,
    )


def _laid(facts: ExhaustFacts) -> bool:
    return bool(facts.pieces) or (facts.pipe.diameter is not None and facts.pipe.length is not None)


def _costs_at(lost: np.ndarray, tube: float, power: float) -> float | None:
    """Cost of a size between those sold; None where it serves no more."""
    found = float(np.exp(np.interp(np.log(tube), np.log(TUBES), np.log(np.maximum(lost, 1e-3)))))
    return found if found < power else None


def _primaries(context: Context, facts: ExhaustFacts) -> Primary | None:
    if context.engine.facts.aspiration != "natural" or not context.engine.fuel.spark:
        return None
    asked = primaries.primaries(context.engine)
    fitted = next((p for _, p in facts.pieces if p.piece == "primaries"), None)
    bore = None
    if fitted is not None and fitted.diameter is not None:
        wall = pieces.wall_of(facts, fitted)
        bore = likely(fitted.diameter) - 2.0 * likely(wall)
    swept = likely(context.engine.displacement) / max(likely(context.engine.facts.cylinders or 4.0), 1.0)
    return Primary(
        bore=asked.bore,
        by_rule=asked.by_rule,
        length=asked.length,
        collector=asked.collector,
        fitted=bore,
        fitted_length=None if fitted is None or fitted.length is None else likely(fitted.length),
        speed=None if bore is None else likely(primaries.gas_speed(swept, context.engine.rated_speed, bore)),
        wanted_speed=primaries.SPEED,
    )
