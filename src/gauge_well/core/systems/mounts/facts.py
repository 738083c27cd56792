"""What mounts need to know: where they stand, what they are made of, what carries them, what pulls at them."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE, ROLLS
from gauge_well.core.facts import YES_NO, Several, Way, choice, quantity, several, ways_of
from gauge_well.core.parts.bracket import BRACKET, BracketFacts
from gauge_well.core.parts.mount import MOUNT, MountFacts
from gauge_well.core.typing import Value

USUAL, TORQUE, USE, THRUST = "Where no mounts are stated", "Torque", "What it goes through", "Propeller"


@dataclass(frozen=True)
class School:
    """A school of mounting: stuff of the mounts beside the crank and of that at the tail."""

    label: str
    sides: str
    tail: str


SCHOOLS: Mapping[str, School] = {
    "soft": School("soft", "soft", "soft"),
    "firm": School("firm", "firm", "firm"),
    "mixed": School("firm, polyurethane at the tail", "firm", "poly"),
    "poly": School("polyurethane", "poly", "poly"),
    "solid": School("solid", "solid", "solid"),
}


@dataclass(frozen=True)
class Shock:
    """What a use throws an engine about with, in all [g]: down, up, fore and aft, sideways (common practice); and what that
    is called."""

    label: str
    down: float
    up: float
    along: float
    aside: float
    called: tuple[str, str, str, str]


DRIVEN = ("over a bump", "thrown up", "hard braking", "pushed from behind")
AFLOAT = ("slammed by a sea", "falling off a sea", "stopped by a sea", "surging ahead")
SHOCKS: Mapping[str, Shock] = {
    "road": Shock("made roads", 3.0, 2.0, 1.0, 1.0, DRIVEN),
    "rough": Shock("rough ground, jumps", 5.0, 3.0, 2.0, 2.0, DRIVEN),
    "planing": Shock("planing in a sea", 5.0, 3.0, 1.5, 1.5, AFLOAT),
    "water": Shock("displacement, in a seaway", 2.0, 0.0, 0.5, 0.7, AFLOAT),
    "field": Shock("field and yard", 3.0, 1.5, 1.0, 1.0, DRIVEN),
    "still": Shock("it stands", 1.5, 0.0, 0.5, 0.5, ("set down hard", "lifted", "knocked", "knocked")),
    "air": Shock("flight and landing", 4.0, 2.0, 1.0, 1.5, ("in a hard landing", "pushed over", "braked", "launched")),
}


@dataclass(frozen=True)
class Turns:
    """What a kind of machine's torque cases are called: full torque, the same turned back, let go; what is turned back of it
    (common practice)."""

    called: tuple[str, str, str]
    back: float


WHEELED = Turns(("pulling away in first", "backing in reverse", "clutch let go"), 0.9)
TURNS: Mapping[str, Turns] = {
    "boat": Turns(("full ahead", "full astern", "put ahead at speed"), 0.7),
    "aircraft": Turns(("at full power", "kicking back", "stumbling at full power"), 0.3),
    "generator": Turns(("at full load", "kicking back", "load thrown on"), 0.3),
}
TAKES: Mapping[str, str] = {"engine": "the engine's mounts", "shaft": "a bearing of the shaft"}


@dataclass(frozen=True)
class MountsFacts:
    """Mounts, brackets, what pulls at them. SI."""

    mounts: Several[MountFacts] = several(MOUNT, "Mount", row="mounts")
    brackets: Several[BracketFacts] = several(BRACKET, "Bracket", row="brackets")
    school: str = choice(
        "Mounts are",
        {k: s.label for k, s in SCHOOLS.items()},
        group=USUAL,
        help="How it rocks and shakes until they are stated.",
    )
    apart: Value = quantity(
        "Mounts apart", "length", 0.02, 4.0, group=USUAL, help="Left to right across the crank, bolt to bolt."
    )
    side_ahead: Value = quantity("They stand ahead of the bell's face", "length", -3.0, 4.0, group=USUAL)
    side_over: Value = quantity("Over the crank", "height", -1.0, 1.5, group=USUAL)
    tail_behind: Value = quantity(
        "Last mount behind the bell's face", "length", -3.0, 5.0, group=USUAL, help="At the gearbox's tail."
    )
    sink: Value = quantity(
        "Sinks under its own weight",
        "size",
        1e-5,
        0.05,
        group=USUAL,
        help="Height at the mounts with the unit on a hoist and let down: it tells their stiffness.",
        spread="stiffness",
    )
    transaxle: str = choice("Differential in its gearbox", YES_NO, group=TORQUE, also=ASHORE)
    first_gear: Value = quantity(
        "Lowest gear, with low range",
        "ratio",
        0.2,
        200.0,
        group=TORQUE,
        help="Gearbox's output for one turn of the engine.",
    )
    final: Value = quantity("Final drive", "ratio", 0.5, 60.0, group=TORQUE, when=(f"machine.{ROLLS[0]}", ROLLS[1]))
    wheel: Value = quantity(
        "Driven wheel's radius", "length", 0.05, 2.0, group=TORQUE, when=(f"machine.{ROLLS[0]}", ROLLS[1])
    )
    grip: Value = quantity(
        "Grip of the tyres",
        "ratio",
        0.1,
        3.0,
        group=TORQUE,
        help="What they pull over the weight on them: it caps the torque.",
        spread="friction",
        when=(f"machine.{ROLLS[0]}", ROLLS[1]),
    )
    axle: Value | None = quantity(
        "Weight on the driven wheels",
        "mass",
        5.0,
        90e3,
        group=TORQUE,
        help="As the ledger has it where the axles were weighed.",
        when=(f"machine.{ROLLS[0]}", ROLLS[1]),
    )
    dump: Value = quantity(
        "Clutch let go: times the torque",
        "ratio",
        1.0,
        4.0,
        group=TORQUE,
        help="1.5 to 2.5; tyres cap it too.",
        spread="loss",
    )
    use: str = choice("Used on", {k: s.label for k, s in SHOCKS.items()}, group=USE)
    harder: Value = quantity(
        "Past the stop, times stiffer", "ratio", 1.0, 100.0, group=USE, help="5 to 20 for rubber.", spread="loss"
    )
    takes_thrust: str = choice("Thrust goes into", TAKES, group=THRUST, when=("machine.kind", ("boat", "aircraft")))
    thrust_speed: Value = quantity(
        "Speed at full power", "speed", 0.3, 120.0, group=THRUST, when=("machine.kind", ("boat", "aircraft"))
    )
    thrust_share: Value = quantity(
        "Power that becomes thrust", "share", 0.1, 0.9, group=THRUST, when=("machine.kind", ("boat", "aircraft"))
    )


WAYS: Mapping[str, Way] = ways_of(
    MountsFacts,
    {
        "apart": Way("above", "Rule from bolt to bolt, across the engine."),
        "side_ahead": Way("stand", "Rule along the crank, from the bell's face to their bolts."),
        "side_over": Way("stand", "Crank bolt's centre to the cushion's middle, upright."),
        "tail_behind": Way("stand", "Rule along the gearbox, from the bell's face to its mount."),
        "sink": Way("above", "Rule at the mounts: unit just off them on the hoist, then let down."),
        "first_gear": Way("papers", "Maker's sheet; or turns of the crank for one turn of the output, by hand."),
        "final": Way("papers", "Teeth counted, or turns of the shaft for one of the wheels."),
        "wheel": Way("under", "Floor to the hub's centre, loaded."),
        "axle": Way("papers", "A weighbridge, the driven wheels on it."),
        "thrust_speed": Way("running", "By satellite, both ways along a stretch, averaged."),
    },
)
