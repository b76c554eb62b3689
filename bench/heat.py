"""A session of twenty laps, both axles, by the kernel and by a general solver; and a table for the cars and hoses whose
temperatures are common knowledge: `python -m bench.heat`.

The solver has a compiled right-hand side and is restarted at each edge of braking. The whole question, with verdict,
grid, safety car and working, is timed beside it.
"""

import time
from datetime import date

from bench.yardstick import FAST_CLOCK, yardstick
from plimbo.cli.demo_data import CARS
from plimbo.core import simulate_session
from plimbo.core.thermal.corner import Corner
from plimbo.core.thermal.kernel import simulate
from plimbo.core.thermal.power_profile import PowerProfile, PowerSegment, power_profile
from tests import heat_cars, slow_heat
from tests.reference.test_heat_set import COLUMNS, FIGURES, SET, figures

BUDGET_MS, LEAST_RATIO, RUNS, SLOW_RUNS = 50, 100, 15, 5
SPEEDS = 42.0, 30.0, 38.0, 47.0, 33.0, 28.0, 40.0


def session(power: float) -> list[PowerSegment]:
    """Twenty laps of seven stops in 80 s, a lap to cool down, a quarter of an hour in the park."""
    lap = [one for v in SPEEDS for one in (PowerSegment(1.5, power * v / 47, v * 0.75), PowerSegment(9.9, 0.0, v))]
    return [*lap * 20, PowerSegment(110.0, 0.0, 25.0), PowerSegment(900.0, 0.0, 0.0)]


def marched(corner: Corner, run: PowerProfile) -> float:
    start = time.perf_counter()
    simulate(corner, run.power, run.speed, run.steps)
    return time.perf_counter() - start


def solved(axles: list[tuple[Corner, list[PowerSegment]]]) -> float:
    start = time.perf_counter()
    for corner, stretches in axles:
        slow_heat.solved(corner, stretches, [[stretch.seconds] for stretch in stretches])
    return time.perf_counter() - start


if __name__ == "__main__":
    axles = [(heat_cars.RACER, session(168e3)), (heat_cars.SINGLE_SEATER, session(103e3))]
    runs = [(corner, power_profile(stretches)) for corner, stretches in axles]
    start = time.perf_counter()
    for corner, run in runs:
        marched(corner, run)
    print(f"first session, compiled or read from the cache: {time.perf_counter() - start:.2f} s")
    ratios, times = [], []
    for _ in range(RUNS):
        beside = yardstick()
        took = sum(marched(corner, run) for corner, run in runs)
        times.append(took)
        ratios.append(took / min(beside, yardstick()))
    ratio, took = sorted(ratios)[RUNS // 2], sorted(times)[RUNS // 2]
    samples = sum(len(run.steps) for _, run in runs)
    print(
        f"20 laps and the park, both axles, {samples} samples: {1e3 * took:.0f} ms as the machine is,"
        f" {ratio:.0f} yardsticks, {1e3 * ratio * FAST_CLOCK:.0f} ms at the fast clock, budget {BUDGET_MS} ms"
    )
    slow_heat.solved(*axles[0][:1], axles[0][1][:2], [[1.5], [9.9]])  # compiled
    # The machine's clock changes in seconds: the kernel is timed before and after each run of the solver.
    ratios = []
    for _ in range(SLOW_RUNS):
        before = sum(marched(corner, run) for corner, run in runs)
        slow = solved(axles)
        ratios.append(slow / min(before, sum(marched(corner, run) for corner, run in runs)))
    ratio = sorted(ratios)[SLOW_RUNS // 2]
    print(
        f"LSODA: {slow:.1f} s; {min(ratios):.0f} to {max(ratios):.0f} times as long, median {ratio:.0f},"
        f" at least {LEAST_RATIO}"
    )
    car, (setup, *further) = CARS[0]
    twenty, questions = car.sessions[0].model_copy(update={"fast_laps": 20}), []
    for _ in range(RUNS):
        beside, start = yardstick(), time.perf_counter()
        simulate_session(car, setup, twenty, date(2026, 11, 26), with_working=False)
        questions.append((time.perf_counter() - start) / min(beside, yardstick()))
    ratio = sorted(questions)[RUNS // 2]
    print(f"the question of 20 laps: {ratio:.0f} yardsticks, {1e3 * ratio * FAST_CLOCK:.0f} ms at the fast clock")
    print("\n°C, and what the other model says | " + " | ".join(COLUMNS))
    for name, case in SET.items():
        pairs = zip(figures(case), FIGURES[name], strict=True)
        print(f"{name} | " + " | ".join(f"{own:.0f} ({other:.0f})" for own, other in pairs))
