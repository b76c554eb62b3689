"""The car as it stands on the scales, the air it runs in, and the states in which its brakes must be right."""

from typing import Self

from pydantic import Field, ValidationInfo, field_validator, model_validator

from plimbo.core.documents.air import Air
from plimbo.core.documents.doubt import Doubt
from plimbo.core.documents.driving import DrivenAxle, Driver, TrialStop
from plimbo.core.documents.limits import Limits
from plimbo.core.documents.loading import AS_WEIGHED, Loading
from plimbo.core.documents.measured import Measured
from plimbo.core.documents.original import Original
from plimbo.core.documents.session import Session
from plimbo.core.documents.state import State, SurfaceGrip, usual_states
from plimbo.core.documents.tyre import Tyre
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import LINE, Document, quantity, words


class CarKind(Choice):
    """The kind of car: its usual values are used until values are given, and its outline is drawn."""

    SALOON = "saloon", "saloon or hatchback"
    COUPE = "coupe", "coupé or GT"
    TWO_SEATER = "two_seater", "open two-seater"
    SINGLE_SEATER = "single_seater", "single-seater"
    PICKUP = "pickup"
    BUGGY = "buggy"


class Car(Document):
    """The car as weighed; variable loads are in its loading."""

    name: str = words("Car", "What you call it.")
    kind: CarKind = Field(
        CarKind.SALOON, title="Kind of car", description="Decides how it is drawn, and what a new car begins with."
    )
    copied_from: str = Field(
        "",
        title="Copied from",
        description="The car whose values stand in for those that nobody has confirmed for this one.",
        max_length=80,
        pattern=LINE,
    )
    mass: float = quantity(
        "mass",
        "Mass",
        "All four scales added up, with whatever was aboard.",
        symbol="m",
        above=50,
        most=5000,
        usual=(350, 1900),
    )
    front_share: float = quantity(
        "share",
        "Front weight share",
        "Front scales divided by all four, on the level.",
        symbol="w_f",
        above=0,
        below=1,
        usual=(0.33, 0.65),
    )
    wheelbase: float = quantity(
        "length",
        "Wheelbase",
        "Front hub to rear hub.",
        symbol="L",
        above=0.5,
        most=6,
        usual=(1.5, 3.1),
    )
    cg_height: float = quantity(
        "length",
        "Height of the centre of gravity",
        "Above the ground. Weigh again with the rear axle raised to find it.",
        symbol="h",
        above=0.05,
        most=1.5,
        usual=(0.25, 0.7),
    )
    front_tyre: Tyre
    rear_tyre: Tyre
    front_lift_area: float = quantity(
        "lift area",
        "Front downforce, ClA",
        "Lift coefficient times area, plus for downforce; 0 without wings.",
        symbol="ClA_f",
        least=-1,
        most=8,
        usual=(0, 2.5),
        default=0.0,
    )
    rear_lift_area: float = quantity(
        "lift area",
        "Rear downforce, ClA",
        "Lift coefficient times area, plus for downforce; 0 without wings.",
        symbol="ClA_r",
        least=-1,
        most=8,
        usual=(0, 3),
        default=0.0,
    )
    drag_area: float = quantity(
        "lift area",
        "Drag, CdA",
        "Drag coefficient times frontal area; 0.5 to 0.8 m² for a saloon, more with wings.",
        symbol="CdA",
        least=0,
        most=4,
        usual=(0, 1.6),
        default=defaults.DRAG_AREA,
    )
    drag_height: float | None = quantity(
        "length",
        "Drag acts at height",
        "Left empty, at the height of the centre of gravity.",
        symbol="h_D",
        least=0,
        most=2,
        usual=(0.2, 0.9),
        default=None,
    )
    air: Air = Air()
    power: float | None = quantity(
        "power",
        "Power at the wheels",
        "The most; as a rolling road gives it, or about 0.85 of the engine's. It decides how fast a lap arrives at its"
        " corners, and so how hot the brakes get.",
        symbol="P",
        least=1000,
        most=2e6,
        usual=(3e4, 6e5),
        default=None,
    )
    traction_share: float = quantity(
        "share",
        "Grip that can push",
        "Share of all four tyres' grip that the driven wheels can use out of a corner.",
        symbol="k_d",
        least=0.1,
        most=1,
        usual=(0.45, 1),
        default=defaults.TRACTION,
    )
    engine_braking: float = quantity(
        "force",
        "Engine braking",
        "At the tyres of the driven axle, foot off the throttle; 0 with the clutch down.",
        symbol="F_e",
        least=0,
        most=10000,
        usual=(0, 1500),
        default=0.0,
    )
    driven_axle: DrivenAxle = Field(DrivenAxle.REAR, title="Driven axle", description="Where engine braking acts.")
    top_speed: float = quantity(
        "speed",
        "Top speed",
        "At the end of the longest straight: the hardest stop starts here.",
        symbol="v_1",
        above=5,
        most=120,
        usual=(25, 85),
    )
    stop_to_speed: float = quantity(
        "speed",
        "Hardest stop, down to",
        "Speed at the end of the hardest stop; 0 for a standstill.",
        symbol="v_2",
        least=0,
        most=110,
        usual=(0, 50),
        default=defaults.STOP_TO_SPEED,
    )
    rotating_share: float = quantity(
        "share",
        "Energy in turning parts",
        "Adds to the energy of the stop: wheels, discs, gears, engine.",
        symbol="κ",
        least=0,
        most=0.5,
        usual=(0.02, 0.1),
        default=defaults.ROTATING_SHARE,
    )
    slip_share: float = quantity(
        "share",
        "Work lost as tyre slip",
        "Share of the stop's energy that heats the tyre and never reaches the disc.",
        symbol="s_t",
        least=0,
        most=0.9,
        usual=(0, 0.12),
        default=defaults.SLIP_SHARE,
    )
    trial_stop: TrialStop = TrialStop()
    road_registered: bool = Field(
        False, title="Registered for the road", description="Then the limits for road cars are worth keeping to."
    )
    driver: Driver = Driver()
    track_grip: SurfaceGrip = SurfaceGrip()
    loading: Loading = Loading()
    doubt: Doubt = Doubt()
    limits: Limits = Limits()
    original: Original = Original()
    measured: Measured = Measured()
    states: tuple[State, ...] = Field(
        usual_states(),
        title="States",
        description="The states that count: the brakes are judged over all of them.",
        min_length=1,
        max_length=12,
    )

    sessions: tuple[Session, ...] = Field(
        (),
        title="Sessions",
        description="The heat of the brakes is judged over all of them, each with its race circuit.",
        max_length=8,
    )

    @field_validator("stop_to_speed")
    @classmethod
    def slows_down(cls, stop_to_speed: float, info: ValidationInfo) -> float:
        if stop_to_speed >= info.data.get("top_speed", 1000):
            raise ValueError("The hardest stop must end slower than it starts: lower its end or raise the top speed.")
        return stop_to_speed

    @field_validator("states")
    @classmethod
    def names_differ(cls, states: tuple[State, ...]) -> tuple[State, ...]:
        if len({state.name for state in states}) != len(states):
            raise ValueError("Two states have the same name: give each its own.")
        return states

    @field_validator("sessions")
    @classmethod
    def sessions_differ(cls, sessions: tuple[Session, ...]) -> tuple[Session, ...]:
        if len({session.name for session in sessions}) != len(sessions):
            raise ValueError("Two sessions have the same name: give each its own.")
        return sessions

    @model_validator(mode="after")
    def loads_exist(self) -> Self:
        known = {AS_WEIGHED, *(load.name for load in self.loading.states)}
        for state in self.states:
            if state.load not in known:
                raise ValueError(f"State “{state.name}” wants the load “{state.load}”, which the car does not have.")
        for session in self.sessions:
            if session.load not in known:
                raise ValueError(f"Session “{session.name}” wants the load “{session.load}”: the car does not have it.")
        if self.measured.logged.load not in known:
            raise ValueError(f"The log was in load “{self.measured.logged.load}”, which the car does not have.")
        return self

    def tyre(self, axle: Axle) -> Tyre:
        """The tyres of one axle."""
        return self.front_tyre if axle is Axle.FRONT else self.rear_tyre
