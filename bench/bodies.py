"""Time that the worst bodies of a megabyte hold the event loop, parsed and validated: `python -m bench.bodies`."""

import json
import time
from typing import Any

from pydantic import ValidationError

from bench.yardstick import FAST_CLOCK, yardstick
from plimbo.core.quantities.refusals import field_errors
from plimbo.server import collect_garbage_rarely
from plimbo.server.problems import MOST_ERRORS
from plimbo.server.route_limits import USUAL
from plimbo.server.routes.questions import WorkedQuestion
from tests import w1

BUDGET_MS = 100
CAR, SETUP = (document.model_dump(mode="json") for document in (w1.CAR, w1.SETUP))
NAMES = {f"unknown{number}": number for number in range(40_000)}
BODIES: dict[str, Any] = {
    "240 001 empty states": {"car": CAR | {"states": [{}] * 240_001}, "setup": SETUP},
    "240 001 empty states asked for": {"car": CAR, "setup": SETUP, "states": [{}] * 240_001},
    "300 000 confirmed": {"car": CAR | {"confirmed": [1] * 300_000}, "setup": SETUP},
    "40 000 unknown names": {"car": CAR | NAMES, "setup": SETUP},
    "40 000 unknown names beside": {"car": CAR, "setup": SETUP} | NAMES,
    "a name of a megabyte": {"car": CAR | {"name": "x" * 980_000}, "setup": SETUP},
    "lists in lists": {"car": CAR | {"states": json.loads("[" * 900 + "]" * 900)}, "setup": SETUP},
    "450 000 nothings": {"car": [[]] * 240_000, "setup": SETUP},
}

if __name__ == "__main__":
    collect_garbage_rarely()
    for what, document in BODIES.items():
        body = json.dumps(document).encode()
        assert len(body) <= USUAL.body, (what, len(body))
        took = []
        for _ in range(7):
            beside, start = yardstick(), time.perf_counter()
            answer = 0
            try:
                WorkedQuestion.model_validate(json.loads(body))
            except ValidationError as error:
                answer = len(field_errors(error.errors()[:MOST_ERRORS]))
            took.append((time.perf_counter() - start) / min(beside, yardstick()))
        ratio = sorted(took)[len(took) // 2]
        print(
            f"{what}, {len(body) / 1e3:.0f} kB, {answer} errors told: {ratio:.0f} yardsticks,"
            f" {1e3 * ratio * FAST_CLOCK:.0f} ms at the fast clock, budget {BUDGET_MS} ms"
        )
