"""A session as it is driven: what makes it hotter and what cooler, what is said of it, and what mends it."""

from datetime import date
from typing import Any

import numpy as np
import pytest

from plimbo.cli.demo_circuits import FENBANK, GORSE_HILL, SALTMARSH, TOLLGATE
from plimbo.cli.demo_data import CARS
from plimbo.core import (
    Cancelled,
    Car,
    Circuit,
    OutOfRange,
    Session,
    Setup,
    SimulatedSession,
    inspect_heat,
    judge_heat,
    mend_heat,
    simulate_session,
)
from plimbo.core.documents import BrakingZone, Compound, LaidOutBy, Pad
from plimbo.core.friction.pad import pad_friction
from plimbo.core.friction.pad_classes import friction_over, pad_class
from plimbo.core.quantities.axles import Axle
from plimbo.core.thermal.fluid import fluid_state
from plimbo.core.thermal.session_run import run_inputs, run_session
from plimbo.core.verdicts.level import SEVERITY, Level, Rank
from plimbo.core.working.inputs import PLAIN

TODAY = date(2026, 11, 26)
WREN, (SPRINT, *_) = CARS[0]
DUNNOCK, (STOCK, *_) = CARS[1]
LAPS = Session(name="Fenbank", circuit=FENBANK, fast_laps=5)


def simulated(car: Car = WREN, setup: Setup = SPRINT, session: Session = LAPS, **changes: Any) -> SimulatedSession:
    of_car = {path.removeprefix("car."): value for path, value in changes.items() if path.startswith("car.")}
    of_setup = {path.removeprefix("setup."): value for path, value in changes.items() if path.startswith("setup.")}
    own = {path: value for path, value in changes.items() if not path.startswith(("car.", "setup."))}
    return simulate_session(car.patched(of_car), setup.patched(of_setup), session.patched(own), TODAY)


BASE = simulated()


def peak(of: SimulatedSession) -> float:
    found = of.heat.front.surface_peak.value
    assert found is not None
    return found


def wet(of: SimulatedSession, where: str) -> float:
    found: float = getattr(of.heat.front, f"wet_{where}").value
    return found


@pytest.mark.parametrize(
    ("changes", "least", "most"),
    [
        ({"car.power": 1.1 * 105e3}, 10, 60),
        ({"pace": 0.95}, -80, -15),
        ({"traffic": 0.4}, 15, 160),
        ({"ambient": 318.15}, 15, 55),
        ({"setup.front.cooling.duct.flange": "rounded"}, -25, -5),
        ({"setup.front.cooling.shielding": "dust_shield"}, 10, 80),
        ({"setup.front.cooling.factor": 1.2}, -90, -20),
        ({"setup.front.disc.bell": "one_piece"}, -60, -2),
        ({"setup.front.disc.vane_shape": "curved"}, -40, -3),
        # Weight hardly moves the steady lap.
        ({"setup.front.disc.thickness": 0.030}, -30, 5),
    ],
)
def test_what_moves_the_discs(changes: dict[str, Any], least: float, most: float) -> None:
    """Common practice: power, pace and air count most; weight rules the single stop, not the steady lap."""
    moved = simulated(session=LAPS.patched({"fast_laps": 12}), **changes)
    still = simulated(session=LAPS.patched({"fast_laps": 12}))
    assert least < peak(moved) - peak(still) < most


@pytest.mark.parametrize(
    ("changes", "cooler"),
    [
        ({"setup.front.caliper.piston_material": "titanium"}, True),
        ({"setup.front.caliper.piston_material": "phenolic"}, True),
        ({"setup.front.caliper.piston_material": "aluminium"}, False),
        ({"setup.front.caliper.insulated": True}, True),
        ({"setup.front.pad.worn": 0.007}, False),
        ({"setup.front.pad.material": "sintered"}, False),
        ({"setup.front.pad.conductivity": 1.0}, True),
    ],
)
def test_what_moves_the_fluid(changes: dict[str, Any], cooler: bool) -> None:
    """Common practice: thin pads and pistons that conduct boil the fluid."""
    moved = simulated(**changes)
    assert (wet(moved, "running") < wet(BASE, "running") - 3) is cooler


