"""The smallest duct that holds, what each piece is worth, what to tape; and ducts as documents."""

from datetime import date

import numpy as np
import pytest
from pydantic import ValidationError

from plimbo.cli.demo_data import CARS
from plimbo.core import (
    Cancelled,
    Car,
    DuctSizing,
    OutOfRange,
    Setup,
    analyse_air,
    assess,
    inspect_duct,
    judge_heat,
    mend_heat,
    simulate_session,
    size_duct,
)
from plimbo.core.documents import Compound, Cooling, Duct
from plimbo.core.ducting.fingerprint import fingerprint
from plimbo.core.ducting.sizes import SIZES, HoseSize, of_size, size_of
from plimbo.core.quantities.axles import Axle
from plimbo.core.search.ducts.answers import DuctRow
from plimbo.core.verdicts.level import Level

TODAY = date(2026, 11, 26)
WREN, (SPRINT, *_) = CARS[0]
DUNNOCK, (STOCK, BIG_BRAKES, *_) = CARS[1]
PIPIT, (AS_BUILT, *_) = CARS[2]
FENBANK, SALTMARSH, TOLLGATE, GORSE_HILL = WREN.sessions


@pytest.fixture(scope="module")
def front() -> DuctSizing:
    return size_duct(WREN, SPRINT, Axle.FRONT, TODAY)


def hottest(row: DuctRow) -> float:
    return max(one.peak for one in row.sessions)


def hoses(sizing: DuctSizing) -> list[DuctRow]:
    return [row for row in sizing.rows if row.bore is not None]


def test_the_peak_falls_with_the_hose_and_flattens(front: DuctSizing) -> None:
    peaks = [hottest(row) for row in hoses(front)]
    assert peaks == sorted(peaks, reverse=True)
    flows = [row.flow or 0.0 for row in hoses(front)]
    falls = -np.diff(peaks) / np.diff(flows)
    assert falls[-1] < 0.75 * falls[0], "each gram a second takes less off"


def test_the_answer_is_the_smallest_that_holds_and_its_neighbour_does_not(front: DuctSizing) -> None:
    assert front.answer is not None
    row, smaller = front.rows[front.answer], front.rows[front.answer - 1]
    assert hottest(row) <= front.high - front.band < hottest(smaller)


def test_what_holds_holds_in_the_heat_too(front: DuctSizing) -> None:
    assert front.answer is not None
    values = front.rows[front.answer].patch
    setup = SPRINT.patched({path.removeprefix("setup."): value for path, value in values.items()})
    for session, result in zip(WREN.sessions, front.rows[front.answer].sessions, strict=True):
        heat = simulate_session(WREN, setup, session, TODAY).heat
        assert heat.front.surface_peak.value == pytest.approx(result.peak, abs=0.01)


# Road pads on a car that is too fast for them: the next class does it.
SLOWER = WREN.patched({"power": 45e3})
ROAD_PADS = SPRINT.patched(
    {
        **{f"{end}.pad.compound": "road" for end in ("front", "rear")},
        **{"front.cooling.duct.fitted": False, "fluid.kind": "race", "fluid.water": 0.0},
    }
)


def test_pads_come_before_a_duct() -> None:
    result = size_duct(SLOWER, ROAD_PADS, Axle.FRONT, TODAY)
    assert (result.word, result.first_title) == ("Pads first", "Front and rear pads: fast road")
    assert result.first is not None
    assert result.answer
    pads, ducted = (
        ROAD_PADS.patched({path.removeprefix("setup."): value for path, value in values.items()})
        for values in (result.first, result.rows[result.answer].patch)
    )
    assert not pads.front.cooling.duct.fitted
    for session in SLOWER.sessions:
        now, was = (simulate_session(SLOWER, setup, session, TODAY).verdict for setup in (pads, ducted))
        assert now.severity <= was.severity, session.name


def test_pads_that_boil_the_fluid_or_miss_the_first_corner_do_not_come_first(front: DuctSizing) -> None:
    """They would hold the front by heat alone, but are cold on the fast circuit and boil the fluid on the tight one."""
    assert front.answer
    assert front.first is not None
    assert not any("compound" in path for path in front.first)
    hotter = SPRINT.patched({"front.pad.compound": "endurance", "front.cooling.duct.fitted": False})
    fast, tight = (simulate_session(WREN, hotter, session, TODAY).verdict for session in (SALTMARSH, TOLLGATE))
    assert "first_corner" in {one.key for one in fast.findings}
    assert tight.level is Level.BAD


