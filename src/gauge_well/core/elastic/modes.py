"""How a stiff body shakes on its springs, each way by name, and what of a shake it hands on."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

NAMES = ("fore and aft", "sideways", "bounce", "roll", "pitch", "yaw")


@dataclass(frozen=True)
class Modes:
    """Frequencies (..., 6) [Hz], the slowest first; ``share`` (..., 6 modes, 6 ways): of its energy of motion."""

    frequency: Array
    share: Array

    def names(self) -> list[str]:
        """Each mode of the likely case by the way that has most of its energy."""
        share = self.share.reshape(-1, 6, 6)[0]
        return [NAMES[int(k)] for k in share.argmax(axis=1)]

    def of(self, way: str) -> Array:
        """Frequency [Hz] of the mode that has most of a way's energy."""
        k = self.share[..., NAMES.index(way)].argmax(axis=-1)
        return np.asarray(np.take_along_axis(self.frequency, k[..., None], axis=-1)[..., 0])


def modes(k: Array, mass: Array, inertia: Array) -> Modes:
    """Modes of a body of ``mass`` (...) [kg] and ``inertia`` (..., 3) [kg m2] about its own axes on a stiffness (..., 6, 6).

    ``w^2 M x = K x`` made symmetric by the root of the mass (thomson1993, ch. 6); a mode's share of energy along a way is
    the square of its part there.
    """
    heavy = np.concatenate([np.repeat(mass[..., None], 3, axis=-1), inertia], axis=-1)
    root = 1.0 / np.sqrt(heavy)
    values, vectors = np.linalg.eigh(k * root[..., :, None] * root[..., None, :])
    frequency = np.sqrt(np.maximum(values, 0.0)) / (2.0 * np.pi)
    return Modes(frequency, np.swapaxes(vectors**2, -1, -2))


def transmissibility(forced: Value, natural: Value, damping: float) -> Array:
    """Share of a shaking force that passes to what stands (thomson1993, ch. 3).

    ``sqrt((1 + (2 z r)^2) / ((1 - r^2)^2 + (2 z r)^2))``, ``r`` the forced over the natural frequency, ``z`` the share of
    critical damping.
    """
    r = as_array(forced) / as_array(natural)
    lost = (2.0 * damping * r) ** 2
    return np.asarray(np.sqrt((1.0 + lost) / ((1.0 - r**2) ** 2 + lost)))
