"""Block to bearing by hand, and every stack that cannot be said by name."""

from typing import Any

import numpy as np

from gauge_well.services import sizing
from gauge_well.sheet import SheetError
from tests.core.systems.driveline.builds import CLUTCH, INPUT, STACK, block, build, check
from tests.support import NumbersCase, context_of, drawn, facts_of

WHEEL = {"flywheel__ring_at": "2 mm", "flywheel__ring_width": "12 mm", "starts_on": "bell"}
TEETH = {
    "flywheel__ring_teeth": "130",
    "flywheel__ring_across": "330 mm",
    "pinion_teeth": "11",
    "pinion_across": "32.5 mm",
}
AUTO: dict[str, Any] = {"gearbox": "automatic"}


def says(found: dict[str, Any], begins: str) -> str:
    return str(check(found, begins)["sentence"])


class Bearing(NumbersCase):
    def test_free_way_by_hand(self) -> None:
        """12 + 130 - 48.5 less 20 + 26 + 45: 2.5 mm free; 10 mm to let go asks 12.5 of the pedal's 14."""
        found = block(**CLUTCH, **STACK)
        self.close(check(found, "bearing_free")["capacity"], 2.5e-3, abs=1e-12)
        frees = check(found, "bearing_frees")
        self.close([frees["demand"], frees["capacity"]], [12.5e-3, 14e-3], abs=1e-12)

    def test_a_spacer_takes_it_up(self) -> None:
        """Each mm under the flywheel takes one off the free way; 7 mm with an adapter of 18.5 as much as 0.5 of it."""
        found = block(**CLUTCH, **{**STACK, "spacer": "2 mm"})
        self.close(check(found, "bearing_free")["capacity"], 0.5e-3, abs=1e-12)
        self.assertEqual(check(found, "bearing_free")["state"], "short")
        asked = next(n for n in block(**CLUTCH, **{**STACK, "adapter": "16.5 mm"})["need"] if n["part"] == "stack")
        self.close(asked["value"], 5e-3, abs=1e-9)

    def test_never_touches(self) -> None:
        found = block(**CLUTCH, **{**STACK, "adapter": "26 mm"})
        self.assertIn("never touches", says(found, "bearing_free"))
        self.assertEqual(found["state"], "short")

    def test_presses_at_rest(self) -> None:
        self.assertIn("the clutch slips", says(block(**CLUTCH, **{**STACK, "spacer": "4 mm"}), "bearing_free"))

    def test_one_that_rides_is_pushed_back(self) -> None:
        """3 mm back is right, 0.5 too little, 6 bottoms, 1 off them is not riding."""
        for bearing, least, most in (
            ("54 mm", "holds", "holds"),
            ("51.5 mm", "short", "holds"),
            ("57 mm", "holds", "short"),
        ):
            found = block(**CLUTCH, **{**STACK, "bearing": bearing, "bearing_kind": "rides"})
            self.assertEqual(
                (check(found, "bearing_least")["state"], check(found, "bearing_most")["state"]), (least, most), bearing
            )
        found = block(**CLUTCH, **{**STACK, "bearing_kind": "rides"})
        self.assertIn("stands 2.5\xa0mm off", says(found, "bearing_free"))

    def test_what_is_missing_is_asked(self) -> None:
        found = block(**CLUTCH, **{k: v for k, v in STACK.items() if k != "bell"})
        self.assertEqual(next(u for u in found["unknown"] if u["check"] == "stack")["missing"], ["driveline.bell"])

    def test_root_of_the_squares(self) -> None:
        """Lengths taped apart, each to a hundredth or a tenth of a mm, add as the root of their squares."""
        taped = {**CLUTCH, **{k: {"text": v, "evidence": "taped"} for k, v in STACK.items()}}
        chain = sizing.view(build(**taped), "driveline", "stack", {})["data"]["chains"][0]
        halves = [max(0.01 * abs(link["value"]), 0.1e-3) for link in chain["links"] if link["name"] not in ("spacer",)]
        self.close(0.5 * (chain["high"] - chain["low"]), np.sqrt(np.sum(np.square(halves))), rel=0.05)


