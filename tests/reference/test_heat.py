"""Heat, held against closed forms, handbook laws and a reference case of another model."""

import math

import numpy as np
import pytest
from scipy.integrate import quad

from plimbo.core.friction.disc_materials import FREEZING
from plimbo.core.search.session_heat.cooling_fit import factor_for
from plimbo.core.thermal import cooling
from plimbo.core.thermal.air import air_conductivity, air_viscosity
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.kernel import simulate
from plimbo.core.thermal.power_profile import PowerSegment, power_profile
from plimbo.core.vehicle.air import air_density
from tests.heat_cars import RACER, SALOON, slab

FLUX = 2e6  # W/m², of a disc's face


def rise(
    corner: object, seconds: float, flux: float = FLUX, cells: tuple[int, int] = (6, 5), ramp: bool = False
) -> float:
    """Highest rise of the rubbing surface, K, under a flux that stays, or falls to nothing over so many seconds."""
    count = 400
    share = 1 - (np.arange(count) + 0.5) / count if ramp else np.ones(count)
    power = share * flux * 2 * corner.ring_area
    steps = np.full(count, seconds / count)
    trace = simulate(corner, power, np.zeros(count), steps, cells=cells)
    return float(trace.disc_surface.max() - 298.15)


def test_a_slab_under_a_steady_flux() -> None:
    """`q·L/k·(Fo + 1/3 − 2/π²·Σ e^(−n²π²Fo)/n²)`; Carslaw and Jaeger, Conduction of Heat in Solids, from memory."""
    for seconds in (0.5, 1.0, 2.0):
        length, diffusivity = 0.008, 48 / 7200 / 500
        fourier = diffusivity * seconds / length**2
        series = sum(math.exp(-(n**2) * math.pi**2 * fourier) / n**2 for n in range(1, 60))
        exact = FLUX * length / 48 * (fourier + 1 / 3 - 2 / math.pi**2 * series)
        # Six cells are a little hot at first; the error falls with their square.
        assert rise(slab(length), seconds) == pytest.approx(exact, rel=0.02)
        assert rise(slab(length), seconds, cells=(24, 8)) == pytest.approx(exact, rel=0.002)
    assert exact == pytest.approx(248.9, abs=0.05)


def test_a_thick_body_under_a_steady_and_a_falling_flux() -> None:
    """`2q·√(αt/π)/k`, Carslaw and Jaeger; falling evenly to nothing, `0.5319·q·√(α·t_s)/k`, Newcomb; from memory."""
    thick = slab(0.060)
    root = math.sqrt(48 / 7200 / 500)
    for seconds, exact in ((0.5, 121.4), (1.0, 171.7), (2.0, 242.8)):
        assert 2 * FLUX * root * math.sqrt(seconds / math.pi) / 48 == pytest.approx(exact, abs=0.05)
        assert rise(thick, seconds, cells=(60, 5)) == pytest.approx(exact, rel=0.01)
    falling = 0.5319 * 4e6 * root * math.sqrt(2.0) / 48
    assert falling == pytest.approx(228.9, abs=0.05)
    assert rise(thick, 2.0, 4e6, (60, 5), ramp=True) == pytest.approx(falling, rel=0.01)


def test_air_at_room_and_oven_temperatures() -> None:
    """Handbook values of dry air at one atmosphere: Incropera, table of gases, from memory; density by the gas law."""
    for celsius, viscosity, conductivity in ((25, 1.84e-5, 0.0261), (300, 2.96e-5, 0.0453), (600, 3.90e-5, 0.0610)):
        kelvin = celsius + FREEZING
        assert air_viscosity(kelvin) == pytest.approx(viscosity, rel=0.05)
        assert air_conductivity(kelvin) == pytest.approx(conductivity, rel=0.05)
        assert air_density(101_325, kelvin) == pytest.approx(1.1839 * 298.15 / kelvin, rel=0.001)


