"""The drag of both ducts of an axle at top speed."""

import numpy as np

from plimbo.core.documents import Car, Cooling
from plimbo.core.ducting.flow import AirProperties, Vanes, flows
from plimbo.core.ducting.heads import intake_drag, speed_lost
from plimbo.core.ducting.run import run_of
from plimbo.core.vehicle import air


def drag_of_ducts(
    car: Car, cooling: Cooling, vanes: Vanes, day: AirProperties, tape: float = 0.0
) -> tuple[float | None, float | None]:
    """Drag at top speed, N, and the loss of top speed, m/s: none without a duct; the loss is none where the car's drag
    is not given.
    """
    if not cooling.duct.fitted:
        return None, None
    speed = car.top_speed
    flow = float(flows(run_of(cooling, tape), vanes, day, np.array([speed])).duct[0])
    drag = float(intake_drag(2 * max(0.0, flow), speed))
    if car.drag_area <= 0:
        return drag, None
    return drag, float(speed_lost(speed, drag, air.drag(day.density, speed, car.drag_area)))
