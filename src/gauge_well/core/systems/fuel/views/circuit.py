"""The circuit drawn from tank to engine and back, with what stands in each part."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.facts import fact, need
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.systems.base import Context, Options
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel import tank
from gauge_well.core.systems.fuel.circuit import Circuit, demand, has_injectors
from gauge_well.core.systems.fuel.judge import judged, standing
from gauge_well.core.systems.fuel.network import Network, Point, missing_of, network_of, return_limited
from gauge_well.core.systems.fuel.presets import PRESETS
from gauge_well.core.typing import Value, as_array, duty_value

ENDS = {
    "port": "rail",
    "direct": "high-pressure pump",
    "common_rail": "high-pressure pump",
    "mechanical": "injection pump",
    "carburettor": "float bowl",
    "gas": "gas parts",
}
# Which check speaks of a part of the drawing.
SPEAKS = {
    "suction": ("suction",),
    "lift": ("lift_flow",),
    "pot": ("pot_holds",),
    "pot_hose": ("main_inlet",),
    "pump": ("pump_flow", "stage_flow"),
    "line": ("head_flow",),
    "end": ("float_valve", "flooding"),
    "injectors": ("injector_duty",),
    "return": ("return_pressure",),
    "tank": ("tank_cover", "vent", "tank_hot"),
}


@dataclass(frozen=True)
class CircuitPart:
    """One part of the circuit with what stands in it; SI, pressures over the air outside. ``fill``: of the check that
    speaks of it; ``lasts``: what is in a bowl [s]; ``to``: where a return goes."""

    id: str
    label: str
    path: str
    fill: float | None = None
    flow: float | None = None
    drop: float | None = None
    speed: float | None = None
    pressure: float | None = None
    gain: float | None = None
    inlet: float | None = None
    margin: float | None = None
    volts: float | None = None
    amps: float | None = None
    over: float | None = None
    share: float | None = None
    ceiling: float | None = None
    wanted: float | None = None
    lasts: float | None = None
    to: str | None = None
    temperature: float | None = None


@dataclass(frozen=True)
class PresetEntry:
    """A usual circuit, the choices it is made of, and whether it is the one there is."""

    id: str
    label: str
    choices: Mapping[str, str]
    now: bool


@dataclass(frozen=True)
class CircuitFlows:
    """What the engine burns, takes and can have [m3/s]; pressure at its inlet as it stands and as wanted [Pa]."""

    burned: float
    taken: float
    able: float
    rail: float
    wanted: float


@dataclass(frozen=True)
class CircuitView:
    """Parts of the feed in order, then of the return; ``limits``: the fullest. None of it where a pump is not known."""

    rail_kind: str | None
    lift_kind: str | None
    presets: Sequence[PresetEntry]
    unknown: Sequence[str]
    parts: Sequence[CircuitPart]
    limits: str | None
    flows: CircuitFlows | None


def show(context: Context, circuit: Circuit, index: int, options: Options) -> CircuitView:
    """Parts of the feed in order, then of the return; flows [m3/s], pressures over the air outside [Pa]."""
    op = circuit.idle if options.get("idle", 0.0) >= 0.5 else context.peak
    presets = [PresetEntry(id, p.label, p.choices, is_now(circuit, p.choices)) for id, p in PRESETS.items()]
    bare = CircuitView(circuit.facts.regulator.place, circuit.facts.lift, presets, [], [], None, None)
    missing = missing_of(circuit)
    if missing:
        return replace(bare, unknown=[field for fields in missing.values() for field in fields])
    network = network_of(context, circuit, op.speed, options.get("voltage"))
    point = network.at(op)
    fills = {
        c.id: duty_value(c.fill, index)
        for c in (*standing(context, circuit, network), *judged(context, circuit, point, op))
    }

    def pick(value: Value) -> float:
        return duty_value(value, index)

    parts = list(parts_of(point, pick))
    if has_injectors(circuit):
        found = inj.injectors(context, circuit, op, point.rail)
        share = pick(found.share)
        numbers = {"flow": pick(found.flow), "drop": pick(found.pressure), "share": min(share, 9.99)}
        parts.append(_part("injectors", "injectors", "injectors.flow", **numbers, ceiling=circuit.ceiling))
        fills["injector_duty"] = min(share / circuit.ceiling, 9.99)
    filled = [replace(part, fill=_fill(part, fills)) for part in parts]
    fullest = max((p for p in filled if p.fill is not None), key=lambda p: p.fill or 0.0, default=None)
    flows = CircuitFlows(
        burned=pick(demand(op, circuit) * circuit.fact("burned_share")),
        taken=pick(point.taken),
        able=pick(point.able),
        rail=pick(point.rail),
        wanted=pick(point.back),
    )
    return replace(bare, parts=filled, limits=None if fullest is None else fullest.id, flows=flows)


def _fill(part: CircuitPart, fills: Mapping[str, float]) -> float | None:
    return max((fills[id] for id in SPEAKS.get(part.id, ()) if id in fills), default=None)


def is_now(circuit: Circuit, choices: Mapping[str, str]) -> bool:
    """Whether the circuit is this preset."""
    return all(fact(circuit.facts, name) == choice for name, choice in choices.items())


def _part(id: str, label: str, path: str, **numbers: float) -> CircuitPart:
    return CircuitPart(id, label, f"fuel.{path}", **numbers)  # type: ignore[arg-type]


def _line(circuit: Circuit, id: str, label: str, name: str, flow: float, drop: float) -> CircuitPart:
    bore = as_array(need(fact(circuit.facts, f"{name}.bore"), f"fuel.{name}.bore"))
    return _part(id, label, f"{name}.bore", flow=flow, drop=drop, speed=flow / float(bore_area(bore).flat[0]))


def parts_of(point: Point, pick: Callable[[Value], float]) -> Iterator[CircuitPart]:
    """Every part from the tank to the engine and back, with what stands in it."""
    network, circuit = point.network, point.network.circuit
    yield from _feed(circuit, network, point, pick)
    yield from _back(circuit, point, pick)


def _feed(circuit: Circuit, network: Network, point: Point, pick: Callable[[Value], float]) -> Iterator[CircuitPart]:
    """From the tank to the engine."""
    facts = circuit.facts
    through, drawn, taken = pick(point.through), pick(point.drawn), pick(point.taken)
    first = -pick(point.tank_pull)
    yield _part("tank", "tank", "tank.volume", flow=drawn)
    suction = _line(circuit, "suction", "pickup and sieve", "suction", drawn, pick(point.tank_pull))
    yield replace(suction, pressure=first, margin=pick(circuit.over_boiling(point.tank_pull)))
    if facts.water_bowl == "yes":
        yield _part("water", "water bowl", "water_bowl", flow=drawn)
    if facts.lift != "none":
        yield from _lift(circuit, network, point, pick)
    if network.main.pump is not None:
        count = pick(circuit.fact("main.count"))
        label = "pump" if count < 1.5 else f"{count:.0f} pumps"
        if network.alone is not None and taken < pick(network.stage_flow):
            label = f"1 of {count:.0f} pumps"
        inlet, gain = pick(point.inlet), pick(point.across)
        numbers = {"flow": through, "pressure": inlet + gain, "gain": gain, "inlet": inlet}
        if facts.main.drive == "electric":
            numbers |= {"volts": pick(point.volts), "amps": pick(point.amps)}
        yield _part("pump", label, "main.flow", **numbers)
    filtered = pick(circuit.filter_drop(point.through))
    yield _part("filter", "filter", "filter.drop", flow=through, drop=filtered)
    if facts.regulator.place == "dead_headed":
        yield _part("regulator", "regulator", "regulator.pressure", flow=pick(point.returned), pressure=pick(point.end))
    lost = pick(circuit.pipe(point.in_line, "line", circuit.fact("line.loss")))
    yield _line(circuit, "line", "line", "line", pick(point.in_line), lost)
    end = {"flow": taken, "pressure": pick(point.rail), "wanted": pick(point.back)}
    if facts.injection == "carburettor" and facts.bowl_volume is not None:
        end["lasts"] = pick(circuit.fact("bowl_volume") / np.maximum(point.taken, 1e-12))
    yield _part("end", ENDS[facts.injection], "regulator.pressure", **end)


def _lift(circuit: Circuit, network: Network, point: Point, pick: Callable[[Value], float]) -> Iterator[CircuitPart]:
    pot = circuit.facts.lift == "pot"
    pump = network.lift.pump if network.lift is not None else network.booster
    flow, gain = pick(point.lifted) if pot else pick(point.through), pick(point.lift_gain)
    numbers = {"flow": flow, "pressure": gain - pick(point.tank_pull), "gain": gain}
    if pump is not None:
        numbers |= {"volts": float(pump.motor.volts(gain).flat[0]), "amps": pick(point.lift_amps)}
    yield _part("lift", "lift pump", "lift_pump.flow", **numbers)
    lost = pick(circuit.lift_drop(point.lifted if pot else point.through))
    yield _line(circuit, "lift_line", "line", "lift_line", flow, lost)
    if pot:
        over = max(pick(point.overflow), 0.0)
        yield _part("pot", "surge pot", "pot.volume", flow=pick(point.pot_takes), over=over)
        hose = _line(
            circuit, "pot_hose", "hose", "pot_line", pick(point.through), pick(circuit.pot_drop(point.through))
        )
        yield replace(hose, margin=pick(circuit.over_boiling(-point.inlet)), pressure=pick(point.inlet))


def _back(circuit: Circuit, point: Point, pick: Callable[[Value], float]) -> Iterator[CircuitPart]:
    """From the engine back to the tank: the regulator's flow, or what spills."""
    facts = circuit.facts
    flow = point.returned if facts.regulator.place == "returned" else point.spilled
    if facts.regulator.place == "returned":
        stands = pick(return_limited(point)) if circuit.pumped else pick(point.rail)
        yield _part("regulator", "regulator", "regulator.pressure", flow=pick(flow), pressure=stands)
    elif pick(point.spilled) <= 0.0:
        return
    back = _line(circuit, "return", "return", "return_line", pick(flow), pick(circuit.return_drop(flow)))
    to = facts.return_to if facts.lift == "pot" else "tank"
    yield replace(back, to=to, temperature=pick(tank.return_temperature(point)))
