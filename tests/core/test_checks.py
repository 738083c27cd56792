"""Fill, gap and state: the rules of the product, worked by hand."""

import numpy as np

from gauge_well.core.checks import FILL_MAX, State, gap_fill, ratio_fill, worst_of
from tests.support import NumbersCase


class Fill(NumbersCase):
    def test_demand_over_capacity(self) -> None:
        self.close(ratio_fill(np.array([0.0, 50.0, 100.0, 119.0]), 100.0), [0.0, 0.5, 1.0, 1.19])

    def test_no_capacity_is_over_any_brim(self) -> None:
        self.close(ratio_fill(np.array([5.0, 0.0]), 0.0), [FILL_MAX, 0.0])
        self.close(ratio_fill(5.0, -3.0), FILL_MAX)

    def test_clamped_and_never_nan(self) -> None:
        with np.errstate(invalid="ignore"):
            found = ratio_fill(np.array([1e9, -4.0, np.nan, np.inf]), 1.0)
        self.close(found, [FILL_MAX, 0.0, FILL_MAX, FILL_MAX])

    def test_gap(self) -> None:
        """Twice the need 0, the need 1, touching 2, interference beyond."""
        self.close(gap_fill(np.array([0.06, 0.05, 0.025, 0.0, -0.025]), 0.025), [0.0, 0.0, 1.0, 2.0, 3.0])

    def test_states(self) -> None:
        holds, tight, assumed, short = State.HOLDS, State.TIGHT, State.ASSUMED, State.SHORT
        self.assertEqual(worst_of({holds, short, assumed}, True), short)
        self.assertEqual(worst_of({holds, assumed}, True), State.UNKNOWN)
        self.assertEqual(worst_of({holds, assumed, tight}), assumed)
        self.assertEqual(worst_of({holds, tight}), tight)
        self.assertEqual([worst_of({holds}), worst_of(set())], [holds, holds])
