"""The driver's push, the driven axle, and a stop for comparison."""

from pydantic import ValidationInfo, field_validator

from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity


class Driver(Document):
    """The push that the driver wants at the limit, and the largest that can be held."""

    foot_force: float = quantity(
        "force",
        "Design effort",
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

    leg_mass: float = quantity(
        "mass",
        "Leg thrown forward",
        f"Under braking the leg's own mass pushes with the foot: it adds to what can be held. 0 leaves it out;"
        f" {defaults.LEG_MASS.value:.0f} kg is usual where it counts. {defaults.LEG_MASS.reason}",
        symbol="m_leg",
        least=0,
        most=20,
        usual=(0, 12),
        default=0.0,
    )

    @field_validator("foot_force_limit")
    @classmethod
    def chosen_within_limit(cls, limit: float, info: ValidationInfo) -> float:
        if info.data.get("foot_force", 0) > limit:
            raise ValueError("The driver holds less than the design effort: raise the limit or choose a lighter push.")
        return limit


class TrialStop(Document):
    """A stop to compare with a measured one, in every state."""

    from_speed: float = quantity(
        "speed",
        "Stop from",
        "Any speed: 100 km/h is usual to compare.",
        symbol="v_1",
        above=1,
        most=120,
        usual=(10, 85),
        default=27.777777777777779,
    )
    to_speed: float = quantity(
        "speed", "down to", "0 for a standstill.", symbol="v_2", least=0, most=119, usual=(0, 25), default=0.0
    )

    @field_validator("to_speed")
    @classmethod
    def slows_down(cls, to_speed: float, info: ValidationInfo) -> float:
        if to_speed >= info.data.get("from_speed", 1000):
            raise ValueError("The stop must end slower than it starts.")
        return to_speed


class DrivenAxle(Choice):
    """Where the engine brakes."""

    FRONT = "front"
    REAR = "rear"
    BOTH = "both", "four-wheel drive", "both alike"
