"""Brackets worked: stress at shock and under torque, life of the weld, bolts, sheet."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.parts.bracket import HOLDS, STEELS, WELDERS, BracketFacts, section_of, weld_of
from gauge_well.core.strength import bolt, section, sheet, weld
from gauge_well.core.strength.bolt import INTO, THREADS
from gauge_well.core.systems.mounts.model import Held
from gauge_well.core.typing import Array, as_array, likely

SAFETY = 1.5  # yield over what is allowed of a shock (common practice)
# Stress range at two million cycles of a fillet's throat [Pa] (hobbacher2016); of light alloy a third.
THROAT: Mapping[str, float] = {"s235": 36e6, "s355": 36e6, "stainless": 36e6, "alloy": 12e6}
# What a life throws a bracket about with: cycles, and how far either way [g] (common practice).
SPECTRUM = ((1e7, 0.35), (1e6, 0.7), (1e5, 1.2), (1e3, 3.0))
BEARS = 1.5  # of the sheet's yield that its holes bear (common practice)
BODY = 200e6  # Pa, yield of body sheet (common practice)


@dataclass(frozen=True)
class Braced:
    """A bracket of a build: which of the mounts it carries, by its place among them; None for whichever carries most."""

    id: str
    name: str
    holds: str
    facts: BracketFacts
    foot: int | None
    where: str

    @property
    def said(self) -> str:
        """Its name within a sentence."""
        return self.name.lower()


def braced(brackets: Sequence[tuple[str, BracketFacts]], feet: int) -> list[Braced]:
    """Brackets that are told of, each with its mount."""
    found = []
    for n, (id, facts) in enumerate(brackets, 1):
        foot = int(facts.holds) - 1 if facts.holds != "worst" else None
        if foot is not None and foot >= feet:
            foot = None
        held = HOLDS[facts.holds] if foot is not None else HOLDS["worst"]
        found.append(Braced(id, f"Bracket {n}", held, facts, foot, f"mounts.brackets.{id}"))
    return found


def lacks(item: Braced) -> tuple[str, ...]:
    """Facts without which nothing is told of it."""
    facts = item.facts
    missing = [n for n in ("shape", "wall", "arm") if getattr(facts, n) is None]
    if facts.shape is not None:
        try:
            section_of(facts, item.where)
        except MissingFact as error:
            missing.append(error.field.rpartition(".")[2])
    return tuple(f"{item.where}.{n}" for n in dict.fromkeys(missing))


def sheet_lacks(item: Braced) -> tuple[str, ...]:
    """What is not known of the sheet it stands on."""
    missing = [n for n in ("sheet", "plate", "fold") if getattr(item.facts, n) is None]
    return tuple(f"{item.where}.{n}" for n in missing) if item.facts.on_sheet == "yes" else ()


def on_foot(values: Array, foot: int | None) -> Array:
    """Of forces (..., m) on the mounts that of one, or the greatest."""
    return np.asarray(values.max(axis=-1) if foot is None else values[..., foot])


def stress(facts: BracketFacts, where: str, force: Array) -> Array:
    """Stress at its root [Pa] under a force [N]."""
    return section.equivalent(section_of(facts, where), force, need(facts.arm, f"{where}.arm"), facts.aside)


def allowed(facts: BracketFacts) -> float:
    """What a shock may stress it to [Pa]."""
    return STEELS[facts.steel].yields / SAFETY


def weld_stress(facts: BracketFacts, where: str, force: Array) -> Array:
    """Stress in its weld's throat [Pa] under a force [N]."""
    return weld.stress(weld_of(facts, where), facts.throat, force, need(facts.arm, f"{where}.arm"), facts.aside)


def life_fill(facts: BracketFacts, where: str, at_rest: Array) -> Array:
    """Fill of its weld over the spectrum, each of its swings on what it carries at rest [N]."""
    klass = THROAT[facts.steel] * WELDERS[facts.welder][1]
    return weld.fatigue_fill(klass, weld_stress(facts, where, at_rest), SPECTRUM)


def throat_for(facts: BracketFacts, where: str, at_rest: Array) -> Array:
    """Throat [m] at which the weld lasts: stress, and so its fill, goes as one over it."""
    return as_array(facts.throat) * life_fill(facts, where, at_rest)


