"""The quasi-steady lap against closed forms of mechanics, and whole laps against another model."""

import math

import pytest

from plimbo.core.circuits.lap import LapCar, LapSection, fastest, lap
from plimbo.core.vehicle.loads import GRAVITY
from tests.heat_cars import CIRCUITS, RACING

# The car of the closed forms has no rotating mass and no rolling resistance, in air of 1.2 kg/m³.
BARE = RACING._replace(rotating=0.0, rolling=0.0, air_density=1.2)


def test_a_circle_takes_all_the_grip() -> None:
    """`v² = μ·g·r/(1 − μ·ρ·ClA·r/2m)`; against the air a little of the grip has to push."""
    still = BARE._replace(drag_area=0.0)
    lifted = 1 - 1.25 * 1.2 * 1.4 * 60 / (2 * 640)
    assert math.sqrt(fastest(still, 1 / 60)) == pytest.approx(math.sqrt(1.25 * GRAVITY * 60 / lifted), abs=1e-3)
    assert math.sqrt(fastest(still, 1 / 60)) == pytest.approx(28.562, abs=0.001)
    assert math.sqrt(fastest(still._replace(lift_area=0.0), 1 / 60)) == pytest.approx(27.120, abs=0.001)
    # With drag, m·v²/r and D are the sides of a right angle whose hypotenuse is the grip.
    drag, lift = 0.5 * 1.2 * 0.7, 0.5 * 1.2 * 1.4
    square = 1.25 * 640 * GRAVITY / (math.hypot(640 / 60, drag) - 1.25 * lift)
    assert math.sqrt(fastest(BARE, 1 / 60)) == pytest.approx(math.sqrt(square), abs=0.001)
    assert fastest(still, 1 / 620) > 1e8, "above 609.5 m downforce grows faster than the bend asks"


def test_a_straight_with_all_the_power() -> None:
    """`v³ = v_T³ − (v_T³ − v_0³)·e^(−3Ps/(m·v_T³))` without downforce and limit of traction: 20 m/s, then 400 m."""
    car = BARE._replace(lift_area=0.0, traction=9.0, friction=9.0)
    top = (2 * car.power / (car.air_density * car.drag_area)) ** (1 / 3)
    assert top == pytest.approx(62.996, abs=0.001)
    # A bend that is driven at 20 m/s before it: its radius by the same friction.
    slow = car._replace(friction=20.0**2 / (GRAVITY * 60.0))
    assert math.sqrt(fastest(slow._replace(drag_area=0.0), 1 / 60)) == pytest.approx(20.0, abs=1e-3)
    for grid, off in ((4.0, 0.003), (1.0, 0.001)):
        ended = lap(car, [LapSection(3000.0)], once=True, grid=grid)
        speed = next(v for v in ended.at_nodes if v >= 20.0)
        place = list(ended.at_nodes).index(speed)
        after = float(ended.at_nodes[place + round(400 / grid)])
        exact = (top**3 - (top**3 - speed**3) * math.exp(-3 * car.power * 400 / (car.mass * top**3))) ** (1 / 3)
        assert after == pytest.approx(exact, abs=off)


def test_braking_from_55_to_25() -> None:
    """`a = A + B·v²`: the way `ln((A + Bv₁²)/(A + Bv₂²))/2B` is 73.642 m, the tyres take 713.64 kJ."""
    a, b = 1.25 * GRAVITY, (1.25 * 0.5 * 1.2 * 1.4 + 0.5 * 1.2 * 0.7) / 640
    way = math.log((a + b * 55**2) / (a + b * 25**2)) / (2 * b)
    assert way == pytest.approx(73.642, abs=0.001)
    bend = 25.0**2
    # A bend that lets 25 m/s through, at the end of a long straight.
    radius = next(r / 100 for r in range(2000, 9000) if fastest(BARE, 100 / r) >= bend)
    trace = lap(BARE._replace(power=500e3), [LapSection(3000.0), LapSection(40.0, radius)], once=True, grid=0.5)
    end = next(at for at in range(len(trace.lengths)) if trace.lengths[: at + 1].sum() >= 3000.0 - 1e-6)
    begin = max(at for at in range(end) if trace.at_nodes[at] >= 55.0)
    braked = float(trace.lengths[begin : end + 1].sum())
    assert braked == pytest.approx(way, abs=0.6)
    work = float((trace.brake_forces * trace.lengths)[begin : end + 1].sum())
    assert work == pytest.approx(713.64e3, rel=0.01)


@pytest.mark.parametrize(
    ("name", "seconds", "joules"),
    [("mixed", 79.41, 3.297e6), ("tight", 77.37, 2.426e6), ("fast", 81.87, 2.985e6), ("hill", 59.56, 2.129e6)],
)
def test_whole_laps(name: str, seconds: float, joules: float) -> None:
    """Of another model, converged; on a grid of 2 m within 0.2 s and 0.5 %, and finer ones come nearer."""
    driven = lap(RACING, CIRCUITS[name], once=name == "hill")
    assert driven.time == pytest.approx(seconds, abs=0.2)
    assert driven.brake_energy == pytest.approx(joules, rel=0.006)
    fine = lap(RACING, CIRCUITS[name], once=name == "hill", grid=0.5)
    assert fine.time == pytest.approx(seconds, abs=0.1)
    assert fine.time == pytest.approx(lap(RACING, CIRCUITS[name], once=name == "hill", grid=0.25).time, abs=0.03)
    assert fine.brake_energy == pytest.approx(joules, rel=0.008)


def test_more_power_and_more_grip_are_faster_and_a_lap_closes() -> None:
    base = lap(RACING, CIRCUITS["mixed"])
    assert base.at_nodes[0] == pytest.approx(base.at_nodes[-1], rel=0.01)
    assert lap(RACING._replace(power=130e3), CIRCUITS["mixed"]).time < base.time
    assert lap(RACING._replace(friction=1.35), CIRCUITS["mixed"]).time < base.time
    assert lap(RACING.at_pace(0.85), CIRCUITS["mixed"]).time > base.time
    assert isinstance(RACING, LapCar)
