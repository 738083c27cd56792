"""What mounts' fields are by rule where nothing is stated: scaled to the unit they carry and the machine it drives."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.duty.road import LOADED
from gauge_well.core.facts import Rule
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.parts.mount import STUFFS
from gauge_well.core.systems.mounts.facts import SCHOOLS
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

SCHOOL: Mapping[str, str] = {
    "hillclimb": "poly",
    "tractor": "firm",
    "locomotive": "firm",
    "generator": "soft",
    "aircraft": "firm",
}
USES: Mapping[str, str] = {
    "off_road": "rough",
    "tractor": "field",
    "locomotive": "field",
    "boat": "water",
    "generator": "still",
    "aircraft": "air",
}
GRIPS: Mapping[str, float] = {"hillclimb": 1.3, "off_road": 0.85, "truck": 0.85, "tractor": 0.75, "locomotive": 0.30}
FIRSTS: Mapping[str, float] = {"boat": 2.0, "generator": 1.0, "aircraft": 1.0, "tractor": 60.0, "locomotive": 8.0}
LOW_RANGE = 2.0  # of what goes off the road


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """A usual layout, torque's way to the ground, what the use throws at it; of each mount stated its cushion."""
    rules = Ruling(given, context)
    kind = str(rules.context.get("machine", {}).get("kind"))
    rules.rule("school", SCHOOL.get(kind, "soft"), "usual for the machine")
    rules.rule("use", USES.get(kind, "road"), "usual for the machine")
    rules.rule("harder", 10.0, "rubber on its stop, 5 to 20")
    _layout(rules)
    _torque(rules, kind)
    _thrust(rules, kind)
    _mounts(rules)
    for id in given.get("brackets", ()):
        _bracket(rules, f"brackets.{id}")
    return rules.rules


def _layout(rules: Ruling) -> None:
    across = str(rules.context.get("installation", {}).get("lie")) == "front_trans"
    fit = rules.context.get("fit", {})
    block = likely(fit.get("unit.block") or 1.5 * rules.bore)
    long, cover = rules.outside("unit.length"), rules.outside("unit.cover")
    case = likely(fit.get("gearcase.bell_length") or 0.15) + likely(fit.get("gearcase.length") or 0.5)
    box = likely(rules.context.get("weights", {}).get("gearbox") or 0.0)
    # Arms reach past the block's sides.
    rules.rule("apart", round(2.0 * (block + 0.10), 3), "by the block's width")
    rules.rule("side_ahead", round(0.55 * long, 3), "a little ahead of the block's middle")
    rules.rule(
        "side_over", round(0.25 * cover if across else 0.0, 3), "high on the end" if across else "level with the crank"
    )
    behind = 0.8 * case if box else -0.06
    rules.rule("tail_behind", round(0.5 * case if across else behind, 3), "along the gearbox" if box else "at the bell")
    school = SCHOOLS[str(rules.get("school"))]
    sinks = [STUFFS[s].sink for s in (school.sides, school.sides, school.tail)]
    rules.rule("sink", round(3.0 / sum(1.0 / s for s in sinks), 6), f"usual on such mounts: {school.label}")


def _torque(rules: Ruling, kind: str) -> None:
    machine, lie = rules.context.get("machine", {}), str(rules.context.get("installation", {}).get("lie"))
    with_it = lie in ("front_trans", "mid", "rear")
    rules.rule("transaxle", "yes" if with_it else "no", "as engines lie so")
    gears = machine.get("gear_ratios")
    if gears:
        rules.rule("first_gear", max(likely(row[0]) for row in gears), "the lowest stated", exact=True)
    automatic = str(machine.get("gearbox", "")).startswith("automatic")
    usual = FIRSTS.get(kind, 2.8 if automatic else 3.5) * (LOW_RANGE if kind == "off_road" else 1.0)
    rules.rule("first_gear", usual, "usual for the machine")
    stated = machine.get("final_drive")
    rules.rule(
        "final",
        likely(stated) if stated is not None else 4.1,
        "as stated of the machine" if stated is not None else "usual",
        exact=stated is not None,
    )
    tyre = machine.get("tyre_diameter")
    wheel = (
        LOADED * likely(tyre)
        if tyre is not None
        else {"tractor": 0.75, "truck": 0.38, "off_road": 0.37, "locomotive": 0.45}.get(kind, 0.31)
    )
    rules.rule(
        "wheel",
        round(wheel, 3),
        "the tyre, loaded" if tyre is not None else "usual for the machine",
        exact=tyre is not None,
    )
    rules.rule("grip", GRIPS.get(kind, 0.95), "usual for the machine")
    rules.rule(
        "dump", 1.3 if automatic or kind in ("boat", "aircraft", "generator") else 2.0, "a clutch let go, 1.5 to 2.5"
    )


