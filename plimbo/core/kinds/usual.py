"""What is usual for each kind of car, tyre and wings. Common practice, from memory: only a beginning, never a fact."""

from typing import NamedTuple

from plimbo.core.documents import CarKind, Compound, DrivenAxle, Shielding
from plimbo.core.quantities.choices import Choice

INCH = 0.0254


class TyreKind(Choice):
    """The tyres that the car runs on most."""

    ROAD = "road", "road tyres"
    TRACK_DAY = "track_day", "track-day tyres"
    SLICK = "slick", "slicks"
    GRAVEL = "gravel", "gravel tyres"


class Wings(Choice):
    """How much downforce the wings make."""

    NONE = "none"
    SMALL = "small", "small: a lip and a spoiler"
    FULL = "full", "full: splitter and wing"


# Grip on dry tarmac.
GRIP = {TyreKind.ROAD: 0.95, TyreKind.TRACK_DAY: 1.10, TyreKind.SLICK: 1.35, TyreKind.GRAVEL: 1.10}
# Areas of downforce, front and rear, and what wings add to the area of drag, m².
WINGS = {Wings.NONE: (0.0, 0.0, 0.0), Wings.SMALL: (0.15, 0.25, 0.08), Wings.FULL: (0.55, 0.85, 0.25)}


class UsualAxle(NamedTuple):
    """Brakes at one wheel, m; `pistons` on one side; a solid disc has no vane gap."""

    pistons: tuple[float, ...]
    sliding: bool
    disc: float
    thickness: float
    vane_gap: float
    ring: float
    pad: tuple[float, float]


class UsualCar(NamedTuple):
    """Usual values for a kind, SI units. A tandem cylinder comes with a booster and a rear valve with this knee;
    `foot_force` is the design effort, near what locks."""

    mass: float
    front_share: float
    wheelbase: float
    cg_height: float
    tyre_radius: tuple[float, float]
    drag_area: float
    top_speed: float
    power: float
    driven: DrivenAxle
    tyres: TyreKind
    wings: Wings
    tandem: bool
    pedal_ratio: float
    bores: tuple[float, float]
    knee: float
    foot_force: float
    front: UsualAxle
    rear: UsualAxle
    compound: Compound
    friction: float
    shielding: Shielding