class Shaft(NumbersCase):
    def test_by_hand(self) -> None:
        """Tip at 12 - 10 = 2, bottom at 20 - 26 = -6: 8 mm short. Pilot from 4 to 18, nose from 2 to 18: 14 in it. Splines from 18,
        hub from 31 to 56: all 25 of it."""
        found = block(**CLUTCH, **STACK, **INPUT)
        for begins, length in (("shaft_room", 8e-3), ("pilot", 14e-3), ("splines", 25e-3)):
            self.close(check(found, begins)["capacity"], length, abs=1e-12, note=begins)

    def test_bottoms(self) -> None:
        found = block(**CLUTCH, **STACK, **{**INPUT, "reach": "20 mm"})
        self.assertIn("bottoms in the crank by 2\xa0mm", says(found, "shaft_room"))
        self.assertTrue(check(found, "shaft_room")["danger"])

    def test_misses_its_pilot(self) -> None:
        found = block(**CLUTCH, **STACK, **{**INPUT, "reach": "-8 mm"})
        self.assertIn("ends 2\xa0mm away from its pilot", says(found, "pilot"))

    def test_other_splines(self) -> None:
        found = block(**CLUTCH, **STACK, **INPUT, clutch__splines="26", splines="23")
        self.assertIn("26 splines do not go on a shaft with 23", says(found, "splines"))
        found = block(**CLUTCH, **STACK, **INPUT, clutch__bore="28 mm")
        self.assertIn("differ by 3\xa0mm", says(found, "splines"))


class Converter(NumbersCase):
    STACK = {"crank_flange": "20 mm", "adapter": "12 mm", "flywheel__pads": "15 mm"}

    def test_pulled_forward(self) -> None:
        """12 + 26 - 20 - 15 is 3 mm; of 22 it is crushed, of 30 it leaves the pump."""
        for inside, least, most in (("26 mm", "holds", "holds"), ("30 mm", "holds", "short")):
            found = block(machine=AUTO, converter_in=inside, **self.STACK)
            self.assertEqual(
                (check(found, "converter_least")["state"], check(found, "converter_most")["state"]), (least, most)
            )
        found = block(machine=AUTO, converter_in="22 mm", **self.STACK)
        self.assertIn("crushes", says(found, "converter_least"))

    def test_no_clutch_is_asked_of_it(self) -> None:
        found = block(machine=AUTO)
        self.assertFalse([u for u in found["unknown"] if u["part"] == "clutch"])
        self.assertFalse([n for n in found["need"] if n["part"] == "clutch"])


class Starter(NumbersCase):
    def test_covers_by_hand(self) -> None:
        """Ring from 22 to 34; thrown rearward from 12 + 6 to 12 + 20 = 32 it covers 10, standing 4 off at rest."""
        found = block(**STACK, **WHEEL, pinion_rest="6 mm", pinion_out="20 mm")
        self.close(check(found, "starter_mesh")["capacity"], 10e-3, abs=1e-12)
        self.close(check(found, "starter_rest")["capacity"], 4e-3, abs=1e-12)

    def test_thrown_forward(self) -> None:
        """From behind: at rest 40, thrown to 26: 8 of 12 covered, 6 off."""
        found = block(**STACK, **WHEEL, pinion_rest="28 mm", pinion_out="14 mm")
        self.close(check(found, "starter_mesh")["capacity"], 8e-3, abs=1e-12)
        self.close(check(found, "starter_rest")["capacity"], 6e-3, abs=1e-12)

    def test_does_not_reach(self) -> None:
        self.assertIn(
            "short of the ring's teeth",
            says(block(**STACK, **WHEEL, pinion_rest="0 mm", pinion_out="8 mm"), "starter_mesh"),
        )

    def test_teeth_of_one_pitch(self) -> None:
        """330 / 132 and 32.5 / 13 are both 2.5 mm; the pair runs at (330 + 32.5) / 2 - 5 = 176.25 mm."""
        found = block(**STACK, **TEETH, pinion_from="176.25 mm")
        self.close(check(found, "starter_pitch")["demand"], 0.0, abs=1e-12)
        self.close(check(found, "starter_depth")["demand"], 0.0, abs=1e-9)
        self.assertEqual(
            check(block(**STACK, **{**TEETH, "pinion_across": "39 mm"}), "starter_pitch")["state"], "short"
        )
        self.assertIn("skips", says(block(**STACK, **TEETH, pinion_from="178 mm"), "starter_depth"))
        self.assertIn("jams", says(block(**STACK, **TEETH, pinion_from="175.5 mm"), "starter_depth"))


