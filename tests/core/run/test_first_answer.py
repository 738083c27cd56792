"""The first minute: what a build of a few facts is told, sizes that can be bought, a claim that leads."""

import re
import unittest
from typing import Any

from gauge_well.core import sizes
from gauge_well.core.names import named
from gauge_well.sheet.starter import starter
from tests.support import NumbersCase, changed, report

BUGGY = {
    "kind": "off_road",
    "fuel": "diesel",
    "injection": "indirect",
    "aspiration": "natural",
    "power": "17 kW",
    "speed": "3400 rpm",
    "displacement": "0.9 L",
    "mass": "820 kg",
}
VAN = {
    "kind": "van",
    "fuel": "petrol_e10",
    "aspiration": "natural",
    "power": "280 kW",
    "speed": "5900 rpm",
    "displacement": "6.2 L",
    "cylinders": "8",
    "mass": "1900 kg",
}
CUTTER = {
    "kind": "boat",
    "fuel": "diesel",
    "power": "22 kW",
    "speed": "3000 rpm",
    "displacement": "1.3 L",
    "mass": "5200 kg",
    "waterline": "7.6 m",
    "heel": "20 deg",
    "task": "70 %",
}
PICK_UP = {
    "kind": "truck",
    "fuel": "petrol_e10",
    "aspiration": "turbo",
    "power": "330 kW",
    "speed": "7000 rpm",
    "displacement": "2.2 L",
    "cylinders": "4",
    "mass": "1700 kg",
}
LITRE_HOUR, CC_MINUTE = 1.0 / 3.6e6, 1.0 / 6e7


def built(said: dict[str, str], **fuel: str) -> dict[str, Any]:
    raw = starter(**said)
    return report(changed(raw, **{f"fuel__{name}": value for name, value in fuel.items()}))


def needs(found: dict[str, Any]) -> dict[str, Any]:
    return {n["quantity"]: n for block in found["systems"].values() for n in block["need"]}


class FewFacts(NumbersCase):
    def test_the_size_of_everything(self) -> None:
        """Nothing fitted: the first sentence is what to look for, and no rule has sentenced anything."""
        for said, asks in (
            (BUGGY, ("core and its fan", "of fuel", "of oil", "pipe of")),
            (VAN, ("core and its fan", "of fuel", "eight injectors", "of oil", "pipes of")),
            (CUTTER, ("of fuel", "of oil")),
        ):
            with self.subTest(said["kind"]):
                found = built(said)
                sentence = found["headline"]["sentence"]
                self.assertRegex(sentence, "^" + said["power"].replace(" ", r"\s") + " takes ")
                for words in asks:
                    self.assertIn(words, sentence)
                self.assertEqual(found["state"], "unknown")
                self.assertTrue(found["nothing_fitted"])
                self.assertEqual([r["part"] for r in found["rows"] if r["state"] == "short"], [])
        self.assertNotIn("core", built(CUTTER)["headline"]["sentence"], "raw water is not judged, so not sized either")

    def test_what_a_v8_drinks(self) -> None:
        """By hand: 280 kW at 0.31 kg/kWh of 0.75 kg/L, a fifth in reserve, is 139 L/h; eight injectors open 85 % of the
        time give 284 cc/min each (common practice)."""
        found = needs(built(VAN))
        self.close(found["pump_flow"]["value"], 139 * LITRE_HOUR, rel=0.08)
        self.close(found["injector_flow"]["value"], 284 * CC_MINUTE, rel=0.10)

    def test_a_claim_that_is_not_believable_leads(self) -> None:
        """330 kW at 7000 rpm from 2.2 L burns about 1900 kg of air an hour, twice what a boost of 1 bar lets in."""
        found = built(PICK_UP)
        self.assertFalse(found["claim"]["believable"])
        self.assertRegex(found["headline"]["sentence"], r"^330\s?kW from 2\.2\s?L takes \d+\s?kPa of boost")
        boost = re.search(r"takes (\d+)", found["headline"]["sentence"])
        assert boost is not None
        self.close(float(boost[1]), 230.0, rel=0.12)
        self.assertIn("core and its fan", found["headline"]["next"], "what it takes comes second")

    def test_a_lift_pump_with_room_holds(self) -> None:
        """17 kW take some 6 L/h, twice that with what spills: 40 L/h at 0.25 bar is plenty (common practice)."""
        found = built(BUGGY, main__flow="40 L/h", main__pressure="0.25 bar")
        pump = next(r for r in found["rows"] if r["part"] == "pump" and r["kind"] == "power")
        self.assertEqual(pump["state"], "holds")
        self.assertIn("What is stated holds", found["headline"]["sentence"])
        self.assertIn("not started; that takes", found["headline"]["next"])

    def test_a_pump_too_small_for_a_v8(self) -> None:
        """By hand 130 L/h less a fifth is 81 kg/h, good for 81 / 0.32 = 253 kW."""
        found = built(VAN, main__flow="130 L/h", main__pressure="4 bar")
        self.assertEqual(found["state"], "short")
        said = re.match(r"Good for (\d+) of 280", found["headline"]["sentence"])
        assert said is not None, found["headline"]["sentence"]
        self.close(float(said[1]), 253.0, rel=0.04)
        self.assertIn("fuel pump gives out first", found["headline"]["sentence"])


