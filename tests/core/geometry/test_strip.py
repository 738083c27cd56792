"""Runs along a machine by hand and against looking at many places; bundles against packings that are proved."""

import random
from math import pi, sqrt

from gauge_well.core.geometry import bundle, strip
from gauge_well.core.geometry.strip import Track
from tests.support import NumbersCase


class Strip(NumbersCase):
    def test_a_way_by_hand(self) -> None:
        """From the middle to the left, 2.5 m along, to the right: three lanes across."""
        track = Track("a", 1.0, 3.5, (1, 0, 2))
        self.close(track.length(0.5), 2.5 + 1.5, rel=1e-12)
        self.assertEqual(track.legs, [(1.0, 1, 1.0, 0), (1.0, 0, 3.5, 0), (3.5, 0, 3.5, 2)])
        self.assertEqual(Track("b", 2.0, 1.0, (1, 1, 1)).legs, [(2.0, 1, 1.0, 1)])
        self.assertEqual(strip.reach([track]), (1.0, 3.5))
        self.assertEqual(strip.reach([]), (0.0, 1.0))

    def test_crossings_by_hand(self) -> None:
        """One goes from left to right at 2 m: over what runs along the middle there, not over what ends before."""
        over = Track("over", 2.0, 4.0, (0, 2, 2))
        past, short, beside = (
            Track("past", 1.0, 3.0, (1, 1, 1)), Track("short", 0.0, 1.5, (1, 1, 1)), Track("beside", 0.0, 5.0, (2, 2, 2)),
        )  # fmt: skip
        found = strip.crossings([over, past, short, beside])
        self.assertEqual([(c.across, c.along, c.at, c.lane) for c in found], [("over", "past", 2.0, 1)])

    def test_shared_against_looking_everywhere(self) -> None:
        """At five hundred places of random runs the stretch there names the runs that lie there."""
        draw = random.Random(3)
        for _ in range(20):
            tracks = [
                Track(str(i), draw.uniform(0, 5), draw.uniform(0, 5), (draw.randrange(3), draw.randrange(3), draw.randrange(3)))
                for i in range(8)
            ]  # fmt: skip
            parts = strip.shared(tracks)
            for _ in range(500):
                at, lane = draw.uniform(0, 5), draw.randrange(3)
                there = {t.id for t in tracks if t.lanes[1] == lane and t.span[0] < at < t.span[1]}
                said = [set(p.ids) for p in parts if p.lane == lane and p.start < at < p.end]
                self.assertEqual(said, [there] if there else [])


class Bundles(NumbersCase):
    def test_equal_ones_at_their_tightest(self) -> None:
        """One in two, three, four and seven: 2, 1 + 2/sqrt 3, 1 + sqrt 2 and 3 diameters; three and more laced a tenth over."""
        for count, tight in ((1, 1.0), (2, 2.0), (3, 1 + 2 / sqrt(3)), (4, 1 + sqrt(2)), (7, 3.0)):
            self.close(bundle.across([0.01] * count) / 0.01, tight * (1.1 if count > 2 else 1.0), rel=1e-4)

    def test_never_less_than_what_is_in_it(self) -> None:
        draw = random.Random(5)
        for _ in range(200):
            sizes = [draw.uniform(1e-3, 0.04) for _ in range(draw.randint(2, 30))]
            found = bundle.across(sizes)
            self.assertGreater(pi / 4 * found**2, sum(pi / 4 * d**2 for d in sizes))
            self.assertGreaterEqual(found, sum(sorted(sizes)[-2:]) * 0.999)
        self.assertEqual(bundle.across([]), 0.0)
