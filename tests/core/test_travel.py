"""Travel of the pedal: the fluid balance by hand, energy, stiffness in series, and what many setups at once say."""

import math

import pytest
from hypothesis import given, settings

from plimbo.core import Car, Setup, analyse_hydraulics, assess
from plimbo.core.braking.pedal_at_push import knock_back_at_pedal
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.hydraulics.travel import pedal_travel
from plimbo.core.quantities.axles import AXLES
from plimbo.core.questions.analyse_hydraulics import StateHydraulics
from plimbo.core.stepping.stock import BORES
from plimbo.core.working.inputs import PLAIN
from tests import strategies, w1
from tests.built import chain_of


def looked_at(setup: Setup, car: Car = w1.CAR) -> StateHydraulics:
    return analyse_hydraulics(car, setup, [w1.STATIC], with_working=False).states[0]


def at(setup: Setup, front: float, rear: float):  # type: ignore[no-untyped-def]
    """The pedal at these pressures, bar."""
    return pedal_travel(brake_system(setup, PLAIN), (front * 1e5, rear * 1e5), PLAIN)


def test_the_volumes_of_the_front_circuit_by_hand() -> None:
    """50 bar on 38.1 + 41.3 mm pistons, 2479.77 mm² a side.

    Gap 4 · 2479.77 · 0.12 = 1190.3 mm³. Calipers 2 · 12 · 50 = 1200 mm³. Braided hose, 1 m: 4 · 1 · 50 = 200 mm³.
    Held: lines π/4·3.2²·3500 = 28 148.7, pistons 4 · 2479.77 · 6 = 59 514.5, half the cylinder 248.287 · 28/2 = 3476.0:
    91 139.2 mm³. Fluid 91 139.2 · 5/1700 = 268.06 mm³. In all 2858.36 mm³ over 248.287 mm² and 1.2 mm dead: 12.7124 mm.
    """
    answer = at(w1.SETUP, 50, 40).front
    mm3 = {name: getattr(answer, name) * 1e9 for name in ("gap", "calipers", "hoses", "fluid", "air", "volume")}
    assert mm3["gap"] == pytest.approx(1190.3, abs=0.05)
    assert mm3["calipers"] == pytest.approx(1200, abs=1e-6)
    assert mm3["hoses"] == pytest.approx(200, abs=1e-6)
    assert mm3["fluid"] == pytest.approx(268.06, abs=0.01)
    assert mm3["air"] == 0
    assert mm3["volume"] == pytest.approx(2858.36, abs=0.1)
    assert answer.stroke * 1e3 == pytest.approx(12.712, abs=1e-3)


def test_fixed_and_sliding_calipers_of_equal_area_and_gap_take_the_same_fluid() -> None:
    """A fixed caliper moves pistons on both sides by the gap, a sliding one its one side by two."""
    fixed, sliding = (
        at(w1.SETUP.patched({"front.caliper.mounting": kind}), 50, 40).front for kind in ("fixed", "sliding")
    )
    for part in ("gap", "calipers", "hoses"):
        assert getattr(fixed, part) == getattr(sliding, part)
    # What differs is the fluid behind the pistons, on two sides or on one: 2 · 2479.77 · 6 = 29 757.2 mm³ of it, in all
    # 61 381.9 mm³, of which 50 bar take 180.53 mm³.
    assert sliding.fluid * 1e9 == pytest.approx(180.53, abs=0.01)
    assert fixed.fluid * 1e9 == pytest.approx(268.06, abs=0.01)


def test_the_bar_weighs_the_strokes_and_the_pedal_multiplies_them() -> None:
    setup = w1.SETUP.patched({"balance_bar.offset": 0.004})
    answer = at(setup, 50, 40)
    front, rear = answer.front.stroke, answer.rear.stroke
    share = 0.5 + 4 / 64
    assert answer.rod == pytest.approx(share * front + (1 - share) * rear)
    assert answer.pedal == pytest.approx(5.0 * answer.rod)
    assert answer.tilt == pytest.approx(math.atan((front - rear) / 0.064))


def test_the_pedal_goes_further_as_a_bore_gets_smaller() -> None:
    travels = [at(w1.SETUP.patched({"front.master_cylinder.bore": bore}), 50, 40).pedal for bore in BORES]
    assert travels == sorted(travels, reverse=True)
    # But for the dead stroke it goes with one over the area.
    dead = 0.5 * 5.0 * (w1.SETUP.front.master_cylinder.dead_stroke)
    rear = 0.5 * 5.0 * at(w1.SETUP, 50, 40).rear.stroke
    lean = w1.SETUP.patched({"front.caliper.pad_gap": 0.0, "front.master_cylinder.stroke": 0.003})
    strokes = [at(lean.patched({"front.master_cylinder.bore": bore}), 50, 40).pedal - dead - rear for bore in BORES[:2]]
    assert strokes[0] / strokes[1] == pytest.approx((BORES[1] / BORES[0]) ** 2, rel=2e-3)


