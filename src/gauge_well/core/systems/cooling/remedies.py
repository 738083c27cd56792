"""Changes of core, fan, air path and coolant worth trying."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import at_likely, with_facts
from gauge_well.core.media import coolant
from gauge_well.core.parts.fan import ELECTRIC, SHROUDS
from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import FAN_DIAMETERS, HOSES, above
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.cooling import afloat_said
from gauge_well.core.systems.cooling.circuit import circuit_of, inlet_check
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.facts_air import GRILLES
from gauge_well.core.systems.cooling.loop import Loop, loop_of
from gauge_well.core.systems.cooling.model import boiling_and_limit, coolant_flow, core_of, plant_of, prepare
from gauge_well.core.systems.cooling.need import DEPTHS
from gauge_well.core.typing import likely

# Caps sold [Pa over the air] (common practice).
CAPS = (50e3, 90e3, 103e3, 110e3, 124e3, 138e3)
WIDER, MORE_FLOW, MORE_EXIT, MORE_SPEED = 1.15, 1.25, 1.5, 1.2
LESS_GLYCOL = 0.3
MORE_HEADER = 1.5
WARM = 363.15  # K, for the coolant a changed loop is worked with
INLET_NEAR = 0.6  # fill of the pump's inlet from which a header's place is worth changing
FITS = 1.03  # of the face that fans side by side may take: frames overlap a little
NO_STONES = ("road_car", "hillclimb")  # where a core may stand with no grille before it
BELT_FAN = 0.45  # m, an engine-driven fan of a usual size
FREER_GRILLES = {"dense": "usual", "usual": "none"}
BETTER_SHROUDS = {"none": ("full", "flaps"), "full": ("flaps",)}


def candidates(context: Context, facts: CoolingFacts) -> list[Candidate]:
    """Core, fan, shroud, what stands in front, way in and out, cap, mix and loop: each a step from what is there."""
    if context.machine.kind == "boat":
        coolers = afloat_said.candidates(facts, context.machine.cooled_by == "keel")
        return [*coolers, *(replace(c, part="exchanger") for c in _coolant(context, facts))]
    return [
        *_core(context, facts),
        *_fan(facts),
        *_front(facts),
        *_air(context, facts),
        *_coolant(context, facts),
        *_loop(context, facts),
    ]


def _core(context: Context, facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.core.depth is not None:
        depth = likely(facts.core.depth)
        for size in above(DEPTHS, depth, 2):
            yield Candidate(
                f"core_depth_{1e3 * size:.0f}",
                "core_fan",
                Sentence("Core {a} → {b} thick, same face", {"a": (depth, "size"), "b": (size, "size")}),
                {"cooling.core.depth": size},
            )
    for name, way, room in (
        ("width", "wide", context.installation.opening_width),
        ("height", "high", context.installation.opening_height),
    ):
        value = getattr(facts.core, name)
        if value is None:
            continue
        now = likely(value)
        most = now * WIDER if room is None else min(now * WIDER, likely(room))
        size = round(most / 0.005) * 0.005
        if size > 1.02 * now:
            yield Candidate(
                f"core_{name}",
                "core_fan",
                Sentence("Core {a} → {b} " + way, {"a": (now, "size"), "b": (size, "size")}),
                {f"cooling.core.{name}": size},
            )


def _fan(facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.core.width is None or facts.core.height is None:
        return
    width, height = likely(facts.core.width), likely(facts.core.height)
    if facts.fan.drive == "none":
        for size in [d for d in FAN_DIAMETERS if d <= FITS * min(width, height)][-1:]:
            changes: dict[str, float | str | None] = {
                "cooling.fan.drive": "puller",
                "cooling.fan.diameter": float(size),
            }
            yield Candidate(
                "fan", "core_fan", Sentence("An electric fan of {d}, pulling", {"d": (size, "size")}), changes
            )
        return
    by_rule = dict.fromkeys(
        ("cooling.fan.flow", "cooling.fan.pressure", "cooling.fan.depth", "cooling.fan.rating", "cooling.fan.table")
    )
    if facts.fan.drive in ELECTRIC and min(width, height) >= BELT_FAN:
        belted: dict[str, float | str | None] = {
            "cooling.fan.drive": "belt",
            "cooling.fan.diameter": BELT_FAN,
            "cooling.fan.count": 1.0,
            **by_rule,
        }
        words = Sentence("An engine-driven fan of {d} with a clutch in its stead", {"d": (BELT_FAN, "size")})
        yield Candidate("belt_fan", "core_fan", words, belted)
    if facts.fan.drive == "belt":
        size = max((float(d) for d in FAN_DIAMETERS if d <= FITS * min(width, height)), default=0.0)
        count = max(float(int(FITS * max(width, height) / size)), 1.0) if size else 0.0
        if count:
            electric: dict[str, float | str | None] = {
                "cooling.fan.drive": "puller",
                "cooling.fan.diameter": size,
                "cooling.fan.count": count,
                **by_rule,
            }
            words = Sentence("Electric fans in its stead: {n} of {d}", {"n": f"{count:.0f}", "d": (size, "size")})
            yield Candidate("electric_fan", "core_fan", words, electric)
    if facts.fan.drive == "pusher":
        yield Candidate("puller", "core_fan", Sentence("Fan behind the core, pulling"), {"cooling.fan.drive": "puller"})
    if facts.fan.drive == "belt":
        if facts.fan.clutch == "viscous" and facts.fan.clutch_limit is not None:
            turns = likely(facts.fan.clutch_limit)
            clutch = Sentence(
                "Fan clutch held to {a} → {b}", {"a": (turns, "speed_rpm"), "b": (MORE_SPEED * turns, "speed_rpm")}
            )
            yield Candidate("fan_clutch", "core_fan", clutch, {"cooling.fan.clutch_limit": MORE_SPEED * turns})
        yield from _shroud(facts)
        return
    if facts.fan.diameter is None:
        return
    count, size = int(likely(facts.fan.count)), likely(facts.fan.diameter)
    if (count + 1) * size <= FITS * max(width, height) and size <= FITS * min(width, height):
        said = "Second fan beside the first" if count == 1 else "One more fan"
        yield Candidate("fan_count", "core_fan", Sentence(said), {"cooling.fan.count": count + 1.0})
    for wider in above(FAN_DIAMETERS, size, 2):
        if count * wider <= FITS * max(width, height) and wider <= FITS * min(width, height):
            yield Candidate(
                f"fan_diameter_{1e3 * wider:.0f}",
                "core_fan",
                Sentence("Fan {a} → {b}, a usual one of that size", {"a": (size, "size"), "b": (wider, "size")}),
                {"cooling.fan.diameter": wider, **by_rule},
            )
    yield from _shroud(facts)


def _shroud(facts: CoolingFacts) -> Iterator[Candidate]:
    for kind in BETTER_SHROUDS.get(facts.fan.shroud, ()):
        yield Candidate(
            f"shroud_{kind}", "core_fan", Sentence(SHROUDS[kind].capitalize()), {"cooling.fan.shroud": kind}
        )


def _air(context: Context, facts: CoolingFacts) -> Iterator[Candidate]:
    if facts.opening == "open_nose":
        yield Candidate("ducted", "core_fan", Sentence("Air ducted to the core"), {"cooling.opening": "ducted"})
    if facts.sealing in ("usual", "open"):
        label = Sentence("Gaps round the core sealed: no hot air goes round again")
        yield Candidate("sealing", "core_fan", label, {"cooling.sealing": "sealed"})
    grille = FREER_GRILLES.get(facts.grille)
    if grille is not None and (grille != "none" or context.machine.kind in NO_STONES):
        yield Candidate(
            f"grille_{grille}", "core_fan", Sentence(f"Freer front: {GRILLES[grille][0]}"), {"cooling.grille": grille}
        )
    now = likely(facts.exit_area)
    yield Candidate(
        "exit_area",
        "core_fan",
        Sentence("Way out of the bay {a} → {b}", {"a": (now, "area"), "b": (MORE_EXIT * now, "area")}),
        {"cooling.exit_area": MORE_EXIT * now},
    )


def _coolant(context: Context, facts: CoolingFacts) -> Iterator[Candidate]:
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
    if likely(facts.glycol) > LESS_GLYCOL + 0.05:
        yield Candidate(
            "glycol",
            "core_fan",
            Sentence(
                "Glycol {a} → {b}, where winters allow",
                {"a": (likely(facts.glycol), "share"), "b": (LESS_GLYCOL, "share")},
            ),
            {"cooling.glycol": LESS_GLYCOL},
        )


def _with_pump(
    context: Context, facts: CoolingFacts, changes: Mapping[str, float | str]
) -> dict[str, float | str | None]:
    """Changes of the loop as paths; a flow measured in the old loop becomes what the same pump makes of the new one."""
    found: dict[str, float | str | None] = {f"cooling.{name}": value for name, value in changes.items()}
    if facts.coolant_flow is None or facts.coolant_flow_is == "maker":
        return found
    likely_facts = at_likely(facts)
    before, after = (_standing_loop(context, f) for f in (likely_facts, with_facts(likely_facts, changes)))
    return found | {"cooling.coolant_flow": likely(after.with_pump_of(before).solve(1.0)[1])}


def _standing_loop(context: Context, facts: CoolingFacts) -> Loop:
    glycol = coolant.mass_share(facts.glycol)
    flow, speed, _ = coolant_flow(context, facts, glycol)
    return loop_of(core_of(facts), facts, glycol, WARM, (flow, speed), context.engine.rated_speed, speed, True)


def _loop(context: Context, facts: CoolingFacts) -> Iterator[Candidate]:
    """Pump, passes, hoses, restrictor, heater, header."""
    ratio = likely(facts.pump.ratio)
    if facts.pump.drive != "electric":
        values: dict[str, tuple[float, str] | str] = {"a": (ratio, "ratio"), "b": (MORE_FLOW * ratio, "ratio")}
        label = Sentence("Smaller pump pulley: pump's speed over its usual {a} → {b}", values)
        yield Candidate("pump_ratio", "core_fan", label, {"cooling.pump.ratio": MORE_FLOW * ratio})
    try:
        core_of(facts)
    except MissingFact:
        return
    if likely(facts.core.passes) < 2.0:
        changes = _with_pump(context, facts, {"core.passes": 2.0})
        yield Candidate("core_passes", "core_fan", Sentence("The same core in two passes"), changes)
    if facts.restrictor == "main":
        label = Sentence("Restrictor out of the main loop")
        yield Candidate("restrictor", "core_fan", label, _with_pump(context, facts, {"restrictor": "none"}))
    if facts.hose.bore is not None and facts.hose_feed is None and facts.hose_back is None:
        bore = likely(facts.hose.bore)
        for size in above(HOSES, bore, 1):
            label = Sentence("Hoses {a} → {b} bore", {"a": (bore, "size"), "b": (size, "size")})
            yield Candidate("hose_bore", "core_fan", label, _with_pump(context, facts, {"hose.bore": size}))
    cores = likely(facts.heater.count)
    if facts.heater_open != "yes":
        label = Sentence("Heater wide open, its fan at full" if cores else "An added heater core, fan at full")
        opened: dict[str, float | str | None] = {"cooling.heater_open": "yes"}
        changed = opened if cores else opened | {"cooling.heater.count": 1.0}
        # What is there already is only counted on.
        yield Candidate("heater", "core_fan", label, changed, school=cores > 0.0)
    if facts.header in ("core", "core_cold") and _inlet_fill(context, facts) > INLET_NEAR:
        label = Sentence("Header tank teed into the pump's inlet, cap on it")
        yield Candidate("header", "loop", label, {"cooling.header": "remote"})
    if facts.header_tank.volume is not None:
        size = likely(facts.header_tank.volume)
        label = Sentence("Header {a} → {b}", {"a": (size, "volume"), "b": (MORE_HEADER * size, "volume")})
        yield Candidate("header_volume", "loop", label, {"cooling.header_tank.volume": MORE_HEADER * size})


def _inlet_fill(context: Context, facts: CoolingFacts) -> float:
    """How near the pump's inlet is to boiling; 0 where it cannot be worked."""
    try:
        cooling = prepare(context, plant_of(context, facts), only_on=True)
    except MissingFact:
        return 0.0
    return float(np.max(inlet_check(context, circuit_of(cooling)).fill))


def _front(facts: CoolingFacts) -> Iterator[Candidate]:
    """Coolers in front set elsewhere, with air of their own."""
    for name in ("charge", "oil"):
        if getattr(facts, f"{name}_front") == "yes":
            label = Sentence(f"{name.capitalize()} cooler out from in front of the core, with air of its own")
            yield Candidate(f"{name}_front", "core_fan", label, {f"cooling.{name}_front": "no"})
