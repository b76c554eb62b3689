"""Everything that a plan may change: settings, stock sizes, pads, fluid, ducts, laps; nothing that is not sold."""

from collections.abc import Iterator, Mapping, Sequence
from itertools import product

from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, ProportioningValve, Setup, ValveKind
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.fields import usual_range
from plimbo.core.search.mends import MendPart
from plimbo.core.search.plan.changes import PlanChange, of_session, of_size
from plimbo.core.search.plan.status import SessionStatus
from plimbo.core.search.session_heat.candidates import trials
from plimbo.core.search.sizes import COMPOUND_STEP, FAR, sizes_near
from plimbo.core.stepping.changes import Change, ChangeKind, Json, Swap, to_size
from plimbo.core.stepping.stock import DISC_STEP
from plimbo.core.vehicle.tyre_size import rim_of
from plimbo.core.verdicts.heat import HEAT, THICKEST
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.registry import matters_of
from plimbo.core.verdicts.travel_changes import travel_changes

KNEE_APART = 5e5
# Steps of a size that are tried beside changes for the heat.
STEPS_NEAR = 6
# Pads of both ends are changed together as long as their friction differs by no more.
ALIKE = 0.025
# A disc of another material is another brake, not a step.
_LEFT_OUT = (ChangeKind.MATERIAL,)
_INTO_THE_CALIPER = "does it go into the caliper?"
_NOTES = {
    ChangeKind.THICKNESS: _INTO_THE_CALIPER,
    ChangeKind.DIAMETER: "another bracket; does it go into the wheel?",
    ChangeKind.COMPOUND: "by their sheet: bed them in",
    ChangeKind.RATIO: "the pedal's lever or its pivot",
    ChangeKind.PISTONS: "other calipers, or pistons to fit these",
    ChangeKind.BORE: "bleed it",
}


def size_changes(car: Car, setup: Setup, screening: Screening) -> list[PlanChange]:
    """What columns know: each once."""
    found: dict[str, PlanChange] = {}
    for change in _sizes(car, setup, screening):
        if change.kind not in _LEFT_OUT and not _splits(change, screening):
            one = of_size(change, _NOTES.get(change.kind, ""))
            found.setdefault(one.key, one)
    return list(found.values())


def _splits(change: Change, screening: Screening) -> bool:
    """Whether a compound at one end takes the two ends further apart."""
    if change.kind is not ChangeKind.COMPOUND:
        return False
    now = [float(screening.system.circuit(axle).pad.friction) for axle in AXLES]
    then = [change.swap.patch.get(f"{axle}.pad.friction", one) for axle, one in zip(AXLES, now, strict=True)]
    front, rear = (float(one) for one in then if isinstance(one, float))
    return abs(front - rear) > abs(now[0] - now[1]) + 1e-9


def _sizes(car: Car, setup: Setup, screening: Screening) -> Iterator[Change]:
    yield from sizes_near(car, setup, screening.system, FAR)
    yield from _both_pads(setup, screening)
    yield from travel_changes(setup)
    for matter in matters_of(car, setup):
        if matter not in (LOCK_ORDER, HEAT):
            yield from matter.changes(screening, setup)
    for change in (*LOCK_ORDER.changes(screening, setup), *_knees(setup)):
        least, most = usual_range(ProportioningValve, "knee")
        if least <= change.swap.sizes[0] <= most:
            yield change
    yield from HEAT.changes(screening, setup)
    for axle in AXLES:
        yield from _bigger_and_thicker(car, setup, axle)


def _bigger_and_thicker(car: Car, setup: Setup, axle: Axle) -> Iterator[Change]:
    """A disc that is both, in one."""
    disc, largest = setup.brake(axle).disc, rim_of(car.tyre(axle)).largest_disc
    for step, more in product((1, 2, 3, 4), (0.004, 0.008)):
        size, thickness = round(disc.outer_diameter + step * DISC_STEP, 6), round(disc.thickness + more, 6)
        if size <= largest and thickness <= THICKEST:
            at = f"{axle}.disc"
            patch: dict[str, Json] = {f"{at}.outer_diameter": size, f"{at}.thickness": thickness}
            patch[f"{at}.weighed_mass"] = None
            before = (disc.outer_diameter, disc.thickness)
            swap = Swap(sizes=(size, thickness), patch=patch)
            title = f"{axle.capitalize()} disc, across and thick"
            yield Change(ChangeKind.DIAMETER, at, title, "length", before, swap, step + 1)


