"""The reasons that a user reads, with their numbers in the user's units."""

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import Assessment, Car, Setup, assess, find_mends
from plimbo.core.quantities.units import UnitSystem
from plimbo.core.stepping.stock import BORES
from plimbo.core.verdicts.matter import Verdict
from tests import w1

SOUND = w1.SETUP.patched({"rear.master_cylinder.bore": BORES[4]})


def verdict(setup: Setup, key: str, car: Car = w1.CAR) -> Verdict:
    return next(one for one in assess(car, setup, with_working=False).verdicts if one.key == key)


def test_rear_first_names_the_worst_state_and_both_decelerations() -> None:
    answer = verdict(w1.SETUP, "lock_order")
    assert answer.state == "Dry, slow"
    assert answer.reason.shown() == (
        "Dry, slow: the rear locks at 1.23 g, the front would hold to 1.51 g. The car can spin."
    )
    assert answer.margin.value is not None
    assert answer.margin.value / 9.80665 == pytest.approx(0.28, abs=0.005)
    assert answer.margin_words == "rears lock too early by"


def test_a_sound_setup_says_what_the_balance_costs_in_metres_or_feet() -> None:
    answer = verdict(SOUND, "lock_order")
    stop = next(one for one in assess(w1.CAR, SOUND).states if one.state.name == "Wet, fast").stop
    assert answer.reason.shown().startswith(
        f"Front first in every state. Wet, fast uses 78.5 % of the grip: {stop.lost:.1f} m longer than ideal from"
        f" {w1.CAR.top_speed * 3.6:.0f} km/h to {w1.CAR.stop_to_speed * 3.6:.0f} km/h."
    )
    assert f"{stop.lost / 0.3048:.1f} ft longer" in answer.reason.shown(UnitSystem.IMPERIAL)
    # 78.5 % is under four fifths: the bar is set for that day.
    assert (answer.word, answer.level) == ("Front locks first", "good")
    assert "turn the bar" in answer.reason.text


def test_within_the_tolerance_of_the_pads_the_front_is_first_only_just() -> None:
    # The rear cylinder between two sizes, so that the rear locks just after the front.
    setup = w1.SETUP.patched({"rear.master_cylinder.bore": 0.0215})
    answer = verdict(setup, "lock_order")
    assert (answer.word, answer.level) == ("Front first, just", "watch")
    assert answer.reason.shown().startswith("Dry, slow: if the rear pads bite 5 % more than the front's")
    surer = setup.model_copy(update={"pad_tolerance": 0.0})
    assert verdict(surer, "lock_order").word != "Front first, just"


def test_too_much_front_even_at_its_best() -> None:
    answer = verdict(w1.SETUP.patched({"rear.master_cylinder.bore": BORES[5]}), "lock_order")
    assert (answer.word, answer.level) == ("Too much front", "watch")
    assert answer.reason.shown().startswith("The fronts do too much in every state.")
    assert find_mends(w1.CAR, w1.SETUP.patched({"rear.master_cylinder.bore": BORES[5]})).advice[0].key == "lock_order"


def test_a_push_too_light_to_feel() -> None:
    document = SOUND.model_dump()
    document["pedal"]["ratio"] = 12
    document["front"]["master_cylinder"]["bore"] = document["rear"]["master_cylinder"]["bore"] = BORES[0]
    answer = verdict(Setup.model_validate(document), "leg")
    assert (answer.word, answer.level) == ("Very light", "watch")
    assert "too light to feel" in answer.reason.text
    assert answer.margin.value is not None
    assert answer.margin.value < 0


@pytest.mark.parametrize(
    ("material", "limit"), [("grey_iron", 230), ("steel", 200), ("carbon_ceramic", 400), ("carbon_carbon", 600)]
)
def test_heat_knows_what_each_material_takes(material: str, limit: float) -> None:
    setup = SOUND.patched({"front.disc.material": material, "rear.disc.material": material})  # type: ignore[dict-item]
    answer = verdict(setup, "heat")
    assert answer.reason.values["limit"].value == limit
    assert answer.number.value is not None
    assert answer.margin.value == pytest.approx(limit - answer.number.value)
    assert "One stop, no cooling: no laps driven." in answer.reason.text
    assert answer.level != "good", "one stop is not a session"


def test_a_light_disc_is_mended_with_a_heavier_one() -> None:
    setup = SOUND.patched({"front.disc.thickness": 0.012, "front.disc.vane_gap": 0.004})
    answer = verdict(setup, "heat")
    assert answer.level != "good"
    advice = next(one for one in find_mends(w1.CAR, setup).advice if one.key == "heat")
    (part,) = advice.mends[0].parts
    assert part.joint == "front.disc"
    assert part.after > part.before


def hottest_of_all(answer: Assessment) -> float:
    """The rise of the hottest disc in any state, K, by the numbers of the states."""
    return max(getattr(state, axle).disc.temperature_rise for state in answer.states for axle in ("front", "rear"))


@pytest.mark.parametrize(("car", "setup"), [(car, setup) for car, setups in CARS for setup in setups])
def test_one_stop_counts_every_state(car: Car, setup: Setup) -> None:
    """All discs of the demo are of grey iron, so the hottest is the one nearest to its limit."""
    answer = assess(car, setup, with_working=False)
    heat = next(one for one in answer.verdicts if one.key == "heat")
    assert heat.number.value == pytest.approx(hottest_of_all(answer))
    assert heat.number_signed


def test_a_limiting_valve_loads_the_rear_disc_most_where_there_is_least_grip() -> None:
    car, (stock, *_) = CARS[1]
    limited = stock.patched(
        {"valve.knee": 25e5, "valve.slope": 0.0, "rear.disc.thickness": 0.006, "front.disc.thickness": 0.036}
    )
    answer = assess(car, limited, with_working=False)
    heat = next(one for one in answer.verdicts if one.key == "heat")
    wet = next(one for one in answer.states if one.state.name == heat.state)
    energies = {one.state.name: one.rear.disc.energy for one in answer.states}
    assert wet.state.track == "wet"
    assert energies[wet.state.name] == max(energies.values())
    assert heat.number.value == pytest.approx(wet.rear.disc.temperature_rise)
