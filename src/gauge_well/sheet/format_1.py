"""From format 1 to 2: what was one flat section with a prefix for each part becomes parts in their places."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Any

from gauge_well.core.facts import specs
from gauge_well.core.parts import KINDS
from gauge_well.sheet.parts import fresh_id
from gauge_well.sheet.sections import PLACES, SECTIONS
from gauge_well.sheet.tables import columned
from gauge_well.units.printing import Preference

Raw = dict[str, Any]
FORMAT_1 = "gauge-well-build/1"
# By place: a part's fact <- the section's field that held it, where the two are not called the same.
MOVED: Mapping[str, Mapping[str, str]] = {
    "cooling.core": {
        "width": "core_width",
        "height": "core_height",
        "depth": "core_depth",
        "tubes": "core_kind",
        "fin_count": "fin_count",
        "rows": "core_rows",
        "passes": "core_passes",
        "direction": "core_direction",
        "fin_material": "fin_material",
        "fin_length": "fin_length",
        "tube_height": "tube_height",
        "louvre_pitch": "louvre_pitch",
        "louvre_angle": "louvre_angle",
        "tube_diameter": "tube_diameter",
        "tube_across": "tube_across",
        "tube_along": "tube_along",
        "test_heat": "test_heat",
        "test_air_speed": "test_air_speed",
        "test_coolant_flow": "test_coolant_flow",
        "test_difference": "test_difference",
    },
    "cooling.fan": {
        "drive": "fan_kind",
        "diameter": "fan_diameter",
        "count": "fan_count",
        "flow": "fan_flow",
        "rating": "fan_rating",
        "pressure": "fan_pressure",
        "table": "fan_table",
        "power": "fan_power",
        "speed": "fan_speed",
        "ratio": "fan_ratio",
        "clutch": "fan_clutch",
        "clutch_limit": "fan_clutch_limit",
        "depth": "fan_depth",
        "shroud": "shroud",
    },
    "cooling.condenser": {
        "depth": "condenser_depth",
    },
    "cooling.charge_cooler": {
        "width": "charge_width",
        "height": "charge_height",
        "depth": "charge_depth",
    },
    "cooling.oil_cooler": {
        "width": "oil_width",
        "height": "oil_height",
        "depth": "oil_depth",
    },
    "cooling.hose": {
        "bore": "hose_bore",
        "length": "hose_length",
    },
    "cooling.pump": {
        "drive": "pump_drive",
        "pressure": "pump_pressure",
        "ratio": "pump_ratio",
    },
    "cooling.header_tank": {
        "volume": "header_volume",
    },
    "cooling.heater": {
        "count": "heater_cores",
        "conductance": "heater_conductance",
    },
    "fuel.regulator": {
        "place": "rail",
        "pressure": "rail_pressure",
        "reference": "reference",
    },
    "fuel.injectors": {
        "flow": "injector_flow",
        "pressure": "injector_pressure",
        "count": "injector_count",
        "dead_time": "dead_time",
        "dead_table": "dead_table",
        "least_pulse": "least_pulse",
    },
    "fuel.staged": {
        "flow": "injector_flow_2",
    },
    "fuel.main": {
        "flow": "pump_flow",
        "pressure": "pump_pressure",
        "flow_2": "pump_flow_2",
        "pressure_2": "pump_pressure_2",
        "table": "pump_table",
        "count": "pump_count",
        "drive": "pump_drive",
        "speed": "pump_speed",
        "voltage": "rating_voltage",
        "relief": "relief_pressure",
        "wear": "pump_wear",
        "catch_volume": "catch_volume",
        "catch_time": "catch_time",
        "catch_pressure": "catch_pressure",
        "catch_voltage": "catch_voltage",
        "current": "pump_current",
    },
    "fuel.wire": {
        "length": "wire_length",
        "area": "wire_area",
    },
    "fuel.line": {
        "bore": "line_bore",
        "length": "line_length",
        "loss": "line_loss",
    },
    "fuel.filter": {
        "drop": "filter_drop",
        "volume": "filter_volume",
    },
    "fuel.return_line": {
        "bore": "return_bore",
        "length": "return_length",
        "loss": "return_loss",
    },
    "fuel.suction": {
        "bore": "suction_bore",
        "length": "suction_length",
    },
    "fuel.sieve": {
        "drop": "sieve_drop",
    },
    "fuel.lift_pump": {
        "flow": "lift_flow",
        "pressure": "lift_pressure",
        "flow_2": "lift_flow_2",
        "pressure_2": "lift_pressure_2",
        "table": "lift_table",
        "current": "lift_current",
    },
    "fuel.lift_line": {
        "bore": "lift_bore",
        "length": "lift_length",
    },
    "fuel.pot": {
        "volume": "pot_volume",
    },
    "fuel.pot_line": {
        "bore": "pot_bore",
        "length": "pot_length",
    },
    "fuel.overflow": {
        "bore": "overflow_bore",
        "length": "overflow_length",
    },
    "fuel.tank": {
        "volume": "tank_volume",
        "length": "tank_length",
        "width": "tank_width",
        "height": "tank_height",
        "pickup_x": "tank_pickup_x",
        "pickup_y": "tank_pickup_y",
        "pickup_height": "tank_pickup_height",
        "pickup_in": "pickup_in",
        "vent_bore": "vent_bore",
        "filler_bore": "filler_bore",
        "filler_length": "filler_length",
    },
    "oil.pan": {
        "shape": "pan_shape",
        "length": "pan_length",
        "width": "pan_width",
        "depth": "pan_depth",
        "well_length": "well_length",
        "shallow_depth": "shallow_depth",
        "outline": "pan_outline",
        "widths": "pan_widths",
        "baffle": "baffle",
        "baffle_g": "baffle_g",
    },
    "oil.pickup": {
        "x": "pickup_x",
        "y": "pickup_y",
        "clearance": "pickup_clearance",
        "bore": "pickup_bore",
        "length": "pickup_length",
        "mouth": "pickup_mouth",
    },
    "oil.pump": {
        "displacement": "pump_displacement",
        "relief_returns": "relief_returns",
        "relief": "relief_pressure",
    },
    "oil.drain": {
        "bore": "turbo_drain_bore",
        "slope": "turbo_drain_slope",
    },
    "oil.cooler": {
        "into": "cooler",
        "conductance": "cooler_conductance",
    },
    "exhaust.pipe": {
        "diameter": "pipe_diameter",
        "length": "pipe_length",
        "bends": "bends",
        "bend_ratio": "bend_ratio",
        "wall": "wall",
        "roughness": "roughness",
    },
    "exhaust.silencer": {
        "type": "silencer",
    },
}
RENAMED: Mapping[str, str] = {"cooling.condenser": "condenser_front"}
# A candidate stated what it changes; what of the fitted pump went with it.
POINT = (
    "flow_2",
    "pressure_2",
    "current",
    "relief",
    "wear",
    "catch_volume",
    "catch_time",
    "catch_pressure",
    "catch_voltage",
)
GONE: Mapping[str, tuple[str, ...]] = {"flow": ("table", *POINT), "table": ("flow", "pressure", *POINT)}
WORDS: Mapping[str, str] = {word: word for word in ("pipe", "flex", "straight", "catalyst", "chambered", "reversed")}


def speaks_1(raw: Mapping[str, Any]) -> bool:
    """Whether a document holds what only format 1 did: a part's facts among its section's own, or candidates."""
    if "candidates" in raw:
        return True
    old = {(path.split(".")[0], name) for path, moved in MOVED.items() for name in moved.values()}
    old |= {("cooling", "condenser"), ("exhaust", "pipes")}
    return any(name in raw[section] for section, name in old if isinstance(raw.get(section), Mapping))


def path_now(path: str) -> str:
    """A fact's path of format 1 as it is called today; others as they are."""
    section, _, name = path.partition(".")
    if path in RENAMED:
        return f"{section}.{RENAMED[path]}"
    moved = (
        (place, n)
        for place, facts in MOVED.items()
        if place.startswith(f"{section}.")
        for n, old in facts.items()
        if old == name
    )
    return next((f"{place}.{n}" for place, n in moved), path)


