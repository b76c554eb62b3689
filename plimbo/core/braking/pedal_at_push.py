"""The pedal at one push: pressures, the travel caused by each part, and the stroke left in each cylinder."""

from plimbo.core.braking.chain import Chain
from plimbo.core.friction.torque import force_at_pressure
from plimbo.core.hydraulics.travel import (
    PARTS,
    PedalTravel,
    bar_shares,
    knock_back,
    knock_back_travel,
    pedal_travel,
    rear_line,
)
from plimbo.core.hydraulics.valve import valve_output
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number


class CircuitTravel(Result):
    """One circuit: the pedal travel that each part of it takes, m, and the stroke of its cylinder."""

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


class PedalAtPush(Result):
    """The pedal at one push."""

    foot_force: float = answer("force", "Foot force")
    front: CircuitTravel
    rear: CircuitTravel
    rod: float = answer("length", "Travel of the push rod")
    pedal: float = answer("length", "Pedal travel")
    tilt: float = answer("angle", "Tilt of the bar")
    worn: float = answer("length", "Pedal travel, pads due")


def rear_pressure(chain: Chain, front: Number) -> Number:
    """At the rear calipers, Pa, where the front's have this pressure."""
    line = rear_line(front, chain.rear.line_pressure, chain.front.line_pressure)
    valve = chain.system.valve
    return valve_output.at(Axle.REAR)(line, *valve) if valve.works else line


def travel_at(chain: Chain, front_pressure: Number, inputs: Inputs, *, worn_out: bool = False) -> PedalTravel:
    """The pedal where the front calipers have this pressure, Pa."""
    pressures = front_pressure, rear_pressure(chain, front_pressure)
    return pedal_travel(chain.system, pressures, inputs, worn_out=worn_out)


def knock_back_at_pedal(chain: Chain, axle: Axle) -> Number:
    """Extra travel of the next push after a corner, from one axle's knock-back, m."""
    system = chain.system
    circuit, share = system.circuit(axle), bar_shares(system)[0 if axle is Axle.FRONT else 1]
    return knock_back_travel.at(axle)(knock_back(circuit, axle), circuit.cylinder.area, share, system.pedal.ratio)


def light_pressure(inputs: Inputs) -> Number:
    """Front pressure of light braking, Pa."""
    light = defaults.LIGHT_BRAKING
    return inputs.constant(light.value, "p_light", "Light braking", "pressure", light.reason)


def foot_for_pressure(chain: Chain, front_pressure: Number) -> Number:
    """Foot force at which the front calipers have this pressure, N."""
    front = force_at_pressure.at(Axle.FRONT)(chain.front.brake_force, front_pressure, chain.front.pressure)
    return chain.foot_at(chain.path.total(front))


def pedal_at_push(
    chain: Chain, front_pressure: Number, foot_force: Number, inputs: Inputs
) -> tuple[PedalAtPush, dict[str, Number]]:
    """The pedal where the front calipers have this pressure, Pa; and its headline numbers."""
    system = chain.system
    travel = travel_at(chain, front_pressure, inputs)
    due = travel_at(chain, front_pressure, inputs, worn_out=True)
    pressures = front_pressure, rear_pressure(chain, front_pressure)
    numbers: dict[str, Number] = {
        "pedal": travel.pedal,
        "rod": travel.rod,
        "worn": due.pedal,
        "tilt": travel.tilt,
        "foot_force": foot_force,
    }
    circuits = {}
    for axle, pressure, share in zip(AXLES, pressures, bar_shares(system), strict=True):
        stroke = travel.axle(axle)
        at_pedal = float(share) * float(system.pedal.ratio) / float(stroke.cylinder_area)
        headlines = {
            "pressure": pressure,
            "volume": stroke.volume,
            "stroke": stroke.stroke,
            "knock_back": knock_back_at_pedal(chain, axle),
        }
        numbers |= {f"{axle}.{name}": value for name, value in headlines.items()}
        circuits[str(axle)] = CircuitTravel(
            **headlines,
            **{part: getattr(stroke, part) * at_pedal for part in PARTS},
            left=system.circuit(axle).cylinder.stroke - stroke.stroke,
        )
    answer = PedalAtPush(
        foot_force=foot_force,
        **circuits,
        rod=travel.rod,
        pedal=travel.pedal,
        tilt=travel.tilt,
        worn=due.pedal,
    )
    return answer, numbers
