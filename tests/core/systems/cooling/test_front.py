"""What stands in front: resistance side by side, preheat that follows the power, the stack's depth."""

from dataclasses import replace

import numpy as np
from scipy.optimize import brentq

from gauge_well.core.heat import radiator
from gauge_well.core.systems.base import points
from gauge_well.core.systems.cooling import front
from gauge_well.core.systems.cooling.air import signed_quadratic
from gauge_well.core.systems.cooling.model import core_of, heat_made, plant_of, prepare
from gauge_well.core.systems.cooling.stack import layers, room_left
from tests.support import ROAD, NumbersCase, changed, check_of, context_of, facts_of, report

TURBO = changed(
    ROAD,
    engine__aspiration="turbo",
    engine__boost="0.8 bar",
    engine__rated_power="160 kW",
    cooling__charge_front="yes",
    cooling__charge_cooler__width="450 mm",
    cooling__charge_cooler__height="200 mm",
    cooling__charge_cooler__depth="57 mm",
)


class Resistance(NumbersCase):
    def parts(self, raw: dict) -> tuple:
        facts = facts_of(raw, "cooling")
        core = core_of(facts)
        a, b = radiator.resistance(core, 1.14, 1.0, 330.0)
        return a, b, front.coolers(core, facts)

    def test_a_whole_face_is_in_series(self) -> None:
        a, b, parts = self.parts(
            changed(TURBO, cooling__charge_cooler__width="600 mm", cooling__charge_cooler__height="400 mm")
        )
        own = radiator.resistance(parts[0].core, 1.14, 1.14, 311.0)
        found = front.with_coolers(a, b, parts, front.resistances(parts, 1.14, 311.0, 1.0))
        self.close(found, (a + own[0], b + own[1]), rel=1e-6)

    def test_part_of_the_face_against_a_bracketing_solver(self) -> None:
        """Mean velocity at a pressure, both parts solved apart by brentq: exact where matched, 2 % between."""
        a, b, parts = self.parts(TURBO)
        share = float(parts[0].share)
        self.close(share, 450 / 600 * 200 / 400, rel=1e-9)
        own = [float(v) for v in radiator.resistance(parts[0].core, 1.14, 1.14, 311.0)]
        found = front.with_coolers(a, b, parts, front.resistances(parts, 1.14, 311.0, 1.0))
        for drop, tolerance in ((float(a + b), 1e-6), (float(8 * a + 64 * b), 1e-6), (60.0, 0.02), (300.0, 0.02)):
            u = [
                brentq(lambda v, x=x, y=y, dp=drop: x * v + y * v * v - dp, 0.0, 60.0)
                for x, y in ((float(a), float(b)), (float(a) + own[0], float(b) + own[1]))
            ]
            mean = (1 - share) * u[0] + share * u[1]
            self.close(signed_quadratic(*found, drop), mean, rel=tolerance, note=f"{drop}")

    def test_two_coolers_overlap_only_where_they_must(self) -> None:
        more = {
            "cooling__oil_front": "yes",
            "cooling__oil_cooler__width": "600 mm",
            "cooling__oil_cooler__depth": "45 mm",
        }
        drops = []
        for height in ("100 mm", "250 mm", "400 mm"):
            a, b, parts = self.parts(changed(TURBO, **more, cooling__oil_cooler__height=height))
            x, y = front.with_coolers(a, b, parts, front.resistances(parts, 1.14, 311.0, 1.0))
            drops.append(float(x * 4 + y * 16))
        self.rising(drops)

    def test_a_missing_size_is_named(self) -> None:
        block = report(changed(TURBO, cooling__charge_cooler__depth=None))["systems"]["cooling"]
        self.assertEqual(block["unknown"][0]["missing"], ["cooling.charge_cooler.depth"])


