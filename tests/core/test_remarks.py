"""What a second pair of eyes says of how the parts go together, each at its field; and nothing where all is well."""

from typing import Any

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import Car, Setup, analyse_hydraulics, assess, find_mends, mend_heat
from plimbo.core.quantities.axles import Axle
from plimbo.core.vehicle.tyre_size import read_size, rim_of
from tests import w1

CURVE = [{"temperature": 300.0, "friction": 0.30}, {"temperature": 900.0, "friction": 0.30}]


SIZED = w1.CAR.patched({"front_tyre.size": "195/50 R15", "rear_tyre.size": "195/50 R15"})


@pytest.mark.parametrize(
    ("rim", "disc", "fits"),
    [
        ("195/50 R15", 0.400, False),
        ("165/70 R12", 0.500, False),
        # Common practice, without the caliper's outline: 266 mm in a 13 in rim, 316 mm in 15 in.
        ("175/70 R13", 0.265, True),
        ("175/70 R13", 0.266, False),
        ("195/50 R15", 0.316, True),
        ("195/50 R15", 0.317, False),
    ],
)
def test_a_disc_that_does_not_go_into_the_rim_is_told_with_its_numbers(rim: str, disc: float, fits: bool) -> None:
    remarks = answer(w1.SETUP.patched({"front.disc.outer_diameter": disc}), w1.CAR.patched({"front_tyre.size": rim}))
    words = remarks.get("setup.front.disc.outer_diameter", "")
    assert ("does not go" in words) is not fits
    if not fits:
        assert f"disc of {1e3 * disc:.0f} mm" in words


# From memory of common sizes, with a loaded radius that is 15 mm less than the free one.
@pytest.mark.parametrize("size", ["195/50 R15", "205/55 R16", "225/45 R17", "180/550 R13", "200/580 R15", "165/70 R12"])
def test_without_a_size_the_radius_suggests_the_rim_to_an_inch(size: str) -> None:
    read = read_size(size)
    free = (read.diameter or read.rim + 2 * read.width * (read.aspect or 0.0)) / 2
    plain = w1.CAR.patched({"front_tyre.loaded_radius": free - 0.015, "front_tyre.deflection": 0.015}).front_tyre
    assert rim_of(plain).given is False
    assert rim_of(plain).diameter == pytest.approx(read.rim, abs=0.0255)
    remarks = answer(w1.SETUP.patched({"front.disc.outer_diameter": 0.45}))
    assert remarks["setup.front.disc.outer_diameter"].startswith("The front tyre has no size.")


@pytest.mark.parametrize("size", ["175/60 R13", ""])
def test_no_advice_wants_a_disc_that_does_not_go_into_the_rim(size: str) -> None:
    car = CARS[0][0].patched({"front_tyre.size": size, "rear_tyre.size": size})
    small = {"front.disc.outer_diameter": 0.255, "rear.disc.outer_diameter": 0.255, "front.disc.thickness": 0.018}
    hot = CARS[0][1][0].patched(small)
    patches = [mend.patch for advice in find_mends(car, hot).advice for mend in advice.mends]
    patches += [mend.patch for mend in mend_heat(car, hot, car.sessions[0].patched({"fast_laps": 3})).mends]
    for axle in Axle:
        found = [patch[path] for patch in patches for path in patch if path.endswith(f"{axle}.disc.outer_diameter")]
        assert max(found, default=0.0) <= rim_of(car.tyre(axle)).largest_disc


@pytest.mark.parametrize(
    ("changes", "path"),
    [
        ({"front.master_cylinder.bore": 0.008}, "setup.front.master_cylinder.bore"),
        ({"rear.master_cylinder.bore": 0.040}, "setup.rear.master_cylinder.bore"),
        ({"split": "tandem", "tandem.bore": 0.0085}, "setup.tandem.bore"),
    ],
)
def test_what_nobody_makes_is_told(changes: dict[str, Any], path: str) -> None:
    assert "Nobody makes" in answer(w1.SETUP.patched(changes))[path]


