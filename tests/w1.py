"""The worked example that runs through the tests: a 640 kg mid-engined racer, by the hand model.

Equal tyre friction, no load sensitivity, no drag. The expected numbers come from a hand model, independent
of the core.
"""

from plimbo.core.documents import (
    AxleBrake,
    BalanceBar,
    Caliper,
    Car,
    Disc,
    Driver,
    MasterCylinder,
    Pad,
    Pedal,
    Setup,
    State,
    Tyre,
)


def axle(bore: float, pistons: tuple[float, ...], diameter: float, ring: float, pad: float) -> AxleBrake:
    return AxleBrake(
        master_cylinder=MasterCylinder(bore=bore),
        caliper=Caliper(pistons=pistons),
        disc=Disc(outer_diameter=diameter, thickness=0.026, ring_height=ring, vane_gap=0.010),
        pad=Pad(friction=0.45, height=pad, length=0.110),
    )


CAR = Car(
    name="W1",
    mass=640,
    front_share=0.45,
    wheelbase=2.32,
    cg_height=0.37,
    front_tyre=Tyre(friction=1.30, loaded_radius=0.283),
    rear_tyre=Tyre(friction=1.30, loaded_radius=0.295),
    front_lift_area=0.55,
    rear_lift_area=0.85,
    top_speed=62,
    driver=Driver(foot_force=400, foot_force_limit=600),
)
SETUP = Setup(
    name="W1",
    pedal=Pedal(ratio=5.0, efficiency=0.95),
    balance_bar=BalanceBar(length=0.064),
    front=axle(0.01778, (0.0381, 0.0413), 0.284, 0.052, 0.048),
    rear=axle(0.01905, (0.036, 0.036), 0.264, 0.044, 0.040),
)
BAR_REARWARD = SETUP.model_copy(update={"balance_bar": BalanceBar(length=0.064, offset=-0.004)})

STATIC = State(name="static", grip=1.0, speed=0)
FAST = State(name="55 m/s", grip=1.0, speed=55, air_density=1.2)
WET = State(name="wet", grip=0.75 / 1.30, speed=0)

_SAME = {
    "pressure": (38.262, 33.331),
    "clamp": (9488.0, 6785.3),
    "torque": (1007.63, 683.96),
    "force": (7121.0, 4637.0),
}
_SAME |= {"shares": (0.53444, 0.60563)}
# case: (setup, state, pressures bar, clamps N, torques N·m, forces N, shares by pressure and by force, ideal share,
#        z at front and rear lock, first, foot force N, efficiency)
CASES = {
    "static": (
        SETUP,
        STATIC,
        _SAME | {"ideal": 0.65733, "z": (1.4687, 1.1883), "first": "rear", "foot": 253.7, "efficiency": 0.9141},
    ),
    "fast": (
        SETUP,
        FAST,
        _SAME | {"ideal": 0.64086, "z": (1.9878, 1.7194), "first": "rear", "foot": 367.1, "efficiency": 0.9415},
    ),
    "wet": (
        SETUP,
        WET,
        _SAME | {"ideal": 0.56961, "z": (0.6944, 0.8026), "first": "front", "foot": 148.3, "efficiency": 0.9259},
    ),
    "bar": (
        BAR_REARWARD,
        STATIC,
        {
            "pressure": (33.479, 37.497),
            "clamp": (8302.0, 7633.5),
            "torque": (881.67, 769.45),
            "force": (6230.9, 5216.6),
            "shares": (0.47170, 0.54430),
            "ideal": 0.65733,
            "z": (1.7360, 1.0784),
            "first": "rear",
            "foot": 236.5,
            "efficiency": 0.8295,
        },
    ),
}
