"""What weights' fields are by rule where nothing is stated: scaled to the engine and the machine they serve."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.duty.road import LOADED
from gauge_well.core.facts import Rule
from gauge_well.core.systems.ruling import Ruling
from gauge_well.core.typing import likely

# Gearbox [kg]: so much, and so much more for each N m of the engine's peak (common practice).
GEARBOX: Mapping[str, tuple[float, float]] = {
    "manual": (8.0, 0.11),
    "automatic": (22.0, 0.17),
    "automatic_slipping": (22.0, 0.17),
    "hydrostatic": (10.0, 0.16),
    "marine": (6.0, 0.14),
}
STILL = ("generator", "locomotive", "aircraft")
HEIGHTS: Mapping[str, float] = {"off_road": 0.68, "van": 0.70, "truck": 0.72, "hillclimb": 0.38, "tractor": 0.85}
UNSPRUNG: Mapping[str, float] = {"off_road": 0.09, "truck": 0.09, "tractor": 0.15, "hillclimb": 0.075}
HUBS: Mapping[str, float] = {"off_road": 0.37, "truck": 0.38, "tractor": 0.6, "locomotive": 0.45, "hillclimb": 0.27}
RING = 0.35  # m: a chain's ring over the eyes (common practice)


def fill(given: Mapping[str, Any], context: Mapping[str, Mapping[str, Any]]) -> dict[str, Rule]:
    """Dress, gearbox, balance point, heights; what is weighed or read off a plate has no default."""
    rules = Ruling(given, context)
    machine, kind = rules.context.get("machine", {}), str(rules.context.get("machine", {}).get("kind"))
    rules.rule("dress", "dry", "as makers give it")
    base, each = GEARBOX.get(str(machine.get("gearbox")), GEARBOX["manual"])
    torque = likely(rules.engine.get("peak_torque") or 200.0)
    lie = str(rules.context.get("installation", {}).get("lie"))
    whole = 1.25 if lie in ("front_trans", "mid", "rear") else 1.0  # its differential with it
    box = 0.0 if kind in STILL else whole * (base + each * torque)
    rules.rule("gearbox", round(box, 1), "by the engine's torque" if box else "none of its own")
    _balance(rules)
    rules.rule("height", HEIGHTS.get(kind, 0.54), "usual for the machine")
    mass = likely(machine.get("mass") or 1300.0)
    rules.rule("unsprung", round(UNSPRUNG.get(kind, 0.065) * mass, 1), "by the machine's weight")
    tyre = machine.get("tyre_diameter")
    hub = LOADED * likely(tyre) if tyre is not None else HUBS.get(kind, 0.31)
    rules.rule("axle_height", round(hub, 3), "its tyre, loaded" if tyre is not None else "usual for the machine")
    rules.rule("with_gearbox", "unit", "together")
    rules.rule("legs", "two", "usual")
    rules.rule("ring", RING, "a usual chain")
    for id in given.get("items", ()):
        rules.rule(f"items.{id}.dress", "wet", "as it ran")
    return rules.rules


def _balance(rules: Ruling) -> None:
    """Of an engine a little behind its middle, of its gearbox a little ahead of it."""
    long, cover = rules.outside("unit.length"), rules.outside("unit.cover")
    box = likely(rules.get("gearbox"))
    own = rules.unit_mass(str(rules.get("dress")), 0.0)
    fit = rules.context.get("fit", {})
    case = likely(fit.get("gearcase.bell_length") or 0.15) + 0.4 * likely(fit.get("gearcase.length") or 0.5)
    rules.rule("gearbox_behind", round(case, 3), "two fifths along it")
    case = likely(rules.get("gearbox_behind"))
    rules.rule("unit_ahead", round((own * 0.46 * long - box * case) / (own + box), 3), "by its length and gearbox")
    rules.rule("unit_left", 0.0, "on the crank's line")
    over = (own * 0.32 * cover - 0.02 * box) / (own + box)
    rules.rule("unit_over", round(over, 3), "by its height")
