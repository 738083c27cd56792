"""Weights against plates and ratings: gates all, for no power changes them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace

import numpy as np

from gauge_well.core.checks import Check, gap_gate, gate
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.statics import sling
from gauge_well.core.systems.weights.facts import WeightsFacts
from gauge_well.core.systems.weights.ledger import Ledger, ends
from gauge_well.core.systems.weights.lifting import ABOVE, DIRT, STANDS, Hung, Legs
from gauge_well.core.typing import Array, as_array, likely

TIPS = 0.15  # m that the balance point lies within the stands at least (common practice)


def axle_checks(facts: WeightsFacts, found: Ledger) -> Iterator[Check]:
    """Axles and the whole machine against their plates, those that are stated."""
    for id, name, value, plate in (
        *((e.name, f"{e.name.capitalize()} axle", e.after, e.plate) for e in ends(facts, found)),
        ("gross", "Whole machine", found.mass, facts.gross_plate),
    ):
        if plate is not None:
            words = "{demand} after the swap; its plate allows {capacity}."
            yield gate(f"axle_{id}", f"{name} against its plate", "axles", value, as_array(plate), "mass", words)


def stands_check(facts: WeightsFacts, found: Ledger) -> list[Check]:
    """The stripped machine on its stands: its balance point between them."""
    if facts.stand_front is None or facts.stand_rear is None:
        return []
    at = found.with_out_only().cg_x
    ahead, behind = at - facts.stand_front, facts.stand_rear - at
    left = np.minimum(ahead, behind)
    end = "front" if likely(ahead) < likely(behind) else "rear"

    def said() -> Sequence[Sentence]:
        words = f"Stripped, it balances {{gap}} within the {end} stands; keep {{kept}}, or prop the {end}."
        if likely(left) < 0.0:
            words = f"Stripped, it balances {{over}} past the {end} stands and tips: prop the {end} before anything comes out."
        gap = likely(left)
        return (Sentence(words, {"gap": (gap, "length"), "over": (-gap, "length"), "kept": (TIPS, "length")}),)

    tips = gap_gate("tips", "Stripped on its stands", "lifting", left, TIPS, danger=True)
    return [replace(check, sentences=said) for check in tips]


def lifting_checks(facts: WeightsFacts, load: Hung, legs: Legs | None) -> Iterator[Check]:
    """Hoist, legs, eyes, stand, table: those of which enough is stated."""
    heavy = load.mass * DIRT
    if facts.hoist.plate is not None and facts.hoist.reach is not None:
        reach = likely(facts.hoist.reach)
        allowed = sling.allowed(facts.hoist.plate, reach)
        words = "{demand} with oil and dirt; its plate allows {capacity} at {reach}."
        if allowed is None:
            words = "{demand} with oil and dirt; its plate says nothing of {reach}, so nothing is allowed there."
        yield gate(
            "hoist",
            "Hoist",
            "lifting",
            heavy,
            0.0 if allowed is None else allowed,
            "mass",
            words,
            lambda: {"reach": (reach, "length")},
            danger=True,
        )
    if legs is not None:
        yield from gap_gate(
            "eyes",
            "Lifting eyes over the balance point",
            "lifting",
            as_array(facts.lift_over) - load.over if facts.lift_over is not None else None,
            ABOVE,
            danger=True,
        )
        if facts.leg_rated is not None:
            yield _leg(facts, legs)
    for id, name, value, rated in (
        ("stand", "Engine stand", load.mass * STANDS, facts.stand_rated),
        ("table", "Lift table", heavy, facts.table_rated),
    ):
        if rated is not None:
            words = "{demand} is asked of it; rated {capacity}."
            yield gate(id, name, "lifting", value, as_array(rated), "mass", words, danger=True)


def _leg(facts: WeightsFacts, legs: Legs) -> Check:
    pull = _finite(legs.most / GRAVITY)
    words = "{demand} in the leg that pulls most, {angle} off upright; rated {capacity}."
    if facts.legs == "four":
        words = "{demand} in each of two straps, for of four of fixed length two carry all; rated {capacity}."
    if not np.isfinite(legs.most.flat[0]):
        words = "The hook does not stand between the eyes: the legs hold nothing level so."
    return gate(
        "leg",
        "Sling's leg",
        "lifting",
        pull,
        as_array(facts.leg_rated if facts.leg_rated is not None else 0.0),
        "mass",
        words,
        lambda: {"angle": (legs.steepest, "angle")},
        danger=True,
    )


def _finite(values: Array) -> Array:
    """Without end is far over any rating: so large a number that every fill is over its brim."""
    return np.asarray(np.where(np.isfinite(values), values, 1e9))
