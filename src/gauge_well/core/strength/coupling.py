"""Dial readings at a shaft coupling, turned into shims under the feet and moves sideways."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array

GOOD = 1e-3  # m of face for each metre of coupling: 0.1 mm on 100 mm (common practice)


@dataclass(frozen=True)
class Lies:
    """How the engine's half lies to the shaft's in one plane: offset of its centre at the face [m] and angle [rad]."""

    offset: Array
    angle: Array


def lies(
    face_first: Value, face_last: Value, rim_first: Value, rim_last: Value, across: Value, sag: Value = 0.0
) -> Lies:
    """Offset and angle by two readings of the face and two of the rim.

    Parameters
    ----------
    face_first, face_last, rim_first, rim_last : float or array
        [m]; at the top and at the bottom (or at the left and at the right), the dial on the shaft's half feeling the
        engine's, its plunger pushed in counting up: more where the engine's half stands nearer at the face, further out at
        the rim.
    across : float or array
        Diameter at which the face was felt [m].
    sag : float or array
        How far the dial's bracket hangs [m]: it reads so much too little at the bottom of the rim, twice over; nought in plan.

    Notes
    -----
    ``offset = (rim_top - rim_bottom - 2 sag) / 2``, ``angle = (face_top - face_bottom) / D``: the engine's half high, and its
    axis rising ahead, so that the faces open at the bottom, are positive (common practice).
    """
    rim = as_array(rim_first) - rim_last - 2.0 * as_array(sag)
    return Lies(np.asarray(0.5 * rim), np.asarray((as_array(face_first) - face_last) / across))


def move(found: Lies, ahead: Value) -> Array:
    """What a foot so far ahead of the coupling's face [m] is moved by [m]: up (or to the left) is positive; it undoes
    ``offset + angle x``."""
    return np.asarray(-(found.offset + found.angle * as_array(ahead)))


def readings(found: Lies, across: Value) -> tuple[Array, Array]:
    """Differences that a dial would read [m], (face, rim): of what :func:`lies` found, or of what is left after moving."""
    return np.asarray(found.angle * as_array(across)), np.asarray(2.0 * found.offset)


def moved(found: Lies, front: Value, back: Value, front_at: Value, back_at: Value) -> Lies:
    """How it lies once front and back feet [m ahead of the face] were moved [m]: the engine turns as one stiff thing."""
    turn = (as_array(front) - back) / (as_array(front_at) - back_at)
    return Lies(np.asarray(found.offset + back - turn * back_at), np.asarray(found.angle + turn))
