"""Hands and tools, the way in and out, chains by hand, what cannot be."""

import unittest
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.run import contexts
from gauge_well.core.run.sampling import draw
from gauge_well.core.systems.fit.access import Reached, reached
from gauge_well.core.systems.fit.chains import chain, chains
from gauge_well.core.systems.fit.removal import NEEDED, Way, best_way
from gauge_well.core.systems.fit.rooms import solved
from tests.core.systems.fit.builds import fitted, solid, with_things
from tests.support import NumbersCase, case_of


def hands(raw: dict[str, Any]) -> dict[str, Reached]:
    case = case_of(raw)
    context, _ = contexts.make_context(case)
    facts = case.systems["fit"]
    return {r.id: r for r in reached(solved(context, facts).scene, facts)}


def way(raw: dict[str, Any], side: str, box: bool) -> Way:
    case = case_of(raw)
    context, _ = contexts.make_context(case)
    return best_way(solved(context, case.systems["fit"]).scene, case.systems["fit"], side, box)


class Hands(NumbersCase):
    def test_a_socket_ahead_of_the_crank(self) -> None:
        """130 mm stand before the pulley; socket and ratchet take just those: the radiator is in the way; 60 farther
        back it goes in."""
        self.assertEqual(hands(fitted())["crank"].reach, "no")
        self.assertEqual(hands(fitted())["crank"].by, "Radiator stack")
        self.assertEqual(hands(fitted(fit__from_panel="320 mm"))["crank"].reach, "now")

    def test_a_drain_near_the_ground_is_for_stands(self) -> None:
        """Well 110 over the floor: a socket and ratchet of 130 want it raised."""
        low = fitted(fit__crank_height="310 mm", fit__bay__member_top="60 mm")
        self.assertEqual(hands(low)["drain"].reach, "raised")
        self.assertEqual(hands(fitted())["drain"].reach, "now")

    def test_a_filter_by_its_end(self) -> None:
        """A fist of 190 beyond a filter's end, its end 60 from the rail: not reached."""
        near = solid(
            "filter",
            "unit",
            shape="round",
            ahead="300 mm",
            left="200 mm",
            over="-20 mm",
            diameter="80 mm",
            to_ahead="0 mm",
            to_left="130 mm",
            to_over="0 mm",
        )
        raw = with_things(fitted(fit__bay__rail_top="420 mm"), near)
        found = next(r for id, r in hands(raw).items() if id.startswith("filter"))
        self.assertEqual((found.reach, found.by), ("no", "Left rail"))


class Ways(NumbersCase):
    def test_straight_up_where_nothing_is_over_it(self) -> None:
        """The engine alone in a bay whose wall stands 100 behind it, drawn off nothing: up, bonnet off."""
        found = way(fitted(fit__gearcase__there="no"), "above", True)
        self.assertTrue(found.goes)
        self.assertEqual(list(found.off), [])
        self.assertEqual([(leg.ahead, leg.pitch) for leg in found.legs], [(0.0, 0.0)])

    def test_a_gearbox_under_its_tunnel_does_not_come_up(self) -> None:
        """With the gearbox on, the tunnel holds it however it is tilted by thirty degrees in a short bay."""
        found = way(fitted(), "above", True)
        self.assertFalse(found.goes)
        self.assertLess(found.gap, NEEDED)
        self.assertIn(found.nearest, ("tunnel", "bulkhead"))

    def test_from_below_what_crosses_must_be_off(self) -> None:
        """The crossmember lies under the pan; steering too."""
        found = way(fitted(), "below", True)
        self.assertTrue(found.goes)
        self.assertIn("member", found.off)
        self.assertTrue(all(leg.up <= 0.0 for leg in found.legs))

    def test_alone_it_is_drawn_off_its_gearbox_first(self) -> None:
        """By 180 mm of input shaft, so the radiator is off where 130 stand before the pulley."""
        found = way(fitted(fit__gearcase__spigot="180 mm"), "above", False)
        self.assertGreaterEqual(max(leg.ahead for leg in found.legs), 0.18)
        self.assertIn("stack", found.off)

    def test_across_the_machine_it_is_drawn_off_to_its_front(self) -> None:
        """The pulley of a transverse engine faces left: so does the way off its gearbox; a shaft as long as may be."""
        raw = fitted(
            installation__lie="front_trans",
            fit__bay__rails="1.4 m",
            fit__bay__wings="1.6 m",
            fit__gearcase__spigot="600 mm",
        )
        found = way(raw, "above", False)
        self.assertGreaterEqual(max(leg.left for leg in found.legs), 0.6 - 1e-9)
        self.assertLess(max(abs(leg.ahead) for leg in found.legs), 1e-9)

    def test_ahead_of_the_rear_axle_it_is_drawn_to_the_bulkhead(self) -> None:
        found = way(
            fitted(installation__lie="mid", fit__bay__length="1500 mm", fit__gearcase__spigot="150 mm"), "above", False
        )
        self.assertGreater(max(leg.ahead for leg in found.legs), 0.14)

    def test_what_was_put_there_can_be_taken_away(self) -> None:
        over = solid(
            "battery",
            "body",
            shape="box",
            ahead="0.1 m",
            left="0 mm",
            over="880 mm",
            long="200 mm",
            wide="200 mm",
            high="100 mm",
        )
        found = way(with_things(fitted(fit__gearcase__there="no"), over), "above", True)
        self.assertTrue(found.goes and len(found.off) == 1, found)