def put_on(setup: Setup, patch: dict[str, object]) -> Setup:
    return setup.patched({path.removeprefix("setup."): value for path, value in patch.items()})


SIZED = [(WREN, SPRINT), (WREN, SPRINT.patched({"fluid.water": 0.04})), (DUNNOCK, BIG_BRAKES), (PIPIT, AS_BUILT)]


@pytest.mark.parametrize(("car", "setup"), SIZED)
@pytest.mark.parametrize("axle", list(Axle))
def test_what_is_said_of_everything_is_so(car: Car, setup: Setup, axle: Axle) -> None:
    """ "It holds" stood where the fluid boiled: now each session and each matter is judged with what is advised."""
    result = size_duct(car, setup, axle, TODAY)
    advised = result.first if result.first is not None else result.rows[result.answer or 0].patch
    made = put_on(setup, advised)
    untaped = car.patched({"sessions": [one.patched({f"{axle}_tape": 0.0}) for one in car.sessions]})
    bad = {
        (one.session, found.word)
        for one in judge_heat(untaped, made, TODAY).sessions
        for found in one.findings
        if found.level is Level.BAD
    }
    bad |= {
        ("", one.word)
        for one in assess(untaped, made, with_working=False).verdicts
        if one.level is Level.BAD and one.key != "heat"
    }
    assert {(one.session, one.word) for one in result.left if one.level is Level.BAD} == bad
    assert (result.everything.level is Level.GOOD) == (not result.left)
    if "holds" in result.word:
        assert not result.left


def test_a_duct_is_fitted_with_the_fluid_that_it_needs(front: DuctSizing) -> None:
    """The parked fluid of the tight circuit is near boiling with any duct: fresh fluid goes in with it."""
    assert front.answer is not None
    assert front.word == "A duct and fluid"
    assert front.first is not None
    assert front.rows[front.answer].patch.items() <= front.first.items()
    assert front.first["setup.fluid.water"] == 0.0
    boiling = ("fluid_running", "fluid_parked")
    for session in WREN.sessions:
        after = simulate_session(WREN, put_on(SPRINT, front.first), session, TODAY).verdict
        assert not [one for one in after.findings if one.key in boiling and one.level is not Level.GOOD]


def test_where_the_right_duct_is_fitted_only_the_fluid_is_changed(front: DuctSizing) -> None:
    assert front.answer is not None
    ducted = put_on(SPRINT, front.rows[front.answer].patch)
    result = size_duct(WREN, ducted, Axle.FRONT, TODAY)
    assert (result.word, result.first_title) == ("Fluid first", "Fresh race fluid")
    assert result.first is not None
    assert not any("duct" in path for path in result.first)


def test_tape_that_is_worse_than_no_duct_is_marked() -> None:
    rows = {row.session: row for row in inspect_duct(WREN, SPRINT, FENBANK, Axle.FRONT, TODAY).tape}
    without = SPRINT.patched({"front.cooling.duct.fitted": False})
    bare = simulate_session(WREN, without, FENBANK, TODAY).heat.front.surface_peak.value or 0
    for one in rows[FENBANK.name].tapes:
        assert one.worse_than_none is (one.peak > bare + 2)
    assert [one.worse_than_none for one in rows[FENBANK.name].tapes] == [False, False, False, True]


@pytest.mark.parametrize("axle", list(Axle))
def test_a_gravel_car_needs_no_duct(axle: Axle) -> None:
    result = size_duct(PIPIT, AS_BUILT, axle, TODAY)
    assert (result.word, result.answer) == ("No duct needed", 0)


def test_a_road_car_gets_pads_first_or_is_told_that_no_duct_holds() -> None:
    stock, bigger = (size_duct(DUNNOCK, setup, Axle.FRONT, TODAY) for setup in (STOCK, BIG_BRAKES))
    assert stock.answer is None
    assert stock.word == "No duct is enough"
    assert stock.everything.word.startswith("Still with the biggest: ")
    assert "then bigger discs" in stock.sentences[-1].text
    assert bigger.word == "Pads first"
    assert size_duct(DUNNOCK, BIG_BRAKES, Axle.REAR, TODAY).word == "Fluid first"


