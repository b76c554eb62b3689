"""The ends of discs and seals, wear and lives, and what a session counts."""

import math
from datetime import date
from typing import Any

import numpy as np
import pytest
from pydantic import ValidationError

from plimbo.cli.demo_circuits import FENBANK, GORSE_HILL
from plimbo.cli.demo_data import CARS
from plimbo.core import Circuit, Session, Setup, mend_heat, simulate_session, size_duct
from plimbo.core.circuits.lap import LapCar, LapSection, driven_to, lap
from plimbo.core.documents import CircuitSection
from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.quantities.axles import Axle
from plimbo.core.thermal.session_run import SessionRun, run_inputs, run_session
from plimbo.core.verdicts.level import Level
from plimbo.core.verdicts.session_heat.findings import HeatEvidence, HeatFinding
from plimbo.core.verdicts.session_heat.judging import judged_session
from plimbo.core.verdicts.session_heat.verdict import heat_verdict

TODAY = date(2026, 12, 1)
WREN, (SPRINT, *_) = CARS[0]
LAPS = Session(name="Fenbank", circuit=FENBANK, fast_laps=6)
BASE = judged_session(WREN, SPRINT, LAPS, TODAY).judged


def found_with(**front: Any) -> list[HeatFinding]:
    """The findings where the front has these readings."""
    readings = BASE.readings._replace(front=BASE.readings.front._replace(**front))
    return list(heat_verdict(BASE._replace(readings=readings)).findings)


def level(found: list[HeatFinding], key: str) -> Level | None:
    return next((one.level for one in found if one.key == key and one.axle is Axle.FRONT), None)


@pytest.mark.parametrize(
    ("surface", "bulk", "expected"),
    [
        (849, 749, None),
        (851, 700, Level.WATCH),
        (800, 751, Level.WATCH),
        (949, 900, Level.WATCH),
        (951, 700, Level.BAD),
        (1265, 1100, Level.BAD),
    ],
)
def test_iron_has_an_end(surface: float, bulk: float, expected: Level | None) -> None:
    """From memory of foundry practice: amber from 750 °C bulk or 850 on the surface, red from 950."""
    own = BASE.readings.front
    found = found_with(
        surface_peak=own.surface_peak._replace(value=surface + FREEZING),
        bulk_peak=own.bulk_peak._replace(value=bulk + FREEZING),
        window=(own.window[0], 1500.0),
    )
    assert level(found, "too_hot") is expected


def test_carbon_has_other_ends() -> None:
    own = BASE.readings.front
    hot = own._replace(surface_peak=own.surface_peak._replace(value=1300.0), window=(own.window[0], 1500.0))
    carbon = SPRINT.patched({"front.disc.material": "carbon_ceramic"})
    judged: HeatEvidence = BASE._replace(setup=carbon, readings=BASE.readings._replace(front=hot))
    keys = [one.key for one in heat_verdict(judged).findings if one.axle is Axle.FRONT]
    assert "material" in keys
    assert "too_hot" not in keys


def test_a_small_solid_disc_that_glows_is_bad_first_and_air_or_a_bigger_one_is_tried() -> None:
    small = {"front.disc.outer_diameter": 0.21, "front.disc.thickness": 0.008, "front.disc.vane_gap": 0.0}
    pads = {"front.pad.window_high": 1500.0, "rear.pad.window_high": 1500.0}
    setup, strong = SPRINT.patched({**small, **pads, "front.disc.vane_thickness": None}), WREN.patched({"power": 200e3})
    verdict = judged_session(strong, setup, LAPS, TODAY).verdict
    # Boiling fluid is graver; of what is left the discs come first.
    dry = [one for one in verdict.findings if not one.key.startswith("fluid")]
    assert (dry[0].key, dry[0].axle) == ("too_hot", Axle.FRONT)
    assert dry[0].level is Level.BAD
    advice = mend_heat(strong, setup, LAPS, TODAY)
    assert advice.mends
    assert not any("pads" in one.title for one in advice.mends[:1])