class Flange(NumbersCase):
    def test_thread_behind_a_spacer(self) -> None:
        """28 mm less 10 of web and 6 of spacer leave 12; M10 asks 15 behind a spacer, 10 without."""
        spaced = block(**STACK, spacer="6 mm", flywheel__web="10 mm", bolt="10 mm", bolt_long="28 mm")
        self.close([check(spaced, "bolts")["capacity"], check(spaced, "bolts")["demand"]], [12e-3, 15e-3], abs=1e-12)
        plain = block(**STACK, flywheel__web="10 mm", bolt="10 mm", bolt_long="28 mm")
        self.assertEqual(check(plain, "bolts")["state"], "holds")

    def test_bottoming(self) -> None:
        found = block(**STACK, flywheel__web="10 mm", bolt="10 mm", bolt_long="40 mm", bolt_hole="24 mm")
        self.assertIn("bottom 6\xa0mm before they clamp", says(found, "bolts_bottom"))

    def test_patterns_that_do_not_go(self) -> None:
        pairs: list[tuple[dict[str, str], str]] = [
            ({"crank_seal": "one", "flywheel__seal": "two"}, "another bolt circle"),
            ({"crank_bolts": "6", "flywheel__bolts": "8"}, "8 holes for 6 bolts"),
            ({"crank_circle": "78 mm", "flywheel__circle": "89 mm"}, "89\xa0mm, the crank's on 78\xa0mm"),
            ({"crank_balance": "outside", "flywheel__balance": "inside"}, "shakes itself to pieces"),
        ]
        for facts, words in pairs:
            self.assertIn(words, " ".join(c["sentence"] for c in block(**STACK, **facts)["checks"]))
        self.assertEqual(block(**CLUTCH, **STACK, crank_seal="one", flywheel__seal="one")["state"], "holds")

    def test_spacers_are_steel(self) -> None:
        found = block(**STACK, spacer="2 mm", spacer_metal="alloy")
        self.assertTrue(check(found, "spacer")["danger"])

    def test_iron_at_speed(self) -> None:
        """Red line 6,500, a quarter over: iron of 290 mm stands two thirds of 150 MPa; of 350 it does not (common practice)."""
        for across, state in (("280 mm", "holds"), ("350 mm", "short")):
            self.assertEqual(
                check(block(**STACK, flywheel__across=across, flywheel__hole="40 mm"), "burst")["state"], state
            )
        self.assertEqual(
            check(block(**STACK, flywheel__across="350 mm", flywheel__metal="steel"), "burst")["state"], "holds"
        )


class Refused(NumbersCase):
    def test_by_name(self) -> None:
        for facts, words in (
            ({"clutch__outer": "200 mm", "clutch__inner": "210 mm"}, "clutch.inner"),
            ({"flywheel__across": "200 mm", "flywheel__hole": "200 mm"}, "flywheel.hole"),
        ):
            with self.assertRaises(SheetError) as caught:
                block(**facts)
            self.assertIn(words, str(caught.exception))


class Section(NumbersCase):
    def test_pieces_lie_where_the_chain_puts_them(self) -> None:
        raw = build(**CLUTCH, **STACK, **INPUT)
        found = drawn("driveline", "stack", context_of(raw), facts_of(raw, "driveline"))
        at = {p["id"]: (p["start"], p["end"]) for p in found["pieces"]}
        self.close(at["flywheel"], (20e-3, 46e-3), abs=1e-9)
        self.close(at["cover"][1], 91e-3, abs=1e-9)
        self.close(at["bearing"][0], 93.5e-3, abs=1e-9)
        chain = found["chains"][0]
        self.close(sum(link["sign"] * link["value"] for link in chain["links"]), chain["total"], abs=1e-12)
