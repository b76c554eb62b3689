"""A firm or a light pedal: the ratio that gives the push of each."""

from pydantic import Field

from plimbo.core.documents import Car, Pedal, Setup
from plimbo.core.hydraulics.actuation import LEAST_RATIO, MOST_RATIO, ratio_for_push
from plimbo.core.quantities import defaults
from plimbo.core.quantities.fields import usual_range
from plimbo.core.quantities.results import Result, answer
from plimbo.core.stepping.changes import Json
from plimbo.core.working.numbers import single

TARGETS = (("firm", "Firm pedal", defaults.FIRM_PUSH), ("light", "Light pedal", defaults.LIGHT_PUSH))


class PushTarget(Result):
    """The push at the hardest first lock, the ratio that gives it, and its travel."""

    key: str
    title: str
    foot_force: float = answer("force", "Foot force at the hardest first lock")
    ratio: float | None = answer("ratio", "Pedal ratio for it; none where no pedal has it")
    travel: float | None = answer("length", "Pedal travel then")
    patch: dict[str, Json]
    usual: bool = Field(description="Whether a pedal of that ratio is usual: others are not offered.")


def push_targets(car: Car, setup: Setup, foot_force: float, travel: float) -> tuple[PushTarget, ...]:
    """Firm and light, from the foot force, N, and the travel, m, at the hardest first lock."""
    ratio = setup.pedal.true_ratio
    clear: dict[str, Json] = {"pedal.rod_length": None} if setup.pedal.measured else {}
    least, most = usual_range(Pedal, "ratio")
    found = []
    for key, title, part in TARGETS:
        push = part.value * car.driver.foot_force_limit
        wanted = ratio_for_push(ratio, foot_force, push)
        found.append(
            PushTarget(
                key=key,
                title=title,
                foot_force=push,
                ratio=wanted if (made := LEAST_RATIO <= wanted <= MOST_RATIO) else None,
                travel=travel * wanted / ratio if made else None,
                patch=clear | {"pedal.ratio": round(single(wanted), 3)},
                usual=least <= wanted <= most,
            )
        )
    return tuple(found)
