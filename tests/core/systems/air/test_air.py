"""Air: filter and throttle by hand, warmth, water, engine space, the trade's figures, faults named."""

import numpy as np

from gauge_well.core.systems.air import intake, wading, warmth
from gauge_well.sheet import SheetError
from tests.support import ROAD, NumbersCase, changed, check_of, context_of, drawn, facts_of, report

BOOSTED = {"aspiration": "turbo", "rated_power": "150 kW", "boost": "0.8 bar"}


def with_air(**facts: str | None) -> dict:
    return changed(ROAD, **{f"air__{name}": value for name, value in facts.items()})


FULL = with_air(
    filter__area="1 m2",
    filter__outlet="70 mm",
    pipe__bore="76 mm",
    pipe__length="0.8 m",
    pipe__loss="1.5",
    throttle="60 mm",
    draws="cold",
    inlet_height="900 mm",
    wading="500 mm",
    wading_speed="5 km/h",
    box_watts="40 W",
    box_area="0.3 m2",
    box_wall="metal",
    box_place="outside",
)


def notices(found: dict) -> set[str]:
    return {n["code"] for n in found["systems"]["air"]["notices"]}


class ByHand(NumbersCase):
    def test_a_filter(self) -> None:
        """.164 kg/s through 1.0 m2 of paper at 25 C: 281 Pa new, 843 at service (common practice; 3 %)."""
        facts = facts_of(FULL, "air")
        for service, pascal in ((False, 281.0), (True, 843.0)):
            found = intake.filter_loss(facts, np.asarray(0.164), 298.15, 101325.0, service)
            self.close(found, pascal, rel=0.03)

    def test_a_filter_by_its_sheet(self) -> None:
        """Half the flow of the sheet's point takes half."""
        raw = with_air(filter__drop="400 Pa", filter__drop_flow="0.2 m3/s")
        rho = 101325.0 / (287.05 * 293.15)
        found = intake.filter_loss(facts_of(raw, "air"), np.asarray(0.1 * rho), 293.15, 101325.0, False)
        self.close(found, 200.0, rel=1e-3)

    def test_a_throttle(self) -> None:
        """Wide open at .160 kg/s a 60 mm one loses 2.4 kPa, a 50 mm one 5.2 (common practice; 5 %)."""
        for bore, pascal in (("60 mm", 2400.0), ("50 mm", 5100.0)):
            facts = facts_of(with_air(throttle=bore), "air")
            found = intake.throttle_loss(facts, np.asarray(0.160), 298.15, 101325.0)
            self.close(found, pascal, rel=0.05)

    def test_a_throttle_nearly_shut(self) -> None:
        """60 mm at 10 degrees: choked at 23 kg/h (common practice; 5 %); the isentropic maximum ``p A sqrt(k/RT)
        (2/(k+1))^3`` by hand."""
        found = float(intake.choked_flow(0.060, np.radians(10.0), 298.15, 101325.0))
        self.close(3600.0 * found, 23.0, rel=0.05)
        area = np.pi / 4 * 0.06**2 * (1 - np.cos(np.radians(10)) / np.cos(np.radians(6)))
        self.close(found, 101325 * area * np.sqrt(1.4 / (287.05 * 298.15)) * (1 / 1.2) ** 3, rel=1e-3)

    def test_pipes(self) -> None:
        """76 mm, .8 m, K 1.5 at .164 kg/s: 30 m/s and .92 kPa; 63 mm 2.0 (common practice; 8 %)."""
        context = context_of(FULL)
        for bore, pascal in (("76 mm", 920.0), ("63 mm", 2000.0)):
            facts = facts_of(changed(FULL, air__pipe__bore=bore), "air")
            found = intake.lost(context, facts.pipe, np.asarray(0.164), 293.15, 101325.0)
            assert found is not None
            self.close(found, pascal, rel=0.08)

    def test_warm_air(self) -> None:
        """10 K more cost 2.0 % petrol, 2.9 boosted, 2.3 diesel; 25 to 60 C 6.4 % (common practice)."""
        engine = context_of(FULL).engine
        self.close(warmth.heat_cost(engine, 308.15, 298.15), 0.020, abs=0.001)
        self.close(warmth.heat_cost(engine, 333.15, 298.15), 0.064, abs=0.001)
        boosted = context_of(changed(FULL, **{f"engine__{k}": v for k, v in BOOSTED.items()})).engine
        self.close(warmth.heat_cost(boosted, 308.15, 298.15), 0.029, abs=0.001)

    def test_a_bow_wave(self) -> None:
        """Bernoulli: 5 km/h 98 mm, 10 km/h 393."""
        self.close(wading.bow_wave(5 / 3.6), 0.0983, abs=2e-4)
        self.close(wading.bow_wave(10 / 3.6), 0.393, abs=1e-3)

    def test_what_locks_a_cylinder(self) -> None:
        """500 cc at 10 to 1 leave 55.6 cc: six tenths are 33 (by hand)."""
        raw = changed(FULL, engine__displacement="2 L", engine__cylinders="4", air__compression="10")
        self.close(wading.locks_at(context_of(raw).engine, facts_of(raw, "air")), 33.3e-6, rel=0.01)


