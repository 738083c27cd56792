"""What fit's fields are by rule where nothing is stated: sizes by those that are taped, the place in the middle."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule
from gauge_well.core.installation import LIES
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

MEMBER = 0.27  # of the edge's height at which a crossmember's top lies (common practice)
BEAMS = ("truck", "off_road", "tractor")  # their front axles are beams, as a rule
TRAVEL: Mapping[str, float] = {"off_road": 0.10, "truck": 0.09, "hillclimb": 0.05, "tractor": 0.0}
BASES: Mapping[str, float] = {"truck": 3.2, "van": 3.0, "off_road": 2.6, "hillclimb": 2.3, "tractor": 2.1}
KEPT: Mapping[str, tuple[float, str]] = {
    "keep_metal": (0.020, "soft mounts, 15 to 25 mm"),
    "keep_bonnet": (0.020, "usual"),
    "keep_core": (0.012, "usual"),
    "keep_belt": (0.025, "usual"),
    "keep_steering": (0.015, "usual"),
    "keep_member": (0.015, "usual"),
    "keep_hose": (0.025, "usual"),
    "keep_hot": (0.025, "usual"),
    "keep_hot_soft": (0.075, "usual, unshielded"),
    "keep_bump": (0.015, "usual"),
    "keep_draw": (0.010, "usual"),
}


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Defaults of everything but what a space and an engine cannot be told without."""
    rules = Ruling(given, context)
    for part in (_unit, _gearcase, _bay, _stack, _place, _under, _steering):
        part(rules)
    nods = rules.context.get("installation", {}).get("lie") in ("mid", "rear")
    rules.rule("rocks", "nod" if nods else "roll", "its differential is in it" if nods else "usual")
    for name, (value, note) in KEPT.items():
        rules.rule(name, value, note, exact=True)
    # To the millimetre, as a tape would say it.
    return {
        name: replace(rule, value=round(rule.value, 3)) if isinstance(rule.value, float) else rule
        for name, rule in rules.rules.items()
    }


ROUND = 0.025  # m all round what is taken as it just goes in


def _number(rules: Ruling, name: str, usual: float) -> float:
    """What is given or ruled of a field; ``usual`` where it is one of those that are never ruled."""
    value = rules.get(name)
    return usual if value is None else likely(value)


def _unit(rules: Ruling) -> None:
    bore = rules.bore
    stroke = likely(rules.engine.get("stroke") or bore)
    vee = likely(rules.engine.get("cylinders") or 4.0) >= 8.0
    length, cover = _number(rules, "unit.length", 0.6), _number(rules, "unit.cover", 0.4)
    pan = rules.context.get("oil", {}).get("pan.depth")
    # Crank throws and rods pass the block's lower rim; the pan hangs from there.
    rim = 0.5 * stroke + 0.030
    deep = rim + likely(pan) if pan is not None else rim + 1.3 * stroke + 0.03
    rules.rule("unit.pan", deep, "the block's rim and its pan" if pan is not None else "by its stroke")
    rules.rule("unit.pan_shallow", rim + 0.4 * (likely(rules.get("unit.pan")) - rim), "two fifths of the well")
    shape = rules.context.get("oil", {}).get("pan.shape")
    well = {"rear_well": "rear", "front_well": "front", "box": "whole"}.get(str(shape))
    rules.rule("unit.well", well or "rear", "as its pan is" if well else "the commonest")
    long = rules.context.get("oil", {}).get("pan.well_length")
    rules.rule("unit.well_length", likely(long) if long is not None else 0.45 * length, "by its length")
    mouth = rules.context.get("oil", {}).get("pickup.x")
    if mouth is not None:
        rules.rule("unit.pickup", likely(mouth), "as its pickup is")
    wide = min(2.6 * bore, 0.8 * cover) if vee else min(1.5 * bore + 0.02, 0.6 * cover)
    rules.rule("unit.block", wide, "heads of a V" if vee else "by its bore")
    block = likely(rules.get("unit.block"))
    for side, name in (("left", "manifold"), ("right", "accessories")):
        rules.rule(f"unit.{side}", block + 0.25 * cover, f"a usual {name}")
        rules.rule(f"unit.{side}_height", 0.45 * cover, "by its height")
    rules.rule("unit.pulley", 0.85 * bore, "by its bore")
    rules.rule("unit.belt_height", 0.5 * cover, "by its height")
    cooling = rules.context.get("cooling", {})
    if cooling.get("fan.drive") == "belt":
        blades = cooling.get("fan.diameter")
        rules.rule("unit.fan", likely(blades) if blades is not None else 0.45, "the belt's fan")
    rules.rule("unit.fan_ahead", 0.06, "a usual hub")
    rules.rule("unit.bell", 0.09 + 0.85 * bore, "by its bore")


