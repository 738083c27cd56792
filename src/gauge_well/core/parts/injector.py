"""Injectors: flow at a pressure, dead time, how short they open."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, quantity, table
from gauge_well.core.typing import Value


@dataclass(frozen=True)
class InjectorFacts:
    """One injector and how many. SI."""

    flow: Value | None = quantity(
        "Injector, each",
        "injector_flow",
        5e-8,
        1e-4,
        needed=True,
        group="Injectors",
        count_field="count",
    )
    pressure: Value = quantity(
        "rated at", "pressure_difference", 5e4, 1.2e6, follows="flow", group="Injectors", spread="exact"
    )
    count: Value = quantity("How many", "count", 1, 32, group="Injectors", spread="exact")
    dead_time: Value = quantity(
        "Dead time at 13.5 V", "time_short", 0.0, 4e-3, group="Injectors", help="Longer at less."
    )
    dead_table: tuple[tuple[float, ...], ...] | None = table(
        "Dead time by volts",
        (("volts", "voltage"), ("time", "time_short")),
        group="Injectors",
        help="One row a line, for instance `12 V, 1.25 ms`; in place of the one figure.",
    )
    least_pulse: Value = quantity(
        "Shortest steady opening",
        "time_short",
        0.1e-3,
        3e-3,
        group="Injectors",
        help="Dead time left out; under it idle hunts.",
    )


WAYS: Mapping[str, Way] = {
    "flow": Way("hand", "Wide open at a steady pressure into a measuring glass for half a minute."),
    "dead_time": Way("papers", "The maker's table at 13.5 V, or a flow bench at two pulse lengths."),
    "dead_table": Way("papers", "The maker's table, or a flow bench at several volts."),
    "least_pulse": Way("papers", "Where the maker's flow curve leaves the straight line."),
}

INJECTOR = Kind("injector", "Injectors", InjectorFacts, WAYS)
