"""The working of one duty's exhaust, piece by piece."""

from __future__ import annotations

import numpy as np

from gauge_well.core.checks import ratio_fill
from gauge_well.core.flow.gas_pipe import STEFAN_BOLTZMANN
from gauge_well.core.heat import neighbour
from gauge_well.core.media import air
from gauge_well.core.media.combustion import sensible_enthalpy
from gauge_well.core.parts.pipe import COVERINGS
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.exhaust import costs, warmth
from gauge_well.core.systems.exhaust.facts import ExhaustFacts
from gauge_well.core.systems.exhaust.model import Marched
from gauge_well.core.typing import Array, Value
from gauge_well.core.working import Step, Working


def steps(context: Context, facts: ExhaustFacts, found: Marched, index: int) -> list[Step]:
    """Gas, each piece's loss from tip to flange, the sum, what it costs."""
    w = Working(index)
    op = context.peak
    w.add(
        "m_ex",
        "Gas",
        "m_f + m_a",
        op.exhaust_mass_flow,
        "mass_flow_s",
        {"m_f": op.fuel_mass_flow, "m_a": op.air_mass_flow},
        "arithmetic",
    )
    w.add(
        "T_0",
        "Gas at the flange",
        "H_ex - W_t - H_of_T_0",
        op.after_turbine_temperature,
        "temperature",
        {
            "H_ex": op.left_for_exhaust,
            "W_t": op.turbine_work,
            "H_of_T_0": op.fuel_mass_flow * sensible_enthalpy(op.gas, op.after_turbine_temperature),
        },
        "gri30, polynomials of the products, after the turbine where there is one",
        solved=True,
        scale=op.left_for_exhaust,
    )
    for i, piece in reversed(list(enumerate(found.pieces))):
        s, p = piece.segment, piece.pressure
        g = piece.mass_flow / (np.pi / 4.0 * np.asarray(s.bore) ** 2)
        down, up = piece.downstream / (air.R_AIR * piece.cool), p.upstream / (air.R_AIR * piece.warm)
        w.add(
            f"dp_{i + 1}",
            f"Piece {i + 1}: pressure lost",
            "F * (f * L / D + K) * G ** 2 / (2 * rho) + G ** 2 * (1 / rho_d - 1 / rho_u) - dp",
            piece.lost,
            "pressure_difference",
            {
                "dp": piece.lost,
                "F": s.form,
                "f": p.friction,
                "L": s.length * s.rubs,
                "D": s.bore,
                "K": s.loss,
                "G": g,
                "rho": p.density,
                "rho_d": down,
                "rho_u": up,
            },
            "churchill1977; crane410; momentum balance",
            solved=True,
            scale=np.maximum(np.abs(piece.lost), 100.0),
        )
    w.add(
        "p_back",
        "Back pressure",
        "p_flange - p_air",
        found.back_pressure,
        "pressure_difference",
        {
            "p_flange": found.flange,
            "p_air": context.duties.column("pressure"),
        },
        "arithmetic",
    )
    w.add(
        "P_lost",
        "Power it costs",
        "rate * maximum(p_back, 0) * P",
        costs.power_cost(context.engine, found.mean_pressure, op.power),
        "power",
        {"rate": costs.cost_rate(context.engine), "p_back": found.mean_pressure, "P": op.power},
        "common practice",
    )
    limit, makers = costs.limit_of(context.engine, facts)
    w.add(
        "fill",
        "Against the maker's figure" if makers else "Against where no exhaust serves",
        "minimum(maximum(p_back, 0) / p_max, 9.99)",
        ratio_fill(found.back_pressure, limit),
        "share",
        {"p_back": found.back_pressure, "p_max": limit},
        "common practice",
    )
    for at in warmth.known(context, facts, found):
        _neighbour(w, context, at)
    return w.steps


def _neighbour(w: Working, context: Context, at: warmth.Placed) -> None:
    """A neighbour while running: what it takes of the pipe, or of the sheet between, is what it gives away."""
    got = warmth.warmed(context, at)
    film = np.where(context.duties.standing, neighbour.STANDING, neighbour.MOVING)
    label, thing = at.what.name.capitalize(), at.thing
    if at.dull is None:
        view = {"R": thing.radius, "H": thing.distance}
        how = "s * R / H" if thing.plate else "arcsin(R / H)"
        view |= {"s": thing.keeps} if thing.plate else {}
        w.add(f"F_{at.id}", f"{label}: view of the pipe", how, thing.view, "ratio", view, "incropera2007, ch. 13")
        emits = COVERINGS[at.piece.segment.covering].emissivity
        formula = "e * sigma * T_p ** 4 * a * F / n"
        values: dict[str, Value] = {
            "e": emits, "sigma": STEFAN_BOLTZMANN, "T_p": got.pipe, "a": neighbour.ABSORBS, "F": thing.view,
            "n": thing.surfaces,
        }  # fmt: skip
    else:
        assert got.sheet is not None
        formula = "e * a * sigma * (T_s ** 4 - T_b ** 4) / 2"
        values = {
            "e": at.dull, "a": neighbour.ABSORBS, "sigma": STEFAN_BOLTZMANN, "T_s": got.sheet, "T_b": got.bay,
        }  # fmt: skip
    w.add(f"q_{at.id}", f"{label}: takes", formula, got.taken, "heat_flux", values, "incropera2007, ch. 13")
    w.add(
        f"T_{at.id}",
        f"{label}: would reach",
        "h * (T - T_b) + a * sigma * (T ** 4 - T_b ** 4) - q",
        got.lasting,
        "temperature",
        {
            "h": film, "T": got.lasting, "T_b": got.bay, "a": neighbour.ABSORBS, "sigma": STEFAN_BOLTZMANN, "q": got.taken,
        },
        "incropera2007, ch. 13",
        solved=True,
        scale=np.maximum(got.taken, 1.0),
    )  # fmt: skip
    t = warmth.duration(context)
    if np.isfinite(t).all():
        _in_time(w, got, at.id, label, t)


def _in_time(w: Working, got: warmth.Warmed, id: str, label: str, t: Array) -> None:
    """What of it a duty that ends lets it reach."""
    w.add(
        f"s_{id}", f"{label}: share reached in the duty's time",
        "1 - (1 - s) * (t_p * exp(-t / t_p) - t_n * exp(-t / t_n)) / (t_p - t_n)", got.share, "share",
        {"s": warmth.BEFORE, "t": t, "t_p": got.pipe_time, "t_n": got.own_time}, "incropera2007, ch. 5",
    )  # fmt: skip
    w.add(
        f"Te_{id}", f"{label}: at its end", "T_b + s * (T - T_b)", got.running, "temperature",
        {"T_b": got.bay, "s": got.share, "T": got.lasting}, "arithmetic",
    )  # fmt: skip
