"""What is stated of the throttle and of the vacuum for the brakes."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ROLLS
from gauge_well.core.facts import YES_NO, Way, choice, quantity
from gauge_well.core.typing import Value

THROTTLE, VACUUM = "Throttle", "Brake vacuum"
ON_WHEELS = ("machine.kind", ROLLS[1])
THROTTLES: Mapping[str, str] = {
    "cable": "a cable to the throttle",
    "moved": "the old cable to a sensor under the bonnet",
    "pedal": "a sensor at the pedal",
    "lever": "a hand lever or a governor",
}
ENDS: Mapping[str, str] = {"engine": "on the engine", "body": "on the body"}
_CABLE = ("throttle", ("cable", "moved", "lever"))
_SENSOR = ("throttle", ("moved", "pedal"))
SOURCES: Mapping[str, str] = {
    "manifold": "the manifold",
    "engine": "a pump the engine turns",
    "electric": "an electric pump",
    "none": "nothing yet",
}
BOOSTERS: Mapping[str, str] = {"vacuum": "by vacuum", "fluid": "by the steering's or an electric pump", "none": "none"}
_BOOSTED = ("booster", ("vacuum",))
_PUMPED = ("source", ("engine", "electric"))


@dataclass(frozen=True)
class ThrottleFacts:
    """Pedal to throttle; booster and what empties it. SI."""

    throttle: str = choice("Throttle by", THROTTLES, group=THROTTLE)
    pedal_moves: Value | None = quantity("Pedal or lever draws the cable", "size", 0.005, 0.25, group=THROTTLE, spread="gauge", when=_CABLE, help="Rest to its stop.")  # fmt: skip
    wheel: Value | None = quantity("Throttle's wheel or lever, to the cable", "size", 0.005, 0.1, group=THROTTLE, spread="gauge", when=_CABLE, help="Radius.")  # fmt: skip
    opens: Value = quantity("It turns, shut to full", "angle", 0.3, 2.2, group=THROTTLE, when=_CABLE)
    lever_before: Value = quantity("A lever stands before square by", "angle", 0.0, 1.4, group=THROTTLE, when=_CABLE, help="Shut; none: a round wheel.")  # fmt: skip
    cable: Value | None = quantity("Sleeve of the cable is long", "length", 0.1, 30.0, group=THROTTLE, when=_CABLE)
    cable_way: Value | None = quantity("Its way asks", "length", 0.1, 30.0, group=THROTTLE, when=_CABLE, help="Along where it will lie, in wide bends.")  # fmt: skip
    bends: Value | None = quantity("Bends of its sleeve together", "angle", 0.0, 20.0, group=THROTTLE, when=_CABLE)
    rubs: Value = quantity("Cable rubs with", "ratio", 0.03, 0.6, group=THROTTLE, spread="friction", when=_CABLE)
    spring: Value | None = quantity(
        "Return spring pulls, shut, at the cable", "force", 1.0, 300.0, group=THROTTLE, when=_CABLE
    )
    drags: Value = quantity("Pedal and cable want to come back", "force", 0.5, 100.0, group=THROTTLE, when=_CABLE)
    springs: Value | None = quantity("Springs that shut it, each alone able to", "count", 0.0, 4.0, group=THROTTLE, spread="exact", when=_CABLE)  # fmt: skip
    pedal_stop: str | None = choice("The pedal has a stop of its own", YES_NO, group=THROTTLE, when=_CABLE)
    sleeve_ends: str = choice("Sleeve ends", ENDS, group=THROTTLE, when=_CABLE)
    slack: Value = quantity("Slack in the cable, shut", "size", 0.0, 0.05, group=THROTTLE, spread="gauge", when=_CABLE)
    end_over: Value | None = quantity("Throttle over the crank", "height", -0.5, 1.5, group=THROTTLE, when=("sleeve_ends", ("body",)))  # fmt: skip
    end_left: Value = quantity("left of it", "length", -1.0, 1.0, group=THROTTLE, when=("sleeve_ends", ("body",)), follows="end_over")  # fmt: skip
    sensor_sweep: Value | None = quantity(
        "Sensor is turned, rest to stop", "angle", 0.05, 2.2, group=THROTTLE, when=_SENSOR
    )
    sensor_wants: Value | None = quantity(
        "It wants, for full throttle", "angle", 0.05, 2.2, group=THROTTLE, when=_SENSOR
    )
    tracks: Value | None = quantity("Tracks that agree through the sweep", "count", 0.0, 2.0, group=THROTTLE, spread="exact", when=_SENSOR)  # fmt: skip
    booster: str = choice("Brakes are helped", BOOSTERS, group=VACUUM, also=ON_WHEELS)
    source: str = choice("Its vacuum comes from", SOURCES, group=VACUUM, when=_BOOSTED, also=ON_WHEELS)
    plate: str = choice("A throttle plate makes its manifold suck", YES_NO, group=VACUUM, when=("source", ("manifold",)), also=ON_WHEELS)  # fmt: skip
    depth: Value | None = quantity("Vacuum there, idling, at sea level", "pressure_difference", 1e3, 99e3, group=VACUUM, when=_BOOSTED, also=ON_WHEELS)  # fmt: skip
    cam: str = choice(
        "Its cam is", {"mild": "as made", "long": "long, overlapping"}, group=VACUUM, when=_BOOSTED, also=ON_WHEELS
    )
    bore: Value = quantity("Booster's piston across", "size", 0.1, 0.4, group=VACUUM, when=_BOOSTED, also=ON_WHEELS)
    stroke: Value = quantity(
        "A whole application moves it", "size", 0.005, 0.08, group=VACUUM, when=_BOOSTED, also=ON_WHEELS
    )
    holds: Value = quantity("Booster holds", "volume", 5e-4, 0.03, group=VACUUM, when=_BOOSTED, also=ON_WHEELS)
    reservoir: Value = quantity("Reservoir besides", "volume", 0.0, 0.05, group=VACUUM, when=_BOOSTED, also=ON_WHEELS)
    high: Value = quantity("Driven up to", "distance", -400.0, 5500.0, group=VACUUM, spread="asked", when=_BOOSTED, also=ON_WHEELS)  # fmt: skip
    pump_flow: Value = quantity("Pump's free flow", "flow", 1e-5, 0.05, group=VACUUM, when=_PUMPED, also=ON_WHEELS)
    hose: Value | None = quantity("Vacuum hose's bore", "size", 0.003, 0.05, group=VACUUM, spread="gauge", when=_BOOSTED, also=ON_WHEELS)  # fmt: skip
    port: Value | None = quantity("Its port's bore", "size", 0.003, 0.05, group=VACUUM, spread="gauge", when=_BOOSTED, also=ON_WHEELS)  # fmt: skip
    valve: str | None = choice("A one-way valve in it", YES_NO, group=VACUUM, when=_BOOSTED, also=ON_WHEELS)
    moved: str = choice("Booster or master moved", YES_NO, group=VACUUM, also=ON_WHEELS)
    rod_aside: Value | None = quantity("Its rod bent off the master's line by", "angle", 0.0, 0.5, group=VACUUM, when=("moved", ("yes",)), also=ON_WHEELS)  # fmt: skip


WAYS: Mapping[str, Way] = {
    "pedal_moves": Way("above", "A rule at the cable's end, a helper from rest to the pedal's stop."),
    "wheel": Way("hand", "Calliper from the spindle's middle to the cable's groove or hole."),
    "opens": Way("hand", "A protractor on the spindle, shut to its full stop."),
    "lever_before": Way("hand", "Shut: the angle between the lever and a line square to its cable."),
    "cable": Way("hand", "A tape along its sleeve, ferrule to ferrule."),
    "cable_way": Way("above", "A string laid as the cable will lie, bends of ten sleeves' width at least."),
    "bends": Way("above", "Each bend by eye, added: two square corners are 180°."),
    "rubs": Way("hand", "A spring scale through a loop of half a turn: 0.1 lined and oiled, 0.25 dry."),
    "spring": Way("hand", "A spring scale at the cable's hole, shut."),
    "drags": Way("above", "A spring scale at the cable's pedal end: what just pulls it back."),
    "springs": Way("hand", "Unhook one: the other must shut it alone."),
    "slack": Way("hand", "A rule at the throttle, the cable pushed back and drawn until it just moves."),
    "end_over": Way("stand", "Rule from the crank bolt's centre up to the throttle."),
    "end_left": Way("stand", "Rule across from the crank's line."),
    "sensor_sweep": Way("hand", "A protractor on its lever, rest to stop."),
    "sensor_wants": Way("papers", "By its volts: from idle's to full throttle's."),
    "tracks": Way("running", "Key on, engine off: a scan tool or two meters through a slow sweep."),
    "depth": Way("running", "A gauge at the booster's hose, warm, idling."),
    "bore": Way("hand", "Across its shell, less 20 mm."),
    "stroke": Way("above", "A rule at the pedal over the pedal's ratio, a hard application."),
    "holds": Way("papers", "Two thirds of the shell's outside volume."),
    "reservoir": Way("papers", "Stamped on it, or filled with water."),
    "pump_flow": Way("papers", "Its maker's sheet: litres a minute, free."),
    "hose": Way("hand", "Calliper in a cut end."),
    "port": Way("hand", "A drill's shank in its narrowest place."),
    "rod_aside": Way("above", "An inclinometer on the rod, then on the master."),
}