class Preheat(NumbersCase):
    def test_by_hand(self) -> None:
        """A condenser's 7 kW into the air: air in rises by 7 kW over its capacity rate."""
        raw = changed(
            ROAD,
            cooling__condenser_front="yes",
            duties=[{"id": "d", "kind": "road", "speed": "60 km/h", "ambient": "35 C", "air_conditioning": "yes"}],
        )
        context = context_of(raw)
        cooling = prepare(context, plant_of(context, facts_of(raw, "cooling")))
        rise = 7000.0 / (np.asarray(cooling.airs.mass_flow)[-1] * 1006.0)
        self.close(cooling.airs.air_in[-1] - 308.15, rise + 0.0, rel=2e-3)

    def test_capacity_is_linear_in_it_and_exact(self) -> None:
        """At another power the capacity equals a fresh solve with that power's charge heat."""
        context = context_of(TURBO)
        facts = facts_of(TURBO, "cooling")
        cooling = prepare(context, plant_of(context, facts))
        mean, _ = points(context.engine, context.duties, context.wanted, 0.5)
        quick = cooling.capacity_at(front.heat_in_front(context, facts, mean, cooling.plant.limit))
        fresh = prepare(replace(context, mean=mean), plant_of(context, facts))
        # The air's density behind the core follows the preheat a little; the rest is linear.
        self.close(quick, fresh.capacity, rel=0.01)
        self.assertTrue(bool(np.all(quick >= cooling.capacity)))
        self.assertGreater(float(quick[0, 2, 0]), float(cooling.capacity[0, 2, 0]))

    def test_it_costs_what_it_should(self) -> None:
        """In front the pull carries less than with the cooler elsewhere."""
        away = changed(TURBO, cooling__charge_front="no")
        fills = [check_of(report(r), "cooling", "heat", "grade")["fill"] for r in (away, TURBO)]
        self.rising(fills)

    def test_oil_by_air_in_front_warms_the_core(self) -> None:
        more = {
            "cooling__oil_front": "yes",
            "cooling__oil_cooler__width": "300 mm",
            "cooling__oil_cooler__height": "150 mm",
            "cooling__oil_cooler__depth": "45 mm",
        }
        figures = report(changed(ROAD, **more))["systems"]["cooling"]["figures"]["grade"]
        self.assertGreater(figures["heat_in_front_w"], 500.0)
        self.assertLess(figures["heat_in_front_w"], 15e3)

    def test_heat_is_not_counted_twice(self) -> None:
        """The oil's heat is shared between coolant and air: made plus in front is the engine's coolant and oil heat."""
        more = {
            "cooling__oil_front": "yes",
            "cooling__oil_cooler__width": "300 mm",
            "cooling__oil_cooler__height": "150 mm",
            "cooling__oil_cooler__depth": "45 mm",
        }
        context = context_of(changed(ROAD, **more))
        facts = facts_of(changed(ROAD, **more), "cooling")
        cooling = prepare(context, plant_of(context, facts))
        ahead = front.heat_in_front(context, facts, context.mean, cooling.plant.limit)
        both = heat_made(context, cooling, context.mean) + ahead
        self.close(both, context.mean.heat_to_coolant + context.mean.heat_to_oil, rel=1e-6)


class Depth(NumbersCase):
    def test_layers_by_hand(self) -> None:
        """Condenser 20, gap 10, charge cooler 57, gap 10, core 26, gap 10, fan 60 to 65: of 250 mm some 57 are left."""
        raw = changed(
            TURBO, cooling__condenser_front="yes", cooling__fan__depth="60 mm", installation__depth_available="250 mm"
        )
        facts = facts_of(raw, "cooling")
        found = layers(facts)
        self.assertEqual([x.kind for x in found], ["cooler", "gap", "cooler", "gap", "core", "gap", "fan"])
        self.close(room_left(0.250, found), 0.250 - 0.193, abs=1e-9)
        self.close(check_of(report(raw), "cooling", "stack")["capacity"], 0.057, abs=1e-9)

    def test_a_deep_shroud_takes_room(self) -> None:
        """45 mm from core to fan in place of 10: 35 mm less are left."""
        gaps = [
            check_of(report(changed(ROAD, cooling__fan_gap=g)), "cooling", "stack")["capacity"]
            for g in ("10 mm", "45 mm")
        ]
        self.close(gaps[0] - gaps[1], 0.035, abs=1e-9)

    def test_a_pusher_stands_foremost(self) -> None:
        found = layers(facts_of(changed(ROAD, cooling__fan__drive="pusher"), "cooling"))
        self.assertEqual([x.kind for x in found], ["fan", "gap", "core"])

    def test_the_widest_thing_meets_the_opening(self) -> None:
        raw = changed(TURBO, cooling__charge_cooler__width="680 mm", installation__opening_width="650 mm")
        found = check_of(report(raw), "cooling", "opening")
        self.close(found["fill"], 680 / 650, abs=1e-9)
        self.assertIn("charge cooler", found["sentence"])
