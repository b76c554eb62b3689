"""The joints of the chain: the sizes that can be stepped, and their neighbours in stock."""

from collections.abc import Callable
from functools import lru_cache

from pydantic import Field

from plimbo.core.documents import Booster, Disc, Pad, Pedal, ProportioningValve, Setup, ValveKind
from plimbo.core.friction.pad import pad_friction
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.fields import Document, allows
from plimbo.core.quantities.results import Result
from plimbo.core.stepping.changes import Json, Swap
from plimbo.core.stepping.stock import (
    BORES,
    DISC_FAMILY,
    DISC_STEP,
    FRICTION_FAMILY,
    FRICTION_STEP,
    GAIN_FAMILY,
    GAIN_STEP,
    KNEE_FAMILY,
    KNEE_STEP,
    RATIO_FAMILY,
    RATIO_STEP,
    SAME,
    TURNS_FAMILY,
    next_pistons,
    next_size,
    next_step,
    piston_family,
    same_area_in_family,
)
from plimbo.core.working.inputs import PLAIN
from plimbo.core.working.numbers import single

Allowed = Callable[[float], bool]


def _taken_by(kind: type[Document], name: str) -> Allowed:
    return lambda size: allows(kind, name, size)


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


def _swap(sizes: tuple[float, ...] | float | None, path: str) -> Swap | None:
    """Several sizes are a list."""
    if sizes is None:
        return None
    if isinstance(sizes, tuple):
        return Swap(sizes=sizes, patch={path: list(sizes)})
    return Swap(sizes=(sizes,), patch={path: sizes})


def _stepped(
    path: str, value: float, step: float, family: float, allowed: Allowed, *, empties: str | None = None
) -> dict[str, Swap | None]:
    """Neighbours of a value that moves in even steps; another value may have to be left empty with it."""
    also: dict[str, Json] = {} if empties is None else {empties: [] if empties.endswith("curve") else None}

    def to(size: float, up: bool) -> Swap | None:
        size = next_step(value, size, up)
        return Swap(sizes=(size,), patch={path: size} | also) if allowed(size) else None

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
    """Caliper, disc and pad: they depend on few numbers, and most steps change none of these."""
    pistons_path, disc_path, pad_path = (
        f"{axle}.caliper.pistons",
        f"{axle}.disc.outer_diameter",
        f"{axle}.pad.friction",
    )
    family, disc_taken = piston_family(pistons), _taken_by(Disc, "outer_diameter")
    smallest_disc = 2 * ring_height + DISC_STEP
    # A typed mass does not hold for another disc, nor a curve for another friction.
    curve = f"{axle}.pad.friction_curve" if has_curve else None
    return (
        Joint(
            key=f"{axle}.caliper",
            axle=axle,
            title=f"{axle.capitalize()} pistons",
            path=pistons_path,
            dimension="piston",
            sizes=pistons,
            smaller=_swap(next_pistons(pistons, False), pistons_path),
            bigger=_swap(next_pistons(pistons, True), pistons_path),
            smaller_family=_swap(same_area_in_family(pistons, family - 1), pistons_path),
            bigger_family=_swap(same_area_in_family(pistons, family + 1), pistons_path),
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
                lambda size: size >= smallest_disc and disc_taken(size),
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
            **_stepped(pad_path, friction, FRICTION_STEP, FRICTION_FAMILY, _taken_by(Pad, "friction"), empties=curve),
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
    # A stepped or typed ratio replaces the measured length of the rod.
    empties = "pedal.rod_length" if measured else None
    return Joint(
        key="pedal",
        axle=None,
        title="Pedal ratio",
        path="pedal.ratio",
        dimension="ratio",
        sizes=(ratio,),
        **_stepped("pedal.ratio", ratio, RATIO_STEP, RATIO_FAMILY, _taken_by(Pedal, "ratio"), empties=empties),
    )


@lru_cache(maxsize=512)
def _bar_joint(offset: float, reach: float, pitch: float) -> Joint:
    return Joint(
        key="balance_bar",
        axle=None,
        title="Balance bar",
        path="balance_bar.offset",
        dimension="length",
        sizes=(offset,),
        **_stepped("balance_bar.offset", offset, pitch, TURNS_FAMILY * pitch, lambda to: abs(to) <= reach),
    )


def _booster_joint(setup: Setup) -> Joint:
    return Joint(
        key="booster",
        axle=None,
        title="Booster gain",
        path="booster.gain",
        dimension="ratio",
        sizes=(setup.booster.gain,),
        **_stepped("booster.gain", setup.booster.gain, GAIN_STEP, GAIN_FAMILY, _taken_by(Booster, "gain")),
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
        steps = _stepped(path, knee, KNEE_STEP, KNEE_FAMILY, _taken_by(ProportioningValve, "knee"))
    return Joint(
        key="valve", axle=Axle.REAR, title="Valve knee", path=path, dimension="pressure", sizes=(knee,), **steps
    )


def joints(setup: Setup) -> tuple[Joint, ...]:
    """Every joint that can be stepped, with its neighbours in stock; only for fitted parts."""
    found = [_pedal_joint(round(setup.pedal.true_ratio, 9), setup.pedal.measured)]
    if setup.booster.fitted:
        found.append(_booster_joint(setup))
    if setup.tandem_fitted:
        found.append(_cylinder_joint("tandem", None, "Tandem cylinder", setup.tandem.bore))
    else:
        bar = setup.balance_bar
        found.append(_bar_joint(bar.offset, bar.reach, bar.thread_pitch))
    for axle, brake in zip(AXLES, (setup.front, setup.rear), strict=True):
        if not setup.tandem_fitted:
            key = f"{axle}.master_cylinder"
            found.append(_cylinder_joint(key, axle, f"{axle.capitalize()} cylinder", brake.master_cylinder.bore))
        friction = round(single(pad_friction(brake.pad, PLAIN, axle)), 4)
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
