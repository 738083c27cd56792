"""Changes of core, fan, air path and coolant worth trying."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.facts_air import FAN_DIAMETERS, GRILLES, SHROUDS
from gauge_well.core.systems.cooling.model import boiling_and_limit, coolant_flow
from gauge_well.core.systems.cooling.need import DEPTHS
from gauge_well.core.typing import likely

# Caps sold [Pa over the air] (common practice).
CAPS = (50e3, 90e3, 103e3, 110e3, 124e3, 138e3)
WIDER, MORE_FLOW, MORE_EXIT = 1.15, 1.25, 1.5
LESS_GLYCOL = 0.3
FITS = 1.03  # of the face that fans side by side may take: frames overlap a little
FREER_GRILLES = {"dense": "usual", "usual": "none"}
BETTER_SHROUDS = {"none": ("full", "flaps"), "full": ("flaps",)}


def candidates(context: Context, facts: CoolingFacts) -> list[Candidate]:
    """Core, fan, shroud, way in and out, cap, mix and flow: each a step from what is there."""
    return [*_core(context, facts), *_fan(facts), *_air(facts), *_coolant(context, facts)]


def _core(context: Context, facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.core_depth is not None:
        depth = likely(facts.core_depth)
        for size in above(DEPTHS, depth, 2):
            yield Candidate(
                f"core_depth_{1e3 * size:.0f}",
                "core_fan",
                Sentence("Core {a} → {b} thick, same face", {"a": (depth, "size"), "b": (size, "size")}),
                {"cooling.core_depth": size},
            )
    for name, way, room in (
        ("core_width", "wide", context.installation.opening_width),
        ("core_height", "high", context.installation.opening_height),
    ):
        value = getattr(facts, name)
        if value is None:
            continue
        now = likely(value)
        most = now * WIDER if room is None else min(now * WIDER, likely(room))
        size = round(most / 0.005) * 0.005
        if size > 1.02 * now:
            yield Candidate(
                name,
                "core_fan",
                Sentence("Core {a} → {b} " + way, {"a": (now, "size"), "b": (size, "size")}),
                {f"cooling.{name}": size},
            )


def _fan(facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.core_width is None or facts.core_height is None:
        return
    width, height = likely(facts.core_width), likely(facts.core_height)
    if facts.fan_kind == "none":
        for size in [d for d in FAN_DIAMETERS if d <= FITS * min(width, height)][-1:]:
            changes: dict[str, float | str | None] = {"cooling.fan_kind": "puller", "cooling.fan_diameter": float(size)}
            yield Candidate(
                "fan", "core_fan", Sentence("An electric fan of {d}, pulling", {"d": (size, "size")}), changes
            )
        return
    if facts.fan_kind == "pusher":
        yield Candidate("puller", "core_fan", Sentence("Fan behind the core, pulling"), {"cooling.fan_kind": "puller"})
    if facts.fan_diameter is None or facts.fan_count is None:
        return
    count, size = int(likely(facts.fan_count)), likely(facts.fan_diameter)
    if (count + 1) * size <= FITS * max(width, height) and size <= FITS * min(width, height):
        label = "Second fan beside the first" if count == 1 else "One more fan"
        yield Candidate("fan_count", "core_fan", Sentence(label), {"cooling.fan_count": count + 1.0})
    by_rule = dict.fromkeys(("cooling.fan_flow", "cooling.fan_pressure", "cooling.fan_depth", "cooling.fan_rating"))
    for wider in above(FAN_DIAMETERS, size, 2):
        if count * wider <= FITS * max(width, height) and wider <= FITS * min(width, height):
            yield Candidate(
                f"fan_diameter_{1e3 * wider:.0f}",
                "core_fan",
                Sentence("Fan {a} → {b}, a usual one of that size", {"a": (size, "size"), "b": (wider, "size")}),
                {"cooling.fan_diameter": wider, **by_rule},
            )
    for kind in BETTER_SHROUDS.get(facts.shroud or "full", ()):
        yield Candidate(f"shroud_{kind}", "core_fan", Sentence(SHROUDS[kind].capitalize()), {"cooling.shroud": kind})


def _air(facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.opening == "open_nose":
        yield Candidate(
            "ducted", "core_fan", Sentence("Gaps to the core sealed: air ducted in"), {"cooling.opening": "ducted"}
        )
    grille = FREER_GRILLES.get(facts.grille or "usual")
    if grille is not None:
        yield Candidate(
            f"grille_{grille}", "core_fan", Sentence(f"Freer front: {GRILLES[grille][0]}"), {"cooling.grille": grille}
        )
    if facts.exit_area is not None:
        now = likely(facts.exit_area)
        yield Candidate(
            "exit_area",
            "core_fan",
            Sentence("Way out of the bay {a} → {b}", {"a": (now, "area"), "b": (MORE_EXIT * now, "area")}),
            {"cooling.exit_area": MORE_EXIT * now},
        )


def _coolant(context: Context, facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.cap_pressure is not None and context.engine.facts.coolant_limit is not None:
        _, _, limit = boiling_and_limit(context, facts, context.duties.column("pressure"))
        now = likely(facts.cap_pressure)
        # A higher cap buys nothing where the engine's own limit comes first.
        if float(limit.min()) < likely(context.engine.facts.coolant_limit) - 0.1:
            for cap in above(CAPS, now, 1):
                yield Candidate(
                    "cap",
                    "core_fan",
                    Sentence("Cap {a} → {b}", {"a": (now, "pressure_gauge"), "b": (cap, "pressure_gauge")}),
                    {"cooling.cap_pressure": cap},
                )
    if facts.glycol is not None and likely(facts.glycol) > LESS_GLYCOL + 0.05:
        yield Candidate(
            "glycol",
            "core_fan",
            Sentence(
                "Glycol {a} → {b}, where winters allow",
                {"a": (likely(facts.glycol), "share"), "b": (LESS_GLYCOL, "share")},
            ),
            {"cooling.glycol": LESS_GLYCOL},
        )
    glycol, _, _ = boiling_and_limit(context, facts, context.duties.column("pressure"))
    flow, speed, _ = coolant_flow(context, facts, glycol)
    more = MORE_FLOW * likely(flow)
    yield Candidate(
        "coolant_flow",
        "core_fan",
        Sentence("Smaller pump pulley: coolant {a} → {b}", {"a": (likely(flow), "flow"), "b": (more, "flow")}),
        {"cooling.coolant_flow": more, "cooling.coolant_flow_speed": likely(speed)},
    )
