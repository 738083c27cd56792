"""A bracket that carries a mount: its section, its welds, its bolts, and how each stands a force."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from gauge_well.core.facts import YES_NO, Kind, Way, choice, need, quantity
from gauge_well.core.strength import section as sections
from gauge_well.core.strength import weld as welds
from gauge_well.core.strength.bolt import GRADES, INTO, THREADS
from gauge_well.core.strength.section import Section
from gauge_well.core.typing import Value, as_array

ARM, WELD, BOLTS, SHEET = "Bracket", "Weld", "Bolts", "Plate on sheet"


@dataclass(frozen=True)
class Steel:
    """Yield [Pa] and density [kg/m3] of what it is made of."""

    label: str
    yields: float
    density: float


# (common practice): least yield of the grades as they are sold.
STEELS: Mapping[str, Steel] = {
    "s235": Steel("mild steel, S235", 235e6, 7850.0),
    "s355": Steel("S355", 355e6, 7850.0),
    "alloy": Steel("light alloy, 6082-T6", 250e6, 2700.0),
    "stainless": Steel("stainless, 304", 210e6, 7900.0),
}


@dataclass(frozen=True)
class Shape:
    """A section by name: what it is called, what it is measured by, how it is worked of them, its weld."""

    label: str
    sizes: tuple[str, ...]
    section: Callable[..., Section]
    line: Callable[..., welds.Line]


SHAPES: Mapping[str, Shape] = {
    "flat": Shape(
        "plate, laid flat",
        ("wide", "wall"),
        lambda wide, wall: sections.plate(wide, wall),
        lambda wide, wall: welds.oblong(wide, wall),
    ),
    "edge": Shape(
        "plate, on edge",
        ("wall", "high"),
        lambda wall, high: sections.plate(wall, high),
        lambda wall, high: welds.oblong(wall, high),
    ),
    "tube": Shape(
        "round tube",
        ("wide", "wall"),
        lambda wide, wall: sections.tube(wide, wall),
        lambda wide, wall: welds.ring(wide),
    ),
    "box": Shape(
        "box",
        ("wide", "high", "wall"),
        lambda wide, high, wall: sections.box(wide, high, wall),
        lambda wide, high, wall: welds.oblong(wide, high),
    ),
    "gusset": Shape(
        "flat plate with a gusset under it",
        ("wide", "wall", "high", "web"),
        lambda wide, wall, high, web: sections.gusseted(wide, wall, high, web),
        lambda wide, wall, high, web: welds.oblong(web, as_array(high) + wall),
    ),
}
HOLDS: Mapping[str, str] = {str(n): f"mount {n}" for n in range(1, 9)} | {"worst": "the one that carries most"}
WELDERS: Mapping[str, tuple[str, float]] = {"shop": ("a welder's", 1.0), "home": ("home made", 0.8)}
BOLTED, WELDED = ("bolted", ("yes",)), ("welded", ("yes",))
ON_SHEET = ("on_sheet", ("yes",))


@dataclass(frozen=True)
class BracketFacts:
    """A bracket. SI; its arm from where it is held to the mount's bolt."""

    holds: str = choice("Carries", HOLDS, group=ARM)
    shape: str | None = choice("It is", {k: v.label for k, v in SHAPES.items()}, needed=True, group=ARM)
    wide: Value | None = quantity(
        "Width, or outside of a tube",
        "size",
        0.003,
        0.4,
        group=ARM,
        help="Across the load.",
        spread="gauge",
        when=("shape", ("flat", "tube", "box", "gusset")),
    )
    high: Value | None = quantity(
        "Height, along the load",
        "size",
        0.003,
        0.4,
        group=ARM,
        help="Of a gusset: what stands under the plate.",
        spread="gauge",
        when=("shape", ("edge", "box", "gusset")),
    )
    wall: Value | None = quantity("Thickness", "size", 0.0008, 0.05, needed=True, group=ARM, spread="gauge")
    web: Value | None = quantity(
        "Gusset's thickness", "size", 0.0008, 0.05, group=ARM, spread="gauge", when=("shape", ("gusset",))
    )
    arm: Value | None = quantity(
        "Arm",
        "length",
        0.005,
        2.0,
        needed=True,
        group=ARM,
        help="From where it is welded or bolted to the mount's bolt.",
    )
    aside: Value = quantity(
        "Load aside of it",
        "size",
        0.0,
        0.5,
        group=ARM,
        help="How far the mount's bolt stands off the bracket's own line.",
    )
    steel: str = choice("Made of", {k: v.label for k, v in STEELS.items()}, group=ARM)
    welded: str = choice("Welded on", YES_NO, group=WELD)
    throat: Value = quantity(
        "Weld's throat", "size", 0.001, 0.03, group=WELD, help="Seven tenths of its leg.", spread="gauge", when=WELDED
    )
    welder: str = choice("Welded by", {k: v[0] for k, v in WELDERS.items()}, group=WELD, when=WELDED)
    bolted: str = choice("Bolted on", YES_NO, group=BOLTS)
    bolts: Value = quantity("Bolts", "count", 1.0, 16.0, group=BOLTS, spread="exact", when=BOLTED)
    thread: str = choice("Thread", {k: k.upper() for k in THREADS}, group=BOLTS, when=BOLTED)
    grade: str = choice("Grade", {k: k for k in GRADES}, group=BOLTS, when=BOLTED)
    apart: Value = quantity(
        "Bolts apart, along the load", "size", 0.01, 0.6, group=BOLTS, help="Highest to lowest.", when=BOLTED
    )
    into: str = choice("Screwed into", {k: v.label for k, v in INTO.items()}, group=BOLTS, when=BOLTED)
    engaged: Value | None = quantity("Thread engaged", "size", 0.002, 0.1, group=BOLTS, spread="gauge", when=BOLTED)
    hole: Value | None = quantity(
        "Hole over the bolt",
        "size",
        0.0,
        0.02,
        group=BOLTS,
        help="Hole less bolt: what it may lean by.",
        spread="gauge",
        when=BOLTED,
    )
    friction: Value = quantity("Friction under it", "ratio", 0.02, 0.8, group=BOLTS, spread="friction", when=BOLTED)
    on_sheet: str = choice("Stands on sheet", YES_NO, group=SHEET, help="Bolted through a plate, or welded to it.")
    sheet: Value | None = quantity(
        "Sheet's thickness", "size", 0.0004, 0.02, group=SHEET, spread="gauge", when=ON_SHEET
    )
    plate: Value | None = quantity("Plate under it, least width", "size", 0.01, 0.5, group=SHEET, when=ON_SHEET)
    fold: Value | None = quantity(
        "Plate's middle to the nearest fold or seam",
        "size",
        0.01,
        1.0,
        group=SHEET,
        help="Where the sheet is held: a fold, a seam, a rail under it.",
        when=ON_SHEET,
    )