@pytest.mark.parametrize(("wet", "expected"), [(199, None), (201, Level.WATCH), (229, Level.WATCH), (231, Level.BAD)])
def test_seals_have_an_end_and_better_ones_a_later_one(wet: float, expected: Level | None) -> None:
    """From memory of seal practice: 200 °C where the fluid meets the piston, lost 30 K past it."""
    moment = BASE.readings.front.wet_running._replace(value=wet + FREEZING)
    parked = BASE.readings.front.wet_parked._replace(value=math.nan)
    assert level(found_with(wet_running=moment, wet_parked=parked), "seals") is expected
    hot = SPRINT.patched({"front.caliper.seal_limit": 523.15})
    readings = BASE.readings._replace(front=BASE.readings.front._replace(wet_running=moment, wet_parked=parked))
    assert level(list(heat_verdict(BASE._replace(setup=hot, readings=readings)).findings), "seals") is None


def axle_heat(setup: Setup = SPRINT, session: Session = LAPS) -> Any:
    return simulate_session(WREN, setup, session, TODAY).heat.front


def test_pads_eat_discs_by_their_factor_and_both_last_to_their_own_end() -> None:
    base, eats = axle_heat(), axle_heat(SPRINT.patched({"front.pad.disc_factor": 2.0}))
    assert eats.disc_worn == pytest.approx(2 * base.disc_worn)
    assert eats.disc_sets == pytest.approx(base.disc_sets / 2)
    thick = SPRINT.front.disc.thickness
    stamped = axle_heat(SPRINT.patched({"front.disc.least_thickness": thick - 0.003}))
    assert stamped.disc_sets == pytest.approx(0.0015 / base.disc_worn)
    assert base.disc_sets == pytest.approx(0.0006 / base.disc_worn)
    pad = SPRINT.front.pad
    early = axle_heat(SPRINT.patched({"front.pad.retired_at": 0.006}))
    assert early.pad_sets == pytest.approx((pad.thickness - pad.worn - 0.006) / early.pad_worn)
    with pytest.raises(ValidationError, match="as thin as it may get"):
        SPRINT.patched({"front.disc.least_thickness": thick})


def test_a_pad_at_its_limit_is_due_and_one_over_it_never_lasts_no_time() -> None:
    due = found_with(pad_left=0.0, pad_sets=0.0)
    assert next(one for one in due if one.key == "wear").word == "Front pads are due"
    own = BASE.readings.front
    nearly = found_with(pad_left=1e-6, pad_sets=1e-6 / own.pad_worn)
    wear = next(one for one in nearly if one.key == "wear")
    assert wear.level is Level.BAD
    assert wear.word == "Front pads do not last"
    assert "session" not in wear.margin_words


def test_a_duct_buys_life() -> None:
    """Common practice: also where the brakes are not too hot."""
    hotter = SPRINT.patched({"front.pad.window_high": 750.0})
    sizing = size_duct(WREN.model_copy(update={"sessions": (LAPS,)}), hotter, Axle.FRONT, TODAY)
    rows = {one.key: one for one in sizing.rows}
    none, ducted = rows["none"], rows["1x76"]
    assert none.pads_last is not None
    assert ducted.pads_last is not None
    assert ducted.pads_last > 1.2 * none.pads_last
    assert none.discs_last is not None


def test_a_bend_that_sets_no_limit_is_driven_as_fast_as_the_power_allows() -> None:
    """A winged car on an oval; by hand P = ½ρ·c·v³ + rolling·m·g·v."""
    car = LapCar(700.0, 250e3, 1.1, 4.0, 1.5)
    oval = lap(car, [LapSection(300.0), LapSection(math.pi * 300.0, 300.0)] * 2)
    root = np.roots([0.5 * car.air_density * car.drag_area, 0.0, car.rolling * car.mass * 9.80665, -car.power])
    most = next(float(one.real) for one in root if abs(one.imag) < 1e-9)
    assert math.sqrt(float(driven_to(car))) == pytest.approx(most, rel=1e-4)
    assert oval.at_nodes.max() == pytest.approx(most, rel=1e-3)


