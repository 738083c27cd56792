"""Dial readings made from an engine that really lies so, and shims put in until the dial reads nought."""

import numpy as np

from gauge_well.core.strength import coupling
from tests.support import NumbersCase

MM = 1e-3


def dial(offset: float, slope: float, across: float, sag: float = 0.0) -> tuple[float, float, float, float]:
    """What a dial on the shaft's half reads (face top and bottom, rim top and bottom) of an engine half whose centre lies ``offset``
    high and whose axis rises by ``slope`` ahead: from points of that half in space, the plunger pushed in counting up."""
    axis = np.array([1.0, slope]) / np.hypot(1.0, slope)  # ahead, up
    across_axis = np.array([-axis[1], axis[0]])
    top, bottom = (np.array([0.0, offset]) + sign * across / 2 * across_axis for sign in (1, -1))
    # The face nearer to the shaft's half, that is further aft, pushes the plunger in.
    face = -top[0], -bottom[0]
    # The rim further out pushes it in; the bracket sags by so much, seen from the top to the bottom twice.
    rim = top[1] - across / 2, -bottom[1] - across / 2 - 2 * sag
    return (*face, *rim)


class Readings(NumbersCase):
    def test_how_it_lies(self) -> None:
        """Offset and angle are found again as they were (1e-6 of a small angle's square)."""
        for offset, slope in ((0.16 * MM, 1.3e-3), (-0.4 * MM, 0.8e-3), (0.3 * MM, -2e-3)):
            found = coupling.lies(*dial(offset, slope, 0.12), 0.12)
            self.close(float(found.offset), offset, abs=1e-6)
            self.close(float(found.angle), slope, rel=1e-4)

    def test_sag(self) -> None:
        """A bracket that hangs by 0.05 mm reads a true coupling low at the bottom; taken off, it is true."""
        read = dial(0.0, 0.0, 0.12, 0.05 * MM)
        self.close(float(coupling.lies(*read, 0.12).offset), 0.05 * MM, abs=1e-9)
        self.close(float(coupling.lies(*read, 0.12, 0.05 * MM).offset), 0.0, abs=1e-9)

    def test_the_trades_example(self) -> None:
        """.10 and -.06 at the face of 120 mm, .22 and -.10 at the rim: -.49 at 247 mm, -1.36 at 900 (by hand)."""
        found = coupling.lies(0.10 * MM, -0.06 * MM, 0.22 * MM, -0.10 * MM, 0.12)
        self.close(float(coupling.move(found, 0.2475)), -0.49 * MM, abs=0.005 * MM)
        self.close(float(coupling.move(found, 0.9)), -1.36 * MM, abs=0.005 * MM)

    def test_put_in_it_reads_nought(self) -> None:
        """The engine moved in space by its shims, read again: under a hundredth of a millimetre, and nought as ``moved`` says."""
        front, back = 0.69, 0.24
        for offset, slope in ((0.16 * MM, 1.3e-3), (-0.7 * MM, -2.1e-3)):
            found = coupling.lies(*dial(offset, slope, 0.12), 0.12)
            up_front, up_back = (float(coupling.move(found, x)) for x in (front, back))
            # The axis passes the feet's stations at these heights, then moved.
            heights = [offset + slope * x + up for x, up in ((front, up_front), (back, up_back))]
            after_slope = (heights[0] - heights[1]) / (front - back)
            after_offset = heights[1] - after_slope * back
            again = dial(after_offset, after_slope, 0.12)
            self.assertLess(max(abs(again[0] - again[1]), abs(again[2] - again[3])), 0.01 * MM)
            left = coupling.moved(found, up_front, up_back, front, back)
            face, rim = coupling.readings(left, 0.12)
            self.close(float(face), 0.0, abs=1e-12)
            self.close(float(rim), 0.0, abs=1e-12)

    def test_a_high_front_comes_down(self) -> None:
        """Faces open at the bottom, the engine's half nearer at the top: its front is high, and shims come out."""
        found = coupling.lies(0.1 * MM, 0.0, 0.0, 0.0, 0.1)
        self.assertLess(float(coupling.move(found, 0.6)), 0.0)
