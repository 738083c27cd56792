"""Each fault moves its gauges the way the trade knows it, on the build's own model."""

import unittest

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.start.faults import infer
from gauge_well.core.start.faults.cause import SOUND
from gauge_well.core.start.faults.symptoms import GROUPS, SYMPTOMS, symptom
from tests.core.start.made import bare
from tests.core.start.seeded import AIR, worked

MULE, OTTER = "quarry-mule", "reed-otter"


def reads(group: str, cause: str, check: str, size: float = 1.0, name: str = MULE) -> float:
    field, _ = worked(name, group)
    row = np.flatnonzero((field.cause == [c.id for c in field.causes].index(cause)) & (field.size == size))[0]
    return float(field.mean[row, field.at(check)])


class Faults(unittest.TestCase):
    def over(self, group: str, cause: str, check: str, by: float, name: str = MULE) -> None:
        """It reads over a sound one by so much at least; under it where that is negative."""
        off = reads(group, cause, check, name=name) - reads(group, SOUND, check, name=name)
        self.assertTrue(off >= by if by > 0 else off <= by, (cause, check, off))

    def test_coolant(self) -> None:
        self.over("cooling", "thermostat_shut", "gauge", 15.0)
        self.over("cooling", "thermostat_shut", "leaves", -30.0)
        self.over("cooling", "fan_dead", "gauge", 10.0)
        self.over("cooling", "fan_dead", "leaves", 15.0)
        self.over("cooling", "sender_high", "gauge_cold", 10.0)
        self.over("cooling", "sender_low", "gauge", -10.0)
        self.over("cooling", "air", "gauge_heavy", 5.0)
        self.over("cooling", "core", "gauge_heavy", 5.0)
        self.over("cooling", "fan_dead", "fan_amps", -5.0)
        # A sender that lies moves no coolant.
        self.assertAlmostEqual(reads("cooling", "sender_high", "head"), reads("cooling", SOUND, "head"), places=6)

    def test_a_boats_coolant(self) -> None:
        self.over("cooling", "thermostat_open", "gauge", -20.0, OTTER)
        self.over("cooling", "raw", "outlet_water", -1e-5, OTTER)
        self.over("cooling", "core", "gauge_heavy", 10.0, OTTER)

    def test_oil(self) -> None:
        self.over("oil", "worn", "gauge", -20e3)
        self.over("oil", "bearings", "gauge", -20e3)
        # Worn bearings pass what the pump moves; a worn pump moves less of it.
        self.assertAlmostEqual(reads("oil", "bearings", "moved"), reads("oil", SOUND, "moved"), places=9)
        self.assertAlmostEqual(reads("oil", "worn", "moved") / reads("oil", SOUND, "moved"), 0.5, places=6)
        # A relief that hangs shows cold, where it matters, and not idling hot.
        self.over("oil", "relief", "gauge_cold", -100e3)
        self.assertAlmostEqual(reads("oil", "relief", "gauge"), reads("oil", SOUND, "gauge"), delta=1e3)
        # A wrong gauge leaves the second gauge where it was.
        self.assertAlmostEqual(reads("oil", "sender", "second"), reads("oil", SOUND, "second"), places=6)
        self.assertEqual(reads("oil", "unprimed", "second"), 0.0)

    def test_fuel(self) -> None:
        self.over("fuel", "filter", "across", 50e3)
        self.over("fuel", "wire", "volts", -3.5)
        self.over("fuel", "regulator", "rail", -60e3)
        self.over("fuel", "worn", "can", -0.4 * reads("fuel", SOUND, "can"))
        self.over("fuel", "sieve", "vacuum", 10e3)
        self.over("fuel", "worn", "rail_heavy", -100e3)
        # What is weak holds idling all the same.
        self.assertAlmostEqual(reads("fuel", "worn", "rail"), reads("fuel", SOUND, "rail"), delta=2e3)
        self.assertEqual(reads("fuel", "no_power", "rail_key"), 0.0)

    def test_cranking(self) -> None:
        self.over("cranking", "flat", "rest", -0.8)
        self.over("cranking", "weak", "posts", -1.0)
        self.over("cranking", "ground", "back", 2.0)
        self.over("cranking", "lead", "positive", 2.0)
        self.over("cranking", "no_signal", "signal", -10.0)
        self.over("cranking", "starter", "speed", -20.0)
        self.over("cranking", "tight", "speed", -30.0)
        self.assertEqual(reads("cranking", "hydraulic", "speed"), 0.0)

    def test_charging(self) -> None:
        self.over("charge", "dead", "idle", -1.5)
        self.over("charge", "over", "fast", 1.4)
        self.over("charge", "under", "fast", -0.9)
        self.over("charge", "wire", "idle", -1.0)
        # Not woken at idle it charges as it is revved; a dead one never.
        self.assertGreater(reads("charge", "asleep", "fast") - reads("charge", "asleep", "idle"), 1.5)
        self.assertLess(abs(reads("charge", "dead", "fast") - reads("charge", "dead", "idle")), 0.2)
        # Its stud stands no higher than its regulator holds.
        for cause in ("wire", SOUND, "belt"):
            self.assertLess(reads("charge", cause, "stud"), 14.5)

    def test_raw_water(self) -> None:
        self.over("wet", "seacock", "hose", 40.0, OTTER)
        self.over("wet", "impeller", "bucket", -0.4 * reads("wet", SOUND, "bucket", name=OTTER), OTTER)

    def test_a_half_lies_between_sound_and_whole(self) -> None:
        for group, cause, check in (
            ("oil", "worn", "gauge"),
            ("fuel", "filter", "across"),
            ("charge", "wire", "idle"),
            ("cranking", "weak", "posts"),
        ):
            whole, half, none = (reads(group, cause, check, s) for s in (1.0, 0.5, 1.0))
            none = reads(group, SOUND, check)
            self.assertTrue(min(whole, none) <= half <= max(whole, none), (group, cause))

    def test_chances_of_what_is_seen_are_chances(self) -> None:
        for name, group in (
            (MULE, "cooling"),
            (MULE, "oil"),
            (MULE, "fuel"),
            (MULE, "cranking"),
            (MULE, "charge"),
            (OTTER, "wet"),
            (OTTER, "cooling"),
        ):
            field, _ = worked(name, group)
            for k, check in enumerate(field.checks):
                if check.outcomes:
                    own = field.chance[:, k, : len(check.outcomes)]
                    np.testing.assert_allclose(own.sum(axis=1), 1.0, atol=1e-9, err_msg=f"{group} {check.id}")
                    self.assertGreater(own.min(), 0.0)
                else:
                    self.assertTrue(check.kind, check.id)

    def test_two_gauges_of_one_quantity_share_the_models_doubt(self) -> None:
        field, _ = worked(MULE, "oil")
        a, b = field.at("gauge"), field.at("second")
        own = field.spread[0]
        self.assertGreater(own[a, b] / np.sqrt(own[a, a] * own[b, b]), 0.6)

    def test_each_symptom_leads_somewhere(self) -> None:
        for own in SYMPTOMS:
            self.assertEqual(symptom(own.id), own)
            self.assertTrue(own.group in GROUPS if own.group else len(own.steps) >= 4, own.id)
        with self.assertRaises(KeyError):
            symptom("nothing")

    def test_a_runaway_is_stopped_by_its_air_and_never_by_its_fuel(self) -> None:
        told = symptom("runaway").at_once
        for words in ("Block the intake", "Stand clear", "Never open the fuel"):
            self.assertIn(words, told)

    def test_what_is_not_known_is_named(self) -> None:
        for group in GROUPS.values():
            with self.assertRaises(MissingFact):
                group.foretell(bare(), AIR)

    def test_something_that_no_cause_makes_is_said_to_be_so(self) -> None:
        field, _ = worked(MULE, "cooling")
        # Boiling at the neck and ice-cold at the gauge.
        belief = infer.believe(field, {"head": 400.0, "gauge": 280.0, "gauge_cold": 330.0})
        self.assertEqual(infer.answer(field, belief, ("idle", "off")).kind, "strange")
