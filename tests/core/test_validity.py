"""Every range is looked at where its relation is used; a notice reaches the report, once for each part and duty."""

import pkgutil
from collections import Counter
from importlib import import_module
from typing import Any
from unittest import mock

import numpy as np

import gauge_well.core
from gauge_well.core.duty.facts import DutyFacts
from gauge_well.core.engine import friction
from gauge_well.core.engine.facts import EngineFacts
from gauge_well.core.facts import specs
from gauge_well.core.flow import gas_pipe, pipe
from gauge_well.core.heat import louvred_fin, plate_fin, tube_side
from gauge_well.core.media import air, coolant, oils
from gauge_well.core.media.fuels import VAPOUR_HIGH, VAPOUR_LOW
from gauge_well.core.run import sizing
from gauge_well.core.run.memory import Memory
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.validity import OUTSIDE, Look, Notice, Range, looked
from gauge_well.services.sizing import size_document
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, case_of, changed

HOT_GRADE = [{"id": "grade", "kind": "road", "speed": "70 km/h", "grade": "12 %", "ambient": "45 C"}]
STANDS = [{"id": "idle", "kind": "idle", "ambient": "30 C"}]
GALE = [
    {
        "id": "gale",
        "kind": "typed",
        "engine_power": "40 kW",
        "engine_speed": "4000 rpm",
        "air_speed": "425 km/h",
        "ambient": "0 C",
    }
]
FROST = [{"id": "start", "kind": "pull", "ambient": "-40 C", "start": "cold", "duration": "1 s"}]
WORKS = [{"id": "work", "kind": "work", "ambient": "40 C"}]
PULL = [{"id": "pull", "kind": "pull", "ambient": "45 C"}]
ROUND = {"cooling__core__tubes": "plate", "cooling__core__tube_diameter": "9 mm"}
BLOWN = {"engine__aspiration": "turbo", "engine__boost": "3 bar", "engine__rated_power": "330 kW"}
FAR_OVER_ITS_OWN = {"engine__aspiration": "turbo", "engine__rated_power": "60 kW", "wanted": "300 kW"}
LEAN_HEAT = {"engine__coolant_share": "6 %", "engine__oil_share": "0 %", "engine__bsfc": "430 g/kWh"}

