"""What is wrong in itself, whatever the verdicts: it comes before any other part is touched."""

from collections.abc import Iterator
from datetime import date
from typing import NamedTuple

from plimbo.core.documents import (
    Booster,
    Car,
    Compound,
    Disc,
    MasterCylinder,
    Pad,
    Pedal,
    ProportioningValve,
    Setup,
    ValveKind,
)
from plimbo.core.documents.axle_brake import under_pad
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.fields import Document, usual_range
from plimbo.core.quantities.metadata import field_metadata
from plimbo.core.quantities.phrases import Phrase, phrase
from plimbo.core.search.mends import MendPart
from plimbo.core.search.plan.changes import PlanChange
from plimbo.core.stepping.stock import BORES, PISTONS
from plimbo.core.thermal.fluid import fluid_state
from plimbo.core.vehicle.tyre_size import rim_of

# Outside its usual range by more than this share of it, a value is taken for wrong.
FAR_OUTSIDE = 0.25
# Water from which fluid is old, a share; most brake fluids are due at it. Common practice.
OLD_FLUID = 0.02
# A bar this near its end, a share of the half, has no way left.
BAR_AT_ITS_END = 0.9


class Fault(NamedTuple):
    """What is wrong, in words, and the change that mends it."""

    text: Phrase
    change: PlanChange


def faults(car: Car, setup: Setup, today: date) -> list[Fault]:
    """The gravest first: fluid and air, then values that cannot be, then what does not go together."""
    return [
        *_fluid(setup, today),
        *_unusual(car, setup),
        *_bar(setup),
        *_compounds(setup),
    ]


def _part(title: str, before: float | None = None, after: float | None = None, dimension: str = "length") -> MendPart:
    sizes = [() if one is None else (one,) for one in (before, after)]
    return MendPart(joint="", title=title, dimension=dimension, before=sizes[0], after=sizes[1])


def _fluid(setup: Setup, today: date) -> Iterator[Fault]:
    state = fluid_state(setup.fluid, today)
    old, air = state.water >= OLD_FLUID, setup.fluid.air > 0
    if not old and not air:
        return
    patch: dict[str, object] = {"setup.fluid.air": 0.0} if air else {}
    if old:
        patch |= {"setup.fluid.water": 0.0}
    title = "Bleed the air out" if not old else f"Fresh {setup.fluid.kind.word}, bled"
    words = "The fluid has {water} water and boils at {boils}." if old else ""
    words += f"{' ' if old else ''}There is {{air}} air in it: a soft pedal." if air else ""
    text = phrase(
        words,
        water=(state.water, "share"),
        boils=(state.boils, "temperature"),
        air=(setup.fluid.air, "share"),
    )
    yield Fault(text, PlanChange((_part(title),), patch, note="it draws water again" if old else ""))


def _unusual(car: Car, setup: Setup) -> Iterator[Fault]:
    """Values so far outside what is usual that a slip of the pen is likelier than the part."""
    looked_at: list[tuple[str, Document, str]] = [("pedal", setup.pedal, "ratio")]
    if setup.booster.fitted:
        looked_at.append(("booster", setup.booster, "gain"))
    if setup.valve.kind is ValveKind.SCREW:
        looked_at.append(("valve", setup.valve, "knee"))
    if setup.tandem_fitted:
        looked_at.append(("tandem", setup.tandem, "bore"))
    for axle in AXLES:
        brake = setup.brake(axle)
        if not setup.tandem_fitted:
            looked_at.append((f"{axle}.master_cylinder", brake.master_cylinder, "bore"))
        looked_at.append((f"{axle}.pad", brake.pad, "friction"))
    for place, part, name in looked_at:
        kind = type(part)
        assert issubclass(kind, Pedal | Booster | ProportioningValve | MasterCylinder | Pad | Disc)
        now = float(getattr(part, name))
        usual = _nearest_usual(kind, name, now)
        if usual is None or (name == "ratio" and setup.pedal.measured) or (name == "friction" and _curve(setup, place)):
            continue
        if name == "friction":
            usual = _other_pads(setup, place, usual)
        data = field_metadata(kind, name)
        end = place.split(".")[0]
        title = f"{end.capitalize()} {_TITLES[name]}" if end in list(Axle) else _TITLES[name].capitalize()
        dimension = str(data["dimension"])
        text = phrase(
            f"{title} of {{now}}: usual is {{low}} to {{high}}. Look whether it was typed as it is.",
            now=(now, dimension),
            low=(usual_range(kind, name)[0], dimension),
            high=(usual_range(kind, name)[1], dimension),
        )
        change = PlanChange((_part(title, now, usual, dimension),), {f"setup.{place}.{name}": usual})
        yield Fault(text, change)
    for axle in AXLES:
        yield from _disc(car, setup, axle)
        yield from _pistons(setup, axle)


