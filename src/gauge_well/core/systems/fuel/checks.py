"""Fuel's demands against its capacities: pumps, injectors, suction, return, idle."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import injectors as inj
from gauge_well.core.systems.fuel.circuit import Circuit, demand
from gauge_well.core.systems.fuel.network import Network, Point, return_limited
from gauge_well.core.typing import Array, as_array, duty_values, likely, over_duties

# Pressure [Pa] a spill's return may stand at before it holds up the injection pump's (common practice).
SPILL_MOST = 30e3


def pump_check(point: Point, count: int) -> Check:
    """Peak flow with its reserve against what the pump gives at the pressure asked and its real volts."""
    circuit = point.network.circuit
    pumped = circuit.pumped

    def said() -> Sequence[Sentence]:
        asked, got = duty_values(point.asked, count), duty_values(point.able, count)
        pressure, volts = duty_values(point.able_across, count), duty_values(point.able_volts, count)
        back = duty_values(point.back, count)
        found = []
        for i in range(count):
            values: dict[str, tuple[float, str] | str] = {
                "asked": (asked[i], "flow_fuel"),
                "reserve": (circuit.reserve, "share"),
                "got": (got[i], "flow_fuel"),
                "p": (pressure[i], "pressure_gauge"),
                "v": (volts[i], "voltage"),
            }
            if not pumped:
                values["p"] = (back[i], "pressure_gauge")
                words = "Asks {asked} with {reserve} in reserve; by its own head {got} gets there at {p}."
                if got[i] <= 0.0:
                    words = (
                        "Nothing pushes fuel to the engine: no pump, and the tank does not stand high enough for the "
                        "{p} wanted there."
                    )
            elif got[i] > 0.0:
                words = "Asks {asked} with {reserve} in reserve; the pump gives {got} at {p}" + (
                    " and {v}." if circuit.facts.main.drive == "electric" else "."
                )
            else:
                values["p"] = (back[i], "pressure_gauge")
                words = "The pump cannot reach {p}, the pressure asked of it."
            found.append(Sentence(words, values))
        return found

    return Check(
        id="pump_flow" if pumped else "head_flow",
        name="Pump flow" if pumped else "Flow by its own head",
        part="pump" if pumped else "line",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="flow_fuel",
        demand=point.asked,
        capacity=point.able,
        fill=ratio_fill(point.asked, point.able),
        sentences=said,
    )


def stage_check(network: Network) -> list[Check]:
    """One pump alone just before the others come on; nothing where they always run."""
    if network.alone is None:
        return []
    circuit = network.circuit
    asked = circuit.with_reserve(network.stage_flow)
    able = network.alone.able(circuit.rail_gauge)

    def said() -> Sequence[Sentence]:
        values: dict[str, tuple[float, str] | str] = {
            "asked": (likely(asked), "flow_fuel"),
            "got": (likely(able), "flow_fuel"),
            "share": (likely(circuit.fact("stage_load")), "share"),
        }
        return (Sentence("Up to {share} of full load one pump runs: asks {asked}, gives {got}.", values),)

    return [
        Check(
            id="stage_flow",
            name="One pump before the others",
            part="pump",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="flow_fuel",
            demand=over_duties(asked),
            capacity=over_duties(able),
            fill=ratio_fill(over_duties(asked), over_duties(able)),
            sentences=said,
        )
    ]


def lift_check(point: Point, count: int) -> Check:
    """What the pot gives up, with its reserve, against what the lift pump brings."""
    circuit = point.network.circuit
    asked = circuit.with_reserve(point.pot_takes)
    lift = point.network.lift
    able = as_array(0.0) if lift is None else lift.able(0.0)
    able = np.asarray(np.broadcast_to(able, np.broadcast_shapes(np.shape(able), np.shape(asked))))

    def said() -> Sequence[Sentence]:
        return tuple(
            Sentence(
                "The pot gives up {asked} with {reserve} in reserve; the lift pump brings {got}.",
                {"asked": (a, "flow_fuel"), "reserve": (circuit.reserve, "share"), "got": (g, "flow_fuel")},
            )
            for a, g in zip(duty_values(asked, count), duty_values(able, count), strict=True)
        )

    return Check(
        id="lift_flow",
        name="Lift pump flow",
        part="lift",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="flow_fuel",
        demand=asked,
        capacity=able,
        fill=ratio_fill(asked, able),
        sentences=said,
    )


def pot_check(point: Point, count: int) -> list[Check]:
    """What the engine takes while the tank's pickup is bare against what the pot holds."""
    circuit = point.network.circuit
    if circuit.facts.lift != "pot" or circuit.facts.pot.volume is None:
        return []
    holds, time = circuit.fact("pot.volume"), circuit.fact("bare_time")
    asked = point.pot_takes * time

    def said() -> Sequence[Sentence]:
        return tuple(
            Sentence(
                "The pot lasts {t} with the tank's pickup bare; {asked} are asked.",
                {"t": (likely(holds) / max(q, 1e-12), "time"), "asked": (likely(time), "time")},
            )
            for q in duty_values(point.pot_takes, count)
        )

    return [
        Check(
            id="pot_holds",
            name="Surge pot",
            part="lift",
            check_class=CheckClass.LIMIT,
            scales=None,
            kind="volume",
            demand=asked,
            capacity=holds,
            fill=ratio_fill(asked, holds),
            sentences=said,
        )
    ]


