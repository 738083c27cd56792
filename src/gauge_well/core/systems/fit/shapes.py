"""Solids from the tape: the engine in its own axes, the machine in its own, each a few convex ones as they were measured."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

import numpy as np

from gauge_well.core.errors import MissingFact
from gauge_well.core.facts import need
from gauge_well.core.geometry.convex import Convex, box, capsule, cylinder, hull_of, prism, ring
from gauge_well.core.installation import Lie
from gauge_well.core.parts.envelope import EnvelopeFacts
from gauge_well.core.parts.solid import WHATS, SolidFacts
from gauge_well.core.systems.fit.facts import FitFacts
from gauge_well.core.typing import Array, likely

HOT_GROWTH = 17e-6 * 450.0  # of exhaust steel: a share of each length
THICK = 0.05  # m by which walls and panels are thick: nothing passes through one
FAR = 1.5  # m that walls, tunnel and floor go on beyond what is measured
RAIL = 0.12  # m that a rail is high (common practice)
BELT = 0.06  # m of the engine's length at its front that belts and pulleys take (common practice)
BEAM = 0.045  # m, radius of an axle beam (common practice)
SIDE_THING = 0.09  # m, half the height of what stands out at a side


@dataclass(frozen=True)
class Thing:
    """One solid.

    Parameters
    ----------
    id, name : str
    moves : str
        ``unit``, ``body``, ``steer``, ``unsprung``, ``ground``, ``hung``.
    what : str
        What it is: decides the gap kept from it.
    solid : Convex
    of : str
        What it is a piece of: the bulkhead's three are one thing to a builder. Itself where that is empty.
    drawn : bool
        Whether it is the way of what draws off, not a thing that stands.
    """

    id: str
    name: str
    moves: str
    what: str
    solid: Convex
    of: str = ""
    drawn: bool = False

    @property
    def whole(self) -> str:
        """Id of the thing it is or is a piece of."""
        return self.of or self.id


def unit_things(facts: FitFacts) -> list[Thing]:
    """The engine and its gearbox, in engine axes: x from the bell's face to the front, on the crank's line [m].

    Raises
    ------
    MissingFact
        Without its length or height.
    """
    unit, case = facts.unit, facts.gearcase
    length = likely(need(unit.length, "fit.unit.length"))
    top = likely(need(unit.cover, "fit.unit.cover"))
    block, pan, shallow = likely(unit.block), likely(unit.pan), min(likely(unit.pan_shallow), likely(unit.pan))
    front = max(length - BELT, 0.5 * length)
    rim = min(0.6 * shallow, block)
    found = [
        _unit(
            "cover", "Cover", "cover", box((0.08 * front, -0.7 * block, 0.6 * top), (0.95 * front, 0.7 * block, top))
        ),
        _unit("block", "Block", "metal", box((0.0, -block, -rim), (front, block, 0.6 * top))),
        _unit("pan", "Pan", "pan", box((0.0, -0.75 * block, -shallow), (front, 0.75 * block, -rim))),
    ]
    start, end = well_of(unit)
    found.append(_unit("well", "Pan's well", "pan", box((start, -0.7 * block, -pan), (end, 0.7 * block, -shallow))))
    for side, sign, wide, at in (
        ("left", 1.0, unit.left, unit.left_height),
        ("right", -1.0, unit.right, unit.right_height),
    ):
        if likely(wide) > block:
            z = likely(at)
            low, high = (0.2 * front, sign * block, z - SIDE_THING), (0.8 * front, sign * likely(wide), z + SIDE_THING)
            found.append(_unit(side, f"{side.capitalize()} side", "metal", box(low, high)))
    found.append(_unit("belt", "Belt drive", "belt", _belt(facts, front, length)))
    if unit.fan is not None:
        up, ahead = likely(unit.belt_height), likely(unit.fan_ahead)
        disc = cylinder((length, 0.0, up), (length + max(ahead, 0.01), 0.0, up), 0.5 * likely(unit.fan))
        found.append(_unit("fan", "Fan", "fan", disc))
    if case.there == "yes":
        bell, end = likely(unit.bell), -likely(case.bell_length)
        if end < 0.0:
            found.append(_unit("bell", "Bell", "bell", cylinder((0.0, 0.0, 0.0), (end, 0.0, 0.0), bell, 0.7 * bell)))
        found.append(_unit("gearbox", "Gearbox", "gearbox", _case(facts, end)))
    return found


def well_of(unit: EnvelopeFacts) -> tuple[float, float]:
    """Where the pan's well begins and ends ahead of the bell's face [m].

    Raises
    ------
    MissingFact
        Without the engine's length.
    """
    length = likely(need(unit.length, "fit.unit.length"))
    front = max(length - BELT, 0.5 * length)
    long = front if unit.well == "whole" else min(likely(unit.well_length), front)
    start = front - long if unit.well == "front" else 0.0
    return start, start + long


def _unit(id: str, name: str, what: str, solid: Convex) -> Thing:
    return Thing(id, name, "unit", what, solid)


def _belt(facts: FitFacts, front: float, length: float) -> Convex:
    """From the crank's pulley up to the highest one driven."""
    radius, up = likely(facts.unit.pulley), likely(facts.unit.belt_height)
    outline = np.concatenate([ring(radius), 0.8 * ring(radius) + (0.0, up)])
    return prism(outline, front, length)


