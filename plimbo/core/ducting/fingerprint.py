"""Identifies the car and setup of a sizing, so that a stored one is not shown for another."""

import hashlib

from plimbo.core.documents import Aim, Car, DuctChecks, Setup
from plimbo.core.documents.duct import HOSE_BORES
from plimbo.core.ducting.sizes import HoseSize, of_size
from plimbo.core.quantities.axles import Axle


def fingerprint(car: Car, setup: Setup, axle: Axle) -> str:
    """The same for the same values; names, ticks, tape and the fitted size are left out, since every size is tried."""
    duct = setup.brake(axle).cooling.duct
    at = f"{axle}.cooling.duct"
    same = {f"{at}.{name}": value for name, value in of_size(duct, HoseSize(HOSE_BORES[0]), axle).items()}
    plain = setup.patched({**same, f"{at}.aim": Aim.EYE, f"{at}.checks": DuctChecks(), "name": "setup"})
    sessions = tuple(one.model_copy(update={f"{axle}_tape": 0.0}) for one in car.sessions)
    untaped = car.model_copy(update={"sessions": sessions, "name": "car"})
    return hashlib.sha256((untaped.model_dump_json() + plain.model_dump_json()).encode()).hexdigest()[:32]
