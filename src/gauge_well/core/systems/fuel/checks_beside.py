"""Checks of what stands beside the flow: tank, vent, heat, bowl, guards and gaps, cold start."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import Check, CheckClass, Scales, gap_gate, ratio_fill
from gauge_well.core.engine.model import Operation
from gauge_well.core.media import fuels
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel import guard, tank
from gauge_well.core.systems.fuel.circuit import Circuit, burned
from gauge_well.core.systems.fuel.network import Network, Point
from gauge_well.core.typing import as_array, duty_values, likely, over_duties

BATTERY_GAP = 0.30  # m kept between a battery and fuel parts (common practice)


def standing(context: Context, circuit: Circuit, network: Network | None) -> list[Check]:
    """What is the same at every power, as far as it is stated."""
    facts = circuit.facts
    found: list[Check] = []
    if tank.boxed(circuit):
        found.append(_cover(context, circuit))
    if facts.injection == "carburettor" and network is not None:
        found.append(_flooding(network))
    if facts.coldest_start is not None and circuit.fuel.lean_limit > 0.0:
        found.append(_cold(circuit))
    found += _cut_offs(circuit)
    return found + gap_gate(
        "battery_gap", "Battery to fuel parts", "guard", facts.battery_gap, BATTERY_GAP, danger=True
    )


def judged(context: Context, circuit: Circuit, point: Point | None, peak: Operation, count: int) -> list[Check]:
    """What follows the power, as far as it is stated."""
    facts = circuit.facts
    found: list[Check] = []
    if facts.tank.vent_bore is not None:
        found.append(_vent(circuit, peak, count))
    if point is not None and facts.tank.volume is not None:
        found.append(_tank_hot(context, circuit, point, count))
    if point is not None and facts.injection == "carburettor":
        found.append(_seat(point, count))
    return found


def _cover(context: Context, circuit: Circuit) -> Check:
    """Fuel the pickup wants over it in the worst duty against what is left when the tank is refilled."""
    duties = tank.unusable(circuit)
    asked, left = over_duties(duties), circuit.fact("tank_reserve") * tank.tank_of(circuit).whole
    name = context.duties.cases[int(np.argmax(duties[0, :, 0]))].name
    pot = tank.rides_out(circuit)

    def said() -> Sequence[Sentence]:
        values: dict[str, tuple[float, str] | str] = {
            "asked": (likely(asked), "volume"),
            "left": (likely(left), "volume"),
            "duty": name,
        }
        tail = "; refuelled at {left}." + (" Bends and braking the pot rides out." if pot else "")
        if likely(asked) <= likely(left):
            return (Sentence("{asked} keep the pickup covered in {duty}" + tail, values),)
        return (Sentence("Under {asked} the pickup draws air in {duty}" + tail, values),)

    return Check(
        id="tank_cover",
        name="Tank pickup covered",
        part="tank",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="volume",
        demand=asked,
        capacity=left,
        fill=ratio_fill(asked, left),
        sentences=said,
    )


def _vent(circuit: Circuit, peak: Operation, count: int) -> Check:
    """What the tank is drawn down to while fuel leaves it against what it and its gauge stand."""
    flow = burned(peak, circuit.fuel)
    drop = tank.vent_drop(circuit, flow)

    def said() -> Sequence[Sentence]:
        return tuple(
            Sentence(
                "The vent lets the tank down by {p}; {most} is what it stands.",
                {"p": (p, "pressure_small"), "most": (tank.VENT_MOST, "pressure_small")},
            )
            for p in duty_values(drop, count)
        )

    return Check(
        id="vent",
        name="Tank vent",
        part="tank",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="pressure_small",
        demand=drop,
        capacity=tank.VENT_MOST,
        fill=ratio_fill(drop, tank.VENT_MOST),
        sentences=said,
    )


def _tank_hot(context: Context, circuit: Circuit, point: Point, count: int) -> Check:
    """The tank at the end of each duty against where its fuel boils at the pump's inlet."""
    ambient = context.duties.column("ambient")
    end = tank.tank_end(context, circuit, tank.heat_back(point))
    limit = tank.hottest_allowed(circuit, point.tank_pull)
    asked, allowed = end - ambient, limit - ambient

    def said() -> Sequence[Sentence]:
        diesel = circuit.fuel.rvp <= 0.0
        return tuple(
            Sentence(
                "The tank ends at {t}, nearly empty; "
                + ("{most} is what an injection pump bears." if diesel else "from {most} its fuel boils at the pump."),
                {"t": (t, "temperature"), "most": (m, "temperature")},
            )
            for t, m in zip(duty_values(end, count), duty_values(np.asarray(limit), count), strict=True)
        )

    return Check(
        id="tank_hot",
        name="Heat into the tank",
        part="tank",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="temperature_difference",
        demand=asked,
        capacity=allowed,
        fill=ratio_fill(np.maximum(asked, 0.0), allowed),
        code="" if np.all(allowed > 0.0) else "ambient_over_limit",
        sentences=said,
    )


