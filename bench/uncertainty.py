"""100 000 draws for all states, against a plain loop: `make bench` or `python -m bench.uncertainty`."""

import statistics
import time

from plimbo.cli.demo_data import CARS
from plimbo.core import Car, assess, estimate_uncertainty

BUDGET_S, DRAWS, LOOPED = 0.5, 100_000, 200

for car, setups in CARS:
    setup = setups[0]
    estimate_uncertainty(car, setup)
    runs = []
    for _ in range(15):
        start = time.perf_counter()
        estimate_uncertainty(car, setup, draws=DRAWS)
        runs.append(time.perf_counter() - start)
    start = time.perf_counter()
    for number in range(LOOPED):
        moved = Car.model_validate(dict(car) | {"cg_height": car.cg_height + 1e-5 * number})
        assess(moved, setup.patched({"front.pad.friction": 0.4 + 1e-5 * number}), with_working=False)
    loop = (time.perf_counter() - start) / LOOPED * DRAWS
    median = statistics.median(runs)
    print(
        f"{DRAWS} draws, {car.name}, {len(car.states)} states: median {median:.3f} s, slowest {max(runs):.3f} s,"
        f" budget {BUDGET_S} s; a plain loop would take {loop:.0f} s, {loop / median:.0f} times as long"
    )
