"""The working of the controls: throttle, vacuum, pedal, bump-steer, pump."""

from __future__ import annotations

import numpy as np

from gauge_well.core.linkage import vacuum
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import as_array, likely
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: ControlsFacts, index: int) -> list[Step]:
    """Of what is stated; the same in each duty."""
    w = Working(index)
    opens = model.opening(facts)
    if opens is not None and facts.pedal_moves is not None and facts.wheel is not None:
        pulls = np.maximum(as_array(facts.pedal_moves) - facts.slack, 0.0)
        if likely(facts.lever_before) <= 0.0:
            w.add("a", "Throttle opened", "t / r", opens, "angle", {"t": pulls, "r": facts.wheel}, "arithmetic")
    if facts.booster == "vacuum" and facts.depth is not None and not model.vacuumless(facts):
        held = model.held_at(context, facts, facts.depth, facts.high)
        each = vacuum.lets_in(facts.bore, facts.stroke)
        w.add("V_a", "Air let in by an application", "pi / 4 * D ** 2 * s", each, "volume", {"D": facts.bore, "s": facts.stroke, "pi": np.pi}, "arithmetic")  # fmt: skip
        w.add(
            "n", "Applications before it helps no more", "maximum(log(d / d_0), 0) / log(1 + V_a / V)", held.applications, "count",
            {"d": held.depth, "d_0": model.LEAST_DEPTH, "V_a": each, "V": model.volume(facts)}, "arithmetic",
        )  # fmt: skip
    found, link = model.pedalled(context, facts), model.link_of(facts)
    if found is not None and link is not None:
        w.add(
            "s_b", "Bearing moved", "maximum((p - l) / i - g, 0) / k / f", found.moves, "size",
            {"p": link.travel, "l": link.lost, "i": link.ratio, "g": facts.gives, "k": link.areas, "f": link.fork}, "arithmetic",
        )  # fmt: skip
    toe = model.toed(facts)
    if toe is not None and facts.lowered is not None and facts.rod is not None and facts.steer_arm is not None:
        h, z = np.abs(as_array(facts.lowered)), as_array(facts.bump)
        # The worse way: both lengths on one side of level.
        turned = (np.sqrt(as_array(facts.rod) ** 2 - z**2) - facts.rod - np.sqrt(as_array(facts.rod) ** 2 - (z + h) ** 2) + np.sqrt(as_array(facts.rod) ** 2 - h**2)) / facts.steer_arm  # fmt: skip
        w.add(
            "y", "Steering arm turned over the bump, as a share of its length", "(sqrt(L ** 2 - z ** 2) - L - sqrt(L ** 2 - (z + h) ** 2) + sqrt(L ** 2 - h ** 2)) / a", turned, "ratio",
            {"L": facts.rod, "z": z, "h": h, "a": facts.steer_arm}, "gillespie1992, ch. 8",
        )  # fmt: skip
    flow = model.pump_flow(context, facts)
    if flow is not None and facts.pump_swept is not None:
        w.add(
            "q", "Steering pump idling", "v * n * i / 60 * k", flow[0], "flow",
            {"v": facts.pump_swept, "n": as_array(context.engine.facts.idle_speed), "i": facts.pump_ratio, "k": model.PUMP_KEEPS}, "common practice",
        )  # fmt: skip
    return w.steps
