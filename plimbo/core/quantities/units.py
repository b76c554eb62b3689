"""Display units: one table, its factors made with pint, for every dimension the documents and answers use.

Inside, everything is SI; a display value is `si / factor - offset`. `digits` is how many decimals a reader wants.
"""

import math
from enum import StrEnum
from functools import cache

from pydantic import BaseModel, ConfigDict, Field

from plimbo.core.quantities.unit_factors import FACTORS

DASH = "–"


class UnitSystem(StrEnum):
    METRIC = "metric"
    IMPERIAL = "imperial"
    MIXED = "mixed"


class Unit(BaseModel):
    """A unit that a number of its dimension may be shown or typed in."""

    model_config = ConfigDict(frozen=True)

    symbol: str
    symbol_of_one: str = Field(description="Its symbol behind the number 1, where that is another: turn, session.")
    aliases: tuple[str, ...]
    factor: float
    offset: float
    digits: int
    whole: bool = Field(description="Shown without decimals where they are noughts: 25 %, 2 turns.")
    fraction: int = Field(description="Shown as a fraction where it is a whole number of such parts of one; 0: never.")


class DimensionUnits(BaseModel):
    """The units of one dimension and which of them each system shows (an index into `units`)."""

    model_config = ConfigDict(frozen=True)

    units: tuple[Unit, ...]
    metric: int
    imperial: int
    mixed: int


# Bores are sold in sixteenths of an inch.
_FRACTIONS = {("bore", "in"): 16}

_OF_ONE = {"turns": "turn", "sessions": "session"}

# Centimetres are never shown, but may be typed.
CM = ("cm", "cm", 1, "", "")

