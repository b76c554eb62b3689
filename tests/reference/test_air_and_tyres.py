"""The standard atmosphere against its table and a reference library; tyre sizes by hand."""

import re

import pytest
from fluids.atmosphere import ATMOSPHERE_1976

from plimbo.core import Car, State, assess, evaluate_measurements
from plimbo.core.vehicle import air
from plimbo.core.vehicle.tyre_size import ImpossibleSize, read_size
from tests import w1


@pytest.mark.parametrize(
    ("altitude", "pressure", "temperature", "density"),
    [(0, 101325, 288.15, 1.2250), (1000, 89874.6, 281.65, 1.1116), (2000, 79495.2, 275.15, 1.0065)],
)
def test_standard_atmosphere(altitude: float, pressure: float, temperature: float, density: float) -> None:
    """U.S. Standard Atmosphere 1976, tables (from memory), and the same as the `fluids` library carries it."""
    answer = air.standard_pressure(altitude)
    assert answer == pytest.approx(pressure, rel=2e-5)
    assert air.air_density(answer, temperature) == pytest.approx(density, abs=0.00006)
    # The library works with geopotential height, slightly less than the height above the sea.
    library = ATMOSPHERE_1976(altitude)
    assert answer == pytest.approx(library.P, rel=2e-4)
    assert air.air_density(answer, library.T) == pytest.approx(library.rho, rel=2e-4)


def test_a_hot_day_at_altitude_thins_the_air_that_a_state_sees() -> None:
    def density(altitude: float, temperature: float, **state: float) -> float:
        car = Car.model_validate(w1.CAR.model_dump() | {"air": {"altitude": altitude, "temperature": temperature}})
        return assess(car, w1.SETUP, [State(name="drawn", speed=40, **state)], with_working=False).states[0].air.density

    assert density(0, 288.15) == pytest.approx(1.225, abs=0.0005)
    # By hand: 79 495 Pa over 287.05 · 308.15 K.
    assert density(2000, 308.15) == pytest.approx(0.8987, abs=0.0005)
    assert density(2000, 308.15, air_density=1.1) == 1.1


@pytest.mark.parametrize(
    ("text", "free_radius"),
    [
        # 15 in rim: 190.5 mm, and half of 195 mm.
        ("195/50 R15", 0.2880),
        # Race sizes give the overall diameter: half of 550 mm.
        ("180/550 R13", 0.2750),
        # Half of 20.0 in.
        ("20.0 x 8.0 - 13", 0.2540),
        # 16 in rim: 203.2 mm, and 0.55 of 225 mm.
        ("225/55 ZR16 95W", 0.32695),
        ("P205/60R15", 0.3135),
        ("195/50r15", 0.2880),
        # Half of 31 in.
        ("31x10.5R15", 0.3937),
        ("165/70 R10", 0.2425),
    ],
)
def test_free_and_loaded_radius_by_hand(text: str, free_radius: float) -> None:
    """The sidewall is width times aspect ratio on half the rim's diameter; 1 in is 25.4 mm."""
    tyre = w1.CAR.front_tyre.model_copy(update={"size": text, "deflection": 0.012})
    answer = evaluate_measurements(w1.CAR.model_copy(update={"front_tyre": tyre})).front_tyre
    assert answer.free_radius == pytest.approx(free_radius, abs=1e-6)
    assert answer.loaded_radius == pytest.approx(free_radius - 0.012, abs=1e-6)
    assert answer.takes == {"front_tyre.loaded_radius": pytest.approx(free_radius - 0.012, abs=5e-5)}


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("tall ones", "is not a tyre size. Type it as it stands on the sidewall"),
        ("195", "is not a tyre size"),
        ("195/50 R99", "A rim of 99 in is not made: it runs from 8 to 24."),
        ("195/5 R15", "is not a tyre size"),
        ("195/150 R15", "A sidewall of 150 % of the width is not made"),
        ("40/50 R15", "A width of 40 mm is not made"),
        ("180/300 R13", "A tyre 11.8 in high does not go on a 13 in rim"),
        ("12.0 x 8.0 - 13", "A tyre 12.0 in high does not go on a 13 in rim"),
        ("195/50 R150", "is not a tyre size"),
    ],
)
def test_nonsense_on_a_sidewall_is_told(text: str, words: str) -> None:
    with pytest.raises(ImpossibleSize, match=re.escape(words[:40])):
        read_size(text)
    tyre = w1.CAR.rear_tyre.model_copy(update={"size": text})
    answer = evaluate_measurements(w1.CAR.model_copy(update={"rear_tyre": tyre})).rear_tyre
    assert words in answer.complaints[0].message.shown()
    assert answer.complaints[0].path == "car.rear_tyre.size"
    assert (answer.loaded_radius, answer.takes) == (None, {})
