"""The ledger, slings and hoists of whole builds, by hand; an aircraft's moments; what is wrong by name."""

import unittest
from typing import Any

import numpy as np

from gauge_well.core.errors import CoreError
from gauge_well.core.systems import SYSTEMS
from gauge_well.sheet import SheetError
from tests.core.systems.mounts.builds import on
from tests.support import ROAD, NumbersCase, case_of, changed, context_of, demo_document, report

G = 9.80665
WEIGHED = {
    "weights__front": "660 kg",
    "weights__rear": "520 kg",
    "weights__front_plate": "800 kg",
    "weights__rear_plate": "750 kg",
    "weights__unit_arm": "100 mm",
    "fit__bay__wheelbase": "2500 mm",
}


def item(what: str, goes: str, mass: str, arm: str, **facts: str) -> dict[str, Any]:
    return {"role": "weights.items", "facts": {"what": what, "goes": goes, "mass": mass, "arm": arm, **facts}}


OLD = (item("engine", "out", "120 kg", "50 mm", dress="bare"), item("gearbox", "out", "40 kg", "800 mm"))


def weighed(*parts: dict[str, Any], **paths: Any) -> dict[str, Any]:
    """A car whose axles were weighed, its old engine and gearbox out, the new ones in."""
    return on(*OLD, *parts, **(WEIGHED | paths))


def figures(raw: dict[str, Any]) -> dict[str, float]:
    return next(iter(report(raw)["systems"]["weights"]["figures"].values()))


def block(raw: dict[str, Any]) -> dict[str, Any]:
    return dict(report(raw)["systems"]["weights"])


def check(raw: dict[str, Any], id: str) -> dict[str, Any]:
    return next(c for c in block(raw)["checks"] if c["id"] == id)


def notices(raw: dict[str, Any], code: str) -> list[str]:
    return [n["sentence"] for n in block(raw)["notices"] if n["code"] == code]


