"""What the tests of single parts of the core build on."""

from plimbo.core import Car, Setup
from plimbo.core.braking.chain import Chain, foot_to_road
from plimbo.core.braking.circuit_failure import OneCircuit, one_circuit
from plimbo.core.hydraulics.brake_system import brake_system
from plimbo.core.quantities.axles import Axle
from plimbo.core.working.inputs import PLAIN


def chain_of(car: Car, setup: Setup) -> Chain:
    """The chain of one setup, plain."""
    return foot_to_road(car, brake_system(setup, PLAIN), PLAIN)


def alone(car: Car, setup: Setup, axle: Axle, foot: float | None = None) -> OneCircuit:
    """One axle braking alone."""
    return one_circuit(chain_of(car, setup), axle, PLAIN, foot)
