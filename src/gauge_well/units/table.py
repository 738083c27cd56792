"""The closed vocabulary of units: factor and offset to SI, and the spellings understood."""

from __future__ import annotations

from dataclasses import dataclass

POUND = 0.45359237
INCH = 0.0254
FOOT = 0.3048
GRAVITY = 9.80665
PSI = POUND * GRAVITY / INCH**2
GALLON_US = 231.0 * INCH**3
GALLON_IMP = 4.54609e-3
HP_MECHANICAL = 550.0 * FOOT * POUND * GRAVITY
HP_METRIC = 75.0 * GRAVITY


@dataclass(frozen=True)
class Unit:
    """``SI = value * factor + offset``; ``symbol`` is what is printed."""

    id: str
    symbol: str
    dimension: str
    factor: float
    spellings: tuple[str, ...]
    offset: float = 0.0


def _unit(id: str, symbol: str, dimension: str, factor: float, *spellings: str, offset: float = 0.0) -> Unit:
    return Unit(id, symbol, dimension, factor, (symbol, *spellings), offset)


CUBIC_INCHES = ("ci", "cid", "cui", "in3", "in³", "cu. in.", "cu.in.", "cu in.", "cubic inches", "cubic inch")
# Said of a pressure, pounds are pounds on a square inch.
PSI_WORDS = ("lb", "lbs", "pounds", "lbs/sq in", "lb/sq in", "lbs/in2", "lb per sq in", "pounds per square inch")
WATER_GAUGE = ("in wg", "in wc", "in. wg", "in. wc", "inwg", "inwc", "inches wg", '" wg', '" wc', '" h2o')

