"""The routing ledger of a build by hand: lengths, what is forgotten, what may not lie together, joints."""

from typing import Any

from gauge_well.core.facts import lists, roles
from gauge_well.core.fittings.spigot import sold, stretch
from gauge_well.core.run.graph import affected
from gauge_well.core.systems import SYSTEMS
from gauge_well.services import sizing
from gauge_well.sheet import SheetError
from tests.core.systems.electrics.builds import FAN, loom
from tests.support import NumbersCase, report


def typed(value: str) -> dict[str, str]:
    return {"text": value, "evidence": "taped"}


def run(what: str, start: str, end: str, **facts: str) -> dict[str, Any]:
    made: dict[str, Any] = {"what": what, "start_along": typed(start), "end_along": typed(end)}
    words = ("starts", "ends", "start_lane", "lane", "end_lane", "moves", "shielded", "edge", "relief", "reached")
    return {"role": "routes.routes", "facts": made | {k: v if k in words else typed(v) for k, v in facts.items()}}


def joint(what: str, **facts: str) -> dict[str, Any]:
    words = ("male", "female", "made_of", "kind", "where")
    return {"role": "routes.joints", "facts": {"what": what} | {k: v if k in words else typed(v) for k, v in facts.items()}}  # fmt: skip


def routed(*parts: dict[str, Any], **facts: Any) -> dict[str, Any]:
    made = loom(FAN, **{"routes__apart": "0.5 m", **facts})
    made["parts"] += list(parts)
    return made


def block(*parts: dict[str, Any], **facts: Any) -> dict[str, Any]:
    found: dict[str, Any] = report(routed(*parts, **facts))["systems"]["routes"]
    return found


def check(found: dict[str, Any], begins: str) -> dict[str, Any]:
    return next(c for c in found["checks"] if c["id"].startswith(begins))


def notes(found: dict[str, Any], code: str) -> list[str]:
    return [n["sentence"] for n in found["notices"] if n["code"] == code]


class Lengths(NumbersCase):
    def test_by_hand(self) -> None:
        """2.5 m along and two lanes across of half a metre, a twentieth more; a tenth of a metre of ends, 150 mm of an end that moves
        either way."""
        found = block(run("oil", "1.0 m", "3.5 m", lane="left", end_lane="right", moves="axle", length="4.0 m"))
        length = check(found, "length_")
        self.close(length["demand"], 1.05 * (2.5 + 1.0) + 0.1 + 0.3, rel=1e-9)
        self.assertEqual((length["class"], length["state"]), ("cost", "short"))

    def test_a_wire_has_its_service_loop(self) -> None:
        plain, wired = (
            next(n for n in block(run(w, "1 m", "2 m"))["need"] if n["part"] == "routes")["value"]
            for w in ("oil", "loom")
        )
        self.close(wired - plain, 0.15, rel=1e-9)

    def test_clips_over_a_length_are_refused(self) -> None:
        with self.assertRaises(SheetError) as caught:
            report(routed(run("oil", "1 m", "2 m", length="0.4 m", clips="0.5 m")))
        self.assertIn("clips", str(caught.exception))


class Dangers(NumbersCase):
    def test_a_bare_edge_by_what_it_would_cut(self) -> None:
        for what, state in (("fuel", "short"), ("brake", "short"), ("battery", "short"), ("bilge", "holds")):
            self.assertEqual(block(run(what, "1 m", "2 m", edge="bare"))["state"], state, what)

    def test_fuel_near_heat(self) -> None:
        found = block(run("fuel", "1 m", "2 m", hot_gap="60 mm"))
        self.assertEqual(check(found, "hot_")["state"], "short")
        self.assertEqual(found["state"], "short")
        self.assertEqual(block(run("oil", "1 m", "2 m", hot_gap="60 mm"))["state"], "holds")
        self.assertEqual(check(block(run("oil", "1 m", "2 m", hot_gap="60 mm", shielded="yes")), "hot_")["state"], "holds")  # fmt: skip

    def test_what_may_not_lie_together_is_named(self) -> None:
        together = block(run("fuel", "1 m", "4 m"), run("battery", "2 m", "3 m"))
        self.assertIn("no common clip", notes(together, "apart")[0])
        self.assertFalse(notes(block(run("fuel", "1 m", "4 m"), run("battery", "2 m", "3 m", lane="right")), "apart"))
        self.assertFalse(notes(block(run("fuel", "1 m", "2 m"), run("battery", "2 m", "3 m")), "apart"))

    def test_an_end_that_hangs_and_moves(self) -> None:
        found = block(run("oil", "1 m", "2 m", moves="engine", relief="no"))
        self.assertTrue([n for n in found["notices"] if n["code"].startswith("relief_")])


