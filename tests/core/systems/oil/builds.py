"""Builds whose oil has everything fitted: wet, canted across the machine; and dry."""

from typing import Any

from gauge_well.core.systems import SYSTEMS
from tests.support import ROAD, changed, context_of, facts_of, report


def with_oil(**facts: Any) -> dict[str, Any]:
    """The road build with facts of its oil: ``pan__depth="90 mm"``."""
    return changed(ROAD, **{f"oil__{name}": value for name, value in facts.items()})


WET = changed(
    with_oil(
        pan__baffle="trap",
        pan__baffle_g=None,
        pan__held="0.8 L",
        pan__floor_roll="3 deg",
        pickup__drop="132 mm",
        gasket="1 mm",
        pickup__mouth_roll="8 deg",
        pickup__sieve="900 mm2",
        old_pan__shape="front_well",
        old_pan__length="460 mm",
        old_pan__width="240 mm",
        old_pan__depth="120 mm",
        old_pan__well_length="200 mm",
        old_pan__shallow_depth="40 mm",
        crank_height="60 mm",
        accumulator__volume="1.4 L",
        dipstick__x="300 mm",
        dipstick__seat="350 mm",
        dipstick__lean_front="5 deg",
        dipstick__wetted="420 mm",
        oil_quantity="6.5 L",
        dilution="3 %",
        hot_pressure="4 bar",
        hot_pressure_speed="4000 rpm",
        gauge_at="sandwich",
        switch_at="head",
        switch_opens="0.4 bar",
        cooler__plate="plate",
        cooler_line__bore="13 mm",
        cooler_line__length="3 m",
        head_drain__bore="12 mm",
        head_drain__length="120 mm",
        head_drains="2",
        head_width="160 mm",
        head_side="left",
        added_drain__bore="12 mm",
        added_drain__slope="45 deg",
        breather__bore="19 mm",
        breather__length="1 m",
        catch_can="90 mm",
        pump__ratio="1.1",
        pump__worn="90 %",
    ),
    engine__stroke="90 mm",
    installation__engine_yaw="90 deg",
    installation__engine_roll="12 deg",
)
DRY = with_oil(
    sump="dry",
    scavenge__stages="3",
    scavenge__displacement="20 cc",
    tank__shape="upright",
    tank__across="200 mm",
    tank__height="400 mm",
    tank__outlet="20 mm",
    tank_line__bore="32 mm",
    scavenge_line__bore="16 mm",
    vacuum="20 kPa",
    oil_quantity="9 L",
    hot_pressure="4 bar",
    hot_pressure_speed="4000 rpm",
)


def shown(raw: dict[str, Any], view: str) -> Any:
    """A drawing of the oil's as the core gives it."""
    return SYSTEMS["oil"].views[view].show(context_of(raw), facts_of(raw, "oil"), {})


def notice(raw: dict[str, Any], code: str) -> str:
    """What a notice of the oil's says."""
    found = [n["sentence"] for n in report(raw)["systems"]["oil"]["notices"] if n["code"] == code]
    return found[0] if found else ""