class Sold(NumbersCase):
    def test_every_need_that_can_be_bought(self) -> None:
        """From a 4 kW single to 500 kW: what is bought is at least what is needed, and is on the list."""
        listed = {
            "pump_flow": sizes.PUMPS,
            "injector_flow": sizes.INJECTORS,
            "core_face": [w * h for w, h in sizes.CORES],
        }
        small = {"kind": "road_car", "fuel": "petrol", "power": "4 kW", "speed": "5000 rpm", "displacement": "0.12 L"}
        large = VAN | {"power": "500 kW", "displacement": "8.2 L", "speed": "6500 rpm"}
        seen = set()
        for said in (small, BUGGY, VAN, PICK_UP, large):
            for quantity, need in needs(built(said)).items():
                shop = need["shop"]
                if not shop or shop["size"] is None or quantity not in listed:
                    continue
                seen.add(quantity)
                self.assertGreaterEqual(shop["size"], need["value"] * (1 - 1e-9), quantity)
                self.close(min(abs(s / shop["size"] - 1.0) for s in listed[quantity]), 0.0, abs=1e-9)
        self.assertEqual(seen, set(listed))

    def test_nothing_under_the_smallest(self) -> None:
        """A 9 kW twin drinks 40 cc/min a cylinder; injectors begin at 80 (common practice)."""
        twin = {"kind": "road_car", "fuel": "petrol", "power": "9 kW", "speed": "5500 rpm", "displacement": "0.5 L"}
        need = needs(built(twin | {"cylinders": "2"}))["injector_flow"]
        self.assertLess(need["value"], 80 * CC_MINUTE)
        self.assertRegex(need["shop"]["brief"], r"^two injectors of 80\scc/min, the smallest sold$")

    def test_over_the_largest(self) -> None:
        """No core sold sheds what 900 kW make on a hot grade: that is said, with a way out."""
        huge = VAN | {"power": "900 kW", "displacement": "16 L", "speed": "6000 rpm", "mass": "12000 kg"}
        found = built(huge)
        need = needs(found)["core_face"]
        self.assertIsNone(need["shop"]["size"])
        self.assertRegex(need["shop"]["sold"], "^no core does this: ")
        self.assertRegex(found["headline"]["sentence"], r"^900\skW takes more air than reaches a core, ")

    def test_rounding(self) -> None:
        self.assertEqual(sizes.at_least(sizes.HOSES, 0.038), 0.038, "what is there exactly is large enough")
        self.assertEqual(sizes.at_least(sizes.HOSES, 0.0381), 0.042)
        self.assertIsNone(sizes.at_least(sizes.HOSES, 0.2))
        self.assertEqual(sizes.fans_at_least(1.5), (2, 0.35, 0.75))
        self.assertIsNone(sizes.fans_at_least(3.0))
        self.close(sizes.poured(4.16e-3), 4.5e-3, abs=1e-12)
        self.close(sizes.poured(4.5e-3), 4.5e-3, abs=1e-12)
        self.assertEqual(sizes.above(sizes.PUMPS, 60 * LITRE_HOUR, 1), [90 * LITRE_HOUR])


class Names(unittest.TestCase):
    def test_in_a_sentence(self) -> None:
        self.assertEqual(named("engine.rated_power"), "rated power")
        self.assertEqual(named("duties.grade.ambient"), "air outside")
        self.assertNotIn("_", named("nowhere.to_be_found"))
