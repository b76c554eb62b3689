"""What the documents refuse, what they take with a word, and what they say of themselves."""

import re
from pathlib import Path
from typing import Any

import pytest
from pydantic import BaseModel, ValidationError, create_model

from plimbo.core import Car, Setup, assess
from plimbo.core.documents.setup import CONFLICTS
from plimbo.core.quantities import defaults
from plimbo.core.quantities.defaults import Assumption
from plimbo.core.quantities.unit_factors import FACTORS
from plimbo.core.quantities.units import UnitSystem, shown, unit_table
from tests import w1
from tools.unit_factors import factors

INFINITE, NAN = float("inf"), float("nan")


@pytest.mark.parametrize(
    ("field", "value"),
    [
        ("mass", -640),
        ("mass", NAN),
        ("mass", INFINITE),
        ("front_share", 0),
        ("front_share", 1),
        ("wheelbase", 0),
        ("cg_height", -0.1),
        ("top_speed", 10),
        ("stop_to_speed", 62),
        ("states", ()),
        ("states", (w1.STATIC, w1.STATIC)),
        ("name", ""),
        ("surprise", 1),
    ],
)
def test_impossible_cars_are_refused_at_their_field(field: str, value: Any) -> None:
    with pytest.raises(ValidationError) as refused:
        Car.model_validate(w1.CAR.model_dump() | {field: value})
    # A top speed below the end of the hardest stop is refused at that end.
    assert refused.value.errors()[0]["loc"][0] == ("stop_to_speed" if field == "top_speed" else field)


@pytest.mark.parametrize(
    ("path", "value", "words"),
    [
        ("front.master_cylinder.bore", 0, "at least 4.00 mm"),
        ("front.caliper.pistons", [], "at least 1 item"),
        ("front.caliper.pistons", [0.0], "at least 5 mm"),
        ("rear.caliper.pistons", [0.036] * 4, "take 144.0 mm, more than the 110.0 mm long pad"),
        ("rear.pad.height", 0.06, "past the 44.0 mm ring"),
        ("rear.disc.ring_height", 0.14, "reaches the middle of the disc"),
        ("rear.disc.vane_gap", 0.026, "leaves no cheeks"),
        ("balance_bar.offset", 0.032, "outside the clevises"),
        ("balance_bar.offset", -0.04, "outside the clevises"),
        ("pedal.ratio", 1, "more than 1.00"),
        ("rear.pad.friction", NAN, "finite"),
        ("rear.pad.worn", 0.012, "Nothing is left of the lining"),
        ("front.pad.friction_curve", [{"temperature": 400, "friction": 0.4}], "One point is no curve"),
        (
            "front.pad.friction_curve",
            [{"temperature": 500, "friction": 0.4}, {"temperature": 500, "friction": 0.5}],
            "from cold to hot",
        ),
        ("valve.positions", [3e6, 2e6], "from the lowest knee to the highest"),
        ("valve.positions", [3e6, 3e7], "at most 200.0 bar"),
        ("valve.slope", 1.2, "at most 100 %"),
        ("booster.fitted", True, "A booster pushes one rod"),
        ("handbrake.ratio", 1, "more than 1.00"),
        ("fluid.air", 0.3, "at most 20 %"),
        ("split", "diagonal", "bar"),
    ],
)
def test_impossible_setups_are_refused_with_the_reason(path: str, value: Any, words: str) -> None:
    with pytest.raises(ValidationError) as refused:
        w1.SETUP.patched({path: value})
    assert words in str(refused.value)


@pytest.mark.parametrize(
    ("changes", "words"),
    [
        (
            {"front.master_cylinder.dead_stroke": 0.005, "front.master_cylinder.stroke": 0.004},
            "takes all of the cylinder's",
        ),
        ({"pedal.pad_length": 0.2, "pedal.rod_length": 0.2}, "measure both lengths again"),
        ({"pedal.pad_length": 0.5, "pedal.rod_length": 0.04}, "measure both lengths again"),
    ],
)
def test_measures_that_cannot_be_together_are_refused(changes: dict[str, Any], words: str) -> None:
    with pytest.raises(ValidationError) as refused:
        w1.SETUP.patched(changes)
    assert words in str(refused.value)


