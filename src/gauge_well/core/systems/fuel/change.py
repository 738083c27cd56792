"""Changing from one fuel to another: what old fuel is left and its hazard, what must be purged, what must go."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.flow.pipe import bore_area
from gauge_well.core.media.fuels import FUELS, Fuel
from gauge_well.core.systems.fuel.circuit import Circuit
from gauge_well.core.typing import Array, as_array

LEFT_MOST = 0.01  # share of old fuel in the lines at which they count as clear (common practice)
FAMILIES: Mapping[str, str] = {
    "petrol": "petrol",
    "petrol_e10": "petrol",
    "e85": "alcohol",
    "ethanol": "alcohol",
    "methanol": "alcohol",
    "diesel": "diesel",
}


@dataclass(frozen=True)
class Hazard:
    """What old fuel in new does, and the share of it from which (common practice)."""

    share: float
    text: str


HAZARDS: Mapping[tuple[str, str], Hazard] = {
    ("petrol", "diesel"): Hazard(0.01, "petrol in diesel: it flashes cold and no longer oils the injection pump"),
    ("diesel", "petrol"): Hazard(0.02, "diesel in petrol: it knocks, smokes and fouls plugs"),
    ("alcohol", "diesel"): Hazard(0.01, "alcohol in diesel: it parts, carries water and wears the injection pump"),
    ("diesel", "alcohol"): Hazard(0.01, "diesel in alcohol: it does not mix, and blocks filters"),
    ("petrol", "alcohol"): Hazard(0.15, "petrol in alcohol: the mixture is set for another blend and runs rich"),
    ("alcohol", "petrol"): Hazard(0.10, "alcohol in petrol: the mixture leans by what alcohol carries of oxygen"),
}
# What must go where a fuel of a family comes in (common practice).
MATERIALS: Mapping[str, Sequence[str]] = {
    "petrol": ("Hose for diesel only: it swells and weeps.", "Shellac on old cork floats, once ethanol is in it."),
    "alcohol": (
        "Bare aluminium, zinc and magnesium in contact: pot, rail and carburettor anodised, plated or replaced.",
        "Natural rubber, cork and plain nitrile seals and hoses: fluorocarbon or hose marked for alcohol.",
        "Paper filters: they come apart; mesh or glass fibre.",
        "Tank linings and glass-fibre tanks: many dissolve.",
        "Pumps and senders not marked for alcohol: it conducts, and eats their brushes.",
    ),
    "diesel": (
        "Zinc-coated tanks and lines, copper pipe: they turn diesel to gum.",
        "Petrol pumps: their motors are oiled by thinner fuel, and pressure is another.",
        "Sieves finer than 100 micrometres on the suction side: they wax up in the cold.",
    ),
}
STEPS: Sequence[str] = (
    "Battery off, no flame or spark, good air; let the rail's pressure down.",
    "Drain the tank into marked cans; take out what the drain leaves.",
    "Change what must go; new filter.",
    "A little new fuel in, pump it through to the cans until the lines are clear.",
    "Fill, run, look at every joint; change the filter again after the first tank.",
)


@dataclass(frozen=True, kw_only=True)
class Change:
    """Volumes [m3] and shares of one change of fuel."""

    old: Fuel
    new: Fuel
    lines: Array
    mixed: Array
    purge: Array
    left: Array
    share: Array | None
    hazard: Hazard | None
    materials: Sequence[str]


def line_volume(circuit: Circuit) -> Array:
    """Fuel standing in suction, line and return, and in the lift pump's [m3]."""
    names = ["suction", "line"] + (["return_line"] if circuit.facts.regulator.place == "returned" else [])
    if circuit.facts.lift != "none":
        names.append("lift_line")
    if circuit.facts.lift == "pot":
        names += ["pot_line", "overflow"]
    return np.asarray(sum(bore_area(circuit.fact(f"{n}.bore")) * circuit.fact(f"{n}.length") for n in names))


def mixing_volume(circuit: Circuit) -> Array:
    """Where old and new stir together: filter and pot [m3]."""
    pot = circuit.facts.pot.volume if circuit.facts.lift == "pot" else None
    return np.asarray(circuit.fact("filter.volume") + (0.0 if pot is None else as_array(pot)))


def change_of(circuit: Circuit, new_id: str) -> Change | None:
    """The change the builder makes; None where no fuel is said to have been there before, or the same.

    Lines push the old ahead of them: once their volume. What stirs thins as ``exp(-V / V_stirred)``, so that a
    hundredth is left after ln 100 = 4.6 times its volume. The tank's share is what is left over what is filled.
    """
    old_id = circuit.facts.previous_fuel
    if old_id is None or FAMILIES.get(old_id) is None or FAMILIES.get(new_id) is None or old_id == new_id:
        return None
    lines, mixed = line_volume(circuit), mixing_volume(circuit)
    purge = lines + np.log(1.0 / LEFT_MOST) * mixed
    volume = circuit.facts.tank.volume
    left = as_array(circuit.facts.tank_left if circuit.facts.tank_left is not None else 0.0)
    share = None if volume is None else np.asarray(left / as_array(volume))
    families = FAMILIES[old_id], FAMILIES[new_id]
    return Change(
        old=FUELS[old_id],
        new=circuit.fuel,
        lines=lines,
        mixed=mixed,
        purge=np.asarray(purge),
        left=left,
        share=share,
        hazard=HAZARDS.get(families),
        materials=MATERIALS[families[1]] if families[0] != families[1] else (),
    )