# dimension: SI unit, then (pint's name of the unit, symbol, decimals, further ways to type it); a * marks the metric,
# + the imperial and / the mixed choice, ~ one whose decimals are left out where they are noughts.
_TABLE: dict[str, tuple[str, list[tuple[str, str, int, str, str]]]] = {
    "mass": ("kg", [("kg", "kg", 0, "", "*/"), ("lb", "lb", 0, "lbs", "+")]),
    "reading": ("kg", [("kg", "kg", 1, "", "*/"), ("lb", "lb", 1, "lbs", "+")]),
    "mass moment": ("kg·m", [("kg*m", "kg·m", 1, "kgm", "*/"), ("lb*ft", "lb·ft", 0, "", "+")]),
    "length": ("m", [("mm", "mm", 1, "", "*/~"), ("inch", "in", 3, '" inch inches', "+"), ("m", "m", 3, "", ""), CM]),
    "bore": ("m", [("mm", "mm", 2, "", "*"), ("inch", "in", 3, '" inch inches', "+/"), CM]),
    "piston": ("m", [("mm", "mm", 1, "", "*/~"), ("inch", "in", 3, '" inch inches', "+"), CM]),
    "gap": ("m", [("mm", "mm", 2, "", "*/"), ("inch", "in", 4, '" inch inches', "+"), CM]),
    "compliance": ("m³/Pa", [("mm**3/bar", "mm³/bar", 1, "mm3/bar", "*/"), ("inch**3/kpsi", "in³/ksi", 4, "", "+")]),
    "swelling": ("m²/Pa", [("mm**2/bar", "mm³/bar·m", 1, "", "*+/")]),
    "modulus": ("Pa", [("GPa", "GPa", 2, "", "*/"), ("kpsi", "ksi", 0, "", "+")]),
    "stiffness": ("N/m", [("N/mm", "N/mm", 1, "", "*/"), ("lbf/inch", "lbf/in", 0, "", "+")]),
    "distance": ("m", [("m", "m", 1, "", "*/"), ("ft", "ft", 1, "feet", "+"), ("mm", "mm", 0, "", ""), CM]),
    "area": ("m²", [("mm**2", "mm²", 1, "mm2 sqmm", "*/"), ("inch**2", "in²", 3, "in2 sqin", "+")]),
    "lift area": ("m²", [("m**2", "m²", 2, "m2", "*/"), ("ft**2", "ft²", 2, "ft2", "+")]),
    "opening area": ("m²", [("cm**2", "cm²", 1, "cm2 sqcm", "*/"), ("inch**2", "in²", 2, "in2 sqin", "+")]),
    "volume": ("m³", [("cm**3", "cm³", 1, "cm3 cc", "*/"), ("inch**3", "in³", 2, "in3", "+")]),
    "force": ("N", [("N", "N", 0, "", "*/"), ("lbf", "lbf", 0, "lb", "+"), ("kgf", "kgf", 1, "kg kp", "")]),
    "torque": ("N·m", [("N*m", "N·m", 0, "Nm N.m", "*/"), ("lbf*ft", "lbf·ft", 0, "lbft ft·lb ftlb lb·ft", "+")]),
    "pressure": ("Pa", [("bar", "bar", 1, "", "*/"), ("psi", "psi", 0, "", "+"), ("MPa", "MPa", 2, "", "")]),
    "speed": ("m/s", [("km/h", "km/h", 0, "kph kmh", "*/"), ("mph", "mph", 0, "", "+"), ("m/s", "m/s", 1, "mps", "")]),
    "deceleration": ("m/s²", [("standard_gravity", "g", 2, "", "*+/"), ("m/s**2", "m/s²", 2, "", "")]),
    "time": ("s", [("s", "s", 2, "", "*+/")]),
    "long time": ("s", [("min", "min", 1, "minutes", "*+/~"), ("s", "s", 0, "", "")]),
    "power": ("W", [("kW", "kW", 0, "", "*/"), ("hp", "hp", 0, "bhp", "+"), ("metric_horsepower", "PS", 0, "ps", "")]),
    "air flow": ("kg/s", [("g/s", "g/s", 1, "", "*/"), ("lb/min", "lb/min", 1, "", "+")]),
    "air pressure": ("Pa", [("Pa", "Pa", 0, "", "*+/")]),
    "stream speed": ("m/s", [("m/s", "m/s", 1, "mps", "*/"), ("ft/s", "ft/s", 0, "fps", "+")]),
    "hose": ("m", [("mm", "mm", 0, "", "*/"), ("inch", "in", 2, '" inch inches', "+"), CM]),
    "drag": ("N", [("N", "N", 1, "", "*/"), ("lbf", "lbf", 2, "lb", "+")]),
    "small speed": ("m/s", [("km/h", "km/h", 2, "kph kmh", "*/"), ("mph", "mph", 2, "", "+")]),
    "money": ("", [("", "", 2, "", "*+/")]),
    "power per area": ("W/m²", [("W/mm**2", "W/mm²", 1, "W/mm2", "*+/")]),
    "energy per area": ("J/m²", [("J/mm**2", "J/mm²", 2, "J/mm2", "*+/")]),
    "wear": ("m³/J", [("mm**3/MJ", "mm³/MJ", 0, "mm3/MJ", "*+/")]),
    "expansion": ("1/K", [("", "1/K", 7, "", "*+/")]),
    "density": ("kg/m³", [("kg/m**3", "kg/m³", 3, "", "*/"), ("lb/ft**3", "lb/ft³", 4, "", "+")]),
    "energy": ("J", [("kJ", "kJ", 0, "", "*/"), ("Btu", "Btu", 0, "", "+")]),
    "temperature difference": ("K", [("K", "K", 0, "°C C", "*/"), ("delta_degF", "Δ°F", 0, "°F F", "+")]),
    "temperature": ("K", [("degC", "°C", 0, "C", "*/"), ("degF", "°F", 0, "F", "+"), ("kelvin", "K", 0, "", "")]),
    "angle": ("rad", [("degree", "°", 1, "deg", "*+/~"), ("rad", "rad", 3, "", "")]),
    "share": ("", [("percent", "%", 1, "", "*+/~"), ("", "", 3, "", "")]),
    "chance": ("", [("percent", "of 100", 0, "", "*+/")]),
    "friction": ("", [("", "", 2, "", "*+/")]),
    "grip": ("", [("", "", 2, "g", "*+/")]),
    "ratio": ("", [("", ": 1", 2, ":1", "*+/")]),
    "count": ("", [("", "", 0, "", "*+/")]),
    "sessions": ("", [("", "sessions", 1, "session", "*+/~")]),
    "running time": ("s", [("hour", "h", 1, "hours", "*+/~")]),
    "turns": ("", [("", "turns", 1, "turn", "*+/~")]),
    "conductivity": ("W/(m·K)", [("W/(m*K)", "W/(m·K)", 2, "", "*+/")]),
    "specific heat": ("J/(kg·K)", [("J/(kg*K)", "J/(kg·K)", 0, "", "*+/")]),
    "viscosity": ("Pa·s", [("", "Pa·s", 7, "", "*+/")]),
    "heat transfer": ("W/(m²·K)", [("", "W/(m²·K)", 1, "", "*+/")]),
    "thermal conductance": ("W/K", [("", "W/K", 2, "", "*+/")]),
    "effusivity": ("J/(m²·K·√s)", [("", "J/(m²·K·√s)", 0, "", "*+/")]),
}  # fmt: skip


