"""The single changes that are worth trying on a setup, whatever it wants: neighbours on the shelf, other compounds."""

from collections.abc import Iterator, Sequence

from plimbo.core.documents import Setup
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.quantities.axles import AXLES
from plimbo.core.shelf.changes import Change, Json, to_size
from plimbo.core.shelf.joints import Joint
from plimbo.core.verdicts.matter import Wants

COMPOUND_STEP = 0.05
# Frictions in which compounds are offered.
COMPOUNDS = 0.15, 0.8
# What one size bigger does to the front's share of the brake force, and to the brake force as a whole.
BIGGER: dict[str, tuple[int, int]] = {
    "pedal": (0, 1),
    "booster": (0, 1),
    "tandem": (0, -1),
    "front.master_cylinder": (-1, -1),
    "rear.master_cylinder": (1, -1),
    "front.caliper": (1, 1),
    "rear.caliper": (-1, 1),
    "front.disc": (1, 1),
    "rear.disc": (-1, 1),
    "front.pad": (1, 1),
    "rear.pad": (-1, 1),
}


def goes_that_way(wants: Wants, joint: str, *, bigger: bool) -> bool:
    """Whether one size bigger or smaller at a joint goes the way that is wanted."""
    share, force = BIGGER[joint]
    sign = 1 if bigger else -1
    return wants.anything or sign * share in wants.share or sign * force in wants.force


def neighbours(setup: Setup, system: BrakeSystem, around: Sequence[Joint], wants: Wants) -> Iterator[Change]:
    """The next stock size of each joint and another compound at each end, as far as they go the way wanted."""
    for joint in around:
        if joint.key not in BIGGER or joint.key.endswith("pad"):
            continue
        for swap, bigger in ((joint.smaller, False), (joint.bigger, True)):
            if swap is not None and goes_that_way(wants, joint.key, bigger=bigger):
                yield Change(joint.key, joint.title, joint.dimension, joint.sizes, swap)
    yield from _compounds(setup, system, wants)


def _compounds(setup: Setup, system: BrakeSystem, wants: Wants) -> Iterator[Change]:
    """Another compound at one end: a twentieth of friction up or down."""
    for axle, brake in zip(AXLES, (setup.front, setup.rear), strict=True):
        joint, now = f"{axle}.pad", float(system.circuit(axle).pad.friction)
        also: dict[str, Json] = {f"{joint}.friction_curve": []} if brake.pad.friction_curve else {}
        for step in (-COMPOUND_STEP, COMPOUND_STEP):
            friction = round(now + step, 3)
            if COMPOUNDS[0] <= friction <= COMPOUNDS[1] and goes_that_way(wants, joint, bigger=step > 0):
                swap = to_size(friction, also | {f"{joint}.friction": friction})
                yield Change(joint, f"{axle.capitalize()} pad μ", "friction", (now,), swap)