def test_a_face_in_the_wind() -> None:
    """Limpert's two laws, from memory, joined: a disc of 280 mm at 33, 20 and 50 m/s, film at 292.5 °C, by hand."""
    film = 292.5 + FREEZING
    for speed, expected in ((33.0, 94.6), (20.0, 69.4), (50.0, 149.6)):
        reynolds = cooling.reynolds(air_density(101_325, film), speed, 0.28, air_viscosity(film))
        nusselt = cooling.face_nusselt(reynolds, cooling.rough_share(reynolds))
        assert cooling.face_coefficient(1.0, nusselt, air_conductivity(film), 0.28) == pytest.approx(
            expected, rel=0.005
        )
    assert cooling.face_nusselt(1.987e5, cooling.rough_share(1.987e5)) == pytest.approx(594.7, rel=0.001)
    # The way from one law to the other has no step.
    around = [cooling.face_nusselt(re, cooling.rough_share(re)) for re in np.geomspace(1.5e5, 4e5, 200)]
    assert max(np.diff(around) / around[:-1]) < 0.012


def test_the_vanes_as_a_pump() -> None:
    """36 vanes of 5 mm, 10 mm apart, disc 520 °C, inlet 35 °C, by hand: what their air takes at three speeds, W/K."""
    film = (520 + 35) / 2 + FREEZING
    for speed, flow, expected in ((33.0, 31.98e-3, 9.45), (20.0, 19.38e-3, 7.22), (50.0, 48.46e-3, 13.34)):
        pumped = air_density(101_325, 298.15) * RACER.vane_passage * RACER.flow_at_speed * speed
        assert pumped == pytest.approx(flow, rel=0.001)
        width = RACER.vane_hydraulic_diameter
        stream = pumped * width / (RACER.vane_passage * air_viscosity(film))
        nusselt = cooling.vane_nusselt(stream, width / RACER.vane_length)
        coefficient = cooling.VANE_TURBULENCE * nusselt * air_conductivity(film) / width
        taken = cooling.vane_conductance(pumped, coefficient, RACER.vane_surface, cooling.VANES_RUNNING)
        assert taken == pytest.approx(expected, rel=0.005)
    assert pytest.approx(5488.5e-6, rel=1e-4) == RACER.vane_passage
    assert pytest.approx(0.04362 * 2, rel=1e-3) == RACER.vane_surface


def test_the_way_into_the_fluid() -> None:
    """Steel pistons of 38.1 and 41.3 mm, by hand: W/K of one side, J/K of the fluid."""
    found = RACER.plate_to_piston, RACER.piston_to_fluid, RACER.piston_to_caliper, RACER.fluid_capacity
    assert found == pytest.approx((1.51, 0.45, 1.51, 95), rel=0.01)


# Of another, finer model of the same network (24 and 8 cells, steps of 0.5 ms), °C: steady 33 m/s, sixty times 1.5 s at
# 100 kW and 10.5 s free, then parked. Surface inboard and outboard, bulk, pad surface and mean, plate, piston, caliper,
# fluid mean and wetted face, bell, hub.
R1 = {
    "stop 1": (165.3, 165.9, 92.6, 203.5, 41.7, 25.0, 25.0, 25.0, 25.0, 25.0, 25.0, 25.0),
    "stop 10": (463.1, 470.7, 390.3, 500.3, 204.3, 93.2, 46.6, 30.7, 31.0, 43.4, 45.4, 28.4),
    "stop 60": (684.2, 695.4, 608.9, 722.0, 456.6, 322.8, 207.7, 117.1, 147.4, 195.6, 93.2, 70.9),
    "park 0 s": (553.9, 564.8, 562.7, 523.1, 439.9, 323.7, 208.8, 117.9, 148.4, 196.6, 93.6, 71.4),
    "park 120 s": (478.8, 478.9, 479.7, 417.1, 371.3, 315.6, 220.6, 142.2, 166.6, 209.7, 117.7, 86.2),
    "park 480 s": (321.0, 321.0, 321.3, 296.8, 277.7, 252.9, 209.3, 169.5, 184.5, 204.3, 133.5, 117.5),
    "park 900 s": (224.6, 224.6, 224.8, 219.0, 212.8, 203.2, 184.4, 164.7, 173.7, 182.3, 136.7, 129.6),
}


