"""The pad: its friction over temperature, and the band of the disc that it rubs.

Effective radii and pad pressures are those of the annular-pad caliper in Shigley's Mechanical Engineering Design (from
memory).
"""

from typing import NamedTuple

from plimbo.core.documents import Disc, Pad, RadiusMethod
from plimbo.core.friction.disc_materials import effusivity_of
from plimbo.core.friction.friction_curve import FrictionCurve, curve_of
from plimbo.core.friction.pad_classes import pad_class
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.formula import GEOMETRY, READ, formula
from plimbo.core.working.inputs import PLAIN, Inputs, remembered
from plimbo.core.working.numbers import Number

SHIGLEY = "From memory of Shigley's Mechanical Engineering Design, caliper brakes"


@formula("r_o", "Outer radius of the pad's band", "length", "{disc_diameter} / 2 − {inset}", GEOMETRY)
def band_outer_radius(disc_diameter: Number, inset: Number) -> Number:
    """Outer edge of the rubbing band, m."""
    return disc_diameter / 2 - inset


@formula("r_i", "Inner radius of the pad's band", "length", "{outer_radius} − {pad_height}", GEOMETRY)
def band_inner_radius(outer_radius: Number, pad_height: Number) -> Number:
    """Inner edge of the rubbing band, m."""
    return outer_radius - pad_height


@formula(
    "r_eff",
    "Effective radius",
    "length",
    "({outer} + {inner}) / 2",
    f"Uniform wear. {SHIGLEY}",
    valid="0 < {inner} < {outer}",
)
def radius_uniform_wear(outer: Number, inner: Number) -> Number:
    """Mean of the rubbing band, m: pads that have bedded in."""
    return (outer + inner) / 2


@formula(
    "r_eff",
    "Effective radius",
    "length",
    "2 / 3 · ({outer}³ − {inner}³) / ({outer}² − {inner}²)",
    f"Uniform pressure. {SHIGLEY}",
    valid="0 < {inner} < {outer}",
)
def radius_uniform_pressure(outer: Number, inner: Number) -> Number:
    """New pads pressed evenly, m."""
    return 2 / 3 * (outer**3 - inner**3) / (outer**2 - inner**2)


@formula(
    "r_eff",
    "Effective radius",
    "length",
    "{disc_diameter} / 2 − {pad_height} / 2",
    "Common practice",
    valid="0 < {pad_height} < {disc_diameter}",
)
def radius_half_pad(disc_diameter: Number, pad_height: Number) -> Number:
    """Disc radius less half the pad's height, m: by tape measure."""
    return disc_diameter / 2 - pad_height / 2


@formula(
    "θ_p",
    "Angle the pad spans",
    "angle",
    "2 · {length} / ({outer} + {inner})",
    "Arc at mid height",
    valid="0 < {inner} < {outer}",
)
def pad_angle(length: Number, outer: Number, inner: Number) -> Number:
    """Angle of the pad about the disc's axis, rad, from its length and the radii of its band, m."""
    return 2 * length / (outer + inner)


@formula(
    "θ_p",
    "Angle the pad spans",
    "angle",
    "2 · {area} / {height} / ({outer} + {inner})",
    "From its face area",
    valid="0 < {inner} < {outer}, {height} > 0",
)
def pad_angle_of_area(area: Number, height: Number, outer: Number, inner: Number) -> Number:
    """Angle of a pad of this face area, m², and height about the disc's axis, rad; the radii of its band in m."""
    return 2 * area / height / (outer + inner)


@formula(
    "p_pad",
    "Pad pressure at its inner edge",
    "pressure",
    "{clamp} / ({angle} · {inner} · ({outer} − {inner}))",
    f"Uniform wear. {SHIGLEY}",
    valid="0 < {inner} < {outer}, {angle} > 0",
)
def pad_pressure_uniform_wear(clamp: Number, angle: Number, outer: Number, inner: Number) -> Number:
    """Highest pressure of an annular pad under uniform wear, Pa; clamp in N, `angle` in rad, radii in m."""
    return clamp / (angle * inner * (outer - inner))


@formula(
    "p_pad",
    "Pad pressure",
    "pressure",
    "2 · {clamp} / ({angle} · ({outer}² − {inner}²))",
    f"Uniform pressure. {SHIGLEY}",
    valid="0 < {inner} < {outer}, {angle} > 0",
)
def pad_pressure_uniform(clamp: Number, angle: Number, outer: Number, inner: Number) -> Number:
    """Pressure of an annular pad pressed evenly, Pa; clamp in N, `angle` in rad, radii in m."""
    return 2 * clamp / (angle * (outer**2 - inner**2))