def _case(facts: FitFacts, start: float) -> Convex:
    case = facts.gearcase
    half, up, down, tail = (likely(v) for v in (case.half, case.up, case.down, case.tail))
    end, slim = start - likely(case.length), likely(case.tail) / max(half, 1e-6)
    near = [(start, y, z) for y in (-half, half) for z in (-down, up)]
    far = [(end, y, z) for y in (-tail, tail) for z in (-down * min(slim, 1.0), up * min(slim, 1.0))]
    return Convex(np.array(near + far))


def walls(facts: FitFacts, lie: Lie) -> tuple[float, float]:
    """Where panel and wall stand [m ahead of the axle line].

    Raises
    ------
    MissingFact
        Without the distance between them.
    """
    length = likely(need(facts.bay.length, "fit.bay.length"))
    panel = likely(facts.bay.panel_ahead) * (1.0 if lie.ahead else -1.0)
    return panel, panel - length if lie.ahead else panel + length


def faced(facts: FitFacts, lie: Lie) -> tuple[float, float]:
    """Where the wall stands that the pulley faces [m ahead of the axle line], and the way there: 1 ahead, -1 back.

    Raises
    ------
    MissingFact
        Without the distance between panel and wall.
    """
    panel, wall = walls(facts, lie)
    return panel if lie.panel else wall, 1.0 if lie.ahead == lie.panel else -1.0


