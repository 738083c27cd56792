"""What a step of the work reads, takes from others and gives to them: declared, so that an edit says whom it reaches."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from gauge_well.core.typing import Array

ENGINE = "engine"
# Figures that steps hand to each other.
OPERATION = "operation"  # the engine at every duty: power, fuel, air, heat
# Coolant as a duty leaves it: with no heat made [K], what each watt the engine gives it adds; the least and the most it
# can be [K], by its thermostat and its limit.
COOLANT_FREE, COOLANT_PER_WATT = "coolant_free_k", "coolant_per_heat_k_w"
COOLANT_LEAST, COOLANT_MOST = "coolant_least_k", "coolant_most_k"
FANS_DRAW, FANS_FULL = (
    "fans_draw_w",
    "fans_full_w",
)  # electric, at the share of its time a duty has them on, and all on [W]
# Heat the oil brings the coolant: a share of its own and what it is ahead of the coolant as a duty begins [W], less so
# much for each kelvin the coolant stands over the air outside [W/K].
OIL_SHARE, OIL_WARM, OIL_PULL = "oil_heat_to_coolant_share", "oil_warmth_to_coolant_w", "coolant_to_oil_w_k"
# Engine and gearbox as they hang [kg], their balance point ahead of the bell's face, left of the crank and over it [m].
UNIT_MASS, UNIT_AHEAD, UNIT_LEFT, UNIT_OVER = "unit_mass_kg", "unit_ahead_m", "unit_left_m", "unit_over_m"
UNIT = f"{UNIT_MASS} {UNIT_AHEAD} {UNIT_LEFT} {UNIT_OVER}"
# The ring it is lifted by, ahead of the bell's face and over the crank [m].
HOOK_AHEAD, HOOK_OVER = "hook_ahead_m", "hook_over_m"
# What stands on each axle after the swap [kg]; without end where nobody weighed.
AXLE_FRONT, AXLE_REAR = "axle_front_kg", "axle_rear_kg"
# How the engine moves on its mounts at full torque in first: turned [rad] about a line that lies ahead of the bell's face,
# left of the crank and over it [m], along the crank or, where the axle's torque is reacted lengthwise, across it; up and
# down over bumps [m].
ROCK, ROCK_AHEAD, ROCK_LEFT, ROCK_OVER = "rock_rad", "rock_ahead_m", "rock_left_m", "rock_over_m"
NODS, BOUNCE = "rock_nods", "bounce_m"
# What the engine turns behind its lowest gear, at the wanted power [N m]; what the tyres take at the driven wheels together
# [N m], without end where none do; times the torque when the clutch is let go; the final drive.
DRIVE_OUT, DRIVE_CAP, DRIVE_DUMP, DRIVE_FINAL = "drive_output_n_m", "drive_cap_n_m", "drive_dump", "drive_final"
DRIVEN = f"{DRIVE_OUT} {DRIVE_CAP} {DRIVE_DUMP} {DRIVE_FINAL}"
# What lets a clutch go: force at its bearing [N], way of it [m], free way before it [m]; how far the bearing is moved by the
# pedal as it is linked [m]; without end where not known.
RELEASE_FORCE, RELEASE_WAY, BEARING_FREE = "release_force_n", "release_way_m", "bearing_free_m"
BEARING_STROKE = "bearing_stroke_m"
RELEASE = f"{RELEASE_FORCE} {RELEASE_WAY} {BEARING_FREE}"
MOTION = f"{ROCK} {ROCK_AHEAD} {ROCK_LEFT} {ROCK_OVER} {NODS} {BOUNCE}"
# Where the bell's face stands, ahead of the axle line, left of the middle and over the floor, and the axles apart [m];
# without end where no place is stated.
BELL_AHEAD, BELL_LEFT, BELL_OVER = "fit_bell_ahead_m", "fit_bell_left_m", "fit_bell_over_m"
WHEELBASE = "fit_wheelbase_m"
# The crank pulley's middle and the bonnet's underside there, over the floor [m]; without end where no place is stated.
PULLEY_OVER, BONNET_OVER = "fit_pulley_over_m", "fit_bonnet_over_m"
BUMP = "fit_bump_m"  # travel left to the bump stop
# Heat the exhaust gives the engine space, and what the core gives it with the air it brings [W, kg/s]; without end where not
# worked.
EXHAUST_SHEDS, CORE_HEAT, CORE_AIR = "exhaust_sheds_w", "core_heat_w", "core_air_kg_s"
# What its own core makes of a charge cooler that stands in the stack: effectiveness; without end where none does.
CHARGE_CORE = "charge_core_effectiveness"
# Raw water through a boat's heat exchanger [kg/s] and as it comes there [K]; without end where its pump is not known. Heat that
# coolant and oil bring it [W].
RAW_FLOW, RAW_IN, RAW_HEAT = "raw_flow_kg_s", "raw_in_k", "coolant_heat_made_w"
# The oil in it by its two figures [m2/s].
OIL_40, OIL_100 = "oil_at_40_m2_s", "oil_at_100_m2_s"
# What the alternator gives at most, in whatever state [W]; without end where what draws or its plate is not known.
CHARGE = "alternator_gives_w"
# Shares of a charging alternator's volts: what a duty leaves short of them, and what the fan's own wire costs besides.
SAG, FAN_DROP = "volts_short_share", "fan_wire_share"
# Whether the engine computer has lost the coolant's temperature, and the air-conditioning's signal: 1 or nought.
LOST_COOLANT, LOST_REQUEST = "coolant_signal_lost", "air_conditioning_signal_lost"
BELL = f"{BELL_AHEAD} {BELL_LEFT} {BELL_OVER}"

# Gaps and heights that fit comes to where nobody taped them [m], by the installation's field each stands in for.
ROOMS: Mapping[str, str] = {
    "pan_ground": "fit_pan_ground_m",
    "pan_crossmember": "fit_pan_crossmember_m",
    "pan_steering": "fit_pan_steering_m",
    "exhaust_ground": "fit_exhaust_ground_m",
    "exhaust_loom": "fit_exhaust_loom_m",
    "exhaust_fuel": "fit_exhaust_fuel_m",
    "depth_available": "fit_depth_available_m",
}


@dataclass(frozen=True)
class Hand:
    """A step by which a system hands figures to others, before any is judged.

    Parameters
    ----------
    gives, takes : frozenset of str
        Figures it hands on, and those of others that it needs for it.
    work : callable or None
        (context, facts) -> the figures it gives; none where it cannot be worked. None for the engine in its duties,
        which is worked before all systems.
    """

    gives: frozenset[str]
    takes: frozenset[str]
    work: Callable[..., Mapping[str, Array]] | None = None


def hand(work: Callable[..., Mapping[str, Array]], *, gives: str, takes: str = "") -> Hand:
    """A step that hands on, its figures parted by blanks; the engine's operation is taken by all."""
    return Hand(frozenset(gives.split()), frozenset({OPERATION, *takes.split()}), work)


