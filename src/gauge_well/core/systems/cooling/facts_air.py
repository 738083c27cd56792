"""What is stated of the core, the fan and the air's way, and their defaults by rule."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.geometry.stack import CORE_TO_FAN
from gauge_well.core.parts.core import CORE, CoreFacts
from gauge_well.core.parts.fan import FAN, FanFacts
from gauge_well.core.sizes import FAN_DIAMETERS, FAN_FREE_AIR, FAN_SHUT_OFF
from gauge_well.core.typing import Value

STAGES: Mapping[str, str] = {"together": "all together", "staged": "one half, then all"}
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
MEASURED = ("taped", "tested", "weighed")


@dataclass(frozen=True)
class AirFacts:
    """Radiator, fan and air path. SI."""

    core: CoreFacts = role(CORE, "Core", row="core_fan")
    fan: FanFacts = role(FAN, "Fan", row="core_fan")
    fan_on: Value | None = quantity(
        "Comes on", "temperature", 300.0, 400.0, group="Fan", spread="exact", when=("fan.drive", ("puller", "pusher"))
    )
    fan_off: Value | None = quantity(
        "Goes off", "temperature", 300.0, 400.0, group="Fan", spread="exact", when=("fan.drive", ("puller", "pusher"))
    )
    fan_gap: Value | None = quantity(
        "Core to fan",
        "length",
        0.0,
        0.4,
        group="Fan",
        help="Depth of the shroud between them.",
        when=("fan.drive", ("puller", "pusher")),
    )
    fan_stages: str | None = choice("Several fans", STAGES, group="Fan", when=("fan.drive", ("puller", "pusher")))
    fan_on_second: Value | None = quantity(
        "Second comes on", "temperature", 300.0, 410.0, group="Fan", spread="exact", when=("fan_stages", ("staged",))
    )
    opening: str | None = choice("Air gets in by", {k: v[0] for k, v in OPENINGS.items()}, group="Air")
    sealing: str | None = choice("Round the core", {k: v[0] for k, v in SEALINGS.items()}, group="Air")
    grille: str | None = choice("Grille", {k: v[0] for k, v in GRILLES.items()}, group="Air")
    exit_area: Value | None = quantity("Way out of the bay", "area", 0.005, 5.0, group="Air")
    exit_loss: Value | None = quantity("Loss on the way out", "ratio", 0.2, 20.0, group="Air", spread="loss")


WAYS: Mapping[str, Way] = {
    "fan_gap": Way("hand", "Ruler from the fins to the fan's frame, through the shroud."),
    "exit_area": Way("under", "Every gap by which air leaves the bay: height x width, added up."),
    "exit_loss": Way("above", "Look for what stands in the way: 1 free, 1.5 usual, 3 crowded."),
}
AS_SHOWN = 0.01  # of the usual flow: a figure typed as it was shown is that figure


def _rating_by_rule(given: Mapping[str, Any], usual: float | None, evidence: str | None) -> tuple[str, str]:
    """What a fan's free air is: a catalogue's, or a rig's where it was measured or is the usual one by rule."""
    flow = given.get("fan.flow")
    if flow is None:
        return "rig", "as the rule is"
    if usual is not None and abs(float(flow) - usual) <= AS_SHOWN * usual:
        return "rig", "the usual fan's figure"
    if evidence in MEASURED:
        return "rig", "measured"
    return "advertised", "catalogue figures are"


# m2 by which air leaves a usual bay; of machines whose engine stands half open, m2 for each watt of rated power, and the
# least (common practice).
EXITS: Mapping[str, float] = {"off_road": 0.35, "van": 0.35, "truck": 0.45}
EXIT, HALF_OPEN, EXIT_FOR_POWER, EXIT_LEAST = 0.25, ("tractor", "locomotive", "generator"), 12e-6, 0.10


def _exit_by_rule(kind: str | None, power: float) -> tuple[float, str]:
    if kind in HALF_OPEN:
        return max(EXIT_FOR_POWER * power, EXIT_LEAST), "a bay half open, usual for its power"
    return EXITS.get(kind or "", EXIT), "a usual bay of such a machine"


# A usual fan on an engine's nose: free air of a disc at a speed goes with its cube (common practice).
BELT_FREE_AIR, BELT_SHUT_OFF = 1.9, 330.0  # m3/s and Pa of 450 mm at 2,400 rev/min
BELT_DIAMETER, BELT_SPEED = 0.45, 2400.0