def test_fluid_comes_first_where_only_the_fluid_is_short() -> None:
    wet = SPRINT.patched({"fluid.water": 0.04, "rear.cooling.duct.fitted": False})
    result = size_duct(WREN, wet, Axle.REAR, TODAY)
    assert (result.word, result.first_title) == ("Fluid first", "Fresh race fluid")
    assert result.first is not None
    assert not any("duct" in path for path in result.first)


def test_tape_mends_the_fast_circuit_and_the_tight_one_stays_open() -> None:
    """Too much duct: cold at the end of a long straight."""
    duct = SPRINT.front.cooling.duct
    big = SPRINT.patched({f"front.cooling.duct.{path}": value for path, value in of_size(duct, SIZES[-1]).items()})
    rows = {row.session: row for row in inspect_duct(WREN, big, SALTMARSH, Axle.FRONT, TODAY).tape}
    fast, tight = rows[SALTMARSH.name], rows[TOLLGATE.name]
    low = 260 + 273.15
    assert fast.tapes[0].low < low <= fast.tapes[fast.advised].low
    assert all(one.low < low for one in fast.tapes[: fast.advised]), "the least that does"
    assert tight.advised == 0
    assert tight.tapes[0].low > low
    # A quarter does almost nothing.
    assert abs(fast.tapes[1].peak - fast.tapes[0].peak) < 6


def test_the_tape_of_the_day_changes_with_the_day() -> None:
    def advised(ambient: float) -> tuple[int, float]:
        sessions = tuple(one.patched({"ambient": ambient}) for one in WREN.sessions)
        car = WREN.model_copy(update={"sessions": sessions})
        duct = SPRINT.front.cooling.duct
        values = {f"front.cooling.duct.{path}": value for path, value in of_size(duct, HoseSize(0.063, 2)).items()}
        row = inspect_duct(car, SPRINT.patched(values), sessions[1], Axle.FRONT, TODAY).tape[1]
        return row.advised, row.tapes[0].low

    (cold_day, cold_low), (hot_day, hot_low) = advised(275.0), advised(313.0)
    assert hot_low > cold_low + 15
    assert cold_day > hot_day == 0


def test_what_each_piece_is_worth_is_what_the_session_says() -> None:
    result = inspect_duct(WREN, SPRINT, FENBANK, Axle.FRONT, TODAY)
    assert [one.peak for one in result.worths] == sorted(one.peak for one in result.worths)
    by_title = {one.title: one for one in result.worths}
    for title in ("Smooth hose", "Flange with a radius", "Seal 90 → 100 %", "Half of the opening taped"):
        one = by_title[title]
        values = {path: value for path, value in one.patch.items() if path.startswith("setup.")}
        setup = SPRINT.patched({path.removeprefix("setup."): value for path, value in values.items()})
        tape = [value for path, value in one.patch.items() if path.endswith("front_tape")]
        session = FENBANK.patched({"front_tape": tape[0]}) if tape else FENBANK
        heat = simulate_session(WREN, setup, session, TODAY).heat
        assert (heat.front.surface_peak.value or 0) - result.peak == pytest.approx(one.peak, abs=0.01)
        air = analyse_air(WREN, setup, Axle.FRONT, session, with_working=False)
        before = analyse_air(WREN, SPRINT, Axle.FRONT, FENBANK, with_working=False)
        assert one.flow == pytest.approx((air.vanes or 0) - (before.vanes or 0), rel=0.05)
    assert by_title["Hose 63 → 76 mm, and its opening"].peak < by_title["Smooth hose"].peak < 0
    assert by_title["Half of the opening taped"].peak > 10


def test_worse_than_none_is_said() -> None:
    small = SPRINT.patched(
        {
            f"front.cooling.duct.{path}": value
            for path, value in of_size(SPRINT.front.cooling.duct, HoseSize(0.035)).items()
        }
    )
    assert "Worse than no duct" in analyse_air(WREN, small, Axle.FRONT).remarks[0].text


