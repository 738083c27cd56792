"""A dry sump: stages against the pressure flow, tank against its seconds, vacuum against its seals."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import Check, gap_fill, gate
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import drysump, feeding
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.typing import over_duties


def scavenge_check(context: Context, facts: OilFacts) -> Check | None:
    """All stages at rated speed against twice what the pressure stage draws there; None where they are not known."""
    rated = np.asarray(context.engine.rated_speed)
    moved = drysump.scavenged(facts, rated)
    if moved is None:
        return None
    asks = drysump.SCAVENGE * feeding.pump_flow(facts, rated)
    words = "The stages move {capacity} at rated speed; {demand} is wanted: a third to a half of it is foam."
    return gate("scavenge", "Scavenge stages", "scavenge", asks, np.squeeze(moved), "flow", words)


def residence_check(context: Context, facts: OilFacts) -> Check:
    """Seconds the oil rests in the tank, in the duty that draws most, against what it takes to part from its air."""
    drawn = over_duties(feeding.hot_flow(context, facts))
    rests = drysump.residence(facts, drawn)
    words = "Oil rests {capacity} in the tank; {demand} at least to part from its air."
    need = drysump.RESIDENCE
    return gate("tank_residence", "Rest in the tank", "tank", need, rests, "time", words, fill=gap_fill(rests, need))


def filling_check(facts: OilFacts) -> Check:
    """Oil in the tank against what its fill leaves of it."""
    room = np.asarray(drysump.volume(facts) * drysump.filled(facts))
    words = "{demand} of oil in a tank filled to {capacity}; the rest is room for foam."
    return gate("tank_fill", "Oil in the tank", "tank", drysump.in_tank(facts), room, "volume", words)


def vacuum_checks(facts: OilFacts) -> list[Check]:
    """The vacuum regulator's setting against what draws seals in."""
    if facts.vacuum is None:
        return []
    words = "{demand} under the air outside; from {capacity} seals are drawn in."
    most = drysump.VACUUM_MOST
    return [gate("vacuum", "Crankcase vacuum", "scavenge", facts.vacuum, most, "pressure_difference", words)]