@formula(
    "μ_p",
    "Pad friction",
    "friction",
    READ + "{curve} at {temperature}",
    "Fritsch and Carlson's monotone cubic",
    valid="{temperature} > 0",
)
def curve_friction(temperature: Number, curve: FrictionCurve) -> Number:
    """Friction from the maker's curve at this disc temperature, K; constant beyond its ends."""
    return curve.at(temperature)


_LETTERS = ((0.15, "C"), (0.25, "D"), (0.35, "E"), (0.45, "F"), (0.55, "G"))


def friction_letter(friction: float) -> str:
    """Letter of a friction coefficient, from memory of SAE J866."""
    return next((letter for most, letter in _LETTERS if friction <= most), "H")


def pad_friction(pad: Pad, inputs: Inputs, axle: Axle) -> Number:
    """As typed, or from the pad's curve at the disc temperature chosen for it."""
    curve = curve_of(pad)
    if curve is None:
        return inputs(pad, "friction", axle)
    return curve_friction.at(axle)(inputs(pad, "looked_at", axle), curve)


@formula("A_pad", "Face of a pad", "area", "{height} · {length}", GEOMETRY, valid="{height} > 0, {length} > 0")
def pad_face(height: Number, length: Number) -> Number:
    """m², of a pad whose maker gives no area; sizes in m."""
    return height * length


class PadSizes(NamedTuple):
    """One pad as numbers; `face` is its area, m², `worn_out` its wear when it is due, m."""

    friction: Number
    height: Number
    length: Number
    inset: Number
    worn: Number
    worn_out: Number
    effusivity: Number
    face: Number


@remembered
def pad_sizes(pad: Pad, inputs: Inputs, axle: Axle) -> PadSizes:
    """The pads of one axle."""
    return PadSizes(
        friction=pad_friction(pad, inputs, axle),
        height=inputs(pad, "height", axle),
        length=inputs(pad, "length", axle),
        inset=inputs(pad, "inset", axle),
        worn=inputs(pad, "worn", axle),
        worn_out=max(pad.worn, pad.thickness - pad.retired_at),
        effusivity=_effusivity(pad, inputs, axle),
        face=_face(pad, inputs, axle),
    )


def _effusivity(pad: Pad, inputs: Inputs, axle: Axle) -> Number:
    kind = pad_class(pad)
    return effusivity_of(kind.conductivity, kind.density, kind.heat, kind.source, "pad", inputs, axle)


def face_area(pad: Pad) -> float:
    """Face of a pad as a plain number, m²."""
    return float(_face(pad, PLAIN, Axle.FRONT))


def _face(pad: Pad, inputs: Inputs, axle: Axle) -> Number:
    """As the maker gives it, else by its sizes."""
    if pad.face_area is not None:
        return inputs(pad, "face_area", axle)
    return pad_face.at(axle)(inputs(pad, "height", axle), inputs(pad, "length", axle))


def effective_radius(disc_diameter: Number, inset: Number, height: Number, method: RadiusMethod, axle: Axle) -> Number:
    """Effective radius by the user's method, m."""
    if method is RadiusMethod.HALF_PAD:
        return radius_half_pad.at(axle)(disc_diameter, height)
    outer = band_outer_radius.at(axle)(disc_diameter, inset)
    inner = band_inner_radius.at(axle)(outer, height)
    law = radius_uniform_pressure if method is RadiusMethod.UNIFORM_PRESSURE else radius_uniform_wear
    return law.at(axle)(outer, inner)


def angle_of_pad(pad: Pad, disc: Disc, inputs: Inputs, axle: Axle) -> Number:
    """Angle of the pads of one axle about the disc's axis, rad: by their face area where it is given."""
    outer = band_outer_radius.at(axle)(inputs(disc, "outer_diameter", axle), inputs(pad, "inset", axle))
    inner = band_inner_radius.at(axle)(outer, inputs(pad, "height", axle))
    if pad.face_area is None:
        return pad_angle.at(axle)(inputs(pad, "length", axle), outer, inner)
    sizes = inputs(pad, "face_area", axle), inputs(pad, "height", axle)
    return pad_angle_of_area.at(axle)(*sizes, outer, inner)


def pad_pressure(pad: Pad, disc: Disc, clamp: Number, method: RadiusMethod, inputs: Inputs, axle: Axle) -> Number:
    """Pressure of the pads of one axle under this clamp of a caliper, Pa."""
    outer = band_outer_radius.at(axle)(inputs(disc, "outer_diameter", axle), inputs(pad, "inset", axle))
    inner = band_inner_radius.at(axle)(outer, inputs(pad, "height", axle))
    angle = angle_of_pad(pad, disc, inputs, axle)
    law = pad_pressure_uniform if method is RadiusMethod.UNIFORM_PRESSURE else pad_pressure_uniform_wear
    return law.at(axle)(clamp, angle, outer, inner)
