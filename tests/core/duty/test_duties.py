"""Duties of every kind solved into engine points."""

from gauge_well.core.duty.facts import KINDS, MACHINES, POWER_DRIVEN, default_duties, task_kind
from gauge_well.core.duty.model import AIR_CONDITIONING_IDLE, ALTERNATOR_EFFICIENCY, STEERING
from tests.support import ROAD, NumbersCase, changed, context_of, report


def one(**duty: object) -> dict[str, object]:
    return changed(ROAD, duties=[{"id": "d", **duty}])


class Kinds(NumbersCase):
    def case(self, **duty: object) -> object:
        return context_of(one(**duty)).duties.cases[0]

    def test_idle_carries_the_accessories(self) -> None:
        found = self.case(kind="idle", air_conditioning="yes")
        self.close(found.power, 600.0 / ALTERNATOR_EFFICIENCY + STEERING + AIR_CONDITIONING_IDLE, rel=1e-9)
        self.close(found.engine_speed, 850.0)
        self.assertFalse(found.power_driven)

    def test_a_small_engine_has_a_small_air_conditioning(self) -> None:
        idle = one(kind="idle", air_conditioning="yes")
        found = [
            context_of(changed(idle, engine__rated_power=f"{power} kW", engine__displacement=size)).duties.cases[0]
            for power, size in ((7.5, "0.4 L"), (15, "0.7 L"), (150, "3 L"))
        ]
        # A car's condenser gives off 6 to 8 kW; no engine drives more cold than a fifth of its own power (common practice).
        self.assertTrue(all(6e3 < case.condenser_heat < 8e3 for case in found[1:]))
        self.close(found[0].condenser_heat, found[1].condenser_heat / 2, rel=1e-9)
        self.assertLess(found[0].power, 0.45 * 7.5e3)

    def test_pull_and_run(self) -> None:
        pull, run = self.case(kind="pull"), self.case(kind="run")
        self.close([pull.power, pull.peak_power, pull.duration], [0.8 * 125e3, 125e3, 20.0])
        self.close([run.power, run.peak_power, run.duration], [0.55 * 125e3, 125e3, 75.0])
        self.assertEqual(run.start, "cool")

    def test_boat_follows_the_propeller(self) -> None:
        found = self.case(kind="boat", speed_share="70 %")
        self.close([found.power, found.engine_speed], [125e3 * 0.343, 4200.0], rel=1e-9)

    def test_work_and_typed(self) -> None:
        work = self.case(kind="work", power_share="60 %")
        self.close([work.power, work.engine_speed], [75e3, 6000.0])
        typed = self.case(kind="typed", engine_power="40 kW", engine_speed="3000 rpm", air_speed="30 km/h")
        self.close([typed.power, typed.engine_speed, typed.air_speed], [40e3, 3000.0, 30 / 3.6])

    def test_altitude_thins_the_air(self) -> None:
        found = self.case(kind="pull", altitude="2000 m")
        self.close(found.pressure, 79495.2, rel=1e-4)

    def test_too_weak_is_judged_at_the_speed_held(self) -> None:
        raw = changed(one(kind="road", speed="120 km/h", grade="12 %"), engine__rated_power="40 kW")
        found = context_of(raw).duties.cases[0]
        self.assertTrue(found.held.too_weak)
        self.close(found.air_speed, found.held.speed, rel=1e-9)

    def test_every_kind_is_sized_and_says_what_it_follows(self) -> None:
        extra = {"road": {"speed": "90 km/h"}, "typed": {"engine_power": "40 kW", "engine_speed": "3000 rpm"}}
        for kind in KINDS:
            found = report(one(kind=kind, **extra.get(kind, {})))
            with self.subTest(kind):
                self.assertEqual([d["power_driven"] for d in found["duties"]], [kind in POWER_DRIVEN])

    def test_a_duty_that_lacks_a_fact_is_left_out_and_named(self) -> None:
        raw = changed(ROAD, duties=[{"id": "a", "kind": "road"}, {"id": "b", "kind": "pull"}])
        found = report(raw)
        self.assertEqual([d["id"] for d in found["duties"]], ["b"])
        self.assertIn({"system": "Duty: Road", "why": "speed is not given"}, found["not_judged"])


class Defaults(NumbersCase):
    def test_every_machine_has_duties_that_solve(self) -> None:
        tasks = {"road": "1200 kg", "boat": "65 %", "work": "44 C"}
        for kind in MACHINES:
            task = tasks[task_kind(kind)]
            machine = {"kind": kind} | ({"trailer_mass": task} if task_kind(kind) == "road" else {})
            found = report(changed(ROAD, machine=machine, duties=default_duties(kind, task)))
            with self.subTest(kind):
                self.assertGreaterEqual(len(found["duties"]), 2)
                self.assertFalse([n for n in found["not_judged"] if n["system"].startswith("Duty")])

    def test_the_fifth_fact_is_used(self) -> None:
        self.assertEqual(default_duties("boat", "65 %")[1]["speed_share"], "65 %")
        self.assertEqual(default_duties("generator", "46 °C")[1]["ambient"], "46 °C")
        self.assertEqual(default_duties("van", "900 kg")[2]["tow"], "yes")
        self.assertEqual(default_duties("van")[2]["tow"], "no")
