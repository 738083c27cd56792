"""The circuit as one network: pumps on their wires, lines, regulator and return, solved together.

Everything between tank and engine is explicit in the pressure across the pump: its current, so its volts, so
its flow, so what every line and height takes. A table of that serves every power, duty and sample; where the
regulator, the return or the engine's own taking cross it is then looked up, linear between rows.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from functools import cached_property

import numpy as np

from gauge_well.core.engine.model import Operation
from gauge_well.core.errors import MissingFact
from gauge_well.core.parts.pump import Pump
from gauge_well.core.roots import along, where_falling
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.fuel.circuit import Circuit, asked_pressure, demand
from gauge_well.core.systems.fuel.facts import FuelFacts
from gauge_well.core.systems.fuel.pump import LIFT, MAIN, one_of, place_of, pump_of
from gauge_well.core.typing import Array, Value, as_array, clip

HEAD_MOST, HEAD_ROWS = 20.0, 193  # of the design flow, up to which a column of fuel is worked; rows
SLOWEST, FASTEST = 0.02, 1.0  # of its rated speed, between which an engine-driven pump's flow follows its speed


@dataclass(frozen=True)
class Supply:
    """Flow (rising), pressure at the end and pressure across the pump (both falling), on the first axis."""

    pump: Pump | None
    flow: Array
    end: Array
    across: Array

    def able(self, back: Value) -> Array:
        """Most it gives at the pressure ``back`` [m3/s]; nought where it cannot reach it."""
        return where_falling(self.flow, self.end, back)

    def end_at(self, flow: Value) -> Array:
        """Pressure at its end [Pa] while ``flow`` passes."""
        return along(self.flow, self.end, flow)

    def across_at(self, flow: Value) -> Array:
        """Pressure across the pump [Pa] while ``flow`` passes."""
        return along(self.flow, self.across, flow)


def tabulate(
    pump: Pump | None, upstream: Callable[[Array], Array], downstream: Callable[[Array], Array], most: Array
) -> Supply:
    """Work a pump, or a bare column, through what lies before and behind it.

    Parameters
    ----------
    pump : Pump or None
    upstream : callable
        Flow -> pressure at the inlet [Pa].
    downstream : callable
        Flow -> pressure lost from the outlet to the end [Pa].
    most : array
        Flow [m3/s] up to which a column without a pump is worked.
    """
    if pump is None:
        # Close together where the flow is small: a column's losses go with its square.
        rows = np.linspace(0.0, 1.0, HEAD_ROWS) ** 2
        flow = rows.reshape((-1,) + (1,) * np.atleast_1d(most).ndim) * most
        across = np.zeros_like(flow)
    else:
        across = pump.pressures()
        if pump.speed.ndim:
            across = across[:, None, None, :]
        flow = pump.flow(across)
        flow[0] = 0.0  # shut off, without its rounding
    end = upstream(flow) + across - downstream(flow)
    return Supply(pump, flow, np.asarray(end), across)


@dataclass(frozen=True)
class Network:
    """All of it: the circuit, the main supply with all its pumps and with one, the lift pump's to the pot."""

    circuit: Circuit
    main: Supply
    alone: Supply | None
    lift: Supply | None
    booster: Pump | None

    @property
    def stage_flow(self) -> Array:
        """What the engine takes [m3/s] from which the other pumps run."""
        return np.asarray(self.circuit.fact("stage_load") * self.circuit.design_flow)

    def point(self, taken: Value, back: Value) -> Point:
        """The network while the engine takes ``taken`` [m3/s] and its end is held, or wanted, at ``back`` [Pa]."""
        return Point(self, as_array(taken), as_array(back))

    def at(self, peak: Operation) -> Point:
        """The network at the peak of every duty."""
        return self.point(demand(peak, self.circuit), asked_pressure(self.circuit, peak))


