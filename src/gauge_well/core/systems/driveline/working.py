"""The working of the driveline: the stack, the clutch, the shaft that whirls first, torque at the axle, the oil."""

from __future__ import annotations

import numpy as np

from gauge_well.core.driveline import shaft
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline import carried, lines, oiling, stack
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.systems.torqued import asked
from gauge_well.core.typing import as_array, likely
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: DrivelineFacts, index: int) -> list[Step]:
    """In the order in which torque goes out."""
    w = Working(index)
    _stack(w, context, facts)
    _clutch(w, context, facts)
    _axle(w, context, facts)
    _shaft(w, context, facts)
    _oil(w, context, facts)
    return w.steps


def _stack(w: Working, context: Context, facts: DrivelineFacts) -> None:
    free = stack.play(facts).total
    if stack.automatic(context) or free is None:
        return
    own = {"a": facts.adapter, "b": facts.bell, "r": facts.bearing, "f": facts.crank_flange, "s": facts.spacer, "w": facts.flywheel.face, "c": facts.clutch.height}  # fmt: skip
    inputs = {name: value for name, value in own.items() if value is not None}
    w.add("p", "Bearing free before the fingers", "a + b - r - (f + s + w + c)", free, "size", inputs, "arithmetic")


def _clutch(w: Working, context: Context, facts: DrivelineFacts) -> None:
    holds, own, inner = carried.held(facts), facts.clutch, carried.lined(facts)
    if stack.automatic(context) or holds is None or own.outer is None or own.clamp is None or inner is None:
        return
    w.add(
        "T_c", "What the clutch holds", "2 * n * mu * F * (D + d) / 4", holds, "torque",
        {"n": own.discs, "mu": own.friction, "F": own.clamp, "D": own.outer, "d": inner}, "shigley2004, ch. 16",
    )  # fmt: skip


def _axle(w: Working, context: Context, facts: DrivelineFacts) -> None:
    found = carried.driven(context)
    if found is None:
        return
    at = asked(context, context.peak)
    turned, gripped = carried.whole(facts, context.machine.drive)
    w.add(
        "T_a", "Torque at an axle's wheels together", "minimum(T_o * k * i * x, g * C)", carried.at_place(context, facts, found, at, "axle"), "torque",
        {"T_o": found.output, "k": found.dump, "i": found.final, "x": turned, "g": gripped, "C": found.cap}, "gillespie1992, ch. 2",
    )  # fmt: skip


def _shaft(w: Working, context: Context, facts: DrivelineFacts) -> None:
    known = [(s, c) for _, s in facts.shafts if (c := lines.whirls(s)) is not None]
    if known:
        own, speed = min(known, key=lambda pair: likely(pair[1]))
        assert own.length is not None and own.tube is not None and own.wall is not None
        inside = np.maximum(as_array(own.tube) - 2.0 * as_array(own.wall), 0.0)
        w.add(
            "n_w", "Shaft whirls first at", "30 / pi * (pi / L) ** 2 * sqrt(E / rho) * sqrt(D ** 2 + d ** 2) / 4", speed, "speed_rpm",
            {"L": own.length, "E": shaft.STEEL_E, "rho": shaft.STEEL_DENSITY, "D": own.tube, "d": inside, "pi": np.pi}, "thomson1993, ch. 9",
        )  # fmt: skip
    for line in lines.lines(facts):
        if len(line.shafts) == 1:
            a, b = line.bends
            turn = 2.0 * (np.angle(a) - np.angle(b) + as_array(line.shafts[0][1].forks))
            w.add(
                "b_r", f"One joint as uneven as the {line.name}", "sqrt(sqrt(maximum(a ** 4 + b ** 4 - 2 * a ** 2 * b ** 2 * c, 0)))", line.residual, "angle",
                {"a": np.abs(a), "b": np.abs(b), "c": np.cos(turn)}, "schmelz1992, ch. 1",
            )  # fmt: skip


def _oil(w: Working, context: Context, facts: DrivelineFacts) -> None:
    gives = facts.cooler_gives if facts.cooler_gives is not None and facts.box_cooler != "none" else 0.0
    w.add(
        "t_g", "Gearbox's oil settles at", "(Q + c * T_a + u * T_s) / (c + u)", oiling.warmth(context, facts, context.mean), "temperature",
        {"Q": context.gearbox_heat(context.mean), "c": facts.case_gives, "T_a": context.duties.column("ambient"), "u": gives, "T_s": oiling.sink(context, facts)},
        "arithmetic",
    )  # fmt: skip
