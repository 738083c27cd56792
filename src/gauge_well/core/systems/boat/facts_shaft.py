"""What is stated of gear, shaft, propeller and coupling."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.facts import Way, choice, quantity
from gauge_well.core.flow.propeller import SHAFTS
from gauge_well.core.typing import Value

# What a repower is held to: its name, the most of the old power and torque at the shaft (common practice).
REPOWERS: Mapping[str, tuple[str, float]] = {
    "like": ("power and torque at the shaft as they were", 1.05),
    "more": ("a little more, as much as the hull can use", 1.20),
}
ALIGNED: Mapping[str, str] = {
    "log": "the shaft centred in its log first, then the engine to the shaft",
    "faces": "the coupling's faces alone",
}
SHAFT, PROPELLER, OLD, COUPLING, BEDS = "Gear and shaft", "Propeller", "Old engine", "Coupling", "Beds"
READ = "The dial on the shaft's half, feeling the engine's: plunger in counts up. By feelers: the gap, with a minus."


@dataclass(frozen=True)
class ShaftFacts:
    """Gear, shaft, propeller, the engine that was there, dial readings, feet and beds. SI."""

    gear_ratio: Value | None = quantity(
        "Marine gear's ratio, ahead", "ratio", 0.5, 8.0, group=SHAFT, spread="exact", help="2 : 1 halves the revs."
    )
    shaft_diameter: Value | None = quantity("Propeller shaft", "length", 0.01, 0.3, group=SHAFT, spread="gauge")
    shaft_metal: str | None = choice("Shaft of", {k: v[0] for k, v in SHAFTS.items()}, group=SHAFT)
    shaft_angle: Value | None = quantity("Shaft falls aft by", "angle", 0.0, 0.5, group=SHAFT)
    through: Value = quantity("Of the power that reaches the shaft", "share", 0.7, 1.0, group=SHAFT)
    propeller: Value | None = quantity("Propeller's diameter", "length", 0.1, 4.0, group=PROPELLER, spread="gauge")
    pitch: Value | None = quantity(
        "its pitch", "length", 0.05, 6.0, group=PROPELLER, follows="propeller", spread="gauge"
    )
    propeller_most: Value | None = quantity(
        "Largest there is room for", "length", 0.1, 4.0, group=PROPELLER, help="The aperture less a tenth each side."
    )
    old_power: Value | None = quantity("Old engine's power", "power", 500.0, 2e6, group=OLD)
    old_speed: Value | None = quantity(
        "at ", "speed_rpm", 200.0, 6000.0, group=OLD, follows="old_power", spread="exact"
    )
    old_ratio: Value | None = quantity("its gear's ratio", "ratio", 0.5, 8.0, group=OLD, spread="exact")
    old_reached: Value | None = quantity(
        "Revs it really reached, laden, with this propeller", "speed_rpm", 200.0, 6000.0, group=OLD
    )
    repower: str = choice("A repower keeps to", {k: v[0] for k, v in REPOWERS.items()}, group=OLD)
    aligned_by: str = choice("Aligned by", ALIGNED, group=COUPLING)
    felt_at: Value | None = quantity("Face felt at a diameter of", "length", 0.03, 0.6, group=COUPLING, help=READ)
    face_top: Value | None = quantity("Face, top", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    face_bottom: Value | None = quantity("Face, bottom", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    face_left: Value | None = quantity("Face, left", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    face_right: Value | None = quantity("Face, right", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    rim_top: Value | None = quantity("Rim, top", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    rim_bottom: Value | None = quantity("Rim, bottom", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    rim_left: Value | None = quantity("Rim, left", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    rim_right: Value | None = quantity("Rim, right", "length", -0.02, 0.02, group=COUPLING, spread="exact")
    sag: Value = quantity(
        "Dial's bracket hangs by",
        "length",
        0.0,
        0.005,
        group=COUPLING,
        spread="exact",
        help="On a stiff bar: it turns by half of what it reads.",
    )
    feet_front: Value | None = quantity("Front feet ahead of the coupling's face", "length", 0.05, 5.0, group=BEDS)
    feet_back: Value | None = quantity("Back feet ahead of it", "length", -1.0, 4.0, group=BEDS)
    feet_apart: Value | None = quantity("Feet apart, bolt to bolt across", "length", 0.1, 2.0, group=BEDS)
    feet_under: Value | None = quantity("Feet's soles under the shaft's line", "length", -0.5, 1.0, group=BEDS)
    mount_height: Value = quantity("A mount is high, loaded", "length", 0.005, 0.25, group=BEDS)
    beds_apart: Value | None = quantity("Beds apart, middle to middle", "length", 0.1, 3.0, group=BEDS)
    coupling_over: Value | None = quantity("Coupling's middle over the waterline", "height", -2.0, 2.0, group=BEDS)


DIAL = "Both halves turned together, the dial set to nought at the top; or feelers in the gap."
WAYS: Mapping[str, Way] = {
    "gear_ratio": Way("hand", "On the gear's plate; or turn the input by hand and count the output."),
    "shaft_diameter": Way("under", "Calliper where it is not worn."),
    "shaft_angle": Way("under", "An inclinometer on the shaft, the boat level."),
    "through": Way("papers", "A gear takes 3 to 4 %, a bearing 1 %."),
    "propeller": Way("under", "Twice the hub's middle to a tip; stamped on the hub."),
    "pitch": Way("under", "Stamped on the hub; or a pitch gauge at seven tenths of the radius."),
    "propeller_most": Way("under", "Twice the shaft's middle to the nearest plank, less a fifth."),
    "old_power": Way("papers", "Its plate or sheet."),
    "old_ratio": Way("papers", "The old gear's plate."),
    "old_reached": Way("running", "Tachometer, laden, clean hull, before it comes out."),
    "felt_at": Way("under", "A rule across the face where the dial ran."),
    **{f"{what}_{side}": Way("under", DIAL) for what in ("face", "rim") for side in ("top", "bottom", "left", "right")},
    "sag": Way("hand", "Clamp it to a stiff bar, set nought at the top, turn the bar over: half of what it reads."),
    "feet_front": Way("stand", "Along the engine from the coupling's face to the bolt."),
    "feet_back": Way("stand", "Along the engine from the coupling's face to the bolt."),
    "feet_apart": Way("stand", "Bolt to bolt across."),
    "feet_under": Way("stand", "A straight edge under both soles, up to the coupling's middle."),
    "mount_height": Way("hand", "Its sole to its top, a helper on it."),
    "beds_apart": Way("under", "Middle of one bed to the middle of the other."),
    "coupling_over": Way("under", "A clear hose full of water from the waterline's mark."),
}