def test_a_heavier_disc_swings_less_and_a_ring_with_more_face_cracks_less() -> None:
    heavy = simulated(**{"setup.front.disc.thickness": 0.034})
    assert heavy.heat.front.stop_rise < 0.8 * BASE.heat.front.stop_rise
    assert heavy.heat.front.ring_mass > 1.4 * BASE.heat.front.ring_mass
    # Thick sections take a shock worse than thin ones: the inside stays behind the surface.
    assert heavy.heat.front.crack > BASE.heat.front.crack
    wide = simulated(**{"setup.front.disc.outer_diameter": 0.33})
    assert wide.heat.front.crack < 0.93 * BASE.heat.front.crack


def test_the_fluid_goes_on_heating_in_the_park_and_a_cool_down_lap_helps() -> None:
    assert BASE.heat.front.fluid_parked.value > BASE.heat.front.fluid_running.value + 10  # type: ignore[operator]
    assert "min parked" in BASE.heat.front.fluid_parked.place
    slow = simulated(cool_down_laps=1)
    assert wet(slow, "parked") < wet(BASE, "parked") - 2
    minutes = (BASE.heat.worst_fluid_time - BASE.heat.parts[-1].begin) / 60
    assert 0.5 < minutes < 13, "the pistons' face is hottest minutes after the stop"


def test_more_water_boils_sooner_by_tester_by_age_and_by_an_opened_bottle() -> None:
    dry, wet_one = (fluid_state(SPRINT.fluid.patched({"water": water}), TODAY).boils for water in (0.0, 0.03))
    assert dry > wet_one + 40
    aged = SPRINT.fluid.patched({"water": None, "filled": "2025-11-26"})
    assert fluid_state(aged, TODAY).water == pytest.approx(0.015, abs=2e-4)
    opened = aged.patched({"opened": "2024-11-26"})
    assert fluid_state(opened, TODAY).water == pytest.approx(0.030, abs=2e-4), "the bottle drew it before"
    own = SPRINT.fluid.patched({"dry_point": 590.0, "wet_point": 480.0, "water": 0.0})
    assert fluid_state(own, TODAY).boils == pytest.approx(590.0)


def test_fade_costs_the_foot_first_and_then_metres() -> None:
    street = {f"setup.{axle}.pad.compound": "road" for axle in ("front", "rear")}
    weak = simulated(DUNNOCK, STOCK, LAPS.patched({"fast_laps": 4}), **street)
    limit = DUNNOCK.driver.foot_force_limit
    assert weak.heat.push == pytest.approx(limit)
    assert weak.heat.leg_ends
    assert weak.heat.metres > 2
    strong = simulated(
        DUNNOCK, STOCK, LAPS.patched({"fast_laps": 4}), **{**street, "car.driver.foot_force_limit": 2500.0}
    )
    assert strong.heat.push > 1.3 * limit, "the pads ask for it"
    assert not strong.heat.leg_ends


def test_all_that_is_braked_becomes_heat_also_where_the_leg_ends() -> None:
    street = STOCK.patched({f"{axle}.pad.compound": "road" for axle in ("front", "rear")})
    run = run_session(run_inputs(DUNNOCK, street, LAPS, TODAY))
    wanted = float((run.run.power * run.run.steps).sum())
    done = float((run.braked.forces.sum(axis=1) * run.run.speed * run.run.steps).sum())
    assert done == pytest.approx(wanted, rel=1e-3)
    for place, trace in enumerate((run.braked.front, run.braked.rear)):
        into = run.braked.forces[:, place] * run.run.speed * run.run.steps * (1 - DUNNOCK.slip_share) / 2
        # What goes from the pads into the plates stays inside; the rest has left.
        left = trace.paths[-1].sum() - trace.paths[-1, 4]
        assert trace.stored[-1] + left == pytest.approx(float(into.sum()), rel=1e-3)


@pytest.mark.parametrize(("over", "level"), [(-60, Level.GOOD), (-20, Level.WATCH), (20, Level.WATCH), (60, Level.BAD)])
def test_within_the_band_of_a_limit_is_never_green(over: float, level: Level) -> None:
    ends = {f"setup.{axle}.pad.window_low": 273.15 for axle in ("front", "rear")}
    quiet = {"setup.fluid.kind": "race", "setup.fluid.water": 0.0, **ends}
    answer = simulated(**quiet, **{"setup.front.pad.window_high": peak(BASE) - over})
    assert answer.verdict.level is level
    if level is not Level.GOOD:
        assert answer.verdict.findings[0].key == "fade"


