"""Which values of the car follow from the readings of scales, sidewall, logger and aerodynamics?"""

from plimbo.core.documents import Car
from plimbo.core.quantities.axles import Axle
from plimbo.core.quantities.results import Result
from plimbo.core.vehicle.loading import LoadAnswer, car_in_each_load
from plimbo.core.vehicle.logged_grip import LoggedAnswer, grip_from_log
from plimbo.core.vehicle.measured_air import DownforceAnswer, areas_from_forces
from plimbo.core.vehicle.tyre_size import TyreAnswer, tyre_from_size
from plimbo.core.vehicle.weighing import WeighingAnswer, weigh
from plimbo.core.working.inputs import PLAIN, WORKED
from plimbo.core.working.numbers import Number
from plimbo.core.working.steps import Step, working


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


def evaluate_measurements(car: Car, *, with_working: bool = True) -> Measurements:
    """Evaluate every measurement as far as its readings allow; errors are given at their field."""
    inputs, numbers = WORKED if with_working else PLAIN, dict[str, Number]()
    found = {
        "weighing": weigh(car, inputs, numbers),
        "loads": car_in_each_load(car, inputs, numbers),
        "front_tyre": tyre_from_size(car, Axle.FRONT, inputs, numbers),
        "rear_tyre": tyre_from_size(car, Axle.REAR, inputs, numbers),
        "logged": grip_from_log(car, inputs, numbers),
        "downforce": areas_from_forces(car, inputs, numbers),
    }
    steps, headlines = working(numbers)
    return Measurements(**found, steps=steps, headlines=headlines)
