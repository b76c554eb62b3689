"""A state of the day in which the brakes must be right: load, track, speed and air."""

from typing import Any

from pydantic import Field, model_validator

from plimbo.core.documents.loading import AS_WEIGHED
from plimbo.core.quantities import defaults
from plimbo.core.quantities.choices import Choice
from plimbo.core.quantities.fields import Document, quantity, words


class Track(Choice):
    """What lies under the tyres."""

    DRY = "dry"
    DAMP = "damp"
    WET = "wet"
    GRAVEL = "gravel"


def _track_grip(title: str, usual: tuple[float, float], default: defaults.Assumption) -> Any:
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


class TrackGrip(Document):
    """What each track leaves of the dry grip."""

    damp: float = _track_grip("Damp track", (0.65, 0.95), defaults.DAMP_GRIP)
    wet: float = _track_grip("Wet track", (0.35, 0.8), defaults.WET_GRIP)
    gravel: float = _track_grip("Gravel", (0.35, 0.8), defaults.GRAVEL_GRIP)


# Grips to which a bare grip is matched where a document of the first release names no track.
_USUAL = {Track.DRY: 1.0, Track.DAMP: defaults.DAMP_GRIP.value, Track.WET: defaults.WET_GRIP.value}


class State(Document):
    """A state that counts. Its own grip and air are for the odd day; left empty, track and weather give them."""

    name: str = words("State", "What you call it.", most=24)
    load: str = Field(AS_WEIGHED, title="Load", description="Which of the car's loads.", max_length=24)
    track: Track = Field(Track.DRY, title="Track", description="What is under the tyres.")
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

    @model_validator(mode="before")
    @classmethod
    def named_by_its_grip(cls, content: Any) -> Any:
        """A bare grip, as the first release wrote it, belongs to the track that leaves about as much."""
        if isinstance(content, dict) and "track" not in content and isinstance(content.get("grip"), int | float):
            grip = content["grip"]
            return content | {"track": min(_USUAL, key=lambda track: abs(_USUAL[track] - grip))}
        return content


def usual_states() -> tuple[State, ...]:
    """A sensible set to begin with."""
    return tuple(
        State(name=f"{track.word.capitalize()}, {word}", track=track, speed=speed)
        for track in (Track.DRY, Track.WET)
        for word, speed in (("slow", 15.0), ("fast", 55.0))
    )
