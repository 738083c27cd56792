"""A sender: what it tells, its ohms, what it is wired to, where it sits and by which thread."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, table
from gauge_well.core.fittings.thread import THREADS
from gauge_well.core.typing import Value

GROUP = "Sender"
Points = tuple[tuple[float, ...], ...]


@dataclass(frozen=True)
class Tells:
    """What a sender tells: the facts its points stand in, the quantity's kind and that of a difference, how far a gauge may be off
    (common practice); ``warm``: its ohms are a thermistor's; whether reading low hides a danger."""

    label: str
    points: str
    kind: str
    off: str
    allowed: float
    warm: bool = False
    low_hides: bool = False


TELLS: Mapping[str, Tells] = {
    "coolant": Tells("coolant temperature", "temperatures", "temperature", "temperature_difference", 5.0, True, True),
    "oil_temperature": Tells("oil temperature", "temperatures", "temperature", "temperature_difference", 5.0, True, True),
    "oil_pressure": Tells("oil pressure", "pressures", "pressure_gauge", "pressure_difference", 40e3),
    "boost": Tells("boost", "pressures", "pressure_gauge", "pressure_difference", 15e3, False, True),
    "level": Tells("fuel level", "levels", "share", "share", 0.08),
}  # fmt: skip
GOES: Mapping[str, str] = {"gauge": "a gauge", "computer": "the engine computer", "lamp": "a lamp alone"}


@dataclass(frozen=True)
class Sits:
    """Where a sender may sit: what it then reads (common practice), and what else to mind."""

    label: str
    reads: str
    tells: tuple[str, ...]


SITS: Mapping[str, Sits] = {
    "head": Sits("in the head, by the outlet", "the hottest coolant, at once, while it flows", ("coolant",)),
    "block": Sits("in the block", "the jacket: late, and 3 to 8 K cooler than the outlet", ("coolant",)),
    "hose": Sits("a fitting in the top hose", "nothing true until the thermostat opens, nothing when the coolant is gone", ("coolant",)),
    "pan": Sits("in the pan", "the oil that lies there: the coolest of the round by 5 to 15 K, and the calmest", ("oil_temperature",)),
    "sandwich": Sits("a sandwich plate under the filter", "oil as it leaves the pump; pressure before the filter, 20 to 50 kPa over the gallery", ("oil_pressure", "oil_temperature")),
    "tee": Sits("a tee at the old switch's hole", "the gallery; a heavy sender on brass shakes its neck off: a hose and a bracket on the body", ("oil_pressure",)),
    "splitter": Sits("a splitter block on the body, by a hose", "the gallery, calm and a little late when cold", ("oil_pressure",)),
    "manifold": Sits("by a hose from the manifold", "boost and vacuum; a restrictor against the pulses", ("boost",)),
    "tank": Sits("in the tank", "the level as the arm's shape has it; a tank that is not a box reads crooked", ("level",)),
}  # fmt: skip


def _points(
    label: str, kind: str, who: str, whats: tuple[str, ...], also: tuple[str, tuple[str, ...]] | None = None
) -> Points | None:
    found: Points | None = table(
        f"{who}: {label}, ohms",
        (("reading", kind), ("ohms", "ohms")),
        group=GROUP,
        spread="exact",
        help="One a line, two or more: `20 C, 1.2 kohm`.",
        when=("what", whats),
        also=also,
        rows=30,
    )
    return found


_WARM, _PRESSED = ("coolant", "oil_temperature"), ("oil_pressure", "boost")


@dataclass(frozen=True)
class SenderFacts:
    """What it tells, its points and its gauge's, resistors and pull-ups, where it sits, threads. SI."""

    what: str | None = choice("Tells", {k: v.label for k, v in TELLS.items()}, needed=True, group=GROUP)
    goes: str = choice("Wired to", GOES, group=GROUP)
    temperatures: Points | None = _points("temperature", "temperature", "It has", _WARM)
    pressures: Points | None = _points("pressure", "pressure_gauge", "It has", _PRESSED)
    levels: Points | None = _points("level", "share", "It has", ("level",))
    gauge_temperatures: Points | None = _points("temperature", "temperature", "Its gauge wants", _WARM)
    gauge_pressures: Points | None = _points("pressure", "pressure_gauge", "Its gauge wants", _PRESSED)
    gauge_levels: Points | None = _points("level", "share", "Its gauge wants", ("level",))
    series: Value | None = quantity("Resistor in its line", "ohms", 0.0, 1e6, group=GROUP, spread="exact")
    parallel: Value | None = quantity("Resistor across both", "ohms", 0.1, 1e7, group=GROUP, spread="exact")
    pull_own: Value | None = quantity(
        "Pull-up it hangs on",
        "ohms",
        50.0,
        1e6,
        group=GROUP,
        spread="exact",
        when=("goes", ("computer",)),
        help="Of a second controller on the same wire too: both side by side.",
    )
    pull_table: Value | None = quantity(
        "Pull-up its table is for", "ohms", 50.0, 1e6, group=GROUP, spread="exact", when=("goes", ("computer",))
    )
    sits: str | None = choice("Sits", {k: v.label for k, v in SITS.items()}, group=GROUP)
    thread: str | None = choice("Its thread", {k: v.label for k, v in THREADS.items()}, group=GROUP)
    hole: str | None = choice("Hole's thread", {k: v.label for k, v in THREADS.items()}, group=GROUP)


WAYS: Mapping[str, Way] = {
    "temperatures": Way("hand", "In a pan of water with a thermometer and an ohmmeter: cold, and as it boils."),
    "pressures": Way("hand", "On a tyre pump with a gauge, an ohmmeter across it."),
    "levels": Way("hand", "The arm down, in the middle, up: an ohmmeter across it."),
    "gauge_temperatures": Way(
        "hand", "Resistors in place of the sender: the ohms at which the needle stands on its marks."
    ),
    "gauge_pressures": Way(
        "hand", "Resistors in place of the sender: the ohms at which the needle stands on its marks."
    ),
    "gauge_levels": Way("hand", "Resistors in place of the sender: the ohms at empty, half and full."),
    "pull_own": Way("papers", "Volts at the plug, open; volts over a known resistor in the sensor's place."),
    "pull_table": Way("papers", "By the maker of the table or the controller."),
}

SENDER = Kind("sender", "Sender", SenderFacts, WAYS)
