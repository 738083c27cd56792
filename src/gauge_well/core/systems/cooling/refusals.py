"""What no core, fan or hose can be."""

from __future__ import annotations

from collections.abc import Sequence
from contextlib import suppress

import numpy as np

from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.facts import need_number
from gauge_well.core.heat.louvred_core import tube_width
from gauge_well.core.heat.radiator import RadiatorCore
from gauge_well.core.media import coolant
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.model import core_of
from gauge_well.core.systems.cooling.tested import LEAST, MOST, given, heat_at
from gauge_well.core.typing import Value, as_array, likely

NARROWEST = 3e-3  # m; a narrower hose carries no engine's coolant, and a typing slip is far likelier


def refuse(facts: CoolingFacts) -> None:
    """Raise :class:`CoreError` where facts contradict each other; a core not given whole is fine."""
    _refuse_switches(facts)
    if facts.fan.table is not None:
        _refuse_curve(facts.fan.table)
    _refuse_rows(facts)
    for name, rows in (("hose_feed", facts.hose_feed), ("hose_back", facts.hose_back)):
        _refuse_bores(name, rows or ())
    with suppress(MissingFact):
        _refuse_test(core_of(facts), facts, coolant.mass_share(facts.glycol))


def _crossed(high: Value | None, low: Value | None) -> bool:
    return high is not None and low is not None and bool(np.any(as_array(low) >= high))


def _refuse_switches(facts: CoolingFacts) -> None:
    if _crossed(facts.fan_on, facts.fan_off):
        raise CoreError(
            "fan_thresholds",
            "cooling.fan_off",
            facts.fan_off,
            "below the temperature it comes on at",
            "The fan goes off at or above the temperature it comes on at.",
        )
    if facts.fan_stages == "staged" and _crossed(facts.fan_on_second, facts.fan_on):
        raise CoreError(
            "fan_thresholds",
            "cooling.fan_on_second",
            facts.fan_on_second,
            "above the temperature the first comes on at",
            "The second fan comes on at or below the first.",
        )


def _refuse_bores(name: str, rows: Sequence[Sequence[Value]]) -> None:
    for number, row in enumerate(rows, 1):
        if likely(row[0]) < NARROWEST:
            raise CoreError(
                "bore",
                f"cooling.{name}",
                likely(row[0]),
                f"{1e3 * NARROWEST:.0f} mm or more",
                f"Row {number}: nothing flows through a bore of {1e3 * likely(row[0]):.3g} mm.",
            )


def _refuse_rows(facts: CoolingFacts) -> None:
    """Flat tubes lie along the air: a row has no less of the depth than its tubes are thick."""
    if facts.core.tubes == "plate" or facts.core.depth is None:
        return
    if likely(tube_width(facts.core.depth, facts.core.rows)) <= likely(facts.core.tube_height):
        raise CoreError(
            "rows_too_many",
            "cooling.core.rows",
            likely(facts.core.rows),
            "rows of flat tubes that fit in the core's depth",
            "So many rows of flat tubes do not fit in the core's depth.",
        )


def _refuse_curve(rows: tuple[tuple[float, ...], ...]) -> None:
    flows, pressures = (np.array([float(np.ravel(row[i])[0]) for row in rows]) for i in (0, 1))
    if len(rows) < 2 or flows[0] < 0.0 or np.any(np.diff(flows) <= 0.0) or np.any(np.diff(pressures) >= 0.0):
        raise CoreError(
            "fan_table",
            "cooling.fan.table",
            None,
            "flow rising and pressure falling from line to line",
            "The fan's curve wants two points or more, from shut off to free air: flow rising, pressure falling.",
        )
    if pressures[-1] < 0.0:
        raise CoreError(
            "fan_table", "cooling.fan.table", float(pressures[-1]), "0 or more", "The fan's curve falls below nought."
        )


def _refuse_test(core: RadiatorCore, facts: CoolingFacts, glycol: Value) -> None:
    """Raise :class:`CoreError` for a test that no core of that size can have had."""
    if not given(facts):
        return
    heat = need_number(facts.core.test_heat, "cooling.core.test_heat")
    least, most = (float(np.max(heat_at(core, facts, glycol, end))) for end in (LEAST, MOST))
    if not least < heat < most:
        raise CoreError(
            "test_not_believable",
            "cooling.core.test_heat",
            heat,
            f"{least / 1e3:.3g} to {most / 1e3:.3g} kW",
            "No core of that size sheds that with that air and coolant: check the test's figures and the face.",
        )
