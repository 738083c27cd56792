"""Charging, cold cranking and wires of a build by hand; volts fed back; what is wrong said by name."""

import numpy as np

from gauge_well.core.electrical import alternator, battery
from gauge_well.core.errors import CoreError
from gauge_well.core.media import oils
from gauge_well.core.reads import FAN_DROP, SAG
from gauge_well.core.systems import SYSTEMS
from gauge_well.core.systems.electrics import charging, cranking, need
from gauge_well.sheet import SheetError
from tests.core.systems.belts.builds import FRONT, pulley
from tests.core.systems.electrics.builds import FAN, LOADS, loom
from tests.support import NumbersCase, check_of, context_of, drawn, facts_of, report

WET_NIGHT = 9 + 7 + 10 + 6 + 14 + 18 + 0.03
HEAVY = (*LOADS, ("aircon", "20 A"), ("other", "30 A"))


def both(*runs, **facts):  # type: ignore[no-untyped-def]
    made = loom(*runs, **facts)
    return context_of(made), facts_of(made, "electrics")


def codes(*runs, **facts) -> set[str]:  # type: ignore[no-untyped-def]
    return {n["code"] for n in report(loom(*runs, **facts))["systems"]["electrics"]["notices"]}


class Charge(NumbersCase):
    def test_draws_of_a_state_by_hand(self) -> None:
        """A wet night idling: all at their full; under way the screen three tenths of the time."""
        context, facts = both()
        found = charging.draws(context, facts)
        self.close(float(charging.total(found, "idle_night")), WET_NIGHT, rel=1e-9)
        self.close(float(charging.total(found, "cruise_night")), WET_NIGHT - 0.7 * 18, rel=1e-9)
        self.close(float(charging.total(found, "stopped")), 0.03, rel=1e-9)

    def test_the_hot_alternator_at_idle(self) -> None:
        """750 by 2.5 are 1,875 of its rotor: 85 % of what its plate's curve gives there."""
        _, facts = both()
        cold = float(alternator.gives(1875.0, 55.0, 110.0, 1500.0))
        self.close(float(charging.able(facts, 750.0)), 0.85 * cold, rel=1e-9)

    def test_idle_is_a_cost_and_its_battery_the_limit(self) -> None:
        """Some 100 drawn and 69 given: in 20 minutes 10 Ah of the 30 that may go, in 70 minutes all of them."""
        found = report(loom(loads=HEAVY))
        idle = check_of(found, "electrics", "charge_idle")
        self.assertEqual((idle["class"], idle["state"]), ("cost", "short"))
        short = idle["demand"] - idle["capacity"]
        out = check_of(found, "electrics", "charge_battery")
        self.close(out["demand"], short * 1200.0, rel=1e-9)
        self.close(out["capacity"], 0.5 * 60 * 3600.0, rel=1e-9)
        self.assertEqual(out["state"], "holds")
        longer = report(loom(loads=HEAVY, electrics__idles_for="70 min"))
        self.assertEqual(check_of(longer, "electrics", "charge_battery")["state"], "short")
        self.assertIn("idle_drains", {n["code"] for n in found["systems"]["electrics"]["notices"]})

    def test_under_way_it_is_a_limit(self) -> None:
        found = report(loom(loads=(*HEAVY, ("other", "40 A"))))
        self.assertEqual(check_of(found, "electrics", "charge_cruise")["state"], "short")
        self.assertEqual(found["systems"]["electrics"]["state"], "short")

    def test_a_rotor_too_slow_keeps_the_lamp_lit(self) -> None:
        self.assertIn("idle_no_charge", codes(electrics__alternator__ratio="1.4"))

    def test_geared_by_the_pulleys_that_are_stated(self) -> None:
        """Crank of 140 over an alternator of 58 mm, 4 mm of belt on either."""
        made = loom(electrics__alternator__ratio=None)
        made["parts"] += [pulley(*row) for row in FRONT if row[0] in ("crank", "alternator")]
        self.close(float(facts_of(made, "electrics").alternator.ratio), 144 / 62, abs=1e-3)

    def test_the_alternator_asked_is_one_that_just_does(self) -> None:
        context, facts = both()
        full, asked, stated = need.alternator_for(context, facts)
        self.assertTrue(stated)
        slow, _ = charging.slowest(context)
        self.close(0.85 * float(alternator.gives(slow * 2.5, full / 2, full, 1500.0)), asked, rel=1e-6)

    def test_a_plate_the_wrong_way_round_is_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            report(loom(electrics__alternator__low="120 A"))
        self.assertIn("electrics.alternator.low", str(caught.exception))


