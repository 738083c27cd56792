"""Ethylene glycol and water: properties and boiling point."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from gauge_well.core.typing import Array, Value, as_array, clip
from gauge_well.core.validity import Range

# melinder2010, tabulated at -20 to 100 degC and mass shares 0 to 0.6 of glycol (water itself: iapws1995). Above 100 degC the
# last slope is carried on (viscosity: in its logarithm), since published tables stop there; likewise where the mix
# would be frozen.
T_FIRST, T_STEP, T_COUNT = 253.15, 10.0, 13
SHARE_STEP, SHARE_COUNT = 0.1, 7
T_CLAMP_LOW, T_CLAMP_HIGH = 253.15, 420.0
SHARE_RANGE = Range(
    "Glycol in the mix, by weight,",
    0.0,
    SHARE_STEP * (SHARE_COUNT - 1),
    "melinder2010",
    above="It is counted as that much: more glycol carries less heat than said.",
    kind="share",
)
TEMPERATURE_RANGE = Range(
    "Where the coolant ends",
    T_CLAMP_LOW,
    T_CLAMP_HIGH,
    "melinder2010",
    below="So cold that how it flows is a guess.",
    above="It would long have boiled: only that it is far over counts.",
    kind="temperature",
)
# Where the mix begins to freeze, by its mass share of glycol in steps of 0.1 [K] (melinder2010).
FREEZES = np.array([273.15, 269.79, 265.20, 258.57, 249.34, 237.16, 221.95])
DENSITY_GLYCOL, DENSITY_WATER = 1113.0, 998.2  # kg/m3 at 20 degC
MOLAR_GLYCOL, MOLAR_WATER = 62.07, 18.015

_TABLE = {
    "density": np.array(
        [
            [1000.4, 1000.2, 1000.0, 999.9, 998.3, 995.7, 992.3, 988.1, 983.2, 977.8, 971.8, 965.4, 958.4],
            [1015.8, 1014.7, 1013.6, 1012.5, 1010.6, 1007.8, 1004.3, 1000.1, 995.2, 989.7, 983.6, 976.8, 969.6],
            [1033.3, 1031.2, 1029.1, 1026.9, 1024.1, 1020.6, 1016.4, 1011.6, 1006.2, 1000.2, 993.8, 986.8, 979.3],
            [1050.0, 1047.5, 1045.0, 1041.8, 1038.0, 1033.7, 1028.8, 1023.4, 1017.5, 1011.1, 1004.3, 997.0, 989.4],
            [1066.7, 1063.8, 1060.4, 1056.4, 1051.9, 1046.8, 1041.4, 1035.4, 1029.1, 1022.4, 1015.4, 1008.1, 1000.5],
            [1082.2, 1078.7, 1074.6, 1070.0, 1064.9, 1059.4, 1053.4, 1047.1, 1040.5, 1033.6, 1026.4, 1019.0, 1011.5],
            [1096.3, 1092.4, 1087.9, 1082.7, 1077.1, 1071.1, 1064.6, 1057.8, 1050.8, 1043.5, 1036.0, 1028.4, 1020.8],
        ]
    ),
    "heat_capacity": np.array(
        [
            [4265, 4241, 4217, 4194, 4184, 4180, 4179, 4181, 4185, 4190, 4197, 4205, 4215],
            [4031, 4034, 4037, 4041, 4046, 4053, 4062, 4072, 4083, 4095, 4107, 4119, 4132],
            [3826, 3843, 3861, 3878, 3896, 3914, 3933, 3951, 3969, 3987, 4005, 4022, 4038],
            [3596, 3627, 3658, 3689, 3718, 3747, 3775, 3803, 3829, 3854, 3878, 3900, 3922],
            [3344, 3390, 3434, 3477, 3519, 3559, 3598, 3635, 3670, 3703, 3734, 3763, 3789],
            [3087, 3146, 3203, 3258, 3312, 3364, 3413, 3459, 3503, 3544, 3582, 3616, 3646],
            [2828, 2898, 2967, 3034, 3098, 3159, 3218, 3272, 3323, 3369, 3410, 3446, 3476],
        ]
    ),
    "conductivity": np.array(
        [
            [0.5099, 0.5329, 0.5560, 0.5790, 0.5981, 0.6144, 0.6285, 0.6407, 0.6511, 0.6598, 0.6670, 0.6728, 0.6773],
            [0.4926, 0.5080, 0.5233, 0.5386, 0.5529, 0.5661, 0.5783, 0.5895, 0.5996, 0.6087, 0.6168, 0.6238, 0.6299],
            [0.4601, 0.4721, 0.4841, 0.4962, 0.5077, 0.5186, 0.5291, 0.5390, 0.5483, 0.5571, 0.5653, 0.5730, 0.5800],
            [0.4264, 0.4362, 0.4459, 0.4555, 0.4649, 0.4741, 0.4830, 0.4917, 0.5002, 0.5084, 0.5162, 0.5238, 0.5311],
            [0.3945, 0.4022, 0.4099, 0.4176, 0.4253, 0.4329, 0.4405, 0.4480, 0.4553, 0.4626, 0.4697, 0.4766, 0.4833],
            [0.3647, 0.3707, 0.3768, 0.3830, 0.3891, 0.3953, 0.4015, 0.4077, 0.4138, 0.4198, 0.4257, 0.4315, 0.4371],
            [0.3380, 0.3425, 0.3472, 0.3519, 0.3567, 0.3614, 0.3662, 0.3709, 0.3756, 0.3802, 0.3847, 0.3891, 0.3933],
        ]
    ),
    "viscosity": np.array(
        [
            [
                3.366e-03,
                2.455e-03,
                1.790e-03,
                1.306e-03,
                1.002e-03,
                7.972e-04,
                6.527e-04,
                5.465e-04,
                4.661e-04,
                4.036e-04,
                3.541e-04,
                3.142e-04,
                2.816e-04,
            ],
            [
                4.493e-03,
                3.246e-03,
                2.345e-03,
                1.694e-03,
                1.275e-03,
                9.945e-04,
                8.014e-04,
                6.640e-04,
                5.634e-04,
                4.874e-04,
                4.281e-04,
                3.801e-04,
                3.398e-04,
            ],
            [
                6.335e-03,
                4.487e-03,
                3.178e-03,
                2.250e-03,
                1.662e-03,
                1.276e-03,
                1.013e-03,
                8.294e-04,
                6.969e-04,
                5.987e-04,
                5.238e-04,
                4.648e-04,
                4.168e-04,
            ],
            [
                9.854e-03,
                6.508e-03,
                4.298e-03,
                2.983e-03,
                2.166e-03,
                1.639e-03,
                1.286e-03,
                1.041e-03,
                8.660e-04,
                7.371e-04,
                6.388e-04,
                5.613e-04,
                4.977e-04,
            ],
            [
                1.500e-02,
                9.051e-03,
                5.811e-03,
                3.947e-03,
                2.819e-03,
                2.106e-03,
                1.635e-03,
                1.312e-03,
                1.082e-03,
                9.116e-04,
                7.800e-04,
                6.738e-04,
                5.844e-04,
            ],
            [
                2.218e-02,
                1.278e-02,
                7.930e-03,
                5.257e-03,
                3.693e-03,
                2.729e-03,
                2.103e-03,
                1.678e-03,
                1.375e-03,
                1.148e-03,
                9.685e-04,
                8.195e-04,
                6.900e-04,
            ],
            [
                3.354e-02,
                1.825e-02,
                1.087e-02,
                7.011e-03,
                4.845e-03,
                3.549e-03,
                2.725e-03,
                2.171e-03,
                1.775e-03,
                1.474e-03,
                1.229e-03,
                1.018e-03,
                8.291e-04,
            ],
        ]
    ),
}
_STACKED = np.stack(
    [_TABLE["density"], _TABLE["heat_capacity"], _TABLE["conductivity"], np.log(_TABLE["viscosity"])],
    axis=-1,
)


def mass_share(volume_share: Value) -> Array:
    """Mass share of glycol from the volume share mixed at 20 degC (0.5 gives 0.527)."""
    phi = as_array(volume_share)
    glycol = phi * DENSITY_GLYCOL
    return glycol / (glycol + (1.0 - phi) * DENSITY_WATER)


@dataclass(frozen=True)
class Coolant:
    """Properties at a temperature: [kg/m3], [J/kgK], [W/mK], [Pa s]."""

    density: Array
    heat_capacity: Array
    conductivity: Array
    viscosity: Array


def properties(temperature: Value, share: Value) -> Coolant:
    """Properties of the mix, bilinear in the table.

    Parameters
    ----------
    temperature : float or array
        [K]; clamped to 253 and 420.
    share : float or array
        Mass share of glycol, 0 to 0.6.
    """
    t = (clip(as_array(temperature), T_CLAMP_LOW, T_CLAMP_HIGH) - T_FIRST) / T_STEP
    x = clip(as_array(share), 0.0, SHARE_STEP * (SHARE_COUNT - 1)) / SHARE_STEP
    i = clip(t.astype(int), 0, T_COUNT - 2)
    j = clip(x.astype(int), 0, SHARE_COUNT - 2)
    u, v = (t - i)[..., None], (x - j)[..., None]
    z = _STACKED
    mixed = (1 - v) * ((1 - u) * z[j, i] + u * z[j, i + 1]) + v * ((1 - u) * z[j + 1, i] + u * z[j + 1, i + 1])
    return Coolant(mixed[..., 0], mixed[..., 1], mixed[..., 2], np.exp(mixed[..., 3]))


def freezing_point(share: Value) -> Array:
    """Temperature [K] at which a mix with that mass share of glycol begins to freeze (melinder2010); 0 to 0.6."""
    return np.asarray(np.interp(as_array(share), SHARE_STEP * np.arange(SHARE_COUNT), FREEZES))


def saturation_pressure_water(temperature: Value) -> Array:
    """Saturation pressure of water [Pa], 273.16 to 647 K (iapws1992, the auxiliary equation)."""
    tc, pc = 647.096, 22.064e6
    t = as_array(temperature)
    tau = 1.0 - t / tc
    series = (
        -7.85951783 * tau
        + 1.84408259 * tau**1.5
        - 11.7866497 * tau**3
        + 22.6807411 * tau**3.5
        - 15.9618719 * tau**4
        + 1.80122502 * tau**7.5
    )
    return np.asarray(pc * np.exp(tc / t * series))


def saturation_pressure_glycol(temperature: Value) -> Array:
    """Vapour pressure of ethylene glycol [Pa], Antoine, 50 to 200 degC (dippr_glycol)."""
    celsius = as_array(temperature) - 273.15
    return np.asarray(133.322 * np.power(10.0, 8.0908 - 2088.9 / (203.5 + celsius)))


def vapour_pressure(temperature: Value, share: Value) -> Array:
    """Vapour pressure of the mix [Pa] by Raoult's law on mole shares."""
    w = as_array(share)
    glycol, water = w / MOLAR_GLYCOL, (1.0 - w) / MOLAR_WATER
    x = water / (water + glycol)
    return np.asarray(x * saturation_pressure_water(temperature) + (1.0 - x) * saturation_pressure_glycol(temperature))


def boiling_point(pressure: Value, share: Value) -> Array:
    """Boiling temperature [K] of the mix at absolute ``pressure`` [Pa], 20 to 600 kPa.

    Secant in ln p against 1/T, where vapour pressure is nearly straight: four steps leave less than
    1e-6 K. 50/50 by volume boils near 108 degC at sea level, near 130 degC under a 103 kPa cap.
    """
    p = np.log(as_array(pressure))
    shape = np.broadcast_shapes(p.shape, np.shape(share))
    x0, x1 = np.full(shape, 1.0 / 370.0), np.full(shape, 1.0 / 400.0)
    g0, g1 = (np.log(vapour_pressure(1.0 / x, share)) - p for x in (x0, x1))
    for _ in range(4):
        with np.errstate(invalid="ignore"):
            step = np.where(g1 == g0, 0.0, g1 * (x1 - x0) / np.where(g1 == g0, 1.0, g1 - g0))
        x0, g0, x1 = x1, g1, x1 - step
        g1 = np.log(vapour_pressure(1.0 / x1, share)) - p
    return np.asarray(1.0 / x1)
