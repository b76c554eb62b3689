"""A car from nothing: what is usual for its kind, marked, follows what is given, and is listed as still to measure."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from plimbo.core import (
    Car,
    CarKind,
    DrivenAxle,
    Setup,
    Split,
    TyreKind,
    Wings,
    assess,
    begin_car,
    copy_car,
    estimate_uncertainty,
    follow_given,
    rank_unmeasured,
)
from plimbo.core.quantities.axles import AXLES
from plimbo.core.quantities.differences import differences
from plimbo.core.quantities.fields import nested
from plimbo.core.quantities.titles import title_at
from plimbo.core.stepping.stock import squares
from plimbo.core.vehicle.tyre_size import read_size, rim_of
from tests import w1

KINDS = pytest.mark.parametrize("kind", list(CarKind))
SALOON = begin_car("Teal", CarKind.SALOON)


def after_following(car: Car, setup: Setup, **values: object) -> tuple[Car, Setup]:
    """With these values given, `__` for a dot, as the workbench does it."""
    raw = {"car": car.model_dump(), "setup": setup.model_dump()}

    def put(path: str, value: object) -> dict[str, object]:
        *parents, name = path.split(".")
        place = raw
        for part in parents:
            place = place[int(part)] if part.isdigit() else place[part]  # type: ignore[index]
        place[name] = value  # type: ignore[assignment]
        return place

    for path, value in values.items():
        place = put(path.replace("__", "."), value)
        name = path.rpartition("__")[2]
        place["unconfirmed"] = tuple(one for one in place["unconfirmed"] if one != name)  # type: ignore[attr-defined]
    for path, value in follow_given(raw["car"], raw["setup"]).changes.items():
        put(path, value)
    return Car.model_validate(raw["car"]), Setup.model_validate(raw["setup"])


@KINDS
def test_a_car_of_a_kind_is_whole_and_every_size_of_it_is_to_be_confirmed(kind: CarKind) -> None:
    new = begin_car("Teal", kind)
    answer = assess(new.car, new.setup, with_working=False)
    # Usual sizes are no bad beginning, in what the leg holds and how far the pedal goes.
    levels = {verdict.key: verdict.level for verdict in answer.verdicts}
    assert levels["leg"] != "bad"
    assert levels["travel"] != "bad"
    for path in ("car.mass", "car.front_share", "car.wheelbase", "car.cg_height", "car.front_tyre.friction"):
        assert path in answer.assumptions
    for end in ("front", "rear"):
        assert f"setup.{end}.caliper.pistons" in answer.assumptions
        assert f"setup.{end}.disc.outer_diameter" in answer.assumptions
    assert new.setup.name != "Stock"


@KINDS
@pytest.mark.parametrize("tyres", list(TyreKind))
@pytest.mark.parametrize("wings", list(Wings))
def test_no_new_car_begins_red(kind: CarKind, tyres: TyreKind, wings: Wings) -> None:
    """Whatever is said of it: what is amber has a reason that is the car's own, such as its wings in the wet."""
    new = begin_car("Teal", kind, None, tyres, wings)
    verdicts = assess(new.car, new.setup, with_working=False).verdicts
    assert [f"{one.title}: {one.word}" for one in verdicts if one.level == "bad"] == []
    assert estimate_uncertainty(new.car, new.setup).worst.rear_first < 0.45
    for axle in AXLES:
        assert new.setup.brake(axle).disc.outer_diameter <= rim_of(new.car.tyre(axle)).largest_disc


# Reviewed on 1 December 2026: each kind on its usual tyres, its verdicts that are not good.
REVIEWED = {
    # Soft sliding calipers and rubber hoses on a tandem cylinder: the pedal is long once pads are due.
    CarKind.SALOON: {"lock_order": "Front first, in doubt", "travel": "Long pedal", "heat": "Disc near its limit"},
    CarKind.COUPE: {"lock_order": "Front first, in doubt"},
    # What wings press onto the tyres in the dry is missing in the wet: the bar is set for it.
    CarKind.TWO_SEATER: {},
    CarKind.SINGLE_SEATER: {},
    CarKind.PICKUP: {},
    CarKind.BUGGY: {},
}


@KINDS
def test_what_is_said_of_a_new_car_is_what_was_reviewed(kind: CarKind) -> None:
    new = begin_car("Teal", kind)
    verdicts = {one.key: one for one in assess(new.car, new.setup, with_working=False).verdicts}
    verdicts["lock_order"] = estimate_uncertainty(new.car, new.setup).verdict
    assert {key: one.word for key, one in verdicts.items() if one.level in ("watch", "bad")} == REVIEWED[kind]


