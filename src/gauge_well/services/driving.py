"""A drive of a build: worked second by second, its worst moments, a log beside it, its worst minutes as a duty."""

from __future__ import annotations

import csv
import io
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Any

import numpy as np

from gauge_well.core.case import BuildCase
from gauge_well.core.drive import course, made
from gauge_well.core.drive.course import Course
from gauge_well.core.drive.logger import FAULTS, played
from gauge_well.core.drive.tables import Day
from gauge_well.core.drive.track import Track
from gauge_well.core.errors import CoreError, MissingFact
from gauge_well.core.fitted.kept import homes_of
from gauge_well.core.fitted.predict import WHATS
from gauge_well.core.fitted.steady import Stretch, bridged, smoothed, stretches, without_spikes
from gauge_well.core.media.fuels import burning
from gauge_well.core.typing import Array, likely_or_none
from gauge_well.formats.log import CHANNELS, dead_of
from gauge_well.formats.recorded import names_of
from gauge_well.services.errors import Refused
from gauge_well.services.models_readings import DriveOut, EditLine, SeriesOut, StretchOut, WorstOut
from gauge_well.services.recordings import as_drive
from gauge_well.services.sizing import check
from gauge_well.services.starting import Facts, moment
from gauge_well.sheet import Resolved, Sheet
from gauge_well.sheet.readings import AIR, homes_text
from gauge_well.units import UNITS, show
from gauge_well.units.printing import Preference, convert, unit_for

POINTS = 480  # of a series, as it is shown
STRETCHES = 8  # stretches that are offered
WORST_FOR, LEAST_FOR = 600.0, 120.0  # s of a drive that make a duty
# Senders whose plugs come loose; a gear that is changed is no spike.
SPIKED = ("coolant", "oil_temperature", "outlet", "intake", "oil_pressure", "rail", "volts")
OF_LOG: Mapping[str, str] = {"coolant": "coolant", "outlet": "outlet", "oil_temperature": "oil"}


@dataclass(frozen=True, eq=False)
class Source:
    """What is driven: a track, what was logged along it [SI], when it began."""

    id: str
    label: str
    about: str
    track: Track
    turns: Array | None
    logged: Mapping[str, Array]
    begins: datetime | None


def source_of(case: BuildCase, drive: str, name: str, content: bytes | None, begins: datetime | None) -> Source:
    """A drive that ships, or a recording; Refused where there is none such."""
    if content is not None:
        try:
            own = as_drive(content)
        except CoreError as error:
            raise Refused("recording", str(error.value)[:40], error.limit, error.message) from None
        return Source(drive, name, "", own.track, own.turns, own.channels, begins)
    if drive not in made.SHIPPED:
        raise Refused("drive", drive[:40], ", ".join(made.SHIPPED), "There is no such drive.")
    shipped = made.SHIPPED[drive]
    most = likely_or_none(case.machine.top_speed) if case.machine.kind == "boat" else None
    track = made.track_of(shipped, None if most is None else 0.98 * most)
    return Source(drive, shipped.label, shipped.about, track, None, {}, None)


def day_of(sheet: Sheet, source: Source) -> tuple[Day, bool]:
    """The day a drive is made in: its air as logged, else as stated, else 20 degC; and whether anybody said."""
    said = sheet.readings
    read = source.logged.get("ambient")
    logged = float(np.nanmedian(read)) if read is not None and np.isfinite(read).any() else None
    air = logged if logged is not None else AIR if said.air is None else said.air
    first = source.logged.get("coolant")
    seen = first[np.isfinite(first)] if first is not None else np.zeros(0)
    cold = said.begins == "cold" if seen.size == 0 else bool(seen[0] < air + 25.0)
    height = float(source.track.height[0])
    return Day(
        air, height, "cold" if cold else "warm", 1.0 if said.tow else 0.0
    ), logged is not None or said.air is not None


