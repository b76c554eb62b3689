"""Invented corners for the tests of heat, from a light single-seater to a heavy saloon."""

from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.thermal.corner import CaliperParts, Corner, PadParts, Place, Ring, corner_of
from plimbo.core.thermal.materials import DISC_CURVES, DiscMaterialCurve

IRON = DISC_CURVES[DiscMaterial.GREY_IRON]
RACE = 3.5, 2800.0, 900.0
STREET = 0.9, 2200.0, 1050.0
IN_A_WHEEL = Place(0.8, 0.6, 0.0)

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
    Place(1.0, 1.0, 0.0),
)


def slab(cheek: float, *, conductivity: float = 48.0, density: float = 7200.0, heat: float = 500.0) -> Corner:
    """Two cheeks without vanes whose faces keep all their friction: a slab that is insulated in its middle."""
    constant = DiscMaterialCurve(density, conductivity, 0.0, heat, 0.0, 0.0, 5000.0, 0.0, "a test's own")
    corner = corner_of(
        Ring(0.140, 0.092, 2 * cheek, 0.0, 0, 0.0, 0.0, constant, 0.283),
        PadParts(60e-4, 0.014, 1e-9, 2800.0, 900.0),
        CaliperParts((0.0381, 0.0413), 0.003, 45.0, 2.2 * 900, 0.080),
        "floating",
        IN_A_WHEEL,
    )
    return corner._replace(face_area=1e-9, ring_to_bell=0.0)
