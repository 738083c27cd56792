"""Pan, pickup, room: what stays covered against what is asked."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from gauge_well.core.checks import FILL_MAX, Check, CheckClass, Scales, gap_fill, gap_gate, gate, ratio_fill
from gauge_well.core.geometry.free_surface import surface_height
from gauge_well.core.media.air import GRAVITY
from gauge_well.core.sentence import Sentence
from gauge_well.core.systems.base import Context
from gauge_well.core.systems.oil import covering, dipping, levels
from gauge_well.core.systems.oil.covering import DIRECTIONS, G_MOST, Coverage
from gauge_well.core.systems.oil.facts import OilFacts
from gauge_well.core.systems.oil.pan import Pan, over_floor
from gauge_well.core.systems.oil.surge import Ride
from gauge_well.core.typing import Array, Value, as_array, likely

CROSSMEMBER, STEERING = 0.015, 0.020  # m kept as the engine rocks (common practice)
ENTERS = 0.015  # m over the oil at which a return enters (common practice)
MOUTH_LEAST = 0.003  # m between a mouth and the floor: less, and it draws through a slit, or meets it (common practice)
USUAL_OVER = 0.008  # m over the floor, 6 to 10 mm (common practice)
DIP_LEAST = 0.005  # m between the oil's surface and the big ends, running (common practice)

PICKUPS = {"pickup": ("Pickup", "pan", "pickup"), "tank_outlet": ("Tank's outlet", "tank", "outlet")}
SAID = {"pulling": "pulling away", "braking": "braking", "left": "turning left", "right": "turning right"}


def worst_direction(coverage: Coverage, limits: Array) -> tuple[int, int, Array]:
    """Duty and direction with the fullest pickup, and all fills (duty, direction), samples last."""
    open_ended = limits >= G_MOST
    asked = coverage.asked[..., None] if coverage.asked.ndim < limits.ndim else coverage.asked
    fill = np.where(open_ended, 0.0, ratio_fill(asked, limits))
    # Bare at rest: over any brim, whatever is asked.
    fill = np.where(limits <= 0.0, FILL_MAX, fill)
    firsts = fill if fill.ndim == 2 else fill[..., 0]
    duty, way = np.unravel_index(int(np.argmax(firsts)), firsts.shape)
    return int(duty), int(way), fill


def pickup_check(context: Context, coverage: Coverage, limits: Array, id: str = "pickup") -> Check:
    """Acceleration asked against covered, in the duty and direction that uncovers first; of a pan, or a dry sump's tank."""
    name, part, what = PICKUPS[id]
    duty, way, fill = worst_direction(coverage, limits)
    asked, covered = coverage.asked[duty, way], limits[duty, way]

    def said() -> Sequence[Sentence]:
        got = likely(covered)
        values: dict[str, tuple[float, str] | str] = {
            "asked": (likely(asked) * GRAVITY, "acceleration"),
            "got": (got * GRAVITY, "acceleration"),
            "what": what,
            "way": SAID[list(DIRECTIONS)[way]],
            "duty": context.duties.cases[duty].name.lower(),
            "rest": (coverage.standing(duty, way) if got <= 0.0 else float(np.min(coverage.rest)), "size"),
            "over": (float(coverage.over[duty].flat[0]), "size"),
        }
        if got <= 0.0:
            return (
                Sentence("On {duty}, leaning as it does, {rest} of oil is over the {what}; it wants {over}.", values),
            )
        if got >= G_MOST:
            return (Sentence("Stays covered whatever the duties ask; {rest} over it at rest.", values),)
        return (Sentence("Covered to {got} {way}; {duty} asks {asked}. {rest} over it at rest.", values),)

    return Check(
        id=id,
        name=name,
        part=part,
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="acceleration",
        demand=as_array(asked) * GRAVITY,
        capacity=as_array(covered) * GRAVITY,
        # Each sample's fullest direction.
        fill=fill.max(axis=(0, 1)),
        sentences=said,
    )


def volume_check(facts: OilFacts, pan: Pan) -> Check:
    """All the oil against what the pan holds to its rail."""
    oil = facts.oil_quantity
    values = {"oil": (likely(oil), "volume"), "holds": (likely(pan.holds), "volume")}
    return Check(
        id="pan_volume",
        name="Oil in the pan",
        part="pan",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="volume",
        demand=oil,
        capacity=pan.holds,
        fill=ratio_fill(oil, pan.holds),
        sentences=lambda: (Sentence("{oil} in a pan that holds {holds} to the rail.", values),),
    )


def room_checks(context: Context) -> list[Check]:
    """Measured gaps under and beside the pan against what is kept."""
    lie = context.installation
    return [
        *gap_gate("ground", "Pan over the ground", "room", context.room("pan_ground"), lie.ground_needed),
        *gap_gate("crossmember", "Pan to crossmember", "room", context.room("pan_crossmember"), CROSSMEMBER),
        *gap_gate("steering", "Pan to steering", "room", context.room("pan_steering"), STEERING),
    ]


