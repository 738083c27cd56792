"""The ledger's figures."""

from __future__ import annotations

import numpy as np

from gauge_well.core.systems.base import Context
from gauge_well.core.systems.routes import joints, runs
from gauge_well.core.systems.routes.facts import RoutesFacts
from gauge_well.core.typing import Array


def figures(context: Context, facts: RoutesFacts) -> dict[str, Array]:
    """Lengths to cut, the thickest bundle, crossings, what is forgotten, hoses' stretch."""
    found: dict[str, Array] = {}
    for run in runs.all_of(facts):
        needed = runs.needed(context, facts, run)
        if needed is not None:
            found[f"route_length_{run.id}_m"] = needed
    thick = [b.across for b in runs.bundles(facts) if b.across is not None]
    if thick:
        found["bundle_across_m"] = np.asarray(max(thick))
    if facts.routes:
        found["route_crossings"] = np.asarray(float(len(runs.crossings(facts))))
        found["routes_forgotten"] = np.asarray(float(len(runs.forgotten(context, facts))))
    for joint in joints.all_of(facts):
        if joint.stretch is not None:
            found[f"hose_stretch_{joint.id}"] = joint.stretch
    return found
