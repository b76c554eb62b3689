"""One question, one call: what the readings of scales, sidewall, logger and wind say of the car."""

from plimbo.core.documents import Car
from plimbo.core.documents.fields import Result
from plimbo.core.measuring.downforce import DownforceAnswer, areas_from_forces
from plimbo.core.measuring.loads import LoadAnswer, car_in_each_load
from plimbo.core.measuring.logged import LoggedAnswer, grip_from_log
from plimbo.core.measuring.tyre_size import TyreAnswer, tyre_from_size
from plimbo.core.measuring.weighing import WeighingAnswer, weigh
from plimbo.core.working import Axle, Inputs, Step, working


class Measurements(Result):
    """Each measurement, with the working of its numbers."""

    weighing: WeighingAnswer
    loads: tuple[LoadAnswer, ...]
    front_tyre: TyreAnswer
    rear_tyre: TyreAnswer
    logged: LoggedAnswer
    downforce: DownforceAnswer
    steps: tuple[Step, ...]
    headlines: dict[str, int]


def measure(car: Car, *, with_working: bool = True) -> Measurements:
    """Work out every measurement as far as its readings go; what is wrong with one stands at its field."""
    take, numbers = Inputs(with_working), dict[str, float]()
    found = {
        "weighing": weigh(car, take, numbers),
        "loads": car_in_each_load(car, take, numbers),
        "front_tyre": tyre_from_size(car, Axle.FRONT, take, numbers),
        "rear_tyre": tyre_from_size(car, Axle.REAR, take, numbers),
        "logged": grip_from_log(car, take, numbers),
        "downforce": areas_from_forces(car, take, numbers),
    }
    steps, headlines = working(numbers)
    return Measurements(**found, steps=steps, headlines=headlines)