class Forgotten(NumbersCase):
    def test_what_other_systems_tell_of(self) -> None:
        """The starter's lead and the fan's wire are stated; one of them is routed."""
        found = block(run("battery", "1 m", "2 m"))
        self.assertIn("wire of radiator fan", notes(found, "forgotten")[0])
        self.assertNotIn("starter lead", notes(found, "forgotten")[0])
        both = block(run("battery", "1 m", "2 m"), run("loom", "1 m", "2 m"))
        self.assertEqual(notes(both, "forgotten"), [])

    def test_what_nobody_stated_is_not_forgotten(self) -> None:
        """Rules give a coolant hose its bore: nobody stated one."""
        view = sizing.view(routed(), "routes", "ledger", {})["data"]
        self.assertEqual({f["path"].split(".")[0] for f in view["forgotten"]}, {"electrics"})

    def test_the_graph_knows_whom_a_run_reaches(self) -> None:
        for system in SYSTEMS.values():
            for place in system.lays:
                self.assertIn(place, {**roles(system.facts), **lists(system.facts)}, system.id)
                self.assertIn("routes", affected(f"{system.id}.{place}.length"))

    def test_the_order_of_laying(self) -> None:
        """What goes in before the engine, then stiff before soft, long before short."""
        view = sizing.view(
            routed(
                run("loom", "1 m", "2 m", starts="a"), run("brake", "1 m", "3 m", starts="b"), run("oil", "1 m", "2 m", starts="c", length="1.3 m"),
                run("oil", "1 m", "2 m", starts="d", length="1.5 m"), run("vent", "1 m", "2 m", starts="e", reached="no"),
            ),
            "routes", "ledger", {},
        )["data"]  # fmt: skip
        self.assertEqual([r["starts"] for r in view["runs"]], ["e", "b", "d", "c", "a"])


class Joints(NumbersCase):
    def test_stretch_by_hand(self) -> None:
        self.close(float(stretch(0.044, 0.038)), 6 / 38, rel=1e-12)
        for spigot, begins, state in (("44 mm", "stretch_", "short"), ("36 mm", "loose_", "short"), ("40 mm", "stretch_", "holds")):  # fmt: skip
            found = block(joint("spigot", hose="38 mm", spigot=spigot))
            self.assertIn(check(found, begins)["state"], (state, "tight") if state == "holds" else (state,), spigot)

    def test_tees_and_reducers_as_they_are_sold(self) -> None:
        """38 in the run and 15.5 of a branch: 38 and 16; a hose of 38 on 44 takes a reducer."""
        words = next(
            n["sentence"] for n in block(joint("tee", hose="38 mm", branch="15.5 mm"))["need"] if n["part"] == "joints"
        )
        self.assertIn("a tee of 38 mm, 38 mm and 16 mm", words.replace("\u00a0", " "))
        words = next(
            n["sentence"] for n in block(joint("spigot", hose="38 mm", spigot="44 mm"))["need"] if n["part"] == "joints"
        )
        self.assertIn("38 to 44 mm", words.replace("\u00a0", " "))
        self.assertIsNone(sold(0.2, 0.08))

    def test_threads_walls_and_adapters(self) -> None:
        found = block(joint("thread", male="npt_1_8", female="m_10x1", boss="13 mm", depth="6 mm"))
        self.assertIn("binds", check(found, "fits_")["sentence"])
        self.assertEqual(check(found, "wall_")["state"], "short")
        self.assertEqual(check(found, "held_")["state"], "short")
        self.assertIn("adapter", next(n["sentence"] for n in found["need"] if n["part"] == "joints"))

    def test_an_elbow_is_clocked(self) -> None:
        found = block(joint("thread", male="npt_1_4", female="npt_1_4", at_hand="0 deg", wanted="90 deg"))
        words = next(n["sentence"] for n in found["notices"] if n["code"].startswith("clocked_"))
        self.assertIn("2.2 turns", words.replace("2.3", "2.2"))

    def test_the_table_of_a_hole(self) -> None:
        view = sizing.view(routed(), "routes", "joints", {"hole": 1.0})["data"]
        self.assertEqual(view["names"][1], view["near"][0]["label"])
        self.assertTrue(view["near"][0]["goes"])
        self.assertFalse(any(t["goes"] for t in view["near"][1:]))
