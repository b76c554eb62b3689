"""What does the duct bring? Both heads, what each piece of the run costs, and where the air goes at the eye."""

import numpy as np

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.ducting.answers import DuctFlow
from plimbo.core.ducting.fingerprint import fingerprint
from plimbo.core.ducting.flow import flows
from plimbo.core.ducting.heads import intake_drag
from plimbo.core.ducting.run import run_of
from plimbo.core.ducting.sizes import check_ducts
from plimbo.core.ducting.told import DuctAt, duct_flow
from plimbo.core.quantities.axles import Axle
from plimbo.core.thermal.corners import air_around, vanes_for
from plimbo.core.vehicle import air


def analyse_air(
    car: Car,
    setup: Setup,
    axle: Axle,
    session: Session | None = None,
    speed: float = 40.0,
    *,
    with_working: bool = True,
) -> DuctFlow:
    """The duct of one wheel at this road speed, m/s, on the day of the session and taped as in it.

    Raises `OutOfRange` where the hoses are longer than the car.
    """
    check_ducts(car, setup)
    ambient = car.air.temperature if session is None or session.ambient is None else session.ambient
    altitude = car.air.altitude if session is None or session.altitude is None else session.altitude
    day = air_around(float(air.standard_pressure(altitude)), ambient)
    tyre = car.front_tyre if axle is Axle.FRONT else car.rear_tyre
    brake = setup.brake(axle)
    vanes = vanes_for(setup, axle, tyre.loaded_radius)
    tape = session.tape(axle) if session else 0.0
    drag: tuple[float | None, float | None] = (None, None)
    if brake.cooling.duct.fitted:
        at_top = flows(run_of(brake.cooling, tape), vanes, day, np.array([car.top_speed]))
        force = float(intake_drag(2 * max(0.0, float(at_top.duct[0])), car.top_speed))
        whole = float(air.drag(day.density, car.top_speed, car.drag_area))
        drag = force, car.top_speed * force / (3 * whole) if whole > 0 else None
    disc = {
        "outer_diameter": brake.disc.outer_diameter,
        "inner_diameter": brake.disc.outer_diameter - 2 * brake.disc.ring_height,
        "thickness": brake.disc.thickness,
        "gap": brake.disc.vane_gap,
    }
    at = DuctAt(brake.cooling, vanes, day, speed, tape)
    return duct_flow(at, drag, disc, fingerprint(car, setup, axle), with_working=with_working)
