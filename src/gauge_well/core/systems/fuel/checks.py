"""Fuel's demands against its capacities."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, duty_values
from gauge_well.core.systems.fuel import model
from gauge_well.core.typing import as_array, largest, likely
from gauge_well.core.validity import Notice

LINE_SPEED, SUCTION_SPEED = 2.0, 0.6  # m/s, guides


def pump_check(circuit: model.Circuit, point: model.PumpPoint, peak: Operation, count: int) -> Check:
    """Peak flow with its reserve against what the pump gives at rail pressure and real volts."""
    need_flow = model.demand(peak, circuit.fuel, circuit.facts) * (1.0 + circuit.reserve)

    def said() -> Sequence[Sentence]:
        asked, got = duty_values(need_flow, count), duty_values(point.flow, count)
        pressure, volts = duty_values(point.pressure, count), duty_values(point.voltage, count)
        return tuple(
            Sentence(
                "Asks {asked} with {reserve} in reserve; the pump gives {got} at {p}"
                + (" and {v}." if circuit.facts.pump_drive == "electric" else "."),
                {
                    "asked": (asked[i], "flow_fuel"),
                    "reserve": (circuit.reserve, "share"),
                    "got": (got[i], "flow_fuel"),
                    "p": (pressure[i], "pressure_gauge"),
                    "v": (volts[i], "voltage"),
                },
            )
            if got[i] > 0.0
            else Sentence(
                "The pump cannot reach {p}, the pressure asked of it.",
                {"p": (likely(circuit.rail_gauge), "pressure_gauge")},
            )
            for i in range(count)
        )

    return Check(
        "pump_flow",
        "Pump flow",
        "pump",
        CheckClass.LIMIT,
        None,
        "flow_fuel",
        need_flow,
        point.flow,
        ratio_fill(need_flow, point.flow),
        sentences=said,
    )


def injector_check(circuit: model.Circuit, context: Context, peak: Operation, count: int) -> Check:
    """Share of the cycle with dead time against the ceiling."""
    found = model.injectors(circuit, peak, context)

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
        "injector_duty",
        "Injector opening",
        "injectors",
        CheckClass.LIMIT,
        None,
        "share",
        found.share,
        circuit.ceiling,
        fill,
        sentences=said,
    )


def suction_check(circuit: model.Circuit, point: model.PumpPoint | None, peak: Operation, count: int) -> Check:
    """Pressure lost to the pump inlet against what the fuel allows before it boils there.

    A returned pump draws its whole flow, whatever the engine burns.
    """
    at = model.suction(circuit, model.drawn(circuit, point, peak))
    lost, allowed = at.source - at.inlet, at.source - at.least

    def said() -> Sequence[Sentence]:
        temperature = likely(circuit.temperature)
        return tuple(
            Sentence(
                "{m} over boiling at the pump inlet, fuel at {t}.",
                {"m": (m, "pressure_difference"), "t": (temperature, "temperature")},
            )
            if m >= 0
            else Sentence(
                "Fuel at {t} boils at the pump inlet, {m} short: lower the pump, cool the fuel or widen the line.",
                {"m": (-m, "pressure_difference"), "t": (temperature, "temperature")},
            )
            for m in duty_values(at.inlet - at.least, count)
        )

    shape = np.broadcast_shapes(np.shape(lost), np.shape(allowed))
    fill = np.where(np.broadcast_to(allowed, shape) > 0.0, ratio_fill(np.maximum(lost, 0.0), allowed), 9.99)
    code = "" if np.all(allowed > 0.0) else "cannot_suck"
    return Check(
        "suction",
        "Suction",
        "suction",
        CheckClass.LIMIT,
        None,
        "pressure_difference",
        lost,
        allowed,
        fill,
        code=code,
        sentences=said,
    )


def notices(
    circuit: model.Circuit, context: Context, curve: model.PumpCurve | None, point: model.PumpPoint | None
) -> list[Notice]:
    """Guides and assumptions worth saying."""
    facts = circuit.facts
    found: list[Notice] = []
    flow = largest(model.drawn(circuit, point, context.peak))
    for bore, name, guide, where in (
        (facts.line_bore, "line", LINE_SPEED, "fuel.line_bore"),
        (facts.suction_bore, "suction", SUCTION_SPEED, "fuel.suction_bore"),
    ):
        if bore is None or (name == "suction" and facts.pump_place == "tank"):
            continue
        speed = flow / likely(bore_area(bore))
        if speed > guide * 1.001:
            found.append(
                Notice(
                    f"{name}_speed",
                    Sentence(
                        "Fuel runs at {v} in the {name}; {guide} is the guide. The losses are counted above.",
                        {
                            "v": (speed, "speed_m_s"),
                            "name": "suction line" if name == "suction" else "line",
                            "guide": (guide, "speed_m_s"),
                        },
                    ),
                    where,
                )
            )
    if curve is not None and curve.by_rule:
        found.append(
            Notice(
                "pump_one_point",
                Sentence(
                    "Only one point of the pump is known; that it stops at {p} is a rule. Give a second "
                    "point or a table.",
                    {"p": (likely(curve.pressure[-1]), "pressure_gauge")},
                ),
                "fuel.pump_flow_2",
            )
        )
    if not circuit.way.injectors:
        found.append(
            Notice(
                "injectors_not_judged",
                Sentence("Injectors are the engine's own here and not judged; only the supply is."),
            )
        )
    elif context.engine.facts.cycle == "two_stroke":
        found.append(Notice("two_stroke", Sentence("Injectors are taken to open once every turn.")))
    floor = as_array(circuit.rail_gauge)
    if (
        facts.reference == "atmosphere"
        and circuit.way.injectors
        and largest(context.peak.manifold_gauge) > 0.2 * likely(floor)
    ):
        found.append(
            Notice(
                "fixed_rail",
                Sentence("The rail is not referenced to the manifold: under boost the injectors lose flow."),
            )
        )
    return found
