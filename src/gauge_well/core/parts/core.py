"""A core: tubes and fins that coolant, charge air or a condenser gives its heat through, and one point it was tested at."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Kind, Way, choice, quantity
from gauge_well.core.heat.radiator import FIN_MATERIALS, FLOW_DIRECTIONS
from gauge_well.core.typing import Value

CORE_KINDS: Mapping[str, str] = {
    "louvred": "flat tubes, louvred fins",
    "plate": "round tubes through plate fins",
}


@dataclass(frozen=True)
class CoreFacts:
    """Finned part of a core, and one test of it. SI."""

    width: Value | None = quantity(
        "Core width", "length", 0.05, 3.0, needed=True, group="Core", help="Finned part only, not the tanks."
    )
    height: Value | None = quantity("Core height", "length", 0.05, 2.5, needed=True, group="Core")
    depth: Value | None = quantity("Core depth", "length", 0.008, 0.3, needed=True, group="Core")
    tubes: str = choice("Tubes and fins", CORE_KINDS, group="Core")
    fin_count: Value = quantity(
        "Fins", "fin_count", 150.0, 1500.0, group="Core", help="Lay a rule on the core and count."
    )
    rows: Value = quantity("Rows of tubes", "count", 1, 6, group="Core", spread="exact")
    passes: Value = quantity("Passes", "count", 1, 4, group="Core", spread="exact")
    direction: str = choice("Flow", FLOW_DIRECTIONS, group="Core")
    fin_material: str = choice("Fins of", {k: v[0] for k, v in FIN_MATERIALS.items()}, group="Core")
    fin_length: Value = quantity(
        "Fin height between tubes",
        "length",
        0.003,
        0.02,
        group="Core",
        spread="gauge",
        when=("tubes", ("louvred",)),
        fine=True,
    )
    tube_height: Value = quantity(
        "Tube height", "length", 0.001, 0.006, group="Core", spread="gauge", when=("tubes", ("louvred",)), fine=True
    )
    louvre_pitch: Value = quantity(
        "Louvre pitch",
        "length",
        0.0005,
        0.004,
        group="Core",
        spread="gauge",
        when=("tubes", ("louvred",)),
        fine=True,
    )
    louvre_angle: Value = quantity(
        "Louvre angle", "angle", 0.14, 0.70, group="Core", when=("tubes", ("louvred",)), fine=True
    )
    tube_diameter: Value | None = quantity(
        "Tube, outside",
        "length",
        0.005,
        0.03,
        group="Core",
        spread="gauge",
        help="Of round tubes.",
        when=("tubes", ("plate",)),
        fine=True,
    )
    tube_across: Value | None = quantity(
        "Tube to tube across",
        "length",
        0.01,
        0.1,
        group="Core",
        spread="gauge",
        help="Of round tubes.",
        when=("tubes", ("plate",)),
        fine=True,
    )
    tube_along: Value | None = quantity(
        "Row to row",
        "length",
        0.008,
        0.1,
        group="Core",
        spread="gauge",
        help="Of round tubes, along the air.",
        when=("tubes", ("plate",)),
        fine=True,
    )
    test_heat: Value | None = quantity(
        "Shed on test",
        "heat",
        500.0,
        1e6,
        group="Core on test",
        help="A maker's or a bench's one point, of the core as new; all four figures of it.",
    )
    test_air_speed: Value | None = quantity(
        "with air at", "speed_m_s", 0.5, 40.0, group="Core on test", spread="speed", help="On the face."
    )
    test_coolant_flow: Value | None = quantity("and coolant", "flow", 2e-5, 0.02, group="Core on test")
    test_difference: Value | None = quantity(
        "Coolant in over air in",
        "temperature_difference",
        10.0,
        150.0,
        group="Core on test",
        spread="temperature",
        help="Inlet to inlet.",
    )


WAYS: Mapping[str, Way] = {
    "width": Way("hand", "Tape across the finned part, not the tanks."),
    "height": Way("hand", "Tape up the finned part, not the tanks."),
    "depth": Way("hand", "Calliper or a ruler through the edge: finned part only."),
    "fin_count": Way("hand", "Lay a rule on the core and count the fins along an inch."),
    "fin_length": Way("hand", "Calliper from tube to tube."),
    "tube_height": Way("hand", "Calliper on a tube's edge."),
    "louvre_pitch": Way("hand", "A glass and a rule: louvres along 10 mm."),
    "louvre_angle": Way("hand", "A photograph along the tube and a protractor."),
    "tube_diameter": Way("hand", "Calliper on a tube where the fins stand apart."),
    "tube_across": Way("hand", "Calliper from tube to tube, middle to middle, across the face."),
    "tube_along": Way("hand", "Core depth over the rows of tubes."),
    "test_heat": Way(
        "papers", "The maker's figure for this very core; or a bench: flow times its fall in temperature."
    ),
    "test_air_speed": Way("papers", "The face speed that figure stands at."),
    "test_coolant_flow": Way("papers", "The coolant flow that figure stands at."),
    "test_difference": Way("papers", "Coolant in less air in, as the figure was taken."),
}

CORE = Kind("core", "Core", CoreFacts, WAYS)