def r1(cells: tuple[int, int] = (6, 5), finer: float = 1.0) -> dict[str, list[float]]:
    stops = [stretch for _ in range(60) for stretch in (PowerSegment(1.5, 100e3, 33.0), PowerSegment(10.5, 0.0, 33.0))]
    parked = [PowerSegment(seconds, 0.0, 0.0) for seconds in (120.0, 360.0, 420.0)]
    run = power_profile([*stops, *parked], finer)
    trace = simulate(RACER, run.power, run.speed, run.steps, cells=cells)
    places = dict(zip(R1, (run.ends[0], run.ends[18], run.ends[118], *run.ends[119:]), strict=True))
    return {
        name: [
            float(number - FREEZING)
            for number in (
                *trace.disc_surface[at],
                trace.bulk[at],
                trace.pad_surface[at, 0],
                trace.pad_mean[at, 0],
                trace.row[at, 0],
                trace.slow[at, 0],
                *trace.slow[at, 2:4],
                trace.wet_face[at],
                *trace.slow[at, 4:],
            )
        ]
        for name, at in places.items()
    }


def test_the_whole_network_against_another_model_of_it() -> None:
    """Asked are 30 K on the disc and 15 K on the fluid; it comes within 2 K while running and 4 K in the park."""
    for name, found in r1().items():
        assert found == pytest.approx(R1[name], abs=4.0 if "park" in name else 2.0), name


def test_finer_cells_and_steps_change_little() -> None:
    coarse, fine, halved = r1(), r1(cells=(24, 8)), r1(finer=2.0)
    for name in R1:
        assert coarse[name] == pytest.approx(fine[name], abs=2.0), name
        assert coarse[name] == pytest.approx(halved[name], abs=2.0), name
    for finer in (r1(cells=(12, 10)), halved):
        peaks = [np.array([found[name] for name in R1]).max(axis=0) - 25 for found in (coarse, finer)]
        assert peaks[0] == pytest.approx(peaks[1], rel=0.01)


@pytest.mark.parametrize("corner", [RACER, SALOON], ids=["racer", "saloon"])
def test_energy_is_closed(corner: Corner) -> None:
    """What comes in is stored or has gone; what the disc holds is the integral of its specific heat (heat by SciPy)."""
    run = power_profile(
        [PowerSegment(2.0, 150e3, 40.0), PowerSegment(8.0, 0.0, 45.0)] * 20 + [PowerSegment(300.0, 0.0, 0.0)]
    )
    trace = simulate(corner, run.power, run.speed, run.steps)
    given = np.cumsum(run.power * run.steps)
    gone = trace.paths[:, [0, 1, 2, 3, 5]].sum(axis=1)
    assert given == pytest.approx(trace.stored + gone, rel=1e-9)
    # Specific heat is held over a step; over the whole drive that must not matter.
    one = slab(0.008)._replace(heat_slope=0.30, heat=470.0, heat_held=730.0)
    heated = power_profile([PowerSegment(20.0, 40e3, 0.0)])
    still = simulate(one, heated.power, heated.speed, heated.steps)
    kelvin = still.bulk[-1]
    enthalpy, _ = quad(lambda celsius: 470 + 0.30 * min(celsius, 730), 25, kelvin - FREEZING)
    held = 7200 * one.ring_area * 0.016 * enthalpy
    assert held == pytest.approx(800e3, rel=0.003)


@pytest.mark.parametrize("seconds", [0.0, 120.0, 480.0])
def test_a_probe_in_the_pit_gives_the_factor_that_the_network_had(seconds: float) -> None:
    """The other model's park curve, bulk: what it had, 1.0, comes back within 2 %."""
    stops = [stretch for _ in range(60) for stretch in (PowerSegment(1.5, 100e3, 33.0), PowerSegment(10.5, 0.0, 33.0))]
    run = power_profile([*stops, PowerSegment(900.0, 0.0, 0.0)])
    clock = np.cumsum(run.steps)

    def with_factor(factor: float) -> float:
        trace = simulate(RACER._replace(cooling=factor), run.power, run.speed, run.steps)
        return float(np.interp(clock[run.ends[119]] + seconds, clock, trace.bulk))

    measured = R1[f"park {seconds:.0f} s"][2] + FREEZING
    factor = factor_for(with_factor, measured)
    assert factor == pytest.approx(1.0, abs=0.02)
    assert factor_for(with_factor, 1500.0) is None
