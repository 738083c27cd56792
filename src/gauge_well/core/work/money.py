"""What it costs: prices with bands against a limit, and whether to make a thing, buy it or send it out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array
from gauge_well.core.work.span import Span

RUNS = 4096
SEED = 43
# What no list names comes on top of what is still to be paid (common practice).
UNLISTED = Span(0.10, 0.15, 0.25)
PAID, ORDERED, OPEN = "paid", "ordered", "open"


@dataclass(frozen=True)
class Cost:
    """One thing on the list: its price, none where nobody said one, and how far it is paid for."""

    id: str
    price: Span | None
    state: str


@dataclass(frozen=True)
class Budget:
    """Money in all, with what no list names.

    Parameters
    ----------
    paid, ordered, open : float
        Sums of likely prices, by state.
    likely_sum : float
        Of all that has a price.
    mean, low, high : float
        Of the whole with bands: the sum of likely prices is low, for prices err upward. Tenth and ninetieth of a hundred.
    over : float, optional
        Share of cases in which it is over the limit.
    unpriced : tuple of str
        What has no price: it is not in any of these.
    """

    paid: float
    ordered: float
    open: float
    likely_sum: float
    mean: float
    low: float
    high: float
    over: float | None
    unpriced: tuple[str, ...]


def drawn(costs: Sequence[Cost], unlisted: Span = UNLISTED, runs: int = RUNS) -> Array:
    """Samples of the whole: what is paid is known, the rest and what no list names are drawn."""
    rng = np.random.default_rng(SEED)
    total = np.zeros(runs)
    ahead = np.zeros(runs)
    for cost in costs:
        if cost.price is None:
            continue
        if cost.state == PAID:
            total += cost.price.likely
        else:
            ahead += cost.price.drawn(rng, runs)
    return total + ahead * (1.0 + unlisted.drawn(rng, runs))


def budget(costs: Sequence[Cost], limit: float | None) -> Budget:
    """Add up a list."""
    priced = [cost for cost in costs if cost.price is not None]
    by_state = {
        state: sum(cost.price.likely for cost in priced if cost.price is not None and cost.state == state)
        for state in (PAID, ORDERED, OPEN)
    }
    runs = drawn(costs)
    low, high = (float(x) for x in np.percentile(runs, (10.0, 90.0)))
    return Budget(
        paid=by_state[PAID],
        ordered=by_state[ORDERED],
        open=by_state[OPEN],
        likely_sum=sum(by_state.values()),
        mean=float(runs.mean()),
        low=low,
        high=high,
        over=None if limit is None else float((runs > limit).mean()),
        unpriced=tuple(cost.id for cost in costs if cost.price is None),
    )


@dataclass(frozen=True)
class Way:
    """A way to come by a thing.

    Parameters
    ----------
    id, label : str
    cost : Span
        Money for it.
    hours : Span
        Of one's own work.
    redo : Span
        Share of it that is done over again.
    wait : Span
        Calendar days until it is there.
    """

    id: str
    label: str
    cost: Span
    hours: Span
    redo: Span
    wait: Span


@dataclass(frozen=True)
class Compared:
    """A way with its money: ``(cost + hours x rate) (1 + redo)``, mean and ninetieth of a hundred; hours with redo, days."""

    way: Way
    mean: float
    high: float
    hours: float
    days: float


def compared(ways: Sequence[Way], rate: float, runs: int = RUNS) -> list[Compared]:
    """Ways side by side, the cheapest mean first. ``rate``: what an hour of one's own is worth."""
    rng = np.random.default_rng(SEED)
    found = []
    for way in ways:
        once = way.cost.drawn(rng, runs) + rate * way.hours.drawn(rng, runs)
        money = once * (1.0 + way.redo.drawn(rng, runs))
        hours = way.hours.mean * (1.0 + way.redo.mean)
        found.append(Compared(way, float(money.mean()), float(np.percentile(money, 90.0)), hours, way.wait.mean))
    return sorted(found, key=lambda c: c.mean)
