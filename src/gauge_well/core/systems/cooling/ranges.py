"""Where the cooling's relations are used outside what they were fitted on."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.media import coolant
from gauge_well.core.systems.base import Context, duty_values
from gauge_well.core.systems.cooling.gauge import Shown
from gauge_well.core.systems.cooling.model import Cooling, pick_fan
from gauge_well.core.typing import likely
from gauge_well.core.validity import Look, Notice, looked

CORE, LOOP, STACK = "core_fan", "loop", "stack"
AHEAD = {"charge": "the charge cooler", "oil": "the oil cooler"}


def notices(cooling: Cooling, context: Context, seen: Shown) -> list[Notice]:
    """What lies outside, once for each part and duty."""
    return looked(_looks(cooling, context, seen), context.duties.named)


def _looks(cooling: Cooling, context: Context, seen: Shown) -> Iterator[Look]:
    plant, count = cooling.plant, len(context.duties.cases)
    core = plant.core
    air = pick_fan(cooling.airs, -1).side
    for range_, value, field in core.built:
        yield Look(range_, likely(value), CORE, f"cooling.{field}")
    yield Look(core.reynolds, duty_values(air.reynolds, count), CORE, "cooling.core_width")
    yield Look(coolant.TEMPERATURE_RANGE, duty_values(seen.end, count), CORE, "cooling.core_width")
    yield Look(coolant.SHARE_RANGE, likely(plant.glycol), LOOP, "cooling.glycol")
    for cooler in plant.coolers:
        depth, value, _ = cooler.core.built[0]
        yield Look(depth.of(AHEAD[cooler.name]), likely(value), STACK, f"cooling.{cooler.name}_depth")
