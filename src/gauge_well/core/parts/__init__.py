"""Kinds of parts: what is known of such a thing and how it behaves alone. A new kind is a module here and a line in this table."""

from __future__ import annotations

from collections.abc import Mapping

from gauge_well.core.facts import Kind
from gauge_well.core.parts import (
    accumulator,
    air_filter,
    bay,
    bracket,
    coolant_pump,
    core,
    dipstick,
    envelope,
    exchanger,
    fan,
    filter,
    gearcase,
    hoist,
    injector,
    item,
    line,
    mount,
    neighbour,
    oil_pump,
    oil_tank,
    pan,
    pickup,
    pipe,
    pump,
    regulator,
    scavenge,
    silencer,
    solid,
    steering,
    tank,
    wire,
)

KINDS: Mapping[str, Kind] = {
    k.id: k
    for k in (
        core.CORE,
        exchanger.EXCHANGER,
        fan.FAN,
        coolant_pump.COOLANT_PUMP,
        line.LINE,
        pump.PUMP,
        tank.TANK,
        filter.FILTER,
        regulator.REGULATOR,
        injector.INJECTOR,
        wire.WIRE,
        pan.PAN,
        pickup.PICKUP,
        oil_pump.OIL_PUMP,
        accumulator.ACCUMULATOR,
        dipstick.DIPSTICK,
        oil_tank.OIL_TANK,
        scavenge.SCAVENGE,
        pipe.PIPE,
        silencer.SILENCER,
        neighbour.NEIGHBOUR,
        air_filter.AIR_FILTER,
        bay.BAY,
        steering.STEERING,
        envelope.ENVELOPE,
        gearcase.GEARCASE,
        solid.SOLID,
        item.ITEM,
        hoist.HOIST,
        mount.MOUNT,
        bracket.BRACKET,
    )
}
