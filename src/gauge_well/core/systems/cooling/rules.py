"""What the cooling's fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.evidence import TAPED
from gauge_well.core.facts import Rule
from gauge_well.core.geometry.stack import CORE_TO_FAN
from gauge_well.core.sizes import FAN_DIAMETERS, FAN_FREE_AIR, FAN_SHUT_OFF
from gauge_well.core.systems.ruling import Ruling

AS_SHOWN = 0.01  # of the usual flow: a figure typed as it was shown is that figure
# m2 by which air leaves a usual bay; of machines whose engine stands half open, m2 for each watt of rated power, and the
# least (common practice).
EXITS: Mapping[str, float] = {"off_road": 0.35, "van": 0.35, "truck": 0.45}
EXIT, HALF_OPEN, EXIT_FOR_POWER, EXIT_LEAST = 0.25, ("tractor", "locomotive", "generator"), 12e-6, 0.10
# A usual fan on an engine's nose: free air of a disc at a speed goes with its cube (common practice).
BELT_FREE_AIR, BELT_SHUT_OFF = 1.9, 330.0  # m3/s and Pa of 450 mm at 2,400 rev/min
BELT_DIAMETER, BELT_SPEED = 0.45, 2400.0
CONDENSER_DEPTH, GAP = 0.020, 0.010
USUAL_RUN, REMOTE_RUN = 0.7, 3.5  # m of hose or pipe each way (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults: a known core's fins, a known fan's curve, air path and coolant."""
    rules = Ruling(given, context)
    for part in (fill_air, fill_front, fill_loop, fill_afloat):
        part(rules)
    return rules.rules


def _rating_by_rule(given: Mapping[str, Any], usual: float | None, evidence: str | None) -> tuple[str, str]:
    """What a fan's free air is: a catalogue's, or a rig's where it was measured or is the usual one by rule."""
    flow = given.get("fan.flow")
    if flow is None:
        return "rig", "as the rule is"
    if usual is not None and abs(float(flow) - usual) <= AS_SHOWN * usual:
        return "rig", "the usual fan's figure"
    if evidence == TAPED:
        return "rig", "measured"
    return "advertised", "catalogue figures are"


def _exit_by_rule(kind: str | None, power: float) -> tuple[float, str]:
    if kind in HALF_OPEN:
        return max(EXIT_FOR_POWER * power, EXIT_LEAST), "a bay half open, usual for its power"
    return EXITS.get(kind or "", EXIT), "a usual bay of such a machine"


def fill_air(rules: Ruling) -> None:
    """Defaults: a known core's fins, a known fan's curve, the air's way in and out."""
    given, context, rule = rules.given, rules.context, rules.rule
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


def fill_front(rules: Ruling) -> None:
    """Nothing in front unless stated, but the condenser of air conditioning that a duty runs; usual gaps."""
    context, rule = rules.context, rules.rule
    cooled = any(
        name.endswith(".air_conditioning") and value == "yes" for name, value in context.get("duties", {}).items()
    )
    if cooled:
        rule("condenser_front", "yes", "a duty runs the air conditioning: its condenser stands before the core")
    else:
        rule("condenser_front", "no", "none stated")
    rule("condenser.depth", CONDENSER_DEPTH, "a usual condenser")
    rule("charge_front", "no", "none stated")
    rule("oil_front", "no", "none stated")
    rule("front_gap", GAP, "usual")


def fill_afloat(rules: Ruling) -> None:
    """A boat's exchanger as most are, fouled as it runs."""
    rules.rule("exchanger_is", "tube", "most boats")
    rules.rule("fouled", 0.8, "fouled as usual")
    rules.rule("keel_painted", "no", "as it should be")


def fill_loop(rules: Ruling) -> None:
    """Defaults of a usual loop: capped, half and half, a closing bypass, one heater that is not counted on."""
    given, context, rule = rules.given, rules.context, rules.rule
    machine, engine = context.get("machine", {}), context.get("engine", {})
    rule("cap_pressure", 103e3, "15 psi cap")
    rule("glycol", 0.5, "half and half")
    rule("coolant_flow_is", "here", "as typed")
    rule("hose.bore", 0.038, "a common hose")
    rule("gearbox_cooler", "no", "none stated")
    rule("pump.drive", "belt", "the engine's own")
    rule("pump.ratio", 1.0, "standard pulleys")
    rule("thermostat_kind", "fitted", "as built")
    rule("bypass", "closing", "usual")
    rule("restrictor", "none", "none stated")
    remote = given.get("opening") == "remote"
    run = REMOTE_RUN if remote else USUAL_RUN
    rule("hose.length", run, "engine and core apart" if remote else "core before the engine")
    cabin = machine.get("kind") in ("road_car", "off_road", "van", "truck")
    rule("heater.count", 1.0 if cabin else 0.0, "usual for the machine")
    rule("heater_open", "no", "not relied on")
    rule("heater.conductance", 80.0, "a usual heater, fan at full")
    rule("header", "core", "the commonest")
    rule("header_fill", 0.4, "between the marks")
    size = engine.get("displacement")
    if size is not None:
        bore, length = (float(given.get(name) or usual) for name, usual in (("hose.bore", 0.038), ("hose.length", run)))
        pipes = 2.0 * np.pi / 4.0 * bore**2 * max(0.0, length - USUAL_RUN)
        rule("coolant_volume", 0.004 + 2.0 * float(size) + pipes, "by engine size and length of pipe")
    rule("steam_line", "no", "none stated")
