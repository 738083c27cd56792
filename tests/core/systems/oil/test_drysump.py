"""A dry sump: tanks by closed forms, their outlets under acceleration, residence, stages; wet and dry beside each other."""

import math

import numpy as np

from gauge_well.core.geometry.free_surface import volume_below
from gauge_well.core.systems.oil import covering, drysump, feeding, remedies
from gauge_well.core.typing import likely
from gauge_well.sheet import SheetError
from tests.core.systems.oil.builds import DRY, notice, shown, with_oil
from tests.support import NumbersCase, changed, check_of, context_of, facts_of, report

UP = np.array([0.0, 0.0, 1.0])


def tank(**facts: object) -> tuple:
    found = facts_of(changed(DRY, **{f"oil__tank__{k}": v for k, v in facts.items()}), "oil")
    return found, drysump.tank_of(found)


class Tanks(NumbersCase):
    def test_upright_by_hand(self) -> None:
        """200 mm across, 400 high: pi/4 d^2 h = 12.57 L; and half of it under half its height."""
        _, found = tank()
        self.close(found.body.volume * 1e3, 12.566, rel=1e-4)
        self.close(volume_below(found.body, UP, np.asarray(0.2)), found.body.volume / 2.0, rel=1e-9)

    def test_lying_by_the_segment(self) -> None:
        """Under a quarter of its height a lying tank holds ``R^2 (acos(u) - u sqrt(1 - u^2))`` with u a half (0.5 %)."""
        _, found = tank(shape="lying")
        self.close(found.body.volume * 1e3, 12.566, rel=1e-4)
        segment = 0.1**2 * (math.acos(0.5) - 0.5 * math.sqrt(0.75)) * 0.4
        self.close(volume_below(found.body, UP, np.asarray(0.05)), segment, rel=0.005)

    def test_box(self) -> None:
        _, found = tank(shape="box", along="150 mm")
        self.close(found.body.volume, 0.2 * 0.15 * 0.4, rel=1e-9)

    def test_what_it_holds_is_what_is_cut_of_it(self) -> None:
        for shape in ("upright", "lying", "box"):
            facts, found = tank(shape=shape, along="150 mm")
            self.close(drysump.volume(facts), found.body.volume, rel=1e-6, note=shape)

    def test_sight_tube_by_hand(self) -> None:
        facts, _ = tank()
        for height, volume in drysump.sight(facts, 8):
            self.close(volume, math.pi / 4 * 0.2**2 * height, rel=1e-4)

    def test_outlet_by_a_boxs_closed_form(self) -> None:
        """A box half full: an outlet in the middle of its floor uncovers when the surface's wedge leaves it. 150 x 400 mm
        with 3 L, 100 mm deep: at tilt t the level in the middle stands while neither foot is dry, then
        ``V = w (a^2 t) / 2`` from the far wall; the middle is bare at ``t = 2 V / (w (L/2)^2)``."""
        facts, found = tank(shape="box", along="150 mm", outlet="0 mm")
        volume = 3e-3
        bare = 2.0 * volume / (0.2 * 0.075**2)
        g = covering.covered(found, drysump.rotation(facts), volume, -1.0, 0.0, scan=np.linspace(0.0, 8.0, 60))
        # Past the roof the wedge is cut off: a closed top keeps it in.
        self.assertGreater(bare, float(g) if float(g) < 3.0 else 2.9)
        low = covering.covered(found, drysump.rotation(facts), 0.5e-3, -1.0, 0.0)
        self.close(low, 2.0 * 0.5e-3 / (0.2 * 0.075**2), abs=2e-3)

    def test_a_lying_tank_lies_along(self) -> None:
        """Braking runs oil along a lying tank's 400 mm, cornering across its 200: it is bared sooner along."""
        facts, found = tank(shape="lying", outlet="0 mm")
        turned = drysump.rotation(facts)
        along, across = (float(covering.covered(found, turned, 1.5e-3, *way)) for way in ((-1.0, 0.0), (0.0, 1.0)))
        self.assertLess(along, across)

    def test_cannot_be(self) -> None:
        for field, facts in (
            ("oil.oil_quantity", {"oil__oil_quantity": "20 L"}),
            (
                "oil.tank.outlet",
                {"oil__tank__height": "250 mm", "oil__tank__outlet": "280 mm", "oil__oil_quantity": "7 L"},
            ),
        ):
            with self.assertRaises(SheetError) as caught:
                report(changed(DRY, **facts))
            self.assertEqual([p.field for p in caught.exception.problems], [field])


