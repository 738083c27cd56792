"""Raw water in one duty: each place it passes, what is drawn, how warm it leaves; the rule beside the heat."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import with_facts
from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.media.seawater import DENSITY, HEAT_CAPACITY
from gauge_well.core.sizes import SEA_HOSES
from gauge_well.core.systems.base import Context, Options, duty_asked
from gauge_well.core.systems.boat import raw
from gauge_well.core.systems.boat.facts import BoatFacts
from gauge_well.core.typing import Array, as_array, duty_value, likely, likely_or_none


@dataclass(frozen=True)
class Place:
    """A place the water passes: bore [m], speed [m/s], what it takes clean and as blocked as it is judged [Pa], how warm it leaves
    [K]; None where not stated. ``drawn``: ahead of the pump."""

    id: str
    name: str
    bore: float | None
    speed: float | None
    clean: float | None
    judged: float | None
    warm: float | None
    drawn: bool


@dataclass(frozen=True)
class RawView:
    """One duty: places in order; flow as it is, by the rule and by the heat alone, least for the mix [m3/s]; sea, water out and
    mix [K] with what each may be; suction [Pa] with what an impeller fills at and what the air pushes; hoses with the suction each
    would have [m, Pa]; heat taken [W], which of it is the gear's; alarm and shut-down [K]."""

    duty: str
    places: Sequence[Place]
    flow: float | None
    by_rule: float
    by_heat: float
    for_mix: float | None
    heat: float
    gear_heat: float
    sea: float
    out: float | None
    out_most: float
    mix: float | None
    mix_wished: float
    hose_limit: float
    alarm: float | None
    shut_down: float
    suction: float | None
    sucks: float
    pushes: float
    bores: Sequence[float]
    by_bore: Sequence[float]
    cooled_by: str
    wet: bool


Row = tuple[str, str, object, object, object, float]


def _behind(context: Context, facts: BoatFacts, moves: Array, index: int) -> list[Row]:
    """Behind the pump, as far as it is there: gear's cooler, exchanger or block, hose, climb to the injection."""
    op = context.mean
    rows: list[Row] = []
    rate = np.maximum(DENSITY * moves * HEAT_CAPACITY, 1e-9)
    warm = duty_value(context.duties.column("sea"), index)
    if facts.gear_cooled == "yes":
        warm += duty_value(raw.gear_heat(context, facts, op) / rate, index)
        rows.append(("gear", "Gear's oil cooler", None, None, None, warm))
    leaves = duty_value(raw.out(context, facts, op), index)
    if context.machine.cooled_by != "keel":
        name = "Block" if context.machine.cooled_by == "direct" else "Heat exchanger, oil's with it"
        drop = None if facts.exchanger_drop is None else raw.exchanger_drop(facts, moves)
        rows.append(("exchanger", name, None, drop, drop, leaves))
    line = raw.delivery_line(facts, moves)
    rows.append(("delivery", "Hose to the injection", facts.delivery.bore, line, line, leaves))
    top = raw.top_of_water(facts)
    if top is not None:
        head = DENSITY * GRAVITY * (top - as_array(facts.pump_over)) + 0.0 * moves
        name = "Climb to the siphon break" if facts.siphon == "fitted" else "Climb to the injection"
        rows.append(("climb", name, None, head, head, leaves))
    return rows


def show(context: Context, facts: BoatFacts, options: Options) -> RawView:
    """The raw water of one duty."""
    index = duty_asked(context, options)
    op = context.mean
    wet = context.machine.exhaust == "wet"
    try:
        moves = raw.flow(context, facts)
    except MissingFact:
        moves = None
    flow = None if moves is None else duty_value(moves, index)
    found = None
    if moves is not None and facts.suction.bore is not None:
        found = raw.suction(facts, moves)

    def pick(value: object) -> float:
        return duty_value(value, index)  # type: ignore[arg-type]

    sea = pick(context.duties.column("sea"))

    def place(
        id: str, name: str, bore: object, clean: object, judged: object, warm: float | None = sea, drawn: bool = True
    ) -> Place:
        wide = likely_or_none(bore)  # type: ignore[arg-type]
        speed = None if wide is None or flow is None else flow / float(bore_area(wide))
        takes, blocked = (None if v is None else pick(v) for v in (clean, judged))
        return Place(id, name, wide, speed, takes, blocked, warm, drawn)

    places = [
        place(
            "intake", "Skin fitting and sea cock", facts.intake.bore, found and found.fitting, found and found.fitting
        ),
        place("strainer", "Strainer", facts.suction.bore, found and found.strainer, found and found.blocked),
        place("suction", "Suction hose", facts.suction.bore, found and found.hose, found and found.hose),
        place("lift", "Lift to the pump", None, found and found.lift, found and found.lift),
        place("pump", "Raw-water pump", facts.raw_pump.port, None, None, drawn=False),
    ]
    if moves is not None:
        places += [place(*row, drawn=False) for row in _behind(context, facts, moves, index)]
    bores, by_bore = [], []
    if moves is not None:
        for bore in SEA_HOSES:
            wide = with_facts(facts, {"suction.bore": bore, "intake.bore": bore})
            bores.append(float(bore))
            by_bore.append(pick(raw.suction(wide, moves).total))
    mix = pick(raw.mixed(context, facts, op)) if wet and moves is not None else None
    warmest = None
    if wet and moves is not None:
        warmest = float(raw.mixed(context, facts, op)[..., 0].max())
    return RawView(
        duty=context.duties.cases[index].id,
        places=places,
        flow=flow,
        by_rule=likely(raw.by_rule(context)),
        by_heat=pick(raw.for_heat(context, facts, op)),
        for_mix=pick(raw.for_mix(context, facts, op)) if wet else None,
        heat=pick(raw.heat(context, facts, op)),
        gear_heat=pick(raw.gear_heat(context, facts, op)),
        sea=pick(context.duties.column("sea")),
        out=None if moves is None else pick(raw.out(context, facts, op)),
        out_most=raw.DIRECT_MOST if context.machine.cooled_by == "direct" else raw.OUT_MOST,
        mix=mix,
        mix_wished=raw.MIX_WISHED,
        hose_limit=likely(facts.hose_limit),
        alarm=None if warmest is None else raw.alarm(warmest),
        shut_down=raw.SHUT_DOWN,
        suction=None if found is None else pick(found.total),
        sucks=raw.SUCKS,
        pushes=pick(raw.air_pushes(context)),
        bores=bores,
        by_bore=by_bore,
        cooled_by=context.machine.cooled_by or "exchanger",
        wet=wet,
    )