def _thrust(rules: Ruling, kind: str) -> None:
    if kind not in ("boat", "aircraft"):
        rules.rule("takes_thrust", "shaft", "nothing is thrust")
        rules.rule("thrust_speed", 10.0, "nothing is thrust", exact=True)
        rules.rule("thrust_share", 0.5, "nothing is thrust", exact=True)
        return
    rules.rule("takes_thrust", "engine", "no bearing of its own is stated")
    if kind == "boat":
        speed = rules.context.get("machine", {}).get("top_speed")
        rules.rule("thrust_speed", 3.0 if speed is None else round(likely(speed), 2), "its top speed")
        rules.rule("thrust_share", 0.5, "a usual propeller")
    else:
        rules.rule("thrust_speed", 28.0, "a climb")
        rules.rule("thrust_share", 0.65, "a usual propeller, climbing")


def _mounts(rules: Ruling) -> None:
    ids = list(rules.given.get("mounts", ()))
    weights = rules.context.get("weights", {})
    dress, gearbox = str(weights.get("dress") or "dry"), likely(weights.get("gearbox") or 0.0)
    share = rules.unit_mass(dress, gearbox) / max(len(ids), 1)
    for id in ids:
        place = f"mounts.{id}"
        rules.rule(f"{place}.stuff", SCHOOLS[str(rules.get("school"))].sides, "as its school is")
        stuff = STUFFS[str(rules.get(f"{place}.stuff"))]
        rated = rules.get(f"{place}.rated")
        load = likely(rated) if rated is not None else share
        note = "chosen for what it is rated for" if rated is not None else "chosen for its share of the weight"
        rules.rule(f"{place}.rate", round(load * GRAVITY / stuff.sink, -2), f"{stuff.label}, {note}")
        metal = rules.get(f"{place}.stuff") == "solid"
        rules.rule(f"{place}.side", 1.0 if metal else 0.5, "metal" if metal else "rubber, a third to two thirds")
        rules.rule(f"{place}.lean", 0.0, "upright")
        rules.rule(f"{place}.travel", stuff.travel, f"usual of {stuff.label}")


def _bracket(rules: Ruling, place: str) -> None:
    rules.rule(f"{place}.holds", "worst", "none stated")
    rules.rule(f"{place}.aside", 0.0, "straight")
    rules.rule(f"{place}.steel", "s235", "as plate and tube are sold")
    rules.rule(f"{place}.welded", "yes", "usual")
    wall = likely(rules.get(f"{place}.wall") or 0.004)
    rules.rule(f"{place}.throat", round(0.7 * wall, 4), "a leg as thick as the metal")
    rules.rule(f"{place}.welder", "home", "until somebody says whose")
    rules.rule(f"{place}.bolted", "no", "none stated")
    rules.rule(f"{place}.bolts", 3.0, "three at least", exact=True)
    rules.rule(f"{place}.thread", "m10", "usual")
    rules.rule(f"{place}.grade", "8.8", "usual")
    rules.rule(f"{place}.apart", 0.060, "usual")
    rules.rule(f"{place}.into", "nut", "usual")
    rules.rule(f"{place}.friction", 0.15, "clean steel")
    captive = rules.get(f"{place}.into") == "captive"
    rules.rule(f"{place}.on_sheet", "yes" if captive else "no", "its plate is captive" if captive else "none stated")