@pytest.mark.parametrize("circuit", [FENBANK, GORSE_HILL])
def test_the_speed_over_the_line_is_braked_before_the_car_is_parked(circuit: Circuit) -> None:
    session = LAPS.model_copy(update={"circuit": circuit, "fast_laps": 1, "out_laps": 0})
    inputs = run_inputs(WREN, SPRINT, session, TODAY)
    run = run_session(inputs)
    fast = next(phase for phase in run.phases if phase.kind == "fast")
    slow = next(phase for phase in run.phases if phase.kind == "slowing")
    assert fast.lap is not None
    at = slice(slow.begin, slow.end)
    speed, steps = run.run.speed[at], run.run.steps[at]
    car, crossing = inputs.lap_car, float(fast.lap.lap.at_nodes[-1])
    resists = 0.5 * car.air_density * car.drag_area * speed**2 + car.rolling * car.mass * 9.80665 + car.engine_braking
    braked = float((run.braked.forces[at].sum(axis=1) * speed * steps).sum())
    moving = 0.5 * car.mass * (1 + car.rotating) * crossing**2
    assert braked + float((resists * speed * steps).sum()) == pytest.approx(moving, rel=0.02)
    parked = next(phase for phase in run.phases if phase.kind == "parked")
    assert run.braked.front.bulk[parked.begin] > run.braked.front.bulk[fast.end - 1]


def test_too_cold_counts_the_laps_of_its_coldest_figure() -> None:
    for fast_laps in (1, 2, 3, 8):
        for low in (420.0, 560.0, 640.0, 700.0):
            setup = SPRINT.patched({"front.pad.window_low": low, "front.pad.window_high": 1100.0})
            verdict = judged_session(WREN, setup, LAPS.model_copy(update={"fast_laps": fast_laps}), TODAY).verdict
            for one in verdict.findings:
                if one.key == "cold":
                    assert (one.margin.value or 0.0) > 0


def _end_of_lap(run: SessionRun, number: int) -> int:
    return next(phase.end - 1 for phase in run.phases if phase.kind == "fast" and phase.number == number)


def test_a_race_stop_heats_the_fluid_with_the_engine_off() -> None:
    stop = LAPS.patched({"race_stop_after": 3, "race_stop": 600.0, "parked": 0.0})
    with_stop, without = (judged_session(WREN, SPRINT, one, TODAY) for one in (stop, LAPS.patched({"parked": 0.0})))
    kinds = [phase.kind for phase in with_stop.run.phases]
    assert kinds[: kinds.index("race stop") + 2].count("fast") == 4
    assert kinds.count("fast") == 6
    own = with_stop.readings.front
    assert own.wet_parked.value > 20 + with_stop.run.braked.front.wet_face[_end_of_lap(with_stop.run, 3)]
    assert "race stop" in own.wet_parked.place
    assert math.isnan(without.readings.front.wet_parked.value)
    with pytest.raises(ValidationError, match="No fast lap is left after the race stop"):
        LAPS.patched({"race_stop_after": 6})


def test_a_lap_that_is_typed_in_sections_keeps_its_speed_at_the_power() -> None:
    fast = Circuit(name="Ring", sections=(CircuitSection(length=2000.0), CircuitSection(length=1500.0, radius=400.0)))
    winged = WREN.patched({"front_lift_area": 2.0, "rear_lift_area": 2.5})
    answer = simulate_session(winged, SPRINT, LAPS.model_copy(update={"circuit": fast}), TODAY)
    assert max(answer.heat.strip.speeds) < 80
