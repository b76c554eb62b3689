"""Every combination of parts of a shelf in all states, screened on columns, with `assess` of single ones beside it:
`make bench` or `python -m bench.shelf`.
"""

import random
import resource
import statistics
import time
from itertools import pairwise
from typing import Any

import numpy as np

from bench.yardstick import yardstick
from plimbo.cli.demo_data import CARS
from plimbo.core import Car, assess
from plimbo.core.search.combinations import Combinations, screen
from plimbo.core.stepping.stock import BORES, PISTONS
from plimbo.core.verdicts.registry import matters_of

BUDGET_S, BUDGET_MB, ASSESSED = 5, 500, 200


def shelf() -> Combinations:
    """Over a million combinations of cylinders, ratios, calipers, discs and pads for the demo's first car."""
    _, (setup, *_) = CARS[0]
    found: dict[str, Any] = {"pedal": [setup.pedal.patched({"ratio": ratio}) for ratio in (4, 4.75, 5.5, 6, 6.5)]}
    pairs = list(pairwise(PISTONS))
    sizes = {
        "front": (pairs[3:11], (0.274, 0.284, 0.294), (0.38, 0.42, 0.45)),
        "rear": (pairs[1:7], (0.264, 0.274), (0.35, 0.38, 0.42, 0.45)),
    }
    for end, (pistons, discs, frictions) in sizes.items():
        brake = getattr(setup, end)
        found[f"{end}.master_cylinder"] = [brake.master_cylinder.patched({"bore": bore}) for bore in BORES]
        found[f"{end}.caliper"] = [brake.caliper.patched({"pistons": list(pair)}) for pair in pistons]
        found[f"{end}.disc"] = [brake.disc.patched({"outer_diameter": size}) for size in discs]
        found[f"{end}.pad"] = [brake.pad.patched({"friction": friction}) for friction in frictions]
    return Combinations(setup, found)


def sound(car: Car, combinations: Combinations) -> tuple[int, int]:
    """How many can be built, and of how many all matters are good."""
    severities = {
        matter.key: np.array([one.severity for one in matter.findings])
        for matter in matters_of(car, combinations.setup)
    }
    built = good = 0
    for chunk in screen(car, combinations):
        worst = np.max([severities[key][found] for key, found in chunk.findings.items()], axis=0)
        built, good = built + chunk.rows.size, good + int(np.count_nonzero(worst == 0))
    return built, good


if __name__ == "__main__":
    car, combinations = CARS[0][0], shelf()
    list(screen(car, Combinations(combinations.setup, {"pedal": combinations.parts["pedal"]})))  # warm
    ruler, start = yardstick(), time.perf_counter()
    built, good = sound(car, combinations)
    taken = time.perf_counter() - start
    ruler = (ruler + yardstick()) / 2
    peak = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    chance, single = random.Random(1), list[float]()
    while len(single) < ASSESSED:
        try:
            setup = combinations.setup_at(chance.randrange(len(combinations)))
        except ValueError:
            continue
        begun = time.perf_counter()
        assess(car, setup, with_working=False)
        single.append(time.perf_counter() - begun)
    each = statistics.median(single)
    print(
        f"shelf, {car.name}, {len(car.states)} states: {len(combinations)} combinations, {built} can be built, {good}"
        f" are sound: {taken:.2f} s, budget {BUDGET_S} s; {taken / ruler:.0f} yardsticks; peak {peak:.0f} MB, budget"
        f" {BUDGET_MB} MB; assess of one {1e3 * each:.2f} ms, so {built * each / taken:.0f} times the time of screening"
    )
