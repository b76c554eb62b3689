"""The ways to calculate the effective radius, and the balance by each."""

from plimbo.core.braking.chain import foot_to_road
from plimbo.core.documents import Car, RadiusMethod
from plimbo.core.hydraulics.brake_system import BrakeSystem
from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.inputs import PLAIN


class RadiusAnswer(Result):
    """One way to calculate the effective radius, and the balance by it."""

    method: RadiusMethod
    front: float = answer("length", "Effective radius, front")
    rear: float = answer("length", "Effective radius, rear")
    share: float = answer("share", "Front share by brake force")


def radius_answers(car: Car, system: BrakeSystem) -> tuple[RadiusAnswer, ...]:
    """All methods, the setup's own among them."""
    found = []
    for method in RadiusMethod:
        chain = foot_to_road(car, system._replace(radius_method=method), PLAIN)
        front, rear = chain.front.effective_radius, chain.rear.effective_radius
        found.append(RadiusAnswer(method=method, front=front, rear=rear, share=chain.force_share))
    return tuple(found)