def from_1(raw: Raw) -> Raw:
    """A document of format 2 with all that one of format 1 says."""
    found: Raw = {**raw, "format": "gauge-well-build/2"}
    fitted: list[Raw] = []
    for section in {path.split(".")[0] for path in MOVED}:
        if isinstance(raw.get(section), Mapping):
            found[section], parts = _parted(section, raw[section])
            fitted += parts
    fitted.sort(key=lambda part: list(PLACES).index(part["role"]))
    found["parts"] = [*fitted, *_pieces(found), *_candidates(found.pop("candidates", None), fitted)]
    _name(found["parts"])
    if not found["parts"]:
        found.pop("parts")
    return found


def _parted(section: str, held: Mapping[str, Any]) -> tuple[Raw, list[Raw]]:
    """What of a section is its own, and its parts."""
    own = dict(held)
    parts: list[Raw] = []
    for path, moved in MOVED.items():
        if path.startswith(f"{section}."):
            facts = {name: own.pop(old) for name, old in moved.items() if old in own}
            if facts:
                parts.append({"kind": PLACES[path].role.kind.id, "role": path, "facts": facts})
    for path, name in RENAMED.items():
        old = path.removeprefix(f"{section}.")
        if old in own:
            own[name] = own.pop(old)
    return own, parts


