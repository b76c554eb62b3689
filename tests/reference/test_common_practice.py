"""Facts of the trade: common practice, with no source to name."""

import pytest

from plimbo.core import Setup, analyse_hydraulics, assess
from plimbo.core.documents import ProportioningValve, RadiusMethod
from plimbo.core.friction import caliper
from plimbo.core.hydraulics import actuation
from plimbo.core.stepping.stock import BORES
from tests import w1

MM2 = 1e-6


def judged(setup: Setup):  # type: ignore[no-untyped-def]
    return assess(w1.CAR, setup, [w1.STATIC], with_working=False).states[0]


@pytest.mark.parametrize(("ratio", "pounds"), [(6, 600), (7, 700)])
def test_a_hundred_pounds_on_the_pedal(ratio: float, pounds: float) -> None:
    """6:1 turns 100 lbf into 600, 7:1 into 700."""
    assert actuation.rod_force(100.0, ratio, 1.0) == pytest.approx(pounds)


def test_only_piston_area_counts() -> None:
    """One 57 mm piston, a 38 and 42 mm pair about one percent less, a 42 mm pair 8.6 % more."""
    one = caliper.piston_area(0.057)
    assert one / MM2 == pytest.approx(2551.8, abs=0.05)
    assert caliper.piston_area(0.038, 0.042) / one - 1 == pytest.approx(-0.0126, abs=0.00005)
    assert caliper.piston_area(0.042, 0.042) / one - 1 == pytest.approx(0.086, abs=0.0005)


def test_stock_bores_and_their_areas() -> None:
    """5/8, 0.70, 3/4, 13/16, 7/8, 15/16, 1 and 1 1/8 in, as the shelf has them."""
    areas = (197.9, 248.3, 285.0, 334.5, 387.9, 445.3, 506.7, 641.3)
    assert [bore * 1e3 for bore in BORES] == pytest.approx(
        [15.875, 17.78, 19.05, 20.638, 22.225, 23.812, 25.4, 28.575], abs=0.001
    )
    assert [actuation.bore_area(bore) / MM2 for bore in BORES] == pytest.approx(list(areas), abs=0.05)


def test_fixed_and_sliding_calipers_of_the_same_area_clamp_the_same() -> None:
    fixed = judged(w1.SETUP.patched({"front.caliper.mounting": "fixed"}))
    sliding = judged(w1.SETUP.patched({"front.caliper.mounting": "sliding"}))
    assert fixed.front.has.clamp == sliding.front.has.clamp


def test_equal_cylinders_on_a_centred_bar_make_equal_pressures() -> None:
    answer = judged(w1.SETUP.patched({"rear.master_cylinder.bore": 0.01778}))
    assert answer.front.has.pressure == pytest.approx(answer.rear.has.pressure)
    assert answer.pressure_share == pytest.approx(0.5)


@pytest.mark.parametrize("millimetres", [1, 4, 12])
def test_the_clevis_nearer_to_the_bearing_gets_more(millimetres: float) -> None:
    centred = judged(w1.SETUP)
    forward = judged(w1.SETUP.patched({"balance_bar.offset": millimetres / 1000}))
    rearward = judged(w1.SETUP.patched({"balance_bar.offset": -millimetres / 1000}))
    assert forward.front.has.pressure > centred.front.has.pressure > rearward.front.has.pressure
    assert forward.rear.has.pressure < centred.rear.has.pressure < rearward.rear.has.pressure
    # What one clevis gains the other loses.
    assert forward.front.has.cylinder_force + forward.rear.has.cylinder_force == pytest.approx(1900)


def test_a_smaller_bore_raises_pressure_by_the_ratio_of_areas() -> None:
    small = judged(w1.SETUP.patched({"front.master_cylinder.bore": 0.015875}))
    assert small.front.has.pressure / judged(w1.SETUP).front.has.pressure == pytest.approx((17.78 / 15.875) ** 2)
    assert small.rear.has.pressure == judged(w1.SETUP).rear.has.pressure


