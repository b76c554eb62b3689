"""The joints of the chain: what can be stepped, and its neighbours on the shelf."""

from collections.abc import Mapping
from functools import lru_cache
from typing import Any, TypeVar

from pydantic import Field

from plimbo.core.brakes.chain import pad_friction
from plimbo.core.brakes.stock import (
    BORES,
    SAME,
    next_pistons,
    next_size,
    next_step,
    piston_family,
    same_area_in_family,
)
from plimbo.core.documents import Setup, ValveKind
from plimbo.core.documents.fields import Document, Result
from plimbo.core.working import PLAIN, Axle

DISC_STEP, DISC_FAMILY = 0.010, 0.050
RATIO_STEP, RATIO_FAMILY = 0.25, 1.0
FRICTION_STEP, FRICTION_FAMILY = 0.01, 0.1
KNEE_STEP, KNEE_FAMILY = 1e5, 1e6
GAIN_STEP, GAIN_FAMILY = 0.1, 1.0
TURNS_FAMILY = 10

Json = float | str | None | list[float]
Kind = TypeVar("Kind", bound=Document)


class Swap(Result):
    """One part for another: what it reads then, and the values to put at the paths of the setup."""

    sizes: tuple[float, ...]
    patch: dict[str, Json]


class Joint(Result):
    """A joint of the chain that can be stepped through sizes."""

    key: str
    axle: Axle | None
    title: str
    path: str = Field(description="Where in the setup its size stands.")
    dimension: str
    sizes: tuple[float, ...] = Field(description="What is fitted, SI.")
    smaller: Swap | None
    bigger: Swap | None
    smaller_family: Swap | None
    bigger_family: Swap | None


def _swap(sizes: tuple[float, ...] | float | None, path: str, *, many: bool = False) -> Swap | None:
    if sizes is None:
        return None
    sizes = sizes if isinstance(sizes, tuple) else (sizes,)
    value: Json = list(sizes) if many else sizes[0]
    return Swap(sizes=sizes, patch={path: value})


def _stepped(
    path: str, value: float, step: float, family: float, least: float, most: float, *, empties: str | None = None
) -> dict[str, Swap | None]:
    """Neighbours of a value that moves in even steps; another value may have to be left empty with it."""
    also: dict[str, Json] = {} if empties is None else {empties: [] if empties.endswith("curve") else None}

    def to(size: float, up: bool) -> Swap | None:
        size = next_step(value, size, up)
        return Swap(sizes=(size,), patch={path: size} | also) if least <= size <= most else None

    return {
        "smaller": to(step, False),
        "bigger": to(step, True),
        "smaller_family": to(family, False),
        "bigger_family": to(family, True),
    }


@lru_cache(maxsize=512)
def _axle_joints(
    axle: Axle, pistons: tuple[float, ...], diameter: float, ring_height: float, friction: float, has_curve: bool
) -> tuple[Joint, ...]:
    """Caliper, disc and pad: they depend on few numbers, and most steps change none of them."""
    pistons_path, disc_path, pad_path = (
        f"{axle}.caliper.pistons",
        f"{axle}.disc.outer_diameter",
        f"{axle}.pad.friction",
    )
    family, smallest_disc = piston_family(pistons), 2 * ring_height + DISC_STEP
    # A disc of another size weighs something else, and another friction is not that of the curve.
    curve = f"{axle}.pad.friction_curve" if has_curve else None
    return (
        Joint(
            key=f"{axle}.caliper",
            axle=axle,
            title=f"{axle.capitalize()} pistons",
            path=pistons_path,
            dimension="piston",
            sizes=pistons,
            smaller=_swap(next_pistons(pistons, False), pistons_path, many=True),
            bigger=_swap(next_pistons(pistons, True), pistons_path, many=True),
            smaller_family=_swap(same_area_in_family(pistons, family - 1), pistons_path, many=True),
            bigger_family=_swap(same_area_in_family(pistons, family + 1), pistons_path, many=True),
        ),
        Joint(
            key=f"{axle}.disc",
            axle=axle,
            title=f"{axle.capitalize()} disc",
            path=disc_path,
            dimension="length",
            sizes=(diameter,),
            **_stepped(
                disc_path,
                diameter,
                DISC_STEP,
                DISC_FAMILY,
                max(0.11, smallest_disc),
                0.5,
                empties=f"{axle}.disc.weighed_mass",
            ),
        ),
        Joint(
            key=f"{axle}.pad",
            axle=axle,
            title=f"{axle.capitalize()} pad μ",
            path=pad_path,
            dimension="friction",
            sizes=(friction,),
            **_stepped(pad_path, friction, FRICTION_STEP, FRICTION_FAMILY, 0.02, 1.2, empties=curve),
        ),
    )


@lru_cache(maxsize=512)
def _cylinder_joint(key: str, axle: Axle | None, title: str, bore: float) -> Joint:
    path = f"{key}.bore"
    return Joint(
        key=key,
        axle=axle,
        title=title,
        path=path,
        dimension="bore",
        sizes=(bore,),
        smaller=_swap(next_size(bore, BORES, False), path),
        bigger=_swap(next_size(bore, BORES, True), path),
        smaller_family=_swap(BORES[0] if bore > BORES[0] + SAME else None, path),
        bigger_family=_swap(BORES[-1] if bore < BORES[-1] - SAME else None, path),
    )


