"""What is stated of a lift pump ahead of the main one, and of a surge pot."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, table
from gauge_well.core.systems.fuel.ruling import Ruling
from gauge_well.core.typing import Value

LIFTS: Mapping[str, str] = {
    "none": "none",
    "pot": "fills a surge pot",
    "series": "pushes into the main pump",
}
RETURNS: Mapping[str, str] = {"pot": "into the pot", "tank": "into the tank"}
FITTED = ("lift", ("pot", "series"))
POT = ("lift", ("pot",))


@dataclass(frozen=True)
class LiftFacts:
    """Lift pump and surge pot; SI, pressures over the air outside."""

    lift: str | None = choice("Lift pump", LIFTS, group="Lift pump")
    lift_flow: Value | None = quantity(
        "Lift pump flow", "flow_fuel", 1e-7, 5e-3, part="lift", group="Lift pump", when=FITTED
    )
    lift_pressure: Value | None = quantity(
        "lift pump, at", "pressure_gauge", 0.0, 1e6, part="lift", group="Lift pump", when=FITTED
    )
    lift_flow_2: Value | None = quantity(
        "Lift pump, second point", "flow_fuel", 0.0, 5e-3, group="Lift pump", when=FITTED
    )
    lift_pressure_2: Value | None = quantity(
        "lift pump, second at", "pressure_gauge", 0.0, 1e6, group="Lift pump", when=FITTED
    )
    lift_table: tuple[tuple[float, ...], ...] | None = table(
        "Lift pump's table",
        (("pressure", "pressure_gauge"), ("flow", "flow_fuel")),
        group="Lift pump",
        help="One row a line, for instance `0.2 bar, 120 L/h`.",
        when=FITTED,
    )
    lift_current: Value | None = quantity("Lift pump draws", "current", 0.2, 40.0, group="Lift pump", when=FITTED)
    lift_bore: Value | None = quantity(
        "Line from it, bore", "length", 0.002, 0.06, group="Lift pump", spread="gauge", when=FITTED
    )
    lift_length: Value | None = quantity("Line from it, length", "length", 0.0, 20.0, group="Lift pump", when=FITTED)
    pot_volume: Value | None = quantity("Pot holds", "volume", 5e-5, 0.05, part="lift", group="Surge pot", when=POT)
    return_to: str | None = choice("The rail's return goes", RETURNS, group="Surge pot", when=POT)
    pot_lift: Value | None = quantity(
        "Main pump over the pot's fuel", "height", -1.0, 1.0, group="Surge pot", help="Below it is negative.", when=POT
    )
    pot_bore: Value | None = quantity(
        "Pot to pump, bore", "length", 0.003, 0.06, group="Surge pot", spread="gauge", when=POT
    )
    pot_length: Value | None = quantity("Pot to pump, length", "length", 0.0, 5.0, group="Surge pot", when=POT)
    overflow_bore: Value | None = quantity(
        "Overflow bore", "length", 0.002, 0.06, group="Surge pot", spread="gauge", when=POT
    )
    overflow_length: Value | None = quantity("Overflow length", "length", 0.0, 20.0, group="Surge pot", when=POT)
    bare_time: Value | None = quantity(
        "Tank's pickup bare at most",
        "time",
        0.5,
        60.0,
        group="Surge pot",
        help="The longest bend or climb on which it draws air.",
        spread="exact",
        when=POT,
    )


# How each is measured in a workshop.
WAYS: Mapping[str, Way] = {
    "lift_flow": Way("tank", "Its outlet into a can for a minute, at that pressure and voltage."),
    "lift_pressure": Way("tank", "A gauge at its outlet while the flow is caught."),
    "lift_flow_2": Way("tank", "Catch again with the outlet pinched."),
    "lift_pressure_2": Way("tank", "The gauge's reading at the second catch."),
    "lift_table": Way("tank", "Catch at three or four pressures, volts held."),
    "lift_current": Way("tank", "A clamp meter on its lead."),
    "lift_bore": Way("hand", "Calliper in a cut end."),
    "lift_length": Way("under", "Along the line from lift pump to pot or main pump."),
    "pot_volume": Way("hand", "Fill it from a measuring glass to its overflow."),
    "pot_lift": Way("under", "Main pump's inlet over the pot's overflow, plumb."),
    "pot_bore": Way("hand", "Calliper in a cut end."),
    "pot_length": Way("under", "Along the hose from pot to pump."),
    "overflow_bore": Way("hand", "Calliper in a cut end."),
    "overflow_length": Way("under", "Along the overflow back to the tank."),
}


def fill_lift(rules: Ruling) -> None:
    """Defaults of lines and times; the pump and the pot themselves have none."""
    rule = rules.rule
    rule("lift", "none", "one pump does")
    rule("lift_bore", 0.008, "8 mm")
    rule("lift_length", 1.0, "pot near the tank")
    rule("return_to", "pot", "keeps it full")
    rule("pot_lift", -0.1, "pump under the pot")
    rule("pot_bore", 0.012, "12 mm")
    rule("pot_length", 0.3, "pump by the pot")
    rule("overflow_bore", 0.008, "8 mm")
    rule("overflow_length", 1.5, "back to the tank")
    rule("bare_time", 3.0, "a long bend")
