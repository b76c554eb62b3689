"""The documents of the job: frozen, validated, SI inside, each field with its unit, bounds, usual range and help."""

from typing import Literal

from plimbo.core.documents.car import Car, Driver, State, Tyre
from plimbo.core.documents.materials import DiscMaterial, PadMaterial
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

# Rises when an older Plimbo could misread a document.
FORMAT_VERSION: Literal[1] = 1

__all__ = [
    "FORMAT_VERSION",
    "AxleBrake",
    "BalanceBar",
    "Caliper",
    "CaliperMounting",
    "Car",
    "Disc",
    "DiscMaterial",
    "Driver",
    "MasterCylinder",
    "Pad",
    "PadMaterial",
    "Pedal",
    "RadiusSchool",
    "Setup",
    "State",
    "Tyre",
]
