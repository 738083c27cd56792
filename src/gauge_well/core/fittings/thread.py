"""Threads of pipes, senders and hoses: what goes in what, by how they differ in size, pitch, angle and taper."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

INCH = 25.4e-3
TAPER = 1.0 / 16.0  # of a taper pipe thread on its diameter (asme b1.20.1, iso7)
CLEAR = 0.15e-3  # m that a usual fit leaves, on the diameter, and along it for turns of another pitch to use up (common practice)
SLACK = 0.25e-3  # m on the diameter past which a thread only rattles (common practice)
# Pitches that a drill is smaller than the pitch diameter (common practice).
DRILLED: Mapping[str, float] = {"m": 0.35, "unf": 0.35, "g": 0.38, "r": 0.7, "npt": 0.94}
TURNS = 10.0  # of a taper thread's own, in which it takes up what it is loose by (common practice)
ENGAGED, ENGAGED_LIGHT = 0.8, 1.2  # of its diameter that holds, in iron and in light alloy (common practice)
LEAST_WALL, SHARE = 2.0e-3, 0.2  # of the diameter, and no less, that is left round a hole (common practice)


@dataclass(frozen=True)
class Series:
    """A standard's threads: flank angle [deg], whether male and female taper, how it seals, its source."""

    label: str
    angle: float
    male_taper: bool
    female_taper: bool
    seal: str
    source: str


SERIES: Mapping[str, Series] = {
    "m": Series("metric", 60.0, False, False, "by a soft washer or an O-ring under its collar", "iso261"),
    "r": Series("BSP taper", 55.0, True, True, "in its thread, with sealant", "iso7"),
    "g": Series("BSP parallel", 55.0, False, False, "by a bonded washer under its collar", "iso228"),
    "npt": Series("NPT", 60.0, True, True, "in its thread, with sealant", "asme b1.20.1"),
    "unf": Series("UNF", 60.0, False, False, "by a cone at 37°, or an O-ring in a chamfered boss", "asme b1.1"),
}


@dataclass(frozen=True)
class Thread:
    """One thread [m]: its diameter over the crests and its pitch; its pitch diameter where a male begins, and at a female's mouth."""

    label: str
    series: str
    major: float
    pitch: float
    male: float
    female: float

    @property
    def of(self) -> Series:
        """Its standard."""
        return SERIES[self.series]

    @property
    def minor(self) -> float:
        """Diameter at its roots [m] (iso261, iso7)."""
        return self.major - (1.2807 if self.of.angle == 55.0 else 1.2269) * self.pitch

    @property
    def drill(self) -> float:
        """Drill for its hole [m], for some three quarters of the flank; a taper one's without a reamer."""
        return self.female - DRILLED[self.series] * self.pitch


def _parallel(label: str, series: str, major: float, pitch: float, depth: float = 0.6495) -> Thread:
    """Of a thread whose pitch diameter is ``major - depth pitch`` [mm] all along (iso261; iso228: 0.6403)."""
    mean = (major - depth * pitch) * 1e-3
    return Thread(label, series, major * 1e-3, pitch * 1e-3, mean, mean)


_M = ((8, 1), (10, 1), (10, 1.25), (10, 1.5), (12, 1.25), (12, 1.5), (12, 1.75), (14, 1.25), (14, 1.5), (16, 1.5), (18, 1.5), (20, 1.5), (22, 1.5), (24, 1.5), (26, 1.5), (27, 2), (30, 1.5))  # fmt: skip
# Major and pitch diameter at the gauge, gauge length [mm], threads an inch (iso7, iso228).
_PIPE = (
    ("1/8", 9.728, 9.147, 4.0, 28), ("1/4", 13.157, 12.301, 6.0, 19), ("3/8", 16.662, 15.806, 6.4, 19),
    ("1/2", 20.955, 19.793, 8.2, 14), ("3/4", 26.441, 25.279, 9.5, 14), ("1", 33.249, 31.770, 10.4, 11),
)  # fmt: skip
# Pipe's outside [mm], pitch diameter at a male's end and at a female's mouth [in], threads an inch (asme b1.20.1).
_NPT = (
    ("1/8", 10.287, 0.36351, 0.37360, 27), ("1/4", 13.716, 0.47739, 0.49163, 18), ("3/8", 17.145, 0.61201, 0.62701, 18),
    ("1/2", 21.336, 0.75843, 0.77843, 14), ("3/4", 26.670, 0.96768, 0.98887, 14), ("1", 33.401, 1.21363, 1.23863, 11.5),
)  # fmt: skip
_UNF = (("3/8", 9.525, 24), ("7/16", 11.113, 20), ("1/2", 12.700, 20), ("9/16", 14.288, 18), ("3/4", 19.050, 16), ("7/8", 22.225, 14), ("1 1/16", 26.988, 12), ("1 5/16", 33.338, 12))  # fmt: skip


