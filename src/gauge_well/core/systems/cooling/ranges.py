"""What the cooling's relations were fitted on, looked at where they are used."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.media import coolant
from gauge_well.core.systems.cooling.gauge import Shown
from gauge_well.core.systems.cooling.model import Cooling, pick_fan
from gauge_well.core.typing import likely
from gauge_well.core.validity import Look

CORE, LOOP, STACK = "core_fan", "loop", "stack"
AHEAD = {"charge": "the charge cooler", "oil": "the oil cooler"}


def looks(cooling: Cooling, seen: Shown) -> Iterator[Look]:
    """What the core, the coolant and the coolers in front were known for."""
    plant, core = cooling.plant, cooling.plant.core
    air = pick_fan(cooling.airs, -1).side
    for range_, value, field in core.built:
        yield Look(range_, likely(value), CORE, f"cooling.{field}")
    yield Look(core.reynolds, air.reynolds, CORE, "cooling.core.width")
    yield Look(coolant.TEMPERATURE_RANGE, seen.end, CORE, "cooling.core.width")
    yield Look(coolant.SHARE_RANGE, likely(plant.glycol), LOOP, "cooling.glycol")
    for cooler in plant.coolers:
        depth, value, _ = cooler.core.built[0]
        yield Look(depth.of(AHEAD[cooler.name]), likely(value), STACK, f"cooling.{cooler.name}_cooler.depth")