def unit_names() -> set[str]:
    """Every unit in the table, by pint's name."""
    return {name for _, rows in _TABLE.values() for name, *_ in rows}


def si_unit(dimension: str) -> str:
    """How the SI unit of a dimension is written."""
    return _TABLE[dimension][0]


@cache
def unit_table() -> dict[str, DimensionUnits]:
    """Every dimension's units."""
    table = {}
    for dimension, (_, rows) in _TABLE.items():
        units, system_unit = [], {"*": 0, "+": 0, "/": 0}
        for index, (name, symbol, digits, aliases, marks) in enumerate(rows):
            factor, offset = FACTORS[name]
            fraction = _FRACTIONS.get((dimension, symbol), 0)
            units.append(
                Unit(
                    symbol=symbol,
                    symbol_of_one=_OF_ONE.get(symbol, symbol),
                    aliases=tuple(aliases.split()),
                    factor=factor,
                    offset=offset,
                    digits=digits,
                    whole="~" in marks,
                    fraction=fraction,
                )
            )
            system_unit |= dict.fromkeys(marks.replace("~", ""), index)
        metric, imperial, mixed = system_unit.values()
        table[dimension] = DimensionUnits(units=tuple(units), metric=metric, imperial=imperial, mixed=mixed)
    return table


def unit_of(dimension: str, system: UnitSystem = UnitSystem.METRIC) -> Unit:
    """The unit in which a system shows a dimension."""
    units = unit_table()[dimension]
    index: int = getattr(units, system.value)
    return units.units[index]


def _as_fraction(value: float, parts: int) -> str | None:
    """A whole number of fractions of one, as the trade writes it: 13/16, 1 1/8; None if it is not one."""
    count = round(value * parts)
    if count <= 0 or abs(value * parts - count) > 0.002:
        return None
    whole, rest = divmod(count, parts)
    if rest == 0:
        return str(whole)
    shared = math.gcd(rest, parts)
    return f"{f'{whole} ' if whole else ''}{rest // shared}/{parts // shared}"


def _as_decimals(value: float, unit: Unit, *, signed: bool) -> str:
    """Long numbers in groups of three; a number that rounds to zero has no minus sign."""
    text = f"{value:.{unit.digits}f}"
    if unit.whole:
        text = text.removesuffix(f".{'0' * unit.digits}")
    if float(text) == 0:
        text = text.removeprefix("-")
    whole, point, decimals = text.partition(".")
    if len(whole.removeprefix("-")) > 4:
        whole = f"{int(whole):,}".replace(",", "\u202f")
    sign = "+" if signed and value > 0 else ""
    return f"{sign}{whole}{point}{decimals}".replace("-", "−")


def shown(value: float | None, dimension: str, system: UnitSystem = UnitSystem.METRIC, *, signed: bool = False) -> str:
    """A number with its unit, in this system of units; a dash for unknown."""
    return shown_sizes(() if value is None else (value,), dimension, system, signed=signed)


def shown_sizes(
    sizes: tuple[float, ...], dimension: str, system: UnitSystem = UnitSystem.METRIC, *, signed: bool = False
) -> str:
    """Several sizes of one part with their unit, such as pistons; a dash for none."""
    unit = unit_of(dimension, system)
    numbers = []
    for size in sizes:
        value = size / unit.factor - unit.offset
        fraction = _as_fraction(value, unit.fraction) if unit.fraction and not signed else None
        numbers.append(fraction or _as_decimals(value, unit, signed=signed))
    symbol = unit.symbol_of_one if numbers[-1:] in (["1"], ["+1"], ["−1"]) else unit.symbol
    # A degree stands at its number.
    between = "" if symbol == "°" else " "
    return f"{' + '.join(numbers)}{between}{symbol}".rstrip() if numbers else DASH
