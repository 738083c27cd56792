"""What the air's fields are by rule where nothing is stated: only what hangs on something begun."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.facts import Rule
from gauge_well.core.systems.ruling import Ruling

WADES_AT = 5.0 / 3.6
BOX_LIMIT = 358.15  # K of what usual controllers stand (common practice)
SERVICE_DIESEL = 6.5e3  # Pa, 6 to 7.5 at service (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """A diesel's restriction and a filter's medium once the intake is begun; a box's wall, place and limit once it is; how fast
    it wades once it must."""
    rules = Ruling(given, context)
    begun = given.get("filter.area") is not None or given.get("pipe.bore") is not None
    if begun and rules.fuel is not None and not rules.fuel.spark:
        rules.rule("allowed", SERVICE_DIESEL, "diesels: 6 to 7.5 kPa")
    if begun:
        rules.rule("filter.medium", "paper", "most filters")
    if given.get("box_watts") is not None or given.get("box_area") is not None:
        rules.rule("box_wall", "plastic", "most boxes")
        rules.rule("box_place", "bay", "where most sit")
        rules.rule("box_limit", BOX_LIMIT, "usual controllers")
    if given.get("wading") is not None:
        rules.rule("wading_speed", WADES_AT, "a walking pace", exact=True)
    return rules.rules
