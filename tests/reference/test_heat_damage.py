"""Boiling points, cracks and wear by hand."""

import pytest

from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.thermal.damage import crack_ratio, disc_wear, pad_wear
from plimbo.core.thermal.fluid import FLUID_CLASSES, boiling_point, water_by_age

WATER = 0, 0.5, 1, 1.5, 2, 3, 3.7, 5
# °C over the water in %, by hand; dry and wet are the least of FMVSS 116, from memory.
BOILING = {
    "dot_3": (205, 186, 171, 161, 154, 144, 140, 136),
    "dot_4": (230, 208, 191, 179, 171, 160, 155, 150),
    "dot_5_1": (260, 236, 219, 206, 197, 185, 180, 175),
    "race": (310, 277, 253, 236, 223, 207, 200, 193),
}


@pytest.mark.parametrize("name", BOILING)
def test_a_fluid_boils_sooner_the_more_water_it_holds(name: str) -> None:
    dry, wet, _ = FLUID_CLASSES[name]
    found = [boiling_point(dry, wet, water / 100) - FREEZING for water in WATER]
    assert found == pytest.approx(BOILING[name], abs=1.0)
    assert found == sorted(found, reverse=True)
    falls = [
        (before - after) / (more - less)
        for before, after, less, more in zip(found, found[1:], WATER, WATER[1:], strict=False)
    ]
    assert falls == sorted(falls, reverse=True), "steep at first"


def test_two_years_in_a_car() -> None:
    assert water_by_age(2.0) == pytest.approx(0.03)


def test_iron_cracks_by_the_surface_and_not_by_the_mean() -> None:
    """1.70 MPa each kelvin: ratio 1 at 129 K (grey iron 105 GPa, 12e-6/K, 0.26, 220 MPa)."""
    assert crack_ratio(105e9, 12e-6, 129.2, 0.26, 220e6) == pytest.approx(1.0, abs=0.002)
    assert crack_ratio(105e9, 12e-6, 1.0, 0.26, 220e6) * 220 == pytest.approx(1.70, abs=0.01)
    assert crack_ratio(105e9, 12e-6, 0.0, 0.26, 220e6) == 0


def test_wear_grows_fast_above_the_window() -> None:
    race = 140e-15  # m³/J, 140 mm³/MJ
    assert pad_wear(1e6, race, 800.0, 540 + FREEZING) == pytest.approx(140e-9)
    assert pad_wear(1e6, race, 640 + FREEZING, 540 + FREEZING) == pytest.approx(280e-9)
    assert disc_wear(1e6, 600 + FREEZING) == pytest.approx(80e-9)
    assert disc_wear(1e6, 900 + FREEZING) == pytest.approx(400e-9)
