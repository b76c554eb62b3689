"""Any value within the bounds gets an answer, or a word about what to change; never an error of ours."""

import math
from collections.abc import Iterator
from datetime import date
from typing import Any, NamedTuple, get_args, get_origin

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
from plimbo.core.quantities.metadata import field_metadata
from tests.strategies import between

# A run of hoses longer than the car.
DUCTS = ("setup.front.cooling.duct.", "setup.rear.cooling.duct.")


class NumberField(NamedTuple):
    """A numeric field of a document: its bounds, only just inside where they cannot be reached; whether it takes whole
    numbers only, and how many numbers it holds where it is a list.
    """

    path: str
    low: float
    high: float
    whole: bool = False
    counts: tuple[int, int] | None = None


def number_fields(model: type[BaseModel], path: str) -> list[NumberField]:
    """Every numeric field in a document and the documents inside it."""
    found = []
    for name, field in model.model_fields.items():
        place = f"{path}.{name}"
        inner = next(documents_in(field.annotation), None)
        if inner is not None:
            found += number_fields(inner, place if field.annotation is inner else f"{place}.0")
        elif "dimension" in field_metadata(model, name):
            found.append(field_of(place, field))
    return found


def documents_in(annotation: Any) -> Iterator[type[BaseModel]]:
    if isinstance(annotation, type) and issubclass(annotation, BaseModel):
        yield annotation
    for part in get_args(annotation):
        yield from documents_in(part)


def field_of(path: str, field: Any) -> NumberField:
    if get_origin(field.annotation) is tuple:
        (item, _) = get_args(field.annotation)
        low, high = bounds(path, get_args(item)[1].metadata)
        fewest = max((one.min_length for one in field.metadata if isinstance(one, annotated_types.MinLen)), default=0)
        (most,) = (one.max_length for one in field.metadata if isinstance(one, annotated_types.MaxLen))
        return NumberField(path, low, high, counts=(fewest, most))
    low, high = bounds(path, field.metadata)
    return NumberField(path, low, high, whole=field.annotation is int)


def bounds(path: str, metadata: Any) -> tuple[float, float]:
    low, high = -math.inf, math.inf
    for bound in metadata:
        if isinstance(bound, annotated_types.Gt):
            low = math.nextafter(float(bound.gt), math.inf) + 1e-9  # type: ignore[arg-type]
        elif isinstance(bound, annotated_types.Ge):
            low = float(bound.ge)  # type: ignore[arg-type]
        elif isinstance(bound, annotated_types.Lt):
            high = float(bound.lt) - 1e-9  # type: ignore[arg-type]
        elif isinstance(bound, annotated_types.Le):
            high = float(bound.le)  # type: ignore[arg-type]
    assert math.isfinite(low), path
    assert math.isfinite(high), path
    return low, high


TODAY = date(2026, 11, 26)
FIELDS = number_fields(Car, "car") + number_fields(Setup, "setup")
WREN, (PLAIN_SETUP, *_) = CARS[0]
ZONE = {"run": 300, "from_speed": 40, "to_speed": 20, "distance": 60, "run_time": 10}
# With a braking zone, so that its numbers are tried too.
TRACE = {"trace_distance": [0.0, 400.0, 900.0], "trace_speed": [40.0, 55.0, 20.0]}
CAR = WREN.patched(
    {"sessions.0.circuit.zones": [ZONE], "sessions.0.fast_laps": 2}
    | {f"sessions.0.circuit.{name}": values for name, values in TRACE.items()}
)
# With a friction curve, so that its points are tried too.
CURVE = [{"temperature": 300, "friction": 0.35}, {"temperature": 1400, "friction": 0.30}]
SETUP = PLAIN_SETUP.patched({"front.pad.friction_curve": CURVE, "rear.pad.friction_curve": CURVE})
FITTED: tuple[dict[str, Any], ...] = (
    {},
    {"split": "tandem"},
    {"split": "tandem", "booster.fitted": True, "valve.kind": "screw"},
    {
        "valve.kind": "lever",
        "handbrake.fitted": True,
        "front.pad.friction_curve": [],
        "rear.caliper.mounting": "sliding",
    },
)


# Lists whose numbers must rise; and those that need as many numbers as another list has, with the number there is.
RISING = ("positions", "trace_distance")
AS_MANY = {"shares": 2, "trace_distance": 3, "trace_speed": 3}


def odd_value(field: NumberField) -> st.SearchStrategy[Any]:
    """Its bounds, and any number between them."""
    if field.whole:
        low, high = int(field.low), int(field.high)
        return st.sampled_from([low, high]) | st.integers(low, high)
    one = st.sampled_from([field.low, field.high]) | between(field.low, field.high)
    if field.counts is None:
        return one
    name = field.path.rpartition(".")[2]
    fewest, most = (AS_MANY[name],) * 2 if name in AS_MANY else field.counts
    many = st.lists(one, min_size=fewest, max_size=most, unique=name in RISING)
    return many.map(sorted) if name in RISING else many


