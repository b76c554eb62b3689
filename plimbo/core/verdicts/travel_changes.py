"""Changes that shorten the pedal's travel without changing the balance: bleeding, springs, hoses, stroke,
pads.
"""

from collections.abc import Iterator

from plimbo.core.documents import HoseKind, Retention, Setup
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.stepping.changes import Change, ChangeKind, Json, done, to_size

# The longest usual stroke, m.
LONG_STROKE = 0.036


def travel_changes(setup: Setup) -> Iterator[Change]:
    """The changes for both circuits."""
    if setup.fluid.air > 0:
        yield Change(ChangeKind.BLEED, "fluid", "Bleed the air out", "share", (), done({"fluid.air": 0.0}))
    for axle in AXLES:
        yield from _at_axle(setup, axle)


def _at_axle(setup: Setup, axle: Axle) -> Iterator[Change]:
    brake, end = setup.brake(axle), axle.capitalize()

    def one(kind: ChangeKind, joint: str, title: str, patch: dict[str, Json]) -> Change:
        return Change(kind, f"{axle}.{joint}", title, "length", (), done(patch))

    if brake.pad.worn > 0:
        yield one(ChangeKind.WEAR, "pad", f"New pads, {axle}", {f"{axle}.pad.worn": 0.0})
    if brake.caliper.retention is Retention.NONE:
        springs = {f"{axle}.caliper.retention": Retention.ANTI_KNOCK_BACK.value}
        yield one(ChangeKind.SPRINGS, "caliper", f"Anti-knock-back springs, {axle}", dict(springs))
    if brake.lines.hose is not HoseKind.BRAIDED:
        yield one(ChangeKind.HOSES, "lines", f"Braided hoses, {axle}", {f"{axle}.lines.hose": HoseKind.BRAIDED.value})
    if not setup.tandem_fitted and brake.master_cylinder.stroke < LONG_STROKE:
        joint, now = f"{axle}.master_cylinder", brake.master_cylinder.stroke
        swap = to_size(LONG_STROKE, {f"{joint}.stroke": LONG_STROKE})
        yield Change(ChangeKind.STROKE, joint, f"{end} cylinder, stroke", "length", (now,), swap)