@dataclass(frozen=True)
class Bolted:
    """Its bolts: preload each [N], torque dry and oiled [N m], fills of slipping and of opening, thread engaged and wanted
    [m]; ``engaged`` None where nobody says."""

    preload: float
    dry: float
    oiled: float
    slip: Array
    opens: Array
    wanted: float
    engaged: Array | None


def bolted(facts: BracketFacts, where: str, force: Array) -> Bolted:
    """Its bolts under a force [N] along the joint on the bracket's arm."""
    each = bolt.preload(facts.thread, facts.grade)
    pulled = bolt.prised(force, need(facts.arm, f"{where}.arm"), facts.apart, facts.bolts)
    size = THREADS[facts.thread][0]
    return Bolted(
        preload=each,
        dry=bolt.torque(facts.thread, facts.grade),
        oiled=bolt.torque(facts.thread, facts.grade, "oiled"),
        slip=bolt.slip_fill(force, facts.bolts, each, 0.0, facts.friction),
        opens=np.asarray(pulled / each),
        wanted=INTO[facts.into].wanted * size,
        engaged=None if facts.engaged is None else as_array(facts.engaged),
    )


PLATES = np.arange(0.04, 0.301, 0.01)  # m, widths of plate that are tried


@dataclass(frozen=True)
class Sheeted:
    """A plate on sheet, bolted through or welded: how far the sheet bends round it, and bears on the bolts (None where it is
    welded), over what it takes; the least plate that it holds [m], None where none so near the fold does."""

    bends: Array
    bears: Array | None
    least: float | None


def sheeted(facts: BracketFacts, where: str, force: Array) -> Sheeted:
    """Sheet under a plate, pulled through by what prises the bracket off; MissingFact names what is missing."""
    thick, plate, fold = (need(getattr(facts, n), f"{where}.{n}") for n in ("sheet", "plate", "fold"))
    bolted_on = facts.bolted == "yes"

    def bent(width: Array) -> Array:
        # Bolts pull over their own distance, a welded plate over its width.
        pulled = as_array(force) * need(facts.arm, f"{where}.arm") / (facts.apart if bolted_on else width)
        outer = np.maximum(as_array(fold), 0.51 * width)
        return np.asarray(sheet.ring_stress(pulled, thick, 0.5 * width, outer) / (BODY / SAFETY))

    there = np.array([float(bent(as_array(float(w))).flat[0]) for w in PLATES if w < 1.9 * likely(fold)])
    holds = np.flatnonzero(there <= 1.0)
    bears = sheet.bearing(force, facts.bolts, THREADS[facts.thread][0], thick) / (BEARS * BODY) if bolted_on else None
    return Sheeted(bent(as_array(plate)), bears, float(PLATES[holds[0]]) if holds.size else None)


def leans(facts: BracketFacts) -> tuple[float, float] | None:
    """How far it may lean by its holes [rad], and how far its mount's bolt goes by that [m]; None where nobody says."""
    if facts.hole is None or facts.arm is None or facts.bolted != "yes":
        return None
    angle = float(np.arctan2(likely(facts.hole), likely(facts.apart)))
    return angle, angle * likely(facts.arm)


def rest_on(found: Held, foot: int | None) -> Array:
    """What a bracket's mount carries at rest (n) [N]."""
    return on_foot(found.shocked.size[:, 0], foot)


def worst_on(found: Held, foot: int | None) -> tuple[Array, str]:
    """The worst of shock and torque on a bracket's mount (n) [N], and its case."""
    shock, case = shock_on(found, foot)
    pulls = on_foot(found.torqued.size, foot)
    if likely(pulls.max(axis=1)) > likely(shock):
        case = found.torqued.names[int(pulls[0].argmax())]
    return np.maximum(shock, pulls.max(axis=1)), case


def shock_on(found: Held, foot: int | None) -> tuple[Array, str]:
    """The worst shock on a bracket's mount (n) [N], and its name."""
    each = on_foot(found.shocked.size, foot)
    return np.asarray(each.max(axis=1)), found.shocked.names[int(each[0].argmax())]
