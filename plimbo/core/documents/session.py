"""A session on a circuit: the pace, the weather, and how the car is parked."""

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core.documents.air import Air
from plimbo.core.documents.circuit import Circuit
from plimbo.core.documents.loading import AS_WEIGHED
from plimbo.core.documents.state import Surface
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.fields import Document, counted, quantity, words

# Practice, qualifying and two races; drivers changed, or fuel filled, s.
TIMES_AN_EVENT, RACE_STOP = 4, 180.0


class Session(Document):
    """Out-lap, fast laps, cool-down laps, the car parked, then more laps."""

    name: str = words("Session", "What you call it.", most=40)
    circuit: Circuit
    load: str = Field(AS_WEIGHED, title="Load", description="Which of the car's loads.", max_length=24)
    track: Surface = Field(Surface.DRY, title="Track", description="What is under the tyres.")
    out_laps: int = counted(
        "Out-laps", "Driven at the pace of an out-lap, to warm up.", most=5, usual=(1, 2), default=1
    )
    fast_laps: int = counted(
        "Fast laps",
        "At the pace of the session; of a hill climb or stage, the runs.",
        least=1,
        most=200,
        usual=(3, 40),
        default=10,
    )
    race_stop_after: int = counted(
        "Race stop after",
        "Fast laps before a stop with the engine off; 0 for none.",
        most=199,
        usual=(0, 20),
        default=0,
    )
    race_stop: float = quantity(
        "long time",
        "Race stop lasts",
        "Engine off, no air: the fluid heats, and the laps after it follow at once.",
        symbol="t_s",
        least=0,
        most=3600,
        usual=(30, 600),
        default=RACE_STOP,
    )
    cool_down_laps: int = counted("Cool-down laps", "Slow, before the car stops.", most=5, usual=(0, 2), default=0)
    parked: float = quantity(
        "long time",
        "Parked after it",
        "Engine off, no air: the fluid goes on heating for minutes.",
        symbol="t_p",
        least=0,
        most=7200,
        usual=(300, 1800),
        default=defaults.PARKED,
    )
    laps_after: int = counted(
        "Laps after that", "Driven again, straight off the parking place.", most=50, usual=(0, 10), default=0
    )
    times_an_event: int = counted(
        "Times an event", "How often it is driven in an event.", least=1, most=40, usual=(1, 8), default=TIMES_AN_EVENT
    )
    pace: float = quantity(
        "share",
        "Pace",
        "Of the fast laps: 100 % is all that tyres and engine give.",
        symbol="p",
        least=0.3,
        most=1,
        usual=(0.9, 1),
        default=defaults.PACE,
    )
    traffic: float = quantity(
        "share",
        "Air lost to traffic",
        "Close behind others less air reaches the discs.",
        symbol="τ",
        least=0,
        most=0.8,
        usual=(0, 0.3),
        default=0.0,
    )
    front_tape: float = quantity(
        "share",
        "Front ducts taped",
        "Share of the opening that is taped over on this race circuit. A quarter does almost nothing.",
        symbol="t_f",
        least=0,
        most=0.95,
        usual=(0, 0.75),
        default=0.0,
    )
    rear_tape: float = quantity(
        "share",
        "Rear ducts taped",
        "Share of the opening that is taped over on this race circuit.",
        symbol="t_r",
        least=0,
        most=0.95,
        usual=(0, 0.75),
        default=0.0,
    )
    ambient: float | None = quantity(
        "temperature",
        "Air temperature",
        "Of that day; left empty, the car's air.",
        symbol="T_amb",
        least=220,
        most=335,
        usual=(268, 315),
        default=None,
    )
    altitude: float | None = quantity(
        "distance",
        "Altitude",
        "Of the race circuit; left empty, the car's air.",
        symbol="z",
        least=-500,
        most=6000,
        usual=(0, 2500),
        default=None,
    )

    @field_validator("race_stop_after")
    @classmethod
    def laps_left(cls, race_stop_after: int, info: ValidationInfo) -> int:
        if race_stop_after and race_stop_after >= info.data.get("fast_laps", 200):
            raise ValueError("No fast lap is left after the race stop: stop earlier, or drive more laps.")
        return race_stop_after

    def air(self, of_the_car: Air) -> Air:
        """The air of the session: its own if given, else the car's."""
        own = {"temperature": self.ambient, "altitude": self.altitude}
        given = {name: value for name, value in own.items() if value is not None}
        return of_the_car.model_copy(update=given) if given else of_the_car

    def tape(self, axle: Axle) -> float:
        """The share of an axle's openings that is taped over."""
        return self.front_tape if axle is Axle.FRONT else self.rear_tape