def drive_of(
    raw: Mapping[str, Any], drive: str, name: str = "", content: bytes | None = None, begins: datetime | None = None
) -> dict[str, Any]:
    """A drive of a build, worked; a shipped one by its id, or a recording by its bytes."""
    sheet, resolved = check(raw)
    case = resolved.case
    source = source_of(case, drive, name, content, begins)
    day, stated = day_of(sheet, source)
    track = source.track
    try:
        found: Course | None = course.along(case, track, day, source.turns)
        missing: Sequence[str] = ()
    except MissingFact as error:
        found, missing = None, (error.field,)
    cleaned = {id: without_spikes(v) if id in SPIKED else v for id, v in source.logged.items()}
    step = max(-(-track.time.size // POINTS), 1)
    # By the grade, which is a line through many heights: a noisy altimeter climbs all day.
    climbed = float(np.sum(np.maximum(track.grade, 0.0) * track.speed))
    density = _density(case)
    fuel = 0.0 if found is None else float(found.fuel[-1])
    dead = dead_of(source.logged)
    smooth = {id: smoothed(bridged(cleaned[id])) for id in OF_LOG if id in cleaned and id not in dead}
    smooth = {id: values for id, values in smooth.items() if np.isfinite(values).any()}
    out = DriveOut(
        id=source.id,
        label=source.label,
        about=source.about,
        logged=bool(set(source.logged) - {"speed", "height"}),
        seconds=float(track.time[-1]),
        distance=float(track.distance[-1]),
        climbed=climbed,
        fuel=fuel,
        fuel_volume=fuel / density if density else 0.0,
        ambient=day.ambient,
        ambient_stated=stated,
        time=[float(t) for t in track.time[::step]],
        series=_series(found, source, cleaned, step, dead),
        worst=[]
        if found is None
        else [
            *_logged(found, track, smooth, sheet.prefer),
            *_worst(found, track, bool(cleaned.keys() & OF_LOG.keys()), sheet.prefer),
        ],
        stretches=[] if found is None else _stretches(found, source, smooth, day, resolved, sheet),
        dead=names_of(dead),
        gaps=float(np.sum(track.gap)),
        duty="" if found is None else f"{source.label}, its worst minutes",
        keep=[] if found is None else _duty(found, source, day, sheet),
        missing=Facts(sheet, resolved).of(missing),
    )
    return out.model_dump()


def _density(case: BuildCase) -> float:
    return float(burning(case.engine.fuel, None).density) if case.engine.fuel else 0.0


def _cut(values: Array | None, step: int) -> list[float | None]:
    return [] if values is None else [float(v) if np.isfinite(v) else None for v in values[::step]]


def _series(
    found: Course | None, source: Source, cleaned: Mapping[str, Array], step: int, dead: Sequence[str]
) -> list[SeriesOut]:
    """What is drawn over a drive's time; foretold and logged of the same thing in one."""
    track = source.track
    out: list[SeriesOut] = []
    oil_limit = None if found is None else found.oil_limit
    f = found
    own: list[tuple[str, str, str, Array | None, float | None]] = [
        ("coolant", "Coolant", "temperature", None if f is None else f.marched.coolant, None if f is None else f.limit),
        ("oil_temperature", "Oil", "temperature", None if f is None else f.marched.oil, oil_limit),
        ("power", "Power", "power", None if f is None else f.power, None),
        ("rpm", "Engine speed", "speed_rpm", None if f is None else f.engine_speed, None),
        ("fuel", "Fuel burned", "mass", None if f is None else f.fuel, None),
        ("charge", "Charge left", "share", _charge(found), None),
    ]
    for id, label, kind, foretold, limit in own:
        logged = cleaned.get(id) if id not in dead else None
        if foretold is not None or logged is not None:
            out.append(_one(id, label, kind, foretold, logged, step, limit, _spikes(source, cleaned, id)))
    # What any machine on a track has.
    out += [
        _one("speed", "Speed", "speed", track.speed, None, step),
        _one("height", "Height", "distance", track.height, None, step),
        _one("grade", "Grade", "grade", track.grade, None, step),
    ]
    shown = {s.id for s in out} | {"ambient"}
    for id in source.logged:
        if id not in shown and id not in dead:
            spikes = _spikes(source, cleaned, id)
            out.append(_one(id, CHANNELS[id].label, CHANNELS[id].kind, None, cleaned[id], step, None, spikes))
    return out


def _spikes(source: Source, cleaned: Mapping[str, Array], id: str) -> int:
    """How many seconds of a channel jumped out and back."""
    return int(np.isfinite(source.logged[id]).sum() - np.isfinite(cleaned[id]).sum()) if id in cleaned else 0


def _charge(found: Course | None) -> Array | None:
    return None if found is None or found.charge is None else np.asarray(found.charge / max(found.charge[0], 1e-9))


def _one(
    id: str,
    label: str,
    kind: str,
    foretold: Array | None,
    logged: Array | None,
    step: int,
    limit: float | None = None,
    spikes: int = 0,
) -> SeriesOut:
    bias = rms = None
    if foretold is not None and logged is not None and np.isfinite(logged).any():
        off = logged - foretold
        bias, rms = float(np.nanmean(off)), float(np.sqrt(np.nanmean(off**2)))
    return SeriesOut(
        id=id, label=label, kind=kind, foretold=_cut(foretold, step), logged=_cut(logged, step), limit=limit, bias=bias,
        rms=rms, spikes=spikes,
    )  # fmt: skip


def _at(seconds: float) -> str:
    return f"{int(seconds // 60)}:{int(seconds % 60):02d}"


def _moment(
    track: Track, k: int, what: str, label: str, value: float, kind: str, sentence: str, over: bool
) -> WorstOut:
    """What stands out at the k-th second."""
    return WorstOut(
        what=what, label=label, at=float(track.time[k]), value=value, kind=kind, sentence=sentence, over=over
    )


def _logged(found: Course, track: Track, smooth: Mapping[str, Array], prefer: Preference) -> list[WorstOut]:
    """The hottest that was logged, beside what is foretold of that moment: what was read comes before what is worked."""
    out = []
    for id, label, limit, foretold in (
        ("coolant", "Coolant", found.limit, found.marched.coolant),
        ("oil_temperature", "Oil", found.oil_limit, found.marched.oil),
    ):
        if id not in smooth:
            continue
        k = int(np.nanargmax(smooth[id]))
        value, then = float(smooth[id][k]), float(foretold[k])
        over = limit is not None and value > limit
        past = (
            ""
            if limit is None
            else (", over its limit of {}" if over else " (its limit {})").format(show(limit, "temperature", prefer))
        )
        sentence = f"{label} was logged at {show(value, 'temperature', prefer)} at {_at(float(track.time[k]))}{past}; {show(then, 'temperature', prefer)} is foretold there."
        out.append(_moment(track, k, f"logged_{id}", label, value, "temperature", sentence, over))
    return out


def _worst(found: Course, track: Track, logged: bool, prefer: Preference) -> list[WorstOut]:
    """The moments that are worst, as sentences; beside a log said to be foretold."""
    out = []
    highest = "is foretold highest" if logged else "highest"
    at = course.worst(found)
    says = {
        "coolant": ("Coolant", found.marched.coolant, "temperature", found.limit),
        "oil": ("Oil", found.marched.oil, "temperature", found.oil_limit),
        "power": ("Power", found.power, "power", None),
    }
    for what, (label, values, kind, limit) in says.items():
        k = at[what]
        value = float(values[k])
        grade = float(track.grade[k])
        where = f"at {_at(float(track.time[k]))}, {show(float(track.speed[k]), 'speed', prefer)}"
        where += f" on {show(grade, 'grade', prefer)}" if abs(grade) > 0.01 else ""
        over = limit is not None and value > limit
        beside = "" if limit is None else f"; its limit {show(limit, kind, prefer)}"
        sentence = f"{label} {highest} {where}: {show(value, kind, prefer)}{beside}."
        out.append(_moment(track, k, what, label, value, kind, sentence, over))
    if "weak" in at:
        k, share = at["weak"], float(np.mean(found.weak))
        sentence = f"Too weak to hold its speed first at {_at(float(track.time[k]))}, {show(share, 'share', prefer)} of the drive in all."
        out.append(_moment(track, k, "weak", "Too weak", share, "share", sentence, True))
    charge = _charge(found)
    if charge is not None:
        k = int(np.argmin(charge))
        left = float(charge[k])
        if left < 0.995:
            sentence = (
                f"The battery is lowest at {_at(float(track.time[k]))}: {show(left, 'share', prefer)} of what it held."
            )
            out.append(_moment(track, k, "charge", "Battery", left, "share", sentence, left <= 0.0))
    return out


def _window(found: Course, track: Track) -> slice:
    """The minutes up to the hottest moment that make a duty."""
    top = int(np.argmax(found.marched.coolant))
    end = max(top, min(int(LEAST_FOR), track.time.size - 1))
    return slice(max(end - int(WORST_FOR), 0), end + 1)


def _duty(found: Course, source: Source, day: Day, sheet: Sheet) -> list[EditLine]:
    """Edits that add the worst minutes as a duty of their own."""
    rows, track, prefer = _window(found, source.track), source.track, sheet.prefer
    taken = {key for key, _ in sheet.duties}
    id = next(f"drive_{k}" for k in range(1, 200) if f"drive_{k}" not in taken)
    means = {
        "engine_power": (float(np.mean(found.power[rows])), "power"),
        "engine_speed": (float(np.mean(found.engine_speed[rows])), "speed_rpm"),
        "air_speed": (float(np.mean(track.speed[rows])), "speed"),
        "ambient": (day.ambient, "temperature"),
        "altitude": (float(np.mean(track.height[rows])), "distance"),
        "duration": (float(rows.stop - 1 - rows.start), "time"),
    }
    known: Any = "taped" if source.turns is not None else "similar"
    lines = [
        EditLine(path=f"duties.{id}", text="typed"),
        EditLine(path=f"duties.{id}.name", text=f"{source.label}, worst"[:60]),
    ]
    lines += [
        EditLine(path=f"duties.{id}.{name}", text=_shown(value, kind, prefer), evidence=known)
        for name, (value, kind) in means.items()
    ]
    return lines


def _shown(value: float, kind: str, prefer: Preference) -> str:
    """As printed, without what a number is grouped by: it is read again."""
    return show(value, kind, prefer).replace("\u00a0", " ").replace(",", "")


def _tenth(value: float, prefer: Preference) -> str:
    """A temperature to a tenth of the unit it is shown in."""
    unit = unit_for("temperature", prefer)
    return f"{convert(value, 'temperature', unit):.1f} {unit.symbol}"


def _rate(rate: float, prefer: Preference) -> str:
    """How far a temperature rises in a minute, to a hundredth."""
    unit = unit_for("temperature_difference", prefer)
    return f"{60.0 * rate / unit.factor:.2f} {unit.symbol}"


def _stretches(
    found: Course,
    source: Source,
    smooth: Mapping[str, Array],
    day: Day,
    resolved: Resolved,
    sheet: Sheet,
) -> list[StretchOut]:
    """Stretches of a log in which the load holds, those of the most various power, as readings that can be taken."""
    held = stretches({OF_LOG[id]: v for id, v in smooth.items()}, found.power, source.track.speed)
    by_power = sorted(held, key=lambda s: float(np.mean(found.power[s.begin : s.end])))
    if not by_power:
        return []
    pick = np.unique(np.linspace(0, len(by_power) - 1, min(STRETCHES, len(by_power))).astype(int)).tolist()
    homes = homes_text(homes_of(resolved.unmeasured))
    return [
        _stretch(by_power[k], found, source, day, sheet, homes) for k in sorted(pick, key=lambda k: by_power[k].begin)
    ]


def _stretch(stretch: Stretch, found: Course, source: Source, day: Day, sheet: Sheet, homes: str) -> StretchOut:
    rows, prefer = slice(stretch.begin, stretch.end), sheet.prefer
    track = source.track
    power, turns = float(np.mean(found.power[rows])), float(np.mean(found.engine_speed[rows]))
    speed = float(np.mean(track.speed[rows]))
    doing = {
        "power": _shown(power, "power", prefer),
        "engine_speed": _shown(turns, "speed_rpm", prefer),
        "speed": _shown(speed, "speed", prefer),
        "air": _shown(day.ambient, "temperature", prefer),
        "altitude": _shown(float(np.mean(track.height[rows])), "distance", prefer),
    }
    begins = source.begins
    at = None if begins is None else moment(begins + timedelta(seconds=float(stretch.begin)))
    lines = []
    for what, value in stretch.means.items():
        path = f"readings.taken.{source.id[:8]}_{stretch.begin}_{what}"
        fields = {
            "what": what,
            "value": _tenth(value, prefer),
            "rises": _rate(stretch.rates[what], prefer),
            "coolant_rises": _rate(stretch.rates.get("coolant", 0.0), prefer),
            **doing,
            "recording": source.id,
            "homes": homes,
        }
        if at is not None:
            fields["at"] = at
        lines += [EditLine(path=f"{path}.{name}", text=text) for name, text in fields.items()]
    says = ", ".join(f"{WHATS[w].lower()} {show(v, 'temperature', prefer)}" for w, v in stretch.means.items())
    says += f" at {show(power, 'power', prefer)}, {show(turns, 'speed_rpm', prefer)}, {show(speed, 'speed', prefer)}"
    return StretchOut(begin=float(stretch.begin), end=float(stretch.end), says=says, edits=lines)


# The simulated logger -----------------------------------------------------------------------------

# As a logger of made-up make has its columns: head, channel, unit.
COLUMNS = (
    ("Elapsed (s)", "", ""),
    ("GPS Speed (km/h)", "speed", "km/h"),
    ("Altitude (m)", "height", "m"),
    ("Engine RPM", "rpm", "rpm"),
    ("ECT (°F)", "coolant", "F"),
    ("Oil Temp (°C)", "oil_temperature", "C"),
    ("Battery (V)", "volts", "V"),
)
SHIPPED_SEED = 7


def logged_rows(raw: Mapping[str, Any], drive: str, fault: str, seed: int = SHIPPED_SEED) -> list[list[str]]:
    """A made-up log of a build along a shipped drive, heads first; Refused where it cannot be driven."""
    sheet, resolved = check(raw)
    case = resolved.unmeasured
    if fault not in FAULTS:
        raise Refused("fault", fault[:40], ", ".join(filter(None, FAULTS)), "There is no such fault.")
    source = source_of(case, drive, "", None, None)
    day, _ = day_of(sheet, source)
    try:
        found = played(case, source.track, day, fault, seed)
    except MissingFact as error:
        label = Facts(sheet, resolved).label(error.field)
        raise Refused(
            "drive", error.field, "a build that can be driven", f"{label} is not stated: the drive cannot be worked."
        ) from None
    rows = [[head for head, _, _ in COLUMNS]]
    scaled = [
        (found.channels[channel] - UNITS[unit].offset) / UNITS[unit].factor if channel else found.time
        for _, channel, unit in COLUMNS
    ]
    table = np.round(np.column_stack(scaled), 2)
    rows += [[f"{cell:g}" for cell in row] for row in table.tolist()]
    return rows


def logged_csv(raw: Mapping[str, Any], drive: str, fault: str, seed: int = SHIPPED_SEED) -> str:
    """The same as a CSV file."""
    out = io.StringIO()
    csv.writer(out, lineterminator="\n").writerows(logged_rows(raw, drive, fault, seed))
    return out.getvalue()