def _gearcase(rules: Ruling) -> None:
    lie, bell = str(rules.context.get("installation", {}).get("lie")), likely(rules.get("unit.bell"))
    still = rules.context.get("machine", {}).get("kind") in ("generator", "locomotive", "aircraft")
    rules.rule("gearcase.there", "no" if still else "yes", "usual for the machine")
    rules.rule("gearcase.bell_length", 0.35 * bell if lie == "front_trans" else 0.9 * bell, "by its radius")
    usual = {"front_trans": 1.8, "boat": 1.6, "mid": 2.0, "rear": 2.0}.get(lie, 2.8) * bell
    left = usual
    if lie in ("front_trans", "mid", "boat"):
        # It lies in the same space: one that nobody has taped is not said to be too long for it.
        room = _number(rules, "bay.rails" if lie == "front_trans" else "bay.length", 1.0)
        left = room - _number(rules, "unit.length", 0.6) - likely(rules.get("gearcase.bell_length")) - 2.5 * ROUND
    rules.rule("gearcase.length", max(min(usual, left), 0.5 * bell), "by its bell" if left >= usual else "as goes in")
    rules.rule("gearcase.half", 0.62 * bell, "by its bell")
    rules.rule("gearcase.up", 0.60 * bell, "by its bell")
    rules.rule("gearcase.down", 0.85 * bell, "by its bell")
    rules.rule("gearcase.tail", 0.45 * bell, "by its bell")
    automatic = str(rules.context.get("machine", {}).get("gearbox", "")).startswith("automatic")
    rules.rule("gearcase.spigot", 0.030 if automatic else 0.9 * bell + 0.020, "dowels" if automatic else "its shaft")


def _bay(rules: Ruling) -> None:
    machine, lie = rules.context.get("machine", {}), str(rules.context.get("installation", {}).get("lie"))
    kind = str(machine.get("kind"))
    length, rails = _number(rules, "bay.length", 1.0), _number(rules, "bay.rails", 0.8)
    across = lie == "front_trans"
    rules.rule("bay.wings", rails + 0.25, "250 mm over the rails")
    boat = lie == "boat"
    rules.rule("bay.bonnet_rear", 0.0 if boat else 0.03, "level with the edge" if boat else "a little crowned")
    rules.rule("bay.bonnet_front", 0.0 if boat else -0.04, "level with the edge" if boat else "falls to the front")
    rules.rule("bay.panel_ahead", 0.6 * length, "by its length")
    # Ahead of a rear well under an engine along the machine, behind one across it.
    middle = {"rear": -0.18, "mid": -0.34}.get(lie, 0.08)
    if across:
        middle = likely(rules.get("bay.panel_ahead")) - length + 0.22
    rules.rule("bay.member_front", middle + 0.06, "under the axle line")
    rules.rule("bay.member_rear", middle - 0.06, "under the axle line")
    beam = kind in BEAMS and lie in ("front_long", "tractor")
    rules.rule("bay.beam", "yes" if beam else "no", "usual for the machine")
    rules.rule("bay.bump", 0.0 if boat else TRAVEL.get(kind, 0.08), "usual for the machine")
    rules.rule("bay.wheelbase", BASES.get(kind, 2.6), "usual for the machine")


def _under(rules: Ruling) -> None:
    """What lies under and behind it, where nobody has taped it: usual, or as low and wide as such an engine needs."""
    lie = str(rules.context.get("installation", {}).get("lie"))
    rails, edge, bell = (_number(rules, n, u) for n, u in (("bay.rails", 0.8), ("bay.edge", 0.85), ("unit.bell", 0.16)))
    crank = _number(rules, "crank_height", 0.4)
    pan = likely(
        rules.get("unit.pan" if lie == "front_trans" or rules.get("unit.well") == "whole" else "unit.pan_shallow")
    )
    if lie in ("mid", "rear"):
        # It lies under bell and gearbox there.
        pan = max(pan, bell)
    under = crank - pan - 1.5 * ROUND
    rules.rule("bay.member_top", max(min(MEMBER * edge, under), 0.02), "under such a pan")
    bump = likely(rules.get("bay.bump"))
    beam = crank - likely(rules.get("unit.pan")) - 1.5 * ROUND - bump
    rules.rule("bay.beam_top", max(min(0.35 * edge, beam), 0.06), "under such a pan, with its travel")
    bed = max(crank - 3.0 * ROUND, 0.05)
    rules.rule("bay.rail_top", bed if lie == "boat" else 0.55 * edge, "as feet lie" if lie == "boat" else "by the edge")
    wide = max(min(0.45 * rails, 0.42), 2.0 * (bell + 1.5 * ROUND))
    rules.rule("bay.tunnel_width", wide, "room for such a bell")
    rules.rule("bay.tunnel_roof", max(0.55 * edge, crank + bell + 1.5 * ROUND), "room for such a bell")