@pytest.mark.parametrize("tandem", [False, True])
@pytest.mark.parametrize("offset", [0.0, 0.005])
def test_the_foot_does_the_work_that_the_fluid_takes(tandem: bool, offset: float) -> None:
    """No gain from nothing: without losses and play, ∫F ds at the pedal is Σ∫p dV in both circuits."""
    changes = {
        "pedal.efficiency": 1.0,
        "balance_bar.offset": offset,
        "fluid.air": 0.01,
        "split": "tandem" if tandem else "bar",
    }
    setup = w1.SETUP.patched(changes)
    chain = chain_of(w1.CAR, setup)
    foot_work = fluid_work = 0.0
    before = pedal_travel(chain.system, (0.0, 0.0), PLAIN)
    steps = 2000
    for step in range(1, steps + 1):
        part = step / steps
        pressures = chain.front.pressure * part, chain.rear.pressure * part
        now = pedal_travel(chain.system, pressures, PLAIN)
        middle = part - 0.5 / steps
        foot_work += chain.foot_force * middle * (now.pedal - before.pedal)
        fluid_work += chain.front.pressure * middle * (now.front.volume - before.front.volume)
        fluid_work += chain.rear.pressure * middle * (now.rear.volume - before.rear.volume)
        before = now
    assert foot_work == pytest.approx(fluid_work, rel=1e-9)


def test_pressure_for_a_newton_times_travel_for_a_volume_is_the_same_for_every_lever_and_bore() -> None:
    """What a ratio or a bore gains in pressure it takes in travel."""
    products = []
    for ratio in (4.0, 6.0):
        for bore in BORES:
            cylinder = {f"{end}.master_cylinder.bore": bore for end in ("front", "rear")}
            setup = w1.SETUP.patched(cylinder | {"pedal.ratio": ratio, "pedal.efficiency": 1.0})
            chain = chain_of(w1.CAR, setup)
            gain = chain.front.pressure / chain.foot_force
            low, high = at(setup, 30, 30), at(setup, 60, 60)
            volume = high.front.volume + high.rear.volume - low.front.volume - low.rear.volume
            products.append(gain * volume / (high.pedal - low.pedal))
    assert products == pytest.approx([1.0] * len(products))


def test_the_stiffness_of_the_whole_is_the_series_of_its_parts() -> None:
    """Springs in a row: with a part's give at the pedal for each newton as 1/c, 1/c = Σ 1/cᵢ."""
    answer = looked_at(w1.SETUP)
    push = answer.lock.foot_force - answer.light.foot_force
    gives = [
        (getattr(getattr(answer.lock, end), part) - getattr(getattr(answer.light, end), part)) / push
        for end in ("front", "rear")
        for part in ("dead", "gap", "calipers", "hoses", "fluid", "air")
    ]
    assert 1 / answer.stiffness == pytest.approx(sum(gives))
    assert answer.lock.pedal == pytest.approx(
        sum(
            getattr(getattr(answer.lock, end), part)
            for end in ("front", "rear")
            for part in ("dead", "gap", "calipers", "hoses", "fluid", "air")
        )
    )


def test_knock_back_and_worn_pads() -> None:
    answer = looked_at(w1.SETUP)
    chain = chain_of(w1.CAR, w1.SETUP)
    back = 2 * chain.front.piston_area * w1.SETUP.front.disc.run_out / chain.front.cylinder_area
    assert answer.lock.front.knock_back == pytest.approx(back * 0.5 * 5.0)
    held = looked_at(w1.SETUP.patched({"front.caliper.retention": "anti_knock_back"}))
    assert held.lock.front.knock_back == pytest.approx(0.3 * answer.lock.front.knock_back)
    # Pads worn from 12 to 3 mm: 9 mm more fluid behind every piston, so more of it to compress.
    more = sum(
        0.5 * 5.0 * 4 * end.piston_area * 0.009 * pressure / 1.7e9 / end.cylinder_area
        for end, pressure in ((chain.front, answer.lock.front.pressure), (chain.rear, answer.lock.rear.pressure))
    )
    assert answer.lock.worn - answer.lock.pedal == pytest.approx(more)


def test_improvements_are_worth_what_fitting_them_shows() -> None:
    setup = w1.SETUP.patched({"front.lines.hose": "rubber", "fluid.air": 0.01})
    answer = analyse_hydraulics(w1.CAR, setup, [w1.STATIC], with_working=False)
    assert {one.title for one in answer.improvements} >= {"Braided hoses, front", "Bleed the air out"}
    for one in answer.improvements:
        after = looked_at(setup.patched(one.patch))
        assert one.travel == pytest.approx(after.lock.pedal - answer.states[0].lock.pedal)
        assert one.foot_force == pytest.approx(after.lock.foot_force - answer.states[0].lock.foot_force)
    assert [one.after_knock_back for one in answer.improvements] == sorted(
        one.after_knock_back for one in answer.improvements
    )


