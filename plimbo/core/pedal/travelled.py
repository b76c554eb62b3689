"""Travel of the pedal in words of its parts: at light braking, and at first lock."""

from plimbo.core import defaults
from plimbo.core.brakes.chain import Chain, cylinder_of
from plimbo.core.brakes.displacement import PARTS, PedalTravel, bar_shares, knock_back, pedal_travel
from plimbo.core.documents import Setup
from plimbo.core.documents.fields import Result, answer
from plimbo.core.formulas import travel, valve
from plimbo.core.working import AXLES, Axle, Inputs


class CircuitTravel(Result):
    """One circuit: what each part of it costs at the pedal, m, and the stroke of its cylinder."""

    pressure: float = answer("pressure", "At the calipers")
    dead: float = answer("length", "Dead stroke")
    gap: float = answer("length", "Pad gap")
    calipers: float = answer("length", "Calipers and pads give")
    hoses: float = answer("length", "Hoses swell")
    fluid: float = answer("length", "Fluid gives")
    air: float = answer("length", "Air")
    volume: float = answer("volume", "Fluid moved")
    stroke: float = answer("length", "Stroke used")
    left: float = answer("length", "Stroke left")
    knock_back: float = answer("length", "Pedal travel after knock-back")


class TravelAnswer(Result):
    """The pedal at one push."""

    foot_force: float = answer("force", "Foot force")
    front: CircuitTravel
    rear: CircuitTravel
    rod: float = answer("length", "Travel of the push rod")
    pedal: float = answer("length", "Pedal travel")
    tilt: float = answer("angle", "Tilt of the bar")
    worn: float = answer("length", "Pedal travel, pads due")


def rear_pressure(setup: Setup, chain: Chain, front: float, take: Inputs) -> float:
    """At the rear calipers, Pa, where the front's have this pressure; with its working."""
    line = travel.rear_line(front, chain.rear.line_pressure, chain.front.line_pressure)
    if not setup.valve.fitted:
        return line
    knee = take.number(setup.valve, "knee", setup.valve.true_knee)
    return valve.valve_output.at(Axle.REAR)(line, knee, take(setup.valve, "slope"))


def travel_at(
    setup: Setup, chain: Chain, front_pressure: float, foot_force: float, take: Inputs, numbers: dict[str, float],
    name: str,
) -> tuple[TravelAnswer, PedalTravel]:  # fmt: skip
    """The pedal where the front calipers have this pressure, Pa; adds its headline numbers under `name`."""
    pressures = front_pressure, rear_pressure(setup, chain, front_pressure, take)
    made = pedal_travel(setup, chain, pressures, take)
    due = pedal_travel(setup, chain, pressures, take, worn=True)
    shares = bar_shares(setup, take)
    told = {}
    for axle, pressure, share in zip(AXLES, pressures, shares, strict=True):
        stroke = made.axle(axle)
        at_pedal = float(share) * float(chain.ratio) / float(stroke.cylinder_area)
        back = knock_back(setup, chain, take, axle)
        lost = travel.knock_back_travel.at(axle)(back, stroke.cylinder_area, share, chain.ratio)
        told[axle] = CircuitTravel(
            pressure=pressure,
            **{part: getattr(stroke, part) * at_pedal for part in PARTS},
            volume=stroke.volume,
            stroke=stroke.stroke,
            left=cylinder_of(setup, axle).stroke - stroke.stroke,
            knock_back=lost,
        )
        numbers |= {
            f"{name}.{axle}.volume": stroke.volume,
            f"{name}.{axle}.stroke": stroke.stroke,
            f"{name}.{axle}.knock_back": lost,
            f"{name}.{axle}.pressure": pressure,
        }
    numbers |= {f"{name}.pedal": made.pedal, f"{name}.rod": made.rod, f"{name}.worn": due.pedal}
    numbers |= {f"{name}.tilt": made.tilt, f"{name}.foot_force": foot_force}
    front, rear = told[Axle.FRONT], told[Axle.REAR]
    return (
        TravelAnswer(
            foot_force=foot_force,
            front=front,
            rear=rear,
            rod=made.rod,
            pedal=made.pedal,
            tilt=made.tilt,
            worn=due.pedal,
        ),
        made,
    )


def light_pressure(take: Inputs) -> float:
    """Front pressure of light braking, Pa."""
    light = defaults.LIGHT_BRAKING
    return take.constant(light.value, "p_light", "Light braking", "pressure", light.reason)
