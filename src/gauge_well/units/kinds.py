"""Kinds of quantity: what may be typed for each, and what it is shown in."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field


@dataclass(frozen=True)
class Kind:
    """A kind of quantity.

    Parameters
    ----------
    id : str
    dimension : str
        Which units may be typed.
    metric, imperial : str
        Unit a bare number is read in and the value shown in.
    digits : int
        Significant digits shown.
    decimals : int
        Most decimals shown.
    difference : bool
        A temperature difference: offsets are left out.
    absolute : bool
        An absolute pressure; typed gauge words are refused.
    by_power : bool
        The unit follows the build's choice of horsepower.
    """

    id: str
    dimension: str
    metric: str
    imperial: str
    digits: int = 3
    decimals: int = 1
    difference: bool = False
    absolute: bool = False
    by_power: bool = False
    also: Mapping[str, str] = field(default_factory=dict)


def _kinds(*items: Kind) -> dict[str, Kind]:
    return {kind.id: kind for kind in items}


KINDS: dict[str, Kind] = _kinds(
    Kind("length", "length", "mm", "in", 4, 2),
    Kind("height", "length", "mm", "in", 4, 1),
    Kind("size", "length", "mm", "in", 3, 1),
    Kind("distance", "length", "m", "ft", 4, 0),
    Kind("area", "area", "m2", "ft2", 3, 3),
    Kind("wire_area", "area", "mm2", "mm2", 3, 2),
    Kind("volume", "volume", "L", "gal", 3, 2),
    Kind("displacement", "volume", "L", "cuin", 4, 3),
    Kind("swept", "volume", "cc", "cuin", 3, 3),
    Kind("mass", "mass", "kg", "lb", 4, 0),
    Kind("mass_small", "mass", "g", "lb", 3, 2),
    Kind("power", "power", "kW", "hp", 3, 1, by_power=True),
    Kind("power_small", "power", "W", "W", 3, 0),
    # Heat stays in kilowatts whatever the engine's power is spoken of in.
    Kind("heat", "power", "kW", "kW", 3, 1),
    Kind("torque", "torque", "Nm", "lbft", 3, 0),
    Kind("pressure_gauge", "pressure", "kPa", "psi", 3, 1),
    Kind("pressure_difference", "pressure", "kPa", "psi", 3, 1),
    Kind("pressure_absolute", "pressure", "kPa", "psi", 4, 1, absolute=True),
    Kind("pressure_small", "pressure", "Pa", "inH2O", 3, 2),
    Kind("temperature", "temperature", "C", "F", 3, 0),
    Kind("temperature_difference", "temperature", "K", "F", 3, 1, difference=True),
    Kind("flow", "flow", "L/min", "gal/min", 3, 1),
    Kind("flow_fuel", "flow", "L/h", "gal/h", 3, 1),
    Kind("air_flow", "flow", "m3/s", "cfm", 3, 2),
    Kind("injector_flow", "flow", "cc/min", "cc/min", 3, 0),
    Kind("mass_flow", "mass_flow", "kg/h", "lb/h", 3, 2),
    Kind("mass_flow_s", "mass_flow", "kg/s", "lb/min", 3, 5),
    Kind("speed", "speed", "km/h", "mph", 3, 0),
    Kind("speed_m_s", "speed", "m/s", "ft/s", 3, 2),
    Kind("speed_rpm", "rotation", "rpm", "rpm", 5, 0),
    Kind("bsfc", "bsfc", "g/kWh", "lb/hph", 3, 3),
    Kind("fin_count", "per_length", "/in", "/in", 3, 1),
    Kind("share", "share", "%", "%", 3, 1),
    Kind("fill", "share", "%", "%", 3, 0),
    Kind("grade", "share", "%", "%", 3, 1),
    Kind("ratio", "share", "1", "1", 4, 3),
    Kind("count", "share", "1", "1", 3, 0),
    Kind("acceleration", "acceleration", "g0", "g0", 3, 2),
    Kind("angle", "angle", "deg", "deg", 3, 1),
    Kind("time", "time", "s", "s", 4, 1),
    Kind("time_short", "time", "ms", "ms", 3, 2),
    Kind("voltage", "voltage", "V", "V", 3, 1),
    Kind("voltage_drop", "voltage", "V", "V", 3, 2),
    Kind("current", "current", "A", "A", 3, 1),
    Kind("resistance", "resistance", "mohm", "mohm", 3, 2),
    Kind("ohms", "resistance", "ohm", "ohm", 3, 1),
    Kind("charge", "charge", "Ah", "Ah", 3, 0),
    Kind("density", "density", "kg/m3", "kg/m3", 4, 3),
    Kind("viscosity", "viscosity", "mm2/s", "mm2/s", 3, 1),
    Kind("conductance", "conductance", "W/K", "W/K", 4, 0),
    Kind("heat_flux", "heat_flux", "W/m2", "W/m2", 3, 0),
    Kind("force", "force", "N", "lbf", 3, 0),
    Kind("stiffness", "stiffness", "N/mm", "lbf/in", 3, 1),
    Kind("stress", "pressure", "MPa", "ksi", 3, 1),
    Kind("frequency", "frequency", "Hz", "Hz", 3, 1),
)
