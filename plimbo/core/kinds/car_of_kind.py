"""A whole car and its first setup from the usual values for its kind, every value marked as unconfirmed."""

from typing import Any

from plimbo.core.documents import (
    AxleBrake,
    BalanceBar,
    Booster,
    Caliper,
    CaliperMounting,
    Car,
    CarKind,
    Cooling,
    Disc,
    DrivenAxle,
    Driver,
    HoseKind,
    Lines,
    MasterCylinder,
    Pad,
    Pedal,
    PedalMounting,
    ProportioningValve,
    Setup,
    Split,
    State,
    Surface,
    Tyre,
    ValveKind,
)
from plimbo.core.kinds.usual import GRIP, USUAL, WINGS, TyreKind, UsualAxle, UsualCar, Wings
from plimbo.core.kinds.usual_brakes import PAD_PAST_PISTONS, AssumedBrake, Build, brakes_for
from plimbo.core.quantities import defaults
from plimbo.core.quantities.axles import Axle

FIRST_SETUP = "Setup 1"
# Speed at which a car with wings is judged, as a share of the top speed; without wings one speed is enough, m/s.
FAST_SHARE, SLOW, ANY_SPEED = 0.85, 15.0, 30.0
BAR_LENGTH = 0.064
# Of each circuit of a tandem cylinder, m, and what a sliding caliper gives, m³/Pa: common practice, from memory.
TANDEM_STROKE, SLIDING_COMPLIANCE = 0.020, 2.4e-13


def car_of_kind(
    name: str,
    kind: CarKind,
    driven: DrivenAxle | None = None,
    tyres: TyreKind | None = None,
    wings: Wings | None = None,
) -> tuple[Car, Setup]:
    """The car and its first setup; values not given are those usual for the kind."""
    usual = USUAL[kind]
    tyres, wings = tyres or usual.tyres, wings or usual.wings
    car = _car(name, kind, usual, driven or usual.driven, tyres, wings)
    if driven is None:
        car = car.model_copy(update={"unconfirmed": (*car.unconfirmed, "driven_axle")})
    return car, _setup(usual, build_of(car))


def build_of(car: Car) -> Build:
    """What the assumed brakes follow."""
    ground = car.track_grip.gravel if car.states[0].track is Surface.GRAVEL else 1.0
    grips = car.front_tyre.friction * ground, car.rear_tyre.friction * ground
    return Build(car.mass, car.front_share, car.wheelbase, car.cg_height, *grips)


def _unconfirmed(*names: str) -> dict[str, Any]:
    return {"unconfirmed": names}


def _car(name: str, kind: CarKind, usual: UsualCar, driven: DrivenAxle, tyres: TyreKind, wings: Wings) -> Car:
    front_lift, rear_lift, wing_drag = WINGS[wings]
    at_front, at_rear = (
        Tyre(friction=GRIP[tyres], loaded_radius=radius, **_unconfirmed("friction", "loaded_radius"))
        for radius in usual.tyre_radius
    )
    given = ("mass", "front_share", "wheelbase", "cg_height", "drag_area", "power", "top_speed", "stop_to_speed")
    return Car(
        name=name,
        kind=kind,
        mass=usual.mass,
        front_share=usual.front_share,
        wheelbase=usual.wheelbase,
        cg_height=usual.cg_height,
        front_tyre=at_front,
        rear_tyre=at_rear,
        front_lift_area=front_lift,
        rear_lift_area=rear_lift,
        drag_area=usual.drag_area + wing_drag,
        top_speed=usual.top_speed,
        stop_to_speed=min(20.0, round(usual.top_speed / 3)),
        power=usual.power,
        driven_axle=driven,
        driver=Driver(foot_force=usual.foot_force, **_unconfirmed("foot_force")),
        states=_states(usual, tyres, winged=wings is not Wings.NONE),
        **_unconfirmed(*given, *(("front_lift_area", "rear_lift_area") if wings is not Wings.NONE else ())),
    )


def _states(usual: UsualCar, tyres: TyreKind, *, winged: bool) -> tuple[State, ...]:
    if tyres is TyreKind.GRAVEL:
        return (
            State(name="Gravel, dry", track=Surface.GRAVEL, speed=SLOW),
            State(name="Gravel, wet", track=Surface.GRAVEL, grip=0.45, speed=SLOW, **_unconfirmed("grip")),
        )
    if not winged:
        return tuple(
            State(name=track.word.capitalize(), track=track, speed=ANY_SPEED) for track in (Surface.DRY, Surface.WET)
        )
    fast = float(round(FAST_SHARE * usual.top_speed))
    return tuple(
        State(name=f"{track.word.capitalize()}, {word}", track=track, speed=speed, **_unconfirmed("speed"))
        for track in (Surface.DRY, Surface.WET)
        for word, speed in (("slow", SLOW), ("fast", fast))
    )


def _setup(usual: UsualCar, build: Build) -> Setup:
    brakes = brakes_for(usual, build)
    front_bore, rear_bore = usual.bores
    hung = usual.tandem
    return Setup(
        name=FIRST_SETUP,
        pedal=Pedal(
            ratio=usual.pedal_ratio,
            mounting=PedalMounting.HUNG if hung else PedalMounting.FLOOR,
            **_unconfirmed("ratio", "mounting"),
        ),
        split=Split.TANDEM if usual.tandem else Split.BAR,
        booster=Booster(fitted=usual.tandem, **_unconfirmed("fitted")),
        balance_bar=BalanceBar(length=BAR_LENGTH, **_unconfirmed("length")),
        tandem=MasterCylinder(bore=front_bore, stroke=TANDEM_STROKE, **_unconfirmed("bore", "stroke")),
        front=_brake(usual, usual.front, brakes[Axle.FRONT], front_bore),
        rear=_brake(usual, usual.rear, brakes[Axle.REAR], rear_bore),
        valve=ProportioningValve(
            kind=ValveKind.SCREW if usual.tandem else ValveKind.NONE,
            knee=usual.knee,
            **_unconfirmed("kind", "knee"),
        ),
        **_unconfirmed("split"),
    )


def _brake(usual: UsualCar, axle: UsualAxle, assumed: AssumedBrake, bore: float) -> AxleBrake:
    mounting = CaliperMounting.SLIDING if axle.sliding else CaliperMounting.FIXED
    height, length = axle.pad
    return AxleBrake(
        master_cylinder=MasterCylinder(bore=bore, **_unconfirmed("bore")),
        caliper=Caliper(
            mounting=mounting,
            pistons=assumed.pistons,
            compliance=SLIDING_COMPLIANCE if axle.sliding else defaults.CALIPER_COMPLIANCE.value,
            **_unconfirmed("mounting", "pistons", "compliance"),
        ),
        lines=Lines(hose=HoseKind.RUBBER if usual.tandem else HoseKind.BRAIDED, **_unconfirmed("hose")),
        disc=Disc(
            outer_diameter=axle.disc,
            thickness=assumed.thickness,
            ring_height=axle.ring,
            vane_gap=assumed.vane_gap,
            **_unconfirmed("outer_diameter", "thickness", "ring_height", "vane_gap"),
        ),
        pad=Pad(
            friction=usual.friction,
            height=height,
            length=max(length, round(sum(assumed.pistons) + PAD_PAST_PISTONS, 3)),
            compound=usual.compound,
            **_unconfirmed("friction", "height", "length", "compound"),
        ),
        cooling=Cooling(shielding=usual.shielding, **_unconfirmed("shielding")),
    )