# What a sheet says for a relation to be used beyond either end of its range: (range, side) -> section__field: text.
BEYOND = {
    (louvred_fin.REYNOLDS, "below"): {"cooling__fan__drive": "none", "duties": STANDS},
    (louvred_fin.REYNOLDS, "above"): {
        "cooling__core__louvre_pitch": "4 mm",
        "cooling__opening": "ducted",
        "cooling__core__fin_count": "3.9 fpi",
        "duties": GALE,
    },
    (louvred_fin.DEPTH, "below"): {"cooling__core__depth": "12 mm"},
    (louvred_fin.DEPTH, "above"): {"cooling__core__depth": "80 mm"},
    (louvred_fin.PITCH, "above"): {"cooling__core__fin_count": "6.4 fpi"},
    (louvred_fin.LOUVRE_PITCH, "above"): {"cooling__core__louvre_pitch": "3.5 mm"},
    (louvred_fin.LOUVRE_ANGLE, "below"): {"cooling__core__louvre_angle": "8.1 deg"},
    (louvred_fin.LOUVRE_ANGLE, "above"): {"cooling__core__louvre_angle": "38 deg"},
    (plate_fin.REYNOLDS, "below"): {**ROUND, "cooling__fan__drive": "none", "duties": STANDS},
    (plate_fin.REYNOLDS, "above"): {
        **ROUND,
        "cooling__core__tube_diameter": "30 mm",
        "cooling__core__tube_across": "60 mm",
        "cooling__core__fin_count": "3.9 fpi",
        "cooling__opening": "ducted",
        "duties": GALE,
    },
    (plate_fin.TUBE, "below"): {**ROUND, "cooling__core__tube_diameter": "5 mm"},
    (plate_fin.TUBE, "above"): {**ROUND, "cooling__core__tube_diameter": "14 mm"},
    (plate_fin.PITCH, "below"): {**ROUND, "cooling__core__fin_count": "25 fpi"},
    (plate_fin.ACROSS, "below"): {**ROUND, "cooling__core__tube_across": "14 mm"},
    (plate_fin.ACROSS, "above"): {**ROUND, "cooling__core__tube_across": "40 mm"},
    (plate_fin.ALONG, "below"): {**ROUND, "cooling__core__tube_along": "11 mm"},
    (plate_fin.ALONG, "above"): {**ROUND, "cooling__core__tube_along": "30 mm"},
    (coolant.SHARE_RANGE, "above"): {"cooling__glycol": "60 %"},
    (coolant.TEMPERATURE_RANGE, "below"): {"duties": FROST},
    (coolant.TEMPERATURE_RANGE, "above"): {"cooling__core__width": "150 mm", "duties": HOT_GRADE},
    (oils.TEMPERATURE_RANGE, "below"): {"duties": FROST},
    (oils.TEMPERATURE_RANGE, "above"): {**FAR_OVER_ITS_OWN, "oil__cooler__into": "none", "duties": WORKS},
    (friction.SPEED_RANGE, "below"): {"engine__idle_speed": "420 rpm", "duties": STANDS},
    (friction.SPEED_RANGE, "above"): {"engine__rated_speed": "7600 rpm", "duties": PULL},
    (air.CP_RANGE, "above"): {**BLOWN, "duties": PULL},
    (tube_side.TURBULENT, "below"): {"exhaust__pipe__diameter": "100 mm", "duties": STANDS},
    (air.CONDUCTIVITY_RANGE, "above"): {**LEAN_HEAT, "duties": PULL},
    (gas_pipe.BEND_RANGE, "below"): {"exhaust__pipe__bends": "180 deg", "exhaust__pipe__bend_ratio": "0.6"},
    (gas_pipe.BEND_RANGE, "above"): {"exhaust__pipe__bends": "180 deg", "exhaust__pipe__bend_ratio": "10"},
    (pipe.ROUGHNESS_RANGE, "above"): {"exhaust__pipe__roughness": "1 mm", "exhaust__pipe__diameter": "20 mm"},
}
FIXED = {
    louvred_fin.DEPTH.of("the charge cooler"): {
        "cooling__charge_front": "yes",
        "cooling__charge_cooler__depth": "90 mm",
    }
}
CHARGE = {"cooling__charge_cooler__width": "500 mm", "cooling__charge_cooler__height": "200 mm"}


def ranges() -> set[Range]:
    """Every range that stands in a module of the core."""
    modules = pkgutil.walk_packages(gauge_well.core.__path__, "gauge_well.core.")
    return {v for m in modules for v in vars(import_module(m.name)).values() if isinstance(v, Range)}


def said(changes: dict[str, Any]) -> list[dict[str, Any]]:
    """Notices of what lies outside, of a whole report; each once for a part and a duty of its system."""
    found = size_document(changed(ROAD, **changes), explain="none")
    every = []
    for block in found["systems"].values():
        own = [n for n in block["notices"] if n["code"] == OUTSIDE]
        most = max(Counter((n["part"], n["duty"]) for n in own).values(), default=0)
        assert most <= 1, own
        every += own
    return every


