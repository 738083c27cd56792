"""The coolant's loop: pump against core, bypass and heater; pressures on the way round."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from itertools import pairwise

import numpy as np

from gauge_well.core.facts import need
from gauge_well.core.flow.pipe import bore_area, friction_factor_churchill, orifice_flow
from gauge_well.core.heat.radiator import RadiatorCore
from gauge_well.core.media import coolant
from gauge_well.core.roots import find_root
from gauge_well.core.systems.cooling.air import signed_quadratic
from gauge_well.core.systems.cooling.facts import CoolingFacts
from gauge_well.core.systems.cooling.facts_loop import FITTINGS
from gauge_well.core.typing import Array, Value, as_array, clip

# A usual loop at its flow (common practice): the pump raises 80 kPa at rated speed, 1.6 times that shut off; of
# what it raises the engine's passages take 60 %, all outside the engine 40 %.
RISE, RISE_ELECTRIC = 80e3, 50e3
PUMP_OWN, ENGINE_SHARE, OUTER_SHARE = 0.6, 0.6, 0.4
SHUT_OFF = PUMP_OWN + ENGINE_SHARE + OUTER_SHARE
THERMOSTAT_LOSS = 10e3  # Pa at that flow, fully open
BYPASS_BORE = 0.40  # of the hose's
HEATER_FLOW, HEATER_DROP = 2.5e-4, 20e3  # m3/s through one heater core at Pa
EXCHANGER_LOSS = 15e3  # Pa of coolant through a heat exchanger at that flow
CORE_ENDS = 1.5  # K of a tube's mouth and end
TANK_IN, TANK_OUT = 1.0, 0.5  # K of a hose into and out of a tank
RUBBER = 3e-6  # m, roughness of hose
USUAL_RUN = 2 * FITTINGS["bend"]
SHUT = 0.002  # of its lift that a shut thermostat leaks: its vent hole
LIFTS = np.linspace(np.sqrt(SHUT), 1.0, 16) ** 2  # closest where the flow bends most


# Pressure across the branches [Pa], radiator's and whole flow [m3/s].
Solved = tuple[Array, Array, Array]


@dataclass(frozen=True)
class Loop:
    """Resistances round the loop, ``dp = a Q + b Q|Q|`` [Pa] at flows in m3/s, and the pump.

    ``head`` [Pa] at ``speed`` 1 with no flow, ``own`` the pump's fall with flow, ``engine`` its passages;
    ``bypass`` and ``heater`` are flows at 1 Pa [m3/s], nought where there is none. ``speed`` on the duty axis.
    """

    speed: Value
    head: Value
    own: Value
    engine: Value
    tubes_a: Value
    tubes_b: Value
    feed: Value
    back: Value
    thermostat: Value
    restrictor: Value
    bypass: Value
    bypass_shuts: bool
    heater: Value
    density: Value

    def with_pump_of(self, other: Loop) -> Loop:
        """This loop's branches on another's pump and engine."""
        return replace(self, head=other.head, own=other.own, engine=other.engine)

    def open_bypass(self, lift: Value) -> Array:
        """Flow of the bypass at 1 Pa with the thermostat at ``lift``."""
        left = 1.0 - as_array(lift) if self.bypass_shuts else 1.0
        return np.asarray(as_array(self.bypass) * left)

    def main(self, lift: Value) -> Array:
        """Square coefficient of the radiator's branch with the thermostat at ``lift``."""
        stands = as_array(self.thermostat) / np.maximum(as_array(lift), SHUT) ** 2
        return np.asarray(as_array(self.feed) + self.back + self.tubes_b + self.restrictor + stands)

    def flows(self, drop: Value, lift: Value) -> tuple[Array, Array]:
        """Radiator's and whole flow [m3/s] at a pressure across the branches [Pa]."""
        radiator = signed_quadratic(self.tubes_a, self.main(lift), drop)
        beside = (self.open_bypass(lift) + self.heater) * np.sqrt(np.maximum(as_array(drop), 0.0))
        return radiator, np.asarray(radiator + beside)

    def solve(self, lift: Value) -> Solved:
        """Pressure across the branches [Pa], radiator's and whole flow [m3/s].

        ``H0 s^2 = dp + (k_pump + k_engine) Q(dp)^2``: the right side rises with dp, one bracketed root.
        """
        most = as_array(self.head) * as_array(self.speed) ** 2
        inner = as_array(self.own) + self.engine

        def surplus(drop: Array) -> Array:
            return np.asarray(drop + inner * self.flows(drop, lift)[1] ** 2 - most)

        shape = np.broadcast_shapes(np.shape(most), np.shape(self.main(lift)), np.shape(inner), np.shape(self.heater))
        high = np.broadcast_to(most, shape)
        drop = find_root(surplus, np.zeros(shape), high, tolerance=1e-6)
        return (drop, *self.flows(drop, lift))

    @cached_property
    def by_lift(self) -> Array:
        """Radiator's flow over :data:`LIFTS` on a leading axis, for looking up."""
        at = LIFTS.reshape((-1,) + (1,) * max(np.ndim(as_array(self.speed)), 3))
        return self.solve(at)[1]

    def radiator_flow(self, lift: Array) -> Array:
        """Radiator's flow [m3/s] at any lift: straight between solved ones, continuous."""
        table = self.by_lift
        flow = table[0]
        for step, (low, high) in enumerate(pairwise(LIFTS)):
            flow = flow + (table[step + 1] - table[step]) * clip((lift - low) / (high - low), 0.0, 1.0)
        return np.asarray(flow)


