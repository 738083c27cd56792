"""What the loads and the cold ask: an alternator, a battery, sizes of wire."""

from __future__ import annotations

from gauge_well.core.electrical import alternator
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context, Need
from gauge_well.core.systems.electrics import charging, cranking, need_signals, runs
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import likely, likely_or

SOLD = (35.0, 45.0, 55.0, 65.0, 80.0, 90.0, 110.0, 120.0, 140.0, 150.0, 180.0, 200.0, 250.0, 300.0)
LOW = 0.5  # of its full output that an alternator gives at 1,500 of its rotor (common practice)
BY_MACHINE = 13.5  # V


def needs(context: Context, facts: ElectricsFacts) -> list[Need]:
    """Alternator, battery, of every run its wire; what is missing to start, resistors, a converter."""
    return [
        _alternator(context, facts),
        *_battery(context, facts),
        *_runs(facts),
        *need_signals.signals(context, facts),
        *need_signals.resistors(facts),
        *need_signals.converter(facts),
    ]


def alternator_for(context: Context, facts: ElectricsFacts) -> tuple[float, float, bool]:
    """Full output that carries a wet night under way [A]; amps asked [A]; whether by loads that are
    stated, else by the machine's."""
    if facts.loads:
        asked = likely(charging.total(charging.draws(context, facts), "cruise_night"))
    else:
        volts = BY_MACHINE * charging.nominal(facts) / 12.0
        asked = likely_or(context.machine.electrical_load) / volts
    slow, _ = charging.slowest(context)
    # An alternator of 1 A full, at that speed and hot.
    own = facts.alternator
    ratio = likely(own.ratio) if own.ratio is not None else 2.5
    one = likely(alternator.gives(slow * ratio, LOW, 1.0, float(own.plate), likely(own.cut_in))) * likely(own.hot)
    return (asked / one if one > 0.0 else float("inf")), asked, bool(facts.loads)


def _alternator(context: Context, facts: ElectricsFacts) -> Need:
    full, asked, stated = alternator_for(context, facts)
    slow, name = charging.slowest(context)
    if full == float("inf"):
        words = "At {slow} its rotor is too slow to charge: a smaller pulley."
        return Need("charge", "alternator_full", 0.0, "current", Sentence(words, {"slow": (slow, "speed_rpm")}))
    sold = next((s for s in SOLD if s >= full), SOLD[-1])
    words = "{asked} on a wet night at {slow} ({duty}), hot, ask {full} on its plate; {sold} are made."
    if not stated:
        words += " By the machine's electrical load: state what draws."
    values: dict[str, tuple[float, str] | str] = {
        "asked": (asked, "current"), "slow": (slow, "speed_rpm"), "duty": name.lower(), "full": (full, "current"), "sold": (sold, "current"),
    }  # fmt: skip
    return Need("charge", "alternator_full", full, "current", Sentence(words, values))


def _battery(context: Context, facts: ElectricsFacts) -> list[Need]:
    amps = cranking.battery_for(context, facts)
    at = {"t": (likely(facts.coldest), "temperature"), "n": (likely(facts.needs_speed), "speed_rpm")}
    if amps is None:
        words = (
            "At {t} no battery turns it {n} through those leads and that starter: thicker leads, a stronger starter."
        )
        return [Need("crank", "battery_amps", 0.0, "current", Sentence(words, at))]
    words = "{amps} by EN turn it {n} at {t} through its leads and keep 9 V of 12; a used battery has two thirds of its label."
    return [Need("crank", "battery_amps", amps, "current", Sentence(words, {**at, "amps": (amps, "current")}))]


def _runs(facts: ElectricsFacts) -> list[Need]:
    found = []
    for run in runs.all_of(facts):
        size = runs.needed(facts, run)
        if size is None:
            continue
        words = (
            f"{run.name}: {{area}} lose {{drop}} at {{amps}} and bear {{bears}}; a fuse of "
            + ", ".join(f"{f:g}" for f in size.fuses[:4])
            + " A."
        )
        values = {
            "area": (size.area, "wire_area"), "drop": (size.drop, "voltage_drop"), "amps": (likely(run.amps), "current"), "bears": (size.bears, "current"),
        }  # fmt: skip
        found.append(Need("runs", f"wire_{run.id}", size.area, "wire_area", Sentence(words, values)))
    return found