class Ledger(NumbersCase):
    def test_by_hand(self) -> None:
        """Out: 120 kg bare, 1.32 times that as it ran, at 50 mm; 40 kg at 800. In: 218 kg at 100."""
        found = figures(weighed())
        front = 660.0 - 158.4 * (1 - 0.05 / 2.5) - 40.0 * (1 - 0.8 / 2.5) + 218.0 * (1 - 0.1 / 2.5)
        mass = 1180.0 - 158.4 - 40.0 + 218.0
        self.close(found["front_axle_kg"], front, rel=1e-9)
        self.close(found["mass_kg"], mass, rel=1e-9)
        self.close(found["rear_axle_kg"], mass - front, rel=1e-9)
        self.close(found["cg_x_m"], 2.5 * (mass - front) / mass, rel=1e-9)

    def test_dress(self) -> None:
        """A brochure's bare engine is a third lighter than what hangs on the mounts."""
        bare, wet = (figures(weighed(weights__dress=d))["unit_mass_kg"] for d in ("bare", "dry"))
        self.close(bare - 50.0, 160.0 * 1.32, rel=1e-9)
        self.close(wet - 50.0, 160.0 * 1.05, rel=1e-9)

    def test_plates(self) -> None:
        raw = weighed(weights__front_plate="600 kg")
        self.assertEqual(check(raw, "axle_front")["state"], "short")
        self.assertEqual(check(raw, "axle_rear")["state"], "holds")
        self.assertIn("its plate allows 600", check(raw, "axle_front")["sentence"].replace("\u00a0", " "))

    def test_ride_and_springs(self) -> None:
        """Heavier in front it sinks; the spring said keeps the frequency of what is sprung."""
        raw = weighed(weights__front_rate="22 N/mm", weights__unsprung="80 kg", weights__gearbox="120 kg")
        found = figures(raw)
        more = found["front_axle_kg"] - 660.0
        self.close(found["ride_change_front_m"], -more * G / 44e3, rel=1e-9)
        self.close(found["spring_rate_front_n_m"], 22e3 * (found["front_axle_kg"] - 80.0) / 580.0, rel=1e-9)
        self.assertTrue(any("Front springs" in n["sentence"] for n in block(raw)["need"]))

    def test_its_sum_is_a_claim(self) -> None:
        self.assertEqual(notices(weighed(machine__mass="1200 kg"), "ledger"), [])
        self.assertIn("One of the two is wrong", notices(weighed(machine__mass="1400 kg"), "ledger")[0])

    def test_its_place_from_fit(self) -> None:
        """Where nobody says where the unit's balance point comes to, fit's place does: 200 mm ahead of the bell's face, level."""
        place = {
            "fit__unit__length": "600 mm",
            "fit__unit__cover": "385 mm",
            "fit__bay__length": "950 mm",
            "fit__bay__rails": "860 mm",
            "fit__bay__edge": "850 mm",
            "fit__bay__panel_ahead": "700 mm",
            "fit__from_panel": "250 mm",
            "fit__crank_height": "400 mm",
        }
        raw = weighed(**place, weights__unit_arm=None)
        view = SYSTEMS["weights"].views["ledger"].show(context_of(raw), case_of(raw).systems["weights"], {})
        # Pulley 450 ahead of the axle line, bell's face 150 behind it, the balance point 50 ahead.
        self.close(view.lines[0].arm, -0.05, abs=1e-9)

    def test_stripped_on_its_stands(self) -> None:
        """With the engine out the light end tips: stands whose front ones stand behind the balance point are a danger."""
        raw = weighed(weights__stand_front="300 mm", weights__stand_rear="2300 mm")
        self.assertEqual(check(raw, "tips")["state"], "holds")
        tipping = weighed(weights__stand_front="-200 mm", weights__stand_rear="1350 mm")
        found = check(tipping, "tips")
        self.assertEqual((found["state"], found["danger"]), ("short", True))

    def test_what_is_missing_is_named(self) -> None:
        found = block(on(weights__front="660 kg"))
        self.assertEqual(found["unknown"][0]["missing"][0], "weights.rear")
        self.assertEqual(
            block(on(**WEIGHED | {"weights__unit_arm": None}))["unknown"][0]["missing"], ["weights.unit_arm"]
        )

    def test_a_boat_has_no_axles(self) -> None:
        raw = changed(ROAD, machine={"kind": "boat", "mass": "3 t"}, duties=[{"id": "full", "kind": "boat"}])
        self.assertEqual([u["check"] for u in block(raw)["unknown"]], ["hoist"])
        self.assertNotIn("front_axle_kg", figures(raw))

    def test_a_mass_of_nothing_is_refused_by_name(self) -> None:
        for path, value in (("engine__dry_mass", "0 kg"), ("weights__front", "0 kg")):
            with self.assertRaises(SheetError) as caught:
                report(changed(weighed(), **{path: value}))
            self.assertEqual(caught.exception.problems[0].field, path.replace("__", "."))
        with self.assertRaises(SheetError) as caught:
            report(weighed(item("other", "in", "0 kg", "1 m")))
        self.assertEqual(caught.exception.problems[0].field, "weights.items.item_3.mass")


