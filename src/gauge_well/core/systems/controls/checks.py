"""Controls against what they must do: throttle, vacuum, small controls."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate, never
from gauge_well.core.parts.aid import WHATS
from gauge_well.core.sentence import inside, numbered
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.cables import too_short
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import Array, as_array, likely

OVER = 2e-3  # m of pedal left at full throttle, for its own stop (common practice)
SPRINGS = 2.0  # that shut a throttle, each alone (common practice)
HOSE, PORT = (
    9.5e-3,
    7.5e-3,
)  # m, inside: half-inch hose over its spigot, and a port that is no pinhole (common practice)
RECOVERS = 10.0  # s a booster is waited for at most (common practice)
OFF_LINE = np.radians(3.0)  # of a booster's rod (common practice)


def throttle_checks(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    """Full at the stop, shut for certain, not opened by the engine's rock; a sensor's sweep."""
    if facts.throttle in ("moved", "pedal"):
        yield from _sensor(facts)
    if facts.throttle == "pedal":
        return
    yield from too_short(facts, "throttle")
    left = model.over_travel(facts)
    if left is not None and facts.pedal_moves is not None:
        yield _full(facts, left)
        if facts.pedal_stop != "yes":
            words = "At full throttle the pedal has {capacity} left; {demand} and a stop of its own spare cable and spindle."
            yield gate("throttle_over", "Pedal's stop", "throttle", OVER, np.maximum(left, 0.0), "size", words, fill=gap_fill(left, OVER), cost=True)  # fmt: skip
    back = model.returns(facts)
    if back is not None:
        words = (
            "Behind the sleeve's bends {capacity} of the spring are left; pedal and cable ask {demand} to come back."
        )
        yield gate("throttle_returns", "Throttle shuts", "throttle", back[1], back[0], "force", words, danger=True)
    if facts.springs is not None:
        words = "{capacity} springs shut it, each alone able to; {demand} are kept: one breaks." if likely(facts.springs) != 1.0 else "One spring shuts it; {demand} are kept, each alone able to: one breaks."  # fmt: skip
        if likely(facts.springs) < 1.0:
            words = "No spring shuts it; {demand} are kept, each alone able to."
        yield gate("throttle_springs", "Safe return", "throttle", SPRINGS, facts.springs, "count", words, fill=gap_fill(facts.springs, SPRINGS), danger=True)  # fmt: skip
    moved = model.rocks(context, facts)
    if moved is not None:
        words = "Its sleeve ends on the body: as the engine rocks, the throttle moves {demand} off, {capacity} of slack are there."
        if likely(moved) > likely(facts.slack):
            words += " It opens as the engine pulls: end the sleeve on the engine."
        yield gate(
            "throttle_rocks",
            "Throttle and the engine's rock",
            "throttle",
            moved,
            facts.slack,
            "size",
            words,
            danger=True,
        )


def _full(facts: ControlsFacts, left: Array) -> Check:
    opens, wheel = model.opening(facts), model.wheel_for(facts)
    assert opens is not None and wheel is not None and facts.pedal_moves is not None
    pulls = np.maximum(as_array(facts.pedal_moves) - facts.slack, 0.0)
    words = "The pedal draws {capacity} of cable, full throttle asks {demand}."
    if likely(left) < 0.0:
        words = "The pedal opens it {opens} of {whole}: {demand} of cable are asked, {capacity} drawn; a wheel of {wheel} would be right."
    values = {
        "opens": (likely(opens), "angle"),
        "whole": (likely(facts.opens), "angle"),
        "wheel": (likely(wheel), "size"),
    }
    return gate("throttle_full", "Full throttle", "throttle", pulls - left, pulls, "size", words, lambda: {**values})


def _sensor(facts: ControlsFacts) -> Iterator[Check]:
    if facts.sensor_sweep is not None and facts.sensor_wants is not None:
        words = "The pedal turns its sensor {capacity}, full throttle asks {demand}."
        yield gate("sensor_full", "Sensor's sweep", "throttle", facts.sensor_wants, facts.sensor_sweep, "angle", words)
    if facts.tracks is not None and likely(facts.tracks) < 2.0:
        words = "One of its tracks does not agree: the computer falls back to its emergency running." if likely(facts.tracks) >= 1.0 else "Neither track agrees through the sweep: it does not drive."  # fmt: skip
        yield never("sensor_tracks", "Sensor's two tracks", "throttle", words, code="tracks")


def brake_checks(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    """Vacuum for the booster: any at all, enough applications, back in time; hose, valve, rod."""
    if facts.booster == "vacuum":
        why = model.vacuumless(facts)
        if why:
            yield never("applications", "Brake vacuum", "vacuum", f"{why}.", code="no_vacuum", danger=True)
        elif facts.depth is not None:
            yield from _vacuum(context, facts)
        for id, name, bore, kept in (
            ("hose", "Vacuum hose", facts.hose, HOSE),
            ("port", "Vacuum port", facts.port, PORT),
        ):
            if bore is not None:
                words = "{capacity} inside; {demand} do not starve it between two applications."
                yield gate(
                    f"vacuum_{id}", name, "vacuum", kept, bore, "size", words, fill=gap_fill(bore, kept), cost=True
                )
        if facts.valve == "no":
            yield never("valve", "One-way valve", "vacuum", "Without a one-way valve the brakes lose their help as soon as the engine dies.", code="no_valve", danger=True)  # fmt: skip
    if facts.moved == "yes" and facts.rod_aside is not None:
        words = "Its rod runs {demand} off the master's line; past {capacity} it wears it out and drags."
        yield gate("rod_aside", "Booster's rod", "brakes", facts.rod_aside, OFF_LINE, "angle", words)


def _vacuum(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    assert facts.depth is not None
    found = model.held_at(context, facts, facts.depth, facts.high)
    high = likely(facts.high)
    where = " at {high}" if high > 100.0 else ""
    words = (
        "{capacity} whole applications"
        + where
        + " before it helps no more, from {depth}; {demand} are kept, the engine dead."
    )
    values = {"depth": (likely(found.depth), "pressure_difference"), "high": (high, "distance")}
    yield gate("applications", "Brake vacuum", "vacuum", model.WISHED, found.applications, "count", words, lambda: {**values}, fill=gap_fill(found.applications, model.WISHED), danger=True)  # fmt: skip
    if np.isfinite(likely(found.recovers)):
        words = "Spent, it is back at {to} in {demand}; past {capacity} it is waited for."
        yield gate("recovers", "Vacuum comes back", "vacuum", found.recovers, RECOVERS, "time", words, lambda: {"to": (likely(found.to), "pressure_difference")}, cost=True)  # fmt: skip


def aid_checks(context: Context, facts: ControlsFacts) -> Iterator[Check]:
    """Small controls: those the engine or the gearbox wants and has not, cables that move too little, vacuum that is too weak."""
    for id, aid in facts.aids:
        if aid.what is None or aid.has is None or aid.has == "without":
            continue
        what = WHATS[aid.what]
        label = numbered(what.label, [other for other, a in facts.aids if a.what == aid.what], id)
        name = label.capitalize()
        if aid.has == "no":
            yield never(f"aid_{id}", name, "aids", f"Nothing works it: {what.without}.", code="missing", cost=aid.what in ("cruise", "idle_up"))  # fmt: skip
            continue
        if aid.by == "cable" and aid.wants is not None and aid.gets is not None:
            words = "Its cable moves {capacity}, it wants {demand}: " + what.without + "."
            if likely(aid.gets) >= likely(aid.wants):
                words = "Its cable moves {capacity}, it wants {demand}."
            yield gate(f"aid_{id}", name, "aids", aid.wants, aid.gets, "size", words)
        if aid.by == "vacuum":
            why = model.vacuumless(facts)
            if why:
                yield never(f"aid_{id}", name, "aids", f"{why}: {inside(what.without)}.", code="no_vacuum")
            elif aid.depth is not None and facts.depth is not None:
                yield gate(f"aid_{id}", name, "aids", aid.depth, facts.depth, "pressure_difference", "It wants {demand}, idling there are {capacity}.")  # fmt: skip