class Ranges(NumbersCase):
    def test_each_is_driven_from_both_sides(self) -> None:
        """A side that no stated fact can reach has no words, so that none are written in vain."""
        for range_ in ranges():
            for side in ("below", "above"):
                with self.subTest(range_.what, side=side):
                    self.assertEqual((range_, side) in BEYOND, bool(getattr(range_, side)))

    def test_a_notice_reaches_the_report(self) -> None:
        for (range_, side), changes in BEYOND.items():
            with self.subTest(range_.what, side=side):
                mine = [n for n in said(changes) if n["sentence"].startswith(range_.what)]
                self.assertTrue(mine, [n["sentence"] for n in said(changes)])
                for notice in mine:
                    self.assertIn(getattr(range_, side), notice["sentence"])
                    self.assertIn("starts at" if side == "below" else "ends at", notice["sentence"])
                    self.assertNotRegex(notice["sentence"], r"[{}]|  |nan|e\+")
                    self.assertTrue(notice["part"] and notice["field"])

    def test_inside_nothing_is_said(self) -> None:
        self.assertEqual(said({}), [])

    def test_what_stands_ahead_of_the_core_is_named(self) -> None:
        for range_, changes in FIXED.items():
            found = said(changes | CHARGE)
            self.assertEqual([n["part"] for n in found], ["stack"])
            self.assertTrue(found[0]["sentence"].startswith(range_.what))

    def test_every_range_is_looked_at(self) -> None:
        """In whole reports of two plain builds that use every relation: louvred fins, then round tubes."""
        seen: set[Range] = set()
        own = Range.notice

        def noting(self: Range, *args: object) -> Notice | None:
            seen.add(self)
            return own(self, *args)  # type: ignore[arg-type]

        with mock.patch.object(Range, "notice", noting):
            for changes in ({"exhaust__pipe__bends": "90 deg"}, ROUND):
                report = sizing.size(case_of(changed(ROAD, **changes)), memory=Memory(0))
                self.assertEqual(set(report.systems), {"engine", *SYSTEMS} - {"boat"})
        self.assertEqual(seen, ranges())

    def test_what_a_field_allows_keeps_other_relations_inside(self) -> None:
        """Those without a range of their own to look at: their fields refuse what lies beyond."""
        duty, loop, rows = (specs(DutyFacts), specs(CoolingFacts), specs(CoolingFacts)["core.rows"])
        altitude, cap = duty["altitude"], loop["cap_pressure"]
        self.between([altitude.low, altitude.high], -500.0, 11_000.0, "iso2533, below the tropopause")
        held = [air.pressure_isa(altitude.high) + cap.low, air.pressure_isa(altitude.low) + cap.high]
        self.between(held, 20e3, 600e3, "boiling point")
        self.between([rows.low, rows.high], 1.0, 6.0, "wang2000")
        fuel = specs(FuelFacts)["fuel_temperature"]
        self.assertEqual((fuel.low, fuel.high), (VAPOUR_LOW, VAPOUR_HIGH))
        limit = specs(EngineFacts)["coolant_limit"]
        self.between([limit.low, limit.high], coolant.T_CLAMP_LOW, coolant.T_CLAMP_HIGH)

    def test_ends_are_inside(self) -> None:
        for range_ in ranges():
            span = range_.high - range_.low
            for value, outside in (
                (range_.low, False),
                (range_.high, False),
                (range_.low - 1e-6 * span, True),
                (range_.high + 1e-6 * span, True),
                (float("inf"), False),
                (float("nan"), False),
            ):
                self.assertEqual(range_.notice(value, "part", "field") is not None, outside, f"{range_.what} {value}")

    def test_the_first_look_speaks_for_its_part(self) -> None:
        one, two = (Range(name, 0.0, 1.0, "x", above="Mind.") for name in ("One", "Two"))
        over = [np.array([first, second])[None, :, None] for first, second in ((2.0, 0.5), (3.0, 3.0))]
        looks = [Look(one, over[0], "a", "f"), Look(two, over[1], "a", "g"), Look(two, 3.0, "b", "g")]
        found = [(n.part, n.duty, n.field) for n in looked(looks, [("d", "Day"), ("n", "Night")])]
        self.assertEqual(found, [("a", "d", "f"), ("a", "n", "g"), ("b", "", "g")])


class Fins(NumbersCase):
    def test_rows_that_do_not_fit_the_depth_are_refused(self) -> None:
        """Six flat tubes of 2 mm with 1.5 mm between take 19.5 mm (arithmetic): no 12 mm core holds them."""
        with self.assertRaises(SheetError) as caught:
            size_document(changed(ROAD, cooling__core__depth="12 mm", cooling__core__rows="6"))
        self.assertEqual(caught.exception.problems[0].field, "cooling.core.rows")
        self.assertEqual(said({"cooling__core__depth": "40 mm", "cooling__core__rows": "2"}), [])
