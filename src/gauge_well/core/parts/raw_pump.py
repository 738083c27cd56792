"""A raw-water pump with a flexible impeller: so much a turn, less as it wears."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import Kind, Way, quantity
from gauge_well.core.typing import Array, Value, as_array

FILLS = 0.9  # of what its impeller sweeps (common practice)


@dataclass(frozen=True)
class RawPumpFacts:
    """What it moves a turn, or at a speed; how fast it turns, how worn it is. SI."""

    displacement: Value | None = quantity(
        "Raw-water pump moves, a turn",
        "swept",
        2e-6,
        2e-3,
        needed=True,
        group="Raw water",
        help="Stamped, or in its sheet.",
    )
    flow: Value | None = quantity(
        "or by its sheet", "flow", 2e-5, 0.05, group="Raw water", help="Where the sheet gives no volume a turn."
    )
    flow_speed: Value | None = quantity(
        "at", "speed_rpm", 100.0, 6000.0, group="Raw water", follows="flow", spread="exact", help="Of the pump."
    )
    ratio: Value = quantity("Pump turns for one of the engine", "ratio", 0.2, 3.0, group="Raw water", spread="exact")
    worn: Value = quantity(
        "Its impeller still moves", "share", 0.2, 1.0, group="Raw water", help="Of what it did new; a season old 85 %."
    )
    port: Value | None = quantity("Its ports, inside", "length", 0.008, 0.15, group="Raw water", spread="gauge")


WAYS: Mapping[str, Way] = {
    "displacement": Way("papers", "The maker's sheet; or ten turns by hand into a jug."),
    "flow": Way("papers", "The maker's sheet: flow at a speed, next to no pressure."),
    "ratio": Way("stand", "Chalk both pulleys, or count the gear's teeth."),
    "worn": Way("running", "Bucket and watch at the outlet, against what the sheet says new."),
    "port": Way("hand", "Calliper in the port."),
}


def a_turn(facts: RawPumpFacts, where: str) -> Array:
    """What a new impeller moves at each turn [m3]; MissingFact names its displacement where neither that nor a flow at a
    speed is known."""
    if facts.displacement is not None:
        return np.asarray(FILLS * as_array(facts.displacement))
    if facts.flow is None or facts.flow_speed is None:
        raise MissingFact(f"{where}.displacement")
    return np.asarray(as_array(facts.flow) * 60.0 / facts.flow_speed)


RAW_PUMP = Kind("raw_pump", "Raw-water pump", RawPumpFacts, WAYS)
