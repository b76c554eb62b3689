"""Many setups as columns against each of them alone, from its own documents."""

from contextlib import suppress
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from plimbo.core import Car, Setup
from plimbo.core.braking.conditions import conditions_for
from plimbo.core.braking.screening import Screening
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.hydraulics.columns import goes_together, picked, with_changes
from plimbo.core.stepping.joints import joints
from plimbo.core.stepping.stock import BORES, PISTONS
from plimbo.core.working.inputs import PLAIN
from tests import strategies, w1

between = strategies.between
Patch = dict[str, Any]


@st.composite
def patches(draw: st.DrawFn, setup: Setup) -> list[Patch]:
    """Steps to neighbours, and parts of other sizes, some of which do not go with what is fitted."""
    end = draw(st.sampled_from(["front", "rear"]))
    steps = [dict(swap.patch) for joint in joints(setup) for swap in (joint.smaller, joint.bigger) if swap is not None]
    others: list[Patch] = [
        {f"{end}.caliper.pistons": draw(st.lists(st.sampled_from(PISTONS), min_size=1, max_size=4))},
        {f"{end}.pad.height": draw(between(0.02, 0.07)), f"{end}.pad.inset": draw(between(0, 0.01))},
        {f"{end}.disc.ring_height": draw(between(0.02, 0.12))},
        {f"{end}.pad.friction": 0.33, "valve.kind": "screw", "valve.knee": draw(between(5e5, 6e6))},
        {f"{end}.disc.material": "carbon_carbon", f"{end}.disc.weighed_mass": draw(between(1, 9))},
        {"fluid.air": 0.01, f"{end}.lines.hose": "rubber", f"{end}.caliper.mounting": "sliding"},
        {f"{end}.pad.worn": 0.004, f"{end}.disc.run_out": 2e-4, f"{end}.caliper.retention": "anti_knock_back"},
    ]
    if not setup.tandem_fitted:
        others.append({f"{end}.master_cylinder.bore": draw(st.sampled_from(BORES)), "balance_bar.offset": 0.003})
    return draw(st.lists(st.sampled_from(steps + others), min_size=2, max_size=8))


@settings(max_examples=60, deadline=None)
@given(st.data(), strategies.cars() | strategies.full_cars(), strategies.actuated_setups())
def test_every_row_is_the_setup_that_it_stands_for(data: st.DataObject, car: Car, setup: Setup) -> None:
    changes = data.draw(patches(setup))
    system = brake_system(setup, PLAIN)
    columns = with_changes(setup, system, changes)
    fits = np.broadcast_to(np.ravel(goes_together(columns)), len(changes))
    built: list[tuple[int, Setup]] = []
    for row, change in enumerate(changes):
        with suppress(ValidationError):
            built.append((row, setup.patched(change)))
    # What goes together is what a setup's own checks take.
    assert np.flatnonzero(fits).tolist() == [row for row, _ in built]
    if not built:
        return
    conditions = conditions_for(car)
    rows = np.array([row for row, _ in built])
    many = Screening(conditions, picked(columns, rows), len(rows))
    for place, (_, alone) in enumerate(built):
        one = Screening(conditions, brake_system(alone, PLAIN))
        for name in ("front_lock", "rear_lock", "spare", "efficiency", "foot_force", "front_at_lock"):
            both = getattr(many, name)[place].tolist(), getattr(one, name)[0].tolist()
            assert both[0] == pytest.approx(both[1], rel=1e-12), name
        assert many.rear_first[place].tolist() == one.rear_first[0].tolist()
        assert many.rear_first_if_pads_bite[place].tolist() == one.rear_first_if_pads_bite[0].tolist()
        for end in ("front", "rear"):
            for name, value in getattr(one.chain, end)._asdict().items():
                assert many.per_setup(getattr(getattr(many.chain, end), name))[place] == pytest.approx(value), name


def test_what_no_change_touches_stays_a_single_number() -> None:
    system = brake_system(w1.SETUP, PLAIN)
    columns = with_changes(w1.SETUP, system, [{"front.master_cylinder.bore": bore} for bore in BORES])
    assert columns.rear == system.rear
    assert columns.front.caliper == system.front.caliper
    assert columns.front.cylinder.bore.ravel().tolist() == list(BORES)
    assert columns.front.cylinder.efficiency == system.front.cylinder.efficiency


def test_the_rear_pads_biting_more_never_put_the_front_first() -> None:
    changes = [{"rear.pad.friction": friction} for friction in np.linspace(0.2, 0.7, 21).tolist()]
    columns = with_changes(w1.SETUP, brake_system(w1.SETUP, PLAIN), changes)
    screened = Screening(conditions_for(w1.CAR), columns, len(changes))
    assert np.all(screened.rear_first_if_pads_bite | ~screened.rear_first)
    assert np.any(screened.rear_first_if_pads_bite & ~screened.rear_first)