def _id(series: str, name: str) -> str:
    return f"{series}_{name}".replace(" ", "_").replace("/", "_").replace(".", "_")


def _threads() -> dict[str, Thread]:
    found = {_id("m", f"{d:g}x{p:g}"): _parallel(f"M{d:g} x {p:g}", "m", d, p) for d, p in _M}
    for name, major, mean, gauge, tpi in _PIPE:
        begins = (mean - gauge * TAPER) * 1e-3
        found[_id("r", name)] = Thread(f"{name} BSP taper", "r", major * 1e-3, INCH / tpi, begins, mean * 1e-3)
    for name, major, *_, tpi in _PIPE:
        found[_id("g", name)] = _parallel(f"{name} BSP parallel", "g", major, 25.4 / tpi, 0.6403)
    for name, major, end, mouth, count in _NPT:
        found[_id("npt", name)] = Thread(f"{name} NPT", "npt", major * 1e-3, INCH / count, end * INCH, mouth * INCH)
    for name, over, whole in _UNF:
        found[_id("unf", name)] = _parallel(f"{name}-{whole:g} UNF", "unf", over, 25.4 / whole)
    return found


THREADS: Mapping[str, Thread] = _threads()


@dataclass(frozen=True)
class Fits:
    """Whether one goes in the other: ``goes``; ``turns`` before it binds by its pitch, None where it does not bind; what to say."""

    goes: bool
    words: str
    turns: float | None = None


def fits(male: Thread, female: Thread) -> Fits:
    """One thread in another: the like goes in; what only looks alike is told by how it goes wrong.

    By pitch diameters where they meet; two pitches apart by ``dp`` use up a fit's clearance ``c`` after ``c / dp`` turns; a taper
    male takes up what it is loose by as it goes in.
    """
    tight, pitch = male.male - female.female, abs(male.pitch - female.pitch)
    turns = CLEAR / pitch if pitch > 1e-6 else None
    if male.label == female.label:
        return Fits(True, f"goes in, seals {male.of.seal}")
    if (male.series, female.series) == ("r", "g") and pitch < 1e-6 and male.major == female.major:
        return Fits(True, "goes in a few turns and wedges: seals with sealant, and spreads a thin boss")
    if (male.series, female.series) == ("g", "r") and pitch < 1e-6 and male.major == female.major:
        return Fits(False, "goes in and nothing seals: no thread of it wedges")
    if tight > CLEAR:
        return Fits(False, "does not enter: it is too large")
    if tight < -SLACK - (TAPER * TURNS * male.pitch if male.of.male_taper else 0.0):
        return Fits(False, "rattles: it is too small")
    if turns is not None and turns < ENGAGED * male.major / male.pitch:
        return Fits(False, f"starts, and binds after {turns:.1f} turns: it looks alike and strips", turns)
    if male.of.angle != female.of.angle:
        return Fits(False, "goes in on flanks of another angle: it weeps and lets go", turns)
    return Fits(False, "goes in and does not seal: a taper and a parallel thread", turns)


@dataclass(frozen=True)
class Wall:
    """What is left round a hole in its boss [m], against what is wanted."""

    left: float
    wanted: float


def wall(boss: float, thread: Thread) -> Wall:
    """Round a thread cut in a boss so wide [m]: to its roots."""
    return Wall(0.5 * (boss - thread.major), max(LEAST_WALL, SHARE * thread.major))


def engaged(thread: Thread, light: bool) -> float:
    """Length in engagement that holds [m]."""
    return (ENGAGED_LIGHT if light else ENGAGED) * thread.major


def adapters(male: Thread, boss: float | None) -> list[Thread]:
    """Threads an adapter's outside could have, so that its wall round ``male``'s hole stays: the next larger ones, the smallest
    of each series first, as the boss lets them be cut."""
    found: list[Thread] = []
    for thread in sorted(THREADS.values(), key=lambda t: t.major):
        room = 0.5 * (thread.minor - male.major)
        if room < LEAST_WALL * 0.75 or thread.series in ("r", "npt") or any(t.series == thread.series for t in found):
            continue
        if boss is not None and (spare := wall(boss, thread)).left < spare.wanted:
            continue
        found.append(thread)
    return found


TURNS_TIGHT = (
    1.5,
    3.0,
)  # turns past hand tight of a taper thread, in which it may come to rest (asme b1.20.1, common practice)


def clocked(at_hand: float, wanted: float) -> float | None:
    """Turns past hand tight at which a taper fitting points where it should; angles in turns, None where it cannot within what seals."""
    more = (wanted - at_hand) % 1.0
    while more < TURNS_TIGHT[0]:
        more += 1.0
    return more if more <= TURNS_TIGHT[1] else None
