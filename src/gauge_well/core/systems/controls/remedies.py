"""Changes of the controls worth trying."""

from __future__ import annotations

from collections.abc import Iterator

from gauge_well.core.sentence import Sentence
from gauge_well.core.sizes import above, below
from gauge_well.core.systems.base import Candidate, Context
from gauge_well.core.systems.controls import model
from gauge_well.core.systems.controls.facts import ControlsFacts
from gauge_well.core.typing import likely

# Cylinders as they are made [m]; reservoirs [m3] (common practice).
CYLINDERS = tuple(d * 1e-3 for d in (15.9, 17.5, 19.05, 20.6, 22.2, 23.8, 25.4, 28.6))
RESERVOIRS = (1e-3, 2e-3, 3e-3, 5e-3)
ELECTRIC = 1.5e-3  # m3/s of an electric vacuum pump (common practice)


def candidates(context: Context, facts: ControlsFacts) -> list[Candidate]:
    """Each a step from what is there."""
    return [*_throttle(context, facts), *_vacuum(context, facts), *_clutch(facts), *_shift(facts), *_steer(facts)]


def _throttle(context: Context, facts: ControlsFacts) -> Iterator[Candidate]:
    wheel, left = model.wheel_for(facts), model.over_travel(facts)
    if wheel is not None and left is not None and facts.wheel is not None and likely(left) < 0.0:
        to = round(0.97 * likely(wheel), 4)
        yield Candidate("wheel", "throttle", Sentence("Throttle's wheel {a} → {b}", {"a": (likely(facts.wheel), "size"), "b": (to, "size")}), {"controls.wheel": to})  # fmt: skip
    if facts.cable is not None and facts.cable_way is not None and likely(facts.cable) < likely(facts.cable_way):
        to = round(1.1 * likely(facts.cable_way), 2)
        yield Candidate(
            "cable", "throttle", Sentence("A throttle cable of {b}", {"b": (to, "length")}), {"controls.cable": to}
        )
    if facts.springs is not None and likely(facts.springs) < 2.0:
        yield Candidate("springs", "throttle", Sentence("A second return spring"), {"controls.springs": 2.0})
    if facts.sleeve_ends == "body":
        yield Candidate(
            "sleeve", "throttle", Sentence("Its sleeve ended on the engine"), {"controls.sleeve_ends": "engine"}
        )
    if facts.spring is not None and model.returns(facts) is not None:
        yield Candidate("spring", "throttle", Sentence("Return spring {a} → {b}", {"a": (likely(facts.spring), "force"), "b": (1.5 * likely(facts.spring), "force")}), {"controls.spring": 1.5 * likely(facts.spring)})  # fmt: skip


def _vacuum(context: Context, facts: ControlsFacts) -> Iterator[Candidate]:
    if facts.booster != "vacuum":
        return
    now = likely(facts.reservoir)
    if facts.depth is not None:
        for more in [r for r in RESERVOIRS if r > now][:2]:
            yield Candidate(f"reservoir_{more:g}", "vacuum", Sentence("Reservoir {b}", {"b": (more, "volume")}), {"controls.reservoir": more})  # fmt: skip
    if facts.source in ("manifold", "none") or model.vacuumless(facts):
        depth = model.EXPECTED["pump"]
        yield Candidate("pump", "vacuum", Sentence("An electric vacuum pump"), {"controls.source": "electric", "controls.depth": depth, "controls.pump_flow": ELECTRIC})  # fmt: skip
    if facts.valve == "no":
        yield Candidate("valve", "vacuum", Sentence("A one-way valve at the manifold"), {"controls.valve": "yes"})
    yield Candidate("fluid", "vacuum", Sentence("Brakes helped by fluid instead"), {"controls.booster": "fluid"})


def _clutch(facts: ControlsFacts) -> Iterator[Candidate]:
    for name, label in (("master", "Clutch master"), ("slave", "Clutch slave")):
        own = getattr(facts, name)
        if own is None or facts.release == "cable":
            continue
        for size in [*below(CYLINDERS, likely(own), 1), *above(CYLINDERS, likely(own), 1)]:
            words = Sentence(f"{label} {{a}} → {{b}}", {"a": (likely(own), "size"), "b": (size, "size")})
            yield Candidate(f"{name}_{size:g}", "clutch_pedal", words, {f"controls.{name}": size})
    if likely(facts.gives) > 1.5e-3:
        yield Candidate("bracket", "clutch_pedal", Sentence("Pedal's bracket stiffened"), {"controls.gives": 1e-3})


def _shift(facts: ControlsFacts) -> Iterator[Candidate]:
    if facts.shifter == "rods" and facts.pivot == "body":
        yield Candidate("pivot", "shifter", Sentence("Lever pivoted on the unit"), {"controls.pivot": "unit"})
        yield Candidate("cables", "shifter", Sentence("Cables in place of rods"), {"controls.shifter": "cables"})
    if facts.above is not None and facts.below is not None:
        to = round(0.8 * likely(facts.above), 3)
        yield Candidate("lever", "shifter", Sentence("Lever {a} → {b}", {"a": (likely(facts.above), "length"), "b": (to, "length")}), {"controls.above": to})  # fmt: skip


def _steer(facts: ControlsFacts) -> Iterator[Candidate]:
    if facts.lowered is not None and abs(likely(facts.lowered)) > 1e-3:
        yield Candidate("rack", "steering", Sentence("Rack at its maker's height"), {"controls.lowered": 0.0})
    for id, own in facts.columns[1:-1]:
        if likely(own.forks) > 0.0:
            yield Candidate(
                f"forks_{id}", "steering", Sentence("Column's forks in line"), {f"controls.columns.{id}.forks": 0.0}
            )
