"""Cross-flow effectiveness against a general heat-transfer library's exact form and known limits."""

import numpy as np
from ht import effectiveness_from_NTU

from gauge_well.core.heat.effectiveness import crossflow_unmixed_mason
from tests.support import NumbersCase


class CrossFlow(NumbersCase):
    def test_against_the_library(self) -> None:
        for ntu in (0.05, 0.3, 1.0, 1.42, 2.5, 5.0, 9.0):
            for ratio in (0.01, 0.25, 0.5, 0.8, 1.0):
                exact = effectiveness_from_NTU(ntu, ratio, subtype="crossflow")
                self.close(crossflow_unmixed_mason(ntu, ratio), exact, abs=2e-6, note=f"{ntu} {ratio}")

    def test_one_stream_that_does_not_change(self) -> None:
        """C = 0: 1 - exp(-N)."""
        ntu = np.array([0.1, 1.0, 3.0, 12.0])
        self.close(crossflow_unmixed_mason(ntu, 0.0), -np.expm1(-ntu), rel=1e-12)
        self.close(crossflow_unmixed_mason(ntu, 1e-5), -np.expm1(-ntu), abs=2e-5)

    def test_small_and_large(self) -> None:
        """N small: effectiveness N; N large and C = 1 stays under 1 and keeps rising."""
        self.close(crossflow_unmixed_mason(1e-6, 0.7), 1e-6, rel=1e-5)
        large = crossflow_unmixed_mason(np.array([5.0, 10.0, 20.0, 30.0, 300.0]), 1.0)
        self.rising(large[:4])
        self.close(large[4], large[3], abs=1e-12)
        self.between(large, 0.0, 1.0)

    def test_array_equals_scalar(self) -> None:
        ntu, ratio = np.meshgrid(np.geomspace(0.01, 25.0, 13), np.linspace(0.0, 1.0, 9))
        grid = crossflow_unmixed_mason(ntu, ratio)
        each = [
            [float(crossflow_unmixed_mason(n, c)) for n, c in zip(*row, strict=True)]
            for row in zip(ntu, ratio, strict=True)
        ]
        self.close(grid, each, abs=1e-12)

    def test_rises_with_ntu_and_falls_with_ratio(self) -> None:
        self.rising(crossflow_unmixed_mason(np.geomspace(0.01, 20.0, 50), 0.6))
        self.falling(crossflow_unmixed_mason(2.0, np.linspace(0.05, 1.0, 20)))
