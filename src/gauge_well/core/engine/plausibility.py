"""Whether the claimed power is believable. Bad information is common."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from gauge_well.core.engine.facts import NATURAL_BMEP
from gauge_well.core.engine.model import Engine, operate
from gauge_well.core.engine.torque import RAD_PER_RPM
from gauge_well.core.errors import CoreError
from gauge_well.core.media import air
from gauge_well.core.sentence import Sentence
from gauge_well.core.typing import likely
from gauge_well.core.validity import Notice

# bmep [Pa]: notice, refuse (heywood1988, ch. 2; the refusals are ours).
BMEP: Mapping[tuple[bool, bool], tuple[float, float]] = {
    (True, False): (NATURAL_BMEP[True], 20e5),
    (True, True): (25e5, 32e5),
    (False, False): (NATURAL_BMEP[False], 14e5),
    (False, True): (22e5, 30e5),
}
PISTON_SPEED: Mapping[bool, tuple[float, float]] = {True: (22.0, 26.0), False: (13.0, 16.0)}
VOLUMETRIC_TUNED, VOLUMETRIC_MOST = 1.05, 1.15
BRAKE_SHARE: Mapping[bool, tuple[float, float]] = {True: (0.27, 0.38), False: (0.31, 0.44)}
# A chamber in the head costs a tenth or so of the fuel; a crankcase-scavenged engine loses a third of it unburned.
BRAKE_SHARE_INDIRECT, BRAKE_SHARE_TWO_STROKE = (0.26, 0.38), (0.14, 0.28)
EXHAUST_HOT = 1273.15
# Boost [Pa] that engines with a turbo usually run, by spark; a claim that takes much more says so (common practice).
USUAL_BOOST: Mapping[bool, tuple[float, float]] = {True: (70e3, 120e3), False: (100e3, 180e3)}
MUCH = 1.7
INLET_T, INLET_P = 298.15, 101e3


def figures(engine: Engine, wanted: float) -> dict[str, float]:
    """Implied figures at rated power: bmep, piston speed, volumetric efficiency, brake share."""
    op = operate(engine, wanted, wanted, engine.rated_speed, INLET_T, INLET_P)
    density = air.density(op.intake_temperature, INLET_P + op.manifold_gauge)
    swept = engine.displacement * engine.rated_speed * engine.swept_rate_factor
    return {
        "rated_bmep_pa": likely(op.bmep),
        "mean_piston_speed_m_s": likely(engine.piston_speed(engine.rated_speed)),
        "volumetric_efficiency": likely(op.air_mass_flow / (density * swept)),
        "released_brake_share": likely(op.power / op.released),
        "rated_exhaust_temperature_k": likely(op.exhaust_temperature),
        "rated_excess_air": likely(op.excess_air),
    }


def refuse(engine: Engine, wanted: float) -> None:
    """Raise :class:`CoreError` for a mean effective pressure no such engine reaches."""
    bmep = likely(engine.bmep(wanted, engine.rated_speed))
    boosted = engine.facts.aspiration != "natural"
    most = BMEP[(engine.fuel.spark, boosted)][1]
    if engine.facts.cycle == "two_stroke":
        most *= 0.7
    if bmep > most:
        raise CoreError(
            "not_believable",
            "engine.rated_power",
            wanted,
            f"{most / 1e5:.0f} bar mean effective pressure",
            f"That power from that displacement and speed needs {bmep / 1e5:.0f} bar mean effective "
            f"pressure; such engines reach {most / 1e5:.0f} at most.",
        )


@dataclass(frozen=True)
class Claim:
    """Whether the power claimed can be believed, by its mean effective pressure [Pa] and boost [Pa]."""

    believable: bool
    sentence: Sentence
    bmep: float
    usual: float
    most: float
    boost: float


def claim(engine: Engine, wanted: float, f: Mapping[str, float], boost_stated: bool, stroke_stated: bool) -> Claim:
    """Read a claim; ``f`` from :func:`figures`. Boost nobody stated is what the claim takes, and is said; a stroke
    nobody stated speaks of no piston."""
    spark, boosted = engine.fuel.spark, engine.facts.aspiration != "natural"
    usual, most = BMEP[(spark, boosted)]
    if engine.facts.cycle == "two_stroke":
        usual, most = 0.7 * usual, 0.7 * most
    bmep, boost, piston = f["rated_bmep_pa"], likely(engine.facts.boost or 0.0), f["mean_piston_speed_m_s"]
    high = bmep > usual or (spark and f["volumetric_efficiency"] > VOLUMETRIC_MOST)
    low, high_end = USUAL_BOOST[spark]
    much = boosted and not boost_stated and boost > MUCH * high_end
    fast = stroke_stated and piston > PISTON_SPEED[spark][1]
    values: dict[str, tuple[float, str] | str] = {
        "power": (wanted, "power"),
        "size": (likely(engine.displacement), "displacement"),
        "speed": (likely(engine.rated_speed), "speed_rpm"),
        "bmep": (bmep, "pressure_difference"),
        "boost": (boost, "pressure_gauge"),
        "low": (low, "pressure_gauge"),
        "high": (high_end, "pressure_gauge"),
        "piston": (piston, "speed_m_s"),
    }
    if fast:
        words = (
            "{power} at {speed} from {size} runs its pistons at {piston}, past what such engines bear: check the claim."
        )
    elif much:
        words = "{power} from {size} takes {boost} of boost, where {low} to {high} is usual: check the claim, or state the boost."
    elif high and not boosted:
        words = "{power} at {speed} from {size} takes {bmep} mean pressure, more than such engines give without boost: check it."
    elif high:
        words = "{power} at {speed} from {size} takes {bmep} mean pressure, more than such engines give: check it."
    elif boosted and not boost_stated:
        words = "{power} from {size} can be believed; it takes {boost} of boost."
    else:
        words = "{power} from {size} can be believed."
    return Claim(not (high or much or fast), Sentence(words, values), bmep, usual, most, boost)


def notices(engine: Engine, f: Mapping[str, float]) -> list[Notice]:
    """What to doubt about the claim, each with its number; ``f`` from :func:`figures`."""
    spark, boosted = engine.fuel.spark, engine.facts.aspiration != "natural"
    found: list[Notice] = []

    def say(code: str, template: str, **values: tuple[float, str] | str) -> None:
        found.append(Notice(code, Sentence(template, values), field="engine.rated_power"))

    limit = BMEP[(spark, boosted)][0]
    if f["rated_bmep_pa"] > limit:
        say(
            "bmep_high",
            "Mean effective pressure of {is_} is above {usual}, the usual most: check the power claimed.",
            is_=(f["rated_bmep_pa"], "pressure_difference"),
            usual=(limit, "pressure_difference"),
        )
    ve = f["volumetric_efficiency"]
    if spark and engine.facts.cycle != "two_stroke":
        if ve > VOLUMETRIC_MOST:
            say(
                "breathing_not_believable",
                "The power claimed needs a volumetric efficiency of {ve}: not believable without more boost.",
                ve=(ve, "ratio"),
            )
        elif ve > VOLUMETRIC_TUNED:
            say(
                "breathing_tuned",
                "The power claimed needs a volumetric efficiency of {ve}: only a tuned engine.",
                ve=(ve, "ratio"),
            )
    notice, most = PISTON_SPEED[spark]
    sp = f["mean_piston_speed_m_s"]
    if sp > notice:
        say(
            "piston_speed",
            "Mean piston speed {sp} is {how} for this kind of engine.",
            sp=(sp, "speed_m_s"),
            how="beyond the limit" if sp > most else "high",
        )
    low, high = _usual_brake_share(engine)
    share = f["released_brake_share"]
    if not low <= share <= high:
        say(
            "brake_share",
            "{share} of the heat released becomes power; {low} to {high} is usual: check the fuel used for that power.",
            share=(share, "share"),
            low=(low, "share"),
            high=(high, "share"),
        )
    if spark and f["rated_exhaust_temperature_k"] > EXHAUST_HOT:
        say(
            "exhaust_hot",
            "Exhaust works out at {t} at rated power, above 1000 °C: a fact about heat or fuel is off.",
            t=(f["rated_exhaust_temperature_k"], "temperature"),
        )
    facts = engine.facts
    if not boosted and likely(facts.boost or 0.0) > 0.0:
        say(
            "boost_without_charger",
            "Boost of {boost} is stated on a naturally aspirated engine: one of them is wrong.",
            boost=(likely(facts.boost or 0.0), "pressure_gauge"),
        )
    rated_torque = likely(engine.rated_power) / (likely(engine.rated_speed) * RAD_PER_RPM)
    backup = likely(facts.peak_torque) / rated_torque
    if backup < 0.999:
        say(
            "torque_below_power",
            "Peak torque is below the torque that rated power needs ({t}): one of them is wrong.",
            t=(rated_torque, "torque"),
        )
    elif backup > 1.6:
        say(
            "torque_backup",
            "Peak torque is {x} times that at rated power; 1.05 to 1.4 is usual: check both.",
            x=(backup, "ratio"),
        )
    return found


def _usual_brake_share(engine: Engine) -> tuple[float, float]:
    facts = engine.facts
    if engine.fuel.spark:
        return BRAKE_SHARE_TWO_STROKE if facts.cycle == "two_stroke" else BRAKE_SHARE[True]
    return BRAKE_SHARE_INDIRECT if facts.chamber == "indirect" else BRAKE_SHARE[False]