def test_a_face_fed_disc_wears_its_outboard_pad_first() -> None:
    covered = SPRINT.patched({"front.cooling.shielding": "covered", "front.cooling.duct.fitted": False})
    heat = simulate_session(WREN, covered, FENBANK, TODAY)
    assert heat.heat.front.pad_worn_inboard > 1.3 * heat.heat.front.pad_worn_outboard
    assert "sides" in {one.key for one in heat.verdict.findings}
    fed = SPRINT.patched({"front.cooling.duct.aim": "face"})
    face = simulate_session(WREN, fed, FENBANK, TODAY).heat.front
    assert face.pad_worn_outboard > face.pad_worn_inboard
    assert face.apart < -15


def test_the_working_of_a_duct_ends_in_what_is_told() -> None:
    result = analyse_air(WREN, SPRINT, Axle.FRONT, FENBANK)
    values = {key: result.steps[place].value for key, place in result.headlines.items()}
    assert values["vanes"] == pytest.approx(result.vanes, rel=1e-6)
    assert values["leak"] == pytest.approx(result.leak, rel=1e-6)
    assert values["ram"] == pytest.approx(result.ram)
    assert values["duct"] == pytest.approx(result.duct)
    assert values["duct"] == pytest.approx((values["vanes"] or 0) + (values["leak"] or 0))
    for place, piece in enumerate(result.pieces):
        assert values[f"piece.{place}"] == pytest.approx(piece.loss, rel=1e-6)
    losses = sum(piece.loss for piece in result.pieces)
    assert result.ram - losses == pytest.approx(result.eye)
    assert any("Haaland" in (step.source or "") for step in result.steps)


def test_the_working_holds_for_runs_of_several_bores_and_branches() -> None:
    run = [{"kind": "hose"}, {"kind": "hose", "bore": 0.051, "length": 0.4}, {"kind": "reducer", "bore": 0.076}]
    for values in ({"pieces": run}, {"caliper_bore": 0.025}, {"aim": "face"}, {"seal": 0.2}):
        made = SPRINT.front.cooling.duct.model_dump(mode="json") | values
        result = analyse_air(WREN, SPRINT.patched({"front.cooling.duct": made}), Axle.FRONT)
        for place, piece in enumerate(result.pieces):
            shown = result.steps[result.headlines[f"piece.{place}"]]
            assert shown.value == pytest.approx(piece.loss, rel=1e-6), (values, piece.name)


def test_drag_is_the_air_of_both_openings_brought_to_the_cars_speed() -> None:
    result = analyse_air(WREN, SPRINT, Axle.FRONT, speed=WREN.top_speed, with_working=False)
    assert result.duct is not None
    assert result.drag == pytest.approx(2 * result.duct * WREN.top_speed, rel=1e-3)


@pytest.mark.parametrize(
    ("values", "path"),
    [
        ({"seal": 1.2}, "seal"),
        ({"opening": {"area": 0.0}}, "opening.area"),
        ({"pieces": [{"length": 20.0}]}, "pieces.0.length"),
        ({"pieces": [{"kind": "bend"}]}, "pieces"),
        ({"hoses": 0}, "hoses"),
        ({"pieces": [{"kind": "hose"}, {"kind": "split"}, {"kind": "split"}]}, "pieces"),
    ],
)
def test_what_cannot_be_is_told_at_its_field(values: dict[str, object], path: str) -> None:
    with pytest.raises(ValidationError) as result:
        Duct.model_validate({"fitted": True, **values})
    assert ".".join(str(part) for part in result.value.errors()[0]["loc"]) == path


def test_hoses_longer_than_the_car_are_refused_at_the_longest() -> None:
    long = SPRINT.patched({"front.cooling.duct.pieces.2.length": 5.0})
    for ask in (lambda: assess(WREN, long), lambda: analyse_air(WREN, long, Axle.FRONT)):
        with pytest.raises(OutOfRange, match="longer than the car") as result:
            ask()
        assert result.value.path == "setup.front.cooling.duct.pieces.2.length"


def test_a_number_of_format_2_becomes_the_run_that_brings_as_much() -> None:
    assert not Cooling.model_validate({"duct_air": 0.0}).duct.fitted
    before = analyse_air(WREN, SPRINT, Axle.FRONT, with_working=False).alone or 0.0
    for air in (0.006, 0.021, 0.035, 0.051):
        setup = SPRINT.model_copy(
            update={"front": SPRINT.front.model_copy(update={"cooling": Cooling.model_validate({"duct_air": air})})}
        )
        now = analyse_air(WREN, setup, Axle.FRONT, with_working=False).vanes or 0.0
        assert now - before == pytest.approx(air, abs=0.008)


