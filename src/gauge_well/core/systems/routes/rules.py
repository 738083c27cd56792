"""What the ledger's fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.facts import Rule
from gauge_well.core.systems.ruling import Ruling

# Left lane to the middle by kind of machine [m] (common practice).
APART = {"boat": 0.7, "truck": 0.45, "tractor": 0.35, "aircraft": 0.4}
USUAL = 0.6


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Lanes by the machine; a run straight along the left, neither end moving."""
    rules = Ruling(given, context)
    rules.rule("apart", APART.get(context.get("machine", {}).get("kind", ""), USUAL), "usual of such a machine")
    for id in given.get("routes", ()):
        place = f"routes.{id}"
        rules.rule(f"{place}.lane", rules.get(f"{place}.start_lane") or "left", "as it begins")
        rules.rule(f"{place}.start_lane", rules.get(f"{place}.lane"), "as it runs")
        rules.rule(f"{place}.end_lane", rules.get(f"{place}.lane"), "as it runs")
        rules.rule(f"{place}.moves", "none", "usual")
        rules.rule(f"{place}.shielded", "none", "usual")
        rules.rule(f"{place}.reached", "yes", "usual")
    for id in given.get("joints", ()):
        rules.rule(f"joints.{id}.made_of", "light", "the weaker")
        rules.rule(f"joints.{id}.kind", "rubber", "usual")
    return rules.rules
