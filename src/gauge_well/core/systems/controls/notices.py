"""What a builder should know of the controls that is no limit."""

from __future__ import annotations

from collections.abc import Iterator

import numpy as np

from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.checks_hands import LONG
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.systems.controls.facts_throttle import ON_WHEELS
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice


def notices(context: Context, facts: ControlsFacts) -> Iterator[Notice]:
    """Throttle, vacuum, bleeding, rock that is not known, inspection."""
    yield from _throttle(context, facts)
    if context.machine.kind in ON_WHEELS[1]:
        yield from _brakes(context, facts)
        yield from _steering(facts)
    yield from _hands(context, facts)


def _throttle(context: Context, facts: ControlsFacts) -> Iterator[Notice]:
    if facts.throttle != "pedal" and facts.wheel is not None and facts.springs is None:
        words = "Two springs shut a throttle, each alone able to: say how many there are. Unhook one and try."
        yield Notice("springs_unsaid", Sentence(words), "controls.springs", part="throttle")
    if facts.throttle != "pedal" and facts.sleeve_ends == "body" and model.rocks(context, facts) is None:
        words = "Its sleeve ends on the body: how far the engine's rock pulls the throttle open is not known until its height over the crank and the mounts are."
        yield Notice("rock_unsaid", Sentence(words), "controls.end_over", part="throttle")
    if facts.throttle in ("moved", "pedal") and facts.tracks is None:
        words = "Both tracks of its sensor through the whole sweep, slowly, before there is fuel: swapped wires read as a fault or as full throttle."
        yield Notice("sweep", Sentence(words), "controls.tracks", part="throttle")


def _brakes(context: Context, facts: ControlsFacts) -> Iterator[Notice]:
    if facts.booster == "vacuum" and not model.vacuumless(facts):
        if facts.depth is not None and likely(facts.depth) < model.WORKS and facts.source == "manifold":
            words = "{depth} idling is little: under {works} a pump of the booster's own is usual."
            values = {
                "depth": (likely(facts.depth), "pressure_difference"),
                "works": (model.WORKS, "pressure_difference"),
            }
            yield Notice("weak_vacuum", Sentence(words, values), "controls.source", part="vacuum")
        if facts.depth is not None and facts.valve is None:
            words = "A one-way valve at the manifold keeps the brakes' help when the engine dies, and boost out of the booster: say that it is there."
            yield Notice("valve_unsaid", Sentence(words), "controls.valve", part="vacuum")
    if facts.lines_moved == "yes":
        order = ", ".join(model.bleeds(facts))
        words = f"Bled in this order: {order}. The longest pipe first; clear the nipples before the lines are opened, never let the master run dry."
        yield Notice("bleeds", Sentence(words), "controls.master_at", part="brakes")
    altered = facts.lines_moved == "yes" or facts.moved == "yes" or bool(facts.columns) or facts.lowered is not None
    if altered and facts.inspected != "yes":
        words = "Steering or brakes are altered: somebody licensed inspects them before it goes on a road."
        yield Notice("inspection", Sentence(words), "controls.inspected", part="brakes" if facts.lines_moved == "yes" or facts.moved == "yes" else "steering")  # fmt: skip


def _steering(facts: ControlsFacts) -> Iterator[Notice]:
    if len(facts.columns) > 1 and facts.collapses is None:
        words = "Whether the altered column still collapses in a crash is not said."
        yield Notice("collapse_unsaid", Sentence(words), "controls.collapses", part="steering")
    if facts.steers == "electric":
        words = (
            "Electric steering wants its own heavy supply and earth, a speed signal, and a way to steer when it fails."
        )
        yield Notice("electric", Sentence(words), "controls.steers", part="steering")
    column = model.column(facts)
    if column is not None and likely(column.angles.max(axis=0)) > np.radians(20.0) and likely(column.ripple) > 0.02:
        words = "Joints past twenty degrees want their bends alike and the forks of the piece between turned to match."
        yield Notice("column_phase", Sentence(words), f"controls.columns.{facts.columns[0][0]}.forks", part="steering")


def _hands(context: Context, facts: ControlsFacts) -> Iterator[Notice]:
    if facts.release == "bearing" and facts.pad is not None:
        words = "A bearing that is its own slave is changed with the gearbox out: new seals, pipe and nipple led outside, before the bell goes on."
        yield Notice("inside_bell", Sentence(words), "controls.release", part="clutch_pedal")
    throw = model.shifted(context, facts).throw
    if throw is not None and likely(throw) < LONG[0]:
        words = "{throw} from neutral to a gear is short: quick and heavy; {short} to {long} are usual."
        yield Notice(
            "throw_short",
            Sentence(words, {"throw": (likely(throw), "size"), "short": (LONG[0], "size"), "long": (LONG[1], "size")}),
            "controls.below",
            part="shifter",
        )
    if facts.shifter == "rods" and facts.pivot == "body" and model.rod_jumps(context, facts) is None:
        words = "A lever on the body with rods to an engine that rocks jumps out of gear: how far it moves is not known until the rod's height and the mounts are."
        yield Notice("jumps_unsaid", Sentence(words), "controls.rod_over", part="shifter")