class Cold(NumbersCase):
    def test_two_litres_at_twenty_below_by_hand(self) -> None:
        """Drag by the oil's own thickness; 12.5 V over battery, five metres of 50 mm2 and a starter of 1.2 kW."""
        context, facts = both()
        found = cranking.cold(context, facts, 253.15)
        thick = float(oils.viscosity_walther(oils.OILS["10w30"], 253.15)) * 1e6
        torque = 1.5e5 * 2e-3 / (4 * np.pi) * (0.45 + 0.85 * (thick / 260) ** 0.33)
        self.close(float(found.torque[0]), torque, rel=1e-6)
        amps = (torque / (12 * 0.85) + 1.5) / 0.034
        rest = 5.1 / 520 * 0.52 ** ((253.15 - 255.15) / 43)
        lead = 0.368e-3 * (1 + 3.93e-3 * (253.15 - 293.15)) * 5
        speed = (12.5 - amps * (rest + lead + 6.6e-3 / 1.2)) / 0.034 / 12 * 30 / np.pi
        self.close(float(found.turned.amps[0]), amps, rel=1e-6)
        self.close(float(np.ravel(found.turned.speed)[0]), speed, rel=1e-6)

    def test_cold_thick_oil_and_two_batteries(self) -> None:
        """The colder the slower; another battery beside it turns it faster the colder it is."""
        context, facts = both()
        speeds = [
            [float(np.ravel(cranking.cold(context, facts, t, n).turned.speed)[0]) for t in (253.15, 273.15, 293.15)]
            for n in (1.0, 2.0)
        ]
        self.assertEqual(speeds[0], sorted(speeds[0]))
        gains = np.subtract(speeds[1], speeds[0])
        self.assertTrue((gains > 0).all() and gains[0] == max(gains))

    def test_a_diesel_wants_more_and_gets_less(self) -> None:
        found = report(
            loom(
                engine__fuel="diesel",
                engine__displacement="2.5 L",
                engine__chamber="indirect",
                electrics__coldest="-25 C",
                electrics__battery__amps="360 A",
            )
        )
        check = check_of(found, "electrics", "crank_speed")
        self.close(check["demand"], 130.0, rel=1e-9)
        self.assertEqual(check["state"], "short")

    def test_the_battery_asked_just_does(self) -> None:
        """One of so many amps turns it at the speed it starts from, or stands at 9 V, whichever asks the larger."""
        for fuel, asked in (("diesel", "210 rpm"), ("petrol_e10", "80 rpm")):
            own = {"engine__fuel": fuel, "electrics__needs_speed": asked, "electrics__coldest": "0 C"}
            context, facts = both(**own)
            amps = cranking.battery_for(context, facts)
            made = loom(electrics__battery__amps=f"{amps:.3f} A", **own)
            found = cranking.cold(context_of(made), facts_of(made, "electrics"), 273.15).turned
            spare = (
                float(np.ravel(found.speed)[0]) / float(asked.split()[0]),
                float(np.ravel(found.at_battery)[0]) / 9.0,
            )
            self.close(min(spare), 1.0, rel=1e-3)

    def test_a_stalled_starter_is_said(self) -> None:
        found = report(loom(electrics__battery__amps="60 A", electrics__lead__area="6 mm2"))
        self.assertIn("not turned at all", check_of(found, "electrics", "crank_speed")["sentence"])
        self.assertEqual(check_of(found, "electrics", "crank_volts")["state"], "short")

    def test_by_another_standard(self) -> None:
        by = {
            s: check_of(report(loom(electrics__battery__standard=s)), "electrics", "crank_speed")["capacity"]
            for s in ("en", "din", "mca")
        }
        self.assertTrue(by["mca"] < by["en"] < by["din"])

    def test_a_bodys_bad_joint_is_told(self) -> None:
        self.assertIn("lead_drop", codes(electrics__body="3 mohm"))


