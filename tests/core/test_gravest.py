"""What is said first: the gravest of all, by level, then by rank, then the furthest past its limit."""

from datetime import date
from itertools import pairwise

import pytest

from plimbo.cli.demo_data import CARS
from plimbo.core import assess, estimate_uncertainty, judge_heat, mend_heat, overall
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.verdicts.level import SEVERITY, Level, Rank
from plimbo.core.verdicts.session_heat.findings import HeatEvidence, HeatFinding
from plimbo.core.verdicts.session_heat.judging import judged_session
from plimbo.core.verdicts.session_heat.verdict import heat_verdict

(WREN, (SPRINT, *_)), (DUNNOCK, (STOCK, *_)), _PIPIT = CARS
TODAY = date(2026, 12, 1)
# A session in which nothing is wrong: each test puts in what it needs.
BASE: HeatEvidence = judged_session(WREN, SPRINT.patched({"fluid.water": 0.0}), WREN.sessions[1], TODAY).judged
BOILS = BASE.fluid.boils
FRONT = BASE.readings.front


def at(moment: str, value: float) -> dict[str, object]:
    return {moment: getattr(FRONT, moment)._replace(value=value)}


# Something bad, or to be watched, of each rank: changed readings of the front, or of the car.
BAD = {
    Rank.LOST_BRAKES: at("wet_parked", BOILS + 26),
    Rank.EFFORT: {"leg_ends": "Willow", "metres": 8.0},
    Rank.FADE: at("surface_peak", FRONT.window[1] + 36),
    Rank.DISC: at("wet_running", 231 + FREEZING),
    Rank.WEAR: None,
}
WATCHED = {
    Rank.LOST_BRAKES: at("wet_parked", BOILS - 10),
    Rank.EFFORT: {"push": BASE.readings.push._replace(value=0.95 * WREN.driver.foot_force_limit)},
    Rank.FADE: at("surface_peak", FRONT.window[1]),
    Rank.DISC: at("crack", 1.0),
    Rank.COLD: {"below_settled": 0.6},
    Rank.WEAR: {"pad_sets": 1.5},
}


def found_with(*changes: dict[str, object] | None) -> list[HeatFinding]:
    front, car = FRONT, BASE.readings
    for change in changes:
        own = {name: value for name, value in (change or {}).items() if name in FRONT._fields}
        front = front._replace(**own)
        car = car._replace(**{name: value for name, value in (change or {}).items() if name in car._fields})
    return list(heat_verdict(BASE._replace(readings=car._replace(front=front))).findings)


def test_nothing_is_found_where_nothing_is_wrong() -> None:
    assert found_with() == []


@pytest.mark.parametrize(
    ("graver", "other"), list(pairwise(rank for rank, change in BAD.items() if change is not None))
)
def test_of_two_that_are_bad_the_graver_is_first(graver: Rank, other: Rank) -> None:
    found = found_with(BAD[other], BAD[graver])
    bad = [one for one in found if one.level is Level.BAD]
    assert [one.rank for one in bad[:2]] == [graver, other]
    assert found[0] is bad[0]


@pytest.mark.parametrize(("graver", "other"), list(pairwise(WATCHED)))
def test_of_two_that_are_to_be_watched_the_graver_is_first(graver: Rank, other: Rank) -> None:
    found = found_with(WATCHED[other], WATCHED[graver])
    assert {one.level for one in found} == {Level.WATCH}
    assert [one.rank for one in found][:2] == [graver, other]


def test_level_comes_before_rank_and_a_tie_is_the_furthest_past() -> None:
    found = found_with(WATCHED[Rank.LOST_BRAKES], BAD[Rank.DISC])
    assert (found[0].rank, found[0].level) == (Rank.DISC, Level.BAD)
    parked = at("wet_parked", BOILS + 30)
    running = {"wet_running": FRONT.wet_running._replace(value=BOILS + 80)}
    assert [one.key for one in found_with(parked, running)][:2] == ["fluid_running", "fluid_parked"]


def test_what_is_worn_through_in_the_session_is_as_grave_as_boiling_fluid() -> None:
    found = found_with({"pad_sets": 0.5}, BAD[Rank.FADE])
    assert (found[0].key, found[0].rank) == ("wear", Rank.LOST_BRAKES)


@pytest.mark.parametrize(("over", "level"), [(-26, None), (-24, Level.WATCH), (24, Level.WATCH), (26, Level.BAD)])
def test_fluid_is_watched_from_25_under_and_bad_from_25_past_boiling_at_the_wetted_face(
    over: float, level: Level | None
) -> None:
    found = [one for one in found_with(at("wet_parked", BOILS + over)) if one.key == "fluid_parked"]
    assert [one.level for one in found] == ([] if level is None else [level])