@dataclass(frozen=True)
class Point:
    """One state of the network; each figure is worked when it is asked for. Pressures over the air outside."""

    network: Network
    taken: Array
    back: Array

    def of_running(self, read: Callable[[Supply], Array]) -> Array:
        """A figure of whichever pumps run."""
        net = self.network
        if net.alone is None:
            return read(net.main)
        return np.where(self.taken >= net.stage_flow, read(net.main), read(net.alone))

    @cached_property
    def able(self) -> Array:
        """Most the pumps give at that pressure [m3/s]."""
        return self.of_running(lambda s: s.able(self.back))

    @cached_property
    def through(self) -> Array:
        """Flow through the main pump [m3/s]: a regulated one moves all it can, whatever is burned."""
        return np.maximum(self.able, self.taken) if self.network.circuit.regulated else self.taken

    @cached_property
    def end(self) -> Array:
        """Pressure at the regulator, or at the engine's inlet where there is none [Pa]."""
        short = self.of_running(lambda s: s.end_at(self.taken))
        if not self.network.circuit.regulated:
            return short
        return np.where(self.able >= self.taken, self.back, np.minimum(short, self.back))

    @cached_property
    def rail(self) -> Array:
        """Pressure at the engine's inlet [Pa]: a dead-headed rail gives up the line."""
        c = self.network.circuit
        if c.facts.regulator.place != "dead_headed":
            return self.end
        return np.asarray(self.end - c.pipe(self.taken, "line", c.fact("line.loss")) - c.weight(c.fact("end_height")))

    @property
    def asked(self) -> Array:
        """What the engine takes, with the reserve chosen [m3/s]."""
        return self.network.circuit.with_reserve(self.taken)

    @property
    def spilled(self) -> Array:
        """What the engine gives back [m3/s]."""
        return self.network.circuit.spilled(self.taken)

    @property
    def in_line(self) -> Array:
        """Flow in the line to the engine [m3/s]: a dead-headed one carries only what is taken."""
        return self.taken if self.network.circuit.facts.regulator.place == "dead_headed" else self.through

    @property
    def returned(self) -> Array:
        """What goes back from the regulator [m3/s]."""
        return np.asarray(self.through - self.taken)

    @cached_property
    def across(self) -> Array:
        """Pressure across the main pump [Pa]."""
        return self.of_running(lambda s: s.across_at(self.through))

    @cached_property
    def able_across(self) -> Array:
        """Pressure across the main pump [Pa] where it gives its most."""
        return self.of_running(lambda s: s.across_at(self.able))

    @property
    def able_volts(self) -> Array:
        """Volts at the main pump there."""
        return self._motor(lambda pump: pump.motor.volts(self.able_across))

    @property
    def able_amps(self) -> Array:
        """Current of all main pumps there [A]."""
        return self._motor(lambda pump: pump.motor.amps(self.able_across))

    @property
    def volts(self) -> Array:
        """Volts at the main pump."""
        return self._motor(lambda pump: pump.motor.volts(self.across))

    @property
    def amps(self) -> Array:
        """Current of all main pumps that run [A]."""
        return self._motor(lambda pump: pump.motor.amps(self.across))

    @property
    def watts(self) -> Array:
        """Electrical power of all main pumps that run [W]."""
        if self.network.circuit.facts.main.drive != "electric":
            return np.zeros_like(self.taken)
        return np.asarray(self.volts * self.amps)

    def _motor(self, read: Callable[[Pump], Array]) -> Array:
        return self.of_running(lambda s: as_array(0.0) if s.pump is None else read(s.pump))

    @cached_property
    def drawn(self) -> Array:
        """Flow out of the tank [m3/s]: the main pump's, or the lift pump's into its pot."""
        lift = self.network.lift
        return self.through if lift is None else self.lifted

    @property
    def pot_takes(self) -> Array:
        """What the pot gives up for good [m3/s]: what is burned, and the return where it goes to the tank."""
        if self.network.circuit.facts.return_to == "tank":
            return self.through
        return self.taken

    @cached_property
    def lifted(self) -> Array:
        """Lift pump's flow into the pot [m3/s], against what its overflow makes."""
        net = self.network
        if net.lift is None:
            return np.zeros_like(self.taken)
        free = net.lift.able(0.0)
        spare = np.maximum(free - self.pot_takes, 0.0)
        return net.lift.able(np.where(spare > 0.0, net.circuit.overflow_drop(spare), 0.0))

    @property
    def overflow(self) -> Array:
        """What runs over the pot back to the tank [m3/s]; below nought where the pot runs dry."""
        return np.asarray(self.lifted - self.pot_takes)

    @cached_property
    def lift_gain(self) -> Array:
        """Pressure across the lift pump [Pa]; nought where there is none."""
        net, c = self.network, self.network.circuit
        if net.lift is not None:
            return net.lift.across_at(self.lifted)
        if net.booster is None:
            return np.zeros_like(self.taken)
        return np.asarray(self.inlet + c.suction_drop(self.through) + c.lift_drop(self.through))

    @property
    def lift_amps(self) -> Array:
        """Current of the lift pump [A]."""
        pump = self.network.booster if self.network.lift is None else self.network.lift.pump
        return np.zeros_like(self.taken) if pump is None else pump.motor.amps(self.lift_gain)

    @cached_property
    def tank_pull(self) -> Array:
        """Lost between tank and the first pump [Pa]."""
        return self.network.circuit.suction_drop(self.drawn)

    @cached_property
    def inlet(self) -> Array:
        """Pressure at the main pump's inlet [Pa over the air]."""
        return upstream_of(self.network.circuit, self.network.booster)(self.through)