def hole(bore: Value, density: Value) -> Array:
    """Square coefficient [Pa s2/m6] of a sharp hole: ``rho / (2 (Cd A)^2)`` (crane410)."""
    return np.asarray(orifice_flow(1.0, bore_area(bore), density) ** -2.0)


def run_of(rows: Sequence[Sequence[Value]] | None, facts: CoolingFacts) -> list[tuple[Value, Value, Value]]:
    """Pieces of one way, (bore, length, K); where they are not given one hose with two bends."""
    if rows:
        return [(row[0], row[1], row[2]) for row in rows]
    bore, length = (need(getattr(facts.hose, n), f"cooling.hose.{n}") for n in ("bore", "length"))
    return [(bore, length, USUAL_RUN)]


def run_loss(rows: Sequence[tuple[Value, Value, Value]], flow: Value, density: Value, viscosity: Value) -> Array:
    """Square coefficient [Pa s2/m6] of a run of hose and pipe, friction at ``flow``.

    Darcy-Weisbach with fittings; where the bore steps, a sudden narrowing ``0.5 (1 - beta^2)`` or widening
    ``(1 - beta^2)^2`` on the narrower bore (crane410).

    Parameters
    ----------
    rows : sequence of (bore [m], length [m], K)
    flow : float or array
        [m3/s] at which friction is taken.
    density, viscosity : float or array
        [kg/m3], dynamic [Pa s].
    """
    total = np.asarray(0.0)
    q = np.maximum(as_array(flow), 1e-6)
    before: Value | None = None
    for at, (bore, length, factor) in enumerate(rows):
        area = bore_area(bore)
        reynolds = as_array(density) * q / area * bore / viscosity
        friction = friction_factor_churchill(reynolds, RUBBER / as_array(bore)) * length / bore
        loss = friction + factor + (TANK_OUT if at == 0 else 0.0) + (TANK_IN if at == len(rows) - 1 else 0.0)
        total = total + 0.5 * as_array(density) / area**2 * loss
        if before is not None:
            beta = np.minimum(as_array(before), bore) / np.maximum(as_array(before), bore)
            step = np.where(as_array(before) > bore, 0.5 * (1.0 - beta**2), (1.0 - beta**2) ** 2)
            narrow = bore_area(np.minimum(as_array(before), bore))
            total = total + 0.5 * as_array(density) / narrow**2 * step
        before = bore
    return np.asarray(total)


def tube_loss(core: RadiatorCore, flow: Value, density: Value, viscosity: Value) -> tuple[Array, Array]:
    """Coefficients (a, b) of the tubes, ``dp = a Q + b Q^2``, matched at a third of a flow and at it.

    Darcy-Weisbach by pass with mouth and end; the match goes through laminar and turbulent flow alike.
    """
    q = np.maximum(as_array(flow), 1e-6)

    def drop(at: Array) -> Array:
        speed = at / core.coolant_area
        reynolds = as_array(density) * speed * core.hydraulic_diameter / viscosity
        friction = friction_factor_churchill(reynolds, 1.5e-6 / core.hydraulic_diameter)
        per_pass = friction * core.tube_length / core.hydraulic_diameter + CORE_ENDS
        return np.asarray(per_pass * core.passes * 0.5 * as_array(density) * speed**2)

    low, high = drop(q / 3.0) / (q / 3.0), drop(q) / q
    b = clip((high - low) / (q * 2.0 / 3.0), 0.0, high / q)
    return high - b * q, b


