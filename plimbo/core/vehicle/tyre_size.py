"""Loaded radius from the size on the sidewall."""

import re
from typing import NamedTuple

from plimbo.core.documents import Car, Tyre
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.phrases import phrase
from plimbo.core.quantities.results import answer
from plimbo.core.vehicle.measurement import Complaint, Measurement
from plimbo.core.working.formula import DEFINITION, GEOMETRY, formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number

INCH = 0.0254
# Rims of cars, inches.
LEAST_RIM, MOST_RIM = 8, 24
SIDEWALL = "Read off the sidewall"
_RIM = r"\s*(?:z?r|d|b|-|–|x)?\s*(?P<rim>\d{1,2}(?:\.\d)?)(?!\d)"
# 195/50 R15, P205/55ZR16 91W; and race sizes by overall diameter in mm: 180/550 R13.
METRIC = re.compile(r"^(?:p|lt)?\s*(?P<width>\d{2,3})\s*/\s*(?P<second>\d{2,3})" + _RIM, re.IGNORECASE)
# Overall diameter, width and rim in inches: 20.0 x 8.0 - 13, 31x10.50R15.
INCHES = re.compile(r"^(?P<diameter>\d{2}(?:\.\d+)?)\s*[x×/]\s*(?P<width>\d{1,2}(?:\.\d+)?)" + _RIM, re.IGNORECASE)
EXAMPLES = "such as 195/50 R15, 180/550 R13 or 20.0 x 8.0 - 13"


@formula(
    "R_0", "Free radius", "length", "{rim} / 2 + {width} · {aspect}", "Sidewall height is width times aspect ratio",
    valid="{rim} > 0, {width} > 0, {aspect} > 0",
)  # fmt: skip
def free_radius(rim: Number, width: Number, aspect: Number) -> Number:
    """Unloaded radius, m: rim diameter and width in m, aspect as a share."""
    return rim / 2 + width * aspect


@formula("R_0", "Free radius", "length", "{diameter} / 2", GEOMETRY, valid="{diameter} > 0")
def radius_of_diameter(diameter: Number) -> Number:
    """Unloaded radius, m; race sizes give the overall diameter, m."""
    return diameter / 2


@formula(
    "R", "Loaded radius", "length", "{free_radius} − {deflection}", DEFINITION, valid="0 ≤ {deflection} < {free_radius}"
)
def loaded_radius(free_radius: Number, deflection: Number) -> Number:
    """Hub centre to ground, m, of a tyre that sinks by the deflection, m."""
    return free_radius - deflection


class ImpossibleSize(ValueError):
    """No tyre can have this size; the message says why."""


class TyreSize(NamedTuple):
    """Rim diameter, m; and width, m, with the aspect ratio, or the overall diameter, m."""

    rim: float
    width: float
    aspect: float | None
    diameter: float | None


class TyreAnswer(Measurement):
    """One axle's tyre from its size."""

    free_radius: float | None = answer("length", "Free radius")
    loaded_radius: float | None = answer("length", "Loaded radius")


def read_size(text: str) -> TyreSize:
    """Reads the text of a tyre size.

    Raises `ImpossibleSize` for a size that no tyre can have.
    """
    text = text.strip()
    if metric := METRIC.match(text):
        width, second, rim = (float(metric[name]) for name in ("width", "second", "rim"))
        _within("rim", rim, LEAST_RIM, MOST_RIM, "in")
        _within("width", width, 95, 450, "mm")
        if second >= 200:
            _over_rim(second / 1000, rim * INCH)
            return TyreSize(rim * INCH, width / 1000, None, second / 1000)
        _within("sidewall", second, 20, 100, "% of the width")
        return TyreSize(rim * INCH, width / 1000, second / 100, None)
    if inches := INCHES.match(text):
        diameter, width, rim = (float(inches[name]) for name in ("diameter", "width", "rim"))
        _within("rim", rim, LEAST_RIM, MOST_RIM, "in")
        _within("width", width, 3, 18, "in")
        _over_rim(diameter * INCH, rim * INCH)
        return TyreSize(rim * INCH, width * INCH, None, diameter * INCH)
    raise ImpossibleSize(f"“{text}” is not a tyre size. Type it as it stands on the sidewall, {EXAMPLES}.")


def _within(what: str, number: float, low: float, high: float, unit: str) -> None:
    if not low <= number <= high:
        raise ImpossibleSize(f"A {what} of {number:g} {unit} is not made: it runs from {low:g} to {high:g}.")


def _over_rim(diameter: float, rim: float) -> None:
    if not rim + 0.03 <= diameter <= rim + 0.45:
        raise ImpossibleSize(
            f"A tyre {diameter / INCH:.1f} in high does not go on a {rim / INCH:g} in rim: check the first and the last"
            " number."
        )


# Difference of rim and disc diameter, m: room for the tyre seat, the drop centre, the caliper bridge and a gap. A 13 in
# rim takes 265 mm, a 15 in rim 316 mm. Common practice.
RIM_TAKES = 0.065
# Height of a sidewall where the tyre's size is not given, m: from memory, between low road tyres and tall slicks.
USUAL_SIDEWALL = 0.110


class Rim(NamedTuple):
    """The rim of an axle's tyres: its diameter, m; `given` by the tyre's size, else only suggested by its radius."""

    diameter: float
    given: bool

    @property
    def largest_disc(self) -> float:
        """Diameter of the largest disc that goes into it with its caliper, m."""
        return self.diameter - RIM_TAKES


def rim_of(tyre: Tyre) -> Rim:
    """The rim of the tyre's size; without a readable one, the whole inch that a usual sidewall leaves of its radius."""
    try:
        return Rim(read_size(tyre.size).rim, given=True)
    except ImpossibleSize:
        left = 2 * (tyre.loaded_radius + tyre.deflection - USUAL_SIDEWALL)
        return Rim(min(max(LEAST_RIM, round(left / INCH)), MOST_RIM) * INCH, given=False)


def tyre_from_size(car: Car, axle: Axle, inputs: Inputs, numbers: dict[str, Number]) -> TyreAnswer:
    """The loaded radius of one axle's tyres; adds its headline numbers to `numbers`."""
    end = f"{axle}_tyre"
    tyre = car.tyre(axle)
    if not tyre.size.strip():
        return TyreAnswer(free_radius=None, loaded_radius=None)
    try:
        size = read_size(tyre.size)
    except ImpossibleSize as nonsense:
        complaint = Complaint(path=f"car.{end}.size", message=phrase(str(nonsense)))
        return TyreAnswer(free_radius=None, loaded_radius=None, complaints=(complaint,))
    if size.diameter is not None:
        free = radius_of_diameter.at(axle)(inputs.constant(size.diameter, "D", "Overall diameter", "length", SIDEWALL))
    else:
        free = free_radius.at(axle)(
            inputs.constant(size.rim, "d_rim", "Rim diameter", "length", SIDEWALL),
            inputs.constant(size.width, "b", "Section width", "length", SIDEWALL),
            inputs.constant(size.aspect or 0.0, "a_s", "Sidewall, share of the width", "share", SIDEWALL),
        )
    loaded = loaded_radius.at(axle)(free, inputs(tyre, "deflection", axle))
    numbers |= {f"{end}.free_radius": free, f"{end}.loaded_radius": loaded}
    return TyreAnswer(free_radius=free, loaded_radius=loaded, takes={f"{end}.loaded_radius": round(float(loaded), 4)})
