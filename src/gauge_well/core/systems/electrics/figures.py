"""The electrics' figures."""

from __future__ import annotations

import numpy as np

from gauge_well.core.parts.load import STATES
from gauge_well.core.reads import FANS_DRAW, FANS_FULL
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import charging, cranking, runs, senders, speed, wanted
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import Array, likely


def figures(context: Context, facts: ElectricsFacts) -> dict[str, Array]:
    """Draws by state, what the alternator gives in each duty, volts short, cranking, drops."""
    found = charging.draws(context, facts)
    figures: dict[str, Array] = {f"{s}_current_a": charging.total(found, s) for s in STATES} if found else {}
    gives = charging.able(facts, context.duties.column("engine_speed"))
    if gives is not None:
        figures["alternator_current_a"] = gives
        idle = charging.able(facts, context.engine.facts.idle_speed)
        assert idle is not None
        figures["battery_drain_a"] = np.maximum(charging.total(found, "idle_night") - idle, 0.0)
    full = context.told(FANS_FULL)
    if full is not None:
        figures["fans_full_current_a"] = full / charging.charging(facts)
    short = charging.volts_short(context, facts, context.told(FANS_DRAW))
    if short is not None:
        figures["supply_voltage_v"] = charging.charging(facts) - short
    turned = cranking.cold(context, facts, facts.coldest)
    if turned is not None:
        figures |= {
            "crank_speed_rpm": turned.turned.speed,
            "crank_current_a": turned.turned.amps,
            "crank_voltage_v": turned.turned.at_starter,
            "crank_battery_v": turned.turned.at_battery,
            "crank_torque_nm": turned.torque,
        }
    for run in runs.all_of(facts):
        figures |= {f"wire_drop_{run.id}_v": run.drop, f"wire_bears_{run.id}_a": run.bears}
        size = runs.needed(facts, run)
        if size is not None:
            figures[f"wire_area_{run.id}_m2"] = np.asarray(size.area)
    figures |= _signals(context, facts)
    holds = charging.capacity(facts)
    stopped = charging.total(found, "stopped")
    if holds is not None and likely(stopped) > 0.0:
        figures["stands_s"] = np.asarray(0.5 * holds / stopped)
    return figures


def _signals(context: Context, facts: ElectricsFacts) -> dict[str, Array]:
    """Of signals so many are there and lost, what gauges are off by, pulses and what is shown of them."""
    found: dict[str, Array] = {}
    if facts.signals and facts.computer != "none":
        states = [line.state for line in wanted.lines(context, facts)]
        found |= {f"signals_{state}": np.asarray(float(states.count(state))) for state in (wanted.THERE, wanted.LOST)}
    for sender in senders.all_of(facts):
        read = senders.reads(sender)
        if read is not None:
            found[f"gauge_error_{sender.id}"] = np.asarray(read.worst)
    there, own = speed.there_km(facts), speed.of(facts)
    if there is not None:
        found["pulses_per_km"] = there
    if own is not None:
        found["speed_shown_share"] = own.shown
    return found
