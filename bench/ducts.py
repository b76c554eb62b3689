"""Sizing a duct, every session with every stock hose and what comes before it: `python -m bench.ducts`."""

import statistics
import time
from datetime import date

from bench.yardstick import FAST_CLOCK, yardstick
from plimbo.cli.demo_data import CARS
from plimbo.core import inspect_duct, size_duct
from plimbo.core.quantities.axles import Axle

TODAY = date(2026, 11, 26)
BUDGET, ROUNDS = 3.0, 5

for car, setups in CARS:
    setup = setups[0]
    for axle in Axle:
        size_duct(car, setup, axle, TODAY)
        runs = []
        for _ in range(ROUNDS):
            beside, start = min(yardstick() for _ in range(50)), time.perf_counter()
            answer = size_duct(car, setup, axle, TODAY)
            runs.append((time.perf_counter() - start, beside))
        ratio = statistics.median(took / beside for took, beside in runs)
        print(
            f"size the duct, {car.name}, {axle}, {len(answer.rows)} ducts ×"
            f" {len(car.sessions)} sessions, {answer.word}:"
            f" median {statistics.median(took for took, _ in runs):.2f} s as the machine is, {ratio:.0f} yardsticks,"
            f" {ratio * FAST_CLOCK:.2f} s at the fast clock; budget {BUDGET:.1f} s"
        )
car, (setup, *further) = CARS[0]
inspect_duct(car, setup, car.sessions[0], Axle.FRONT, TODAY)
beside, start = min(yardstick() for _ in range(50)), time.perf_counter()
inspect_duct(car, setup, car.sessions[0], Axle.FRONT, TODAY)
took = time.perf_counter() - start
fast = took / beside * FAST_CLOCK
print(f"each piece's worth and the tape, Wren, front: {took:.2f} s as the machine is, {fast:.2f} s at the fast clock")
