"""The car as it stands on the scales, what its tyres can take and what its driver can push."""

from pydantic import Field, ValidationInfo, field_validator

from plimbo.core import defaults
from plimbo.core.documents.fields import Document, quantity, words


class Tyre(Document):
    """One axle's tyres."""

    friction: float = quantity(
        "friction",
        "Tyre grip",
        "Friction coefficient on a dry track: about the best deceleration you log, in g, for a car without downforce.",
        symbol="μ_t",
        least=0.02,
        most=3,
        usual=(0.6, 1.8),
        default=defaults.TYRE_FRICTION,
    )
    loaded_radius: float = quantity(
        "length",
        "Loaded radius",
        "Hub centre to the ground, car on its wheels.",
        symbol="R",
        above=0.1,
        most=0.6,
        usual=(0.22, 0.36),
    )


class Driver(Document):
    """What the driver wants to push at the limit, and the most that can be held."""

    foot_force: float = quantity(
        "force",
        "Chosen foot force",
        "The push at which both axles should reach their limit.",
        symbol="F_foot",
        least=5,
        most=2000,
        usual=(200, 500),
        default=defaults.FOOT_FORCE,
    )
    foot_force_limit: float = quantity(
        "force",
        "Foot force limit",
        "The most the driver can hold, lap after lap.",
        symbol="F_foot,max",
        least=5,
        most=2500,
        usual=(350, 900),
        default=defaults.FOOT_FORCE_LIMIT,
    )

    @field_validator("foot_force_limit")
    @classmethod
    def chosen_within_limit(cls, limit: float, info: ValidationInfo) -> float:
        if info.data.get("foot_force", 0) > limit:
            raise ValueError(
                "The driver holds less than the chosen foot force: raise the limit or choose a lighter push."
            )
        return limit


class State(Document):
    """A state of the day in which the brakes must be right: the track, the speed and the air."""

    name: str = words("State", "What you call it.", most=24)
    grip: float = quantity(
        "share",
        "Track grip",
        "Grip of the track as a share of dry: dry 1, wet about 0.6.",
        symbol="k_t",
        least=0.02,
        most=1.5,
        usual=(0.3, 1.1),
    )
    speed: float = quantity(
        "speed",
        "Speed",
        "Where the wings are looked at; balance and lock are worked out at this speed.",
        symbol="v",
        least=0,
        most=120,
        usual=(0, 85),
    )
    air_density: float = quantity(
        "density",
        "Air density",
        "About 1.2 kg/m³ at sea level, less up a mountain.",
        symbol="ρ",
        least=0.2,
        most=2,
        usual=(0.9, 1.3),
        default=defaults.AIR_DENSITY,
    )


def usual_states() -> tuple[State, ...]:
    """A sensible set to begin with."""
    wet = defaults.WET_GRIP.value
    return (
        State(name="Dry, slow", grip=1.0, speed=15.0),
        State(name="Dry, fast", grip=1.0, speed=55.0),
        State(name="Wet, slow", grip=wet, speed=15.0),
        State(name="Wet, fast", grip=wet, speed=55.0),
    )


class Car(Document):
    """The car, ready to go, driver aboard."""

    name: str = words("Car", "What you call it.")
    mass: float = quantity(
        "mass",
        "Mass",
        "All four scales added up, driver and fuel aboard.",
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
    driver: Driver = Driver()
    states: tuple[State, ...] = Field(
        usual_states(),
        title="States",
        description="The states that count: the brakes are judged over all of them.",
        min_length=1,
        max_length=12,
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
