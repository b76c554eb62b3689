"""Unconfirmed values adapt to the given ones, so that no given size is refused because of them."""

import math
from collections.abc import Iterator, Mapping, Sequence
from typing import Any, NamedTuple

import numpy as np

from plimbo.core.documents import CarKind, Surface
from plimbo.core.documents.axle_brake import on_ring
from plimbo.core.kinds.car_of_kind import FAST_SHARE, SLOW
from plimbo.core.kinds.usual import USUAL
from plimbo.core.kinds.usual_brakes import PAD_PAST_PISTONS, AssumedBrake, Build, brakes_for
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.vehicle.tyre_size import (
    RIM_TAKES,
    ImpossibleSize,
    free_radius,
    loaded_radius,
    radius_of_diameter,
    read_size,
)

# A ring is a little higher than its pad, m.
RING_PAST_PAD = 0.004
# A disc this thick or thicker has vanes, which take this share of it; 1 mm is the finest that is given.
VENTED_FROM, VANE_SHARE, MILLIMETRE = 0.015, 0.38, 1e-3
# How far a stop goes down, as a share of the top speed.
STOP_SHARE = 1 / 3
SAME, BEYOND = 1e-9, 1e9

Raw = Mapping[str, Any]


class Followed(NamedTuple):
    """Changes by path, and those of the assumed brakes that follow the car's build."""

    changes: dict[str, Any]
    brakes: dict[Axle, AssumedBrake]


def following(car: Raw, setup: Raw) -> Followed:
    """Changes to unconfirmed values that make the given values possible.

    Works on the documents as sent, since together they may not be possible yet. A value that is no number is left
    alone; it is refused at its field.
    """
    found, scaled = dict(_of_the_car(car)), {}
    brakes = _assumed_brakes(car)
    for axle in AXLES:
        brake = setup.get(axle)
        if not isinstance(brake, Mapping):
            continue
        own = dict(_as_assumed(brake, brakes[axle])) if axle in brakes else {}
        if own:
            scaled[axle] = brakes[axle]
        rim = _rim_of(car.get(f"{axle}_tyre"))
        own |= dict(_of_the_brake(_with(brake, own), rim))
        found |= {f"setup.{axle}.{path}": value for path, value in own.items()}
    return Followed(found, scaled)


def _assumed_brakes(car: Raw) -> dict[Axle, AssumedBrake]:
    """The brakes to assume for the car, once its mass or its wheelbase is given; of a copied car none are assumed."""
    given = any(name in car and not _free(car, name) for name in ("mass", "wheelbase"))
    if not given or car.get("copied_from") or car.get("kind") not in list(CarKind):
        return {}
    first = next(iter(_items(car.get("states"))), None)
    on_gravel = isinstance(first, Mapping) and first.get("track") == Surface.GRAVEL
    ground = (_number(car.get("track_grip"), "gravel") or 1.0) if on_gravel else 1.0
    grips = [_number(car.get(f"{axle}_tyre"), "friction") for axle in AXLES]
    numbers = [_number(car, name) for name in ("mass", "front_share", "wheelbase", "cg_height")]
    numbers += [grip and grip * ground for grip in grips]
    sizes = [number for number in numbers if number is not None and number > 0]
    return brakes_for(USUAL[CarKind(car["kind"])], Build(*sizes)) if len(sizes) == len(Build._fields) else {}


def _with(brake: Raw, values: Mapping[str, Any]) -> Raw:
    """The brake with values at paths of two names."""
    changed = dict(brake)
    for path, value in values.items():
        part, _, name = path.partition(".")
        changed[part] = {**changed[part], name: value}
    return changed


def _as_assumed(brake: Raw, assumed: AssumedBrake) -> Iterator[tuple[str, Any]]:
    caliper, disc = brake.get("caliper"), brake.get("disc")
    if _free(caliper, "pistons") and isinstance(caliper, Mapping):
        now = [_finite(one) or 0.0 for one in _items(caliper.get("pistons"))]
        if len(now) != len(assumed.pistons) or not np.allclose(now, assumed.pistons, atol=SAME):
            yield "caliper.pistons", list(assumed.pistons)
    thickness = _number(disc, "thickness")
    if _free(disc, "thickness") and thickness is not None and abs(thickness - assumed.thickness) > SAME:
        yield "disc.thickness", assumed.thickness
        if _free(disc, "vane_gap"):
            yield "disc.vane_gap", assumed.vane_gap