def test_what_is_not_fitted_stays_in_the_setup_and_changes_nothing() -> None:
    """Bar, cylinders, tandem, booster and valve all keep their place: a change of mind loses nothing."""
    idle = w1.SETUP.patched({"tandem.bore": 0.0254, "booster.gain": 7.0, "valve.knee": 5e5, "handbrake.bore": 0.015875})
    one, other = (assess(w1.CAR, setup, with_working=False) for setup in (idle, w1.SETUP))
    assert (one.states, one.verdicts, one.joints) == (other.states, other.verdicts, other.joints)
    tandem = idle.patched({"split": "tandem"})
    turned = tandem.patched({"balance_bar.offset": 0.01, "front.master_cylinder.bore": 0.015875})
    answer = [assess(w1.CAR, setup, with_working=False).states for setup in (tandem, turned)]
    assert answer[0] == answer[1]
    assert tandem.patched({"split": "bar"}) == idle


def test_driver_cannot_choose_more_than_the_limit() -> None:
    with pytest.raises(ValidationError, match="raise the limit or choose a lighter push"):
        Car.model_validate(w1.CAR.model_dump() | {"driver": {"foot_force": 500, "foot_force_limit": 400}})


def test_every_own_default_has_a_reason_and_is_used() -> None:
    own = {name: value for name, value in vars(defaults).items() if isinstance(value, Assumption)}
    assert len(own) > 15
    core = Path(defaults.__file__).parents[1]
    code = "\n".join(file.read_text(encoding="utf-8") for file in core.rglob("*.py"))
    for name, assumption in own.items():
        assert len(assumption.reason) > 20, name
        assert re.search(rf"\bdefaults\.{name}\b", code), f"{name} is used nowhere"


def models(model: type[BaseModel]) -> set[type[BaseModel]]:
    found = {model}
    for field in model.model_fields.values():
        for part in (field.annotation, *getattr(field.annotation, "__args__", ())):
            if isinstance(part, type) and issubclass(part, BaseModel):
                found |= models(part)
    return found


def test_every_number_has_unit_help_and_bounds_that_hold_its_usual_range() -> None:
    numbers = 0
    for model in models(Car) | models(Setup):
        for name, field in model.model_fields.items():
            assert field.title or field.annotation in (str, *models(Car), *models(Setup)), (model, name)
            extra = field.json_schema_extra
            if not isinstance(extra, dict) or "new" in extra:  # a list of documents
                continue
            numbers += 1
            assert extra["dimension"] in unit_table(), (model, name)
            assert field.description
            for end in extra.get("usual", ()):  # a trace has none
                document = [end] if "tuple" in str(field.annotation) else end
                # On its own: what it must be to its neighbours is another matter.
                alone = create_model("Alone", **{name: (field.annotation, field)})
                alone.model_validate({name: document})
    assert numbers > 35


def test_the_factors_of_the_units_are_those_of_pint() -> None:
    assert factors() == FACTORS


@pytest.mark.parametrize(
    ("value", "dimension", "system", "text"),
    [
        (0.0254 * 13 / 16, "bore", "imperial", "13/16 in"),
        (1e5, "pressure", "imperial", "15 psi"),
        (1e5, "pressure", "mixed", "1.0 bar"),
        (4.4482216, "force", "imperial", "1 lbf"),
        (9.80665, "deceleration", "metric", "1.00 g"),
        (0.45359237, "mass", "imperial", "1 lb"),
        (10.0, "temperature difference", "imperial", "18 Δ°F"),
        (293.15, "temperature", "metric", "20 °C"),
        (310.928, "temperature", "imperial", "100 °F"),
        (0.6056, "share", "metric", "60.6 %"),
        (44.704, "speed", "imperial", "100 mph"),
        (1.3558179, "torque", "imperial", "1 lbf·ft"),
        (None, "force", "metric", "–"),
        (-3.0, "distance", "metric", "−3.0 m"),
    ],
)
def test_display_units(value: float | None, dimension: str, system: str, text: str) -> None:
    """The international yard and pound (1959) and the standard acceleration of gravity: exact by definition."""
    assert shown(value, dimension, UnitSystem(system)) == text


@pytest.mark.parametrize("conflict", CONFLICTS, ids=lambda one: one["path"])
def test_what_is_told_to_rule_out_a_choice_does_and_what_makes_room_for_it_does(conflict: dict[str, Any]) -> None:
    wanted = {conflict["path"]: conflict["value"]}
    with pytest.raises(ValidationError, match="tandem cylinder"):
        w1.SETUP.patched(conflict["against"] | wanted)
    w1.SETUP.patched(conflict["against"] | conflict["makes_room"] | wanted)