class Scales(NumbersCase):
    def scales(self, raw: dict[str, Any]) -> Any:
        return SYSTEMS["weights"].views["scales"].show(context_of(raw), case_of(raw).systems["weights"], {})

    def test_on_a_beam(self) -> None:
        """120 and 100 kg, 1.1 m apart, the front scale 600 ahead of the bell's face: 500 mm behind that."""
        beam = {"beam_front": "120 kg", "beam_rear": "100 kg", "beam_apart": "1.1 m", "beam_ahead": "600 mm"}
        found = self.scales(on(**{f"weights__{n}": v for n, v in beam.items()}))
        self.close([found.mass, found.ahead, found.engine], [220.0, 0.1, 170.0], rel=1e-9)
        self.assertIsNone(found.height)

    def test_raised(self) -> None:
        raw = weighed(weights__raised_front="700 kg", weights__raised_by="600 mm", weights__axle_height="310 mm")
        level = np.sqrt(2.5**2 - 0.6**2)
        self.close(self.scales(raw).height, 0.31 + 40.0 * level * 2.5 / (1180.0 * 0.6), rel=1e-9)
        with self.assertRaises(CoreError) as caught:
            SYSTEMS["weights"].refuse(case_of(weighed(weights__raised_front="600 kg")).systems["weights"])
        self.assertEqual(caught.exception.field, "weights.raised_front")


SLUNG = {
    "weights__lift_front": "500 mm",
    "weights__lift_rear": "0 mm",
    "weights__lift_over": "300 mm",
    "weights__ring": "400 mm",
    "weights__leg_rated": "300 kg",
}


class Lifting(NumbersCase):
    def test_legs_by_hand(self) -> None:
        """218 kg under a ring 200 mm ahead of the bell's face, eyes 300 ahead and 200 behind it, 400 over them."""
        raw = on(**SLUNG)
        a, b = np.arctan2(0.3, 0.4), np.arctan2(0.2, 0.4)
        most = 218.0 * G * max(np.sin(a), np.sin(b)) / np.sin(a + b)
        self.close(figures(raw)["leg_tension_n"], most, rel=1e-9)
        self.close(check(raw, "leg")["demand"], most / G, rel=1e-9)
        self.close(figures(raw)["hang_rad"], 0.0, abs=1e-12)

    def test_hangs_by_hand(self) -> None:
        """The ring 60 mm ahead of the balance point and 600 over it."""
        raw = on(**SLUNG, weights__ring_ahead="260 mm")
        self.close(figures(raw)["hang_rad"], np.arctan2(0.06, 0.6), rel=1e-9)
        self.close(figures(raw)["hook_shift_m"], -0.06, rel=1e-9)
        self.assertIn("front up", notices(raw, "hang")[0])

    def test_a_hook_behind_the_engine(self) -> None:
        """Behind both eyes the legs hold nothing level: said by name, and over any rating."""
        raw = on(**SLUNG, weights__ring_ahead="-150 mm")
        self.assertIn("behind the eyes", notices(raw, "between")[0])
        found = check(raw, "leg")
        self.assertEqual((found["state"], found["danger"], found["fill"]), ("short", True, 9.99))
        self.assertIn("does not stand between the eyes", found["sentence"])

    def test_eyes_under_the_balance_point_are_a_danger(self) -> None:
        found = check(on(**SLUNG | {"weights__lift_over": "90 mm"}), "eyes")
        self.assertEqual((found["state"], found["danger"]), ("short", True))

    def test_flat_legs_are_said(self) -> None:
        self.assertIn("off upright", notices(on(**SLUNG | {"weights__ring": "120 mm"}), "steep")[0])

    def test_a_hoist_goes_by_its_plate(self) -> None:
        """1.25 times 218 kg at 1.0 m: of its holes the one at 1.1 counts; past the last nothing is allowed."""
        plate = "0.9 m, 1000 kg\n1.1 m, 250 kg"
        raw = on(weights__hoist__plate=plate, weights__hoist__reach="1.0 m")
        found = check(raw, "hoist")
        self.close([found["demand"], found["capacity"]], [1.25 * 218.0, 250.0], rel=1e-9)
        self.assertEqual(found["state"], "short")
        far = check(on(weights__hoist__plate=plate, weights__hoist__reach="1.2 m"), "hoist")
        self.assertEqual(far["fill"], 9.99)
        near = check(on(weights__hoist__plate=plate, weights__hoist__reach="0.9 m"), "hoist")
        self.assertEqual(near["state"], "holds")

    def test_no_plate_is_no_estimate(self) -> None:
        found = block(on(weights__hoist__reach="1.0 m"))
        hoist = next(u for u in found["unknown"] if u["check"] == "hoist")
        self.assertEqual(hoist["missing"], ["weights.hoist.plate"])

    def test_an_engine_alone(self) -> None:
        """Gearbox off, 50 kg that balanced 400 behind the face: what is left weighs 168 and balances farther ahead."""
        raw = on(weights__with_gearbox="engine", weights__gearbox_behind="400 mm", weights__stand_rated="200 kg")
        view = SYSTEMS["weights"].views["lifting"].show(context_of(raw), case_of(raw).systems["weights"], {})
        self.close(view.mass, 168.0, rel=1e-9)
        self.close(view.balance[0], (0.2 * 218.0 + 50.0 * 0.4) / 168.0, rel=1e-9)
        self.close(check(raw, "stand")["demand"], 1.5 * 168.0, rel=1e-9)

    def test_eyes_the_wrong_way_about(self) -> None:
        with self.assertRaises(CoreError) as caught:
            SYSTEMS["weights"].refuse(
                case_of(on(weights__lift_front="0 mm", weights__lift_rear="300 mm")).systems["weights"]
            )
        self.assertEqual(caught.exception.field, "weights.lift_front")