def test_a_state_faster_than_the_car_is_told() -> None:
    assert not any(path.startswith("car.states") for path in answer(w1.SETUP))
    slow = w1.CAR.patched({"top_speed": 30.0})
    states = {path: words for path, words in answer(w1.SETUP, slow).items() if path.startswith("car.states")}
    assert states
    assert all("faster than the car's 108 km/h" in words for words in states.values())


# What changes more than a word.
WITH_NUMBERS = {
    *("rear.caliper.pistons", "rear.caliper.retention", "front.caliper.retention", "front.pad.friction_curve"),
    *("valve.kind", "split"),
}


def answer(setup: Setup, car: Car = w1.CAR) -> dict[str, str]:
    work = analyse_hydraulics(car, setup, [w1.STATIC], with_working=False)
    return {remark.path: remark.text.shown() for remark in work.remarks}


@pytest.mark.parametrize(
    ("changes", "path", "words"),
    [
        ({"rear.caliper.pistons": [0.036, 0.0349]}, "setup.rear.caliper.pistons", "the small piston leads"),
        ({"front.caliper.hand": "alike"}, "setup.front.caliper.hand", "the pistons face the wrong way"),
        ({"rear.caliper.hand": "alike"}, "setup.rear.caliper.hand", "air stays in."),
        ({"rear.caliper.retention": "anti_knock_back"}, "setup.rear.caliper.retention", "discs run warmer"),
        ({"front.caliper.retention": "residual"}, "setup.front.caliper.retention", "drag and heat"),
        ({"front.pad.letter": "G"}, "setup.front.pad.letter", "letter G on the edge, but 0.45 is letter F"),
        (
            {"front.pad.letter": "F", "front.pad.friction_curve": CURVE},
            "setup.front.pad.letter",
            "letter F on the edge, but 0.30 is letter E",
        ),
        (
            {"front.pad.compound": "sprint", "rear.pad.compound": "road"},
            "setup.rear.pad.compound",
            "sprint in front and road behind: the two ends warm up differently",
        ),
        ({"valve.kind": "screw", "valve.knee": 1e6}, "setup.valve.kind", "A valve and a bar both set the balance"),
        (
            {"split": "tandem", "valve.kind": "screw", "valve.knee": 1.5e7},
            "setup.valve.knee",
            "under the knee of 150.0 bar: the valve does nothing yet",
        ),
        (
            {"split": "tandem", "booster.fitted": True},
            "setup.booster.run_out",
            "the booster has run out, at 189 N of foot",
        ),
    ],
)
def test_each_remark_stands_at_its_field(changes: dict[str, Any], path: str, words: str) -> None:
    setup = w1.SETUP.patched(changes)
    assert words in answer(setup)[path]
    # A word, no verdict: a setup is judged by its numbers, and what only a word is about has none.
    if not changes.keys() & WITH_NUMBERS:
        judged, before = (assess(w1.CAR, one, with_working=False).verdicts for one in (setup, w1.SETUP))
        assert judged == before
    else:
        assert analyse_hydraulics(w1.CAR, setup, w1.STATIC) != analyse_hydraulics(w1.CAR, w1.SETUP, w1.STATIC)


def test_a_bar_before_a_stock_anti_lock_is_spoken_of_and_a_sound_setup_is_not() -> None:
    kept = Car.model_validate(w1.CAR.model_dump() | {"original": {"anti_lock": True}})
    assert "never tuned it for two pressures" in answer(w1.SETUP, kept)["setup.split"]
    assert "setup.split" not in answer(w1.SETUP.patched({"split": "tandem"}), kept)
    assert answer(w1.SETUP) == {}


def test_carbon_says_that_it_does_not_bite_in_the_wet_whatever_is_driven() -> None:
    remarks = answer(w1.SETUP.patched({"rear.disc.material": "carbon_carbon"}))
    assert remarks["setup.rear.disc.material"] == (
        "The rear carbon-carbon bites neither wet nor cold: have iron discs for rain."
    )
    assert "setup.front.disc.material" not in remarks