@KINDS
def test_a_new_car_is_pushed_near_what_locks_it(kind: CarKind) -> None:
    new = begin_car("Teal", kind)
    hardest = max(state.first_foot_force for state in assess(new.car, new.setup, with_working=False).states)
    assert 0.75 < new.car.driver.foot_force / hardest < 1.25


def test_a_boosted_car_has_what_road_cars_have() -> None:
    setup = SALOON.setup
    assert 0.015 <= setup.tandem.stroke <= 0.020
    assert setup.front.lines.hose == setup.rear.lines.hose == "rubber"
    assert setup.front.caliper.compliance == pytest.approx(
        2 * begin_car("T", CarKind.COUPE).setup.front.caliper.compliance
    )


@KINDS
@pytest.mark.parametrize("share", [0.65, 0.85, 1.2, 1.5])
def test_assumed_brakes_follow_the_mass_and_the_wheelbase_with_a_word(kind: CarKind, share: float) -> None:
    new = begin_car("Teal", kind)
    car, setup = after_following(new.car, new.setup, car__mass=new.car.mass * share, car__wheelbase=2.6)
    areas = [squares(one.front.caliper.pistons) for one in (new.setup, setup)]
    assert areas[1] / areas[0] == pytest.approx(share, rel=0.12)
    answer = assess(car, setup, with_working=False)
    # No disc is taken to be thicker than 40 mm: a coupé of nearly two tonnes would have larger ones.
    assert {one.word for one in answer.verdicts if one.level == "bad"} <= ({"Disc too light"} if share > 1.4 else set())
    raw = new.car.patched({"mass": new.car.mass * share}).model_dump()
    words = follow_given(raw, new.setup.model_dump()).brakes
    assert words is not None
    assert words.shown().startswith("The assumed brakes follow the car's weight and wheelbase: front pistons")
    # Sizes that are given stay, and so does a copied car.
    mine = new.setup.patched({"front.caliper.pistons": (0.04,)})
    found = follow_given(raw, mine.model_dump()).changes
    assert "setup.front.caliper.pistons" not in found
    assert ("setup.front.disc.thickness" in found) == (abs(share - 1) > 0.1)
    copied = copy_car(new.car, [new.setup], "Other")
    heavier = copied.car.patched({"mass": new.car.mass * share}).model_dump()
    assert follow_given(heavier, copied.setups[0].model_dump()).brakes is None


def test_an_assumed_disc_follows_the_rim_that_is_typed() -> None:
    car, setup = after_following(SALOON.car, SALOON.setup, car__front_tyre__size="175/70 R13")
    assert setup.front.disc.outer_diameter == pytest.approx(0.265)
    assert "outer_diameter" in setup.front.disc.unconfirmed
    assess(car, setup, with_working=False)
    given = SALOON.setup.patched({"front.disc.outer_diameter": 0.280})
    _, kept = after_following(SALOON.car, given, car__front_tyre__size="175/70 R13")
    assert kept.front.disc.outer_diameter == 0.280


def test_what_is_said_of_the_car_is_used() -> None:
    new = begin_car("Teal", CarKind.SALOON, DrivenAxle.REAR, TyreKind.SLICK, Wings.FULL)
    assert new.car.driven_axle is DrivenAxle.REAR
    assert new.car.front_tyre.friction == 1.35
    assert new.car.rear_lift_area > new.car.front_lift_area > 0
    # With wings every track counts slow and fast.
    assert len(new.car.states) == 4
    assert begin_car("Teal", CarKind.BUGGY).car.states[0].track == "gravel"


def test_a_value_that_is_given_is_no_longer_marked_in_list_nor_working() -> None:
    heavier = SALOON.car.patched({"mass": 1180.0})
    assert "mass" not in heavier.unconfirmed
    assert "cg_height" in heavier.unconfirmed
    answer = assess(heavier, SALOON.setup)
    assert "car.mass" not in answer.assumptions
    marked = {step.name: step.assumption for state in answer.states for step in state.steps if step.assumption}
    assert any("Height of the centre of gravity" in name for name in marked)
    assert not any(name == "Mass" for name in marked)