def machine_things(facts: FitFacts, lie: Lie) -> list[Thing]:
    """What stands round the engine, in the machine's axes: ahead of the axle line, left of the middle, over the floor.

    Raises
    ------
    MissingFact
        Without length, width or height of the space.
    """
    bay = facts.bay
    panel, wall = walls(facts, lie)
    rails, edge = likely(need(bay.rails, "fit.bay.rails")), likely(need(bay.edge, "fit.bay.edge"))
    ends = min(panel, wall), max(panel, wall)
    half = 0.5 * max(likely(bay.wings), rails) + THICK
    out = 1.0 if lie.ahead else -1.0  # from the wall to the panel
    found = [
        _body("panel", "Front panel" if lie.ahead else "Rear panel", "metal", _plate(panel, out, half, 0.0, edge)),
        *_bonnet(facts, lie, panel, wall, half, edge),
        *_wall(facts, lie, wall, -out, half, edge),
    ]
    top = likely(bay.rail_top)
    for side, sign in (("left", 1.0), ("right", -1.0)):
        y = 0.5 * sign * rails
        beam = box((ends[0], y, max(top - RAIL, 0.0)), (ends[1], y + sign * THICK, top))
        found.append(_body(f"rail_{side}", f"{side} {'bed' if lie.boat else 'rail'}".capitalize(), "metal", beam))
        if "wings" in lie.has:
            y = 0.5 * sign * max(likely(bay.wings), rails)
            wing = box((ends[0], y, top), (ends[1], y + sign * THICK, edge))
            found.append(_body(f"wing_{side}", f"{side} wing".capitalize(), "metal", wing))
    depth = likely(bay.stack_depth)
    if depth > 0.0:
        wide, high, up = 0.5 * likely(bay.stack_width), likely(bay.stack_height), likely(bay.stack_top)
        found.append(
            _body("stack", "Radiator stack", "core", box((panel, -wide, up - high), (panel - out * depth, wide, up)))
        )
    if "member" in lie.has:
        a, b, up = likely(bay.member_front), likely(bay.member_rear), likely(bay.member_top)
        if a > b:
            low = max(up - 0.08, 0.0)
            found.append(_body("member", "Crossmember", "member", box((b, -0.5 * rails, low), (a, 0.5 * rails, up))))
    if bay.beam == "yes":
        up = likely(bay.beam_top)
        found.append(Thing("beam", "Axle beam", "unsprung", "axle", _bar(0.0, rails, up - BEAM, BEAM)))
    found += _steering(facts, wall, rails)
    floor = box((ends[0] - FAR, -half, -1.0), (ends[1] + FAR, half, 0.0))
    if lie.boat:
        return [*found, _body("hull", "Hull", "metal", floor)]
    return [*found, Thing("ground", "Ground", "ground", "ground", floor)]


def _body(id: str, name: str, what: str, solid: Convex, of: str = "") -> Thing:
    return Thing(id, name, "body", what, solid, of)


def _bar(ahead: float, long: float, height: float, radius: float) -> Convex:
    """A round bar across the machine."""
    return capsule((ahead, -0.5 * long, height), (ahead, 0.5 * long, height), radius)


def _plate(at: float, out: float, half: float, low: float, high: float) -> Convex:
    return box((at, -half, low), (at + out * THICK, half, high))


def _bonnet(facts: FitFacts, lie: Lie, panel: float, wall: float, half: float, edge: float) -> list[Thing]:
    if "bonnet" not in lie.has:
        return []
    corners = [
        (x, y, z + up)
        for x, z in ((wall, edge + likely(facts.bay.bonnet_rear)), (panel, edge + likely(facts.bay.bonnet_front)))
        for y in (-half, half)
        for up in (0.0, THICK)
    ]
    return [_body("bonnet", "Hatch" if lie.boat else "Bonnet", "bonnet", Convex(np.array(corners)))]


def _wall(facts: FitFacts, lie: Lie, wall: float, out: float, half: float, edge: float) -> list[Thing]:
    """The bulkhead; where there is a tunnel, round its mouth, with the tunnel behind."""
    top = edge + FAR
    if "tunnel" not in lie.has or likely(facts.bay.tunnel_width) <= 0.0:
        return [_body("bulkhead", "Bulkhead", "metal", _plate(wall, out, half, 0.0, top))]
    wide, roof = 0.5 * likely(facts.bay.tunnel_width), likely(facts.bay.tunnel_roof)
    far = wall + out * FAR
    floor = max(roof - 0.25, 0.0)  # the tunnel's sides end at the machine's floor
    found = [_body("bulkhead", "Bulkhead", "metal", box((wall, -half, roof), (wall + out * THICK, half, top)))]
    for side, sign in (("left", 1.0), ("right", -1.0)):
        beside = box((wall, sign * wide, floor), (wall + out * THICK, sign * half, roof))
        found.append(_body(f"bulkhead_{side}", "Bulkhead", "metal", beside, "bulkhead"))
        along = box((wall, sign * wide, floor), (far, sign * (wide + THICK), roof))
        found.append(_body(f"tunnel_{side}", "Tunnel", "tunnel", along, "tunnel"))
    over = box((wall, -wide - THICK, roof), (far, wide + THICK, roof + THICK))
    return [*found, _body("tunnel", "Tunnel", "tunnel", over)]