def odd_values(fields: list[NumberField]) -> st.SearchStrategy[dict[str, Any]]:
    """Up to four fields with any value that they take."""
    chosen = st.lists(st.sampled_from(fields), min_size=1, max_size=4, unique=True)
    return chosen.flatmap(lambda some: st.fixed_dictionaries({one.path: odd_value(one) for one in some}))


def put(values: dict[str, Any]) -> tuple[Car, Setup]:
    document: dict[str, Any] = {"car": CAR.model_dump(mode="json"), "setup": SETUP.model_dump(mode="json")}
    for path, value in values.items():
        *parents, last = path.split(".")
        place = document
        for name in parents:
            place = place[int(name)] if name.isdigit() else place[name]
        place[last] = value
    return Car.model_validate(document["car"]), Setup.model_validate(document["setup"])


HEAT_FIELDS = [
    field
    for field in FIELDS
    if any(part in field.path for part in ("sessions", "disc", "pad.", "caliper", "cooling", "fluid", "car.power"))
]


@settings(max_examples=80, deadline=None)
@given(odd_values(HEAT_FIELDS), st.sampled_from(["corners", "zones"]))
def test_any_value_within_the_bounds_gets_a_session(values: dict[str, Any], laid_out_by: str) -> None:
    try:
        car, setup = put(values)
        car = car.patched({"sessions.0.circuit.laid_out_by": laid_out_by})
    except ValidationError:
        reject()
    try:
        answer = simulate_session(car, setup, car.sessions[0], TODAY)
    except OutOfRange as result:
        ducts = tuple(f"setup.{axle}.cooling.duct.pieces." for axle in ("front", "rear"))
        of_the_car = ("car.states.", "car.top_speed", "car.power", "car.engine_braking")
        assert result.path.startswith(of_the_car + ducts)  # noqa: PT017
        return
    assert SimulatedSession.model_validate_json(answer.model_dump_json()) == answer
    # Nothing is colder than the day, but by a rounding.
    assert min(answer.heat.front_series.surface) > answer.heat.ambient - 0.2
    assert answer.heat.front.below + answer.heat.front.within + answer.heat.front.above == pytest.approx(1, abs=1e-6)


def test_every_number_of_the_documents_is_tried() -> None:
    """Pistons, presets, vanes, holes and laps too."""
    assert len(FIELDS) >= 200
    named = {field.path.rpartition(".")[2] for field in FIELDS}
    assert named >= {"pistons", "positions", "vanes", "holes", "slots", "fast_laps", "hoses", "shares", "trace_speed"}


def test_holes_that_leave_no_disc_are_refused() -> None:
    """400 holes of 12 mm would leave a ring of less than nothing."""
    with pytest.raises(ValidationError, match="half of the friction ring"):
        SETUP.patched({"front.disc.holes": 400, "front.disc.hole_diameter": 0.012})
    with pytest.raises(ValidationError, match="wider than the friction ring is high"):
        SETUP.patched({"front.disc.ring_height": 0.019, "front.disc.holes": 1, "front.disc.hole_diameter": 0.02})
    drilled = SETUP.patched({"front.disc.holes": 96, "front.disc.hole_diameter": 0.006})
    plain, light = (assess(CAR, one, with_working=False).states[0].front.disc.ring_mass for one in (SETUP, drilled))
    assert 0.9 * plain < light < plain


@settings(max_examples=250, deadline=None)
@given(odd_values(FIELDS), st.sampled_from(FITTED), st.booleans())
def test_any_value_within_the_bounds_gets_an_answer(
    values: dict[str, Any], fitted: dict[str, Any], anti_lock: bool
) -> None:
    try:
        car, setup = put(values)
        setup = setup.patched(fitted)
        if anti_lock:
            original = {"anti_lock": True, "front": {"pistons": [0.0413, 0.0413]}}
            car = Car.model_validate(car.model_dump() | {"original": original})
    except ValidationError:
        reject()  # parts that do not go together are tested elsewhere
    measured = evaluate_measurements(car, with_working=False)
    assert Measurements.model_validate_json(measured.model_dump_json()) == measured
    try:
        answer = assess(car, setup, with_working=False)
        sure = estimate_uncertainty(car, setup, draws=500)
        surveyed = survey(car, setup, with_working=False)
        pedal = analyse_hydraulics(car, setup, with_working=False)
    except OutOfRange as result:
        places = ("car.states.", "car.engine_braking", "car.top_speed", "car.trial_stop", "car.loading", *DUCTS)
        assert result.path.startswith(places)  # noqa: PT017  (most values do get an answer)
        return
    # The answers can be written and read back to the last digit: no number in them is infinite or none.
    assert Assessment.model_validate_json(answer.model_dump_json()) == answer
    assert HydraulicsAnalysis.model_validate_json(pedal.model_dump_json()) == pedal
    assert Survey.model_validate_json(surveyed.model_dump_json()) == surveyed
    assert Uncertainty.model_validate_json(sure.model_dump_json()) == sure
    for state in answer.states:
        assert 0 < state.efficiency <= 1 + 1e-9
        assert state.stop.lost >= -1e-6 * state.stop.distance