@settings(max_examples=40, deadline=None)
@given(strategies.cars(), strategies.actuated_setups())
def test_the_verdict_sees_the_same_pedal_as_the_close_look(car: Car, setup: Setup) -> None:
    """Many setups at once on arrays, one setup with its working: the same numbers."""
    verdict = next(one for one in assess(car, setup, with_working=False).verdicts if one.key == "travel")
    answer = analyse_hydraulics(car, setup)
    hardest = next(one for one in answer.states if one.state == answer.hardest)
    back = sum(knock_back_at_pedal(chain_of(car, setup), axle) for axle in AXLES)
    assert verdict.number.value == pytest.approx(hardest.lock.worn + back, rel=1e-9)
    assert (verdict.state, verdict.condition) == (hardest.state, "pads due")
    fresh = setup.patched({f"{end}.pad.thickness": 0.003 for end in ("front", "rear")})
    fresh = fresh.patched({f"{end}.disc.run_out": 0.0 for end in ("front", "rear")})
    left = next(one for one in assess(car, fresh, with_working=False).verdicts if one.key == "travel").margin.value
    least = min((hardest.lock.front, hardest.lock.rear), key=lambda end: end.left / (end.left + end.stroke))
    assert left == pytest.approx(least.left, rel=1e-6, abs=1e-9)


def word(setup: Setup) -> str:
    return next(one.word for one in assess(w1.CAR, setup, with_working=False).verdicts if one.key == "travel")


def test_the_words_of_the_travel_verdict_at_their_edges() -> None:
    assert word(w1.SETUP) == "Travel holds"
    assert word(w1.SETUP.patched({"front.caliper.compliance": 3e-12})) == "Out of stroke"
    assert word(w1.SETUP.patched({"pedal.room": 0.04})) == "Meets the floor"
    assert word(w1.SETUP.patched({"pedal.room": 0.07})) == "Long pedal"
    assert word(w1.SETUP.patched({"rear.caliper.rating": 2e6})) == "Past its rating"
    margin = next(one for one in assess(w1.CAR, w1.SETUP).verdicts if one.key == "travel").margin.value
    for part, answer in ((0.9, "Out of stroke"), (1.1, "Little stroke left"), (1.3, "Travel holds")):
        stroke = {"front.master_cylinder.stroke": part * (0.028 - margin)}
        assert word(w1.SETUP.patched(stroke)) == answer
    assert word(w1.SETUP.patched({"front.master_cylinder.stroke": 0.08, "front.caliper.compliance": 6e-13})) in (
        "Bar tilts",
        "Bar tilts over",
        "Meets the floor",
    )
    assert word(w1.SETUP.patched({"pedal.room": 0.085})) == "Floor with one circuit failed"


def test_a_residual_valve_and_springs_are_spoken_of() -> None:
    changes = {
        "front.caliper.retention": "residual",
        "rear.caliper.hand": "alike",
        "front.caliper.pistons": [0.0413, 0.0381],
        "front.pad.letter": "D",
    }
    answer = analyse_hydraulics(w1.CAR, w1.SETUP.patched(changes), [w1.STATIC], with_working=False)
    words = " ".join(remark.text.shown() for remark in answer.remarks)
    for part in ("drag and heat", "bleed screws stand below", "small piston leads", "0.45 is letter F"):
        assert part in words
    assert analyse_hydraulics(w1.CAR, w1.SETUP, [w1.STATIC], with_working=False).remarks == ()


def test_knock_back_goes_by_how_caliper_and_disc_are_built() -> None:
    """Common practice has the order: fixed on one piece, fixed on a floating ring, sliding on one piece; the shares are
    Plimbo's own.
    """

    def knocked(mounting: str, bell: str, retention: str = "none") -> float:
        built = {"mounting": mounting, "retention": retention}
        patch = {f"front.caliper.{name}": value for name, value in built.items()}
        setup = w1.SETUP.patched(patch | {"front.disc.bell": bell})
        return analyse_hydraulics(w1.CAR, setup, [w1.STATIC], with_working=False).states[0].lock.front.knock_back

    worst, floating, sliding = (
        knocked(*built) for built in (("fixed", "one_piece"), ("fixed", "floating"), ("sliding", "one_piece"))
    )
    assert worst > floating > sliding > knocked("sliding", "floating") > 0
    assert (floating / worst, sliding / worst) == (pytest.approx(0.6), pytest.approx(0.4))
    for held in ("anti_knock_back", "residual", "return_limiting"):
        assert knocked("fixed", "one_piece", held) == pytest.approx(0.3 * worst)
    setup = w1.SETUP.patched({"front.caliper.mounting": "sliding", "front.disc.bell": "floating"})
    steps = analyse_hydraulics(w1.CAR, setup, [w1.STATIC]).states[0].steps
    assert {"Knock-back of a sliding caliper", "Knock-back of a floating ring"} <= {step.name for step in steps}