def test_fluid_is_amber_where_it_begins_to_boil_and_red_where_all_of_it_does() -> None:
    bare = {"setup.front.cooling.duct.fitted": False}
    hot = simulated(**bare)
    face, mean = wet(hot, "parked"), hot.heat.front.fluid_parked.value
    assert mean is not None
    for boils, level in ((face + 40, None), (face + 10, Level.WATCH), (face - 3, Level.WATCH), (mean - 5, Level.BAD)):
        points = {"setup.fluid.dry_point": boils, "setup.fluid.wet_point": boils, "setup.fluid.water": 0.0}
        answer = simulated(**bare, **points)
        found = {one.key: one.level for one in answer.verdict.findings if one.axle is Axle.FRONT}
        assert found.get("fluid_parked") is level


def test_the_pad_of_the_session_is_the_pad_of_the_sizes() -> None:
    for compound in Compound:
        pad = Pad(height=0.04, length=0.1, friction=0.37, compound=compound)
        at = np.array([pad.looked_at])
        assert friction_over(pad, at)[0] == pytest.approx(pad_friction(pad, PLAIN, Axle.FRONT))
    curve = [{"temperature": 300.0, "friction": 0.2}, {"temperature": 900.0, "friction": 0.5}]
    own = Pad.model_validate({"height": 0.04, "length": 0.1, "friction_curve": curve})
    assert friction_over(own, np.array([own.looked_at]))[0] == pytest.approx(pad_friction(own, PLAIN, Axle.FRONT))
    named = Pad(height=0.04, length=0.1, compound=Compound.SPRINT, window_high=700.0, wear_rate=1e-13)
    assert (pad_class(named).high, pad_class(named).wear) == (700.0, 1e-13)


def test_a_hill_is_driven_once_from_cold_and_told_as_too_cold() -> None:
    hill = Session(name="Hill", circuit=GORSE_HILL, fast_laps=2, parked=600)
    answer = simulated(session=hill)
    assert [part.kind for part in answer.heat.parts] == ["fast", "slowing", "parked"] * 2
    assert answer.verdict.findings[0].key == "cold"
    assert answer.heat.front.below > 0.5
    alone = WREN.model_copy(update={"sessions": (hill,)})
    titles = [one.title for one in mend_heat(alone, SPRINT, hill, TODAY).mends]
    assert titles[0] == "Front and rear pads: fast road"
    # On the circuits of the car such pads are worn out: nothing that makes another session bad is offered.
    assert titles[0] not in [one.title for one in mend_heat(WREN, SPRINT, hill, TODAY).mends]


def test_typed_zones_put_in_what_the_corners_did() -> None:
    strip, corners = BASE.heat.strip, [one for one in BASE.heat.corners if one.lap == "lap 5"]
    zones, before = [], strip.zone_ends[-1] - strip.distances[-1]
    for begin, end, corner in zip(strip.zone_begins, strip.zone_ends, corners, strict=True):
        speeds = {"from_speed": corner.from_speed, "to_speed": corner.to_speed}
        zones.append(BrakingZone(run=begin - before, distance=end - begin, **speeds))
        before = end
    typed = Circuit(name="typed", laid_out_by=LaidOutBy.ZONES, zones=tuple(zones))
    answer = simulated(session=LAPS.model_copy(update={"circuit": typed}))
    for one, other in zip([one for one in answer.heat.corners if one.lap == "lap 5"], corners, strict=True):
        assert one.front_energy == pytest.approx(other.front_energy, rel=0.06)
    assert peak(answer) == pytest.approx(peak(BASE), abs=25)


def test_the_grid_is_colder_than_a_rolling_start_and_the_safety_car_cools() -> None:
    front = BASE.heat.front
    assert front.from_grid.value < front.first_corner.value  # type: ignore[operator]
    assert front.after_safety_car.value < front.surface_low.value + 60  # type: ignore[operator]