def _knees(setup: Setup) -> Iterator[Change]:
    """Usual knees of a screw valve that is fitted, or could be."""
    valve = setup.valve
    if valve.kind is ValveKind.LEVER or not (valve.fitted or setup.tandem_fitted):
        return
    fit: dict[str, Json] = {} if valve.fitted else {"valve.kind": ValveKind.SCREW.value}
    title, before = ("Valve knee", (valve.knee,)) if valve.fitted else ("Rear valve fitted, knee", ())
    least, most = usual_range(ProportioningValve, "knee")
    for place in range(int((most - least) / KNEE_APART) + 1):
        knee = least + place * KNEE_APART
        if abs(knee - valve.knee) > 1 or fit:
            steps = max(1, round(abs(knee - valve.knee) / KNEE_APART)) if valve.fitted else 1
            swap = to_size(knee, fit | {"valve.knee": knee})
            yield Change(ChangeKind.KNEE, "valve", title, "pressure", before, swap, steps)


def _both_pads(setup: Setup, screening: Screening) -> Iterator[Change]:
    """Another compound at both ends."""
    now = [float(screening.system.circuit(axle).pad.friction) for axle in AXLES]
    if abs(now[0] - now[1]) > ALIKE:
        return
    least, most = usual_range(type(setup.front.pad), "friction")
    for step in range(-FAR.compounds, FAR.compounds + 1):
        friction = [round(one + step * COMPOUND_STEP, 3) for one in now]
        if not step or not all(least <= one <= most for one in friction):
            continue
        patch: dict[str, Json] = {}
        for axle, one in zip(AXLES, friction, strict=True):
            patch[f"{axle}.pad.friction"] = one
            if setup.brake(axle).pad.friction_curve:
                patch[f"{axle}.pad.friction_curve"] = []
        swap = to_size(friction[0], patch)
        yield Change(ChangeKind.COMPOUND, "front.pad", "Pads of both ends, μ", "friction", (now[0],), swap, abs(step))


def session_changes(car: Car, setup: Setup, sessions: Sequence[SessionStatus]) -> list[PlanChange]:
    """What mends the heat of these sessions; laps and tape are those of the session that asks for them."""
    found: dict[str, PlanChange] = {}
    places = {session.name: place for place, session in enumerate(car.sessions)}
    for one in sessions:
        if not one.verdict.findings:
            continue
        session = one.evidence.session
        place = places[session.name]
        for trial in trials(car, setup, session, one.verdict):
            if _two_classes(setup, trial.patch):
                continue
            patch = {
                f"car.sessions.{place}.{path.removeprefix('session.')}" if path.startswith("session.") else path: value
                for path, value in trial.patch.items()
            }
            change = of_session(trial, patch)
            if any(path.startswith("car.") for path in patch):
                title = f"{trial.title}, {session.name}"
                part = MendPart(joint="", title=title, dimension="", before=(), after=())
                change = PlanChange((part,), patch, size=1, about=trial.about, note=trial.cost)
            known = found.get(change.key)
            if known is None:
                found[change.key] = change
            else:
                known.about |= change.about
    return [*found.values(), *_in_every_session(list(found.values()))]


def _two_classes(setup: Setup, patch: Mapping[str, object]) -> bool:
    """Whether other pads at one end leave two classes on the car."""
    classes = [patch.get(f"setup.{axle}.pad.compound", setup.brake(axle).pad.compound) for axle in AXLES]
    return any(path.endswith("pad.compound") for path in patch) and classes[0] != classes[1]


def _in_every_session(changes: Sequence[PlanChange]) -> Iterator[PlanChange]:
    """Cool-down laps in every session that asks for them are one thing to do."""
    laps = [one for one in changes if any("cool_down_laps" in path for path in one.patch)]
    if len(laps) < 2:
        return
    patch = {path: value for one in laps for path, value in one.patch.items()}
    part = MendPart(joint="", title=f"A cool-down lap more, {len(laps)} sessions", dimension="", before=(), after=())
    about = frozenset().union(*(one.about for one in laps))
    yield PlanChange((part,), patch, size=len(laps), about=about, note="no parts")


def pedal_changes(changes: Sequence[PlanChange], findings: Sequence[str]) -> list[PlanChange]:
    """Small steps of settings and sizes where hot pads ask too much of the leg, or leave the rear first."""
    wanted = [name for name, key in (("pedal", "pedal"), ("balance", "balance")) if key in findings]
    kinds = {
        "pedal": (ChangeKind.RATIO, ChangeKind.BORE, ChangeKind.GAIN),
        "balance": (ChangeKind.TURN, ChangeKind.BORE, ChangeKind.KNEE, ChangeKind.PISTONS),
    }
    found = []
    for one, name in product(changes, wanted):
        change = one.change
        if change is not None and change.kind in kinds[name] and change.steps <= STEPS_NEAR and one not in found:
            found.append(one)
    return found
