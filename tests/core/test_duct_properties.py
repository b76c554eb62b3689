"""Any duct within its bounds: what flows is one number, is continuous, and goes the way that air goes."""

import math
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from plimbo.cli.demo_data import CARS
from plimbo.core import OutOfRange, analyse_air
from plimbo.core.documents import Aim, Cooling, Flange, Mouth, OpeningPlace, Wall
from plimbo.core.ducting.flow import SPEEDS, AirProperties, Vanes, cooling_air, drawn_by_vanes, flows, piece_loss
from plimbo.core.ducting.run import run_of
from plimbo.core.quantities.axles import Axle
from tests.ducts import DAY, duct
from tests.strategies import between

WREN, (SPRINT, *_) = CARS[0]
RACER = Vanes(0.14, 0.092, 0.0055, 0.40, 0.283)
AT = np.array([5.0, 25.0, 70.0])


def sure(choices: Any) -> st.SearchStrategy[Any]:
    return st.sampled_from([one.value for one in choices])


@st.composite
def pieces(draw: st.DrawFn) -> list[dict[str, Any]]:
    bore = st.sampled_from([0.03, 0.051, 0.063, 0.076, 0.102, 0.2])
    hose = st.fixed_dictionaries(
        {"kind": st.just("hose"), "bore": bore, "length": between(0.02, 1.5), "wall": sure(Wall)}
    )
    bend = st.fixed_dictionaries(
        {"kind": st.just("bend"), "angle": between(0.1, 3.1), "turn": between(0.5, 8.0), "bore": bore}
    )
    reducer = st.fixed_dictionaries({"kind": st.just("reducer"), "bore": bore, "length": between(0.01, 0.3)})
    run = draw(st.lists(st.one_of(hose, bend, reducer), min_size=0, max_size=5))
    run.insert(draw(st.integers(0, len(run))), draw(hose))
    if draw(st.booleans()):
        run.insert(draw(st.integers(0, len(run))), {"kind": "split"})
    return run


@st.composite
def coolings(draw: st.DrawFn) -> Cooling:
    made = {
        "fitted": True,
        "hoses": draw(st.integers(1, 3)),
        "pieces": draw(pieces()),
        "aim": draw(sure(Aim)),
        "flange": draw(sure(Flange)),
        "seal": draw(between(0.0, 1.0)),
        "caliper_bore": draw(st.sampled_from([0.0, 0.01, 0.025, 0.06])),
        "opening": {
            "place": draw(sure(OpeningPlace)),
            "mouth": draw(sure(Mouth)),
            "area": draw(between(1e-4, 0.05)),
            "screen": draw(between(0.05, 1.0)),
            "pressure_coefficient": draw(st.one_of(st.none(), between(-1.0, 1.0))),
        },
    }
    return Cooling.model_validate({"outlet": draw(between(-0.6, 0.6)), "duct": made})


@settings(max_examples=120, deadline=None)
@given(coolings(), between(0.0, 0.95))
def test_what_comes_out_of_the_duct_goes_somewhere(cooling: Cooling, tape: float) -> None:
    run = run_of(cooling, tape)
    found = flows(run, RACER, DAY, AT)
    for values in found:
        assert np.isfinite(values).all()
    if run.aim is Aim.EYE:
        scale = np.abs(found.duct) + np.abs(found.vanes) + 1e-9
        assert np.abs(found.duct - found.caliper - found.vanes - found.leak) / scale == pytest.approx(0.0, abs=1e-6)
        path = sum(piece_loss(one, found.duct, DAY) for one in run.pieces)
        path += piece_loss(run.flange, found.duct - found.caliper, DAY) + found.eye
        assert np.abs(path - found.ram) == pytest.approx(0.0, abs=1e-6 * float(np.max(np.abs(found.ram)) + 1000))
    else:
        _, own = drawn_by_vanes(RACER, DAY, AT)
        assert found.vanes == pytest.approx(own), "a hose in the open takes nothing from the vanes"


@settings(max_examples=80, deadline=None)
@given(coolings())
def test_more_speed_never_brings_less(cooling: Cooling) -> None:
    run = run_of(cooling)
    vanes = flows(run, RACER, DAY, np.array(SPEEDS)).vanes
    assume(float(vanes.min()) > 1e-4)
    assert (np.diff(vanes) > 0).all()


