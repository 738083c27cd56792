"""What the controls' fields are by rule where nothing is stated: scaled to engine and machine."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

import numpy as np

from gauge_well.core.facts import Rule
from gauge_well.core.parts.aid import WHATS
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

# Booster by the machine's weight: up to so many kg, piston [m], holds [m3] (common practice).
BOOSTERS = ((900.0, 0.20, 3.0e-3), (1800.0, 0.25, 6.0e-3), (1e9, 0.28, 8.0e-3))
STROKE = 0.0224  # m, so that a piston of 250 mm lets in 1.1 L


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """A throttle by the engine's age, a booster by weight, springs and slack as they should be, a usual shifter."""
    rules = Ruling(given, context)
    machine = rules.context.get("machine", {})
    _throttle(rules)
    _vacuum(rules, likely(machine.get("mass") or 1300.0))
    _hands(rules, machine)
    _steering(rules)
    for id in given.get("aids", ()):
        what = rules.get(f"aids.{id}.what")
        rules.rule(f"aids.{id}.by", WHATS[what].by if what in WHATS else "cable", "usual for it")
    return rules.rules


def _throttle(rules: Ruling) -> None:
    standing = rules.context.get("machine", {}).get("kind") in (
        "boat",
        "generator",
        "tractor",
        "locomotive",
        "aircraft",
    )
    rules.rule("throttle", "lever" if standing else "cable", "usual for the machine")
    rules.rule("opens", float(np.radians(85.0)), "shut to full, usual")
    rules.rule("lever_before", 0.0, "a round wheel", exact=True)
    rules.rule("rubs", 0.15, "lined, in use for some years")
    rules.rule("drags", 8.0, "pedal and cable, usual")
    rules.rule("sleeve_ends", "engine", "as it should")
    rules.rule("slack", 0.002, "as it should be set")
    rules.rule("end_left", 0.0, "over the crank")


def _vacuum(rules: Ruling, mass: float) -> None:
    light = rules.context.get("machine", {}).get("kind") in ("hillclimb", "tractor", "locomotive")
    rules.rule("booster", "none" if light else "vacuum", "usual for the machine")
    fuel = rules.fuel
    throttled = fuel is None or fuel.spark
    rules.rule(
        "source",
        "manifold" if throttled else "engine",
        "a petrol engine's own" if throttled else "a diesel has no vacuum of its own",
    )
    rules.rule("plate", "yes" if throttled else "no", "a petrol engine's" if throttled else "a diesel has none")
    rules.rule("cam", "mild", "as made")
    source = rules.get("source")
    _, bore, holds = next(b for b in BOOSTERS if mass <= b[0])
    rules.rule("bore", bore, "by the machine's weight")
    rules.rule("stroke", STROKE, "a hard application")
    rules.rule("holds", holds, "by the booster's size")
    rules.rule("reservoir", 0.0, "none stated", exact=True)
    rules.rule("high", 0.0, "at sea level", exact=True)
    rules.rule("pump_flow", 1.5e-3 if source == "electric" else 2.5e-3, "usual of such a pump")
    rules.rule("moved", "no", "none stated")


def _hands(rules: Ruling, machine: Mapping[str, Any]) -> None:
    rules.rule("release", "fork", "usual")
    rules.rule("pad_lost", 0.010, "as it should be set")
    rules.rule("fork", 1.8, "usual")
    rules.rule(
        "through",
        0.7 if rules.get("release") == "cable" else 0.9,
        "what a cable rubs" if rules.get("release") == "cable" else "seals and springs",
    )
    rules.rule("gives", 0.001, "a stiff bracket")
    rules.rule(
        "heavy",
        "heavy" if machine.get("kind") in ("truck", "hillclimb", "tractor") else "road",
        "usual for the machine",
    )
    automatic = str(machine.get("gearbox", "")).startswith("automatic")
    lie = rules.context.get("installation", {}).get("lie")
    across = lie in ("front_trans", "mid", "rear")
    rules.rule("shifter", "cables" if across or automatic else "direct", "as engines lie so" if across else "usual")
    rules.rule("lever_left", 0.0, "in line")
    rules.rule("knob_left", 0.0, "in the middle")
    ratios = machine.get("gear_ratios")
    rules.rule(
        "gears",
        float(min(len(ratios), 6)) if ratios else 5.0,
        "as stated of the machine" if ratios else "usual",
        exact=bool(ratios),
    )
    rules.rule("gate", 0.045, "usual")
    rules.rule("pivot", "unit" if rules.get("shifter") == "direct" else "body", "as such a shifter stands")


def _steering(rules: Ruling) -> None:
    rules.rule("steers", "hand", "none stated")
    rules.rule("bump", 0.030, "a bump as every road has")
    rules.rule("pump_ratio", 1.0, "usual")
    rules.rule("turns", 3.0, "usual")
    rules.rule("quick", 1.3, "in a hurry")
    rules.rule("lines_moved", "no", "none stated")
    rules.rule("master_at", "front_left", "usual")
    rules.rule("split", "axles", "usual")
    for id in rules.given.get("columns", ()):
        rules.rule(f"columns.{id}.bears_left", 0.0, "in line")
        rules.rule(f"columns.{id}.forks", 0.0, "in line", exact=True)
