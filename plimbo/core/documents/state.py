"""A state of the day in which the brakes must be right: load, track, speed and air."""

from typing import Any

from pydantic import Field, model_validator

from plimbo.core.documents.loading import AS_WEIGHED
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity, words


class Surface(Choice):
    """The surface under the tyres."""

    DRY = "dry"
    DAMP = "damp"
    WET = "wet"
    GRAVEL = "gravel"


def _surface_grip(title: str, usual: tuple[float, float], default: defaults.Assumption) -> Any:
    return quantity(
        "share",
        title,
        "Grip that this track leaves, as a share of the dry grip.",
        symbol="k_t",
        least=0.02,
        most=1.5,
        usual=usual,
        default=default,
    )


class SurfaceGrip(Document):
    """The share of the dry grip on each surface."""

    damp: float = _surface_grip("Damp track", (0.65, 0.95), defaults.DAMP_GRIP)
    wet: float = _surface_grip("Wet track", (0.35, 0.8), defaults.WET_GRIP)
    gravel: float = _surface_grip("Gravel", (0.35, 0.8), defaults.GRAVEL_GRIP)


# Grips that are compared with a plain grip number, where a document of the first release names no surface.
_USUAL = {Surface.DRY: 1.0, Surface.DAMP: defaults.DAMP_GRIP.value, Surface.WET: defaults.WET_GRIP.value}


def _tyre_grip(axle: Axle) -> Any:
    return quantity(
        "share",
        f"{axle.capitalize()} tyres, of their warm grip",
        "Tyres warm up apart: cold ones give about 0.8 of their grip in the first laps. Left empty: warm.",
        symbol="k_w",
        least=0.1,
        most=1.2,
        usual=(0.6, 1.0),
        default=None,
    )


class State(Document):
    """A state that counts. Its own grip and air are for special days; if empty, surface and weather give them."""

    name: str = words("State", "What you call it.", most=24)
    load: str = Field(AS_WEIGHED, title="Load", description="Which of the car's loads.", max_length=24)
    track: Surface = Field(Surface.DRY, title="Track", description="What is under the tyres.")
    grip: float | None = quantity(
        "share",
        "Own track grip",
        "Grip of the track as a share of dry; left empty, the car's own for this track.",
        symbol="k_t",
        least=0.02,
        most=1.5,
        usual=(0.3, 1.1),
        default=None,
    )
    front_tyre_grip: float | None = _tyre_grip(Axle.FRONT)
    rear_tyre_grip: float | None = _tyre_grip(Axle.REAR)
    speed: float = quantity(
        "speed",
        "Speed",
        "Where the wings are looked at; balance and lock are worked out at this speed.",
        symbol="v",
        least=0,
        most=120,
        usual=(0, 85),
    )
    air_density: float | None = quantity(
        "density",
        "Own air density",
        "Left empty, the density at the altitude and temperature of the day.",
        symbol="ρ",
        least=0.2,
        most=2,
        usual=(0.9, 1.3),
        default=None,
    )

    def tyre_grip(self, axle: Axle) -> float | None:
        """Share of their warm grip that one axle's tyres have; none where they are warm."""
        return self.front_tyre_grip if axle is Axle.FRONT else self.rear_tyre_grip

    @property
    def warm(self) -> "State":
        """The same with warm tyres."""
        return self.model_copy(update={"front_tyre_grip": None, "rear_tyre_grip": None})

    @model_validator(mode="before")
    @classmethod
    def named_by_its_grip(cls, content: Any) -> Any:
        """A plain grip number, as the first release wrote it, means the surface with about that grip."""
        if isinstance(content, dict) and "track" not in content and isinstance(content.get("grip"), int | float):
            grip = content["grip"]
            return content | {"track": min(_USUAL, key=lambda track: abs(_USUAL[track] - grip))}
        return content


def usual_states() -> tuple[State, ...]:
    """A sensible first set."""
    return tuple(
        State(name=f"{track.word.capitalize()}, {word}", track=track, speed=speed)
        for track in (Surface.DRY, Surface.WET)
        for word, speed in (("slow", 15.0), ("fast", 55.0))
    )
