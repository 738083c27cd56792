"""The driveline's figures."""

from __future__ import annotations

import numpy as np

from gauge_well.core.driveline import joints
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.driveline import carried, halves, lines, oiling, stack
from gauge_well.core.systems.driveline.facts import DrivelineFacts
from gauge_well.core.systems.torqued import asked
from gauge_well.core.typing import Array, as_array


def figures(context: Context, facts: DrivelineFacts) -> dict[str, Array]:
    """Free way, clutch, torques, shafts' speeds and unevenness, half-shafts, oil."""
    found: dict[str, Array | None] = {
        "bearing_play_m": None if stack.automatic(context) else stack.play(facts).total,
        "clutch_torque_n_m": None if stack.automatic(context) else carried.held(facts),
        "shaft_speed_max_rpm": lines.fastest(context, facts),
    }
    driven = carried.driven(context)
    if driven is not None:
        at = asked(context, context.peak)
        found["axle_torque_free_n_m"] = driven.free
        found["shaft_torque_n_m"] = np.ravel(carried.at_place(context, facts, driven, at, "shaft"))
        found["axle_torque_n_m"] = np.ravel(carried.at_place(context, facts, driven, at, "axle"))
    whirls = [w for _, s in facts.shafts if (w := lines.whirls(s)) is not None]
    if whirls:
        found["shaft_critical_rpm"] = np.min(np.stack(np.broadcast_arrays(*whirls)), axis=0)
    own = lines.lines(facts)
    if own:
        worst = max(own, key=lambda line: float(np.ravel(line.residual)[0]))
        found["joint_residual_deg"] = np.degrees(worst.residual)
        speed = found["shaft_speed_max_rpm"]
        if speed is not None:
            found["joint_acceleration_rad_s2"] = joints.acceleration(worst.residual, speed)
        slid = [s for line in own if (s := lines.slid(line)) is not None]
        if slid:
            found["slip_travel_m"] = np.asarray(np.abs(slid[0].up - slid[0].down) + 2.0 * lines.SPARE)
    swung = halves.halves(context, facts)
    if swung:
        found["cv_angle_deg"] = np.degrees(np.max([np.ravel(h.over.inner.max(axis=0))[0] for h in swung]))
        found["cv_plunge_m"] = as_array(max(float(np.ravel(h.slides)[0]) for h in swung))
    found["gearbox_oil_k"] = oiling.warmth(context, facts, context.mean)
    return {name: value for name, value in found.items() if value is not None}
