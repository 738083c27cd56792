"""What an engine computer wants to know and drives: what each is lost by, and which may never be made up."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from gauge_well.core.electrical.chain import Way, way

START, LIMITS, LAMP, KEPT = "start", "limits", "lamp", "kept"
# What is lost without a signal, worst first.
LOSSES: Mapping[str, str] = {
    START: "Without it it does not start",
    LIMITS: "Without it it runs short of itself",
    LAMP: "Without it a lamp is lit, no more",
    KEPT: "For the machine's own electrics, kept alive",
}


@dataclass(frozen=True)
class Signal:
    """One signal, supply or output.

    Parameters
    ----------
    label : str
    lost : str
        Of :data:`LOSSES` (common practice; a maker's own may differ).
    missing : str
        What the engine does without it.
    hours : float
        To wire and prove the real one (common practice).
    words : tuple of str
        By what pin lists call it, small letters.
    never : str
        Why it may never be mimicked or programmed out; empty where it may.
    mimic : str
        How it is made up; empty where that is not done.
    drops : bool
        Whether a re-flash can do without it.
    burns : tuple of str
        Of which ignition only: spark, glow; empty: of any.
    wanted : bool
        Whether a usual controller asks for it at all.
    """

    label: str
    lost: str
    missing: str
    hours: float
    words: tuple[str, ...]
    never: str = ""
    mimic: str = ""
    drops: bool = False
    burns: tuple[str, ...] = ()
    wanted: bool = True


SPARK, GLOW = ("spark",), ("glow",)
HOLDS_LIFE = "a person's life hangs on it"
SIGNALS: Mapping[str, Signal] = {
    "supply": Signal("supply, always on", START, "nothing wakes", 1.0, ("constant", "battery", "bat+", "b+", "kl30", "terminal 30", "memory", "permanent", "supply", "12v", "power feed")),
    "key": Signal("supply, by the key", START, "nothing wakes; cranks for an instant, then nothing, where it drops while cranking", 1.0, ("ignition switch", "ignition feed", "key", "kl15", "terminal 15", "switched", "ign+", "wake")),
    "earth": Signal("earth of the computer", START, "nothing wakes, or sensors read at random", 0.5, ("earth", "ground", "gnd", "kl31", "terminal 31", "chassis")),
    "immobiliser": Signal("immobiliser's box, paired with the computer", START, "fires for a second, then dies", 3.0, ("immobiliser", "immobilizer", "antitheft", "anti-theft", "immo"), drops=True),
    "key_ring": Signal("aerial round the lock, to the immobiliser's box", START, "the key is not seen: fires for a second, then dies", 1.0, ("key ring", "transponder", "aerial ring", "reader coil"), drops=True),
    "paired_key": Signal("the donor's key, its chip in it", START, "the box lets nothing start", 1.0, ("paired key", "coded key", "key chip"), drops=True),
    "starter": Signal("starter's request", START, "does not crank by the key", 1.5, ("starter", "crank request", "kl50", "terminal 50")),
    "neutral": Signal("neutral or clutch switch for starting", START, "does not crank, or cranks in gear", 1.0, ("neutral", "park", "p/n", "pnp", "clutch start", "interlock", "inhibitor"), never="it would start in gear"),
    "crank_position": Signal("crank position", START, "no spark, no injection", 2.0, ("crank position", "crankshaft", "ckp", "engine speed", "rpm sensor", "reluctor", "tdc")),
    "pump": Signal("fuel pump's relay", START, "runs on what is in the rail, then stops", 1.0, ("fuel pump", "pump relay", "lift pump")),
    "injectors": Signal("injectors", START, "no fuel", 1.5, ("injector", "inj ")),
    "coils": Signal("ignition coils", START, "no spark", 1.5, ("coil", "igniter", "spark"), burns=SPARK),
    "rail_pressure": Signal("rail pressure", START, "no rail pressure, no injection", 2.0, ("rail pressure", "fuel pressure sensor", "frp"), burns=GLOW),
    "run_solenoid": Signal("run solenoid", START, "no fuel", 1.0, ("run solenoid", "stop solenoid", "shut-off", "shutoff", "fuel cut"), burns=GLOW),
    "cam_position": Signal("cam position", LIMITS, "starts late, fires in pairs, cam drive stays at rest", 2.0, ("cam position", "camshaft", "cmp", "phase sensor")),
    "air": Signal("air flow, or pressure in the manifold", LIMITS, "runs on a table by throttle: thin or rich, weak", 2.0, ("air flow", "airflow", "maf", "manifold pressure", "map sensor", "mass air", "baro")),
    "air_temperature": Signal("air temperature", LIMITS, "takes a fixed air: thin in the cold, timid in the heat", 0.5, ("air temp", "intake temp", "iat", "act"), mimic="2.2 kohm, about 20 °C: no guard against hot air left"),
    "coolant_temperature": Signal("coolant temperature", LIMITS, "takes a fixed coolant: hard cold starts, fan held on", 1.0, ("coolant temp", "water temp", "ect", "clt", "engine temp"), never="over-temperature would never be seen"),
    "throttle": Signal("throttle's place", LIMITS, "no overrun cut, no idle, held to a limp speed", 1.5, ("throttle position", "tps", "throttle body", "throttle")),
    "pedal": Signal("pedal's place, both tracks", LIMITS, "stays at idle, or a fixed speed", 3.0, ("pedal", "app ", "accelerator")),
    "idle_valve": Signal("idle valve or motor", LIMITS, "stalls cold, hunts", 1.0, ("idle", "iac", "isc"), burns=SPARK),
    "lambda": Signal("exhaust oxygen", LIMITS, "runs by its table: thirstier, and the catalyst suffers", 1.5, ("lambda", "oxygen", "o2", "ego", "wideband"), burns=SPARK),
    "knock": Signal("knock", LIMITS, "takes timing out for safety: weak", 1.5, ("knock", "det sensor"), burns=SPARK),
    "boost": Signal("boost control", LIMITS, "held to the spring's boost", 1.0, ("boost", "wastegate", "turbo", "vgt", "n75")),
    "glow": Signal("glow relay", LIMITS, "hard to start cold, smokes", 1.0, ("glow",), burns=GLOW),
    "fan": Signal("radiator fan's relay", LIMITS, "no fan, or always on", 1.0, ("fan",)),
    "brake": Signal("brake pedal's switch", LIMITS, "cruise stays off; the pedal is not believed beside it", 1.0, ("brake", "stop lamp", "bls"), never=HOLDS_LIFE),
    "clutch": Signal("clutch pedal's switch", LIMITS, "flares between gears; cruise stays off", 0.5, ("clutch",), mimic="held as released: cruise must stay off"),
    "speed": Signal("road speed", LIMITS, "idle hunts as it rolls to a stop, a speed limit may hold it", 2.0, ("speed", "vss"), mimic="none: a made-up speed upsets idle; take a real one"),
    "oil_pressure": Signal("oil pressure", LAMP, "the lamp stays on", 1.0, ("oil pressure", "oil switch", "oil lamp", "oil light"), never="no warning would come before the bearings"),
    "oil_temperature": Signal("oil temperature", LAMP, "a lamp, sometimes less boost", 1.0, ("oil temp",), mimic="a resistor at 90 °C by its table: hot oil is not seen any more"),
    "air_conditioning": Signal("air-conditioning's request and pressure", LAMP, "the fan held at half speed on many", 1.0, ("a/c", "ac request", "ac press", "air con", "aircon", "refrigerant"), mimic="a resistor as its sensor at rest gives: the fan then comes by coolant alone", drops=True),
    "alternator": Signal("alternator's lamp or line", LAMP, "may not begin to charge", 0.5, ("alternator", "charge lamp", "d+", "lin alt", "field")),
    "purge": Signal("fuel vapour valve", LAMP, "a lamp; vapour vents", 1.0, ("purge", "evap", "canister", "vapour", "vapor"), never="petrol vapour would vent where it stands"),
    "crash": Signal("airbag's crash line", LAMP, "the pump runs on after a crash", 1.5, ("airbag", "srs", "crash", "inertia"), never=HOLDS_LIFE),
    "fuel_level": Signal("fuel level", LAMP, "a lamp, no more", 1.0, ("fuel level", "fuel gauge", "tank sender"), mimic="a resistor for half a tank: no warning when it is empty", drops=True),
    "lamp": Signal("engine's warning lamp", LAMP, "faults stay unseen", 0.5, ("mil", "check engine", "warning lamp", "cel")),
    "bus": Signal("data bus to dash, brakes, gearbox", LAMP, "gauges dead, brake unit's and gearbox's lamps lit", 6.0, ("can ", "can-h", "can-l", "canh", "canl", "bus", "k-line", "kline", "lin ", "diagnos", "obd"), drops=True),
    "tacho": Signal("rev counter", LAMP, "its needle lies still", 1.0, ("tach", "rev counter", "td ")),
    "sensor_supply": Signal("sensors' 5 V and their return", LIMITS, "all that hang on it read nonsense", 1.0, ("5v", "5 v", "vref", "sensor ground", "sensor earth", "sensor return", "signal ground", "sig rtn")),
    "running": Signal("engine is running, to steering and brake unit", KEPT, "electric steering stays dead, the brake unit's lamp lit", 1.5, ("engine running", "run signal", "eps enable")),
    "wheel_speeds": Signal("wheel speeds at the brake unit", KEPT, "no help against locked wheels, its lamp lit", 1.0, ("wheel speed", "abs")),
    "dash_tacho": Signal("rev counter of the machine's dash", KEPT, "its needle lies still", 1.5, ("dash tach", "cluster rpm")),
    "dash_temperature": Signal("temperature gauge of the machine's dash", KEPT, "its needle lies still, or pegs", 1.0, ("dash temp", "gauge temp", "cluster temp")),
    "dash_lamps": Signal("charge and oil lamps of the machine's dash", KEPT, "no warning at the wheel", 1.0, ("dash lamp", "cluster lamp")),
    "other": Signal("another", LAMP, "as its maker says", 1.0, (), wanted=False),
}  # fmt: skip

# What the engine does by its signals: it cranks, it fires, it runs as it should, the dash is quiet.
CRANKS, FIRES, RUNS, QUIET = "cranks", "fires", "runs", "quiet"
DOES: Mapping[str, str] = {
    CRANKS: "cranks by the key",
    FIRES: "fires and stays lit",
    RUNS: "runs as it should",
    QUIET: "with no lamp lit",
}
_CRANKS = ("starter", "neutral")


@cache
def wanted(ignition: str, road: bool = False) -> tuple[str, ...]:
    """Signals that a usual controller of such an engine asks for; ``ignition`` spark or glow; on the ``road`` what the machine's own
    units ask besides."""
    asked = (id for id, s in SIGNALS.items() if s.wanted and (not s.burns or ignition in s.burns))
    return tuple(id for id in asked if road or SIGNALS[id].lost != KEPT)


def chain(ids: tuple[str, ...]) -> Mapping[str, tuple[Way, ...]]:
    """What the engine does, by the signals that are asked of it."""
    of = {loss: [id for id in ids if SIGNALS[id].lost == loss] for loss in LOSSES}
    fires = [id for id in of[START] if id not in _CRANKS]
    return {
        CRANKS: (way(" ".join(["supply", "key", *(id for id in _CRANKS if id in ids)])),),
        FIRES: (way(" ".join([CRANKS, *fires])),),
        RUNS: (way(" ".join([FIRES, *of[LIMITS]])),),
        QUIET: (way(" ".join([RUNS, *of[LAMP]])),),
    }


def named(text: str) -> str:
    """The signal that a pin list's words mean: by the longest of its words found in them; ``other`` where none is."""
    said = f" {text.lower()} ".replace("_", " ").replace("-", " ").replace("/", " ")
    plain = f" {text.lower()} "
    found = [(len(w), id) for id, s in SIGNALS.items() for w in s.words if w in said or w in plain]
    return max(found, default=(0, "other"))[1]
