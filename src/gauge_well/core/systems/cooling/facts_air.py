"""What is stated of the core, the fan and the air's way, and their defaults by rule."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

import numpy as np

from gauge_well.core.facts import Way, choice, quantity, table
from gauge_well.core.geometry.stack import CORE_TO_FAN
from gauge_well.core.heat.radiator import FIN_MATERIALS, FLOW_DIRECTIONS
from gauge_well.core.sizes import FAN_DIAMETERS, FAN_FREE_AIR, FAN_SHUT_OFF
from gauge_well.core.typing import Value

CORE_KINDS: Mapping[str, str] = {
    "louvred": "flat tubes, louvred fins",
    "plate": "round tubes through plate fins",
}
FAN_KINDS: Mapping[str, str] = {
    "puller": "electric, pulling",
    "pusher": "electric, pushing",
    "belt": "driven by the engine",
    "none": "no fan",
}
CLUTCHES: Mapping[str, str] = {"none": "none: always with the engine", "viscous": "viscous, comes in hot"}
STAGES: Mapping[str, str] = {"together": "all together", "staged": "one half, then all"}
SHROUDS: Mapping[str, str] = {"full": "full shroud", "flaps": "full shroud with flaps", "none": "no shroud"}
RATINGS: Mapping[str, str] = {"advertised": "advertised", "rig": "measured on a rig"}
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

    core_width: Value | None = quantity(
        "Core width", "length", 0.05, 3.0, part="core", group="Core", help="Finned part only, not the tanks."
    )
    core_height: Value | None = quantity("Core height", "length", 0.05, 2.5, part="core", group="Core")
    core_depth: Value | None = quantity("Core depth", "length", 0.008, 0.3, part="core", group="Core")
    core_kind: str | None = choice("Tubes and fins", CORE_KINDS, group="Core")
    fin_count: Value | None = quantity(
        "Fins", "fin_count", 150.0, 1500.0, group="Core", help="Lay a rule on the core and count."
    )
    core_rows: Value | None = quantity("Rows of tubes", "count", 1, 6, group="Core", spread="exact")
    core_passes: Value | None = quantity("Passes", "count", 1, 4, group="Core", spread="exact")
    core_direction: str | None = choice("Flow", FLOW_DIRECTIONS, group="Core")
    fin_material: str | None = choice("Fins of", {k: v[0] for k, v in FIN_MATERIALS.items()}, group="Core")
    fin_length: Value | None = quantity(
        "Fin height between tubes",
        "length",
        0.003,
        0.02,
        group="Core",
        spread="gauge",
        when=("core_kind", ("louvred",)),
        fine=True,
    )
    tube_height: Value | None = quantity(
        "Tube height", "length", 0.001, 0.006, group="Core", spread="gauge", when=("core_kind", ("louvred",)), fine=True
    )
    louvre_pitch: Value | None = quantity(
        "Louvre pitch",
        "length",
        0.0005,
        0.004,
        group="Core",
        spread="gauge",
        when=("core_kind", ("louvred",)),
        fine=True,
    )
    louvre_angle: Value | None = quantity(
        "Louvre angle", "angle", 0.14, 0.70, group="Core", when=("core_kind", ("louvred",)), fine=True
    )
    tube_diameter: Value | None = quantity(
        "Tube, outside",
        "length",
        0.005,
        0.03,
        group="Core",
        spread="gauge",
        help="Of round tubes.",
        when=("core_kind", ("plate",)),
        fine=True,
    )
    tube_across: Value | None = quantity(
        "Tube to tube across",
        "length",
        0.01,
        0.1,
        group="Core",
        spread="gauge",
        help="Of round tubes.",
        when=("core_kind", ("plate",)),
        fine=True,
    )
    tube_along: Value | None = quantity(
        "Row to row",
        "length",
        0.008,
        0.1,
        group="Core",
        spread="gauge",
        help="Of round tubes, along the air.",
        when=("core_kind", ("plate",)),
        fine=True,
    )
    test_heat: Value | None = quantity(
        "Shed on test",
        "heat",
        500.0,
        1e6,
        group="Core on test",
        help="A maker's or a bench's one point, of the core as new; all four figures of it.",
    )
    test_air_speed: Value | None = quantity(
        "with air at", "speed_m_s", 0.5, 40.0, group="Core on test", spread="speed", help="On the face."
    )
    test_coolant_flow: Value | None = quantity("and coolant", "flow", 2e-5, 0.02, group="Core on test")
    test_difference: Value | None = quantity(
        "Coolant in over air in",
        "temperature_difference",
        10.0,
        150.0,
        group="Core on test",
        spread="temperature",
        help="Inlet to inlet.",
    )
    fan_kind: str | None = choice("Fan", FAN_KINDS, part="fan", group="Fan")
    fan_diameter: Value | None = quantity(
        "Fan diameter",
        "length",
        0.12,
        1.2,
        part="fan",
        group="Fan",
        count_field="fan_count",
        when=("fan_kind", ("puller", "pusher", "belt")),
    )
    fan_count: Value | None = quantity(
        "How many", "count", 1, 6, group="Fan", spread="exact", when=("fan_kind", ("puller", "pusher"))
    )
    fan_flow: Value | None = quantity(
        "Free air, each",
        "air_flow",
        0.02,
        8.0,
        group="Fan",
        help="With nothing in front of it.",
        count_field="fan_count",
        when=("fan_kind", ("puller", "pusher", "belt")),
    )
    fan_rating: str | None = choice(
        "That figure is", RATINGS, group="Fan", when=("fan_kind", ("puller", "pusher", "belt"))
    )
    fan_pressure: Value | None = quantity(
        "Shut-off pressure",
        "pressure_small",
        20.0,
        2000.0,
        group="Fan",
        when=("fan_kind", ("puller", "pusher", "belt")),
    )
    fan_table: tuple[tuple[float, ...], ...] | None = table(
        "Fan's curve, each",
        (("flow", "air_flow"), ("pressure", "pressure_small")),
        group="Fan",
        help="From shut off to free air, one point a line: `0 m3/s, 260 Pa`. In place of the two figures.",
        when=("fan_kind", ("puller", "pusher", "belt")),
    )
    fan_power: Value | None = quantity(
        "Draws, each",
        "power",
        5.0,
        20e3,
        group="Fan",
        help="On its plate: volts times amps.",
        when=("fan_kind", ("puller", "pusher")),
    )
    fan_speed: Value | None = quantity(
        "Those figures at",
        "speed_rpm",
        200.0,
        6000.0,
        group="Fan",
        spread="exact",
        help="Of a fan the engine drives.",
        when=("fan_kind", ("belt",)),
    )
    fan_ratio: Value | None = quantity(
        "Fan turns over crank turns",
        "ratio",
        0.3,
        4.0,
        group="Fan",
        help="Crank pulley over fan pulley, diameters.",
        when=("fan_kind", ("belt",)),
    )
    fan_clutch: str | None = choice("Clutch", CLUTCHES, group="Fan", when=("fan_kind", ("belt",)))
    fan_clutch_limit: Value | None = quantity(
        "Clutch holds it to", "speed_rpm", 500.0, 6000.0, group="Fan", when=("fan_kind", ("belt",))
    )
    fan_depth: Value | None = quantity(
        "Fan depth", "length", 0.01, 0.5, group="Fan", when=("fan_kind", ("puller", "pusher", "belt"))
    )
    fan_on: Value | None = quantity(
        "Comes on", "temperature", 300.0, 400.0, group="Fan", spread="exact", when=("fan_kind", ("puller", "pusher"))
    )
    fan_off: Value | None = quantity(
        "Goes off", "temperature", 300.0, 400.0, group="Fan", spread="exact", when=("fan_kind", ("puller", "pusher"))
    )
    fan_gap: Value | None = quantity(
        "Core to fan",
        "length",
        0.0,
        0.4,
        group="Fan",
        help="Depth of the shroud between them.",
        when=("fan_kind", ("puller", "pusher")),
    )
    fan_stages: str | None = choice("Several fans", STAGES, group="Fan", when=("fan_kind", ("puller", "pusher")))
    fan_on_second: Value | None = quantity(
        "Second comes on", "temperature", 300.0, 410.0, group="Fan", spread="exact", when=("fan_stages", ("staged",))
    )
    shroud: str | None = choice("Shroud", SHROUDS, group="Fan", when=("fan_kind", ("puller", "pusher", "belt")))
    opening: str | None = choice("Air gets in by", {k: v[0] for k, v in OPENINGS.items()}, group="Air")
    sealing: str | None = choice("Round the core", {k: v[0] for k, v in SEALINGS.items()}, group="Air")
    grille: str | None = choice("Grille", {k: v[0] for k, v in GRILLES.items()}, group="Air")
    exit_area: Value | None = quantity("Way out of the bay", "area", 0.005, 5.0, group="Air")
    exit_loss: Value | None = quantity("Loss on the way out", "ratio", 0.2, 20.0, group="Air", spread="loss")


WAYS: Mapping[str, Way] = {
    "core_width": Way("hand", "Tape across the finned part, not the tanks."),
    "core_height": Way("hand", "Tape up the finned part, not the tanks."),
    "core_depth": Way("hand", "Calliper or a ruler through the edge: finned part only."),
    "fin_count": Way("hand", "Lay a rule on the core and count the fins along an inch."),
    "fin_length": Way("hand", "Calliper from tube to tube."),
    "tube_height": Way("hand", "Calliper on a tube's edge."),
    "louvre_pitch": Way("hand", "A glass and a rule: louvres along 10 mm."),
    "louvre_angle": Way("hand", "A photograph along the tube and a protractor."),
    "tube_diameter": Way("hand", "Calliper on a tube where the fins stand apart."),
    "tube_across": Way("hand", "Calliper from tube to tube, middle to middle, across the face."),
    "tube_along": Way("hand", "Core depth over the rows of tubes."),
    "test_heat": Way(
        "papers", "The maker's figure for this very core; or a bench: flow times its fall in temperature."
    ),
    "test_air_speed": Way("papers", "The face speed that figure stands at."),
    "test_coolant_flow": Way("papers", "The coolant flow that figure stands at."),
    "test_difference": Way("papers", "Coolant in less air in, as the figure was taken."),
    "fan_diameter": Way("hand", "Tip to tip across the blades."),
    "fan_flow": Way("running", "A vane meter behind the fan at nine places, times the area."),
    "fan_pressure": Way("hand", "Board over the face, a water tube behind it, fan on."),
    "fan_power": Way("running", "A clamp meter on its lead: amps x volts."),
    "fan_ratio": Way("stand", "Calliper both pulleys: crank over fan."),
    "fan_clutch_limit": Way("running", "A strobe or an optical counter on a blade, engine hot and fast."),
    "fan_depth": Way("hand", "Frame to the motor's end."),
    "fan_gap": Way("hand", "Ruler from the fins to the fan's frame, through the shroud."),
    "exit_area": Way("under", "Every gap by which air leaves the bay: height x width, added up."),
    "exit_loss": Way("above", "Look for what stands in the way: 1 free, 1.5 usual, 3 crowded."),
}
AS_SHOWN = 0.01  # of the usual flow: a figure typed as it was shown is that figure


def _rating_by_rule(given: Mapping[str, Any], usual: float | None, evidence: str | None) -> tuple[str, str]:
    """What a fan's free air is: a catalogue's, or a rig's where it was measured or is the usual one by rule."""
    flow = given.get("fan_flow")
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
    depth = given.get("core_depth")
    rule("core_kind", "louvred", "the commonest")
    if given.get("core_kind") == "plate":
        rule("fin_count", 1.0 / 0.0021, "12 per inch, a common plate-fin core")
        rule("tube_diameter", 0.0095, "a common core")
        rule("tube_across", 0.0254, "a common core")
        along = float(given.get("tube_along") or 0.022)
        rule("tube_along", along, "a common core")
        rule("core_rows", max(1.0, round(float(depth) / along)) if depth else 2.0, "by depth")
        rule("fin_material", "copper", "usual in such cores")
    rule("fin_count", 1.0 / 0.0014, "18 per inch, a common core")
    # Tubes deeper than about 32 mm are usually two rows.
    rule("core_rows", 2.0 if depth and float(depth) > 0.045 else 1.0, "by depth")
    rule("core_passes", 1.0, "single pass")
    rule("core_direction", "cross_flow", "tubes lie flat")
    rule("fin_material", "aluminium", "the commonest")
    rule("fin_length", 0.008, "a common core")
    rule("tube_height", 0.002, "a common core")
    rule("louvre_pitch", 0.0012, "a common core")
    rule("louvre_angle", np.deg2rad(27.0), "a common core")
    rule("fan_count", 1.0, "one")
    usual: dict[str, float] = {}
    belt = given.get("fan_kind") == "belt"
    diameter = given.get("fan_diameter")
    if diameter is not None:
        d = float(diameter)
        if belt:
            usual["fan_flow"] = BELT_FREE_AIR * (d / BELT_DIAMETER) ** 3
            rule("fan_flow", usual["fan_flow"], "a usual engine-driven fan of that size")
            rule("fan_pressure", BELT_SHUT_OFF * (d / BELT_DIAMETER) ** 2, "a usual engine-driven fan of that size")
        free = float(np.interp(d, FAN_DIAMETERS, FAN_FREE_AIR))
        if d > FAN_DIAMETERS[-1] or d < FAN_DIAMETERS[0]:
            # Outside the table by the fan laws at equal tip speed: flow with the square.
            end = FAN_DIAMETERS[-1] if d > FAN_DIAMETERS[-1] else FAN_DIAMETERS[0]
            free = float(np.interp(end, FAN_DIAMETERS, FAN_FREE_AIR)) * (d / float(end)) ** 2
        usual.setdefault("fan_flow", free)
        rule("fan_flow", free, "a usual fan of that size, on a rig")
        rule("fan_pressure", float(np.interp(d, FAN_DIAMETERS, FAN_SHUT_OFF)), "a usual fan of that size")
        rule("fan_gap", CORE_TO_FAN, "the least that is kept")
        rule("fan_depth", 0.06 + 0.05 * max(0.0, d - 0.3), "a usual fan of that size")
    rule("fan_rating", *_rating_by_rule(given, usual.get("fan_flow"), context.get("evidence", {}).get("fan_flow")))
    if belt:
        rule("fan_speed", BELT_SPEED, "usual for such a fan's figures")
        rule("fan_ratio", 1.1, "usual")
        rule("fan_clutch", "viscous", "usual on road engines")
        rule("fan_clutch_limit", 2600.0, "usual")
    thermostat = float(engine.get("thermostat") or 361.15)
    rule("fan_on", thermostat + 8.0, "8 K over the thermostat")
    rule("fan_off", thermostat + 3.0, "3 K over the thermostat")
    rule("fan_stages", "together", "one switch")
    if given.get("fan_stages") == "staged":
        rule("fan_on_second", float(given.get("fan_on") or thermostat + 8.0) + 5.0, "5 K over the first")
    rule("shroud", "full", "a puller with its shroud")
    standing = machine.get("kind") in ("generator",)
    rule("opening", "remote" if standing else "open_nose", "by kind of machine")
    rule("sealing", "usual", "as most are")
    rule("grille", "none" if standing else "usual", "by kind of machine")
    rule("exit_area", *_exit_by_rule(machine.get("kind"), float(engine.get("rated_power") or 0.0)))
    rule("exit_loss", 1.5, "a usual bay")
