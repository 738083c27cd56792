"""The working of mounts: torque that is reacted, loads, rock, modes, brackets."""

from __future__ import annotations

import numpy as np

from gauge_well.core.parts.bracket import WELDERS, section_of, weld_of
from gauge_well.core.strength.weld import fatigue_fill
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.mounts import brackets
from gauge_well.core.systems.mounts.brackets import SPECTRUM, THROAT, Braced, braced, lacks
from gauge_well.core.systems.mounts.facts import MountsFacts
from gauge_well.core.systems.mounts.model import DAMPED, Held, shake
from gauge_well.core.typing import Value, as_array, likely
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: MountsFacts, found: Held, index: int) -> list[Step]:
    """From the engine's torque to what each mount carries and each bracket stands."""
    w = Working(index)
    _torque(w, context, facts, found)
    _loads(w, found)
    _shakes(w, context, found)
    for item in braced(facts.brackets, len(found.stood.feet)):
        if not lacks(item):
            _bracket(w, found, item)
    return w.steps


def _torque(w: Working, context: Context, facts: MountsFacts, found: Held) -> None:
    torque = found.torque
    times = likely(torque.output) / likely(torque.engine)
    w.add(
        "T_out",
        "Torque behind its lowest gear, at the wanted power",
        "T * i",
        torque.output,
        "torque",
        {"T": torque.engine, "i": times},
        "arithmetic",
    )
    if np.isfinite(torque.cap).all():
        w.add(
            "T",
            "What the unit reacts: no more than the tyres let pass",
            "minimum(T_out, T_grip)",
            np.minimum(torque.output, torque.cap),
            "torque",
            {"T_out": torque.output, "T_grip": torque.cap},
            "gillespie1992",
        )


def _loads(w: Working, found: Held) -> None:
    stood = found.stood
    rest = found.shocked.carried[:, 0, :, 2]
    sums = {f"F_{k}": rest[:, k] for k in range(len(stood.feet))}
    w.add(
        "W",
        "All mounts together carry its weight upright to the engine",
        " + ".join(sums),
        rest.sum(axis=1),
        "force",
        sums,
        "thomson1993, ch. 6",
    )
    for k, foot in enumerate(stood.feet):
        u = stood.travels(found.shocked.q[:, :1] + stood.rest[:, None])[:, 0, k, 2]
        w.add(
            f"F_rest_{k + 1}",
            f"{foot.name}: stiffness times how far it sinks",
            "k * s",
            rest[:, k],
            "force",
            {"k": stood.rates.reshape(len(u), -1, 3)[:, k, 2], "s": -u},
            "thomson1993, ch. 6",
        )


def _shakes(w: Working, context: Context, found: Held) -> None:
    idle = likely(context.engine.facts.idle_speed)
    at = context.engine.facts.firing(idle)
    facts = context.engine.facts
    w.add(
        "f",
        "Firings a second at idle",
        "N / 60 * z / r",
        at,
        "frequency",
        {"N": idle, "z": facts.cylinders, "r": facts.strokes_per_cycle_rev},
        "heywood1988, ch. 2",
    )
    w.add(
        "T_shake",
        "Share of the shake that passes",
        "sqrt((1 + (2 * z * f / f_n) ** 2) / ((1 - (f / f_n) ** 2) ** 2 + (2 * z * f / f_n) ** 2))",
        shake(context, found),
        "share",
        {"f": at, "f_n": found.modes.of("roll"), "z": DAMPED},
        "thomson1993, ch. 3",
    )


def _bracket(w: Working, found: Held, item: Braced) -> None:
    own, where = item.facts, item.where
    force, case = brackets.shock_on(found, item.foot)
    section = section_of(own, where)
    arm, aside = as_array(own.arm if own.arm is not None else 0.0), as_array(own.aside)
    names: dict[str, Value] = {
        "F": force,
        "L": arm,
        "W": section.modulus,
        "e": aside,
        "q": section.twist,
        "A": section.shear,
    }
    w.add(
        f"s_{item.id}",
        f"{item.name}, {case}: stress at its root",
        "sqrt((F * L / W) ** 2 + 3 * (F * e * q + F / A) ** 2)",
        brackets.stress(own, where, force),
        "stress",
        names,
        "shigley2004, ch. 4",
    )
    if own.welded != "yes":
        return
    rest = brackets.rest_on(found, item.foot)
    line = weld_of(own, where)
    at_rest = brackets.weld_stress(own, where, rest)
    w.add(
        f"w_{item.id}",
        f"{item.name}: stress in its weld's throat at rest",
        "sqrt((F * L / (Wu * a)) ** 2 + (F / (l * a) + F * e / (2 * Am * a)) ** 2)",
        at_rest,
        "stress",
        {"F": rest, "L": arm, "Wu": line.modulus, "a": own.throat, "l": line.length, "e": aside, "Am": line.round},
        "blodgett1966",
    )
    klass = THROAT[own.steel] * WELDERS[own.welder][1]
    terms = " + ".join(f"{n:g} / 2e6 * (2 * {g:g} * w / C) ** 3" for n, g in SPECTRUM)
    w.add(
        f"life_{item.id}",
        f"{item.name}: fill of its weld over a life",
        f"({terms}) ** (1 / 3)",
        fatigue_fill(klass, at_rest, SPECTRUM),
        "ratio",
        {"w": at_rest, "C": klass},
        "hobbacher2016",
    )
    if own.bolted == "yes":
        worked = brackets.bolted(own, where, force)
        w.add(
            f"slip_{item.id}",
            f"{item.name}: shock over what its bolts hold by friction",
            "F / (mu * n * F0)",
            worked.slip,
            "ratio",
            {"F": force, "mu": own.friction, "n": own.bolts, "F0": worked.preload},
            "shigley2004, ch. 8",
        )
