"""Where the trade disagrees: each school with its numbers, the default first, and the reason for it."""

from pydantic import Field

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, effective_radius, foot_at, foot_to_road
from plimbo.core.brakes.joints import Json
from plimbo.core.documents import Car, RadiusSchool, Setup
from plimbo.core.documents.fields import Result, answer
from plimbo.core.road.demand import Lock
from plimbo.core.working import PLAIN, Axle


class RadiusRow(Result):
    """One way to reckon the effective radius, and the balance by it."""

    school: RadiusSchool
    front: float = answer("length", "Effective radius, front")
    rear: float = answer("length", "Effective radius, rear")
    share: float = answer("share", "Front share by brake force")


class PushSchool(Result):
    """A firm or a light pedal: the push at the hardest first lock, the ratio that gives it, and its travel."""

    key: str
    title: str
    foot_force: float = answer("force", "Foot force at the hardest first lock")
    ratio: float = answer("ratio", "Pedal ratio for it")
    travel: float = answer("length", "Pedal travel then")
    patch: dict[str, Json]
    within: bool = Field(description="Whether a pedal of that ratio is usual.")


class Disagreement(Result):
    """What two schools say of one matter; the default is the first."""

    key: str
    title: str
    default: str
    other: str
    reason: str


DISAGREEMENTS = (
    Disagreement(
        key="bar",
        title="Where the bar starts",
        default="Sizes first: the bar starts the day at its centre.",
        other="Wind the bar until it is right, whatever the sizes.",
        reason="A centred bar has turns left both ways for rain, fuel and worn pads, and tilts least.",
    ),
    Disagreement(
        key="compounds",
        title="Pads front and rear",
        default="The same compound at both ends.",
        other="A split of compounds moves the balance quickly.",
        reason="Two compounds warm up differently: the balance of the first corner is not that of the last lap.",
    ),
    Disagreement(
        key="pedal",
        title="Firm or light pedal",
        default="Firm: high effort, short travel.",
        other="Light: low effort, long travel.",
        reason="A leg feels force better than way; a tired leg, or a long race, may want it lighter.",
    ),
    Disagreement(
        key="radius",
        title="Effective radius",
        default="Uniform wear: the middle of the pad's band.",
        other="Uniform pressure for new pads; disc radius less half the pad by tape measure.",
        reason="Pads that have bedded in wear evenly; the three differ by a few millimetres, alike at both ends.",
    ),
    Disagreement(
        key="anti_lock",
        title="Stock anti-lock",
        default="Match the original areas, discs and friction closely.",
        other="Size freely and trust the system to adapt, or take it out.",
        reason="The system guesses wheel torque from valve times; with other areas its guesses are wrong.",
    ),
)


def radius_rows(car: Car, setup: Setup) -> tuple[RadiusRow, ...]:
    """All three schools, the setup's own among them."""
    rows = []
    for school in RadiusSchool:
        made = foot_to_road(car, setup.model_copy(update={"radius_school": school}), PLAIN)
        rows.append(
            RadiusRow(
                school=school,
                front=effective_radius(setup.front, school, PLAIN, Axle.FRONT),
                rear=effective_radius(setup.rear, school, PLAIN, Axle.REAR),
                share=made.force_share,
            )
        )
    return tuple(rows)


def push_schools(car: Car, setup: Setup, chain: Chain, lock: Lock, travel: float) -> tuple[PushSchool, ...]:
    """Firm and light, from the push and the travel, m, at the hardest first lock."""
    foot, ratio = foot_at(chain, lock.first_force), float(chain.ratio)
    clear: dict[str, Json] = {"pedal.rod_length": None} if setup.pedal.measured else {}
    found = []
    for key, title, part in (("firm", "Firm pedal", defaults.FIRM_PUSH), ("light", "Light pedal", defaults.LIGHT_PUSH)):
        push = part.value * car.driver.foot_force_limit
        wanted = ratio * foot / push
        found.append(
            PushSchool(
                key=key,
                title=title,
                foot_force=push,
                ratio=wanted,
                travel=travel * wanted / ratio,
                patch=clear | {"pedal.ratio": round(wanted, 3)},
                within=4 <= wanted <= 7,
            )
        )
    return tuple(found)
