"""The documents of the job: frozen, validated, SI inside, each field with its unit, bounds, usual range and help."""

from typing import Literal

from plimbo.core.documents.actuation import (
    BalanceBar,
    Booster,
    MasterCylinder,
    Pedal,
    PedalMounting,
    Split,
)
from plimbo.core.documents.air import Air
from plimbo.core.documents.axle_brake import AxleBrake
from plimbo.core.documents.caliper import BodyMaterial, Caliper, CaliperMounting, Hand, PistonMaterial, Retention
from plimbo.core.documents.car import Car, CarKind
from plimbo.core.documents.circuit import BrakingZone, Circuit, CircuitSection, LaidOutBy
from plimbo.core.documents.cooling import Cooling, Shielding
from plimbo.core.documents.disc import BellMounting, Disc, VaneShape
from plimbo.core.documents.disc_reading import DiscReading, Face, ReadingKind
from plimbo.core.documents.doubt import Doubt
from plimbo.core.documents.driving import DrivenAxle, Driver, TrialStop
from plimbo.core.documents.duct import (
    Aim,
    Duct,
    DuctChecks,
    DuctPiece,
    Flange,
    Mouth,
    Opening,
    OpeningPlace,
    PieceKind,
    Wall,
)
from plimbo.core.documents.handbrake import Handbrake
from plimbo.core.documents.hydraulics import Fluid, FluidKind, HoseKind, Lines
from plimbo.core.documents.limits import Limits
from plimbo.core.documents.loading import AS_WEIGHED, Loading, LoadItem, LoadState
from plimbo.core.documents.materials import DiscMaterial, PadMaterial
from plimbo.core.documents.measured import LoggedStop, Measured, MeasuredDownforce, Scales, Weighing
from plimbo.core.documents.original import Original, OriginalAxle
from plimbo.core.documents.pad import Compound, FrictionLetter, FrictionPoint, Pad
from plimbo.core.documents.session import Session
from plimbo.core.documents.setup import RadiusMethod, Setup
from plimbo.core.documents.state import State, Surface, SurfaceGrip, usual_states
from plimbo.core.documents.tyre import Tyre
from plimbo.core.documents.valve import ProportioningValve, ValveKind

# Increased when an older Plimbo could not read a document, or could misread it. In format 1 a setup's `radius_method`
# was called `radius_school`. In format 2 the duct of an axle was one number, the air that it brings. In format 3 no
# value was marked as unconfirmed, and that an anti-lock system is kept was said of the car.
FORMAT_VERSION: Literal[7] = 7

__all__ = [
    "AS_WEIGHED",
    "FORMAT_VERSION",
    "Aim",
    "Air",
    "AxleBrake",
    "BalanceBar",
    "BellMounting",
    "BodyMaterial",
    "Booster",
    "BrakingZone",
    "Caliper",
    "CaliperMounting",
    "Car",
    "CarKind",
    "Circuit",
    "CircuitSection",
    "Compound",
    "Cooling",
    "Disc",
    "DiscMaterial",
    "DiscReading",
    "Doubt",
    "DrivenAxle",
    "Driver",
    "Duct",
    "DuctChecks",
    "DuctPiece",
    "Face",
    "Flange",
    "Fluid",
    "FluidKind",
    "FrictionLetter",
    "FrictionPoint",
    "Hand",
    "Handbrake",
    "HoseKind",
    "LaidOutBy",
    "Limits",
    "Lines",
    "LoadItem",
    "LoadState",
    "Loading",
    "LoggedStop",
    "MasterCylinder",
    "Measured",
    "MeasuredDownforce",
    "Mouth",
    "Opening",
    "OpeningPlace",
    "Original",
    "OriginalAxle",
    "Pad",
    "PadMaterial",
    "Pedal",
    "PedalMounting",
    "PieceKind",
    "PistonMaterial",
    "ProportioningValve",
    "RadiusMethod",
    "ReadingKind",
    "Retention",
    "Scales",
    "Session",
    "Setup",
    "Shielding",
    "Split",
    "State",
    "Surface",
    "SurfaceGrip",
    "TrialStop",
    "Tyre",
    "ValveKind",
    "VaneShape",
    "Wall",
    "Weighing",
    "usual_states",
]