def _steering(facts: FitFacts, wall: float, rails: float) -> list[Thing]:
    s = facts.steering
    if s.there != "yes":
        return []
    ahead, height, radius = likely(s.rack_ahead), likely(s.rack_height), 0.5 * likely(s.rack_diameter)
    start = (wall, likely(s.column_left), likely(s.column_height))
    foot = (ahead, likely(s.column_foot), height)
    return [
        Thing("rack", "Steering rack", "steer", "steering", _bar(ahead, rails, height, radius)),
        _body("column", "Steering column", "steering", capsule(start, foot, 0.5 * likely(s.column_diameter))),
    ]


# Other things ------------------------------------------------------------------------------------


def own_things(facts: FitFacts) -> list[Thing]:
    """Things stated one by one; what moves with the engine in its axes, all else in the machine's.

    Raises
    ------
    MissingFact
        For a size that is not given.
    """
    found: list[Thing] = []
    for id, part in facts.solids:
        found += own_thing(id, part)
    return found


HOT = ("manifold", "pipe")


def hot(solid: Convex) -> Convex:
    """Exhaust as it is when hot: grown from where it is nearest the crank, which holds it."""
    held = solid.points[int(np.argmin(np.linalg.norm(solid.points[:, 1:], axis=1)))]
    return Convex(held + (solid.points - held) * (1.0 + HOT_GROWTH), solid.radius)


def short(what: str) -> str:
    """What a thing is in a word or two."""
    return WHATS[what].replace(",", ":").partition(":")[0].capitalize()


def own_thing(id: str, part: SolidFacts) -> list[Thing]:
    """One thing: a solid, or as many as it has pieces; nothing while it is not said what it is."""
    if part.what is None or part.moves is None or part.shape is None:
        return []
    name = short(part.what)
    solids = _pieces(id, part) if part.shape == "points" else [_plain(id, part)]
    if part.moves == "unit" and part.what in HOT:
        solids = [hot(solid) for solid in solids]
    return [
        Thing(id if len(solids) == 1 else f"{id}_{k}", name, part.moves, part.what, solid, id)
        for k, solid in enumerate(solids, 1)
    ]


def _plain(id: str, part: SolidFacts) -> Convex:
    def at(name: str) -> float:
        return likely(need(getattr(part, name), f"fit.solids.{id}.{name}"))

    middle = np.array([at("ahead"), at("left"), at("over")])
    if part.shape == "box":
        half = 0.5 * np.array([at("long"), at("wide"), at("high")])
        return box(tuple(middle - half), tuple(middle + half))
    return capsule(
        tuple(middle), tuple(middle + np.array([at("to_ahead"), at("to_left"), at("to_over")])), 0.5 * at("diameter")
    )


def _pieces(id: str, part: SolidFacts) -> list[Convex]:
    rows = np.array(need_rows(part, id), dtype=float)
    return [hull_of(rows[rows[:, 0] == piece, 1:]) for piece in np.unique(rows[:, 0])]


def need_rows(part: SolidFacts, id: str) -> Sequence[Sequence[float]]:
    """Corners of a thing given by points; MissingFact where there are none."""
    if not part.points:
        raise MissingFact(f"fit.solids.{id}.points")
    return [[likely(cell) for cell in row] for row in part.points]


def draw_off(facts: FitFacts) -> dict[str, Array]:
    """By the id of what draws off: the way it goes, in its own axes (3) [m]."""
    found: dict[str, Array] = {}
    for id, part in facts.solids:
        if part.withdraw is None or part.shape != "round":
            continue
        along = np.array([likely(v) if v is not None else 0.0 for v in (part.to_ahead, part.to_left, part.to_over)])
        size = float(np.linalg.norm(along))
        if size > 0.0:
            found[id] = along / size * likely(part.withdraw)
    return found


def swept(thing: Thing, by: Array) -> Thing:
    """The same with all that it passes as it draws off."""
    name = f"{thing.name} drawn off"
    return replace(thing, id=f"{thing.id}_off", name=name, solid=thing.solid.swept(by), drawn=True)