def test_what_nobody_gave_follows_what_somebody_gave() -> None:
    # Two big pistons are longer than the pad that was assumed.
    _, setup = after_following(SALOON.car, SALOON.setup, setup__front__caliper__pistons=(0.066, 0.066))
    assert setup.front.pad.length == pytest.approx(0.142)
    # A pad that was given is left alone, and what does not go with it is refused at its field.
    with pytest.raises(ValidationError, match="pistons side by side"):
        after_following(
            SALOON.car,
            SALOON.setup,
            setup__front__pad__length=0.1,
            setup__front__caliper__pistons=(0.066, 0.066),
        )
    _, high = after_following(SALOON.car, SALOON.setup, setup__rear__pad__height=0.058)
    assert high.rear.disc.ring_height == pytest.approx(0.062)
    _, thick = after_following(SALOON.car, SALOON.setup, setup__rear__disc__thickness=0.022)
    assert thick.rear.disc.vane_gap == pytest.approx(0.008)
    _, thin = after_following(SALOON.car, SALOON.setup, setup__front__disc__thickness=0.010)
    assert thin.front.disc.vane_gap == 0


def test_a_tyre_size_brings_its_radius_until_that_is_measured() -> None:
    car, _ = after_following(SALOON.car, SALOON.setup, car__front_tyre__size="195/50 R15")
    size = read_size("195/50 R15")
    assert car.front_tyre.loaded_radius == pytest.approx(size.rim / 2 + 0.5 * size.width - 0.015, abs=1e-4)
    measured = SALOON.car.patched({"front_tyre.loaded_radius": 0.291})
    kept, _ = after_following(measured, SALOON.setup, car__front_tyre__size="195/50 R15")
    assert kept.front_tyre.loaded_radius == 0.291


def test_a_slow_car_still_stops_and_its_fast_states_follow() -> None:
    new = begin_car("Teal", CarKind.TWO_SEATER)
    car, _ = after_following(new.car, new.setup, car__top_speed=15.0)
    assert car.stop_to_speed < 15
    assert max(state.speed for state in car.states) <= 15


@settings(max_examples=120, deadline=None)
@given(
    st.sampled_from(list(CarKind)),
    st.floats(0.03, 0.066),
    st.integers(1, 3),
    st.floats(0.20, 0.40),
    st.floats(0.006, 0.036),
)
def test_any_sensible_size_typed_into_a_new_car_is_taken(
    kind: CarKind, piston: float, count: int, disc: float, thickness: float
) -> None:
    """The pad's length need not be known before the caliper's pistons."""
    new = begin_car("Teal", kind)
    car, setup = after_following(
        new.car,
        new.setup,
        setup__front__caliper__pistons=(piston,) * count,
        setup__front__disc__outer_diameter=disc,
        setup__front__disc__thickness=thickness,
    )
    assert setup.front.caliper.pistons == (piston,) * count
    assert setup.front.disc.outer_diameter == disc
    assess(car, setup, with_working=False)


@pytest.mark.parametrize(
    "raw",
    [{}, {"car": 3}, {"front_tyre": "x", "states": 4}, {"states": [None, {"unconfirmed": 7}], "top_speed": 1e300}],
)
def test_nonsense_is_left_for_the_documents_to_refuse(raw: dict[str, object]) -> None:
    assert follow_given(raw, {"front": [], "rear": {"caliper": {"pistons": [None, "x"]}}}).changes == {}


def test_only_what_is_a_value_of_the_document_can_be_marked() -> None:
    with pytest.raises(ValidationError, match="There is no value 'colour' here"):
        SALOON.car.patched({"front_tyre": {"unconfirmed": ("friction", "colour")}})


def test_still_to_measure_tells_what_matters_first_by_how_far_it_moves_the_lock_order() -> None:
    result = rank_unmeasured(SALOON.car, SALOON.setup)
    effects = [one.effect or 0.0 for one in result.items]
    assert effects == sorted(effects, reverse=True)
    known = {one.path: one for one in result.items}
    assert set(known) == set(assess(SALOON.car, SALOON.setup, with_working=False).assumptions)
    # The effect is what a tenth more or less does, worked out on its own.
    height = known["car.cg_height"]

    def spare(car: Car) -> float:
        answer = assess(car, SALOON.setup, with_working=False)
        return min((s.rear.lock_deceleration or 99.0) - (s.front.lock_deceleration or 99.0) for s in answer.states)

    now = spare(SALOON.car)
    moved = [abs(spare(SALOON.car.patched({"cg_height": 0.52 * factor})) - now) for factor in (0.9, 1.1)]
    assert height.effect == pytest.approx(max(moved), rel=1e-6)
    assert (height.title, height.copied) == ("Height of the centre of gravity", False)
    # A value without effect on the lock order is marked as such.
    assert known["car.power"].effect == 0
    assert known["setup.rear.caliper.pistons"].title == "Pistons, one side, rear"