def test_who_no_longer_waits_is_not_driven_for() -> None:
    with pytest.raises(Cancelled):
        size_duct(WREN, SPRINT, Axle.FRONT, TODAY, wanted=lambda: False)


def test_a_car_without_sessions_is_told_what_is_missing() -> None:
    with pytest.raises(OutOfRange, match="add one on Heat"):
        size_duct(WREN.model_copy(update={"sessions": ()}), SPRINT, Axle.FRONT, TODAY)


def test_progress_runs_to_its_end() -> None:
    seen = list[tuple[int, int]]()
    size_duct(PIPIT, AS_BUILT, Axle.REAR, TODAY, progress=lambda done, of: seen.append((done, of)))
    assert seen[-1][0] == seen[-1][1] > 5
    assert seen == sorted(seen)


def test_a_sizing_stays_that_of_its_setup_whatever_size_is_fitted() -> None:
    one = fingerprint(WREN, SPRINT, Axle.FRONT)
    duct = SPRINT.front.cooling.duct
    other = SPRINT.patched({f"front.cooling.duct.{path}": value for path, value in of_size(duct, SIZES[-1]).items()})
    assert size_of(other.front.cooling.duct) == SIZES[-1]
    assert fingerprint(WREN, other, Axle.FRONT) == one
    assert fingerprint(WREN, SPRINT.patched({"front.cooling.duct.checks.stones": TODAY}), Axle.FRONT) == one
    assert fingerprint(WREN, SPRINT.patched({"front.cooling.duct.seal": 0.8}), Axle.FRONT) != one
    assert fingerprint(WREN, SPRINT.patched({"front.pad.compound": Compound.ENDURANCE}), Axle.FRONT) != one


def test_parts_are_counted_for_both_wheels_and_costs_added() -> None:
    costed = SPRINT.patched(
        {
            "front.cooling.duct.pieces.0.cost": 20.0,
            "front.cooling.duct.pieces.2.cost": 30.0,
            "front.cooling.duct.opening.cost": 45.0,
        }
    )
    result = analyse_air(WREN, costed, Axle.FRONT, with_working=False)
    assert result.cost == pytest.approx(2 * (20 + 30 + 45))
    assert {part.name: part.count for part in result.parts}["Hose clamp"] == 4
    assert next(check.key for check in result.checks) == "full_lock"


def test_odd_cars_get_a_duct_too() -> None:
    """350 kg and 1 900 kg, 12-inch rims and carbon discs: no answer falls over, and bigger hoses are never hotter."""
    for values in ({"mass": 350.0, "wheelbase": 1.9}, {"mass": 1900.0, "power": 300e3}):
        result = size_duct(WREN.patched(values), SPRINT, Axle.FRONT, TODAY)
        peaks = [hottest(row) for row in hoses(result)]
        assert peaks == sorted(peaks, reverse=True)
        assert result.sentences
    small = SPRINT.patched({"front.disc.outer_diameter": 0.232, "front.disc.ring_height": 0.05})
    assert size_duct(WREN, small, Axle.FRONT, TODAY).rows
    carbon = SPRINT.patched({"front.disc.material": "carbon_carbon", "front.pad.material": "carbon"})
    assert size_duct(WREN, carbon, Axle.FRONT, TODAY).rows


def test_a_duct_turns_a_red_session_green() -> None:
    fresh = {"fluid.kind": "race", "fluid.water": 0.0}
    bare = SPRINT.patched({"front.cooling.duct.fitted": False, **fresh})
    assert simulate_session(WREN, bare, FENBANK, TODAY).verdict.level is Level.BAD
    result = size_duct(WREN.model_copy(update={"sessions": (FENBANK,)}), bare, Axle.FRONT, TODAY)
    assert result.answer
    values = result.rows[result.answer].patch
    mended = bare.patched({path.removeprefix("setup."): value for path, value in values.items()})
    assert simulate_session(WREN, mended, FENBANK, TODAY).verdict.level is Level.GOOD


def words(sizing: DuctSizing) -> str:
    return " ".join(one.text for one in sizing.sentences)


