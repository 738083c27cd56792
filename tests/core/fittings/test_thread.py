"""Threads against the standards' tables, and what goes in what as the trade knows it."""

from gauge_well.core.fittings.thread import THREADS, adapters, clocked, engaged, fits, wall
from tests.support import NumbersCase


class Tables(NumbersCase):
    def test_pitch_diameters(self) -> None:
        """Of the basic profile [mm] (ISO 724, ISO 228-1, ASME B1.1; from memory), to 5 um."""
        for id, mm in (
            ("m_10x1", 9.350), ("m_12x1_5", 11.026), ("m_14x1_5", 13.026), ("m_18x1_5", 17.026), ("m_22x1_5", 21.026),
            ("g_1_8", 9.147), ("g_1_4", 12.301), ("g_3_8", 15.806), ("g_1_2", 19.793), ("g_3_4", 25.279),
            ("unf_9_16", 13.371), ("unf_7_16", 10.287), ("unf_3_4", 18.019),
        ):  # fmt: skip
            self.close(1e3 * THREADS[id].female, mm, abs=0.005)

    def test_taper_threads_at_their_ends(self) -> None:
        """E0 and E1 of 1/4-18 NPT [in] (ASME B1.20.1); R 1/2 8.2 mm back from its gauge, at 1 in 16 (ISO 7-1)."""
        self.close(THREADS["npt_1_4"].male / 25.4e-3, 0.47739, abs=1e-5)
        self.close(THREADS["npt_1_4"].female / 25.4e-3, 0.49163, abs=1e-5)
        self.close(1e3 * THREADS["r_1_2"].male, 19.793 - 8.2 / 16, abs=1e-6)

    def test_drills(self) -> None:
        """As the tables of taps have them [mm] (common practice), to 0.15."""
        for id, mm in (("m_10x1", 9.0), ("m_12x1_5", 10.5), ("m_14x1_5", 12.5), ("g_1_8", 8.8), ("g_1_4", 11.8), ("npt_1_8", 8.6), ("npt_1_4", 11.1), ("npt_3_8", 14.6), ("unf_9_16", 12.9)):  # fmt: skip
            self.close(1e3 * THREADS[id].drill, mm, abs=0.15)


class GoesIn(NumbersCase):
    def test_the_like_goes_in(self) -> None:
        for id, thread in THREADS.items():
            self.assertTrue(fits(thread, thread).goes, id)

    def test_lookalikes(self) -> None:
        """1/8 NPT and BSP and M10 x 1 start in each other and bind; halves have one pitch and weep (common practice)."""
        for male, female, word in (
            ("npt_1_8", "g_1_8", "binds"), ("npt_1_4", "g_1_4", "binds"), ("npt_1_8", "m_10x1", "binds"), ("g_1_8", "m_10x1", "binds"),
            ("m_10x1_25", "m_10x1", "binds"), ("npt_1_2", "g_1_2", "weeps"), ("m_12x1_5", "m_12x1_75", "enter"), ("m_14x1_5", "npt_1_4", "enter"),
            ("m_16x1_5", "g_1_2", "rattles"),
        ):  # fmt: skip
            found = fits(THREADS[male], THREADS[female])
            self.assertFalse(found.goes, (male, female))
            self.assertIn(word, found.words, (male, female, found.words))

    def test_taper_in_parallel_of_one_family(self) -> None:
        """A BSP taper wedges in a parallel hole; a parallel one in a taper hole seals nothing (ISO 7-1)."""
        self.assertTrue(fits(THREADS["r_1_4"], THREADS["g_1_4"]).goes)
        self.assertFalse(fits(THREADS["g_1_4"], THREADS["r_1_4"]).goes)

    def test_turns_by_hand(self) -> None:
        """27 and 28 threads an inch part by 0.0336 mm a turn: 0.15 mm of clearance is gone after four and a half."""
        turns = fits(THREADS["npt_1_8"], THREADS["g_1_8"]).turns
        assert turns is not None
        self.close(turns, 0.15 / (25.4 / 27 - 25.4 / 28), rel=1e-9)

    def test_walls_and_engagement(self) -> None:
        """A boss of 18 mm round M12 leaves 3; 0.2 of 12 are asked."""
        found = wall(18e-3, THREADS["m_12x1_5"])
        self.close(found.left, 3e-3, rel=1e-9)
        self.close(found.wanted, 2.4e-3, rel=1e-9)
        self.close(engaged(THREADS["m_10x1"], True), 12e-3, rel=1e-9)

    def test_adapters_keep_a_wall(self) -> None:
        male = THREADS["npt_1_8"]
        for thread in adapters(male, 25e-3):
            self.assertGreater(0.5 * (thread.minor - male.major), 1.4e-3)
            self.assertGreaterEqual(wall(25e-3, thread).left, wall(25e-3, thread).wanted)
        self.assertEqual(adapters(male, 13e-3), [])

    def test_clocking(self) -> None:
        """Turns past hand tight from one and a half on, until it points as it should."""
        self.close(clocked(0.0, 0.75) or 0.0, 1.75, rel=1e-9)
        self.close(clocked(0.0, 0.25) or 0.0, 2.25, rel=1e-9)
        self.close(clocked(0.5, 0.0) or 0.0, 1.5, rel=1e-9)