class Wires(NumbersCase):
    def test_a_fans_run_by_hand(self) -> None:
        """25 A through 1.5 m of 10 mm2 and back, warm: 25 x 3 x 1.82 x 1.236 mV; 3 % of 13.5 V are wished."""
        found = report(loom(FAN))
        drop = check_of(found, "electrics", "drop_run")
        self.close(drop["demand"], 25 * 3 * 1.82e-3 * (1 + 3.93e-3 * 60), rel=1e-6)
        self.close(drop["capacity"], 0.405, rel=1e-9)
        low, high = check_of(found, "electrics", "fuse_low_run"), check_of(found, "electrics", "fuse_high_run")
        self.close(low["demand"], 25 / 0.75, rel=1e-9)
        self.close(high["capacity"], 90 * 0.85, rel=1e-9)
        self.assertEqual({c["state"] for c in (drop, low, high)}, {"holds"})

    def test_a_fuse_above_its_wire_is_a_danger_by_name(self) -> None:
        found = report(loom({**FAN, "area": "2.5 mm2", "fuse": "50 A"}))
        check = check_of(found, "electrics", "fuse_high_run")
        self.assertTrue(check["danger"] and check["state"] == "short")
        self.assertIn("burns before it blows", check["sentence"])
        self.assertIn("Fuse over its wire", found["headline"]["sentence"])

    def test_a_run_takes_its_amps_from_its_loads(self) -> None:
        found = report(loom({"feeds": "pump", "length": "4 m", "area": "2.5 mm2"}))
        self.close(check_of(found, "electrics", "bears_run")["demand"], 7 / 0.75, rel=1e-9)

    def test_what_is_offered_serves(self) -> None:
        made = loom({**FAN, "length": "6 m", "area": "4 mm2", "fuse": "30 A"})
        tried = SYSTEMS["electrics"].candidates(context_of(made), facts_of(made, "electrics"))
        area = next(c for c in tried if c.id == "area_run")
        size, fuse = area.changes["electrics.runs.run.area"], area.changes["electrics.runs.run.fuse"]
        again = report(loom({**FAN, "length": "6 m", "area": f"{1e6 * size} mm2", "fuse": f"{fuse} A"}))
        self.assertEqual(
            {check_of(again, "electrics", f"{c}_run")["state"] for c in ("drop", "fuse_low", "fuse_high", "starved")},
            {"holds"},
        )

    def test_notices_of_a_run(self) -> None:
        found = codes({**FAN, "fuse_from": "600 mm", "switched": "switch"})
        self.assertTrue({"fuse_far", "switch_loaded", "slow_fuse"} <= found)
        self.assertIn("relay_small", codes({**FAN, "amps": "35 A", "area": "16 mm2", "fuse": "50 A"}))

    def test_the_weakest_plug(self) -> None:
        found = report(loom({**FAN, "connector": "20 A"}))
        self.assertEqual(check_of(found, "electrics", "plug_run")["state"], "short")

    def test_by_amps_alone_volts_are_not_wished(self) -> None:
        """The other school: what loses a twentieth is let be, what loses a tenth is starved under both."""
        long = {**FAN, "length": "4 m"}
        checks = {c["id"] for c in report(loom(long, electrics__wires_by="amps"))["systems"]["electrics"]["checks"]}
        self.assertFalse("drop_run" in checks)
        self.assertEqual(check_of(report(loom(long)), "electrics", "drop_run")["state"], "short")
        starved = report(loom({**FAN, "length": "9 m", "area": "6 mm2", "fuse": "35 A"}, electrics__wires_by="amps"))
        self.assertEqual(check_of(starved, "electrics", "starved_run")["state"], "short")

    def test_what_lacks_is_named(self) -> None:
        found = report(loom({"feeds": "fan", "length": "2 m"}))["systems"]["electrics"]["unknown"]
        self.assertEqual([u["missing"] for u in found], [["electrics.runs.run.area"]])

    def test_sizes_of_a_run(self) -> None:
        context, facts = both(FAN)
        view = drawn("electrics", "wires", context, facts, {"run": 0})
        self.assertEqual([s["serves"] for s in view["sizes"]], sorted(s["serves"] for s in view["sizes"]))
        with self.assertRaises(CoreError):
            drawn("electrics", "wires", context, facts, {"run": 4})


