"""The working of a boat's coolant in one duty."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import ratio_fill
from gauge_well.core.facts import need
from gauge_well.core.reads import OIL_PULL, OIL_SHARE, OIL_WARM
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.cooling.afloat import Marine, limiting_sea
from gauge_well.core.systems.cooling.circuit import circuit_of
from gauge_well.core.typing import Array, Value
from gauge_well.core.working import Step, Working


def steps(context: Context, found: Marine, made: Array, index: int) -> list[Step]:
    """From the limit to the verdict."""
    w = Working(index)
    plant, facts = found.plant, found.plant.facts
    w.add(
        "p_boil", "Boiling pressure", "p_amb + p_cap", circuit_of(found).held, "pressure_absolute",
        {"p_amb": plant.pressure, "p_cap": facts.cap_pressure}, "arithmetic",
    )  # fmt: skip
    w.add(
        "T_lim", "Hottest coolant allowed", "minimum(T_boil - 10, T_engine)", plant.limit, "temperature",
        {"T_boil": plant.boiling, "T_engine": need(context.engine.facts.coolant_limit, "engine.coolant_limit")},
        "iapws1992; dippr_glycol; Raoult's law",
    )  # fmt: skip
    _rate(w, found)
    w.add(
        "Q_lim", "Heat shed at the limit", "maximum(k * (T_lim - T_raw), 0)", found.at_limit.heat, "heat",
        {"k": found.rate, "T_lim": plant.limit, "T_raw": found.inlet}, "incropera2007, ch. 11",
    )  # fmt: skip
    r = found.response
    w.add(
        "Q_cap", "Heat that just brings the end of the duty to the limit",
        "(T_lim - (w_m * T_m + w_c * T_c + w_s * T_sink)) / per_w", found.capacity, "heat",
        {
            "T_lim": plant.limit, "w_m": r.weight_metal, "T_m": found.start_metal, "w_c": r.weight_coolant,
            "T_c": found.start, "w_s": r.weight_sink, "T_sink": found.sink, "per_w": r.per_watt,
        },
        "incropera2007, ch. 5, two lumped nodes",
    )  # fmt: skip
    inputs: dict[str, Value] = {"Q_e": context.mean.heat_to_coolant}
    formula = "Q_e"
    if OIL_SHARE in context.given:
        formula += " + maximum(s * Q_oil + W, 0) - G * (T_lim - T_amb)"
        inputs |= {"s": context.given[OIL_SHARE], "Q_oil": context.mean.heat_to_oil, "W": context.given[OIL_WARM]}
        inputs |= {"G": context.given[OIL_PULL], "T_lim": plant.limit, "T_amb": context.duties.column("ambient")}
    w.add(
        "Q", "Heat made, coolant at its limit", f"maximum({formula}, 0)", made, "heat", inputs,
        "incropera2007, ch. 5, oil as one lump",
    )  # fmt: skip
    w.add(
        "fill", "Heat made over heat carried", "minimum(Q / maximum(C, 1e-9), 9.99)", ratio_fill(made, found.capacity),
        "share", {"Q": made, "C": found.capacity}, "arithmetic",
    )  # fmt: skip
    falls = np.maximum(r.weight_sink * found.rate / found.conductance / r.per_watt, 1e-9)
    w.add(
        "T_sea", "Sea up to which it holds", "T_s + (C - Q) / f", limiting_sea(found, made), "temperature",
        {"T_s": found.sea, "C": found.capacity, "Q": made, "f": falls}, "arithmetic",
    )  # fmt: skip
    return w.steps


def _rate(w: Working, found: Marine) -> None:
    """Heat for each kelvin between both waters, by the cooler's kind."""
    name, ua, one = "Heat for each kelvin between both waters", found.conductance_ua, found.coolant_rate
    if bool(np.all(np.isinf(found.raw_rate))):
        w.add(
            "k", name, "C_c * (1 - exp(-UA / C_c))", found.rate, "conductance", {"C_c": one, "UA": ua}, "incropera2007, ch. 11"
        )  # fmt: skip
        return
    least, most = np.minimum(one, found.raw_rate), np.maximum(one, found.raw_rate)
    inputs: dict[str, Value] = {"UA": ua, "C_min": least, "C_max": most}
    if found.plant.facts.exchanger_is == "plate":
        e = "exp(-UA / C_min * (1 - C_min / C_max))"
        formula = f"C_min * (1 - {e}) / (1 - C_min / C_max * {e})"
    else:
        root = "sqrt(1 + (C_min / C_max) ** 2)"
        e = f"exp(-UA / C_min * {root})"
        formula = f"C_min * 2 / (1 + C_min / C_max + {root} * (1 + {e}) / (1 - {e}))"
    w.add("k", name, formula, found.rate, "conductance", inputs, "kays1984")