@settings(max_examples=80, deadline=None)
@given(coolings(), between(0.0, 0.6))
def test_tape_never_brings_more_through_the_opening(cooling: Cooling, tape: float) -> None:
    ram = flows(run_of(cooling), RACER, DAY, AT)
    assume(float(ram.duct.min()) > 1e-4)
    taped = flows(run_of(cooling, tape + 0.1), RACER, DAY, AT)
    assert (taped.duct <= ram.duct * (1 + 1e-9)).all()


@settings(max_examples=80, deadline=None)
@given(coolings(), between(0.0, 0.95), st.booleans())
def test_what_the_session_is_told_of_a_duct_is_sound(cooling: Cooling, tape: float, solid: bool) -> None:
    answer = cooling_air(run_of(cooling, tape), RACER._replace(passage=0.0) if solid else RACER, DAY)
    assert len(answer.gains) == len(answer.shares) == len(answer.eye_gains) == len(SPEEDS)
    assert all(0 <= share <= 1 for share in answer.shares)
    assert all(0 <= gain < 40 and math.isfinite(gain) for gain in (*answer.gains, *answer.eye_gains))
    assert answer.blown >= 1
    assert answer.solid_jet >= 0 or solid
    if not solid and cooling.duct.aim is not Aim.EYE:
        assert answer.gains == (1.0,) * len(SPEEDS)


@settings(max_examples=60, deadline=None)
@given(coolings(), between(0.0, 100.0), st.sampled_from(list(Axle)))
def test_any_duct_on_a_car_is_told_or_refused_at_its_hose(cooling: Cooling, speed: float, axle: Axle) -> None:
    brake = SPRINT.brake(axle).model_copy(update={"cooling": cooling})
    setup = SPRINT.model_copy(update={axle.value: brake})
    try:
        answer = analyse_air(WREN, setup, axle, WREN.sessions[0], speed)
    except OutOfRange as refused:
        assert ".pieces." in refused.path  # noqa: PT017
        return
    assert len(answer.pieces) == len(cooling.duct.pieces) + 2
    assert {key for key in answer.headlines if key.startswith("piece.")} == {one.headline for one in answer.pieces}
    assert all(part.count > 0 for part in answer.parts)
    assert answer.model_dump_json()


@pytest.mark.parametrize("name", ["seal", "length", "bends", "wall"])
def test_each_way_to_better_a_run_betters_it(name: str) -> None:
    worse, better = {
        "seal": (duct(seal=0.6), duct(seal=0.95)),
        "length": (duct(length=2.0), duct(length=0.8)),
        "bends": (duct(bends=2), duct(bends=1)),
        "wall": (duct(), duct(wall="smooth")),
    }[name]
    less, more = (float(flows(run_of(one), RACER, DAY, np.array([40.0])).vanes[0]) for one in (worse, better))
    assert more > less


def test_thin_air_brings_less() -> None:
    low, high = (
        float(flows(run_of(duct()), RACER, AirProperties(density, 1.8e-5), np.array([40.0])).vanes[0])
        for density in (1.2, 0.95)
    )
    assert high / low == pytest.approx(0.95 / 1.2, rel=0.01)


@pytest.mark.parametrize(
    ("values", "words"),
    [
        ({"aim": "tyre"}, "does nothing for the brakes"),
        ({"aim": "face"}, "outboard pad runs hotter"),
        ({"opening": {"place": "door"}}, "Hardly any pressure"),
        ({"opening": {"area": 0.0015}}, "narrowest place"),
        ({"pieces": [{"kind": "hose"}, {"kind": "bend", "turn": 0.7}]}, "kinked"),
    ],
)
def test_what_is_seen_at_once_is_said(values: dict[str, Any], words: str) -> None:
    made = SPRINT.front.cooling.duct.model_dump(mode="json") | values
    setup = SPRINT.patched({"front.cooling.duct": made})
    answer = analyse_air(WREN, setup, Axle.FRONT, with_working=False)
    assert any(words in one.text for one in answer.remarks)


def test_a_split_is_one_opening_for_both_wheels() -> None:
    split = [{"kind": "hose", "length": 0.4}, {"kind": "split"}, {"kind": "hose", "length": 0.6}]
    answer = analyse_air(WREN, SPRINT.patched({"front.cooling.duct.pieces": split}), Axle.FRONT, with_working=False)
    counts = {part.name: part.count for part in answer.parts}
    assert counts["Opening of 47 cm², proud, rounded lip"] == 1
    assert counts["Convoluted hose 63 mm, 0.40 m"] == 1
    assert counts["Convoluted hose 63 mm, 0.60 m"] == 2
    by_place = {piece.place: piece for piece in answer.pieces}
    assert by_place[0].flow == pytest.approx(2 * by_place[2].flow)
