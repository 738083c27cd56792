"""What belts' fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.facts import Rule
from gauge_well.core.parts.belt import SECTIONS
from gauge_well.core.parts.pulley import FREE, WHATS
from gauge_well.core.systems.belts.facts import PLACES
from gauge_well.core.systems.ruling import Ruling

BLIP = 3000.0  # rev/min in a second (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Belts, their tension and grip; of each pulley its side, its belt, what it may turn, a rotor for what drives."""
    rules = Ruling(given, context)
    ids = list(given.get("pulleys", ()))
    used = {rules.get(f"pulleys.{id}.on") or "first" for id in ids}
    rules.rule("count", "three" if "third" in used else "two" if "second" in used else "one", "as the pulleys run")
    rules.rule("blip", BLIP, "usual")
    for place in PLACES["three"]:
        whats = [rules.get(f"pulleys.{id}.what") for id in ids if (rules.get(f"pulleys.{id}.on") or "first") == place]
        rules.rule(f"{place}.section", "ribbed", "the commonest")
        section = SECTIONS[rules.get(f"{place}.section")]
        ribbed = rules.get(f"{place}.section") == "ribbed"
        rules.rule(f"{place}.ribs", 6.0 if ribbed else 1.0, "the commonest")
        arm = "tensioner" in whats
        rules.rule(
            f"{place}.tight_by", "arm" if arm else "slot", "a tensioner is among its pulleys" if arm else "none is"
        )
        rules.rule(f"{place}.tension", section.tension, "usual of a rib" if ribbed else "usual of a belt")
        rules.rule(f"{place}.grip", 1.0, "dry, not glazed")
        rules.rule(f"{place}.slot", 0.030, "25 to 40 mm from fit to tight")
    for id in ids:
        what = rules.get(f"pulleys.{id}.what")
        place = f"pulleys.{id}"
        rules.rule(f"{place}.side", "back" if what in FREE else "grooved", "most are")
        rules.rule(f"{place}.on", "first", "the first belt")
        rules.rule(f"{place}.travel", 0.7, "40 degrees, usual")
        if what in WHATS:
            rules.rule(f"{place}.most", WHATS[what].most, f"usual of a {WHATS[what].label}")
            rules.rule(f"{place}.rotor", WHATS[what].rotor, "usual")
    return rules.rules