_TITLES = {
    "ratio": "pedal ratio",
    "gain": "booster gain",
    "knee": "valve knee",
    "bore": "cylinder",
    "friction": "pad μ",
}


def _curve(setup: Setup, place: str) -> bool:
    axle = place.split(".", maxsplit=1)[0]
    return axle in list(Axle) and bool(setup.brake(Axle(axle)).pad.friction_curve)


def _nearest_usual(kind: type[Document], name: str, now: float) -> float | None:
    """The nearest usual value, in stock where it is a bore; none where the value is near enough."""
    low, high = usual_range(kind, name)
    if low * (1 - FAR_OUTSIDE) <= now <= high * (1 + FAR_OUTSIDE):
        return None
    if name == "bore":
        return min(BORES, key=lambda bore: abs(bore - now))
    return low if now < low else high


def _other_pads(setup: Setup, place: str, usual: float) -> float:
    """What the pads of the other end have, where that is usual: both ends then bite alike."""
    other = setup.rear.pad if place == "front.pad" else setup.front.pad
    low, high = usual_range(Pad, "friction")
    return other.friction if low <= other.friction <= high else usual


def _disc(car: Car, setup: Setup, axle: Axle) -> Iterator[Fault]:
    """A disc that does not go into a rim whose size is given."""
    disc, rim = setup.brake(axle).disc, rim_of(car.tyre(axle))
    now, most = disc.outer_diameter, int(rim.largest_disc * 100) / 100
    if not rim.given or now <= rim.largest_disc or most <= 2 * disc.ring_height + 0.01:
        return
    text = phrase(
        f"The {axle} disc of {{now}} does not go into its rim with a caliper: at most about {{most}}.",
        now=(now, "length"),
        most=(most, "length"),
    )
    patch = {f"setup.{axle}.disc.outer_diameter": most, f"setup.{axle}.disc.weighed_mass": None}
    yield Fault(text, PlanChange((_part(f"{axle.capitalize()} disc", now, most),), patch))


def _pistons(setup: Setup, axle: Axle) -> Iterator[Fault]:
    """Pistons far outside what is made, to the nearest ones that are."""
    brake = setup.brake(axle)
    pistons = brake.caliper.pistons
    low, high = PISTONS[0] * (1 - FAR_OUTSIDE), PISTONS[-1] * (1 + FAR_OUTSIDE)
    if all(low <= one <= high for one in pistons):
        return
    nearest = tuple(min(PISTONS, key=lambda size: abs(size - one)) for one in pistons)
    if not under_pad(sum(nearest), brake.pad.length):
        return
    title = f"{axle.capitalize()} pistons"
    text = phrase(
        f"{title} of {{now}}: they are made from {{low}} to {{high}}.",
        now=(pistons[0], "piston"),
        low=(PISTONS[0], "piston"),
        high=(PISTONS[-1], "piston"),
    )
    part = MendPart(joint="", title=title, dimension="piston", before=pistons, after=nearest)
    yield Fault(text, PlanChange((part,), {f"setup.{axle}.caliper.pistons": list(nearest)}))


def _bar(setup: Setup) -> Iterator[Fault]:
    """A bar at its end has no setting left: back to its middle, then the sizes."""
    bar = setup.balance_bar
    if setup.tandem_fitted or abs(bar.offset) < BAR_AT_ITS_END * bar.reach:
        return
    turns = bar.turns(bar.offset)
    text = phrase("The bar stands at its end, {turns:+}: it hides a wrong size.", turns=(turns, "turns"))
    part = _part("Balance bar, + toward the front,", turns, 0.0, "turns")
    yield Fault(text, PlanChange((part,), {"setup.balance_bar.offset": 0.0}))


def _compounds(setup: Setup) -> Iterator[Fault]:
    """Two classes of pads: the rear's are made the front's, with the front's friction."""
    front, rear = setup.front.pad, setup.rear.pad
    if Compound.UNKNOWN in (front.compound, rear.compound) or front.compound == rear.compound:
        return
    if front.material != rear.material:
        return
    text = phrase(
        f"Pads are split, {front.compound.word} in front and {rear.compound.word} behind: the two ends warm up"
        " differently."
    )
    patch: dict[str, object] = {
        "setup.rear.pad.compound": front.compound.value,
        "setup.rear.pad.friction": front.friction,
        "setup.rear.pad.friction_curve": [point.model_dump() for point in front.friction_curve],
    }
    for name in ("window_low", "window_high", "wear_rate", "conductivity"):
        if getattr(rear, name) is not None or getattr(front, name) is not None:
            patch[f"setup.rear.pad.{name}"] = getattr(front, name)
    part = _part(f"Rear pads: {front.compound.word}, as in front")
    yield Fault(text, PlanChange((part,), patch, note="bed them in"))