def _pieces(document: Raw) -> list[Raw]:
    """Each row of the exhaust's table as a piece; what cannot be read stays where it is, to be refused there."""
    exhaust = document.get("exhaust")
    if not isinstance(exhaust, Mapping) or not exhaust.get("pipes"):
        return []
    table = exhaust["pipes"]
    units = document.get("units")
    prefer = Preference(**units) if isinstance(units, Mapping) else Preference()
    text, evidence = (table.get("text", ""), table.get("evidence")) if isinstance(table, Mapping) else (table, None)
    if isinstance(text, list):
        text = "\n".join(", ".join(map(str, row)) for row in text)
    columns = (("outside", "length"), ("length", "length"), ("bends", "angle"), ("part", "ratio"))
    rows = columned(str(text), columns, WORDS, prefer)
    if rows is None:
        return []
    document["exhaust"] = {name: value for name, value in exhaust.items() if name != "pipes"}
    return [{"kind": "pipe", "role": "exhaust.pieces", "facts": _piece(row, evidence)} for row in rows]


def _piece(row: list[str], evidence: str | None) -> Raw:
    *sizes, what = row
    facts: Raw = {
        name: _claim(text, evidence) for name, text in zip(("diameter", "length", "bends"), sizes, strict=True)
    }
    word = what.strip().lower()
    return facts | ({"piece": word} if word in WORDS else {"piece": "own", "loss": _claim(what, evidence)})


def _claim(text: str, evidence: str | None) -> Raw:
    return {"text": text} | ({"evidence": evidence} if evidence else {})


def _candidates(raw: Any, fitted: list[Raw]) -> list[Raw]:
    """Each candidate as a part of the yard, one for every place it spoke of; what was no part's is noted."""
    found: list[Raw] = []
    for section, listed in raw.items() if isinstance(raw, Mapping) else ():
        for entry in listed if isinstance(listed, list) else ():
            if isinstance(entry, Mapping) and isinstance(entry.get("facts"), Mapping) and section in SECTIONS:
                found += _candidate(str(section), entry, fitted)
    return found


def _candidate(section: str, entry: Mapping[str, Any], fitted: list[Raw]) -> list[Raw]:
    own, parts = _parted(section, entry["facts"])
    for part in parts:
        kind = KINDS[part["kind"]]
        now: Raw = next((p["facts"] for p in fitted if p["role"] == part.pop("role", None)), {})
        gone = {name for said in part["facts"] for name in GONE.get(said, ())} if part["kind"] == "pump" else set()
        stated = {
            name: _chosen(value) if name in _choices(kind.facts) else value for name, value in part["facts"].items()
        }
        part["facts"] = {name: value for name, value in now.items() if name not in gone} | stated
        part |= {"name": entry["name"]} if entry.get("name") else {}
    keep = {"price": entry["price"]} if entry.get("price") else {}
    if own:
        keep["note"] = "; ".join(f"{name.replace('_', ' ')} {_chosen(value)}" for name, value in own.items())[:400]
    if parts and keep:
        parts[0]["keep"] = keep
    return parts


def _choices(facts: type[Any]) -> set[str]:
    return {name for name, spec in specs(facts).items() if spec.kind == "choice"}


def _chosen(value: Any) -> Any:
    return value.get("text") if isinstance(value, Mapping) else value


def _name(parts: list[Raw]) -> None:
    """Each part's id: its place's name, or its kind's."""
    taken: set[str] = set()
    for part in parts:
        place = PLACES.get(part.get("role", ""))
        id = fresh_id(part["kind"] if place is None or place.many else place.name, taken)
        taken.add(id)
        part["id"] = id
