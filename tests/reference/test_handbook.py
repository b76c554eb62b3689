"""Worked examples of the handbooks."""

import math

import pytest

from plimbo.core.friction import caliper, disc_materials, pad, torque
from plimbo.core.friction.disc import disc_heat_share
from plimbo.core.vehicle import loads, tyre_limit

INCH, POUND_FORCE = 0.0254, 4.4482216152605
PSI = POUND_FORCE / INCH**2
POUND_INCH = POUND_FORCE * INCH


class TestShigleyCaliper:
    """Shigley's Mechanical Engineering Design, caliper brake example (from memory; numbers recomputed by hand).

    Two annular pads, 3.875 to 5.50 in, spanning 108 degrees, friction 0.37, 13 000 lbf·in in all, 1.5 in cylinders.
    """

    INNER, OUTER, ANGLE, TORQUE = 3.875 * INCH, 5.50 * INCH, math.radians(108), 13_000 * POUND_INCH

    def test_uniform_wear(self) -> None:
        radius = pad.radius_uniform_wear(self.OUTER, self.INNER)
        clamp = torque.clamp_for_torque(self.TORQUE, 0.37, radius, 1.0)
        pressure = pad.pad_pressure_uniform_wear(clamp, self.ANGLE, self.OUTER, self.INNER)
        assert radius / INCH == pytest.approx(4.6875)
        assert clamp / POUND_FORCE == pytest.approx(3748, abs=0.5)
        assert pressure / PSI == pytest.approx(315.8, abs=0.05)
        hydraulic = caliper.pressure_for_clamp(clamp, caliper.piston_area(1.5 * INCH))
        assert hydraulic / PSI == pytest.approx(2121, abs=0.5)
        assert torque.wheel_torque(0.37, clamp, radius, 1.0) == pytest.approx(self.TORQUE)

    def test_uniform_pressure(self) -> None:
        radius = pad.radius_uniform_pressure(self.OUTER, self.INNER)
        clamp = torque.clamp_for_torque(self.TORQUE, 0.37, radius, 1.0)
        assert clamp / POUND_FORCE == pytest.approx(3711, abs=0.5)
        pressure = pad.pad_pressure_uniform(clamp, self.ANGLE, self.OUTER, self.INNER)
        assert pressure / PSI == pytest.approx(258.4, abs=0.05)


def test_limpert_share_of_the_heat_into_the_disc() -> None:
    """Limpert, Brake Design and Safety (from memory): disc k 48.5, ρ 7228, c 419, pad k 1.21, ρ 2595, c 1465.

    Effusivities 12 116 and 2 146, so about 85 % goes into the disc where both bodies meet with all of their faces.
    """
    disc = disc_materials.effusivity(48.46, 7228, 419)
    pad = disc_materials.effusivity(1.212, 2595, 1465)
    assert disc == pytest.approx(12_116, rel=1e-3)
    assert pad == pytest.approx(2_146.6, rel=1e-3)
    assert disc_heat_share(disc, pad, 0.01, 0.01) == pytest.approx(0.85, abs=0.005)
    # A pad on a sixth of the ring takes a sixth of that share, nearly.
    assert 1 - disc_heat_share(disc, pad, 0.06, 0.01) == pytest.approx(0.0287, abs=5e-4)


def test_limpert_optimum_distribution() -> None:
    """Limpert, Brake Design and Safety (from memory): the ideal forces obey the parabola
    `Fr = √(((1−Ψ)/2χ)² + Fx/(W·χ)) − (1−Ψ)/2χ − Fx`, with Ψ the static rear share and χ = h/L, forces per weight."""
    rear_static, chi = 0.55, 0.37 / 2.32
    for grip in (0.3, 0.75, 1.3):
        limit = tyre_limit.tyre_limit_force(grip, grip, 1 - rear_static, rear_static, chi)
        front = grip * loads.front_load_braking(1 - rear_static, limit, chi)
        rear = limit - front
        half = (1 - rear_static) / (2 * chi)
        assert rear == pytest.approx(math.sqrt(half**2 + front / chi) - half - front, rel=1e-12)


def test_standard_gravity() -> None:
    """3rd General Conference on Weights and Measures (1901): 9.806 65 m/s²."""
    assert loads.weight(1.0) == 9.80665