def injector_check(context: Context, circuit: Circuit, peak: Operation, count: int) -> Check:
    """Share of the cycle with dead time against the ceiling."""
    found = inj.injectors(context, circuit, peak)

    def said() -> Sequence[Sentence]:
        share = duty_values(found.share, count)
        flow, dp = duty_values(found.flow, count), duty_values(found.pressure, count)
        return tuple(
            Sentence(
                "Open {share} of the cycle; {ceiling} is the ceiling. Each gives {flow} at {dp}.",
                {
                    "share": (share[i], "share"),
                    "ceiling": (circuit.ceiling, "share"),
                    "flow": (flow[i], "injector_flow"),
                    "dp": (dp[i], "pressure_difference"),
                },
            )
            if flow[i] > 0.0
            else Sentence("Manifold pressure is above the rail: no fuel gets in.")
            for i in range(count)
        )

    fill = np.where(found.flow > 0.0, ratio_fill(found.share, circuit.ceiling), 9.99)
    return Check(
        id="injector_duty",
        name="Injector opening",
        part="injectors",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="share",
        demand=found.share,
        capacity=circuit.ceiling,
        fill=fill,
        sentences=said,
    )


def idle_check(context: Context, circuit: Circuit) -> Check:
    """The opening at idle against the shortest that is steady: large injectors cost a smooth idle."""
    found = inj.idle_pulse(context, circuit)
    # The duty with the shortest opening speaks.
    opening, largest = (-over_duties(-as_array(v)) for v in (found.open, found.largest))

    def said() -> Sequence[Sentence]:
        values: dict[str, tuple[float, str] | str] = {
            "open": (likely(opening), "time_short"),
            "least": (likely(found.least), "time_short"),
            "most": (likely(largest), "injector_flow"),
        }
        if likely(opening) >= likely(found.least):
            return (Sentence("Open {open} at idle besides dead time; {least} is the shortest that is steady.", values),)
        return (Sentence("Too big to idle: open {open}, {least} wanted; up to {most} each would idle.", values),)

    return Check(
        id="idle_pulse",
        name="Opening at idle",
        part="injectors",
        check_class=CheckClass.COST,
        scales=Scales.GATE,
        kind="time_short",
        demand=found.least,
        capacity=opening,
        fill=ratio_fill(found.least, opening),
        sentences=said,
    )