def upstream_of(circuit: Circuit, booster: Pump | None) -> Callable[[Array], Array]:
    """Flow -> pressure at the main pump's inlet [Pa]: from the tank, the pot, or behind a lift pump.

    A lift pump that cannot keep up is drawn past: it then adds nothing.
    """
    if circuit.facts.lift == "pot":
        return lambda q: -circuit.pot_drop(q)
    if booster is None:
        return lambda q: -circuit.suction_drop(q)
    pressures = booster.pressures()
    flows = booster.flow(pressures)
    return lambda q: along(flows, pressures, q) - circuit.suction_drop(q) - circuit.lift_drop(q)


def downstream_of(circuit: Circuit) -> Callable[[Array], Array]:
    """Flow -> lost from the main pump to where its pressure is held [Pa].

    A dead-headed rail's regulator stands at the tank behind the filter; the line is lost off the rail.
    """
    if circuit.facts.regulator.place == "dead_headed":
        return circuit.filter_drop
    height = circuit.weight(circuit.fact("end_height"))
    return lambda q: circuit.line_drop(q) + height


def speed_share(context: Context, facts: FuelFacts, speed: Value) -> Array:
    """Speed of an engine-driven pump over what it is rated at."""
    rated = as_array(facts.main.speed)
    return clip(as_array(speed) / rated, SLOWEST, FASTEST)


def network_of(context: Context, circuit: Circuit, speed: Value | None = None, volts: Value | None = None) -> Network:
    """Tabulate every pump; MissingFact names what a pump lacks.

    Parameters
    ----------
    context : Context
    circuit : Circuit
    speed : float or array, optional
        Engine speed [rev/min] an engine-driven pump turns with; each duty's peak otherwise.
    volts : float, optional
        At the main pump, in place of what its wiring gives.
    """
    facts = circuit.facts
    most = np.asarray(HEAD_MOST * circuit.design_flow)
    share = speed_share(context, facts, context.peak.speed if speed is None else speed)
    booster = pump_of(facts, LIFT) if facts.lift == "series" else None
    upstream, downstream = upstream_of(circuit, booster), downstream_of(circuit)

    def supply(which: FuelFacts) -> Supply:
        pump = pump_of(which, MAIN, share, volts) if circuit.pumped else None
        return tabulate(pump, upstream, downstream, most)

    lift = None
    if facts.lift == "pot":
        lift = tabulate(pump_of(facts, LIFT), lambda q: -circuit.suction_drop(q), circuit.lift_drop, most)
    staged = facts.pump_staging == "demand" and circuit.pumped and float(np.max(circuit.fact("main.count"))) > 1.0
    return Network(circuit, supply(facts), supply(one_of(facts)) if staged else None, lift, booster)


def missing_of(circuit: Circuit) -> dict[str, tuple[str, ...]]:
    """Facts of the pumps that are fitted and not known, by part."""
    facts = circuit.facts
    found: dict[str, tuple[str, ...]] = {}
    for part, which, there in (("pump", MAIN, circuit.pumped), ("lift", LIFT, facts.lift != "none")):
        if not there:
            continue
        try:
            pump_of(facts, which)
        except MissingFact:
            pump = place_of(facts, which)
            found[part] = tuple(f"fuel.{which}.{n}" for n in ("flow", "pressure") if getattr(pump, n) is None)
    return found


def at_peak(context: Context, circuit: Circuit) -> Point | None:
    """The network at the peak of every duty; None where a pump that is fitted is not known."""
    return None if missing_of(circuit) else network_of(context, circuit).at(context.peak)


def return_limited(point: Point) -> Array:
    """Pressure [Pa] at the regulator when the return line decides it: never under the setting.

    What the pump gives over what is taken must go back through regulator and line: one crossing of the pump's
    table with the return's, whichever pumps run.
    """
    c = point.network.circuit

    def held(s: Supply) -> Array:
        flow, end, taken = (np.asarray(v) for v in (s.flow, s.end, point.taken))
        extra = (1,) * (taken.ndim + 1 - flow.ndim)
        rows = flow.reshape(flow.shape[0], *extra, *flow.shape[1:]) if extra else flow
        ends = end.reshape(end.shape[0], *extra, *end.shape[1:]) if extra else end
        surplus = ends - c.return_drop(np.maximum(rows - taken, 0.0))
        return along(rows, np.broadcast_to(ends, surplus.shape), where_falling(rows, surplus, 0.0))

    return np.maximum(point.of_running(held), point.back)
