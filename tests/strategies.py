"""Cars and setups of all sensible kinds, for Hypothesis: 350 to 1 900 kg, nose- and tail-heavy, wings, carbon."""

from hypothesis import strategies as st

from plimbo.core.documents import (
    Air,
    AxleBrake,
    BalanceBar,
    Caliper,
    CaliperMounting,
    Car,
    Disc,
    DiscMaterial,
    DrivenAxle,
    Driver,
    Loading,
    LoadItem,
    LoadState,
    MasterCylinder,
    Pad,
    PadMaterial,
    Pedal,
    RadiusMethod,
    Setup,
    State,
    Tyre,
)
from plimbo.core.quantities.prechecks import LEAST_MAGNITUDE
from plimbo.core.stepping.stock import BORES


def between(low: float, high: float) -> st.SearchStrategy[float]:
    """Numbers that mean something: nearer to nothing than a document takes is nothing."""
    drawn = st.floats(low, high, allow_nan=False, allow_infinity=False)
    return drawn.map(lambda number: number if abs(number) >= LEAST_MAGNITUDE else 0.0)


@st.composite
def cars(draw: st.DrawFn, wings: bool = True, same_tyres: bool = False) -> Car:
    friction = draw(between(0.3, 1.8))
    lift = between(0, 3) if wings else st.just(0.0)
    return Car(
        name="Drawn",
        mass=draw(between(350, 1900)),
        front_share=draw(between(0.33, 0.67)),
        wheelbase=draw(between(1.6, 3.2)),
        cg_height=draw(between(0.2, 0.7)),
        front_tyre=Tyre(friction=friction, loaded_radius=draw(between(0.22, 0.36))),
        rear_tyre=Tyre(friction=friction if same_tyres else draw(between(0.3, 1.8)), loaded_radius=0.3),
        front_lift_area=draw(lift),
        rear_lift_area=draw(lift),
        top_speed=draw(between(30, 85)),
        stop_to_speed=draw(between(0, 25)),
        driver=Driver(foot_force=draw(between(150, 500)), foot_force_limit=draw(between(500, 900))),
    )


@st.composite
def full_cars(draw: st.DrawFn) -> Car:
    """With load-sensitive tyres, drag, engine braking, loads, and the air of the day."""
    car = draw(cars())
    items = (
        LoadItem(name="Driver", mass=draw(between(50, 110)), behind_front_axle=1.1, height=0.4, on_scales=0.0),
        LoadItem(name="Fuel", mass=draw(between(0, 60)), behind_front_axle=draw(between(0.2, 2.6)), height=0.3),
    )
    changes = {
        "front_tyre": car.front_tyre.model_copy(update=draw(sensitivities)),
        "rear_tyre": car.rear_tyre.model_copy(update=draw(sensitivities)),
        "drag_area": draw(between(0, 1.4)),
        "drag_height": draw(st.none() | between(0, 0.9)),
        "engine_braking": draw(st.just(0.0) | between(0, 0.04 * car.mass * 9.81)),
        "driven_axle": draw(st.sampled_from(DrivenAxle)),
        "air": Air(altitude=draw(between(0, 2500)), temperature=draw(between(263, 313))),
        "loading": Loading(items=items, states=(LoadState(name="Raced", shares=(1.0, draw(between(0, 1)))),)),
    }
    return Car.model_validate(dict(car) | changes)


sensitivities = st.fixed_dictionaries(
    {"load_sensitivity": st.just(0.0) | between(0.01, 0.25), "reference_load": st.none() | between(1000, 5000)}
)


@st.composite
def axles(draw: st.DrawFn) -> AxleBrake:
    pistons = draw(st.lists(between(0.022, 0.045), min_size=1, max_size=3))
    diameter = draw(between(0.2, 0.42))
    return AxleBrake(
        master_cylinder=MasterCylinder(bore=draw(st.sampled_from(BORES)), efficiency=draw(between(0.85, 1))),
        caliper=Caliper(
            mounting=draw(st.sampled_from(CaliperMounting)), pistons=tuple(pistons), efficiency=draw(between(0.85, 1))
        ),
        disc=Disc(
            outer_diameter=diameter,
            thickness=draw(between(0.012, 0.04)),
            ring_height=0.055,
            vane_gap=draw(between(0, 0.01)),
            material=draw(st.sampled_from(DiscMaterial)),
            weighed_mass=draw(st.none() | between(1, 14)),
        ),
        pad=Pad(
            friction=draw(between(0.2, 0.7)), height=0.046, length=0.16, material=draw(st.sampled_from(PadMaterial))
        ),
    )


@st.composite
def setups(draw: st.DrawFn) -> Setup:
    return Setup(
        name="Drawn",
        pedal=Pedal(ratio=draw(between(3.5, 8)), efficiency=draw(between(0.8, 1))),
        balance_bar=BalanceBar(length=0.064, offset=draw(between(-0.012, 0.012))),
        front=draw(axles()),
        rear=draw(axles()),
        radius_method=draw(st.sampled_from(RadiusMethod)),
    )


@st.composite
def actuated_setups(draw: st.DrawFn) -> Setup:
    """With tandem cylinder, booster and valve as they come, rubber hoses, and a little air."""
    setup = draw(setups())
    tandem = draw(st.booleans())
    changes = {
        "split": "tandem" if tandem else "bar",
        "tandem": {"bore": draw(st.sampled_from(BORES[2:]))},
        "booster": {"fitted": tandem and draw(st.booleans()), "gain": draw(between(1.5, 5)), "run_out": 900.0},
        "valve": {
            "kind": draw(st.sampled_from(["none", "screw", "lever"])),
            "knee": draw(between(5e5, 6e6)),
            "slope": draw(between(0, 0.9)),
        },
        "fluid": {"air": draw(between(0, 0.02))},
    }
    return Setup.model_validate(setup.model_dump() | changes)


states = st.builds(
    State,
    name=st.just("drawn"),
    grip=between(0.3, 1.1),
    speed=between(0, 85),
    air_density=between(0.9, 1.3),
)
cold_states = st.builds(
    State,
    name=st.just("drawn"),
    grip=between(0.3, 1.1),
    speed=between(0, 85),
    air_density=between(0.9, 1.3),
    front_tyre_grip=st.none() | between(0.7, 1.0),
    rear_tyre_grip=between(0.7, 1.0),
)