def test_a_lap_of_corners_needs_the_engine() -> None:
    with pytest.raises(OutOfRange, match="power at the wheels") as answer:
        simulated(**{"car.power": None})
    assert answer.value.path == "car.power"


def test_cool_down_laps_are_counted_until_nothing_boils() -> None:
    parked = wet(BASE, "parked")
    points = {"setup.fluid.dry_point": parked - 3, "setup.fluid.wet_point": parked - 3, "setup.fluid.water": 0.0}
    needed = simulated(**points).heat.cool_down_needed
    assert needed in (1, 2)
    assert wet(simulated(**points, cool_down_laps=needed), "parked") < parked - 3


def test_every_mend_does_what_it_says() -> None:
    session = Session(name="Tollgate", circuit=TOLLGATE, fast_laps=8)
    car = WREN.model_copy(update={"sessions": (session,)})
    advice = mend_heat(car, SPRINT, session, TODAY)
    before = simulate_session(car, SPRINT, session, TODAY)
    assert before.verdict.level is not Level.GOOD
    assert advice.mends
    for mend in advice.mends:
        of_car = {path.removeprefix("car."): value for path, value in mend.patch.items() if path.startswith("car.")}
        setup = {path.removeprefix("setup."): value for path, value in mend.patch.items() if path.startswith("setup.")}
        changed = car.patched(of_car)
        after = simulate_session(changed, SPRINT.patched(setup), changed.sessions[0], TODAY)
        assert (after.verdict.word, after.verdict.level) == (mend.word, mend.level)
        worst = before.verdict.findings[0]
        gone = (worst.key, worst.axle) not in {(one.key, one.axle) for one in after.verdict.findings}
        assert gone is mend.mends
    # Fresh fluid and a cool-down lap come before all else where the fluid is at issue.
    first = ("setup.fluid.water", "car.sessions.0.cool_down_laps")
    levels = [SEVERITY[mend.level] for mend in advice.mends if not any(path in mend.patch for path in first)]
    assert levels == sorted(levels), "best first"


def test_an_end_is_not_mended_by_shifting_its_heat_to_the_other() -> None:
    session = Session(name="Tollgate", circuit=TOLLGATE, fast_laps=8)
    hot = SPRINT.patched({"front.cooling.duct.fitted": False})
    answer = simulate_session(WREN, hot, session, TODAY).verdict
    assert {one.axle for one in answer.findings if one.key == "fade"} == {Axle.FRONT}
    titles = [mend.title for mend in mend_heat(WREN, hot, session, TODAY).mends]
    assert not any(title.startswith("Rear disc") for title in titles)


def test_what_the_figures_hang_on_comes_greatest_first() -> None:
    found = inspect_heat(WREN, SPRINT, LAPS, TODAY).sensitivities
    moves = [max(abs(one.front_peak), abs(one.rear_peak), abs(one.fluid)) for one in found]
    assert moves == sorted(moves, reverse=True)
    by_title = {one.title: one for one in found}
    assert by_title["Engine power +10 %"].front_peak > 10
    assert abs(by_title["Tyre grip +0.1"].front_peak) < 15
    assert by_title["Air at the discs +20 %"].front_peak < -20
    # What a heavier disc changes: one stop much, the steady lap little.
    thicker = by_title["Discs 15 % thicker"]
    assert thicker.stop_rise < -0.09 * BASE.heat.front.stop_rise
    assert abs(thicker.front_peak) < 15


def test_the_worst_session_of_a_car_speaks() -> None:
    fast = Session(name="Saltmarsh", circuit=SALTMARSH, fast_laps=5)
    hill = Session(name="Hill", circuit=GORSE_HILL, fast_laps=1)
    judged = judge_heat(WREN.model_copy(update={"sessions": (fast, hill)}), SPRINT, TODAY)
    assert [one.session for one in judged.sessions] == ["Saltmarsh", "Hill"]
    assert judged.worst is not None
    assert judged.worst.session == "Hill"
    none = judge_heat(WREN.model_copy(update={"sessions": ()}), SPRINT, TODAY)
    assert (none.worst, none.sessions) == (None, ())


