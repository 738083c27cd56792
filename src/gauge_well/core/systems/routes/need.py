"""What runs and joints ask: lengths to cut, holes for bundles, adapters."""

from __future__ import annotations

from gauge_well.core.fittings.thread import adapters
from gauge_well.core.parts.route import LANES
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.routes import joints, runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import likely, likely_or_none

GROMMET = 1.15  # hole over the bundle that goes through it (common practice)
NAMED = 3


def needs(context: Context, facts: RoutesFacts) -> list[Need]:
    """Lengths of runs not cut yet, the hole of the thickest bundle, adapters where a thread does not go in."""
    return [*_lengths(context, facts), *_hole(facts), *_adapters(facts), *_spigots(facts)]


def _lengths(context: Context, facts: RoutesFacts) -> list[Need]:
    found = []
    for run in runs.all_of(facts):
        needed = runs.needed(context, facts, run)
        if needed is None or run.facts.length is not None:
            continue
        words = f"{run.name}: cut to {{length}}, {{slack}} of it slack and ends."
        values = {"length": (likely(needed), "length"), "slack": (likely(runs.slack(context, run)), "length")}
        found.append(Need("routes", f"length_{run.id}", needed, "length", Sentence(words, values)))
    return found


def _hole(facts: RoutesFacts) -> list[Need]:
    thick = [b for b in runs.bundles(facts) if b.across is not None and len(b.names) > 1]
    if not thick:
        return []
    worst = max(thick, key=lambda b: b.across or 0.0)
    assert worst.across is not None
    lane = list(LANES.values())[worst.shared.lane]
    words = f"Thickest on the {lane}, {{from}} to {{to}} from the nose: {len(worst.names)} runs, {{across}} across; a hole of {{hole}} with its grommet."
    values = {
        "from": (worst.shared.start, "length"), "to": (worst.shared.end, "length"), "across": (worst.across, "size"), "hole": (GROMMET * worst.across, "size"),
    }  # fmt: skip
    return [Need("routes", "bundle", GROMMET * worst.across, "size", Sentence(words, values))]


def _adapters(facts: RoutesFacts) -> list[Need]:
    found = []
    for joint in joints.all_of(facts):
        if joint.fits is None or joint.fits.goes or joint.male is None or joint.female is None:
            continue
        boss = likely_or_none(joint.facts.boss)
        larger = [t.label for t in adapters(joint.male, boss)][:NAMED]
        words = f"{joint.name}: an adapter {joint.female.label} outside, {joint.male.label} inside"
        if joint.male.major > joint.female.minor - 2e-3:
            words += ", which stands out of the hole for lack of wall"
        words += (
            f"; or the hole cut larger for one of {', '.join(larger)} outside."
            if larger
            else "; the boss is too small to cut it larger."
        )
        found.append(Need("joints", f"adapter_{joint.id}", joint.female.major, "size", Sentence(words)))
    return found


def _spigots(facts: RoutesFacts) -> list[Need]:
    """A tee by its spigots; a reducer where a hose does not sit on what it goes over."""
    found = []
    for joint in joints.all_of(facts):
        own, sold = joint.facts, joint.sold
        if own.what == "tee" and len(sold) == 2:
            run, branch = sold
            if run is None or branch is None:
                words, size = f"{joint.name}: no tee sold sits in both hoses: reducers on a larger one.", 0.0
                found.append(Need("joints", f"tee_{joint.id}", size, "size", Sentence(words)))
                continue
            values = {"run": (run, "size"), "branch": (branch, "size")}
            words = f"{joint.name}: a tee of {{run}}, {{run}} and {{branch}}."
            found.append(Need("joints", f"tee_{joint.id}", run, "size", Sentence(words, values)))
        if joint.sits is not False or own.hose is None or own.spigot is None:
            continue
        end = sold[0] if sold and sold[0] is not None else likely(own.hose)
        values = {"hose": (end, "size"), "spigot": (likely(own.spigot), "size")}
        words = f"{joint.name}: a reducer or a stepped hose, {{hose}} to {{spigot}}."
        found.append(Need("joints", f"reducer_{joint.id}", likely(own.spigot), "size", Sentence(words, values)))
    return found
