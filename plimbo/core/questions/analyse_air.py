"""What flow does the duct give? Both heads, the loss of each piece of the run, and the flow paths at the eye."""

from typing import Any

from plimbo.core.documents import Car, Session, Setup
from plimbo.core.ducting.answers import DuctFlow
from plimbo.core.ducting.drag import drag_of_ducts
from plimbo.core.ducting.duct_answer import DuctAt, duct_flow
from plimbo.core.ducting.fingerprint import fingerprint
from plimbo.core.ducting.sizes import check_ducts, fitting
from plimbo.core.quantities.axles import Axle
from plimbo.core.thermal.corners import air_around, vanes_for
from plimbo.core.vehicle.air import standard_pressure


def analyse_air(
    car: Car,
    setup: Setup,
    axle: Axle,
    session: Session | None = None,
    speed: float = 40.0,
    *,
    with_working: bool = True,
) -> DuctFlow:
    """The duct of one wheel at this road speed, m/s, in the air and with the tape of the session.

    Raises `OutOfRange` where the hoses are longer than the car.
    """
    check_ducts(car, setup)
    air = car.air if session is None else session.air(car.air)
    day = air_around(float(standard_pressure(air.altitude)), air.temperature)
    tyre = car.tyre(axle)
    brake = setup.brake(axle)
    vanes = vanes_for(setup, axle, tyre.loaded_radius)
    tape = session.tape(axle) if session else 0.0
    drag = drag_of_ducts(car, brake.cooling, vanes, day, tape)
    sizes: dict[str, Any] = {
        "fitting": {
            f"setup.{axle.value}.cooling.duct.{name}": value
            for name, value in fitting(brake.cooling.duct, axle).items()
        },
        "outer_diameter": brake.disc.outer_diameter,
        "inner_diameter": brake.disc.outer_diameter - 2 * brake.disc.ring_height,
        "thickness": brake.disc.thickness,
        "gap": brake.disc.vane_gap,
    }
    at = DuctAt(brake.cooling, vanes, day, speed, tape)
    return duct_flow(at, drag, sizes, fingerprint(car, setup, axle), with_working=with_working)
