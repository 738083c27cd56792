"""The working of belts: cord, length, arm, the worst pulley's grip."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.belts.facts import BeltsFacts
from gauge_well.core.systems.belts.figures import longest, note
from gauge_well.core.systems.belts.grip import BACK_SHARE, arm_pull, worked
from gauge_well.core.systems.belts.way import Way
from gauge_well.core.typing import as_array
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: BeltsFacts, found: Sequence[Way], index: int) -> list[Step]:
    """Of every belt that has a way; the same in each duty."""
    w = Working(index)
    for way in found:
        if way.closes:
            _length(w, way)
            _arm(w, way)
            _grip(w, context, facts, way)
    return w.steps


def _name(way: Way, symbol: str) -> str:
    return symbol if way.place == "first" else f"{symbol}_{way.place[0]}"


def _length(w: Working, way: Way) -> None:
    found = way.route
    w.add(
        _name(way, "L_c"), f"Length at the cord, {way.said}", "S + A", found.length, "length",
        {"S": found.spans.sum(axis=0), "A": (found.radius * found.wraps).sum(axis=0)}, "arithmetic",
    )  # fmt: skip
    w.add(
        _name(way, "L_e"), "Effective length", "L_c - 2 * pi * b", way.effective, "length",
        {"L_c": found.length, "b": way.cord, "pi": np.pi}, "common practice",
    )  # fmt: skip


def _arm(w: Working, way: Way) -> None:
    arm = way.swings
    if arm is None or way.arm is None:
        return
    wrap = way.route.wraps[way.arm]
    w.add(
        _name(way, "a_m"), "The most belt an arm takes up a radian", "2 * r * s", arm.most, "size",
        {"r": arm.reach, "s": np.sin(wrap / 2.0)}, "arithmetic",
    )  # fmt: skip
    spring = way.pulleys[way.arm].spring
    if spring is not None:
        w.add(
            _name(way, "T_a"), "What bears on the arm's pulley", "M / a", arm_pull(way, as_array(0.0)), "force",
            {"M": spring, "a": np.maximum(np.abs(arm.answers), 1e-4)}, "arithmetic",
        )  # fmt: skip


def _grip(w: Working, context: Context, facts: BeltsFacts, way: Way) -> None:
    own = worked(context, facts, way)
    i, j = own.worst
    section = SECTIONS[way.facts.section]
    speed = own.engine[j]
    w.add(
        _name(way, "v"), f"Belt's speed where its grip is least, at {speed:.0f} rpm", "2 * pi * n * r / 60", own.belt[j], "speed_m_s",
        {"n": speed, "r": way.route.radius[way.crank], "pi": np.pi}, "arithmetic",
    )  # fmt: skip
    mass = section.mass * as_array(way.facts.ribs)
    flung = mass * own.belt[j] ** 2
    w.add(
        _name(way, "T_v"), "Tension that only flings it round", "m * v ** 2", flung, "force",
        {"m": mass, "v": own.belt[j]}, "arithmetic",
    )  # fmt: skip
    ahead, behind = own.ahead[i, j], own.ahead[(i + 1) % len(way.pulleys), j]
    high, low = np.maximum(ahead, behind), np.minimum(ahead, behind)
    if float(np.ravel(low - flung)[0]) > 1e-6 and float(np.ravel(high - low)[0]) > 1e-6:
        side = as_array(way.facts.grip) * (1.0 if way.route.sense[i, 0] > 0.0 else BACK_SHARE)
        w.add(
            _name(way, "S"), f"Grip of the {way.name(i)} over what it carries", "mu * w / log((T_1 - T_v) / (T_2 - T_v))",
            own.margins[i, j], "ratio",
            {"mu": side, "w": way.route.wraps[i], "T_1": high, "T_2": low, "T_v": flung}, "shigley2004, ch. 17",
        )  # fmt: skip
    at = longest(way)
    w.add(
        _name(way, "f"), "Note of its longest span, at rest", "sqrt(T / m) / (2 * l)", note(way, own.static, own.mass), "frequency",
        {"T": own.static, "m": own.mass, "l": way.route.spans[at]}, "thomson1993, ch. 9",
    )  # fmt: skip
