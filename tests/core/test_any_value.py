"""Any value within the bounds gets an answer, or a word about what to change; never an error of ours."""

import math
from datetime import date
from typing import Any, get_args

import annotated_types
import pytest
from hypothesis import given, reject, settings
from hypothesis import strategies as st
from pydantic import BaseModel, ValidationError

from plimbo.cli.demo_data import CARS
from plimbo.core import (
    Assessment,
    Car,
    HydraulicsAnalysis,
    Measurements,
    OutOfRange,
    Setup,
    SimulatedSession,
    Survey,
    Uncertainty,
    analyse_hydraulics,
    assess,
    estimate_uncertainty,
    evaluate_measurements,
    simulate_session,
    survey,
)
from tests.strategies import between

# A run of hoses longer than the car.
DUCTS = ("setup.front.cooling.duct.", "setup.rear.cooling.duct.")


def number_paths(model: type[BaseModel], path: str) -> list[tuple[str, float, float]]:
    """Every plain number in a document with its bounds, which are only just inside where they cannot be reached."""
    found = []
    for name, field in model.model_fields.items():
        inside = field.annotation
        listed = next(
            (part for part in get_args(inside) if isinstance(part, type) and issubclass(part, BaseModel)), None
        )
        if listed is not None:
            found += number_paths(listed, f"{path}.{name}.0")
        elif isinstance(inside, type) and issubclass(inside, BaseModel):
            found += number_paths(inside, f"{path}.{name}")
        elif isinstance(field.json_schema_extra, dict) and inside in (float, float | None):
            low, high = -math.inf, math.inf
            for bound in field.metadata:
                if isinstance(bound, annotated_types.Gt):
                    low = math.nextafter(float(bound.gt), math.inf) + 1e-9  # type: ignore[arg-type]
                elif isinstance(bound, annotated_types.Ge):
                    low = float(bound.ge)  # type: ignore[arg-type]
                elif isinstance(bound, annotated_types.Lt):
                    high = float(bound.lt) - 1e-9  # type: ignore[arg-type]
                elif isinstance(bound, annotated_types.Le):
                    high = float(bound.le)  # type: ignore[arg-type]
            assert math.isfinite(low), (path, name)
            assert math.isfinite(high), (path, name)
            found.append((f"{path}.{name}", low, high))
    return found


TODAY = date(2026, 11, 26)
PATHS = number_paths(Car, "car") + number_paths(Setup, "setup")
WREN, (PLAIN_SETUP, *_) = CARS[0]
ZONE = {"run": 300, "from_speed": 40, "to_speed": 20, "distance": 60, "run_time": 10}
# With a braking zone, so that its numbers are tried too.
CAR = WREN.patched({"sessions.0.circuit.zones": [ZONE], "sessions.0.fast_laps": 2})
# With a friction curve, so that its points are tried too.
CURVE = [{"temperature": 300, "friction": 0.35}, {"temperature": 1400, "friction": 0.30}]
SETUP = PLAIN_SETUP.patched({"front.pad.friction_curve": CURVE, "rear.pad.friction_curve": CURVE})
FITTED: tuple[dict[str, Any], ...] = (
    {},
    {"split": "tandem cylinder"},
    {"split": "tandem cylinder", "booster.fitted": True, "valve.kind": "screw"},
    {
        "valve.kind": "lever",
        "handbrake.fitted": True,
        "front.pad.friction_curve": [],
        "rear.caliper.mounting": "sliding",
    },
)


@st.composite
def odd_values(draw: st.DrawFn) -> dict[str, float]:
    chosen = draw(st.lists(st.sampled_from(PATHS), min_size=1, max_size=4, unique=True))
    return {path: draw(st.sampled_from([low, high]) | between(low, high)) for path, low, high in chosen}