class Chains(NumbersCase):
    def test_by_hand(self) -> None:
        """Worst case the sum, by squares the root; the hook of the tape, which all share, added straight to both."""
        case = case_of(
            fitted(
                **{
                    f"fit__{n}": {"text": v, "evidence": "taped", "tolerance": t}
                    for n, v, t in (
                        ("bay__length", "950 mm", "3 mm"),
                        ("from_panel", "260 mm", "2 mm"),
                        ("unit__length", "600 mm", "2 mm"),
                    )
                }
            )
        )
        drawn = draw(case, 1024, model=False).case.systems["fit"]
        found = chain(
            drawn, "rear", "Behind", [(1, "bay.length", 1.0), (-1, "from_panel", 1.0), (-1, "unit.length", 1.0)]
        )
        assert found is not None
        self.close(found.left, 0.95 - 0.26 - 0.60, abs=1e-12)
        self.close(1e3 * found.worst, 3.0 + 2.0 + 2.0 + 1.0, rel=0.06)
        self.close(1e3 * found.rss, np.sqrt(17.0) + 1.0, rel=0.06)
        self.close(found.slot, 2.0 * found.rss, abs=1e-12)

    def test_every_lie_has_its_chains(self) -> None:
        for lie, ids in (
            ("front_long", {"front", "rear", "top", "low", "ground", "left", "right"}),
            ("front_trans", {"front", "across", "top", "low", "ground"}),
            ("boat", {"front", "rear", "top", "ground", "left", "right"}),
        ):
            facts = case_of(fitted(installation__lie=lie)).systems["fit"]
            self.assertEqual({c.id for c in chains(facts, lie)}, ids, lie)

    def test_rail_to_rail_across(self) -> None:
        """960 between the rails, engine 600 and gearbox 57 + 250: 53 over both ends."""
        raw = fitted(
            installation__lie="front_trans",
            fit__bay__rails="960 mm",
            fit__gearcase__bell_length="57 mm",
            fit__gearcase__length="250 mm",
        )
        found = {c.id: c for c in chains(case_of(raw).systems["fit"], "front_trans")}
        self.close(found["across"].left, 0.053, abs=1e-9)


class Refused(unittest.TestCase):
    def refused(self, raw: dict[str, Any]) -> str:
        with self.assertRaises(CoreError) as caught:
            contexts.validate(case_of(raw))
        return caught.exception.field

    def test_sizes_that_contradict(self) -> None:
        for paths, field in (
            ({"fit__unit__pan_shallow": "250 mm"}, "fit.unit.pan_shallow"),
            ({"fit__unit__well_length": "700 mm"}, "fit.unit.well_length"),
            ({"fit__bay__wings": "800 mm"}, "fit.bay.rails"),
            ({"fit__bay__stack_depth": "1.2 m"}, "fit.bay.stack_depth"),
            ({"fit__bay__member_rear": "200 mm"}, "fit.bay.member_rear"),
        ):
            self.assertEqual(self.refused(fitted(**paths)), field)

    def test_things_that_are_no_solid(self) -> None:
        flat = solid(
            "metal",
            "body",
            shape="points",
            points="1, 0 mm, 0 mm, 100 mm\n1, 100 mm, 0 mm, 100 mm\n1, 0 mm, 100 mm, 100 mm\n1, 100 mm, 100 mm, 100 mm",
        )
        self.assertRegex(self.refused(with_things(fitted(), flat)), r"fit\.solids\..*\.points")
        point = solid(
            "pipe",
            "body",
            shape="round",
            ahead="0 mm",
            left="0 mm",
            over="100 mm",
            diameter="50 mm",
            to_ahead="0 mm",
            to_left="0 mm",
            to_over="0 mm",
        )
        self.assertRegex(self.refused(with_things(fitted(), point)), r"to_ahead")

    def test_what_a_thing_lacks_is_named(self) -> None:
        case = case_of(with_things(fitted(), solid("battery", "body", shape="box", ahead="0 mm")))
        context, _ = contexts.make_context(case)
        from gauge_well.core.errors import MissingFact

        with self.assertRaises(MissingFact) as caught:
            solved(context, case.systems["fit"])
        self.assertRegex(caught.exception.field, r"fit\.solids\.\w+\.left")