WAYS: Mapping[str, Way] = {
    "wide": Way("hand", "Calliper across it."),
    "high": Way("hand", "Calliper along the load."),
    "wall": Way("hand", "Calliper on a cut edge."),
    "web": Way("hand", "Calliper on the gusset."),
    "arm": Way("hand", "Rule from the weld or the bolts to the mount's bolt."),
    "aside": Way("hand", "Rule from the bracket's middle line to the mount's bolt."),
    "throat": Way("hand", "A weld gauge; or the leg with a rule, times 0.7."),
    "bolts": Way("hand", "Count them."),
    "apart": Way("hand", "Rule over their centres."),
    "engaged": Way("hand", "Bolt's length less what it passes through; turns counted times the pitch."),
    "hole": Way("hand", "Calliper: hole less bolt."),
    "friction": Way("hand", "By the faces: oily 0.10, clean 0.15, blasted 0.30."),
    "sheet": Way("hand", "Calliper on an edge or a drilled chip."),
    "plate": Way("hand", "Rule across it, its shorter side."),
    "fold": Way("hand", "Rule from the plate's middle to the nearest fold, seam or rail."),
}

BRACKET = Kind("bracket", "Bracket", BracketFacts, WAYS)


def section_of(facts: BracketFacts, where: str) -> Section:
    """Its section; MissingFact names the size that is missing, as ``where.size``."""
    shape = SHAPES[str(facts.shape)]
    return shape.section(*(need(getattr(facts, name), f"{where}.{name}") for name in shape.sizes))


def weld_of(facts: BracketFacts, where: str) -> welds.Line:
    """The weld round its root; MissingFact names the size that is missing."""
    shape = SHAPES[str(facts.shape)]
    return shape.line(*(need(getattr(facts, name), f"{where}.{name}") for name in shape.sizes))