class Judged(NumbersCase):
    def test_residence_by_hand(self) -> None:
        """40 L/min for eight seconds at three quarters are 7.1 L gross; at ten, 8.9 (common practice)."""
        self.close(drysump.gross(np.asarray(40 / 6e4), 0.75) * 1e3, 40 / 60 * 8 / 0.75, rel=1e-9)
        found = check_of(report(DRY), "oil", "tank_residence")
        context, facts = context_of(DRY), facts_of(DRY, "oil")
        drawn = likely(np.max(feeding.hot_flow(context, facts)))
        self.close(found["capacity"], 0.82 * 9e-3 / drawn, rel=1e-6)

    def test_stages_against_twice_the_pump(self) -> None:
        """Three of 20 cc at half speed move 30 cc a turn; twice the pump's own are asked."""
        found = check_of(report(DRY), "oil", "scavenge")
        self.close(found["capacity"], 3 * 20e-6 * 0.5 * 6000 / 60, rel=1e-6)
        facts = facts_of(DRY, "oil")
        self.close(found["demand"], 2.0 * likely(feeding.pump_flow(facts, 6000.0)), rel=1e-6)
        self.assertIn("churn air", notice(changed(DRY, oil__scavenge__displacement="60 cc"), "scavenge_large"))

    def test_what_is_missing_is_unknown_and_asks_for_no_pan(self) -> None:
        bare = changed(
            DRY, **{f"oil__{n}": None for n in ("tank__shape", "tank__across", "tank__height", "scavenge__stages")}
        )
        block = report(bare)["systems"]["oil"]
        missing = {f for u in block["unknown"] for f in u["missing"]}
        self.assertEqual(missing, {"oil.tank.shape", "oil.tank.across", "oil.tank.height", "oil.scavenge.stages"})
        self.assertLessEqual({"tank_gross", "scavenge_flow"}, {n["quantity"] for n in block["need"]})

    def test_more_oil_than_its_fill_is_said(self) -> None:
        """12.57 L three quarters full take 9.4: fourteen, less what is up, are over, and over the tank's own volume are refused."""
        found = check_of(report(changed(DRY, oil__oil_quantity="14 L")), "oil", "tank_fill")
        self.assertEqual(found["state"], "short")

    def test_vacuum_draws_seals_in(self) -> None:
        self.assertEqual(check_of(report(DRY), "oil", "vacuum")["state"], "holds")
        self.assertEqual(check_of(report(changed(DRY, oil__vacuum="50 kPa")), "oil", "vacuum")["state"], "short")

    def test_lines_by_their_speed(self) -> None:
        self.assertIn("in the line from the tank", notice(changed(DRY, oil__tank_line__bore="16 mm"), "tank_line"))
        self.assertEqual(notice(changed(DRY, oil__tank_line__bore="32 mm"), "tank_line"), "")


class Beside(NumbersCase):
    def test_wet_held_and_dry(self) -> None:
        """An accumulator takes oil out of the pan and rides out; a tank covers more than a pan, and lets the engine down."""
        wet, held, dry = shown(with_oil(pan__baffle="none", pan__baffle_g=None), "sumps").sumps
        self.assertTrue(wet.fitted)
        self.assertIsNone(wet.rides_out)
        self.assertGreater(held.rides_out, 0.2)
        for a, b in zip(held.covered, wet.covered, strict=True):
            self.assertLessEqual(a, b + 1e-6)
        self.assertGreater(min(dry.covered), min(wet.covered))
        self.close(dry.lower, 0.14 - 0.055, abs=1e-9)

    def test_the_dry_remedy_stands(self) -> None:
        """What the change sets is a dry sump that is judged whole and covered."""
        raw = with_oil(pan__baffle="none", pan__baffle_g=None)
        change = next(c for c in remedies.candidates(context_of(raw), facts_of(raw, "oil")) if c.id == "dry_sump")
        good = changed(raw, oil__pan__baffle="given", oil__pan__baffle_g="2 g")
        served = {c.id for c in remedies.candidates(context_of(good), facts_of(good, "oil"))}
        self.assertFalse(served & {"baffle", "trap", "accumulator", "dry_sump"}, "what is fitted serves")
        texts = {
            path.replace(".", "__"): value if isinstance(value, str) else f"{value}"
            for path, value in change.changes.items()
        }
        units = {"displacement": " m3", "across": " m", "height": " m"}
        texts["oil__tank__filled"] = "75 %"
        texts = {k: v + next((u for n, u in units.items() if k.endswith(n)), "") for k, v in texts.items()}
        block = report(changed(raw, **texts))["systems"]["oil"]
        self.assertEqual(block["unknown"], [])
        self.assertTrue(
            all(c["state"] != "short" for c in block["checks"] if c["id"] in ("tank_outlet", "scavenge", "tank_fill"))
        )
