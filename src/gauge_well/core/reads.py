"""What a step of the work reads, takes from others and gives to them: declared, so that an edit says whom it reaches."""

from __future__ import annotations

from dataclasses import dataclass

ENGINE = "engine"
# Figures that steps hand to each other.
OPERATION = "operation"  # the engine at every duty: power, fuel, air, heat
# Coolant as a duty leaves it: with no heat made [K], what each watt the engine gives it adds; the least and the most it
# can be [K], by its thermostat and its limit.
COOLANT_FREE, COOLANT_PER_WATT = "coolant_free_k", "coolant_per_heat_k_w"
COOLANT_LEAST, COOLANT_MOST = "coolant_least_k", "coolant_most_k"
# Heat the oil brings the coolant: a share of its own and what it is ahead of the coolant as a duty begins [W], less so
# much for each kelvin the coolant stands over the air outside [W/K].
OIL_SHARE, OIL_WARM, OIL_PULL = "oil_heat_to_coolant_share", "oil_warmth_to_coolant_w", "coolant_to_oil_w_k"


@dataclass(frozen=True)
class Declared:
    """What one step stands on.

    Parameters
    ----------
    reads : frozenset of str
        Facts outside its own section as ``section.field``; ``duties.field`` of every duty.
    takes, gives : frozenset of str
        Figures of others, and for others.
    hands : frozenset of str or None
        Of what it takes, what it needs to hand on what it gives; all of it where nothing is said.
    """

    reads: frozenset[str]
    takes: frozenset[str] = frozenset({OPERATION})
    gives: frozenset[str] = frozenset()
    hands: frozenset[str] | None = None

    @property
    def handing(self) -> frozenset[str]:
        """Figures it takes before it can hand on its own."""
        return self.takes if self.hands is None else self.hands


def declared(*, takes: str = "", gives: str = "", hands: str | None = None, **fields: str) -> Declared:
    """Declare by words: ``duties="braking heel"``; ``takes`` and ``gives`` beside the engine's operation.

    Parameters
    ----------
    takes, gives, hands : str
        Figures, parted by blanks.
    **fields : str
        Section -> fields read in it, parted by blanks.
    """
    reads = frozenset(f"{section}.{name}" for section, names in fields.items() for name in names.split())
    first = None if hands is None else frozenset({OPERATION, *hands.split()})
    return Declared(reads, frozenset({OPERATION, *takes.split()}), frozenset(gives.split()), first)


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
    gives=frozenset({OPERATION}),
)


def key_of(path: str) -> str:
    """A fact as declarations name it: of whichever duty."""
    section, *_, name = path.split(".")
    return f"{section}.{name}" if section == "duties" else path