_ALL = (
    # length
    _unit("mm", "mm", "length", 1e-3, "millimetre", "millimetres", "millimeter", "millimeters"),
    _unit("cm", "cm", "length", 1e-2, "centimetre", "centimetres", "centimeter", "centimeters"),
    _unit("m", "m", "length", 1.0, "metre", "metres", "meter", "meters"),
    _unit("km", "km", "length", 1e3, "kilometre", "kilometres", "kilometer", "kilometers"),
    _unit("in", "in", "length", INCH, '"', "inch", "inches", "ins", "”", "″", "''"),
    _unit("ft", "ft", "length", FOOT, "'", "foot", "feet", "’", "′"),
    _unit("thou", "thou", "length", INCH / 1000, "thousandths", "mil", "mils"),
    _unit("mi", "mi", "length", 1609.344, "mile", "miles"),
    # area
    _unit("mm2", "mm²", "area", 1e-6, "mm2", "sq mm", "mm^2"),
    _unit("cm2", "cm²", "area", 1e-4, "cm2", "sq cm", "cm^2"),
    _unit("m2", "m²", "area", 1.0, "m2", "sq m", "m^2"),
    _unit("in2", "in²", "area", INCH**2, "in2", "sq in", "in^2", "square inches"),
    _unit("ft2", "ft²", "area", FOOT**2, "ft2", "sq ft", "ft^2", "square feet"),
    # volume
    _unit("cc", "cc", "volume", 1e-6, "cm3", "cm³", "ccm", "ml", "mL"),
    _unit("L", "L", "volume", 1e-3, "l", "litre", "litres", "liter", "liters", "ltr"),
    _unit("m3", "m³", "volume", 1.0, "m3"),
    _unit("cuin", "cu in", "volume", INCH**3, *CUBIC_INCHES),
    _unit("gal", "gal", "volume", GALLON_US, "gallon", "gallons", "us gal", "us gallon", "us gallons"),
    _unit(
        "impgal",
        "imp gal",
        "volume",
        GALLON_IMP,
        "imp gallon",
        "imp gallons",
        "uk gal",
        "imperial gallons",
        "imperial gallon",
        "gal uk",
        "gal imp",
        "gallons imp",
    ),
    _unit("qt", "qt", "volume", GALLON_US / 4, "quart", "quarts"),
    _unit("pint", "pint", "volume", GALLON_US / 8, "pints", "pt"),
    _unit(
        "imppint", "imp pint", "volume", GALLON_IMP / 8, "imp pints", "pints imp", "pint imp", "uk pints", "pints uk"
    ),
    # mass
    _unit("g", "g", "mass", 1e-3, "gram", "grams"),
    _unit("kg", "kg", "mass", 1.0, "kilo", "kilos", "kilogram", "kilograms", "kgs"),
    _unit("t", "t", "mass", 1e3, "tonne", "tonnes"),
    _unit("lb", "lb", "mass", POUND, "lbs", "pound", "pounds"),
    _unit("cwt", "cwt", "mass", 112 * POUND),
    _unit("longton", "long ton", "mass", 2240 * POUND, "long tons", "tons uk", "imp tons"),
    _unit("shortton", "short ton", "mass", 2000 * POUND, "short tons", "us ton", "us tons"),
    # power
    _unit("W", "W", "power", 1.0, "w", "watt", "watts"),
    _unit("kW", "kW", "power", 1e3, "kw", "kilowatt", "kilowatts"),
    _unit("MW", "MW", "power", 1e6, "megawatt", "megawatts"),
    _unit("hp", "hp", "power", HP_MECHANICAL, "bhp", "horsepower"),
    _unit("whp", "whp", "power", HP_MECHANICAL, "wheel hp", "hp at the wheels"),
    _unit(
        "PS",
        "PS",
        "power",
        HP_METRIC,
        "ps",
        "cv",
        "ch",
        "pk",
        "metric hp",
        "metric horsepower",
        "din hp",
        "hp din",
        "hp metric",
    ),
    # torque
    _unit(
        "Nm",
        "N·m",
        "torque",
        1.0,
        "Nm",
        "nm",
        "n·m",
        "n m",
        "n.m",
        "n-m",
        "newton metres",
        "newton metre",
        "newton meters",
    ),
    _unit(
        "lbft",
        "lb-ft",
        "torque",
        POUND * GRAVITY * FOOT,
        "lbft",
        "lb ft",
        "ft-lb",
        "ft lb",
        "ftlb",
        "ft-lbs",
        "ft lbs",
        "lbs-ft",
        "lbf-ft",
        "lb·ft",
        "lb.ft",
        "ft·lb",
        "ft.lb",
        "ft.lbs",
        "ft·lbs",
        "lbs ft",
        "lbf·ft",
        "lbf ft",
        "pound-feet",
        "pound-foot",
        "pound feet",
        "foot-pounds",
        "foot pounds",
    ),
    _unit("kgm", "kg·m", "torque", GRAVITY, "kgm", "kgf·m", "kgf m", "kgf-m", "kg-m", "kg m", "mkg"),
    _unit("daNm", "daN·m", "torque", 10.0, "danm", "dan m", "dan.m", "mdan"),
    # pressure
    _unit("Pa", "Pa", "pressure", 1.0, "pa", "pascal"),
    _unit("kPa", "kPa", "pressure", 1e3, "kpa"),
    _unit("MPa", "MPa", "pressure", 1e6, "n/mm2", "n/mm²"),
    _unit("mbar", "mbar", "pressure", 100.0, "hpa", "hPa"),
    _unit("bar", "bar", "pressure", 1e5, "bars"),
    _unit("ksi", "ksi", "pressure", 1e3 * PSI),
    _unit("psi", "psi", "pressure", PSI, "psig", "lb/in2", "lb/in²", *PSI_WORDS),
    _unit("kg/cm2", "kg/cm²", "pressure", GRAVITY * 1e4, "kg/cm2", "kgf/cm2", "kgf/cm²", "kg/sq cm"),
    _unit("atm", "atm", "pressure", 101325.0),
    _unit("inHg", "inHg", "pressure", 3386.389, "inhg", "in hg", '" hg', '"hg', "inches of mercury", "in. hg"),
    _unit("inH2O", "inH2O", "pressure", 249.08891, "inh2o", "in h2o", "inches of water", *WATER_GAUGE),
    _unit("mmH2O", "mmH2O", "pressure", GRAVITY, "mm h2o", "mm wg", "mm wc", "mm of water"),
    # temperature; differences use the same factors without the offset
    _unit("C", "°C", "temperature", 1.0, "c", "deg c", "degc", "celsius", offset=273.15),
    _unit("F", "°F", "temperature", 5.0 / 9.0, "f", "deg f", "degf", "fahrenheit", offset=273.15 - 32.0 * 5.0 / 9.0),
    _unit("K", "K", "temperature", 1.0, "k", "kelvin"),
    # volume flow
    _unit(
        "L/min",
        "L/min",
        "flow",
        1e-3 / 60,
        "l/min",
        "lpm",
        "litres a minute",
        "litres per minute",
        "l/m",
        "ltr/min",
        "litres/min",
    ),
    _unit(
        "L/h",
        "L/h",
        "flow",
        1e-3 / 3600,
        "l/h",
        "lph",
        "l/hr",
        "litres an hour",
        "litres per hour",
        "litres/h",
        "ltr/h",
    ),
    _unit("L/s", "L/s", "flow", 1e-3, "l/sec", "litres per second"),
    _unit("cc/min", "cc/min", "flow", 1e-6 / 60, "ccm/min", "cm3/min", "cm³/min", "ml/min", "cc"),
    _unit("m3/s", "m³/s", "flow", 1.0, "m3/s", "cubic metres per second"),
    _unit("m3/h", "m³/h", "flow", 1 / 3600, "m3/h", "m3/hr", "m³/hr", "cmh", "cubic metres an hour"),
    _unit("gal/min", "gal/min", "flow", GALLON_US / 60, "gpm", "us gpm"),
    _unit("gal/h", "gal/h", "flow", GALLON_US / 3600, "gph", "us gph", "gal/hr"),
    _unit("impgal/min", "imp gal/min", "flow", GALLON_IMP / 60, "imp gpm"),
    _unit("impgal/h", "imp gal/h", "flow", GALLON_IMP / 3600, "imp gph"),
    _unit("cfm", "cfm", "flow", FOOT**3 / 60, "ft3/min", "cu ft/min", "ft³/min"),
    # mass flow
    _unit("kg/s", "kg/s", "mass_flow", 1.0),
    _unit("g/s", "g/s", "mass_flow", 1e-3),
    _unit("kg/h", "kg/h", "mass_flow", 1 / 3600, "kg/hr"),
    _unit("lb/h", "lb/h", "mass_flow", POUND / 3600, "lb/hr", "lbs/hr", "pph"),
    _unit("lb/min", "lb/min", "mass_flow", POUND / 60),
    # speed
    _unit("m/s", "m/s", "speed", 1.0, "mps"),
    _unit("km/h", "km/h", "speed", 1 / 3.6, "kmh", "kph", "km/hr"),
    _unit("mph", "mph", "speed", 1609.344 / 3600, "mi/h"),
    _unit("kn", "kn", "speed", 1852 / 3600, "knot", "knots", "kt", "kts"),
    _unit("ft/s", "ft/s", "speed", FOOT, "fps"),
    # rotation
    _unit("rpm", "rpm", "rotation", 1.0, "rev/min", "r/min", "revs", "1/min", "min-1"),
    # fuel for power
    _unit("g/kWh", "g/kWh", "bsfc", 1e-3 / 3.6e6, "g/kwh", "g/kw h"),
    _unit(
        "lb/hph",
        "lb/hp·h",
        "bsfc",
        POUND / (HP_MECHANICAL * 3600),
        "lb/hph",
        "lb/hp/h",
        "lb/(hp h)",
        "lb/hp-hr",
        "lb/hphr",
        "lb/hp/hr",
        "lb/bhp/h",
        "lb/bhp/hr",
        "lb/bhp-hr",
    ),
    # counts a length
    _unit(
        "/in", "/in", "per_length", 1 / INCH, "per inch", "per in", "fpi", '/"', "an inch", "fins/in", "fins per inch"
    ),
    _unit("/cm", "/cm", "per_length", 100.0, "per cm", "fins/cm"),
    _unit("/dm", "/dm", "per_length", 10.0, "per dm", "fins/dm"),
    _unit("/m", "/m", "per_length", 1.0, "per m", "per metre"),
    # plain
    _unit("%", "%", "share", 0.01, "percent", "per cent", "pct"),
    _unit("1", "", "share", 1.0),
    _unit("deg", "°", "angle", 3.141592653589793 / 180, "deg", "degs", "degree", "degrees"),
    _unit("rad", "rad", "angle", 1.0),
    # time
    _unit("ms", "ms", "time", 1e-3, "msec", "millisecond", "milliseconds"),
    _unit("s", "s", "time", 1.0, "sec", "secs", "second", "seconds"),
    _unit("min", "min", "time", 60.0, "mins", "minute", "minutes"),
    _unit("h", "h", "time", 3600.0, "hr", "hrs", "hour", "hours"),
    # electrical
    _unit("V", "V", "voltage", 1.0, "v", "volt", "volts"),
    _unit("A", "A", "current", 1.0, "a", "amp", "amps", "ampere"),
    _unit("mA", "mA", "current", 1e-3, "ma", "milliamp", "milliamps"),
    _unit("ohm", "Ω", "resistance", 1.0, "ohm", "ohms", "Ω"),
    _unit("mohm", "mΩ", "resistance", 1e-3, "mohm", "milliohm", "milliohms", "mΩ"),
    _unit("kohm", "kΩ", "resistance", 1e3, "kohm", "kilohm", "kilohms", "kΩ"),
    _unit("Ah", "Ah", "charge", 3600.0, "ah", "amp hours", "ampere hours"),
    _unit("g0", "g", "acceleration", GRAVITY, "gee"),
    _unit("m/s2", "m/s²", "acceleration", 1.0, "m/s2"),
    _unit("kg/m3", "kg/m³", "density", 1.0, "kg/m3", "g/l"),
    _unit("mm2/s", "mm²/s", "viscosity", 1e-6, "mm2/s", "cst", "cSt", "centistokes"),
    _unit("W/K", "W/K", "conductance", 1.0, "w/k", "w/°c", "w/c"),
    _unit("W/m2", "W/m²", "heat_flux", 1.0, "w/m2", "w/m^2"),
    # mechanical
    _unit("N", "N", "force", 1.0, "newton", "newtons"),
    _unit("kN", "kN", "force", 1e3, "kilonewton", "kilonewtons"),
    _unit("daN", "daN", "force", 10.0),
    _unit("kgf", "kgf", "force", GRAVITY, "kp", "kilopond", "kg force"),
    _unit("lbf", "lbf", "force", POUND * GRAVITY, "pounds force", "pound force"),
    _unit("N/mm", "N/mm", "stiffness", 1e3, "n per mm", "newtons a millimetre", "kN/m"),
    _unit("N/m", "N/m", "stiffness", 1.0, "n per m"),
    _unit("kgf/mm", "kgf/mm", "stiffness", GRAVITY * 1e3, "kg/mm", "kg per mm"),
    _unit(
        "lbf/in",
        "lbf/in",
        "stiffness",
        POUND * GRAVITY / INCH,
        "lb/in",
        "lbs/in",
        "lb per inch",
        "lbs per inch",
        "pounds an inch",
        "pounds per inch",
    ),
    _unit("Hz", "Hz", "frequency", 1.0, "hertz", "cycles a second", "1/s"),
)

UNITS: dict[str, Unit] = {unit.id: unit for unit in _ALL}


def spellings_of(dimension: str) -> dict[str, Unit]:
    """Spelling (lower case, single spaces) -> unit of one dimension."""
    found: dict[str, Unit] = {}
    for unit in _ALL:
        if unit.dimension == dimension:
            for spelling in unit.spellings:
                found.setdefault(spelling.lower(), unit)
    return found
