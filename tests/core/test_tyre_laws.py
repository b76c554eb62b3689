"""The numerical solver against the closed forms of the textbooks, and the laws on arrays against single numbers."""

import math

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from plimbo.core.braking import lock_order
from plimbo.core.quantities.axles import Axle
from plimbo.core.vehicle import tyre_limit, tyres
from plimbo.core.vehicle.tyre_limit import AxleCapacity
from tests.strategies import between


def capacity(load: float, grip: float, sensitivity: float, reference: float) -> float:
    """What an axle's two tyres give at a load, N."""
    own = AxleCapacity(0.0, load, grip, sensitivity, reference, 0.0, 0.0, None)
    return float(own.capacity(load, Axle.FRONT))


wide = settings(max_examples=300, deadline=None)
ALMOST_NONE = 1e-12  # the numerical solver asks for a load sensitivity: one so small that nothing is left of it

weights, grips, transfers = between(2000, 40_000), between(0.05, 2.2), between(0.05, 0.45)


@wide
@given(weights, between(0.2, 0.8), grips, transfers, between(0.05, 0.95))
def test_without_load_sensitivity_the_solver_gives_the_closed_lock_forces(
    weight: float, front_share: float, grip: float, transfer: float, share: float
) -> None:
    front, rear = weight * front_share, weight * (1 - front_share)
    closed = lock_order.front_lock_force(grip, front, share, transfer)
    solved = tyres.lock_force(grip, front, share, transfer, ALMOST_NONE, 3000.0, 0.0, 0.0)
    if share - grip * transfer > 1e-5:
        # Where the axle all but never locks, the least of sensitivity is felt.
        assert solved == pytest.approx(closed, rel=1e-6 if share - grip * transfer > 1e-3 else 1e-4)
        assert tyres.lock_force_with_engine(grip, front, share, transfer, 0.0, 0.0) == pytest.approx(closed, rel=1e-12)
    elif share - grip * transfer < -1e-5:
        assert closed == math.inf
        assert solved > 1e6
    closed = lock_order.rear_lock_force(grip, rear, share, transfer)
    solved = tyres.lock_force(grip, rear, 1 - share, -transfer, ALMOST_NONE, 3000.0, 0.0, 0.0)
    assert solved == pytest.approx(closed, rel=1e-6)


@wide
@given(weights, between(0.2, 0.8), grips, grips, transfers)
def test_without_load_sensitivity_the_solver_gives_the_closed_limit(
    weight: float, front_share: float, front_grip: float, rear_grip: float, transfer: float
) -> None:
    front, rear = weight * front_share, weight * (1 - front_share)
    assume(front_grip * (front + rear) < 0.98 * rear / transfer)
    closed = tyre_limit.tyre_limit_force(front_grip, rear_grip, front, rear, transfer)
    solved = tyres.limit_force(front_grip, rear_grip, front, rear, transfer, 0.0, 3000.0, 0.0, 3000.0)
    assert solved == pytest.approx(closed, rel=1e-6)
    if front_grip == rear_grip:
        assert solved / weight == pytest.approx(front_grip)


@wide
@given(
    weights, grips, transfers, between(0.05, 0.95), between(0, 0.4), between(500, 6000), between(0, 0.1), st.booleans()
)
def test_the_axle_is_at_its_capacity_when_it_locks_and_was_not_before(
    load: float,
    grip: float,
    transfer: float,
    share: float,
    sensitivity: float,
    reference: float,
    engine: float,
    at_front: bool,
) -> None:
    towards = transfer if at_front else -transfer
    engine = engine * load
    law = grip, sensitivity, reference
    assume(capacity(load + engine * towards, *law) > 1.01 * engine)
    if sensitivity > 1e-6:
        found = tyres.lock_force(grip, load, share, towards, sensitivity, reference, engine, engine)
    else:
        assume(sensitivity == 0)
        found = tyres.lock_force_with_engine(grip, load, share, towards, engine, engine)

    def spare(force: float) -> float:
        at = max(0.0, load + (force + engine) * towards)
        return capacity(at, *law) - share * force - engine

    if math.isinf(found):
        assert spare(1e8) > 0
        return
    assert spare(found) == pytest.approx(0, abs=1e-6 * (found + load))
    assert all(spare(found * part) > -1e-6 * load for part in (0, 0.3, 0.7, 0.99))


def test_grip_of_a_tyre_by_its_definition() -> None:
    """μ(N) = μ_ref·(1 − s·(N − N_ref)/N_ref): s is what goes when the load doubles; two tyres share the axle's load."""
    law = 1.2, 0.1, 2000.0
    assert capacity(4000.0, *law) == pytest.approx(1.2 * 4000)
    assert capacity(8000.0, *law) == pytest.approx(1.2 * 0.9 * 8000)
    assert capacity(2000.0, *law) == pytest.approx(1.2 * 1.05 * 2000)
    # Its most at N = N_ref·(1 + s)/(2·s) a tyre; more load is held to give no more.
    peak = 2000 * 1.1 / 0.1
    assert capacity(peak, *law) == capacity(2 * peak, *law) > capacity(0.99 * peak, *law)


def test_arrays_that_mix_straight_and_bent_laws() -> None:
    sensitivities = np.array([[0.0], [0.1], [0.3]])
    grips = np.array([[[1.2], [1.1], [0.9]], [[1.3], [1.0], [0.8]]])
    references = np.array([[[1500.0], [2000.0], [2500.0]], [[1800.0]] * 3])
    both = np.array([sensitivities, sensitivities[::-1]])
    load, transfer = np.array([[[3000.0, 4000.0]], [[3500.0, 4500.0]]]), 0.16
    laws = grips[0], grips[1], load[0], load[1], transfer, both[0], references[0], both[1], references[1]
    found = tyres.limit_force(*laws)
    for row in range(3):
        for column in range(2):
            single = tyres.limit_force(
                float(grips[0, row, 0]),
                float(grips[1, row, 0]),
                float(load[0, 0, column]),
                float(load[1, 0, column]),
                transfer,
                float(sensitivities[row, 0]),
                float(references[0, row, 0]),
                float(sensitivities[2 - row, 0]),
                1800.0,
            )
            assert found[row, column] == pytest.approx(single, rel=1e-12)


@settings(max_examples=100, deadline=None)
@given(between(1000, 30000), between(1000, 30000), between(0.01, 0.6), between(0.05, 0.5), between(200, 3000))
def test_the_limit_is_where_the_axles_sum_up_also_past_the_peaks(
    front: float, rear: float, transfer: float, sensitivity: float, reference: float
) -> None:
    law = 1.4, sensitivity, reference
    force = tyres.limit_force(1.4, 1.4, front, rear, transfer, sensitivity, reference, sensitivity, reference)
    given_back = capacity(front + force * transfer, *law) + capacity(max(0.0, rear - force * transfer), *law)
    if force < rear / transfer:
        assert given_back == pytest.approx(force, rel=1e-9)
    else:
        assert given_back >= force * (1 - 1e-9)
