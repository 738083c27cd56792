"""What hangs on what, on graphs made by hand and against every set of leaves tried."""

import random
from itertools import combinations
from unittest import TestCase

from gauge_well.core.electrical import signals
from gauge_well.core.electrical.chain import Way, least, on, rings, way

HOUSE = {
    "light": [way("bulb current")],
    "current": [way("mains fuse"), way("battery")],
    "warm": [way("light stove")],
}


class On(TestCase):
    def test_all_of_one_way(self) -> None:
        self.assertEqual(on(HOUSE, {"bulb", "battery"}), {"bulb", "battery", "current", "light"})
        self.assertNotIn("light", on(HOUSE, {"bulb", "mains"}))

    def test_a_ring_never_comes_on(self) -> None:
        """Each waits for the other; from outside both come."""
        ring = {"a": [way("b")], "b": [way("a"), way("x")], "c": [way("c")], "d": [way("a")]}
        self.assertEqual(on(ring, set()), frozenset())
        self.assertEqual(rings(ring), [("a", "b"), ("c",)])
        self.assertEqual(on(ring, {"x"}), {"x", "a", "b", "d"})
        self.assertEqual(rings(ring, {"x"}), [("c",)])


class Least(TestCase):
    def test_what_is_shared_is_paid_once(self) -> None:
        """One program for three signals at 8, or a sensor of 3 for each of them."""
        chain = {"go": [way("p q r")]} | {n: [way("program"), way(f"sensor_{n}")] for n in "pqr"}
        costs = {"program": 8.0, **{f"sensor_{n}": 3.0 for n in "pqr"}}
        found = least(chain, "go", (), costs)
        assert found is not None
        self.assertEqual((found.leaves, found.cost), (frozenset({"program"}), 8.0))
        cheap = least(chain, "go", {"p"}, costs)
        assert cheap is not None
        self.assertEqual(cheap.cost, 6.0)

    def test_what_works_costs_nothing(self) -> None:
        found = least(HOUSE, "light", {"bulb", "battery"}, {"fuse": 1.0})
        assert found is not None
        self.assertEqual((found.leaves, found.cost), (frozenset(), 0.0))
        self.assertIsNone(least(HOUSE, "warm", {"bulb"}, {"battery": 1.0}))

    def test_a_ring_is_no_way(self) -> None:
        self.assertIsNone(least({"a": [way("b")], "b": [way("a")]}, "a", (), {}))

    def test_no_set_of_leaves_is_cheaper(self) -> None:
        """Sixty graphs at random, rings among them: every set of their leaves tried."""
        draw = random.Random(7)
        for _ in range(60):
            leaves = [f"l{i}" for i in range(6)]
            nodes = [f"n{i}" for i in range(5)]
            chain = {
                n: [
                    Way(frozenset(draw.sample(leaves + [m for m in nodes if m != n], draw.randint(1, 3))))
                    for _ in range(draw.randint(1, 3))
                ]
                for n in nodes
            }
            costs = {leaf: float(draw.randint(1, 9)) for leaf in leaves}
            sets = [c for k in range(7) for c in combinations(leaves, k) if "n0" in on(chain, c)]
            best = min((sum(costs[leaf] for leaf in c) for c in sets), default=None)
            found = least(chain, "n0", (), costs)
            self.assertEqual(None if found is None else found.cost, best)


class Catalogue(TestCase):
    def test_a_whole_engine_comes_on_by_its_signals_alone(self) -> None:
        for ignition in ("spark", "glow"):
            ids = signals.wanted(ignition)
            chain = signals.chain(ids)
            self.assertEqual(rings(chain, ids), [])
            self.assertLessEqual(set(signals.DOES), on(chain, ids))
            self.assertFalse({signals.SIGNALS[id].lost for id in ids} & {signals.KEPT})
            self.assertLess(set(ids), set(signals.wanted(ignition, road=True)))
            for id in ids:
                lost = signals.DOES.keys() - on(chain, set(ids) - {id})
                loss = signals.SIGNALS[id].lost
                self.assertEqual({signals.START: signals.FIRES, signals.LIMITS: signals.RUNS, signals.LAMP: signals.QUIET}[loss] in lost, True)  # fmt: skip

    def test_what_a_life_hangs_on_is_never_made_up(self) -> None:
        """Brakes, airbag, oil pressure, coolant temperature, neutral start, petrol vapour (common practice)."""
        never = {id for id, s in signals.SIGNALS.items() if s.never}
        self.assertEqual(never, {"brake", "crash", "oil_pressure", "coolant_temperature", "neutral", "purge"})
        self.assertFalse(any(signals.SIGNALS[id].mimic or signals.SIGNALS[id].drops for id in never))

    def test_names_as_pin_lists_have_them(self) -> None:
        for says, what in (
            ("Crankshaft position sensor +", "crank_position"), ("ECT / coolant temp", "coolant_temperature"), ("Power ground", "earth"),
            ("Fuel pump relay control", "pump"), ("Injector 3", "injectors"), ("CAN-H", "bus"), ("MAF signal", "air"),
            ("A/C pressure", "air_conditioning"), ("Brake light switch", "brake"), ("flux", "other"), ("", "other"),
        ):  # fmt: skip
            self.assertEqual(signals.named(says), what, says)