def _number(part: Any, name: str) -> float | None:
    return _finite(part.get(name)) if isinstance(part, Mapping) else None


def _finite(value: Any) -> float | None:
    number = isinstance(value, int | float) and not isinstance(value, bool) and abs(value) < BEYOND
    return float(value) if number else None


def _items(value: Any) -> Sequence[Any]:
    return value if isinstance(value, list | tuple) else ()


def _free(part: Any, name: str) -> bool:
    return isinstance(part, Mapping) and name in _items(part.get("unconfirmed"))


def _of_the_brake(brake: Raw, rim: float | None) -> Iterator[tuple[str, float]]:
    caliper, disc, pad = brake.get("caliper"), brake.get("disc"), brake.get("pad")
    pistons = _items(caliper.get("pistons") if isinstance(caliper, Mapping) else None)
    side_by_side = sum(_finite(one) or 0.0 for one in pistons)
    length = _number(pad, "length")
    if length is not None and length < side_by_side and _free(pad, "length"):
        yield "pad.length", _whole(side_by_side + PAD_PAST_PISTONS)
    height, ring, outer = _number(pad, "height"), _number(disc, "ring_height"), _number(disc, "outer_diameter")
    inset = _number(pad, "inset") or 0.0
    if rim is not None and outer is not None and outer > rim - RIM_TAKES and _free(disc, "outer_diameter"):
        outer = math.floor((rim - RIM_TAKES) / MILLIMETRE) * MILLIMETRE
        yield "disc.outer_diameter", _whole(outer)
    if height is not None and ring is not None and outer is not None:
        highest = outer / 2 - 4 * MILLIMETRE
        if _free(disc, "ring_height") and (not on_ring(inset, height, ring) or ring > highest):
            ring = min(_whole(inset + height + RING_PAST_PAD), highest)
            yield "disc.ring_height", ring
        if _free(pad, "height") and not on_ring(inset, height, ring):
            yield "pad.height", ring - inset
    thickness, gap = _number(disc, "thickness"), _number(disc, "vane_gap")
    if thickness is not None and gap is not None and _free(disc, "vane_gap"):
        vented = _whole(VANE_SHARE * thickness) if thickness >= VENTED_FROM else 0.0
        if abs(gap - vented) > MILLIMETRE and not _free(disc, "thickness"):
            yield "disc.vane_gap", vented


def _of_the_car(car: Raw) -> Iterator[tuple[str, float]]:
    for axle in AXLES:
        tyre = car.get(f"{axle}_tyre")
        if _free(tyre, "loaded_radius") and isinstance(tyre, Mapping) and (radius := _radius_of(tyre)):
            yield f"car.{axle}_tyre.loaded_radius", radius
    top, down_to = _number(car, "top_speed"), _number(car, "stop_to_speed")
    if top is None or _free(car, "top_speed"):
        return
    if down_to is not None and down_to >= top and _free(car, "stop_to_speed"):
        yield "car.stop_to_speed", round(STOP_SHARE * top)
    for place, state in enumerate(_items(car.get("states"))):
        speed = _number(state, "speed")
        if _free(state, "speed") and speed is not None and speed > SLOW:
            fast = float(round(FAST_SHARE * top))
            if abs(speed - fast) > SAME:
                yield f"car.states.{place}.speed", fast


def _rim_of(tyre: Any) -> float | None:
    try:
        return read_size(str(tyre.get("size") or "")).rim if isinstance(tyre, Mapping) else None
    except ImpossibleSize:
        return None


def _radius_of(tyre: Raw) -> float | None:
    try:
        size = read_size(str(tyre.get("size") or ""))
    except ImpossibleSize:
        return None
    if size.diameter is not None:
        free = radius_of_diameter(size.diameter)
    else:
        free = free_radius(size.rim, size.width, size.aspect or 0.0)
    radius = round(float(loaded_radius(free, _number(tyre, "deflection") or 0.0)), 4)
    return None if abs(radius - (_number(tyre, "loaded_radius") or 0.0)) < SAME else radius


def _whole(size: float) -> float:
    """To the millimetre."""
    return round(size, 3)