def put(values: dict[str, float]) -> tuple[Car, Setup]:
    document: dict[str, Any] = {"car": CAR.model_dump(mode="json"), "setup": SETUP.model_dump(mode="json")}
    for path, value in values.items():
        *parents, last = path.split(".")
        place = document
        for name in parents:
            place = place[int(name)] if name.isdigit() else place[name]
        place[last] = value
    return Car.model_validate(document["car"]), Setup.model_validate(document["setup"])


HEAT_PATHS = [
    path
    for path in PATHS
    if any(part in path[0] for part in ("sessions", "disc", "pad.", "caliper", "cooling", "fluid", "car.power"))
]


@st.composite
def odd_heat(draw: st.DrawFn) -> dict[str, float]:
    chosen = draw(st.lists(st.sampled_from(HEAT_PATHS), min_size=1, max_size=4, unique=True))
    return {path: draw(st.sampled_from([low, high]) | between(low, high)) for path, low, high in chosen}


@settings(max_examples=80, deadline=None)
@given(odd_heat(), st.sampled_from(["corners and straights", "braking zones"]))
def test_any_value_within_the_bounds_gets_a_session(values: dict[str, float], laid_out_by: str) -> None:
    try:
        car, setup = put(values)
        car = car.patched({"sessions.0.circuit.laid_out_by": laid_out_by})
    except ValidationError:
        reject()
    try:
        answer = simulate_session(car, setup, car.sessions[0], TODAY)
    except OutOfRange as told:
        ducts = tuple(f"setup.{axle}.cooling.duct.pieces." for axle in ("front", "rear"))
        of_the_car = ("car.states.", "car.top_speed", "car.power", "car.engine_braking")
        assert told.path.startswith(of_the_car + ducts)  # noqa: PT017
        return
    assert SimulatedSession.model_validate_json(answer.model_dump_json()) == answer
    # Nothing is colder than the day, but by a rounding.
    assert min(answer.heat.front_series.surface) > answer.heat.ambient - 0.2
    assert answer.heat.front.below + answer.heat.front.within + answer.heat.front.above == pytest.approx(1, abs=1e-6)


def test_every_number_of_the_documents_is_tried() -> None:
    assert len(PATHS) >= 90


@settings(max_examples=250, deadline=None)
@given(odd_values(), st.sampled_from(FITTED), st.booleans())
def test_any_value_within_the_bounds_gets_an_answer(
    values: dict[str, float], fitted: dict[str, Any], anti_lock: bool
) -> None:
    try:
        car, setup = put(values)
        setup = setup.patched(fitted)
        if anti_lock:
            original = {"anti_lock": True, "front": {"pistons": [0.0413, 0.0413]}}
            car = Car.model_validate(car.model_dump() | {"original": original})
    except ValidationError:
        reject()  # parts that do not go together, told elsewhere
    measured = evaluate_measurements(car, with_working=False)
    assert Measurements.model_validate_json(measured.model_dump_json()) == measured
    try:
        answer = assess(car, setup, with_working=False)
        sure = estimate_uncertainty(car, setup, draws=500)
        surveyed = survey(car, setup, with_working=False)
        pedal = analyse_hydraulics(car, setup, with_working=False)
    except OutOfRange as told:
        places = ("car.states.", "car.engine_braking", "car.top_speed", "car.trial_stop", "car.loading", *DUCTS)
        assert told.path.startswith(places)  # noqa: PT017  (most values do get an answer)
        return
    # The answers can be written and read back to the last digit: no number in them is infinite or none.
    assert Assessment.model_validate_json(answer.model_dump_json()) == answer
    assert HydraulicsAnalysis.model_validate_json(pedal.model_dump_json()) == pedal
    assert Survey.model_validate_json(surveyed.model_dump_json()) == surveyed
    assert Uncertainty.model_validate_json(sure.model_dump_json()) == sure
    for state in answer.states:
        assert 0 < state.efficiency <= 1 + 1e-9
        assert state.stop.lost >= -1e-6 * state.stop.distance