@lru_cache(maxsize=512)
def _pedal_joint(ratio: float, measured: bool) -> Joint:
    # A ratio stepped or typed stands in place of the measured length of the rod.
    empties = "pedal.rod_length" if measured else None
    return Joint(
        key="pedal",
        axle=None,
        title="Pedal ratio",
        path="pedal.ratio",
        dimension="ratio",
        sizes=(ratio,),
        **_stepped("pedal.ratio", ratio, RATIO_STEP, RATIO_FAMILY, 1.25, 12, empties=empties),
    )


@lru_cache(maxsize=512)
def _bar_joint(offset: float, length: float, pitch: float) -> Joint:
    reach = length / 2 - 1e-4
    return Joint(
        key="balance_bar",
        axle=None,
        title="Balance bar",
        path="balance_bar.offset",
        dimension="length",
        sizes=(offset,),
        **_stepped("balance_bar.offset", offset, pitch, TURNS_FAMILY * pitch, -reach, reach),
    )


def _booster_joint(setup: Setup) -> Joint:
    return Joint(
        key="booster",
        axle=None,
        title="Booster gain",
        path="booster.gain",
        dimension="ratio",
        sizes=(setup.booster.gain,),
        **_stepped("booster.gain", setup.booster.gain, GAIN_STEP, GAIN_FAMILY, 1, 12),
    )


def _valve_joint(setup: Setup) -> Joint:
    valve, path = setup.valve, "valve.knee"
    knee = valve.true_knee
    if valve.kind is ValveKind.LEVER:
        down, up = next_size(knee, valve.positions, False), next_size(knee, valve.positions, True)
        least, most = valve.positions[0], valve.positions[-1]
        steps = {
            "smaller": _swap(down, path),
            "bigger": _swap(up, path),
            "smaller_family": _swap(least if down else None, path),
            "bigger_family": _swap(most if up else None, path),
        }
    else:
        steps = _stepped(path, knee, KNEE_STEP, KNEE_FAMILY, KNEE_STEP, 2e7)
    return Joint(
        key="valve", axle=Axle.REAR, title="Valve knee", path=path, dimension="pressure", sizes=(knee,), **steps
    )


def joints(setup: Setup) -> tuple[Joint, ...]:
    """Every joint that can be stepped, with its neighbours on the shelf; only of what is fitted."""
    found = [_pedal_joint(round(setup.pedal.true_ratio, 9), setup.pedal.measured)]
    if setup.booster.fitted:
        found.append(_booster_joint(setup))
    if setup.tandem_fitted:
        found.append(_cylinder_joint("tandem", None, "Tandem cylinder", setup.tandem.bore))
    else:
        bar = setup.balance_bar
        found.append(_bar_joint(bar.offset, bar.length, bar.thread_pitch))
    for axle, brake in ((Axle.FRONT, setup.front), (Axle.REAR, setup.rear)):
        if not setup.tandem_fitted:
            key = f"{axle}.master_cylinder"
            found.append(_cylinder_joint(key, axle, f"{axle.capitalize()} cylinder", brake.master_cylinder.bore))
        friction = round(pad_friction(brake.pad, PLAIN, axle), 4)
        disc = brake.disc
        found += _axle_joints(
            axle,
            brake.caliper.pistons,
            disc.outer_diameter,
            disc.ring_height,
            friction,
            bool(brake.pad.friction_curve),
        )
    if setup.valve.fitted:
        found.append(_valve_joint(setup))
    return tuple(found)


def patched(setup: Setup, patch: Mapping[str, Any]) -> Setup:
    """The setup with the values at these dotted paths; raises Pydantic's `ValidationError` where they do not fit."""
    return _changed(setup, _nested(patch))


def neighbour(setup: Setup, patch: Mapping[str, Any]) -> Setup:
    """As `patched`, for sizes alone: the parts that change are checked, the setup around them is not.

    A size never decides which kinds of parts go together, and the search does this many times.
    """
    return setup.model_copy(
        update={
            name: _changed(getattr(setup, name), value) if isinstance(value, dict) else value
            for name, value in _nested(patch).items()
        }
    )


def _nested(patch: Mapping[str, Any]) -> dict[str, Any]:
    changes: dict[str, Any] = {}
    for path, value in patch.items():
        *parents, last = path.split(".")
        place = changes
        for name in parents:
            place = place.setdefault(name, {})
        place[last] = value
    return changes


def _changed(document: Kind, changes: dict[str, Any]) -> Kind:
    """Only the documents on the way are checked again."""
    return type(document).model_validate(_values(document, changes))


def _values(document: Document, changes: dict[str, Any]) -> dict[str, Any]:
    return document.__dict__ | {
        name: _values(getattr(document, name), value) if isinstance(value, dict) else value
        for name, value in changes.items()
    }
