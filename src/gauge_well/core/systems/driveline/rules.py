"""What the driveline's fields are by rule where nothing is stated: scaled to the engine and the machine."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.driveline.clutch import LININGS
from gauge_well.core.facts import Rule
from gauge_well.core.parts.halfshaft import JOINTS
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

# W/K a gearbox's case gives for each root of a kilowatt it was made for, driven (common practice).
CASE = 2.0
RELEASES = 0.32  # of its clamp at the fingers of a diaphragm cover (common practice)
RELEASE = 10e-3  # m its fingers move to free a disc (common practice)
JOINT_MOST = 0.436  # rad, a cross in ordinary forks (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """No spacer or adapter, a plain flywheel and disc, shafts straight, axles open; oil as gearboxes stand it."""
    rules = Ruling(given, context)
    machine = rules.context.get("machine", {})
    automatic = str(machine.get("gearbox", "")).startswith("automatic")
    _stack(rules, automatic)
    rules.rule("reserve", "road", "usual")
    rules.rule("low", 1.0, "none stated", exact=True)
    rules.rule("shift", 0.3 if automatic else 0.5, "usual")
    rules.rule("centre", "part" if machine.get("kind") in ("off_road", "truck") else "open", "usual for the machine")
    rules.rule("axle_out", "none", "none stated")
    pitch = rules.context.get("installation", {}).get("engine_pitch")
    rules.rule("out_falls", 0.0 if pitch is None else likely(pitch), "as the engine lies")
    for name in ("out_left", "pinion_left", "front_left"):
        rules.rule(name, 0.0, "in the middle")
    rules.rule("locks", "open", "usual")
    rules.rule("shared", 0.6, "on a climb")
    _heat(rules, automatic)
    _shafts(rules, str(machine.get("drive")))
    for id in given.get("members", ()):
        rules.rule(f"members.{id}.axle", "front" if machine.get("drive") == "front" else "rear", "the one that drives")
        what = rules.get(f"members.{id}.what")
        rules.rule(
            f"members.{id}.at",
            {"outer": "wheel", "hub": "wheel", "differential": "axle"}.get(what, "shaft"),
            "as such are rated",
        )
    for id in given.get("boxes", ()):
        rules.rule(f"boxes.{id}.low", 1.0, "none stated", exact=True)
    return rules.rules


def _stack(rules: Ruling, automatic: bool) -> None:
    rules.rule("spacer", 0.0, "none stated", exact=True)
    rules.rule("adapter", 0.0, "none stated", exact=True)
    rules.rule("spacer_metal", "steel", "as it must be")
    rules.rule("bearing_kind", "free", "the older way")
    rules.rule("starts_on", "bell", "usual")
    rules.rule("flywheel.make", "plate" if automatic else "one", "as the gearbox asks" if automatic else "usual")
    rules.rule("flywheel.metal", "iron", "nothing is stamped on it")
    rules.rule("clutch.discs", 1.0, "usual", exact=True)
    rules.rule("clutch.lining", "organic", "usual")
    if rules.get("clutch.clamp") is not None:
        rules.rule(
            "clutch.force",
            round(RELEASES * likely(rules.get("clutch.clamp")), -1),
            "usual of a diaphragm cover so strong",
        )
        rules.rule("clutch.release", RELEASE, "8 to 12 mm, usual")
    rules.rule("clutch.friction", LININGS[rules.get("clutch.lining")].friction, "warm, worn in")


def _heat(rules: Ruling, automatic: bool) -> None:
    rules.rule(
        "box_cooler", "tank" if automatic else "none", "usual of an automatic" if automatic else "usual of a manual"
    )
    power = likely(rules.engine.get("rated_power") or 60e3)
    rules.rule("case_gives", round(CASE * (power / 1e3) ** 0.5, 1), "by the power such a case is made for")
    rules.rule("box_most", 393.15 if automatic else 403.15, "oil and seals last")
    rules.rule("box_flow", 1.0e-4, "6 L a minute, usual")


def _shafts(rules: Ruling, drive: str) -> None:
    for id in rules.given.get("shafts", ()):
        place = f"shafts.{id}"
        rules.rule(f"{place}.line", "front" if drive == "front" else "rear", "usual")
        rules.rule(f"{place}.bears_left", 0.0, "in line")
        rules.rule(f"{place}.forks", 0.0, "in line", exact=True)
        rules.rule(f"{place}.steel", "tube", "usual")
        rules.rule(f"{place}.joint_most", JOINT_MOST, "a cross in ordinary forks")
    for id in rules.given.get("halves", ()):
        place = f"halves.{id}"
        rules.rule(f"{place}.side", "left", "the first")
        rules.rule(f"{place}.axle", "front" if drive == "front" else "rear", "the one that drives")
        rules.rule(f"{place}.taped", "machine", "usual")
        rules.rule(f"{place}.inner", "tripod", "usual")
        for name in ("inner_over", "inner_behind", "arm_over"):
            rules.rule(f"{place}.{name}", 0.0, "level with it")
        rules.rule(f"{place}.steers", "yes" if rules.get(f"{place}.axle") == "front" else "no", "as the axle does")
        rules.rule(f"{place}.slides", JOINTS[rules.get(f"{place}.inner")].slides, "usual of such a joint")
        rules.rule(f"{place}.steel", "carbon", "usual")
