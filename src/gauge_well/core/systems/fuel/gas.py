"""Gas as a fuel: what is said of it where only liquid fuel is worked out, and petrol parts that cannot hold it."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import FILL_MAX, Check, CheckClass, Scales
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need, Result, Shopping
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.facts_supply import GAS
from gauge_well.core.typing import likely, over_duties

PART = "gas"
WHY = "gas parts are not worked out: pressure tank, lock-off, vaporiser or liquid injection, lines"


def result(context: Context, facts: FuelFacts) -> Result:
    """The fuel of an engine that burns gas: its flow as a need, its danger in petrol parts, the rest not judged."""

    def figures() -> dict[str, np.ndarray]:
        return {"fuel_mass_flow_kg_s": context.peak.fuel_mass_flow}

    checks = _petrol_parts(context, facts)
    return Result(
        checks=lambda mean, peak: checks,
        unknown=[],
        figures=figures,
        needs=lambda: [_need(context)],
        notices=list,
        working=lambda index: [],
        not_judged=WHY,
    )


def _need(context: Context) -> Need:
    flow = over_duties(context.peak.fuel_mass_flow)
    values: dict[str, tuple[float, str] | str] = {
        "fuel": context.engine.fuel.label,
        "flow": (likely(flow), "mass_flow"),
        "power": (context.wanted, "power"),
    }
    words = (
        "Gas parts passed for {power}: {flow} of {fuel} through tank valve, lock-off and vaporiser (or injectors made for "
        "it as a liquid). Fitted and tested by a licensed gas fitter."
    )
    values["fuel"] = context.engine.fuel.label.split(",")[0]
    brief = Sentence("gas parts passed for {flow} of {fuel}", values)
    passed = Sentence("by a licensed gas fitter")
    shop = Shopping("Gas parts", brief, Sentence("tank valve, lock-off, vaporiser"), passed, None, "fuel.injection")
    return Need(PART, "gas_flow", flow, "mass_flow", Sentence(words, values), shop=shop)


def _petrol_parts(context: Context, facts: FuelFacts) -> Sequence[Check]:
    """Gas in what is made for liquid fuel at the air's pressure: a danger, whatever the power."""
    if facts.injection == GAS:
        return ()
    values: dict[str, tuple[float, str] | str] = {"fuel": context.engine.fuel.label}
    words = (
        "{fuel} is said to go through petrol parts: it stands under pressure in its tank and boils in any line open to "
        "the air. Gas parts only, fitted by a licensed gas fitter."
    )
    return (
        Check(
            id="gas_in_petrol_parts",
            name="Gas in petrol parts",
            part=PART,
            check_class=CheckClass.LIMIT,
            scales=Scales.GATE,
            kind="ratio",
            demand=1.0,
            capacity=0.0,
            fill=np.asarray(FILL_MAX),
            code="gas",
            sentences=lambda: (Sentence(words, values),),
            danger=True,
        ),
    )
