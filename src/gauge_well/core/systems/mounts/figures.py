"""Mounts' figures: loads, rock, modes, shake, brackets; no duty changes them."""

from __future__ import annotations

from collections.abc import Mapping

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts import brackets
from gauge_well.core.systems.mounts.brackets import braced, lacks
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import Held, shake
from gauge_well.core.typing import Array, as_array, likely


def figures(context: Context, facts: MountsFacts, found: Held) -> Mapping[str, Array]:
    """Loads [N] by mount, rock [rad], mode [Hz], share of shake, sink [m], stress [Pa] and fills by bracket."""
    told: dict[str, Array] = {
        "rock_rad": found.rock,
        "roll_mode_hz": found.modes.of("roll"),
        "firing_hz": as_array(context.engine.facts.firing(likely(context.engine.facts.idle_speed))),
        "transmissibility": shake(context, found),
        "static_sink_m": found.sink,
        "reacted_torque_n_m": np.abs(found.torque.cases(np.ones((len(found.rock), 1)))[:, 0]).max(axis=-1),
    }
    rest, most = (
        found.shocked.carried[:, 0, :, 2],
        np.maximum(found.shocked.size.max(axis=1), found.torqued.size.max(axis=1)),
    )
    for k, foot in enumerate(found.stood.feet):
        told[f"mount_load_n[{foot.id}]"] = rest[:, k]
        told[f"mount_load_max_n[{foot.id}]"] = most[:, k]
    if np.any(found.thrust):
        told["thrust_n"] = np.abs(found.thrust[:, 0])
    for item in braced(facts.brackets, len(found.stood.feet)):
        if lacks(item):
            continue
        force, _ = brackets.shock_on(found, item.foot)
        own = item.facts
        told[f"bracket_stress_pa[{item.id}]"] = brackets.stress(own, item.where, force)
        if own.welded == "yes":
            told[f"fatigue_fill[{item.id}]"] = brackets.life_fill(own, item.where, brackets.rest_on(found, item.foot))
        if own.bolted == "yes":
            worked = brackets.bolted(own, item.where, force)
            told[f"bolt_preload_n[{item.id}]"] = as_array(worked.preload)
            told[f"bolt_slip_fill[{item.id}]"] = worked.slip
    return told
