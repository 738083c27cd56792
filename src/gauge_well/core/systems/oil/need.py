"""What the duties and the wanted power ask of pan, quantity and cooler, fitted or not."""

from __future__ import annotations

import numpy as np

from gauge_well.core.duty.model import REPEATS, SWALLOWED
from gauge_well.core.facts import at_likely, with_facts
from gauge_well.core.geometry.free_surface import volume_below
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import OIL_COOLERS, at_least, poured
from gauge_well.core.systems.base import Context, Need, Shopping
from gauge_well.core.systems.oil import breathing, covering, drysump, feeding, warmth
from gauge_well.core.systems.oil.facts import QUANTITY_BAND, OilFacts
from gauge_well.core.systems.oil.rules import usual_quantity
from gauge_well.core.typing import as_array, likely, over_duties

HOSES = (0.010, 0.013, 0.016, 0.019, 0.025, 0.032, 0.038, 0.050, 0.063, 0.076)  # m bore, sold
REACH = 0.15  # m from pickup to the wall oil runs to, where no pan is known


def needs(context: Context, facts: OilFacts, coverage: covering.Coverage | None, ways: warmth.Ways) -> list[Need]:
    """Quantity, oil over the pickup or a baffle, cooler conductance."""
    found = [] if drysump.is_dry(facts) else [_quantity(context, facts, coverage)]
    found.append(_breather(context, facts))
    cases = context.duties.cases
    hardest = max(likely(g) for c in cases for g in (c.braking, c.cornering, c.pulling))
    if drysump.is_dry(facts):
        found += _dry(context, facts)
    elif coverage is None:
        over = float(covering.cover(context, facts, None)[..., 0].max())
        depth = likely(facts.pickup.clearance) + hardest * REACH + over
        found.append(
            Need(
                "pan",
                "oil_over_floor",
                depth,
                "size",
                Sentence(
                    "A well with {depth} of oil at rest, the pickup within {reach} of its walls; or a baffle good for {g}.",
                    {"depth": (depth, "size"), "reach": (REACH, "size"), "g": (hardest * GRAVITY, "acceleration")},
                ),
            )
        )
    # A short duty is swallowed by the oil and the metal: it counts as often as it comes back.
    short = context.duties.column("duration") <= SWALLOWED
    heat = context.mean.heat_to_oil / np.where(short, REPEATS, 1.0)
    limit = as_array(facts.oil_limit)
    rest = ways.block * (limit - ways.coolant) + ways.pan * (limit - ways.ambient)
    wanted = over_duties((heat - rest) / np.maximum(limit - ways.ambient, 1.0))
    if likely(wanted) > 0.0:
        found.append(
            Need(
                "cooler",
                "oil_cooler_conductance",
                np.maximum(wanted, 0.0),
                "conductance",
                Sentence(
                    "An oil cooler of {ua} (about {q} at {dt} between oil and air).",
                    {
                        "ua": (likely(wanted), "conductance"),
                        "q": (likely(wanted) * 60.0, "heat"),
                        "dt": (60.0, "temperature_difference"),
                    },
                ),
                shop=_cooler(likely(wanted)),
            )
        )
    return found


def _poured(volume: float) -> Shopping:
    size = poured(volume)
    return Shopping(
        "Oil",
        Sentence("{v} of oil", {"v": (volume, "volume")}),
        Sentence("in engines of its size; the pan decides"),
        Sentence("{v} poured", {"v": (size, "volume")}),
        size,
        "oil.pan.length",
    )


def _cooler(wanted: float) -> Shopping:
    size = at_least(OIL_COOLERS, wanted)
    words = "two coolers one after another" if size is None else "{ua}"
    slots: dict[str, tuple[float, str] | str] = {} if size is None else {"ua": (size, "conductance")}
    asked: dict[str, tuple[float, str] | str] = {"ua": (wanted, "conductance")}
    brief = Sentence("an oil cooler of {ua}", asked)
    return Shopping("Oil cooler", brief, Sentence("into air"), Sentence(words, slots), size, "oil.cooler.conductance")


def _quantity(context: Context, facts: OilFacts, coverage: covering.Coverage | None) -> Need:
    """By the pan: what keeps the pickup covered in every duty; by displacement where no pan is known."""
    if coverage is None:
        volume = usual_quantity(likely(context.engine.displacement), context.engine.fuel.spark)
        low, high = ((1.0 + s * QUANTITY_BAND) * volume for s in (-1.0, 1.0))
        values: dict[str, tuple[float, str] | str] = {
            "v": (volume, "volume"),
            "low": (low, "volume"),
            "high": (high, "volume"),
        }
        words = "About {v} of oil, {low} to {high} in engines of its size; the pan decides."
        shop = _poured(volume)
        return Need("pan", "oil_quantity", volume, "volume", Sentence(words, values), shop=shop, band=(low, high))
    pan, n = coverage.pan, coverage.sampled_normals
    over = coverage.over if coverage.over.ndim == 3 else coverage.over[..., None]
    under = volume_below(pan.body, n, pan.over_pickup(n) + over).max(axis=(0, 1))
    volume = under + facts.oil_up
    template = "{v} of oil keeps the pickup covered in every duty; the pan holds {holds} to the rail."
    if likely(volume) > likely(pan.holds):
        template = (
            "Only {v} would keep the pickup covered, and the pan holds {holds}: a baffle or a deeper well does it."
        )
    return Need(
        "pan",
        "oil_quantity",
        volume,
        "volume",
        Sentence(template, {"v": (likely(volume), "volume"), "holds": (likely(pan.holds), "volume")}),
    )


def _dry(context: Context, facts: OilFacts) -> list[Need]:
    """Tank and scavenge for what the pressure stage moves."""
    drawn = over_duties(feeding.hot_flow(context, facts))
    size = drysump.gross(drawn, drysump.filled(facts))
    stages = drysump.SCAVENGE * feeding.pump_flow(facts, context.engine.rated_speed)
    words = "A tank of {v}: {t} of rest at {q}, three quarters full."
    return [
        Need(
            "tank",
            "tank_gross",
            size,
            "volume",
            Sentence(
                words,
                {"v": (likely(size), "volume"), "t": (drysump.RESIDENCE, "time"), "q": (likely(drawn), "flow")},
            ),
        ),
        Need(
            "scavenge",
            "scavenge_flow",
            as_array(stages),
            "flow",
            Sentence("Scavenge stages that move {q} at rated speed.", {"q": (likely(stages), "flow")}),
        ),
    ]


def _breather(context: Context, facts: OilFacts) -> Need:
    """The next hose sold through which a worn engine breathes within a kilopascal at full load."""
    gas = over_duties(breathing.blow_by(facts, context.peak, worn=True))
    bores = np.array(HOSES)
    over = breathing.crankcase(with_facts(at_likely(facts), {"breather.bore": bores}), as_array(likely(gas)))
    assert over is not None
    fits = bores[over <= breathing.CRANKCASE_MOST].tolist()
    bore = fits[0] if fits else HOSES[-1]
    words = "A breather of {bore} bore for {q} of blow-by, worn; a can of 1.5 to 3 L, baffled, falling both ways."
    values: dict[str, tuple[float, str] | str] = {"bore": (bore, "size"), "q": (likely(gas), "flow")}
    return Need("breather", "breather_bore", bore, "length", Sentence(words, values))