USUAL: dict[CarKind, UsualCar] = {
    CarKind.SALOON: UsualCar(
        mass=1150,
        front_share=0.58,
        wheelbase=2.55,
        cg_height=0.52,
        tyre_radius=(0.290, 0.290),
        drag_area=0.70,
        top_speed=54,
        power=110e3,
        driven=DrivenAxle.FRONT,
        tyres=TyreKind.TRACK_DAY,
        wings=Wings.NONE,
        tandem=True,
        pedal_ratio=4.0,
        bores=(0.9375 * INCH, 0.9375 * INCH),
        knee=0.9e6,
        foot_force=200,
        front=UsualAxle((0.054,), True, 0.280, 0.025, 0.009, 0.055, (0.050, 0.120)),
        rear=UsualAxle((0.0349,), True, 0.262, 0.010, 0.0, 0.050, (0.045, 0.090)),
        compound=Compound.FAST_ROAD,
        friction=0.42,
        shielding=Shielding.DUST_SHIELD,
    ),
    CarKind.COUPE: UsualCar(
        mass=1250,
        front_share=0.51,
        wheelbase=2.52,
        cg_height=0.46,
        tyre_radius=(0.315, 0.325),
        drag_area=0.75,
        top_speed=68,
        power=240e3,
        driven=DrivenAxle.REAR,
        tyres=TyreKind.SLICK,
        wings=Wings.SMALL,
        tandem=False,
        pedal_ratio=5.25,
        bores=(0.70 * INCH, 0.9375 * INCH),
        knee=3.0e6,
        foot_force=400,
        front=UsualAxle((0.0413, 0.0445), False, 0.355, 0.034, 0.014, 0.060, (0.054, 0.130)),
        rear=UsualAxle((0.0318, 0.0349), False, 0.320, 0.028, 0.012, 0.048, (0.046, 0.105)),
        compound=Compound.SPRINT,
        friction=0.48,
        shielding=Shielding.IN_A_WHEEL,
    ),
    CarKind.TWO_SEATER: UsualCar(
        mass=650,
        front_share=0.46,
        wheelbase=2.35,
        cg_height=0.36,
        tyre_radius=(0.275, 0.290),
        drag_area=0.60,
        top_speed=60,
        power=110e3,
        driven=DrivenAxle.REAR,
        tyres=TyreKind.SLICK,
        wings=Wings.SMALL,
        tandem=False,
        pedal_ratio=5.0,
        bores=(0.70 * INCH, 0.875 * INCH),
        knee=3.0e6,
        foot_force=400,
        front=UsualAxle((0.0381, 0.0381), False, 0.285, 0.025, 0.010, 0.050, (0.046, 0.105)),
        rear=UsualAxle((0.0318, 0.0349), False, 0.265, 0.022, 0.008, 0.046, (0.042, 0.095)),
        compound=Compound.SPRINT,
        friction=0.45,
        shielding=Shielding.IN_A_WHEEL,
    ),
    CarKind.SINGLE_SEATER: UsualCar(
        mass=520,
        front_share=0.43,
        wheelbase=2.55,
        cg_height=0.31,
        tyre_radius=(0.275, 0.290),
        drag_area=0.65,
        top_speed=62,
        power=120e3,
        driven=DrivenAxle.REAR,
        tyres=TyreKind.SLICK,
        wings=Wings.FULL,
        tandem=False,
        pedal_ratio=4.8,
        bores=(0.70 * INCH, 0.75 * INCH),
        knee=3.0e6,
        foot_force=400,
        front=UsualAxle((0.0302, 0.0381), False, 0.270, 0.020, 0.008, 0.046, (0.042, 0.090)),
        rear=UsualAxle((0.0286, 0.0318), False, 0.255, 0.016, 0.006, 0.044, (0.040, 0.085)),
        compound=Compound.SPRINT,
        friction=0.45,
        shielding=Shielding.OPEN_WHEEL,
    ),
    CarKind.PICKUP: UsualCar(
        mass=1400,
        front_share=0.58,
        wheelbase=2.85,
        cg_height=0.54,
        tyre_radius=(0.320, 0.320),
        drag_area=0.95,
        top_speed=48,
        power=125e3,
        driven=DrivenAxle.REAR,
        tyres=TyreKind.ROAD,
        wings=Wings.NONE,
        tandem=True,
        pedal_ratio=4.0,
        bores=(1.0 * INCH, 1.0 * INCH),
        knee=3.0e6,
        foot_force=220,
        front=UsualAxle((0.057,), True, 0.290, 0.025, 0.009, 0.058, (0.054, 0.130)),
        rear=UsualAxle((0.036,), True, 0.270, 0.010, 0.0, 0.052, (0.048, 0.095)),
        compound=Compound.FAST_ROAD,
        friction=0.40,
        shielding=Shielding.DUST_SHIELD,
    ),
    CarKind.BUGGY: UsualCar(
        mass=650,
        front_share=0.41,
        wheelbase=2.35,
        cg_height=0.50,
        tyre_radius=(0.300, 0.320),
        drag_area=0.90,
        top_speed=38,
        power=85e3,
        driven=DrivenAxle.REAR,
        tyres=TyreKind.GRAVEL,
        wings=Wings.NONE,
        tandem=False,
        pedal_ratio=5.0,
        bores=(0.70 * INCH, 0.70 * INCH),
        knee=3.0e6,
        foot_force=220,
        front=UsualAxle((0.0349, 0.0349), False, 0.240, 0.010, 0.0, 0.044, (0.040, 0.085)),
        rear=UsualAxle((0.0318, 0.0318), False, 0.235, 0.010, 0.0, 0.044, (0.040, 0.085)),
        compound=Compound.FAST_ROAD,
        friction=0.40,
        shielding=Shielding.OPEN_WHEEL,
    ),
}