class Judged(NumbersCase):
    def test_nothing_stated_asks_nothing(self) -> None:
        found = report(ROAD)
        block = found["systems"]["air"]
        self.assertEqual(block["checks"], [])
        self.assertFalse(found["scope"]["air"]["started"])
        self.assertNotIn("Air", {n["system"] for n in found["not_judged"]})

    def test_the_way_in_is_a_cost(self) -> None:
        found = report(FULL)
        for check in found["systems"]["air"]["checks"]:
            if check["id"] == "intake_cost":
                self.assertEqual(check["class"], "cost")
        self.assertEqual(found["systems"]["air"]["state"], "holds")

    def test_a_cold_feed_beats_a_bigger_filter(self) -> None:
        """Drawn from the engine space (common practice)."""
        raw = changed(FULL, air__draws="bay")
        view = drawn("air", "intake", context_of(raw), facts_of(raw, "air"), {"duty": 1.0})
        gains = {h["name"]: h["gain"] for h in view["helped"]}
        self.assertGreater(gains["a cold feed"], gains["twice the filter"])
        self.assertIn("warm_air", notices(report(raw)))

    def test_a_diesels_restriction_is_a_limit_by_a_rule(self) -> None:
        """6.5 kPa where nobody says: over it is assumed, over a maker's own figure short."""
        diesel = changed(FULL, engine__fuel="diesel", engine__rated_speed="4000 rpm", engine__rated_power="75 kW")
        bare = changed(diesel, air__throttle=None, air__filter__medium="none", air__filter__area=None)

        def worst(raw: dict) -> dict:
            rows = [c for c in report(raw)["systems"]["air"]["checks"] if c["id"] == "restriction"]
            return max(rows, key=lambda c: c["demand"])

        pipe = worst(bare)["demand"]
        tenth = worst(changed(diesel, air__throttle=None, air__filter__area="0.1 m2"))["demand"] - pipe
        tight = changed(diesel, air__throttle=None, air__filter__area=f"{0.1 * tenth / (7.2e3 - pipe):.6f} m2")
        self.close(worst(tight)["demand"], 7.2e3, rel=1e-3)
        self.assertEqual(worst(tight)["state"], "assumed")
        stated = changed(tight, air__allowed="2 kPa")
        self.assertEqual(report(stated)["systems"]["air"]["state"], "short")

    def test_water(self) -> None:
        """500 mm and 98 of wave: an inlet at 700 keeps 102 of 150 mm; at 900 it holds."""
        low = check_of(report(changed(FULL, air__inlet_height="700 mm")), "air", "wading_inlet")
        self.assertEqual((low["state"], low["danger"]), ("short", True))
        self.close(low["fill"], 2 - (700 - 500 - 98.3) / 150, abs=0.01)
        self.assertEqual(check_of(report(FULL), "air", "wading_inlet")["state"], "holds")

    def test_a_box_outside_and_in_the_bay(self) -> None:
        """40 W in .3 m2 of metal: 20 K over what is round it (common practice)."""
        found = report(FULL)["systems"]["air"]["figures"]
        for figures in found.values():
            self.between(figures["box_temperature_k"] - 273.15, 30.0, 65.0)
        inside = report(changed(FULL, air__box_place="bay"))
        self.assertGreater(check_of(inside, "air", "box")["fill"], check_of(report(FULL), "air", "box")["fill"])

    def test_the_bay_is_a_balance(self) -> None:
        """Heat of core, exhaust and engine over the core's own air: in every duty ``Q = m cp dT`` to 1e-6."""
        context, facts = context_of(FULL), facts_of(FULL, "air")
        space = warmth.bay(context, facts, context.mean)
        if space.worked:
            over = space.temperature - context.duties.column("ambient")
            carries = np.maximum(space.through, space.draught)
            self.close(carries * 1006.0 * over, space.heat, rel=1e-6)
        rows = drawn("air", "space", context, facts)["rows"]
        self.assertEqual(len(rows), len(context.duties.cases))

    def test_boosted(self) -> None:
        """Charge pipes: 57 mm, 2 m, K 2, .16 kg/s at 180 kPa 2.6 kPa, Mach .09 (common practice): of that order."""
        raw = changed(FULL, **{f"engine__{k}": v for k, v in BOOSTED.items()})
        raw = changed(raw, air__charge_pipe__bore="57 mm", air__charge_pipe__length="2 m", air__charge_pipe__loss="2")
        figures = report(raw)["systems"]["air"]["figures"]
        most = max(figures.values(), key=lambda f: f["charge_pipe_mach"])
        self.between(most["charge_pipe_mach"], 0.05, 0.2)
        self.between(most["charge_drop_pa"], 1e3, 8e3)
        tight = report(changed(raw, air__charge_pipe__bore="22 mm"))
        self.assertIn("charge_mach", notices(tight))

    def test_a_closed_room(self) -> None:
        """Burning alone 1.9 cm2 a kW (common practice; 15 %): less is short."""
        raw = changed(FULL, machine={"kind": "boat"}, duties=[{"id": "d", "kind": "boat"}])
        view = drawn("air", "space", context_of(raw), facts_of(raw, "air"))["room"]
        self.between(1e4 * view["burning"] / (view["power"] / 1e3), 1.2, 2.4)
        self.between(1e4 * view["wanted"] / (view["power"] / 1e3), 4.0, 16.0)
        short = report(changed(raw, air__room_opening="0.001 m2"))
        self.assertEqual(check_of(short, "air", "room", "d")["state"], "short")


