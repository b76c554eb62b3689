"""Readings of scales, tape and logger as they were read: the car's numbers can be calculated from them."""

from typing import Any

from pydantic import Field

from plimbo.core.documents.loading import AS_WEIGHED
from plimbo.core.documents.state import Surface
from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity


class Scales(Choice):
    """What the car was weighed on."""

    AXLES = "axles", "axle scales"
    CORNERS = "corners", "corner scales"


def _reading(title: str, help: str, symbol: str) -> Any:
    return quantity("reading", title, help, symbol=symbol, least=0, most=4000, usual=(60, 1200), default=None)


class Weighing(Document):
    """Two weighings: on the level, then with the rear hubs raised. Readings not taken yet are empty."""

    scales: Scales = Field(Scales.CORNERS, title="Scales", description="One scale a wheel, or one an axle.")
    front_left: float | None = _reading("Front left", "On the level, springs as they are.", "m_fl")
    front_right: float | None = _reading("Front right", "On the level, springs as they are.", "m_fr")
    rear_left: float | None = _reading("Rear left", "On the level, springs as they are.", "m_rl")
    rear_right: float | None = _reading("Rear right", "On the level, springs as they are.", "m_rr")
    front: float | None = _reading("Front axle", "On the level.", "m_f")
    rear: float | None = _reading("Rear axle", "On the level.", "m_r")
    raised_front: float | None = _reading(
        "Front axle, rear raised", "Both front wheels, rear raised, brakes off.", "m_f,up"
    )
    raised_rear: float | None = _reading(
        "Rear axle, rear raised", "Both rear wheels, raised; checks the weighing.", "m_r,up"
    )
    lift: float | None = quantity(
        "length",
        "Rear raised by",
        "How far the rear hubs went up. Springs locked, so that only the whole car tilts.",
        symbol="H",
        above=0,
        most=4,
        usual=(0.2, 1.0),
        default=None,
    )
    hub_height: float | None = quantity(
        "length",
        "Hub height",
        "Hubs above the ground on the level; left empty, from the loaded radii of the tyres.",
        symbol="R",
        above=0.05,
        most=0.8,
        usual=(0.22, 0.36),
        default=None,
    )
    scale_error: float = quantity(
        "reading",
        "Each scale reads to",
        "Plus or minus, from its sheet or from weighing the same thing twice.",
        symbol="e_m",
        least=0,
        most=20,
        usual=(0.1, 2),
        default=defaults.SCALE_ERROR,
    )
    lift_error: float = quantity(
        "length",
        "Lift known to",
        "Plus or minus, with the tape you have.",
        symbol="e_H",
        least=0,
        most=0.1,
        usual=(0.001, 0.005),
        default=defaults.LIFT_ERROR,
    )


class LoggedStop(Document):
    """The best deceleration on the logger."""

    deceleration: float | None = quantity(
        "deceleration",
        "Best deceleration",
        "Held for half a second or more, all four wheels near their limit; not a spike.",
        symbol="a_log",
        above=0,
        most=60,
        usual=(6, 25),
        default=None,
    )
    speed: float | None = quantity(
        "speed",
        "At a speed of",
        "To take downforce and drag out; left empty, both are left in.",
        symbol="v",
        least=0,
        most=120,
        usual=(10, 80),
        default=None,
    )
    track: Surface = Field(Surface.DRY, title="On a track that was", description="What was under the tyres.")
    load: str = Field(AS_WEIGHED, title="In load", description="Which of the car's loads.", max_length=24)


class MeasuredDownforce(Document):
    """Forces of the air as measured: on load cells, from ride height, or from a tunnel."""

    speed: float | None = quantity(
        "speed", "At a speed of", "Of the air.", symbol="v", above=1, most=120, usual=(20, 85), default=None
    )
    front: float | None = quantity(
        "force",
        "Downforce, front",
        "N, or type kg.",
        symbol="A_f",
        least=-20000,
        most=40000,
        usual=(0, 8000),
        default=None,
    )
    rear: float | None = quantity(
        "force",
        "Downforce, rear",
        "N, or type kg.",
        symbol="A_r",
        least=-20000,
        most=40000,
        usual=(0, 8000),
        default=None,
    )
    drag: float | None = quantity(
        "force", "Drag", "N, or type kg.", symbol="D", least=0, most=20000, usual=(200, 6000), default=None
    )


class Measured(Document):
    """All readings, kept with the car."""

    weighing: Weighing = Weighing()
    logged: LoggedStop = LoggedStop()
    downforce: MeasuredDownforce = MeasuredDownforce()
