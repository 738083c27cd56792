"""Whether a claim is believable: worked examples, and what is refused."""

from gauge_well.core.contexts import validate
from gauge_well.core.engine import plausibility
from gauge_well.core.errors import CoreError
from tests.core.engine.test_model import engine
from tests.support import ROAD, NumbersCase, case_of, changed


def notes(**fields: object) -> set[str]:
    e = engine(**fields)
    return {n.code for n in plausibility.notices(e, plausibility.figures(e, e.rated_power))}


class Claim(NumbersCase):
    def test_a_sound_two_litre(self) -> None:
        """110 kW at 6000 from 2.0 L at 300 g/kWh and lambda 0.88 fills its cylinders 0.99 (common practice)."""
        e = engine(displacement="2 L", rated_power="110 kW", bsfc="300 g/kWh", excess_air="0.88")
        found = plausibility.figures(e, e.rated_power)
        self.close(found["volumetric_efficiency"], 0.99, abs=0.02)
        self.close(found["rated_bmep_pa"], 11e5, rel=1e-6)

    def test_piston_speed(self) -> None:
        """Twice the stroke for each turn: 86 mm at 6000 is 17.2 m/s, by hand."""
        e = engine(stroke="86 mm")
        self.close(plausibility.figures(e, e.rated_power)["mean_piston_speed_m_s"], 17.2, rel=1e-9)

    def test_nothing_to_say_of_a_sound_engine(self) -> None:
        self.assertEqual(notes(), set())

    def test_tuned_and_not_believable(self) -> None:
        self.assertIn("breathing_tuned", notes(rated_power="150 kW"))
        self.assertIn("breathing_not_believable", notes(rated_power="175 kW"))
        self.assertIn("bmep_high", notes(rated_power="175 kW"))

    def test_piston_speed_is_said(self) -> None:
        self.assertIn("piston_speed", notes(stroke="120 mm"))

    def test_torque_against_power(self) -> None:
        self.assertIn("torque_below_power", notes(peak_torque="150 Nm"))
        self.assertIn("torque_backup", notes(peak_torque="400 Nm"))

    def test_odd_consumption(self) -> None:
        self.assertIn("brake_share", notes(bsfc="200 g/kWh"))


class Refused(NumbersCase):
    def refused(self, field: str, **paths: object) -> CoreError:
        with self.assertRaises(CoreError) as caught:
            validate(case_of(changed(ROAD, **paths)))
        self.assertEqual(caught.exception.field, field)
        self.assertTrue(caught.exception.limit)
        return caught.exception

    def test_more_than_any_such_engine(self) -> None:
        found = self.refused("engine.rated_power", engine__rated_power="400 kW")
        self.assertEqual(found.code, "not_believable")
        self.assertIn("bar", found.message)

    def test_wanted_beyond_belief_names_the_wanted_power(self) -> None:
        self.refused("wanted", wanted="500 kW")

    def test_power_density(self) -> None:
        self.refused("engine.rated_power", engine__rated_power="2 MW", engine__displacement="1 L")

    def test_idle_over_the_red_line(self) -> None:
        self.refused(
            "engine.idle_speed",
            engine__idle_speed="3000 rpm",
            engine__limit_speed="2500 rpm",
            engine__rated_speed="2400 rpm",
        )

    def test_rated_over_the_red_line(self) -> None:
        self.refused("engine.rated_speed", engine__limit_speed="5000 rpm")

    def test_torque_curve_out_of_order(self) -> None:
        self.refused("engine.torque_curve", engine__torque_curve="3000 rpm, 200 Nm\n2000 rpm, 180 Nm")
        self.refused("engine.torque_curve", engine__torque_curve="3000 rpm, 200 Nm")
