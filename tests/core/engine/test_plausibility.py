"""Whether a claim is believable: worked examples, and what is refused."""

from gauge_well.core.engine import plausibility
from gauge_well.core.errors import CoreError
from gauge_well.core.run.contexts import validate
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

    def test_what_a_rule_supplied_is_never_odd(self) -> None:
        """No engine is told to check the consumption nobody typed: chamber in the head, two-stroke, boost, gas."""
        for fields in (
            {"fuel": "diesel", "chamber": "indirect", "rated_power": "32 kW", "rated_speed": "3600 rpm"},
            {"fuel": "diesel", "chamber": "direct", "rated_power": "32 kW", "rated_speed": "2800 rpm"},
            {"fuel": "diesel", "aspiration": "turbo", "rated_power": "80 kW", "rated_speed": "4000 rpm"},
            {"cycle": "two_stroke", "rated_power": "60 kW", "rated_speed": "5500 rpm"},
            {"aspiration": "turbo", "rated_power": "160 kW"},
            {"fuel": "lpg", "rated_power": "90 kW"},
        ):
            with self.subTest(fields):
                self.assertNotIn("brake_share", notes(**{"bsfc": None, "excess_air": None, **fields}))

    def test_boost_without_a_charger(self) -> None:
        self.assertIn("boost_without_charger", notes(aspiration="natural", boost="50 kPa"))


class Read(NumbersCase):
    """The claim in one sentence."""

    def read(self, *, boost_stated: bool = False, stroke_stated: bool = False, **fields: object) -> plausibility.Claim:
        e = engine(**fields)
        found = plausibility.figures(e, e.rated_power)
        return plausibility.claim(e, float(e.rated_power), found, boost_stated, stroke_stated)

    def test_believed(self) -> None:
        self.assertTrue(self.read().believable)
        self.assertIn("can be believed", self.read().sentence.template)

    def test_more_than_air_lets_in(self) -> None:
        """175 kW from 2.5 L at 6000 rpm is 14 bar of mean pressure; without boost 12 to 13 is the most (heywood1988)."""
        found = self.read(rated_power="175 kW")
        self.assertFalse(found.believable)
        self.close(found.bmep, 175e3 / (2.5e-3 * 50.0), rel=1e-6)
        self.assertIn("without boost", found.sentence.template)

    def test_boost_is_solved_and_said(self) -> None:
        """Twice the air takes about twice the pressure in the manifold."""
        found = self.read(aspiration="turbo", rated_power="200 kW")
        self.assertTrue(found.believable)
        self.assertIn("of boost", found.sentence.template)
        self.assertTrue(40e3 < found.boost < 130e3, found.boost)

    def test_boost_stated_is_not_doubted(self) -> None:
        much = {"aspiration": "turbo", "rated_power": "310 kW", "boost": "210 kPa"}
        self.assertFalse(self.read(**much).believable)
        self.assertTrue(self.read(boost_stated=True, **much).believable)

    def test_a_stroke_nobody_stated_speaks_of_no_piston(self) -> None:
        self.assertTrue(self.read(stroke="140 mm").believable)
        self.assertFalse(self.read(stroke_stated=True, stroke="140 mm").believable)


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