def test_where_one_end_never_locks_that_is_said_instead_of_a_number() -> None:
    """A front that hardly brakes never locks: no tenth of anything moves an order that there is not."""
    weak = SALOON.setup.patched({"front.caliper.pistons": (0.01,), "front.pad.friction": 0.05})
    result = rank_unmeasured(SALOON.car, weak)
    known = {one.path: one for one in result.items}
    assert (known["car.mass"].effect, known["car.mass"].loses_a_lock) == (None, False)
    # What gives it a lock, or takes it, has no number either, and stands first.
    assert result.items[0].loses_a_lock
    assert result.items[0].path == "car.front_tyre.load_sensitivity"


def test_a_copy_says_of_whom_it_is_and_marks_what_was_given() -> None:
    copied = copy_car(w1.CAR, [w1.SETUP], "Other")
    assert (copied.car.name, copied.car.copied_from) == ("Other", w1.CAR.name)
    assert {"mass", "front_share", "wheelbase", "cg_height"} <= set(copied.car.unconfirmed)
    assert "friction" in copied.car.front_tyre.unconfirmed
    assert "pistons" in copied.setups[0].front.caliper.unconfirmed
    result = {one.path: one for one in rank_unmeasured(copied.car, copied.setups[0]).items}
    assert result["car.mass"].copied
    # Our own assumptions stay what they are.
    assert not result["setup.pad_tolerance"].copied
    # The same numbers: only the marks differ.
    plain = [verdict.word for verdict in assess(w1.CAR, w1.SETUP, with_working=False).verdicts]
    assert [verdict.word for verdict in assess(copied.car, copied.setups[0], with_working=False).verdicts] == plain
    assert estimate_uncertainty(copied.car, copied.setups[0]).worst == estimate_uncertainty(w1.CAR, w1.SETUP).worst


def test_what_changed_is_told_as_a_preparer_would() -> None:
    bigger = w1.SETUP.patched({"rear.master_cylinder.bore": 0.022225, "split": Split.TANDEM})
    result = {one.title: (one.before, one.after, one.dimension) for one in differences(w1.SETUP, bigger)}
    assert result == {
        "Brake circuits split by": ("balance bar", "tandem cylinder", None),
        "Cylinder bore, rear": (w1.SETUP.rear.master_cylinder.bore, 0.022225, "bore"),
    }
    assert differences(w1.SETUP, w1.SETUP) == ()
    assert differences(SALOON.car, SALOON.car.model_copy(update={"unconfirmed": ()})) == ()


def test_states_are_told_by_their_names() -> None:
    first, *others = w1.CAR.states
    faster = first.model_copy(update={"speed": first.speed + 5})
    car = w1.CAR.model_copy(update={"states": (*others[:-1], faster)})
    result = [(one.title, one.before, one.after) for one in differences(w1.CAR, car)]
    assert (f"Speed, state {first.name}", first.speed, first.speed + 5) in result
    if others:
        assert ("States", others[-1].name, None) in result


def test_titles_name_whose_a_value_is() -> None:
    assert title_at(SALOON.setup, "front.disc.outer_diameter") == "Disc diameter, front"
    assert title_at(SALOON.car, "states.1.speed") == "Speed, state Wet"
    assert title_at(SALOON.car, "mass") == "Mass"
    assert nested({"a.b": 1}) == {"a": {"b": 1}}


def test_the_anti_lock_is_the_setups_to_keep() -> None:
    """Unticked in one setup it leaves the verdict of the others."""
    original = {"anti_lock": True, "front": {"pistons": [0.0413]}, "rear": {"pistons": [0.0349]}}
    car = Car.model_validate(w1.CAR.model_dump() | {"original": original})
    kept = {verdict.key for verdict in assess(car, w1.SETUP, with_working=False).verdicts}
    without = w1.SETUP.model_copy(update={"anti_lock_kept": False})
    assert "anti_lock" in kept
    assert "anti_lock" not in {verdict.key for verdict in assess(car, without, with_working=False).verdicts}
    # As format 3 named it.
    old = w1.CAR.model_dump() | {"original": {"anti_lock_kept": True}}
    assert Car.model_validate(old).original.anti_lock