class Aircraft(NumbersCase):
    def setUp(self) -> None:
        self.raw = demo_document("thistle-kite")

    def moments(self, raw: dict[str, Any]) -> Any:
        return SYSTEMS["weights"].views["moments"].show(context_of(raw), case_of(raw).systems["weights"], {})

    def test_the_table_by_hand(self) -> None:
        """Masses times arms, added: with tanks full and burned out."""
        unit = 131.0 * 1.05 + 17.0
        rows = [(212.0, 0.742), (unit, -0.096), (88.0, 0.612), (52.0, 0.498), (4.0, 3.6)]
        full = sum(m * a for m, a in rows) / sum(m for m, _ in rows)
        dry = [r for r in rows if r[0] != 52.0]
        burned = sum(m * a for m, a in dry) / sum(m for m, _ in dry)
        states = self.moments(self.raw).states
        self.close([s.arm for s in states[1:]], [full, burned], rel=1e-9)
        self.assertTrue(all(s.inside for s in states))

    def test_outside_is_said_and_judged_by_nobody(self) -> None:
        raw = changed(self.raw, weights__unit_arm="200 mm")
        found = block(raw)
        self.assertIn("outside the envelope", " ".join(n["sentence"] for n in found["notices"]))
        self.assertEqual([c["id"] for c in found["checks"] if "axle" in c["id"] or "envelope" in c["id"]], [])

    def test_it_says_who_decides(self) -> None:
        self.assertIn("airworthiness authority", " ".join(n["sentence"] for n in block(self.raw)["notices"]))
        self.assertIn("airworthiness authority", self.moments(self.raw).says)

    def test_cooling_fuel_and_oil_answer(self) -> None:
        """In the climb all of its power, in the taxi little of it: by a propeller's law."""
        found = report(self.raw)
        self.assertLessEqual({"cooling", "fuel", "oil"}, set(found["systems"]))
        power = found["systems"]["engine"]["figures"]
        self.close(power["taxi"]["engine_power_w"] / power["tow"]["engine_power_w"], 0.4**3, rel=0.05)

    def test_moments_are_an_aircraft_s(self) -> None:
        with self.assertRaises(CoreError):
            self.moments(weighed())

    def test_two_corners_are_no_envelope(self) -> None:
        with self.assertRaises(CoreError) as caught:
            SYSTEMS["weights"].refuse(
                case_of(changed(self.raw, weights__envelope="300 mm, 400 kg\n300 mm, 500 kg")).systems["weights"]
            )
        self.assertEqual(caught.exception.code, "too_few")


if __name__ == "__main__":
    unittest.main()