def test_carbon_in_the_wet_and_carbon_that_burns_are_told_first() -> None:
    carbon = {f"setup.{axle}.disc.material": "carbon_carbon" for axle in ("front", "rear")}
    pads = {f"setup.{axle}.pad.material": "carbon" for axle in ("front", "rear")}
    answer = simulated(**carbon, **pads, track="wet")
    bite = next(one for one in answer.verdict.findings if one.word == "No bite in the wet")
    assert (bite.level, bite.rank) == (Level.BAD, Rank.EFFORT)
    hot = simulated(**carbon, **pads, **{"car.power": 300e3})
    assert "Front carbon oxidises" in [one.word for one in hot.verdict.findings]


def test_a_drilled_disc_is_lighter_and_cracks_sooner() -> None:
    drilled = simulated(**{"setup.front.disc.holes": 60})
    assert drilled.heat.front.ring_mass < 0.97 * BASE.heat.front.ring_mass
    assert drilled.heat.front.crack > 1.8 * BASE.heat.front.crack


def test_a_ring_that_was_weighed_is_as_heavy_as_it_was_weighed() -> None:
    heavy = simulated(**{"setup.front.disc.weighed_mass": 1.3 * BASE.heat.front.ring_mass})
    assert heavy.heat.front.stop_rise == pytest.approx(BASE.heat.front.stop_rise / 1.3, rel=0.06)


def test_an_answer_that_nobody_waits_for_is_left_off() -> None:
    asked = 0

    def twice() -> bool:
        nonlocal asked
        asked += 1
        return asked <= 2

    for question in (mend_heat, inspect_heat):
        asked = 0
        with pytest.raises(Cancelled):
            question(WREN, SPRINT, LAPS.patched({"fast_laps": 1}), TODAY, wanted=twice)
        assert asked == 3
    asked = 0
    with pytest.raises(Cancelled):
        judge_heat(WREN, SPRINT, TODAY, wanted=twice)


def test_pads_that_nobody_has_named_are_never_green() -> None:
    quiet = {"setup.fluid.kind": "race", "setup.fluid.water": 0.0}
    wide = {f"setup.{axle}.pad.{name}": value for axle in ("front", "rear") for name, value in WIDE.items()}
    known = simulated(**quiet, **wide)
    assert known.verdict.level is Level.GOOD
    unknown = {f"setup.{axle}.pad.compound": "unknown" for axle in ("front", "rear")}
    own = simulated(**quiet, **wide, **unknown)
    assert own.verdict.level is Level.GOOD, "the sheet's own window says it"
    answer = simulated(**quiet, **unknown, session=LAPS.patched({"fast_laps": 1}))
    assert "Pads not named" in [one.word for one in answer.verdict.findings]


WIDE = {"window_low": 273.15, "window_high": 1200.0}


@pytest.mark.parametrize(("spare", "level"), [(1.02, Level.WATCH), (1.3, Level.GOOD), (0.75, Level.BAD)])
def test_a_leg_that_is_nearly_at_its_end_is_not_green(spare: float, level: Level) -> None:
    quiet = {"setup.fluid.kind": "race", "setup.fluid.water": 0.0}
    wide = {f"setup.{axle}.pad.{name}": value for axle in ("front", "rear") for name, value in WIDE.items()}
    driver = {"car.driver": WREN.driver.patched({"foot_force": 100, "foot_force_limit": spare * BASE.heat.push})}
    answer = simulated(**quiet, **wide, **driver)
    assert answer.verdict.level is level
    assert [one.key for one in answer.verdict.findings] == ([] if level is Level.GOOD else ["leg"])


def test_front_pads_that_fade_first_put_the_rear_first() -> None:
    """The trap of a split of compounds: at the end of the session the rear locks first."""
    split = {"setup.front.pad.compound": "road", "setup.rear.pad.compound": "endurance"}
    answer = simulated(session=LAPS.patched({"fast_laps": 8}), **split, **{"setup.rear.master_cylinder.bore": 0.022225})
    found = {one.key: one for one in answer.verdict.findings}
    assert found["balance"].level is Level.BAD
    assert "the rear locks first and the car can spin" in found["balance"].text.text
    alike = simulated(**{"setup.rear.master_cylinder.bore": 0.022225})
    assert "balance" not in {one.key for one in alike.verdict.findings}
