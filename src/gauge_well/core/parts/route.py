"""A run of hose, pipe, cable or wire through the machine: what it is, from where to where, how it lies."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity, text
from gauge_well.core.typing import Value

GROUP, LIES = "Run", "How it lies"


@dataclass(frozen=True)
class What:
    """What a run can be.

    ``order`` in which it is laid, stiff ones first; ``wall`` [m] of its side; farthest between clips [m]; tightest bend over its
    outside; gaps to a bare and to a shielded exhaust [m]; ``holds`` what must not meet: fuel, brake, live, signal, moving; all
    common practice.
    """

    label: str
    order: int
    wall: float
    clips: float
    bend: float
    bare: float = 0.075
    shielded: float = 0.025
    holds: str = ""


WHATS: Mapping[str, What] = {
    "brake": What("brake pipe", 1, 0.7e-3, 0.45, 3.0, holds="brake"),
    "clutch": What("clutch pipe or hose", 1, 0.7e-3, 0.45, 4.0, holds="brake"),
    "fuel_pipe": What("fuel pipe, hard", 1, 0.8e-3, 0.50, 4.0, 0.10, 0.10, "fuel"),
    "exhaust_hose": What("wet exhaust hose", 2, 6e-3, 1.0, 4.0),
    "raw_water": What("raw-water hose", 2, 4.5e-3, 0.60, 5.0),
    "coolant": What("coolant hose", 2, 4.5e-3, 0.60, 4.0),
    "air": What("air or charge pipe", 2, 4e-3, 0.80, 3.0),
    "oil": What("oil hose", 3, 4e-3, 0.40, 6.0),
    "fuel": What("fuel hose", 3, 3.5e-3, 0.40, 6.0, 0.10, 0.10, "fuel"),
    "vent": What("vent or breather", 3, 3e-3, 0.50, 5.0),
    "vacuum": What("vacuum hose", 3, 3.5e-3, 0.40, 5.0),
    "bilge": What("bilge hose", 3, 3e-3, 0.60, 5.0),
    "heater": What("heater hose", 3, 3.5e-3, 0.50, 5.0),
    "steering": What("steering hose", 3, 4e-3, 0.40, 8.0),
    "throttle": What("throttle cable", 4, 1.5e-3, 0.40, 15.0, holds="moving"),
    "gear": What("gear or clutch cable", 4, 3e-3, 0.40, 15.0, holds="moving"),
    "battery": What("battery cable", 5, 2.5e-3, 0.30, 6.0, holds="live"),
    "loom": What("loom", 6, 1e-3, 0.30, 5.0, holds="signal"),
    "wire": What("wire, with current", 6, 1e-3, 0.30, 5.0, holds="live"),
    "signal": What("sensor's wire", 6, 1e-3, 0.30, 5.0, holds="signal"),
}
LANES: Mapping[str, str] = {"left": "left", "middle": "middle", "right": "right"}
MOVES: Mapping[str, str] = {"none": "neither end moves", "engine": "one end on the engine", "axle": "one end on an axle or wheel"}  # fmt: skip
EDGES: Mapping[str, str] = {"none": "no edge", "grommet": "an edge, in a grommet or sleeve", "bare": "a bare edge"}
SHIELDS: Mapping[str, str] = {"none": "no", "yes": "yes"}
REACHED: Mapping[str, str] = {"yes": "yes", "no": "no: it goes in before"}
RELIEFS: Mapping[str, str] = {"yes": "held by both ends", "no": "hangs on its ends"}


@dataclass(frozen=True)
class RouteFacts:
    """What, its bore, from where to where, its length, how it lies. SI; along the machine from its nose."""

    what: str | None = choice("It is", {k: v.label for k, v in WHATS.items()}, needed=True, group=GROUP)
    starts: str | None = text("From", group=GROUP)
    ends: str | None = text("To", group=GROUP)
    bore: Value | None = quantity("Bore", "size", 0.0005, 0.3, group=GROUP, help="Of a loom, its outside.")
    length: Value | None = quantity("Cut to", "length", 0.05, 60.0, group=GROUP, help="As it is cut, slack and all.")
    start_along: Value | None = quantity("Begins, from the nose", "length", -1.0, 40.0, group=LIES)
    start_lane: str = choice("on the", LANES, group=LIES)
    lane: str = choice("Runs along the", LANES, group=LIES)
    end_along: Value | None = quantity("Ends, from the nose", "length", -1.0, 40.0, group=LIES)
    end_lane: str = choice("on the", LANES, group=LIES)
    moves: str = choice("Its ends", MOVES, group=LIES)
    clips: Value | None = quantity("Clips, farthest apart", "length", 0.02, 5.0, group=LIES)
    bend: Value | None = quantity("Tightest bend, its radius", "size", 0.001, 2.0, group=LIES, help="To its middle.")
    hot_gap: Value | None = quantity("Nearest to the exhaust", "size", 0.0, 3.0, group=LIES, help="Hot, rocking.")
    shielded: str = choice("Shielded from it", SHIELDS, group=LIES)
    edge: str | None = choice("Passes", EDGES, group=LIES)
    relief: str | None = choice("Strain", RELIEFS, group=LIES)
    reached: str = choice("Reached with the engine in", REACHED, group=LIES)


WAYS: Mapping[str, Way] = {
    "bore": Way("hand", "Calliper in a cut end; of a loom across it."),
    "length": Way("under", "A string along the way it goes, the engine levered both ways, and what its ends take."),
    "start_along": Way("under", "A tape along the floor from the foremost point."),
    "end_along": Way("under", "A tape along the floor from the foremost point."),
    "clips": Way("under", "A tape between the two farthest."),
    "bend": Way("under", "A tin or pipe that fits inside the bend: half of it, and half the hose."),
    "hot_gap": Way("under", "Stacked drill shanks at the tightest place, the engine levered towards it."),
}

ROUTE = Kind("route", "Route", RouteFacts, WAYS)
