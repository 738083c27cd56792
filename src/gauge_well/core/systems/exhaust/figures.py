"""The exhaust's figures, duty by duty."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import costs, growth, pieces, primaries, warmth
from gauge_well.core.systems.exhaust.facts import AT_FULL, AT_FULL_USUAL, ExhaustFacts
from gauge_well.core.systems.exhaust.ground import Ground
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import Array, as_array, likely


def at_full(context: Context, facts: ExhaustFacts) -> float:
    """Share of its time at full load: as stated, else as such machines run."""
    return (
        AT_FULL.get(context.machine.kind or "", AT_FULL_USUAL) if facts.full_load is None else likely(facts.full_load)
    )


def figures(
    context: Context,
    facts: ExhaustFacts,
    segments: Sequence[pieces.Segment],
    base: Marched,
    gain: Array,
    under: Ground | None,
) -> dict[str, Array]:
    """Figures of every duty: pressure, speed, heat, what the next size gives back; neighbours, ground, growth."""
    lost = costs.power_cost(context.engine, base.mean_pressure, context.peak.power)
    asked = primaries.primaries(context.engine)
    hangs = growth.hung(context, base)
    figures: dict[str, Array] = {
        "exhaust_back_pressure_pa": base.back_pressure,
        "exhaust_velocity_max_m_s": base.speed,
        "exhaust_mach_max": base.mach,
        "exhaust_tip_k": base.tip,
        "pipe_surface_max_k": base.surface,
        "back_pressure_cost_w": lost,
        "back_pressure_cost_share": lost / np.maximum(context.peak.power, 1.0),
        "back_pressure_cost_mean_w": at_full(context, facts) * lost,
        "next_size_gain_w": gain,
        "exhaust_mass_kg": np.asarray(pieces.weight(segments)),
        "choking_share": base.choking,
        "primary_length_m": as_array(asked.length),
        "primary_bore_m": as_array(asked.bore),
        "pulse_form_factor": as_array(max(p.segment.form for p in base.pieces if p.segment.kind != "primaries")),
        "pipe_growth_m": as_array(hangs.whole),
    }
    if len(base.banks) > 1:
        figures |= {"bank_left_pa": base.banks[0], "bank_right_pa": base.banks[1]}
    hottest = warmth.known(context, facts, base)
    for at in hottest:
        got = warmth.warmed(context, at)
        figures[f"neighbour_temperature_k[{at.id}]"] = got.hottest
        if got.sheet is not None:
            figures[f"shield_temperature_k[{at.id}]"] = got.sheet
    if context.room("exhaust_ground") is not None:
        figures["ground_clearance_m"] = np.asarray(context.room("exhaust_ground"), dtype=float)
    if under is not None and under.ramp is not None:
        figures["ramp_angle_rad"] = as_array(under.ramp)
    return figures
