"""What a boat's fields are by rule where nothing is stated: places by the length of the hull, losses as they are usual."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.duty.hull import waterline_by_rule
from gauge_well.core.facts import Rule
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

ALLOWED = {"natural": 10e3, "boosted": 7.5e3}  # Pa that makers of marine engines allow (common practice)
HOSE_STANDS = 366.15  # K, wet exhaust hose as it is sold (common practice)
CRANKS = 200.0  # rev/min
THROUGH = 0.96  # gear and bearings (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Losses, wear, ratios; where things lie fore and aft by the hull's length; what hose and maker allow."""
    rules = Ruling(given, context)
    machine = rules.context.get("machine", {})
    long = likely(machine.get("waterline_length") or waterline_by_rule(2500.0))
    _raw(rules)
    _places(rules, long)
    engine = rules.engine
    natural = engine.get("aspiration", "natural") == "natural"
    rules.rule("tolerated", ALLOWED["natural" if natural else "boosted"], "makers of marine engines, as it breathes")
    rules.rule("hose_limit", HOSE_STANDS, "wet exhaust hose as it is sold")
    rules.rule("crank_speed", CRANKS, "a sound battery")
    rules.rule("through", THROUGH, "gear and bearings")
    rules.rule("repower", "more", "the hull decides what is of use")
    rules.rule("aligned_by", "log", "a shaft pressed aside reads true at its faces")
    rules.rule("sag", 0.0, "a stiff bracket", exact=True)
    rules.rule("mount_height", 0.07, "usual")
    rules.rule("depth", round(0.06 * long, 2), "by the hull's length")
    if given.get("shaft_diameter") is not None:
        rules.rule("shaft_metal", "stainless", "most")
    for id in given.get("bilge_pumps", ()):
        rules.rule(f"bilge_pumps.{id}.worked", "automatic", "the first that is wanted")
        rules.rule(f"bilge_pumps.{id}.head", 3.5, "small electric ones")
    return rules.rules


def _raw(rules: Ruling) -> None:
    rules.rule("raw_pump.ratio", 1.0, "on the crank or its gear")
    rules.rule("raw_pump.worn", 0.85, "an impeller of a season")
    rules.rule("pump_over", 0.0, "at the waterline")
    rules.rule("intake.loss", 1.0, "a mouth and a full-bore cock")
    rules.rule("suction.length", 1.2, "hull, strainer, pump")
    rules.rule("suction.loss", 1.5, "four bends")
    rules.rule("strainer_loss", 1.5, "a clean basket")
    rules.rule("strainer_blocked", 0.5, "half of it, as after weed", exact=True)
    rules.rule("delivery.length", 1.5, "pump to manifold")
    rules.rule("delivery.loss", 4.0, "bends, coolers' ends, nozzle")
    machine = rules.context.get("machine", {})
    dry = machine.get("cooled_by") == "keel" and machine.get("exhaust") == "dry"
    rules.rule("gear_cooled", "no" if dry else "yes", "no raw water aboard" if dry else "most marine gears")
    rules.rule("injected", 1.0, "all of it", exact=True)
    bore = rules.get("suction.bore")
    if bore is not None:
        rules.rule("intake.bore", likely(bore), "as its hose")
        rules.rule("delivery.bore", likely(bore), "as the suction hose")


def _places(rules: Ruling, long: float) -> None:
    """Engine a tenth of the hull aft of its middle, the hose up and out at the stern."""
    begins = likely(rules.get("manifold_aft") if rules.get("manifold_aft") is not None else round(0.1 * long, 2))
    for name, aft, note in (
        ("manifold_aft", begins, "a tenth of the waterline aft of its middle"),
        ("injection_aft", begins + 0.15, "just aft of the port"),
        ("silencer_aft", begins + 0.8, "just aft of the engine"),
        ("high_aft", max(0.5 * long - 0.4, begins + 1.0), "just inside the stern"),
        ("outlet_aft", max(0.5 * long, begins + 1.4), "at the stern"),
        ("siphon_aft", begins, "over the engine"),
    ):
        rules.rule(name, round(aft, 2), note)
        rules.rule(name.replace("_aft", "_left"), 0.0, "on the centreline")
    along = likely(rules.get("high_aft")) - likely(rules.get("silencer_aft"))
    high, floor = rules.get("high_over"), rules.get("silencer_over")
    rise = 0.8 if high is None or floor is None else max(likely(high) - likely(floor), 0.1)
    rules.rule("hose.length", round(1.1 * (along**2 + rise**2) ** 0.5, 2), "the straight way and a tenth")
    rules.rule("hose.loss", 4.0, "the silencer and three bends")
    rules.rule("silencer.lip_left", 0.0, "in its middle")
    rules.rule("silencer.lip_ahead", 0.0, "in its middle")
    rules.rule("flap", "none", "none stated")