def fill_air(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]], rule: Callable[..., None]) -> None:
    """Defaults: a known core's fins, a known fan's curve, the air's way in and out."""
    machine, engine = context.get("machine", {}), context.get("engine", {})
    depth = given.get("core.depth")
    rule("core.tubes", "louvred", "the commonest")
    if given.get("core.tubes") == "plate":
        rule("core.fin_count", 1.0 / 0.0021, "12 per inch, a common plate-fin core")
        rule("core.tube_diameter", 0.0095, "a common core")
        rule("core.tube_across", 0.0254, "a common core")
        along = float(given.get("core.tube_along") or 0.022)
        rule("core.tube_along", along, "a common core")
        rule("core.rows", max(1.0, round(float(depth) / along)) if depth else 2.0, "by depth")
        rule("core.fin_material", "copper", "usual in such cores")
    rule("core.fin_count", 1.0 / 0.0014, "18 per inch, a common core")
    # Tubes deeper than about 32 mm are usually two rows.
    rule("core.rows", 2.0 if depth and float(depth) > 0.045 else 1.0, "by depth")
    rule("core.passes", 1.0, "single pass")
    rule("core.direction", "cross_flow", "tubes lie flat")
    rule("core.fin_material", "aluminium", "the commonest")
    rule("core.fin_length", 0.008, "a common core")
    rule("core.tube_height", 0.002, "a common core")
    rule("core.louvre_pitch", 0.0012, "a common core")
    rule("core.louvre_angle", np.deg2rad(27.0), "a common core")
    rule("fan.count", 1.0, "one")
    usual: dict[str, float] = {}
    belt = given.get("fan.drive") == "belt"
    diameter = given.get("fan.diameter")
    if diameter is not None:
        d = float(diameter)
        if belt:
            usual["fan.flow"] = BELT_FREE_AIR * (d / BELT_DIAMETER) ** 3
            rule("fan.flow", usual["fan.flow"], "a usual engine-driven fan of that size")
            rule("fan.pressure", BELT_SHUT_OFF * (d / BELT_DIAMETER) ** 2, "a usual engine-driven fan of that size")
        free = float(np.interp(d, FAN_DIAMETERS, FAN_FREE_AIR))
        if d > FAN_DIAMETERS[-1] or d < FAN_DIAMETERS[0]:
            # Outside the table by the fan laws at equal tip speed: flow with the square.
            end = FAN_DIAMETERS[-1] if d > FAN_DIAMETERS[-1] else FAN_DIAMETERS[0]
            free = float(np.interp(end, FAN_DIAMETERS, FAN_FREE_AIR)) * (d / float(end)) ** 2
        usual.setdefault("fan.flow", free)
        rule("fan.flow", free, "a usual fan of that size, on a rig")
        rule("fan.pressure", float(np.interp(d, FAN_DIAMETERS, FAN_SHUT_OFF)), "a usual fan of that size")
        rule("fan_gap", CORE_TO_FAN, "the least that is kept")
        rule("fan.depth", 0.06 + 0.05 * max(0.0, d - 0.3), "a usual fan of that size")
    rule("fan.rating", *_rating_by_rule(given, usual.get("fan.flow"), context.get("evidence", {}).get("fan.flow")))
    if belt:
        rule("fan.speed", BELT_SPEED, "usual for such a fan's figures")
        rule("fan.ratio", 1.1, "usual")
        rule("fan.clutch", "viscous", "usual on road engines")
        rule("fan.clutch_limit", 2600.0, "usual")
    thermostat = float(engine.get("thermostat") or 361.15)
    rule("fan_on", thermostat + 8.0, "8 K over the thermostat")
    rule("fan_off", thermostat + 3.0, "3 K over the thermostat")
    rule("fan_stages", "together", "one switch")
    if given.get("fan_stages") == "staged":
        rule("fan_on_second", float(given.get("fan_on") or thermostat + 8.0) + 5.0, "5 K over the first")
    rule("fan.shroud", "full", "a puller with its shroud")
    standing = machine.get("kind") in ("generator",)
    rule("opening", "remote" if standing else "open_nose", "by kind of machine")
    rule("sealing", "usual", "as most are")
    rule("grille", "none" if standing else "usual", "by kind of machine")
    rule("exit_area", *_exit_by_rule(machine.get("kind"), float(engine.get("rated_power") or 0.0)))
    rule("exit_loss", 1.5, "a usual bay")