def test_rain_moves_the_ideal_rearward_and_so_does_a_lower_car() -> None:
    dry, wet = (assess(w1.CAR, w1.SETUP, [state]).states[0].ideal_share for state in (w1.STATIC, w1.WET))
    lower = assess(w1.CAR.model_copy(update={"cg_height": 0.30}), w1.SETUP, [w1.STATIC]).states[0].ideal_share
    assert wet < dry
    assert lower < dry


def test_bigger_front_brakes_alone_can_make_the_stop_longer() -> None:
    """A car already front first stops longer with more front brake."""
    sound = w1.SETUP.patched({"rear.master_cylinder.bore": BORES[4]})
    bigger = sound.patched({"front.disc.outer_diameter": 0.32})
    assert judged(sound).first == "front"
    assert judged(bigger).stop.distance > judged(sound).stop.distance + 1


def test_disc_less_half_pad_is_the_tape_measure() -> None:
    answer = judged(
        w1.SETUP.patched({"front.pad.inset": 0.002}).model_copy(update={"radius_method": RadiusMethod.HALF_PAD})
    )
    assert answer.front.has.effective_radius == pytest.approx(0.142 - 0.024)


def test_valves_have_six_positions_and_a_slope_of_about_a_half() -> None:
    valve = ProportioningValve(kind="lever")
    assert len(valve.positions) == 6
    assert valve.slope == 0.5


def test_braided_hoses_make_the_pedal_shorter_and_harder_and_nothing_else() -> None:
    rubber = w1.SETUP.patched({f"{end}.lines.hose": "rubber" for end in ("front", "rear")})
    braided, soft = (analyse_hydraulics(w1.CAR, setup, [w1.STATIC]).states[0] for setup in (w1.SETUP, rubber))
    assert braided.lock.pedal < soft.lock.pedal
    assert braided.stiffness > soft.stiffness
    assert braided.lock.foot_force == soft.lock.foot_force
    assert judged(rubber).first_deceleration == judged(w1.SETUP).first_deceleration


def test_a_bigger_piston_needs_less_push_and_more_travel_a_smaller_cylinder_likewise() -> None:
    """Force and way trade against each other at every joint; who changes one looks at the other."""
    now = analyse_hydraulics(w1.CAR, w1.SETUP, [w1.STATIC]).states[0].lock
    for changes in (
        {"front.caliper.pistons": [0.0413, 0.0445], "rear.caliper.pistons": [0.0381, 0.0381]},
        {"front.master_cylinder.bore": 0.015875, "rear.master_cylinder.bore": 0.01778},
        {"pedal.ratio": 6.0},
    ):
        then = analyse_hydraulics(w1.CAR, w1.SETUP.patched(changes), [w1.STATIC]).states[0].lock
        assert then.foot_force < now.foot_force
        assert then.pedal > now.pedal


def test_air_makes_a_spongy_pedal_and_most_of_it_at_light_braking() -> None:
    airy = w1.SETUP.patched({"fluid.air": 0.02})
    result = analyse_hydraulics(w1.CAR, airy, [w1.STATIC]).states[0]
    clean = analyse_hydraulics(w1.CAR, w1.SETUP, [w1.STATIC]).states[0]
    assert result.light.front.air > 0.9 * result.lock.front.air > 0
    assert result.lock.pedal > clean.lock.pedal + 0.005


def test_without_its_booster_a_road_car_wants_far_more_foot() -> None:
    boosted = w1.SETUP.patched({"split": "tandem", "booster.fitted": True, "booster.run_out": 5000.0})
    plain = boosted.patched({"booster.fitted": False})
    assert judged(plain).first_foot_force == pytest.approx(4 * judged(boosted).first_foot_force)
    assert judged(plain).first == judged(boosted).first


def test_a_bar_wound_toward_one_end_and_equal_areas_of_other_sizes_change_no_road() -> None:
    """Turning the bar and changing cylinders so that the pressures keep their ratio is the same balance."""
    turned = w1.SETUP.patched(
        {"balance_bar.offset": 0.008, "rear.master_cylinder.bore": 0.01905 * (0.375 / 0.625) ** 0.5}
    )
    assert judged(turned).pressure_share == pytest.approx(judged(w1.SETUP).pressure_share)
    assert judged(turned).first_deceleration == pytest.approx(judged(w1.SETUP).first_deceleration)
