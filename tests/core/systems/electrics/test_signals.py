"""Signals listed, made up and lost; gauges off; the speedometer; a lost signal holds the fans."""

from typing import Any

from gauge_well.core.electrical.signals import SIGNALS, START, wanted
from gauge_well.sheet.demo import demo
from tests.core.systems.electrics.builds import loom
from tests.support import NumbersCase, check_of, report

ALL = wanted("spark")


def pin(what: str, source: str = "real", state: str = "works", **more: str) -> dict[str, Any]:
    return {"role": "electrics.signals", "facts": {"what": what, "source": source, "state": state, **more}}


def wired(*pins: dict[str, Any], **facts: Any) -> dict[str, Any]:
    """The test build with pins listed."""
    made = loom(**{"electrics__computer": "kept", **facts})
    made["parts"] += list(pins)
    return made


def block(*pins: dict[str, Any], **facts: Any) -> dict[str, Any]:
    found: dict[str, Any] = report(wired(*pins, **facts))["systems"]["electrics"]
    return found


def codes(found: dict[str, Any]) -> set[str]:
    return {n["code"] for n in found["notices"]}


def sender(what: str, own: str, gauge: str | None, **more: Any) -> dict[str, Any]:
    kind = {"coolant": "temperatures", "oil_pressure": "pressures", "level": "levels"}[what]
    facts = {"what": what, kind: {"text": own, "evidence": "taped"}, **more}
    if gauge is not None:
        facts[f"gauge_{kind}"] = {"text": gauge, "evidence": "taped"}
    return {"role": "electrics.senders", "facts": facts}


def typed(value: str) -> dict[str, str]:
    return {"text": value, "evidence": "sheet"}


class Listed(NumbersCase):
    def test_all_there_holds(self) -> None:
        found = block(*(pin(id) for id in ALL))
        self.assertEqual(found["state"], "holds")
        self.assertFalse(codes(found) & {"not_listed", "untested", "only_lamps"})

    def test_one_lost_is_named_with_what_it_does(self) -> None:
        found = block(*(pin(id, "missing" if id == "crank_position" else "real") for id in ALL))
        check = next(c for c in found["checks"] if c["id"] == "signals_start")
        self.assertEqual((check["class"], check["state"]), ("limit", "short"))
        self.assertIn("Crank position is missing: no spark", check["sentence"])

    def test_one_that_limits_is_a_cost(self) -> None:
        found = block(*(pin(id, state="broken" if id == "lambda" else "works") for id in ALL))
        check = next(c for c in found["checks"] if c["id"] == "signals_run")
        self.assertEqual((check["class"], check["state"]), ("cost", "short"))
        self.assertEqual(found["state"], "holds")

    def test_a_lamp_is_a_lamp(self) -> None:
        found = block(*(pin(id, "missing" if id == "tacho" else "real") for id in ALL))
        self.assertEqual(found["state"], "holds")
        self.assertIn("only_lamps", codes(found))

    def test_what_nobody_said_is_unknown_and_not_short(self) -> None:
        found = block(pin("supply"), {"role": "electrics.signals", "facts": {"what": "key"}})
        self.assertEqual(found["state"], "unknown")
        self.assertIn("electrics.signals.signal_2.source", found["unknown"][0]["missing"])
        self.assertEqual({c["state"] for c in found["checks"] if c["part"] == "signals"}, {"holds"})

    def test_nothing_listed_asks_nothing(self) -> None:
        self.assertNotIn("signals", {c["part"] for c in block()["checks"]})

    def test_an_engine_without_a_computer(self) -> None:
        found = block(pin("supply"), electrics__computer="none")
        self.assertNotIn("signals", {c["part"] for c in found["checks"]})

    def test_never_made_up(self) -> None:
        for what in ("brake", "crash", "oil_pressure", "coolant_temperature", "neutral", "purge"):
            for source in ("mimicked", "dropped"):
                check = next(c for c in block(pin(what, source))["checks"] if c["id"].startswith("never_"))
                self.assertEqual(check["state"], "short", what)
                self.assertIn("may not be made up", check["sentence"])
        self.assertFalse(
            [c for c in block(pin("air_conditioning", "mimicked"))["checks"] if c["id"].startswith("never_")]
        )

    def test_two_controllers(self) -> None:
        """Both drive the pump, both pull one sensor up; a fan of each is none of the two's business."""
        both = [pin(w, controller=c) for w in ("pump", "coolant_temperature", "key") for c in ("first", "second")]
        ids = {c["id"] for c in block(*both, electrics__computer="both")["checks"] if c["state"] == "short"}
        self.assertLessEqual({"conflict_pump", "conflict_coolant_temperature"}, ids)
        self.assertNotIn("conflict_key", ids)

    def test_on_the_stand(self) -> None:
        self.assertIn("on_the_stand", codes(block(pin("key", "stand"))))

    def test_the_machines_own_electrics(self) -> None:
        """Steering without its signal is named and stops nothing; off the road nobody asks for it."""
        found = block(*(pin(id) for id in ALL), pin("running", "missing"))
        self.assertEqual(found["state"], "holds")
        self.assertTrue(any("electric steering stays dead" in n["sentence"] for n in found["notices"]))

    def test_the_chain_of_the_immobiliser(self) -> None:
        """Aerial, box and key: one of them missing and it does not start."""
        for link in ("key_ring", "immobiliser", "paired_key"):
            found = block(*(pin(id, "missing" if id == link else "real") for id in ALL))
            self.assertEqual(found["state"], "short", link)

    def test_the_least_that_lets_it_fire(self) -> None:
        """All but crank position and immobiliser; a changed program spares the key's box."""
        there = [pin(id) for id in ALL if id not in ("crank_position", "immobiliser")]
        kept = next(n for n in block(*there)["need"] if n["part"] == "signals")
        self.close(kept["value"], 3600.0 * (SIGNALS["crank_position"].hours + SIGNALS["immobiliser"].hours), rel=1e-9)
        flashed = next(n for n in block(*there, electrics__computer="flashed")["need"] if n["part"] == "signals")
        self.close(flashed["value"], 3600.0 * SIGNALS["crank_position"].hours, rel=1e-9)
        self.assertIn("programmed out", flashed["sentence"])
        self.assertTrue(all(SIGNALS[id].lost == START for id in ("crank_position", "immobiliser")))


