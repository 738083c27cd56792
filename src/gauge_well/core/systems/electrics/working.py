"""The working of the electrics: alternator at idle, cold cranking, the worst run."""

from __future__ import annotations

import numpy as np

from gauge_well.core.electrical import alternator as machine
from gauge_well.core.electrical import battery, starter, wires
from gauge_well.core.electrical import sender as curves
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.electrics import charging, cranking, runs, senders, speed
from gauge_well.core.systems.electrics.facts import ElectricsFacts
from gauge_well.core.typing import as_array, likely
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: ElectricsFacts, index: int) -> list[Step]:
    """What is known of; the same in each duty."""
    w = Working(index)
    _charge(w, context, facts)
    _crank(w, context, facts)
    _runs(w, facts)
    _speed(w, facts)
    _senders(w, facts)
    return w.steps


def _charge(w: Working, context: Context, facts: ElectricsFacts) -> None:
    own = facts.alternator
    if own.full is None:
        return
    idle = context.engine.facts.idle_speed
    turns = charging.rotor(facts, idle)
    w.add(
        "n_a",
        "Rotor at idle",
        "n * r",
        turns,
        "speed_rpm",
        {"n": idle, "r": own.ratio if own.ratio is not None else 1.0},
        "arithmetic",
    )
    tau = machine.rise(own.low, own.full, float(own.plate), own.cut_in)
    top = own.full / (1.0 - np.exp(-(machine.FULL_AT - own.cut_in) / tau))
    gives = charging.able(facts, idle)
    assert gives is not None
    w.add(
        "I_a", "What it gives there, hot", "h * maximum(I_m * (1 - exp(-(n_a - n_0) / tau)), 0)", gives, "current",
        {"h": own.hot, "I_m": top, "n_a": turns, "n_0": own.cut_in, "tau": tau}, "iso8854",
    )  # fmt: skip


def _crank(w: Working, context: Context, facts: ElectricsFacts) -> None:
    found = cranking.cold(context, facts, facts.coldest)
    if found is None or facts.battery.amps is None:
        return
    share = battery.STANDARDS[facts.battery.standard].share
    by = charging.nominal(facts) / 12.0
    w.add(
        "R_b", "Batteries' resistance, cold", "5.1 / (I_c / s) * 0.52 ** ((T - 255.15) / 43) * k / n", found.battery, "resistance",
        {"I_c": facts.battery.amps, "s": share, "T": facts.coldest, "k": by, "n": facts.battery.count}, "common practice",
    )  # fmt: skip
    ways = 2.0 if facts.back == "cable" else 1.0
    w.add(
        "R_l", "Leads and the way back", "r * L * w + R_j", found.leads, "resistance",
        {"r": wires.per_metre(_area(facts), facts.coldest), "L": facts.lead.length if facts.lead.length is not None else 0.0, "w": ways, "R_j": facts.body},
        "iso6722",
    )  # fmt: skip
    k = starter.K * by
    turns = likely(found.turned.speed) > 0.0
    if turns:
        w.add(
        "I", "Current cranking", "(T_e / (r * 0.85) + 1.5) / k", found.turned.amps, "current",
        {"T_e": found.torque, "r": facts.starter.ratio, "k": k}, "common practice",
        )  # fmt: skip
    volts = battery.OPEN * by
    w.add(
        "V_b",
        "Left at the posts",
        "V_0 - I * R_b",
        found.turned.at_battery,
        "voltage",
        {"V_0": volts, "I": found.turned.amps, "R_b": found.battery},
        "arithmetic",
    )
    if turns:
        w.add(
            "n_c", "Engine turned", "(V_0 - I * (R_b + R_l + R_s)) / k / r * 30 / pi", found.turned.speed, "speed_rpm",
            {"V_0": volts, "I": found.turned.amps, "R_b": found.battery, "R_l": found.leads, "R_s": found.own, "k": k, "r": facts.starter.ratio, "pi": np.pi},
            "common practice",
        )  # fmt: skip


def _area(facts: ElectricsFacts) -> float:
    return likely(facts.lead.area) if facts.lead.area is not None else 1e-6


def _runs(w: Working, facts: ElectricsFacts) -> None:
    found = runs.all_of(facts)
    if not found:
        return
    run = max(found, key=lambda r: likely(r.drop) / r.allowed)
    ways = 2.0 if run.facts.back == "wire" else 1.0
    w.add(
        "V_w", f"Lost in the worst run, {run.name.lower()}", "I * r * L * w", run.drop, "voltage",
        {"I": run.amps, "r": wires.per_metre(as_array(run.facts.area if run.facts.area is not None else 1e-6)),
         "L": run.facts.length if run.facts.length is not None else 0.0, "w": ways},
        "iso6722",
    )  # fmt: skip


def _speed(w: Working, facts: ElectricsFacts) -> None:
    there, own, found = speed.there_km(facts), facts.speed, speed.of(facts)
    if there is None or own.teeth is None or own.final is None or own.radius is None:
        return
    w.add(
        "p", "Pulses a kilometre", "1000 * z * i / (2 * pi * r)", there, "count",
        {"z": own.teeth, "i": own.final, "r": own.radius, "pi": np.pi}, "arithmetic",
    )  # fmt: skip
    if found is not None:
        w.add(
            "s", "Shown over true", "p * a / b / p_w", found.shown, "ratio",
            {"p": there, "a": own.times, "b": own.by, "p_w": found.wants}, "unr39",
        )  # fmt: skip


def _senders(w: Working, facts: ElectricsFacts) -> None:
    for sender in senders.all_of(facts):
        read = senders.reads(sender)
        if read is None or sender.own is None or sender.facts.goes != "gauge":
            continue
        series, parallel = sender.network
        at = int(np.argmax(np.abs(read.error)))
        own = float(sender.own.ohm(read.true[at]))
        across = 0.0 if not np.isfinite(parallel) else 1.0 / parallel
        w.add(
            "R_g", f"The gauge of {sender.name.lower()} sees, where it is most off", "1 / (g + 1 / (R_s + R_x))",
            curves.seen(own, series, parallel), "ohms", {"g": across, "R_s": series, "R_x": own}, "arithmetic",
        )  # fmt: skip
        return
