"""A recording as it is kept and given out again: CSV of each second's channels in SI, packed."""

from __future__ import annotations

import gzip
import io
from collections.abc import Mapping, Sequence

import numpy as np

from gauge_well.formats.errors import FormatError
from gauge_well.formats.log import CHANNELS
from gauge_well.units import KINDS, UNITS

UNPACKED_MAX = 64 * 1024 * 1024  # bytes


def written(time: np.ndarray, channels: Mapping[str, np.ndarray]) -> bytes:
    """Each second's channels [SI], packed; what was not logged is ``nan``."""
    out = io.BytesIO()
    names = sorted(channels)
    heads = ",".join(["time [s]", *(f"{name} [{_unit(name)}]" for name in names)])
    table = np.column_stack([time, *(channels[name] for name in names)])
    np.savetxt(out, table, fmt="%.7g", delimiter=",", header=heads, comments="", encoding="ascii")
    return gzip.compress(out.getvalue(), mtime=0)


def read_back(content: bytes) -> tuple[np.ndarray, dict[str, np.ndarray]]:
    """What :func:`written` kept: seconds, channels [SI]. FormatError where it is none of its."""
    text = unpacked(content)
    head, _, rest = text.partition(b"\n")
    names = [cell.partition(" [")[0] for cell in head.decode("ascii", "replace").split(",")]
    if names[:1] != ["time"] or not set(names[1:]) <= set(CHANNELS):
        raise FormatError("recording", "This is no recording that was kept here.")
    table = np.loadtxt(io.BytesIO(rest), delimiter=",", ndmin=2)
    return table[:, 0], {name: table[:, k + 1] for k, name in enumerate(names[1:])}


def unpacked(content: bytes) -> bytes:
    """The CSV itself; FormatError where it is past what a recording may have."""
    with gzip.GzipFile(fileobj=io.BytesIO(content)) as packed:
        found = packed.read(UNPACKED_MAX + 1)
    if len(found) > UNPACKED_MAX:
        raise FormatError("size", f"The recording has more than {UNPACKED_MAX // 1024**2} MB.")
    return found


def _unit(channel: str) -> str:
    """The SI unit of a channel, as its numbers stand."""
    dimension = KINDS[CHANNELS[channel].kind].dimension
    return next(
        (u.symbol for u in UNITS.values() if u.dimension == dimension and u.factor == 1.0 and u.offset == 0.0), "1"
    )


def names_of(channels: Sequence[str]) -> list[str]:
    """Channels as they are called."""
    return [CHANNELS[id].label for id in channels if id in CHANNELS]