def test_a_light_car_is_told_to_take_the_duct_off_and_that_it_is_cold() -> None:
    result = size_duct(WREN.patched({"mass": 350.0, "wheelbase": 1.9, "power": 60e3}), SPRINT, Axle.FRONT, TODAY)
    assert result.word == "No duct needed"
    assert "can come off" in words(result)
    assert f"Too cold even without one: {FENBANK.name} and {SALTMARSH.name}" in words(result)


def test_a_plate_over_the_inner_face_comes_off_before_a_duct_goes_on() -> None:
    # No hotter pad to go to, and a window between what the disc reaches with the plate and without.
    pads = SPRINT.patched({"front.pad.compound": "endurance"})
    one_circuit = WREN.model_copy(update={"sessions": WREN.sessions[:1]})
    open_ = hottest(size_duct(one_circuit, pads, Axle.FRONT, TODAY).rows[0])
    # Seals that stand the heat of a covered face, so that only the pads count.
    window = {"front.pad.window_high": open_ + 40.0, "front.caliper.seal_limit": 573.15}
    covered = pads.patched({"front.cooling.shielding": "covered", **window})
    result = size_duct(one_circuit, covered, Axle.FRONT, TODAY)
    assert (result.word, result.first_title) == ("Shield first", "Shield taken off, fresh race fluid")
    assert result.first is not None
    assert result.first["setup.front.cooling.shielding"] == "in_a_wheel"
    assert "boots and ball joints" in words(result)


def test_boiling_fluid_is_told_as_boiling_and_not_sized_for() -> None:
    old = SPRINT.patched({"fluid.water": 0.04})
    result, fresh = size_duct(WREN, old, Axle.FRONT, TODAY), size_duct(WREN, SPRINT, Axle.FRONT, TODAY)
    assert result.answer == fresh.answer
    assert "front fluid boils parked in Tollgate" in words(result)
    assert result.first_title.endswith("fresh race fluid")


def test_where_there_is_no_better_fluid_it_counts() -> None:
    best = SPRINT.patched({"fluid.kind": "race", "fluid.water": 0.0, "fluid.dry_point": 430.0})
    wet = best.patched({"fluid.wet_point": 425.0})
    result = size_duct(WREN, wet, Axle.FRONT, TODAY)
    fresh = size_duct(WREN, best.patched({"fluid.dry_point": None}), Axle.FRONT, TODAY)
    assert fresh.answer is not None
    assert result.answer is None or result.answer > fresh.answer


def test_a_first_duct_at_the_rear_takes_its_air_at_the_side() -> None:
    result = size_duct(WREN, SPRINT, Axle.REAR, TODAY)
    for row in hoses(result):
        assert row.patch["setup.rear.cooling.duct.opening.place"] == "side"
    front = size_duct(WREN, SPRINT.patched({"front.cooling.duct.fitted": False}), Axle.FRONT, TODAY)
    assert not any(path.endswith("opening.place") for row in hoses(front) for path in row.patch)


def test_ducts_stand_behind_pads_among_what_mends_a_hot_session() -> None:
    bare = SPRINT.patched({"front.cooling.duct.fitted": False, "fluid.kind": "race", "fluid.water": 0.0})
    titles = [mend.title for mend in mend_heat(WREN, bare, FENBANK, TODAY).mends]
    pads = [place for place, title in enumerate(titles) if "pads" in title]
    ducts = [place for place, title in enumerate(titles) if "ducts of" in title]
    assert pads
    assert ducts
    assert min(pads) < min(ducts)


def test_tape_is_offered_where_it_is_cold_and_taken_off_where_it_is_hot() -> None:
    duct = SPRINT.front.cooling.duct
    big = {f"front.cooling.duct.{path}": value for path, value in of_size(duct, SIZES[-1]).items()}
    cold = SPRINT.patched({**big, "front.pad.window_low": 620.0})
    titles = [mend.title for mend in mend_heat(WREN, cold, SALTMARSH, TODAY).mends]
    assert any(title.startswith("Front ducts") and "taped" in title for title in titles)
    hot = FENBANK.patched({"front_tape": 0.9})
    titles = [mend.title for mend in mend_heat(WREN, SPRINT, hot, TODAY).mends]
    assert "Tape off the front ducts" in titles
