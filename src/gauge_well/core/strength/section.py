"""Bending and torsion of a bracket's section (shigley2004, ch. 4)."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array


@dataclass(frozen=True)
class Section:
    """What a section does: modulus in bending [m3], area [m2], shear stress of a torque [1/m3], area that carries shear
    [m2]."""

    modulus: Array
    area: Array
    twist: Array
    shear: Array


def plate(width: Value, height: Value) -> Section:
    """A solid strip, ``height`` [m] along the load: ``W = b h^2 / 6``, torsion ``3 T / (l t^2)`` of its long and short
    side (thin strips)."""
    b, h = as_array(width), as_array(height)
    long, short = np.maximum(b, h), np.minimum(b, h)
    return Section(b * h**2 / 6.0, b * h, 3.0 / (long * short**2), b * h)


def tube(outside: Value, wall: Value) -> Section:
    """A round tube: ``W = pi (D^4 - d^4) / 32 D``; closed, so torsion is ``T / (2 Am w)`` over its mean line (Bredt)."""
    d, w = as_array(outside), as_array(wall)
    inside = d - 2.0 * w
    middle = d - w
    area = np.pi * middle * w
    return Section(
        np.pi * (d**4 - inside**4) / (32.0 * d), area, 1.0 / (2.0 * (np.pi * middle**2 / 4.0) * w), 0.5 * area
    )


def box(width: Value, height: Value, wall: Value) -> Section:
    """A square or oblong tube, ``height`` [m] along the load; torsion as of any closed section (Bredt)."""
    b, h, w = as_array(width), as_array(height), as_array(wall)
    inner = (b - 2.0 * w) * (h - 2.0 * w) ** 3
    modulus = (b * h**3 - inner) / (6.0 * h)
    return Section(modulus, b * h - (b - 2.0 * w) * (h - 2.0 * w), 1.0 / (2.0 * (b - w) * (h - w) * w), 2.0 * h * w)


def gusseted(width: Value, thick: Value, deep: Value, web: Value) -> Section:
    """A flat plate with an upright gusset under it: a T. Bending about its own centre line, the farther edge counted;
    torsion of open strips ``3 T / sum(l t^2) `` of the thicker one."""
    b, t, h, w = (as_array(v) for v in (width, thick, deep, web))
    flange, rib = b * t, w * h
    middle = (flange * (h + 0.5 * t) + rib * 0.5 * h) / (flange + rib)
    inertia = b * t**3 / 12.0 + flange * (h + 0.5 * t - middle) ** 2 + w * h**3 / 12.0 + rib * (middle - 0.5 * h) ** 2
    far = np.maximum(middle, h + t - middle)
    polar = (b * t**3 + h * w**3) / 3.0
    return Section(inertia / far, flange + rib, np.maximum(t, w) / polar, rib)


def equivalent(section: Section, force: Value, arm: Value, aside: Value) -> Array:
    """Stress [Pa] by von Mises at the root of a bracket: a force [N] on an ``arm`` [m], ``aside`` [m] of its line."""
    f = as_array(force)
    bending = f * arm / section.modulus
    shear = f * aside * section.twist + f / section.shear
    return np.asarray(np.sqrt(bending**2 + 3.0 * shear**2))
