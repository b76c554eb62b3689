"""Every matter, in the order of display. To add one: write its file, list it here."""

from typing import Any

from plimbo.core.documents import Car, Setup
from plimbo.core.verdicts.anti_lock import ANTI_LOCK
from plimbo.core.verdicts.heat import HEAT
from plimbo.core.verdicts.leg import LEG
from plimbo.core.verdicts.lock_order import LOCK_ORDER
from plimbo.core.verdicts.matter import Matter
from plimbo.core.verdicts.travel import TRAVEL

MATTERS: tuple[Matter[Any], ...] = (
    LOCK_ORDER,
    LEG,
    TRAVEL,
    HEAT,
    ANTI_LOCK,
)


def matters_of(car: Car, setup: Setup) -> tuple[Matter[Any], ...]:
    """Those that concern this setup of the car."""
    return tuple(matter for matter in MATTERS if matter.concerns(car, setup))