def _stack(rules: Ruling) -> None:
    cooling = rules.context.get("cooling", {})
    lie = LIES.get(str(rules.context.get("installation", {}).get("lie")), LIES["front_long"])
    rails, edge = _number(rules, "bay.rails", 0.8), _number(rules, "bay.edge", 0.85)
    width, height, depth = (cooling.get(f"core.{name}") for name in ("width", "height", "depth"))
    if "stack" not in lie.has:
        rules.rule("bay.stack_depth", 0.0, "none stands here")
    elif depth is not None:
        fan = 0.0 if cooling.get("fan.drive") in ("belt", "none") else 0.075
        rules.rule("bay.stack_depth", likely(depth) + fan + 0.03, "core, shroud and fan as fitted")
    else:
        rules.rule("bay.stack_depth", 0.13, "a usual core with its fan")
    rules.rule("bay.stack_width", likely(width) if width is not None else 0.8 * rails, "by core or rails")
    rules.rule("bay.stack_height", likely(height) if height is not None else 0.5 * edge, "by core or edge")
    rules.rule("bay.stack_top", edge - 0.05, "under the edge")


def _steering(rules: Ruling) -> None:
    lie = LIES.get(str(rules.context.get("installation", {}).get("lie")), LIES["front_long"])
    rails, edge = _number(rules, "bay.rails", 0.8), _number(rules, "bay.edge", 0.85)
    there = "steering" in lie.has
    aside = likely(rules.get("unit.left")) + 0.07
    rules.rule("steering.there", "yes" if there else "no", "usual for the machine")
    across = str(rules.context.get("installation", {}).get("lie")) == "front_trans"
    member = likely(rules.get("bay.member_rear"))
    ahead = member - 0.06 if across else likely(rules.get("bay.member_front")) + 0.06
    rules.rule("steering.rack_ahead", ahead, "beside the crossmember")
    under = _number(rules, "crank_height", 0.4) - likely(rules.get("unit.pan_shallow")) - ROUND
    rules.rule("steering.rack_height", max(min(0.25 * edge, under - ROUND), 0.05), "under such a pan")
    rules.rule("steering.rack_diameter", 0.050, "usual")
    rules.rule("steering.travel", 0.075, "usual")
    rules.rule("steering.column_left", max(0.45 * rails, aside), "beside such an engine")
    rules.rule("steering.column_height", 0.72 * edge, "by the edge's height")
    rules.rule("steering.column_foot", max(0.42 * rails, aside), "beside such an engine")
    rules.rule("steering.column_diameter", 0.045, "its joints")


def _place(rules: Ruling) -> None:
    """In the middle of what there is: half of what is over before and behind it, above and below."""
    name = str(rules.context.get("installation", {}).get("lie"))
    lie = LIES.get(name, LIES["front_long"])

    def number(field: str, usual: float = 0.0) -> float:
        return _number(rules, field, usual)

    said = any(rules.given.get(field) is not None for field in ("from_panel", "crank_height"))
    rules.rule("placed", "stated" if said else "middle", "as it is stated" if said else "no place is stated")
    note = "in the middle, no place stated"
    before = number("bay.stack_depth") if lie.panel else 0.0
    case = number("gearcase.bell_length") + number("gearcase.length") if rules.get("gearcase.there") == "yes" else 0.0
    room, long = number("bay.length", 1.0) - before, number("unit.length", 0.6)
    if name == "front_trans":
        over = room - number("unit.left") - number("unit.right")
        rules.rule("from_panel", before + number("unit.right") + max(0.5 * over, 0.0), note, exact=True)
        rules.rule("crank_left", 0.5 * (long + case), "engine and gearbox in the middle", exact=True)
    else:
        # Behind a tunnel lies the gearbox; without one all of it must stay this side of the wall.
        over = room - long - (0.0 if lie.panel and "tunnel" in lie.has else case)
        rules.rule("from_panel", before + max(0.5 * over, 0.0), note, exact=True)
        rules.rule("crank_left", 0.0, "on the middle line", exact=True)
    top = number("bay.edge", 0.85) + min(number("bay.bonnet_rear"), number("bay.bonnet_front"))
    ground = 0.025 if name == "boat" else number_of(rules.context, "ground_needed")
    # Its tail hangs where its nose is up.
    tilt = max(np.sin(number_of(rules.context, "engine_pitch")), 0.0) * (number("unit.length", 0.6) + case)
    low = ground + number("unit.pan") + float(tilt)
    room = top - number("unit.cover", 0.4) - low
    if "member" in lie.has:
        over = number("bay.member_top", MEMBER * number("bay.edge", 0.85)) + number("unit.pan_shallow") - low
        middle = max(over, 0.0) + 0.5 * (room - max(over, 0.0))
        if rules.given.get("bay.member_top") is None:
            # What nobody taped does not push it into the bonnet.
            middle = max(min(middle, room - 2.0 * ROUND), 0.5 * room)
    else:
        middle = 0.5 * room
    rules.rule("crank_height", low + middle, note, exact=True)


def number_of(context: Mapping[str, Mapping[str, Any]], name: str) -> float:
    """A number of the installation [m]; nought where there is none."""
    value = context.get("installation", {}).get(name)
    return 0.0 if value is None else likely(value)
