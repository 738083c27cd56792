"""What is stated of the core, the fan and the air's way, and their defaults by rule."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.duty.facts import ASHORE
from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.parts.core import CORE, CoreFacts
from gauge_well.core.parts.fan import ELECTRIC, FAN, FanFacts
from gauge_well.core.typing import Value

STAGES: Mapping[str, str] = {"together": "all together", "staged": "one half, then all"}
SWITCHED_BY: Mapping[str, str] = {
    "controller": "the engine's controller",
    "switch": "a thermostatic switch of its own",
    "hand": "hand",
}
WITHOUT: Mapping[str, str] = {"full": "at full speed", "half": "at half speed", "off": "not at all"}
WITHOUT_REQUEST: Mapping[str, str] = {"as_ever": "as ever", **WITHOUT}
# label, share of the dynamic head that reaches the core's front.
OPENINGS: Mapping[str, tuple[str, float]] = {
    "open_nose": ("open nose", 0.45),
    "ducted": ("ducted to the core", 0.70),
    "remote": ("mid or rear mounted", 0.20),
}
# label, K on face velocity.
GRILLES: Mapping[str, tuple[str, float]] = {
    "none": ("no grille", 0.0),
    "usual": ("usual grille", 6.0),
    "dense": ("dense grille", 10.0),
}
# label, K that air into the fan is warmed by at standstill, going round the core again.
SEALINGS: Mapping[str, tuple[str, float]] = {
    "sealed": ("sealed to the body all round", 0.0),
    "usual": ("usual gaps", 5.0),
    "open": ("open all round", 10.0),
}
ADVERTISED = 0.75


@dataclass(frozen=True)
class AirFacts:
    """Radiator, fan and air path. SI."""

    core: CoreFacts = role(CORE, "Core", row="core_fan", also=ASHORE)
    fan: FanFacts = role(FAN, "Fan", row="core_fan", also=ASHORE)
    fan_on: Value = quantity(
        "Comes on", "temperature", 300.0, 400.0, group="Fan", spread="exact", when=("fan.drive", ELECTRIC), also=ASHORE
    )
    fan_off: Value = quantity(
        "Goes off", "temperature", 300.0, 400.0, group="Fan", spread="exact", when=("fan.drive", ELECTRIC), also=ASHORE
    )
    fan_gap: Value | None = quantity(
        "Core to fan",
        "length",
        0.0,
        0.4,
        group="Fan",
        help="Depth of the shroud between them.",
        when=("fan.drive", ELECTRIC),
        also=ASHORE,
    )
    fan_stages: str = choice("Several fans", STAGES, group="Fan", when=("fan.drive", ELECTRIC), also=ASHORE)
    fan_on_second: Value | None = quantity(
        "Second comes on",
        "temperature",
        300.0,
        410.0,
        group="Fan",
        spread="exact",
        when=("fan_stages", ("staged",)),
        also=ASHORE,
    )
    fan_by: str | None = choice(
        "Switched by",
        SWITCHED_BY,
        group="Fan",
        when=("fan.drive", ELECTRIC),
        help="A controller where nothing is said.",
        also=ASHORE,
    )
    fan_sensor_lost: str | None = choice(
        "Its temperature sensor lost, the fan runs", WITHOUT, group="Fan", when=("fan.drive", ELECTRIC), also=ASHORE
    )
    fan_request_lost: str | None = choice(
        "The air-conditioning's signal lost, it runs",
        WITHOUT_REQUEST,
        group="Fan",
        when=("fan.drive", ELECTRIC),
        also=ASHORE,
    )
    fan_line_switch: Value | None = quantity(
        "Switch in the fan's line, lets it run from",
        "temperature",
        300.0,
        420.0,
        group="Fan",
        spread="exact",
        when=("fan.drive", ELECTRIC),
        help="A thermostatic switch between controller and fan, in a hose or the core.",
        also=ASHORE,
    )
    opening: str = choice("Air gets in by", {k: v[0] for k, v in OPENINGS.items()}, group="Air", also=ASHORE)
    sealing: str = choice("Round the core", {k: v[0] for k, v in SEALINGS.items()}, group="Air", also=ASHORE)
    grille: str = choice("Grille", {k: v[0] for k, v in GRILLES.items()}, group="Air", also=ASHORE)
    exit_area: Value = quantity("Way out of the bay", "area", 0.005, 5.0, group="Air", also=ASHORE)
    exit_loss: Value = quantity("Loss on the way out", "ratio", 0.2, 20.0, group="Air", spread="loss", also=ASHORE)


WAYS: Mapping[str, Way] = {
    "fan_line_switch": Way("hand", "Stamped on it; or in a pan of water with a thermometer and a lamp."),
    "fan_gap": Way("hand", "Ruler from the fins to the fan's frame, through the shroud."),
    "exit_area": Way("under", "Every gap by which air leaves the bay: height x width, added up."),
    "exit_loss": Way("above", "Look for what stands in the way: 1 free, 1.5 usual, 3 crowded."),
}
