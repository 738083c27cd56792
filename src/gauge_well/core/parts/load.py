"""Something that draws current: what it is, how much, how many; by state of the machine how much of the time."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.typing import Value

# States of a machine, in the order of a day.
STATES: Mapping[str, str] = {
    "key": "Key on",
    "preheat": "Preheat",
    "crank": "Cranking",
    "idle": "Idling, dry",
    "idle_night": "Idling, wet night",
    "cruise": "Under way, dry",
    "cruise_night": "Under way, wet night",
    "stopped": "Stopped, key out",
}


@dataclass(frozen=True)
class What:
    """Something that draws.

    ``amps`` at 12 V, of one; ``on``: share of the time in each state, in the states' order; ``surge``: of its amps as it comes on;
    ``drop``: share of the volts its wire may cost (all common practice).
    """

    label: str
    amps: float
    on: tuple[float, ...]
    surge: float = 1.0
    drop: float = 0.10


_RUN = (0.0, 0.0, 1.0, 1.0, 1.0, 1.0, 1.0, 0.0)
_KEY = (1.0, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0, 0.0)
_NIGHT = (0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 1.0, 0.0)
WHATS: Mapping[str, What] = {
    "control": What("engine computer and injectors", 8.0, _KEY, 1.0, 0.03),
    "ignition": What("ignition", 4.0, _KEY, 1.0, 0.03),
    "pump": What("fuel pump", 7.0, _RUN, 3.0, 0.03),
    "fan": What("radiator fan", 25.0, (0.0, 0.0, 0.0, 0.5, 0.5, 0.2, 0.2, 0.0), 3.0, 0.03),
    "glow": What("glow plug", 11.0, (0.0, 1.0, 1.0, 0.0, 0.0, 0.0, 0.0, 0.0), 2.2, 0.10),
    "run": What("run solenoid", 1.0, _RUN, 40.0, 0.10),
    "lamps": What("headlamps, a pair", 10.0, _NIGHT, 1.0, 0.05),
    "tail": What("tail, plate and dash lamps", 4.0, _NIGHT, 1.0, 0.05),
    "wipers": What("wipers", 6.0, _NIGHT, 3.0, 0.10),
    "blower": What("cabin blower", 12.0, (0.0, 0.0, 0.0, 0.5, 1.0, 0.5, 1.0, 0.0), 3.0, 0.10),
    "screen": What("heated screen", 18.0, (0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.3, 0.0), 1.0, 0.10),
    "aircon": What("air-conditioning clutch and fan", 14.0, (0.0, 0.0, 0.0, 0.8, 0.3, 0.8, 0.3, 0.0), 2.0, 0.10),
    "steering": What("electric steering pump", 12.0, (0.0, 0.0, 0.0, 1.0, 1.0, 0.7, 0.7, 0.0), 5.0, 0.10),
    "water": What("electric water pump", 10.0, (0.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0, 0.0), 2.0, 0.05),
    "radio": What("radio, chargers", 3.0, (1.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0, 0.0), 1.0, 0.10),
    "nav": What("navigation lamps and plotter", 4.0, (1.0, 0.0, 0.0, 0.5, 1.0, 0.5, 1.0, 0.0), 1.0, 0.03),
    "bilge": What("bilge pump", 5.0, (0.05, 0.0, 0.0, 0.05, 0.05, 0.05, 0.05, 0.02), 3.0, 0.10),
    "fridge": What("fridge", 4.0, (0.4, 0.0, 0.0, 0.4, 0.4, 0.4, 0.4, 0.4), 2.0, 0.10),
    "standing": What("clock, alarm, key box", 0.03, (1.0, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0, 1.0)),
    "other": What("another", 5.0, (0.0, 0.0, 0.0, 1.0, 1.0, 1.0, 1.0, 0.0)),
}


@dataclass(frozen=True)
class LoadFacts:
    """What it is, amps of one, how many. SI."""

    what: str | None = choice("Draws", {k: v.label for k, v in WHATS.items()}, needed=True, group="Load")
    amps: Value = quantity("Amps, each", "current", 0.001, 500.0, group="Load", count_field="count")
    count: Value = quantity("How many of it", "count", 1.0, 16.0, group="Load", spread="exact")
    share: Value | None = quantity(
        "On, of the time it may be",
        "share",
        0.0,
        1.0,
        group="Load",
        help="In the states in which it is on at all; usual by what it is.",
    )


WAYS: Mapping[str, Way] = {
    "amps": Way("running", "A clamp meter round its wire; or watts over volts."),
    "share": Way("running", "Watched through a drive."),
}

LOAD = Kind("load", "Load", LoadFacts, WAYS)