def loop_of(
    core: RadiatorCore | None,
    facts: CoolingFacts,
    glycol: Value,
    temperature: Value,
    reference: tuple[Value, Value],
    rated_speed: Value,
    engine_speed: Value,
    measured: bool,
) -> Loop:
    """Build the loop.

    Parameters
    ----------
    core : RadiatorCore or None
        None where a heat exchanger stands in its place.
    facts : CoolingFacts
    glycol : float or array
        Mass share.
    temperature : float or array
        Of the coolant [K], for its properties.
    reference : (flow [m3/s], speed [rev/min])
        The pump's flow in a usual loop; or, where ``measured``, what was measured through this core with the
        thermostat open: the pump's head is then set so that this loop lets that through.
    rated_speed, engine_speed : float or array
        [rev/min].
    """
    fluid = coolant.properties(temperature, glycol)
    rho, mu = fluid.density, fluid.viscosity
    flow, at_speed = as_array(reference[0]), as_array(reference[1])
    electric = facts.pump.drive == "electric"
    rise = RISE_ELECTRIC if electric else RISE * (at_speed / rated_speed) ** 2
    if facts.pump.pressure is not None:
        rise = as_array(facts.pump.pressure) / SHUT_OFF
    turns = as_array(facts.pump.ratio) * (1.0 if electric else as_array(engine_speed) / at_speed)
    feed = run_loss(run_of(facts.hose_feed, facts), flow, rho, mu)
    back = run_loss(run_of(facts.hose_back, facts), flow, rho, mu)
    a, b = (np.asarray(0.0), EXCHANGER_LOSS / flow**2) if core is None else tube_loss(core, flow, rho, mu)
    bypass_square = hole(BYPASS_BORE * as_array(need(facts.hose.bore, "cooling.hose.bore")), rho)
    restrictor = np.asarray(0.0)
    if facts.restrictor in ("main", "bypass"):
        through = hole(need(facts.restrictor_bore, "cooling.restrictor_bore"), rho)
        if facts.restrictor == "main":
            restrictor = through
        else:
            bypass_square = bypass_square + through
    heaters = as_array(facts.heater.count) if facts.heater_open == "yes" else 0.0
    loop = Loop(
        speed=turns,
        head=SHUT_OFF * rise,
        own=PUMP_OWN * rise / flow**2,
        engine=ENGINE_SHARE * rise / flow**2,
        tubes_a=a,
        tubes_b=b,
        feed=feed,
        back=back,
        thermostat=0.0 if facts.thermostat_kind == "none" else THERMOSTAT_LOSS / flow**2,
        restrictor=restrictor,
        bypass=0.0 if facts.bypass == "none" else bypass_square**-0.5,
        bypass_shuts=facts.bypass != "always",
        heater=heaters * (HEATER_FLOW / np.sqrt(HEATER_DROP)),
        density=rho,
    )
    if not measured:
        return loop
    drop = as_array(loop.tubes_a) * flow + loop.main(1.0) * flow**2
    whole = loop.flows(drop, 1.0)[1]
    inner = (PUMP_OWN + ENGINE_SHARE) * rise
    if facts.pump.pressure is not None:
        # What a known pump has left over the outer loop is lost inside; its share as usual.
        inner = np.maximum(as_array(facts.pump.pressure) - drop, 0.1 * drop)
    share = PUMP_OWN / (PUMP_OWN + ENGINE_SHARE)
    return replace(loop, head=inner + drop, own=share * inner / whole**2, engine=(1.0 - share) * inner / whole**2)


@dataclass(frozen=True)
class Pressures:
    """Absolute pressures round the loop [Pa], the pump's rise, and the flows [m3/s]."""

    pump_inlet: Array
    pump_outlet: Array
    block: Array
    engine_outlet: Array
    core_inlet: Array
    core_outlet: Array
    radiator_flow: Array
    whole_flow: Array
    bypass_flow: Array
    heater_flow: Array

    @property
    def across(self) -> Array:
        """Across core, bypass and heater [Pa]: what the pump has left over the engine's passages."""
        return np.asarray(self.engine_outlet - self.pump_inlet)


def pressures(
    loop: Loop, facts: CoolingFacts, reference: Value, lift: Value = 1.0, solved: Solved | None = None
) -> Pressures:
    """Pressures on the way round, hung on the one place that is held: where the cap's header joins.

    ``reference`` is the pressure there [Pa absolute]: the air's and the cap's. The block is taken half way through
    the engine's passages. ``solved`` where the loop was solved at that lift already.
    """
    drop, radiator, whole = solved or loop.solve(lift)
    tubes = loop.tubes_a * radiator + loop.tubes_b * radiator**2
    back = as_array(loop.back) * radiator**2
    held = as_array(reference)
    inlet = {"core": held - tubes - back, "core_cold": held - back, "remote": held}[facts.header]
    engine = as_array(loop.engine) * whole**2
    out = inlet + drop
    root = np.sqrt(np.maximum(drop, 0.0))
    return Pressures(
        pump_inlet=inlet,
        pump_outlet=out + engine,
        block=out + 0.5 * engine,
        engine_outlet=out,
        core_inlet=inlet + back + tubes,
        core_outlet=inlet + back,
        radiator_flow=radiator,
        whole_flow=whole,
        bypass_flow=loop.open_bypass(lift) * root,
        heater_flow=as_array(loop.heater) * root,
    )


def narrowest(facts: CoolingFacts) -> Array:
    """Smallest bore on the way there and back [m]."""
    rows = [*run_of(facts.hose_feed, facts), *run_of(facts.hose_back, facts)]
    bores = as_array(rows[0][0])
    for row in rows[1:]:
        bores = np.minimum(bores, row[0])
    return bores
