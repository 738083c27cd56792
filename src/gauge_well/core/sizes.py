"""Sizes as they are sold: one table for every need and every change.

What shops and breakers have, as a trade knows it (common practice); tubes are those of EN 10255 and imperial exhaust
tube, hoses and bores those of the usual fittings. A need is rounded up in it; what lies over its largest is not bought
but built otherwise.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence

import numpy as np

LITRE_HOUR, CC_MINUTE, MM = 1.0 / 3.6e6, 1.0 / 6e7, 1e-3

# Electric and mechanical fuel pumps, free flow against their rating pressure [m3/s].
PUMPS = tuple(q * LITRE_HOUR for q in (30, 40, 60, 90, 120, 155, 190, 255, 340, 450))
INJECTORS = tuple(
    q * CC_MINUTE
    for q in (
        *(80, 100, 120, 150, 190, 220, 270, 315, 360, 440, 550, 650, 750, 875, 1000),
        *(1200, 1500, 1750, 2200),
    )
)
# Lines of fuel [m], inside.
BORES = tuple(b * MM for b in (4, 5, 6, 8, 10, 12, 15, 19, 22, 25, 32, 38, 50))
# Raw-water pumps, what a new one sweeps at a turn [m3]; suction and wet exhaust hose [m], inside; shaft bar [m].
RAW_PUMPS = tuple(c * 1e-6 for c in (8, 12, 18, 26, 36, 50, 70, 95, 130, 180, 250, 350, 500, 700, 1000))
SEA_HOSES = tuple(b * MM for b in (16, 19, 22, 25, 28, 32, 38, 45, 51, 57, 63, 76, 90, 102, 127, 152))
WET_HOSES = tuple(b * MM for b in (32, 40, 45, 51, 60, 63, 76, 90, 102, 114, 127, 152, 203, 254))
SHAFT_BARS = tuple(d * MM for d in (20, 22, 25, 30, 35, 40, 45, 50, 55, 60, 70, 80, 90, 100, 115, 130))
# Coolant hoses [m], inside.
HOSES = tuple(b * MM for b in (16, 19, 22, 25, 28, 32, 35, 38, 42, 45, 51, 57, 63, 76))
# Exhaust tube [m], outside.
TUBES = np.array([35, 38.1, 44.5, 50.8, 57, 63.5, 70, 76.2, 82.6, 88.9, 101.6, 114.3, 127, 152.4]) * MM
# Ducts of air: snorkels, intake and charge pipes [m], inside; throttles as they are made [m].
DUCTS = tuple(d * MM for d in (25, 32, 38, 45, 51, 57, 63, 70, 76, 89, 102, 114, 127, 152, 203, 254))
THROTTLES = tuple(d * MM for d in (28, 34, 40, 45, 48, 52, 56, 60, 65, 70, 75, 80, 87, 92, 102, 112, 130))
# Radiator cores [m], width and height of the fins, smallest first.
CORES: Sequence[tuple[float, float]] = tuple(
    (w * MM, h * MM)
    for w, h in (
        *((200, 180), (250, 220), (300, 250), (350, 300), (400, 350), (480, 360), (530, 390), (580, 420)),
        *((620, 450), (680, 480), (750, 520), (800, 600), (900, 660), (1000, 750), (1150, 850), (1300, 1000)),
    )
)
# Electric fans: diameter [m], free air on a rig [m3/s], shut-off [Pa].
FAN_DIAMETERS = np.array([0.25, 0.30, 0.35, 0.40, 0.45])
FAN_FREE_AIR = np.array([0.36, 0.55, 0.75, 0.95, 1.15])
FAN_SHUT_OFF = np.array([140.0, 180.0, 220.0, 260.0, 290.0])
# Oil coolers into air [W/K].
OIL_COOLERS = (20.0, 40.0, 60.0, 90.0, 130.0, 180.0, 250.0, 350.0)
# Oil is bought by the litre; what goes in is poured to half of one.
POURED = 0.5e-3


def above(sizes: Iterable[float], now: float, count: int) -> list[float]:
    """Next ``count`` standard sizes above ``now``; one within a fiftieth of it is the same size."""
    return [float(s) for s in sorted(sizes) if s > 1.02 * now][:count]


def below(sizes: Iterable[float], now: float, count: int) -> list[float]:
    """Next ``count`` standard sizes below ``now``, the nearest first."""
    return [float(s) for s in sorted(sizes, reverse=True) if s < 0.98 * now][:count]


def at_least(sizes: Iterable[float], wanted: float) -> float | None:
    """Smallest standard size that is ``wanted`` or more; None where none is so large."""
    return next((float(s) for s in sorted(sizes) if s >= wanted * (1.0 - 1e-9)), None)


def core_at_least(face: float) -> tuple[float, float] | None:
    """Width and height [m] of the smallest core sold with ``face`` [m2]; None where none has it."""
    return next(((w, h) for w, h in CORES if w * h >= face * (1.0 - 1e-9)), None)


def fans_at_least(flow: float) -> tuple[int, float, float] | None:
    """How many fans of what diameter [m], and each one's free air on a rig [m3/s], for ``flow``; None over two."""
    for count in (1, 2):
        for diameter, each in zip(FAN_DIAMETERS, FAN_FREE_AIR, strict=True):
            if count * each >= flow * (1.0 - 1e-9):
                return count, float(diameter), float(each)
    return None


def poured(volume: float) -> float:
    """Oil [m3] up to the next half litre."""
    return float(np.ceil(volume / POURED - 1e-9)) * POURED
