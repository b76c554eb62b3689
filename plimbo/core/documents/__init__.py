"""The documents of the job: frozen, validated, SI inside, each field with its unit, bounds, usual range and help."""

from typing import Literal

from plimbo.core.documents.car import Air, Car
from plimbo.core.documents.doubt import Doubt
from plimbo.core.documents.driving import DrivenAxle, Driver, TrialStop
from plimbo.core.documents.loading import AS_WEIGHED, Loading, LoadItem, LoadState
from plimbo.core.documents.materials import DiscMaterial, PadMaterial
from plimbo.core.documents.measured import LoggedStop, Measured, MeasuredDownforce, Scales, Weighing
from plimbo.core.documents.parts import (
    AxleBrake,
    BalanceBar,
    Caliper,
    CaliperMounting,
    Disc,
    MasterCylinder,
    Pad,
    Pedal,
)
from plimbo.core.documents.setup import RadiusSchool, Setup
from plimbo.core.documents.state import State, Track, TrackGrip, usual_states
from plimbo.core.documents.tyre import Tyre

# Rises when an older Plimbo could misread a document.
FORMAT_VERSION: Literal[1] = 1

__all__ = [
    "AS_WEIGHED",
    "FORMAT_VERSION",
    "Air",
    "AxleBrake",
    "BalanceBar",
    "Caliper",
    "CaliperMounting",
    "Car",
    "Disc",
    "DiscMaterial",
    "Doubt",
    "DrivenAxle",
    "Driver",
    "LoadItem",
    "LoadState",
    "Loading",
    "LoggedStop",
    "MasterCylinder",
    "Measured",
    "MeasuredDownforce",
    "Pad",
    "PadMaterial",
    "Pedal",
    "RadiusSchool",
    "Scales",
    "Setup",
    "State",
    "Track",
    "TrackGrip",
    "TrialStop",
    "Tyre",
    "Weighing",
    "usual_states",
]
