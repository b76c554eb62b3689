"""Invented corners for the tests of heat, from a light single-seater to a heavy saloon."""

from collections.abc import Sequence

from plimbo.core.circuits.lap import Lap, LapCar, LapSection
from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.friction.disc_materials import DISC_CURVES, DiscMaterialCurve
from plimbo.core.thermal.corner import CaliperParts, Corner, CornerSurroundings, PadParts, Ring, corner_of
from plimbo.core.thermal.power_profile import PowerProfile, PowerSegment, joined, power_profile, profile_of_lap

# As heavy as in the independent model that these cases were worked out with.
IRON = DISC_CURVES[DiscMaterial.GREY_IRON]._replace(density=7150)
RACE = 3.5, 2800.0, 900.0
STREET = 0.9, 2200.0, 1050.0
IN_A_WHEEL = CornerSurroundings(0.8, 0.6, 0.0)

RACER = corner_of(
    Ring(0.140, 0.092, 0.026, 0.010, 36, 0.005, 0.40, IRON, 0.283),
    PadParts(60e-4, 0.014, *RACE),
    CaliperParts((0.0381, 0.0413), 0.003, 45.0, 2.2 * 900, 0.080),
    "floating",
    IN_A_WHEEL,
)
SALOON = corner_of(
    Ring(0.1975, 0.138, 0.036, 0.016, 60, 0.005, 0.45, IRON, 0.33),
    PadParts(90e-4, 0.020, *RACE),
    CaliperParts((0.030, 0.034, 0.038), 0.003, 45.0, 4.2 * 900, 0.14),
    "floating",
    IN_A_WHEEL,
)
SINGLE_SEATER = corner_of(
    Ring(0.125, 0.082, 0.020, 0.007, 36, 0.005, 0.40, IRON, 0.27),
    PadParts(42e-4, 0.014, *RACE),
    CaliperParts((0.036, 0.036), 0.003, 45.0, 1.6 * 900, 0.06),
    "floating",
    CornerSurroundings(1.0, 1.0, 0.0),
)


RACER_REAR = corner_of(
    Ring(0.130, 0.088, 0.022, 0.008, 36, 0.005, 0.40, IRON, 0.295),
    PadParts(45e-4, 0.014, *RACE),
    CaliperParts((0.036, 0.036), 0.003, 45.0, 1.8 * 900, 0.080),
    "floating",
    CornerSurroundings(0.8, 0.6, 10.0),
)
ROAD = corner_of(
    Ring(0.141, 0.090, 0.023, 0.008, 36, 0.005, 0.35, IRON, 0.30),
    PadParts(48e-4, 0.010, *STREET),
    CaliperParts((0.054,), 0.003, 45.0, 4.0 * 480, 0.075, sliding=True),
    "one_piece",
    CornerSurroundings(0.4, 0.6, 0.0),
)
BUGGY = corner_of(
    Ring(0.130, 0.085, 0.010, 0.0, 0, 0.0, 0.0, IRON, 0.31),
    PadParts(40e-4, 0.014, 2.5, 2700.0, 900.0),
    CaliperParts((0.036, 0.036), 0.003, 45.0, 1.8 * 900, 0.080),
    "floating",
    CornerSurroundings(1.0, 0.7, 0.0),
)


def slab(cheek: float, *, conductivity: float = 48.0, density: float = 7200.0, heat: float = 500.0) -> Corner:
    """Two cheeks without vanes whose faces keep all their friction: a slab that is insulated in its middle."""
    constant = DiscMaterialCurve(density, conductivity, 0.0, heat, 0.0, 0.0, 5000.0, 0.0, 100, 230, "a test's own")
    corner = corner_of(
        Ring(0.140, 0.092, 2 * cheek, 0.0, 0, 0.0, 0.0, constant, 0.283),
        PadParts(60e-4, 0.014, 1e-9, 2800.0, 900.0),
        CaliperParts((0.0381, 0.0413), 0.003, 45.0, 2.2 * 900, 0.080),
        "floating",
        IN_A_WHEEL,
    )
    return corner._replace(face_area=1e-9, ring_to_bell=0.0)


RACING = LapCar(640.0, 105e3, 0.70, 1.4, 1.25)

SALOON_CAR = LapCar(1400.0, 420e3, 1.0, 1.0, 1.35)
SINGLE_SEATER_CAR = LapCar(480.0, 80e3, 0.75, 1.6, 1.4)
ROAD_CAR = LapCar(1200.0, 95e3, 0.70, 0.0, 1.0)
BUGGY_CAR = LapCar(650.0, 80e3, 0.9, 0.0, 0.55, rolling=0.05, engine_braking=350.0)


def circuit(*pieces: float | tuple[float, float]) -> list[LapSection]:
    """Straights by their length, bends by length and radius, m."""
    return [LapSection(*piece) if isinstance(piece, tuple) else LapSection(piece) for piece in pieces]


CIRCUITS = {
    "mixed": circuit(
        540, (80, 44), 210, (60, 31), 310, (90, 72), 180, (50, 27), 490, (80, 50), 180, (65, 33), 280, (100, 64)
    ),
    "tight": circuit(
        170, (90, 22), 120, (80, 18), 190, (85, 24), 130, (90, 20), 210, (80, 19), 120, (95, 18), 150, (90, 22)
    ),
    "fast": circuit(820, (110, 42), 480, (120, 80), 300, (90, 36), 760, (100, 40), 330, (120, 90)),
    "gravel": circuit(*(150, (40, 18), 120, (60, 30), 90, (35, 12), 200, (50, 25), 130, (45, 15), 160, (60, 40)) * 4),
    "hill": circuit(180, (45, 22), 150, (60, 30), 220, (40, 14), 130, (70, 40), 200, (50, 18), 160, (60, 35), 140),
}


def laps_profile(laps: Sequence[Lap], share: float, parked: float = 0.0) -> PowerProfile:
    """The power of one corner over these laps, then parked, s; `share` is its axle's share of the brake force.

    6 % of the work is lost as slip of the tyres.
    """
    run = joined([profile_of_lap(lap) for lap in laps])
    run = run._replace(power=run.power * (share / 2 * (1 - 0.06)))
    return joined([run, power_profile([PowerSegment(parked, 0.0, 0.0)])]) if parked else run
