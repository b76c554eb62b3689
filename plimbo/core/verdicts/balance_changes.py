"""Changes of bar, valve and cylinders that move the balance, and sizes that centre a bar."""

import math
from collections.abc import Iterator
from typing import NamedTuple

from plimbo.core.braking.balance_settings import knee_set, knee_wanted
from plimbo.core.braking.screening import Screening
from plimbo.core.documents import Car, Setup, ValveKind
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.stepping.changes import Change, ChangeKind, Json, to_size
from plimbo.core.stepping.stock import BORES, SAME


class Centring(NamedTuple):
    """Another bore, m, and the bar offset, m, with which both lines keep their pressures' ratio."""

    axle: Axle
    bore: float
    offset: float


def bar_band(car: Car, setup: Setup) -> float:
    """Largest offset of the bearing, m; beyond it the bar hides a wrong size."""
    return car.limits.bar_off_centre * setup.balance_bar.length / 2


def centrings(car: Car, setup: Setup) -> list[Centring]:
    """For each axle the stock bore that needs the smallest bar offset, best first; none outside the band."""
    bar = setup.balance_bar
    u = bar.offset / bar.length
    fitted = {Axle.FRONT: setup.front.master_cylinder.bore, Axle.REAR: setup.rear.master_cylinder.bore}
    # Ratio, front over rear, of the bar's share to the cylinder's area: the balance keeps this ratio.
    kept = (0.5 + u) / fitted[Axle.FRONT] ** 2 / ((0.5 - u) / fitted[Axle.REAR] ** 2)
    found = []
    for axle in AXLES:
        tried = []
        for bore in BORES:
            if math.isclose(bore, fitted[axle], abs_tol=SAME):
                continue
            front, rear = (bore, fitted[Axle.REAR]) if axle is Axle.FRONT else (fitted[Axle.FRONT], bore)
            share = kept * front**2 / (rear**2 + kept * front**2)
            tried.append(Centring(axle, bore, round((share - 0.5) * bar.length, 6)))
        found.append(min(tried, key=lambda one: abs(one.offset)))
    band = bar_band(car, setup)
    return sorted((one for one in found if abs(one.offset) <= band), key=lambda one: abs(one.offset))


def valve_changes(screening: Screening, setup: Setup) -> Iterator[Change]:
    """Other knees: each position of a lever; for a screw the knees that the states ask for, and slightly lower ones."""
    valve = setup.valve
    if not valve.fitted and not setup.tandem_fitted:
        return
    wanted = [knee_wanted(setup, screening.chain, limit) for limit in screening.limits]
    knees = [knee for knee in wanted if knee]
    if valve.kind is ValveKind.LEVER:
        tried = [position for position in valve.positions if position != valve.true_knee]
    else:
        tried = sorted({knee_set(setup, part * knee) for knee in knees for part in (1, 0.85)})
    fit: dict[str, Json] = {} if valve.fitted else {"valve.kind": ValveKind.SCREW.value}
    title = "Valve knee" if valve.fitted else "Rear valve fitted, knee"
    before = (valve.true_knee,) if valve.fitted else ()
    for knee in tried:
        if abs(knee - valve.true_knee) > 1 or fit:
            yield Change(ChangeKind.KNEE, "valve", title, "pressure", before, to_size(knee, fit | {"valve.knee": knee}))
