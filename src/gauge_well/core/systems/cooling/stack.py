"""What stands ahead of the engine, from the front to the first moving thing."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from gauge_well.core.facts import fact
from gauge_well.core.geometry.stack import CORE_TO_FAN
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Layer:
    """One thing in the stack: its depth, and its size across where known [m]."""

    id: str
    name: str
    kind: str  # cooler, core, fan or gap
    depth: Value
    width: Value | None = None
    height: Value | None = None
    count: Value = 1.0


def layers(facts: CoolingFacts) -> tuple[Layer, ...]:
    """Layers from the front to the back; empty without the core's depth.

    A pushing fan stands foremost, a pulling one behind the core; one the engine drives sits on the engine, so that
    what is left stands between it and the core.
    """
    if facts.core.depth is None:
        return ()
    fan = (
        None
        if facts.fan.drive in (None, "none") or facts.fan.depth is None
        else Layer("fan", "fan", "fan", facts.fan.depth, facts.fan.diameter, facts.fan.diameter, facts.fan.count or 1.0)
    )
    bodies: list[Layer] = []
    if facts.condenser_front == "yes" and facts.condenser.depth is not None:
        bodies.append(
            Layer("condenser", "condenser", "cooler", facts.condenser.depth, facts.core.width, facts.core.height)
        )
    for id, name in (("oil", "oil cooler"), ("charge", "charge cooler")):
        cooler = fact(facts, f"{id}_cooler")
        if fact(facts, f"{id}_front") == "yes" and cooler.depth is not None:
            bodies.append(Layer(id, name, "cooler", cooler.depth, cooler.width, cooler.height))
    bodies.append(Layer("core", "core", "core", facts.core.depth, facts.core.width, facts.core.height))
    found: list[Layer] = []
    between = Layer(
        "gap_fan",
        "shroud" if facts.fan.shroud in ("full", "flaps") else "gap",
        "gap",
        CORE_TO_FAN if facts.fan_gap is None else facts.fan_gap,
    )
    if fan is not None and facts.fan.drive == "pusher":
        found += [fan, between]
    for at, body in enumerate(bodies):
        if at:
            found.append(Layer(f"gap_{at}", "gap", "gap", facts.front_gap))
        found.append(body)
    if fan is not None and facts.fan.drive == "puller":
        found += [between, fan]
    if fan is not None and facts.fan.drive == "belt":
        found.append(fan)
    return tuple(found)


def room_left(available: Value, found: Sequence[Layer]) -> Array:
    """Room between the stack and the first moving thing [m]; negative in interference."""
    left = as_array(available)
    for layer in found:
        left = left - layer.depth
    return left