@dataclass(frozen=True)
class Declared:
    """What a system stands on.

    Parameters
    ----------
    reads : frozenset of str
        Facts outside its own section as ``section.field``; ``duties.field`` of every duty.
    takes : frozenset of str
        Figures of others that it is judged by.
    hands : tuple of Hand
        Steps by which it hands on to others; nodes of the graph are steps, so that two systems may serve each other.
    """

    reads: frozenset[str]
    takes: frozenset[str] = frozenset({OPERATION})
    hands: tuple[Hand, ...] = ()

    @property
    def gives(self) -> frozenset[str]:
        """All figures it hands on."""
        return frozenset().union(*(step.gives for step in self.hands))

    @property
    def asks(self) -> frozenset[str]:
        """All figures of others that it is judged by or hands on from."""
        return self.takes.union(*(step.takes for step in self.hands))


def declared(*, takes: str = "", hands: tuple[Hand, ...] = (), **fields: str) -> Declared:
    """Declare by words: ``duties="braking heel"``; ``takes`` beside the engine's operation.

    Parameters
    ----------
    takes : str
        Figures, parted by blanks.
    hands : tuple of Hand
    **fields : str
        Section -> fields read in it, parted by blanks.
    """
    reads = frozenset(f"{section}.{name}" for section, names in fields.items() for name in names.split())
    return Declared(reads, frozenset({OPERATION, *takes.split()}), hands)


# The engine in its duties: solved once for all systems.
ENGINE_DECLARES = Declared(
    declared(
        engine="fuel ethanol_share aspiration cycle displacement stroke chamber rated_power rated_speed peak_torque "
        "peak_torque_speed torque_curve idle_speed limit_speed governed boost boost_held_to charge_cooler bsfc excess_air heat_school "
        "coolant_share coolant_heat oil_share radiation_share extra_share era",
        machine="kind mass drag_area rolling_resistance drive gearbox gear_ratios final_drive tyre_diameter trailer_mass "
        "trailer_drag_area electrical_load",
        duties="kind speed grade power_share engine_power engine_speed speed_share boat_exponent ambient altitude "
        "air_conditioning tow",
    ).reads,
    takes=frozenset(),
    hands=(Hand(frozenset({OPERATION}), frozenset()),),
)


def key_of(path: str) -> str:
    """A fact as declarations name it: of whichever duty."""
    section, *_, name = path.split(".")
    return f"{section}.{name}" if section == "duties" else path
