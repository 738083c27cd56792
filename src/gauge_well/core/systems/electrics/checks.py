"""Charging, cranking and wires against what they stand."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import Check, gate
from gauge_well.core.electrical import battery
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import charging, cranking, runs
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.systems.electrics.runs import Run
from gauge_well.core.typing import likely

CRUISED = "cruise_night"
NIGHT = "idle_night"


def charge_checks(context: Context, facts: ElectricsFacts) -> Iterator[Check]:
    """Idling on a wet night costs; what it takes out of the battery, and what it draws under way, are limits."""
    if facts.alternator.full is None or not facts.loads:
        return
    found = charging.draws(context, facts)
    idle = likely(context.engine.facts.idle_speed)
    gives = charging.able(facts, context.engine.facts.idle_speed)
    assert gives is not None
    asked = charging.total(found, NIGHT)
    yield gate(
        "charge_idle", "Idling on a wet night", "charge", asked, gives, "current",
        "{demand} drawn, {capacity} from the hot alternator at {idle}" + ("; the battery gives the rest." if likely(asked) > likely(gives) else "."),
        lambda: {"idle": (idle, "speed_rpm")}, cost=True,
    )  # fmt: skip
    holds = charging.capacity(facts)
    if holds is not None:
        out = np.maximum(asked - gives, 0.0) * facts.idles_for
        yield gate(
            "charge_battery", "Battery after idling", "charge", out, battery.KEPT * holds, "charge",
            "{demand} go out of it in {time} of idling on a wet night; half of what it holds, {capacity}, may.",
            lambda: {"time": (likely(facts.idles_for), "time")},
        )  # fmt: skip
    slow, name = charging.slowest(context)
    driven = charging.able(facts, slow)
    assert driven is not None
    yield gate(
        "charge_cruise", "Charging under way", "charge", charging.total(found, CRUISED), driven, "current",
        "{demand} drawn on a wet night, {capacity} from the hot alternator at {slow} ({duty}).",
        lambda: {"slow": (slow, "speed_rpm"), "duty": name.lower()},
    )  # fmt: skip


def crank_checks(context: Context, facts: ElectricsFacts) -> Iterator[Check]:
    """How fast the coldest start is turned, and what the engine computer is left with."""
    found = cranking.cold(context, facts, facts.coldest)
    if found is None:
        return
    at = {"t": (likely(facts.coldest), "temperature"), "amps": (likely(found.turned.amps), "current")}
    stalls = likely(found.turned.speed) <= 0.0
    words = "At {t} it is turned {capacity}, taking {amps}; it starts from {demand}."
    if stalls:
        words = "At {t} it is not turned at all: the starter stands still at {amps}; it starts from {demand}."
    yield gate(
        "crank_speed",
        "Cranking cold",
        "crank",
        facts.needs_speed,
        found.turned.speed,
        "speed_rpm",
        words,
        lambda: dict(at),
    )
    if facts.resets is None:
        return
    pin = found.turned.at_battery - cranking.AT_PIN
    yield gate(
        "crank_volts", "Volts while cranking", "crank", facts.resets, pin, "voltage",
        "The engine computer is left {capacity} at {t}; under {demand} it stands down.", lambda: dict(at),
    )  # fmt: skip


def run_checks(facts: ElectricsFacts) -> Iterator[Check]:
    """Every run: its drop, what it bears, its fuse over the load and under the wire."""
    for run in runs.all_of(facts):
        yield from _run(run, facts.wires_by)


def _wished(run: Run, what: str) -> Check:
    """The school of volts: what its wire may cost a device, by its kind. Past it works, and worse."""
    amps = (likely(run.amps), "current")
    return gate(
        f"drop_{run.id}", f"Volts lost, {what}", "runs", run.drop, run.allowed, "voltage_drop",
        "{demand} lost at {amps}; {capacity}, {share}, are wished.",
        lambda: {"amps": amps, "share": (run.share, "share")}, cost=True,
    )  # fmt: skip


def _run(run: Run, school: str) -> Iterator[Check]:
    amps = (likely(run.amps), "current")
    volts, what = run.allowed / run.share, run.name.lower()
    if school == "volts":
        yield _wished(run, what)
    yield gate(
        f"starved_{run.id}", f"Wire, {what}", "runs", run.drop, runs.WEAK * volts, "voltage_drop",
        "{demand} lost at {amps}; past {capacity} what it feeds is starved.", lambda: {"amps": amps},
    )  # fmt: skip
    plug = run.facts.connector
    if plug is not None:
        yield gate(
            f"plug_{run.id}",
            f"Plug, {what}",
            "runs",
            run.amps,
            plug,
            "current",
            "{demand} through a plug that bears {capacity}.",
        )
    fuse = run.facts.fuse
    if fuse is None:
        yield gate(
            f"bears_{run.id}", f"Wire's amps, {what}", "runs", run.low, run.bears, "current",
            "Its load asks a fuse of {demand}, its wire bears {capacity} where it lies.",
        )  # fmt: skip
        return
    yield gate(
        f"fuse_low_{run.id}", f"Fuse for the load, {what}", "runs", run.low, fuse, "current",
        "{amps} for good ask a fuse of {demand}; it is {capacity}.", lambda: {"amps": amps},
    )  # fmt: skip
    over = likely(fuse) > likely(run.bears)
    words = "The fuse is {demand}, the wire bears {capacity}" + (": the wire burns before it blows." if over else ".")
    yield gate(
        f"fuse_high_{run.id}",
        f"Fuse over its wire, {what}",
        "runs",
        fuse,
        run.bears,
        "current",
        words,
        danger=True,
    )