def _seat(point: Point, count: int) -> Check:
    """What the float valve's seat passes at the pressure there is."""
    circuit = point.network.circuit
    asked = point.asked
    passes = guard.seat_flow(circuit, point.end)
    passes = np.broadcast_to(passes, np.broadcast_shapes(np.shape(passes), np.shape(asked)))

    def said() -> Sequence[Sentence]:
        return tuple(
            Sentence(
                "The seat passes {got} at {p}; {asked} are asked.",
                {"got": (g, "flow_fuel"), "asked": (a, "flow_fuel"), "p": (p, "pressure_gauge")},
            )
            for g, a, p in zip(
                duty_values(passes, count), duty_values(asked, count), duty_values(point.end, count), strict=True
            )
        )

    return Check(
        id="float_valve",
        name="Float valve",
        part="bowl",
        check_class=CheckClass.LIMIT,
        scales=None,
        kind="flow_fuel",
        demand=asked,
        capacity=passes,
        fill=ratio_fill(asked, passes),
        sentences=said,
    )


def _flooding(network: Network) -> Check:
    """What stands on the float valve when it is shut against what it holds."""
    shut, most = over_duties(guard.shut_pressure(network)), guard.float_most(network.circuit)

    def said() -> Sequence[Sentence]:
        values: dict[str, tuple[float, str] | str] = {
            "p": (likely(shut), "pressure_gauge"),
            "most": (most, "pressure_gauge"),
        }
        tail = ": it floods. Fit a regulator." if likely(shut) > most else "."
        return (Sentence("{p} on the shut float valve, which holds against {most}" + tail, values),)

    return Check(
        id="flooding",
        name="Pressure on the float valve",
        part="bowl",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="pressure_gauge",
        demand=shut,
        capacity=most,
        fill=ratio_fill(np.maximum(shut, 0.0), most),
        sentences=said,
        danger=True,
    )


def _cold(circuit: Circuit) -> Check:
    """Vapour wanted for the mixture to light against what the fuel gives off where it must start."""
    cold = circuit.fact("coldest_start")
    wanted = over_duties(circuit.fuel.lean_limit * circuit.pressure)
    given = fuels.vapour_pressure(circuit.fuel, cold, circuit.facts.reid_pressure)
    limit = fuels.coldest_start(circuit.fuel, over_duties(circuit.pressure), circuit.facts.reid_pressure)

    def said() -> Sequence[Sentence]:
        values: dict[str, tuple[float, str] | str] = {
            "t": (likely(cold), "temperature"),
            "least": (likely(limit), "temperature"),
        }
        if likely(limit) <= likely(cold):
            return (Sentence("Lights down to {least}; {t} is asked.", values),)
        return (
            Sentence(
                "At {t} too little of it is vapour to light; from {least} it does. Start on petrol, warm the "
                "intake, or use the winter grade.",
                values,
            ),
        )

    return Check(
        id="cold_start",
        name="Starting from cold",
        part="injectors",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="pressure_absolute",
        demand=wanted,
        capacity=given,
        fill=ratio_fill(wanted, given),
        sentences=said,
    )


def _cut_offs(circuit: Circuit) -> list[Check]:
    """An electric pump that nothing stops: a fire is fed by it."""
    missing = guard.not_cut(circuit)
    if len(missing) < len(guard.CUTS):
        return []
    words = Sentence("Nothing stops the pump: not with the engine, not on lost oil pressure, not on impact.")
    return [
        Check(
            id="cut_off",
            name="Pump cut-off",
            part="guard",
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="count",
            demand=1.0,
            capacity=0.0,
            fill=as_array(9.99),
            sentences=lambda: (words,),
            danger=True,
        )
    ]