def ride_check(context: Context, pickup: Check, coverage: Coverage, limits: Array, ride: Ride, thrown: Value) -> Check:
    """Seconds that trap door and accumulator ride out against those for which oil is thrown, where the pickup uncovers."""
    duty, way, fill = worst_direction(coverage, limits)
    over = fill if fill.ndim == 2 else fill[..., 0]
    seconds = np.broadcast_to(ride.seconds, np.broadcast_shapes(ride.seconds.shape, (1, len(over), 1)))[0]
    bare = np.nonzero((over > 1.0).any(axis=1))[0]
    at = int(bare[np.argmin(seconds[bare, 0])]) if bare.size else duty
    lasts, asked = seconds[at], as_array(thrown)
    values: dict[str, tuple[float, str] | str] = {
        "got": (likely(limits[duty, way]) * GRAVITY, "acceleration"),
        "way": SAID[list(DIRECTIONS)[way]],
        "duty": context.duties.cases[at].name.lower(),
        "oil": (likely(ride.held) + likely(ride.given), "volume"),
        "lasts": (likely(lasts), "time"),
        "asked": (likely(asked), "time"),
    }
    words = "Uncovers past {got} {way}; what is held, {oil}, rides out {lasts} on {duty}; {asked} are asked."
    level = gap_fill(lasts, asked)
    return Check(
        id="ride_out",
        name="Uncovered pickup ridden out",
        part="pan",
        check_class=CheckClass.LIMIT,
        scales=Scales.GATE,
        kind="time",
        demand=asked,
        capacity=lasts,
        fill=np.where(pickup.fill <= 1.0, np.minimum(pickup.fill, level), level),
        sentences=lambda: (Sentence(words, values),),
    )


def mouth_checks(facts: OilFacts, pan: Pan) -> list[Check]:
    """The fitted pickup's mouth over this pan's floor, where its drop was taken on the engine."""
    if facts.pickup.drop is None:
        return []
    over = over_floor(facts, pan)
    words = "The mouth stands {capacity} over the floor; {demand} at least, 6 to 10 mm is usual."
    if likely(over) < MOUTH_LEAST:
        words = "The mouth comes {capacity} over the floor: a spacer under the pan, or a pickup {short} shorter."
    return [
        gate(
            "pickup_floor",
            "Pickup over the floor",
            "pan",
            MOUTH_LEAST,
            over,
            "size",
            words,
            lambda: {"short": (USUAL_OVER - likely(over), "size")},
            fill=gap_fill(over, MOUTH_LEAST),
        )
    ]


def enters_check(context: Context, facts: OilFacts, pan: Pan) -> list[Check]:
    """A turbo's return over the oil it comes back to, running and the machine level: drowned, it backs up into the turbo."""
    if facts.drain_enters is None:
        return []
    normal, here = levels.level_up(context), pan.likely
    middle = 0.5 * float(here.outline[:, 0].min() + here.outline[:, 0].max())
    level = float(surface_height(here.body, normal, np.asarray(likely(covering.in_sump(facts)))))
    over = as_array(facts.drain_enters) - (level - float(normal[0]) * middle) / float(normal[2])
    words = "Enters {capacity} over the oil, running; {demand} at least, or it backs up into the turbo."
    if likely(over) <= 0.0:
        words = "Enters under the oil, running: it backs up into the turbo."
    fill = gap_fill(over, ENTERS)
    return [gate("turbo_drain_level", "Turbo's return over the oil", "drain", ENTERS, over, "size", words, fill=fill)]


def dip_checks(context: Context, facts: OilFacts, coverage: Coverage) -> list[Check]:
    """Big ends over the oil standing on every duty's grade; and how far they dip as it is thrown, which costs."""
    standing = dipping.clear(context, facts, coverage.pan, coverage.normals[:, 4], likely(coverage.volume))
    thrown = dipping.clear(context, facts, coverage.pan, coverage.normal, likely(coverage.volume))
    if standing is None or thrown is None:
        return []
    least, most = float(standing.min()), float(max(-thrown.min(), 0.0))
    words = "{capacity} between the big ends and the oil, running; {demand} at least."
    if least < 0.0:
        words = "The big ends dip {dips} into the oil, running: less oil, or a deeper pan."
    found = [
        gate(
            "crank_dip",
            "Crank over the oil",
            "pan",
            DIP_LEAST,
            least,
            "size",
            words,
            lambda: {"dips": (max(-least, 0.0), "size")},
            fill=gap_fill(least, DIP_LEAST),
        )
    ]
    if most > 0.0 and least >= 0.0:
        duty, way = np.unravel_index(int(np.argmin(thrown)), thrown.shape)
        more: dict[str, tuple[float, str] | str] = {
            "way": SAID[list(DIRECTIONS)[int(way)]],
            "duty": context.duties.cases[int(duty)].name.lower(),
        }
        said = "Dips {demand} {way} on {duty}: it beats foam and takes power while that lasts."
        throw = 2.0 * dipping.swing(context)
        found.append(
            gate("crank_foam", "Crank in the oil, thrown", "pan", most, throw, "size", said, lambda: more, cost=True)
        )
    return found
