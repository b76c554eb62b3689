"""Boiling points, cracks and wear by hand, and lives of pads and discs against practice."""

import numpy as np
import pytest

from plimbo.core.circuits.lap import lap
from plimbo.core.documents.materials import DiscMaterial
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.friction.pad_classes import ENDURANCE, FAST_ROAD, SPRINT, STREET, PadClass
from plimbo.core.thermal.damage import DISC_WEAR, crack_ratio, disc_wear, pad_wear
from plimbo.core.thermal.fluid import FLUID_CLASSES, boiling_point, water_by_age
from plimbo.core.thermal.kernel import simulate
from tests import heat_cars as cars
from tests.reference.test_heat_set import SET

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
    # 1 + 1.5⁴, and 200 K over the window the two laws meet: 1 + 2⁴ = 1 + 8 + 4·2. At 500 K over 1 + 8 + 20.
    assert pad_wear(1e6, race, 690 + FREEZING, 540 + FREEZING) == pytest.approx(140e-9 * 6.0625)
    assert pad_wear(1e6, race, 740 + FREEZING, 540 + FREEZING) == pytest.approx(140e-9 * 17)
    assert pad_wear(1e6, race, 1040 + FREEZING, 540 + FREEZING) == pytest.approx(140e-9 * 29)
    iron, begins, step, _ = DISC_WEAR[DiscMaterial.GREY_IRON]
    assert disc_wear(1e6, iron, 1.0, 600 + FREEZING, begins, step) == pytest.approx(80e-9)
    assert disc_wear(1e6, iron, 1.0, 900 + FREEZING, begins, step) == pytest.approx(400e-9)
    assert disc_wear(1e6, iron, 2.0, 900 + FREEZING, begins, step) == pytest.approx(800e-9)


def lives(name: str, pad: PadClass, lining: float, disc: float) -> tuple[float, float]:
    """Hours that pads and discs last at the heat of the last fast laps; lining and a face of the disc to wear, m."""
    case = SET[name]
    fast = lap(case.car, cars.CIRCUITS[case.circuit], once=case.circuit == "gravel")
    run = cars.laps_profile([fast] * 10, case.share)
    trace, warm = simulate(case.corner, run.power, run.speed, run.steps), np.cumsum(run.steps) > 7 * fast.time
    energy = (run.power * run.steps)[warm] / 2 * (4.0 if case.circuit == "gravel" else 1.0)
    surfaces = [one[warm].mean(axis=1) for one in (trace.pad_surface, trace.disc_surface)]
    wears = DISC_WEAR[DiscMaterial.GREY_IRON]
    pads = np.sum(pad_wear.function(energy, pad.wear, surfaces[0], pad.high)) / case.corner.pad_area
    discs = np.sum(disc_wear.function(energy, wears.rate, 1.0, surfaces[1], wears.grows_from, wears.step))
    hours = 3 * fast.time / 3600
    return float(lining / pads * hours), float(disc / (discs / case.corner.ring_area) * hours)


# Common practice: a 640 kg racer wears two sets of pads and discs in 20 to 24 hours without ducts, pads once with; a
# heavy saloon at 800 to 1000 °C two sets of pads in a weekend of 4 hours, its discs with the second set; a road car's
# street pads are gone in a track day; a small single-seater needs one set a season; a rally buggy's pads last several
# rallies of two hours.
LIVES = [
    ("racer front, mixed", SPRINT, 0.011, 0.0006, (8, 12), (9, 14)),
    ("racer front, 76 mm hose", SPRINT, 0.011, 0.0006, (18, 26), (9, 14)),
    ("racer rear, mixed", SPRINT, 0.011, 0.0006, (18, 32), (12, 24)),
    ("saloon front, 102 mm hose", ENDURANCE, 0.017, 0.001, (1.5, 2.5), (1.8, 4)),
    ("saloon front, two 76 mm hoses", ENDURANCE, 0.017, 0.001, (1.5, 2.5), (1.8, 4)),
    ("single-seater, mixed", SPRINT, 0.011, 0.0006, (16, 30), (12, 24)),
    ("road car, eight laps", STREET, 0.008, 0.0006, (0.5, 1.5), (2.5, 6)),
    ("buggy, gravel", FAST_ROAD, 0.011, 0.0006, (8, 30), (8, 20)),
]


@pytest.mark.parametrize(("name", "pad", "lining", "disc", "of_pads", "of_discs"), LIVES)
def test_pads_and_discs_last_as_long_as_practice_says(
    name: str, pad: PadClass, lining: float, disc: float, of_pads: tuple[float, float], of_discs: tuple[float, float]
) -> None:
    pads, discs = lives(name, pad, lining, disc)
    assert of_pads[0] <= pads <= of_pads[1]
    assert of_discs[0] <= discs <= of_discs[1]


def test_a_carbon_disc_lasts_three_or_four_races() -> None:
    """Common practice: 3000 km. 38 kW a disc at 45 m/s, bulk under 650 °C, a ring of 278 mm by 50 mm, 2 mm a face."""
    wears = DISC_WEAR[DiscMaterial.CARBON_CARBON]
    gone = disc_wear(38e3 * 3e6 / 45 / 2, wears.rate, 1.0, 600 + FREEZING, wears.grows_from, wears.step)
    assert gone / (np.pi * (0.139**2 - 0.089**2)) == pytest.approx(wears.usual_limit, rel=0.15)