def _over_boiling(circuit: Circuit, margins: Sequence[float], where: str) -> Sequence[Sentence]:
    temperature = likely(circuit.temperature)
    return tuple(
        Sentence(
            "{m} over boiling at {where}, fuel at {t}.",
            {"m": (m, "pressure_difference"), "t": (temperature, "temperature"), "where": where},
        )
        if m >= 0
        else Sentence(
            "Fuel at {t} boils at {where}, {m} short: lower the pump, cool the fuel or widen the line.",
            {"m": (-m, "pressure_difference"), "t": (temperature, "temperature"), "where": where},
        )
        for m in margins
    )


def suction_checks(circuit: Circuit, point: Point | None, taken: Array, count: int) -> list[Check]:
    """Pressure lost to each pump's inlet against what the fuel allows before it boils there.

    A returned pump draws its whole flow, whatever the engine burns; behind a lift pump or a pot the main pump has
    an inlet of its own.
    """
    drawn = taken if point is None else point.drawn
    first = "the lift pump's inlet" if circuit.facts.lift != "none" else "the pump inlet"
    if not circuit.pumped and circuit.facts.lift == "none":
        first = "the engine's inlet"
    pull = circuit.suction_drop(drawn)
    if not circuit.pumped:
        # The line behind the tank's outlet sucks too where no pump parts them.
        pull = pull + circuit.line_drop(drawn) + circuit.weight(circuit.fact("end_height"))
    found = [_suction(circuit, "suction", "Suction", pull, first, count)]
    if point is not None and circuit.facts.lift != "none":
        name = "Main pump's inlet"
        found.append(_suction(circuit, "main_inlet", name, -point.inlet, "the main pump's inlet", count))
    return found


def _suction(circuit: Circuit, id: str, name: str, lost: Array, where: str, count: int) -> Check:
    allowed = circuit.over_boiling(0.0)
    shape = np.broadcast_shapes(np.shape(lost), np.shape(allowed))
    fill = np.where(np.broadcast_to(allowed, shape) > 0.0, ratio_fill(np.maximum(lost, 0.0), allowed), 9.99)
    return Check(
        id=id,
        name=name,
        part="suction",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="pressure_difference",
        demand=lost,
        capacity=allowed,
        fill=fill,
        code="" if np.all(allowed > 0.0) else "cannot_suck",
        sentences=lambda: _over_boiling(circuit, duty_values(allowed - lost, count), where),
    )


def return_check(context: Context, network: Network) -> list[Check]:
    """Idling, what the return line makes the rail stand at against what it is set to; a spill's return against what
    an injection pump bears."""
    circuit = network.circuit
    taken = demand(circuit.idle, circuit)
    if circuit.facts.regulator.place == "returned" and circuit.pumped:
        point = network.point(taken, circuit.rail_gauge)
        stands, allowed = over_duties(return_limited(point)), over_duties(circuit.rail_gauge)
        words = (
            "Idling the rail stands at {a}; it is set to {b}."
            if likely(stands) > 1.005 * likely(allowed)
            else ("The return is wide enough: idling the rail stays at the {b} it is set to.")
        )
        lost = over_duties(circuit.return_drop(point.returned))
    elif circuit.facts.injection in ("mechanical", "common_rail"):
        spilled = circuit.spilled(demand(context.peak, circuit))
        lost, allowed = over_duties(circuit.return_drop(spilled)), as_array(SPILL_MOST)
        words, stands = "What spills stands at {a} in its return; {b} is what the pump bears.", lost
    else:
        return []
    values: dict[str, tuple[float, str] | str] = {
        "a": (likely(stands), "pressure_gauge"),
        "b": (likely(allowed), "pressure_gauge"),
    }
    return [
        Check(
            id="return_pressure",
            name="Return pressure",
            part="line",
            check_class=CheckClass.COST,
            scales=Scales.GATE,
            kind="pressure_gauge",
            demand=lost,
            capacity=allowed,
            fill=ratio_fill(lost, allowed),
            sentences=lambda: (Sentence(words, values),),
        )
    ]
