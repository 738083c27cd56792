"""How thick a bundle of round things is."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

# Diameter of the smallest circle round so many equal ones, of theirs (graham1998; proved to thirteen, the best known beyond).
EQUAL = (1.0, 2.0, 2.1547, 2.4142, 2.7013, 3.0, 3.0, 3.3048, 3.6131, 3.8130, 3.9238, 4.0296, 4.2360, 4.3284, 4.5214, 4.6154, 4.7920, 4.8637, 4.8637)  # fmt: skip
LARGE = 0.80  # of the area that many fill
LACED = 1.10  # as laced by hand, over the tightest there is (common practice)


def across(diameters: Sequence[float]) -> float:
    """Diameter of a bundle as laced [m]; nought of none, its own of one alone.

    By the area that so many equal ones fill at their tightest; never less than the two largest side by side.
    """
    sizes = np.sort(np.asarray(diameters, dtype=float))[::-1]
    count = len(sizes)
    if count < 2:
        return float(sizes.sum())
    filled = count / EQUAL[count - 1] ** 2 if count <= len(EQUAL) else LARGE
    tight = max(float(np.sqrt(np.sum(sizes**2) / filled)), float(sizes[0] + sizes[1]))
    return LACED * tight if count > 2 else tight