class Back(NumbersCase):
    """What the alternator and the wires leave goes back to fan and pump."""

    def test_nothing_short_leaves_all_as_it_was(self) -> None:
        context, facts = both()
        given = charging.sags(context, facts)
        self.close(float(np.max(given[SAG])), 0.0, abs=1e-12)
        self.close(float(np.max(given[FAN_DROP])), 0.0, abs=1e-12)

    def test_idling_short_the_battery_feeds_all(self) -> None:
        """Jam: some 30 A short of the alternator, so battery volts less what its resistance takes; under way all is well."""
        context, facts = both(loads=HEAVY)
        given = charging.sags(context, facts)[SAG].reshape(2, -1)[:, 0] * 13.8
        short = float(charging.total(charging.draws(context, facts), "idle_night")) - float(charging.able(facts, 750.0))
        rest = float(battery.resistance(520.0, "en", 298.15))
        self.close(given[0], 13.8 - 12.5 + short * rest, rel=1e-6)
        self.close(given[1], 0.0, abs=1e-12)

    def test_the_belt_turns_what_is_drawn(self) -> None:
        """With loads stated the belt's alternator is asked for them, not for the machine's usual load."""
        made = loom()
        made["parts"] += [pulley(*row) for row in FRONT if row[0] in ("crank", "alternator")]
        seen = drawn("belts", "route", context_of(made), facts_of(made, "belts"))
        takes = next(p["takes"] for p in seen["pulleys"] if p["what"] == "alternator")
        spun = 2.5 * 0.035**2 * (3000 * np.pi / 30) * (144 / 62) ** 2 * (6500 * np.pi / 30)
        self.close(takes, WET_NIGHT * 13.8 / 0.55 + spun, rel=1e-6)

    def test_low_volts_are_told(self) -> None:
        self.assertIn("volts_low", codes(loads=HEAVY))
        self.assertFalse("volts_low" in codes())

    def test_a_pump_on_fewer_volts_gives_less_a_fan_carries_less(self) -> None:
        pump = {
            "fuel__main__flow": "190 L/h",
            "fuel__main__pressure": "3 bar",
            "fuel__wire__length": "4 m",
            "fuel__wire__area": "2.5 mm2",
        }
        core = {
            "cooling__core__width": "500 mm",
            "cooling__core__height": "350 mm",
            "cooling__core__depth": "32 mm",
            "cooling__fan__drive": "puller",
            "cooling__fan__diameter": "350 mm",
        }
        runs = ({**FAN, "length": "9 m", "area": "4 mm2", "fuse": "35 A"},)
        well, poor = (
            report(loom(*r, loads=loads, **pump, **core, engine__idle_speed="900 rpm"))
            for r, loads in (((), LOADS), (runs, HEAVY))
        )
        volts = [r["systems"]["fuel"]["figures"]["jam"]["pump_voltage_v"] for r in (well, poor)]
        self.assertLess(volts[1], volts[0] - 0.8)
        fans = [check_of(r, "cooling", "heat", "jam")["capacity"] for r in (well, poor)]
        self.assertLess(fans[1], 0.95 * fans[0])


class Beside(NumbersCase):
    def test_choices_beside_each_other(self) -> None:
        context, facts = both(loads=HEAVY)
        rows = {r["id"]: r for r in drawn("electrics", "choices", context, facts)["rows"]}
        self.assertEqual(set(rows), {"now", "no_air", "current", "a120", "a140"})
        self.close(rows["no_air"]["cruise_draws"], rows["now"]["cruise_draws"] - 0.3 * 20, rel=1e-9)
        self.close(rows["no_air"]["crank"], rows["now"]["crank"] - 3000 - 0.3 * 20 * 13.8 / 0.55, rel=1e-6)
        self.close(rows["current"]["idle_left"], rows["now"]["idle_left"] - 12, rel=1e-9)
        self.assertGreater(rows["a140"]["idle_left"], rows["now"]["idle_left"])

    def test_twenty_four_volts(self) -> None:
        found = report(loom(electrics__system="24", electrics__battery__count="1"))
        self.assertEqual(check_of(found, "electrics", "crank_speed")["state"], "holds")
        self.close(check_of(found, "electrics", "crank_volts")["demand"], 15.0, rel=1e-9)

    def test_loads_tried_at_another_idle(self) -> None:
        context, facts = both(loads=HEAVY)
        slow, fast = (drawn("electrics", "loads", context, facts, {"idle": n}) for n in (750.0, 950.0))
        self.assertLess(fast["idled"], slow["idled"])
        night = next(s for s in slow["states"] if s["id"] == "idle_night")
        self.close(night["lasts"], 0.5 * 60 * 3600 / night["battery"], rel=1e-9)

    def test_nothing_stated_asks_nothing(self) -> None:
        made = {k: v for k, v in loom(loads=()).items() if k != "electrics"}
        made["parts"] = [p for p in made["parts"] if not p["role"].startswith("electrics.")]
        found = report(made)["systems"]["electrics"]
        self.assertEqual((found["state"], found["checks"]), ("unknown", []))
        self.assertEqual({n["quantity"] for n in found["need"]}, {"alternator_full", "battery_amps"})
