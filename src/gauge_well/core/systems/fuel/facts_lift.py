"""What is stated of a lift pump ahead of the main one, and of a surge pot."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity, role
from gauge_well.core.parts.line import LINE, LineFacts
from gauge_well.core.parts.pump import PUMP, PumpFacts
from gauge_well.core.parts.tank import TANK, TankFacts
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

    lift: str = choice("Lift pump", LIFTS, group="Lift pump")
    lift_pump: PumpFacts = role(
        PUMP,
        "Lift pump",
        row="lift",
        group="Lift pump",
        asks=("flow", "pressure", "flow_2", "pressure_2", "table", "current"),
        labels={
            "flow": "Lift pump flow",
            "pressure": "lift pump, at",
            "flow_2": "Lift pump, second point",
            "pressure_2": "lift pump, second at",
            "table": "Lift pump's table",
            "current": "Lift pump draws",
        },
        helps={"pressure": "", "table": "One row a line, for instance `0.2 bar, 120 L/h`.", "current": ""},
        limits={"pressure": (0.0, 1e6), "pressure_2": (0.0, 1e6), "current": (0.2, 40.0)},
        when=FITTED,
    )
    lift_line: LineFacts = role(
        LINE,
        "Line from the lift pump",
        row="lift",
        group="Lift pump",
        asks=("bore", "length"),
        labels={"bore": "Line from it, bore", "length": "Line from it, length"},
        limits={"bore": (0.002, 0.06), "length": (0.0, 20.0)},
        when=FITTED,
    )
    pot: TankFacts = role(
        TANK,
        "Surge pot",
        row="lift",
        group="Surge pot",
        asks=("volume",),
        labels={"volume": "Pot holds"},
        helps={"volume": ""},
        limits={"volume": (5e-5, 0.05)},
        when=POT,
        needs=("volume",),
    )
    return_to: str = choice("The rail's return goes", RETURNS, group="Surge pot", when=POT)
    pot_lift: Value = quantity(
        "Main pump over the pot's fuel", "height", -1.0, 1.0, group="Surge pot", help="Below it is negative.", when=POT
    )
    pot_line: LineFacts = role(
        LINE,
        "Hose from pot to pump",
        row="lift",
        group="Surge pot",
        asks=("bore", "length"),
        labels={"bore": "Pot to pump, bore", "length": "Pot to pump, length"},
        limits={"bore": (0.003, 0.06), "length": (0.0, 5.0)},
        when=POT,
    )
    overflow: LineFacts = role(
        LINE,
        "Pot's overflow",
        row="lift",
        group="Surge pot",
        asks=("bore", "length"),
        labels={"bore": "Overflow bore", "length": "Overflow length"},
        limits={"bore": (0.002, 0.06), "length": (0.0, 20.0)},
        when=POT,
    )
    bare_time: Value = quantity(
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
    "lift_pump.flow": Way("tank", "Its outlet into a can for a minute, at that pressure and voltage."),
    "lift_pump.pressure": Way("tank", "A gauge at its outlet while the flow is caught."),
    "lift_pump.flow_2": Way("tank", "Catch again with the outlet pinched."),
    "lift_pump.current": Way("tank", "A clamp meter on its lead."),
    "lift_line.length": Way("under", "Along the line from lift pump to pot or main pump."),
    "pot.volume": Way("hand", "Fill it from a measuring glass to its overflow."),
    "pot_lift": Way("under", "Main pump's inlet over the pot's overflow, plumb."),
    "pot_line.length": Way("under", "Along the hose from pot to pump."),
    "overflow.length": Way("under", "Along the overflow back to the tank."),
}