class Named(NumbersCase):
    def test_a_filter_smaller_than_its_pipe(self) -> None:
        self.assertIn("filter_narrow", notices(report(FULL)))
        self.assertNotIn("filter_narrow", notices(report(changed(FULL, air__filter__outlet="76 mm"))))

    def test_a_meter_behind_a_bend(self) -> None:
        raw = changed(FULL, air__meter="70 mm", air__meter_straight="100 mm")
        self.assertIn("meter_bend", notices(report(raw)))

    def test_faults_are_named(self) -> None:
        for field, facts in (
            ("air.filter.drop_flow", {"filter__drop": "400 Pa"}),
            ("air.meter", {"meter": "200 mm"}),
            ("air.inlet_height", {"inlet_height": "-1 m"}),
        ):
            with self.assertRaises(SheetError) as caught:
                report(changed(FULL, **{f"air__{k}": v for k, v in facts.items()}))
            self.assertEqual(caught.exception.problems[0].field, field)

    def test_needs_stand_whether_or_not_anything_is_fitted(self) -> None:
        needs = {n["quantity"]: n["value"] for n in report(ROAD)["systems"]["air"]["need"]}
        self.assertLessEqual({"filter_area", "intake_bore", "throttle_bore"}, set(needs))
        # An open throttle that costs 1.5 %: its own loss at that bore, worked again.
        raw = changed(FULL, air__throttle=f"{1e3 * needs['throttle_bore']:.3f} mm")
        context = context_of(raw)
        found = intake.drawn(context, facts_of(raw, "air"), context.peak)
        self.close(float(np.max(found.throttle / context.duties.column("pressure"))), 0.015, rel=0.03)