class Gauges(NumbersCase):
    def test_a_gauge_off_and_matched(self) -> None:
        """90 ohm read as full at 73 is over by 17 of 63."""
        found = block(sender("level", "0 %, 0.5 ohm\n100 %, 90 ohm", "0 %, 10 ohm\n100 %, 73 ohm"))
        check = next(c for c in found["checks"] if c["id"].startswith("gauge_"))
        self.close(check["demand"], 17.0 / 63.0, rel=1e-6)
        self.assertEqual((check["class"], check["state"]), ("cost", "short"))
        words = next(n["sentence"] for n in found["need"] if n["part"] == "senders")
        self.assertIn("in its line", words)

    def test_the_wrong_way_round_is_said(self) -> None:
        found = block(sender("oil_pressure", "0 kPa, 10 ohm\n500 kPa, 180 ohm", "0 kPa, 240 ohm\n500 kPa, 33 ohm"))
        check = next(c for c in found["checks"] if c["id"].startswith("gauge_"))
        self.assertIn("no resistors turn that round", check["sentence"])
        self.assertFalse([n for n in found["need"] if n["part"] == "senders"])

    def test_reading_low_where_it_matters_is_a_danger(self) -> None:
        found = block(sender("coolant", "20 C, 1250 ohm\n120 C, 55 ohm", "20 C, 600 ohm\n120 C, 26 ohm"))
        check = next(c for c in found["checks"] if c["id"].startswith("hides_"))
        self.assertEqual(check["state"], "short")
        self.assertTrue(check["demand"] > 10.0)

    def test_a_thread_that_binds(self) -> None:
        found = block(sender("oil_pressure", "0 kPa, 10 ohm\n500 kPa, 180 ohm", None, thread="npt_1_8", hole="m_10x1"))
        check = next(c for c in found["checks"] if c["id"].startswith("thread_"))
        self.assertIn("binds after", check["sentence"])
        self.assertEqual(check["state"], "short")

    def test_points_that_turn_back_are_no_curve(self) -> None:
        found = block(sender("level", "0 %, 10 ohm\n50 %, 90 ohm\n100 %, 70 ohm", "0 %, 10 ohm\n100 %, 73 ohm"))
        self.assertFalse([c for c in found["checks"] if c["part"] == "senders"])

    def test_a_pull_up_of_another_table(self) -> None:
        own = sender("coolant", "20 C, 2500 ohm\n100 C, 180 ohm", None, goes="computer", pull_own=typed("1 kohm"), pull_table=typed("2.49 kohm"))  # fmt: skip
        found = block(own)
        words = next(n["sentence"] for n in found["notices"] if n["code"].startswith("pull_"))
        self.assertIn("cold, which is the dangerous side", words)
        self.assertEqual(next(c for c in found["checks"] if c["id"].startswith("hides_"))["state"], "short")


class Speedometer(NumbersCase):
    SPEED = {"role": "electrics.speed", "facts": {"teeth": typed("4"), "final": typed("3.9"), "radius": typed("308 mm"), "wants": typed("4971")}}  # fmt: skip

    def with_converter(self, times: str, by: str) -> dict[str, Any]:
        facts = {**self.SPEED["facts"], "times": typed(times), "by": typed(by)}  # type: ignore[dict-item]
        return block({"role": "electrics.speed", "facts": facts})

    def states(self, found: dict[str, Any]) -> tuple[str, str]:
        by = {c["id"]: c["state"] for c in found["checks"]}
        return by["speed_under"], by["speed_over"]

    def test_the_band(self) -> None:
        """8,061 pulses for 4,971: as it is 62 % over; 8 for 13 a fifth of a hundredth under; 5 for 8 1.4 % over."""
        self.assertEqual(self.states(block(self.SPEED))[1], "short")
        self.assertEqual(self.states(self.with_converter("8", "13"))[0], "short")
        under, over = self.states(self.with_converter("5", "8"))
        self.assertNotIn("short", (under, over))

    def test_a_converter_is_named(self) -> None:
        words = next(n["sentence"] for n in block(self.SPEED)["need"] if n["part"] == "speed")
        self.assertIn("gives 5 for 8", words)


class FansHeld(NumbersCase):
    def mule(self, said: str | None, lost: bool = True) -> dict[str, Any]:
        made = demo("quarry-mule")
        for part in made["parts"]:
            if part.get("role") == "electrics.signals" and part["facts"]["what"] == "air_conditioning" and lost:
                part["facts"]["source"] = "missing"
        if said:
            made["cooling"]["fan_request_lost"] = said
        return report(made)

    def test_only_what_somebody_said_is_taken_off(self) -> None:
        """Unsaid how the controller then runs its fan, the verdict stays; at half speed it carries less."""
        plain, unsaid, half, ever = (check_of(self.mule(*how), "cooling", "heat", "grade")["fill"] for how in ((None, False), (None,), ("half",), ("as_ever",)))  # fmt: skip
        self.close(unsaid, plain, rel=1e-9)
        self.close(ever, plain, rel=1e-9)
        self.assertGreater(half, 1.1 * plain)
        self.assertIn("fan_held", {n["code"] for n in self.mule(None)["systems"]["cooling"]["notices"]})
