"""What the electrics' fields are by rule where nothing is stated."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.duty.road import LOADED
from gauge_well.core.electrical.alternator import CUT_IN, HOT
from gauge_well.core.facts import Rule
from gauge_well.core.parts.load import WHATS
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

LEAD_BY_PLACE = {"bay": 1.2, "cabin": 3.0, "boot": 5.0, "bilge": 1.5}  # m (common practice)
BODY_BY_PLACE = {"bay": 0.6e-3, "cabin": 0.9e-3, "boot": 1.2e-3, "bilge": 0.6e-3}  # ohm (common practice)
PETROL_STARTER, DIESEL_STARTER = 0.6e6, 0.9e6  # W/m3 of displacement (common practice)
STARTER_LEAST = 700.0  # W (common practice)
FULL = 70.0  # A (common practice)
RATIO = 2.5  # alternator turns to one of the crank (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Battery's standard and place, leads by its place, a starter by displacement, plate by its full figure, amps by what draws."""
    rules = Ruling(given, context)
    engine, machine = rules.engine, context.get("machine", {})
    boat = machine.get("kind") == "boat"
    diesel = rules.fuel is not None and not rules.fuel.spark
    rules.rule("system", "12", "usual")
    by = 2.0 if rules.get("system") == "24" else 1.0
    rules.rule("coldest", 273.15 if boat else 263.15, "a cold morning")
    slow = 80.0 if not diesel else 130.0 if engine.get("chamber") == "indirect" else 110.0
    rules.rule("needs_speed", slow, "usual of a petrol" if not diesel else "usual of such a diesel, glow plugs hot")
    if any(rules.get(f"loads.{id}.what") == "control" for id in given.get("loads", ())):
        rules.rule("resets", 7.5 * by, "usual of an engine computer")
    rules.rule("battery.place", "bilge" if boat else "bay", "usual")
    place = rules.get("battery.place")
    rules.rule("battery.standard", "en", "not said on what is stated")
    rules.rule("battery.count", 1.0, "one")
    rules.rule("lead.length", LEAD_BY_PLACE[place], "by where the battery stands")
    rules.rule("lead.area", 50e-6 if diesel else 35e-6, "usual")
    rules.rule("back", "cable" if boat else "body", "usual")
    rules.rule("body", BODY_BY_PLACE[place], "sound joints and seams")
    size = likely(engine.get("displacement") or 2e-3)
    power = max((DIESEL_STARTER if diesel else PETROL_STARTER) * size, STARTER_LEAST)
    rules.rule("starter.power", round(power, -1), "by the engine's size")
    rules.rule("starter.ratio", 12.0, "usual")
    full = rules.get("alternator.full")
    half, why = (FULL / 2.0, "usual") if full is None else (0.5 * likely(full), "half its full output, usual")
    rules.rule("alternator.low", half, why)
    rules.rule("alternator.plate", "1500", "a plate of today")
    rules.rule("alternator.cut_in", CUT_IN, "usual")
    rules.rule("alternator.hot", HOT, "0.75 to 0.95")
    geared = _geared(context.get("belts", {}))
    if geared is None:
        rules.rule("alternator.ratio", RATIO, "usual")
    else:
        rules.rule("alternator.ratio", geared, "by the pulleys under Belts", exact=True)
    rules.rule("wires_by", "volts", "both, as what is fed lives on its volts")
    rules.rule("idles_for", 1200.0, "twenty minutes")
    for id in given.get("loads", ()):
        what = rules.get(f"loads.{id}.what")
        if what in WHATS:
            rules.rule(f"loads.{id}.amps", WHATS[what].amps / by, f"usual of a {WHATS[what].label}")
        many = what == "glow" and engine.get("cylinders")
        rules.rule(
            f"loads.{id}.count",
            float(likely(engine["cylinders"])) if many else 1.0,
            "one a cylinder" if many else "one",
        )
    for id in given.get("runs", ()):
        rules.rule(f"runs.{id}.back", "wire" if boat else "body", "usual")
        rules.rule(f"runs.{id}.bundle", 3.0, "a loom of some")
        rules.rule(f"runs.{id}.lies", "engine", "the worse place")
        rules.rule(f"runs.{id}.switched", "relay", "usual")
    _speed(rules, machine)
    for id in given.get("signals", ()):
        rules.rule(f"signals.{id}.controller", "first", "the engine's own")
    for id in given.get("senders", ()):
        rules.rule(f"senders.{id}.goes", "gauge", "usual")
    return rules.rules


def _speed(rules: Ruling, machine: Mapping[str, Any]) -> None:
    """Gearing and tyre of the machine, where a speed signal is stated."""
    rules.rule("speed.source", "gearbox", "usual")
    rules.rule("speed.times", 1.0, "no converter")
    rules.rule("speed.by", 1.0, "no converter")
    if rules.get("speed.teeth") is None:
        return
    if rules.get("speed.source") == "hub":
        rules.rule("speed.final", 1.0, "at the wheel itself", exact=True)
    elif machine.get("final_drive") is not None:
        rules.rule("speed.final", machine["final_drive"], "the machine's final drive", exact=True)
    if machine.get("tyre_diameter") is not None:
        rules.rule("speed.radius", round(LOADED * likely(machine["tyre_diameter"]), 4), "by the tyre's diameter, laden")


def _geared(belts: Mapping[str, Any]) -> float | None:
    """Turns of the alternator to one of the crank, by their pulleys, where both are stated."""
    sizes: dict[str, tuple[float, str]] = {}
    for id in [name.split(".")[1] for name in belts if name.startswith("pulleys.") and name.endswith(".what")]:
        what, size = belts.get(f"pulleys.{id}.what"), belts.get(f"pulleys.{id}.diameter")
        if what in ("crank", "alternator") and size is not None:
            sizes.setdefault(what, (likely(size), str(belts.get(f"pulleys.{id}.side") or "grooved")))
    if len(sizes) < 2:
        return None
    cord = {"grooved": 4e-3, "back": 2.4e-3}
    crank, own = (sizes[w][0] + cord[sizes[w][1]] for w in ("crank", "alternator"))
    return round(crank / own, 3)