def test_a_pad_that_never_warms_is_bad_only_where_it_hardly_bites() -> None:
    cold = {"below_settled": 1.0, **at("surface_peak", FRONT.window[0] - 60)}

    def level(bite: float) -> Level:
        front = FRONT._replace(**cold)
        judged = BASE._replace(readings=BASE.readings._replace(front=front), best_bite=(bite, 1.0))
        return next(one.level for one in heat_verdict(judged).findings if one.key == "cold")

    assert (level(0.64), level(0.66)) == (Level.BAD, Level.WATCH)


def test_over_all_matters_and_sessions_the_gravest_is_the_mark() -> None:
    """Fluid that boils is said before a rear that locks first, and that before a fade of the same level."""
    old = SPRINT.patched({"fluid.water": 0.06})
    plain = assess(WREN, old, with_working=False).verdicts
    heat = judge_heat(WREN, old, TODAY)
    marks = overall(WREN, old, plain, estimate_uncertainty(WREN, old).verdict, heat.verdict)
    assert {mark.word for mark in marks.marks if mark.level is Level.BAD} >= {
        "Rear locks first",
        "Front fluid boils parked",
    }
    assert marks.worst.word == "Front fluid boils parked"
    assert heat.worst is not None
    assert heat.worst.gravity == max(one.gravity for one in heat.sessions)


def test_one_bad_session_of_several_is_named() -> None:
    verdict = judge_heat(WREN, SPRINT, TODAY).verdict
    assert verdict is not None
    hill = WREN.model_copy(update={"sessions": (WREN.sessions[1], WREN.sessions[3])})
    only = judge_heat(hill, SPRINT, TODAY)
    assert only.verdict is not None
    assert only.verdict.condition == "to be watched here only"
    assert only.verdict.title.endswith("Gorse Hill, one run")


def test_one_stop_over_its_limit_is_watched_where_the_sessions_hold() -> None:
    light = SPRINT.patched({"rear.disc.thickness": 0.008, "rear.disc.vane_gap": 0.0, "rear.disc.least_thickness": None})
    alone = WREN.patched({"top_speed": 75.0}).model_copy(update={"sessions": ()})
    stop = next(one for one in assess(alone, light, with_working=False).verdicts if one.key == "heat")
    assert stop.level is Level.BAD
    gentle = WREN.patched({"top_speed": 75.0}).model_copy(
        update={"sessions": (WREN.sessions[3].patched({"pace": 0.6}),)}
    )
    judged = judge_heat(gentle, light, TODAY)
    assert judged.worst is not None
    assert judged.verdict is not None
    if not SEVERITY[judged.worst.level]:
        assert (judged.verdict.level, judged.verdict.word) == (Level.WATCH, "Disc too light")


@pytest.mark.parametrize("place", range(len(WREN.sessions) + len(DUNNOCK.sessions)))
def test_fresh_fluid_and_a_cool_down_lap_are_among_the_first_three_where_the_fluid_is_at_issue(place: int) -> None:
    car, setup = (WREN, SPRINT) if place < len(WREN.sessions) else (DUNNOCK, STOCK)
    session = (*WREN.sessions, *DUNNOCK.sessions)[place]
    verdict = judged_session(car, setup, session, TODAY).verdict
    keys = {one.key for one in verdict.findings}
    first = mend_heat(car, setup, session, TODAY).mends[:3]
    paths = [path for mend in first for path in mend.patch]
    if keys & {"fluid_running", "fluid_parked"}:
        assert "setup.fluid.water" in paths
    if verdict.findings and verdict.findings[0].key.startswith("fluid"):
        assert "setup.fluid.water" in first[0].patch
    if "fluid_parked" in keys and not session.circuit.one_way:
        assert any(path.endswith("cool_down_laps") for path in paths)


def test_a_change_is_judged_in_every_session_of_the_car() -> None:
    """What another session pays is said; a change that makes one of them bad is not offered."""
    fenbank = WREN.sessions[0]
    bare = SPRINT.patched({"front.cooling.duct.fitted": False})
    offered = mend_heat(WREN, bare, fenbank, TODAY).mends
    assert offered
    for mend in offered:
        patch = {path.removeprefix("setup."): value for path, value in mend.patch.items() if path.startswith("setup.")}
        before, after = (judge_heat(WREN, one, TODAY).sessions for one in (bare, bare.patched(patch)))
        for was, now in zip(before[1:], after[1:], strict=True):
            known = {(one.key, one.axle): SEVERITY[one.level] for one in was.findings}
            for one in now.findings:
                if SEVERITY[one.level] > known.get((one.key, one.axle), 0):
                    assert one.level is not Level.BAD
                    assert f"{one.word}, {now.session}" in mend.disturbs
