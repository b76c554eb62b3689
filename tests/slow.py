"""The road calculated again, slowly and plainly, to compare the core with: nothing here comes from the core's formulas.

Everything is found by halving or by small steps from what a tyre, a lever and a moment are.
"""

import math
from collections.abc import Callable

from plimbo.core import Car, Setup, State
from plimbo.core.documents import AS_WEIGHED, DrivenAxle, Tyre

G = 9.80665
TRACKS = {"dry": lambda _: 1.0, "damp": lambda t: t.damp, "wet": lambda t: t.wet, "gravel": lambda t: t.gravel}


def loaded(car: Car, name: str) -> tuple[float, float, float]:
    """Mass, front share and height of the centre of gravity: every item as a point mass."""
    points = [(car.mass, (1 - car.front_share) * car.wheelbase, car.cg_height)]
    if name != AS_WEIGHED:
        shares = next(load.shares for load in car.loading.states if load.name == name)
        points += [
            (item.mass * (share - item.on_scales), item.behind_front_axle, item.height)
            for item, share in zip(car.loading.items, shares, strict=True)
        ]
    mass = sum(m for m, _, _ in points)
    behind = sum(m * x for m, x, _ in points) / mass
    return mass, 1 - behind / car.wheelbase, sum(m * h for m, _, h in points) / mass


def density(car: Car, state: State) -> float:
    if state.air_density is not None:
        return state.air_density
    pressure = 101325 * (1 - 0.0065 * car.air.altitude / 288.15) ** 5.25588
    return pressure * 0.0289644 / (8.31432 * car.air.temperature)


def drag(car: Car, state: State) -> float:
    return 0.5 * density(car, state) * state.speed**2 * car.drag_area


def engine(car: Car) -> tuple[float, float]:
    parts = {DrivenAxle.FRONT: (1, 0), DrivenAxle.REAR: (0, 1), DrivenAxle.BOTH: (0.5, 0.5)}[car.driven_axle]
    return car.engine_braking * parts[0], car.engine_braking * parts[1]


def axle_loads(car: Car, state: State, tyre_force: float) -> tuple[float, float]:
    """Moments about the rear contact, with inertia at the centre of gravity and drag where it acts."""
    mass, _, height = loaded(car, state.load)
    front_share = loaded(car, state.load)[1]
    q = 0.5 * density(car, state) * state.speed**2
    against = drag(car, state)
    at = height if car.drag_height is None else car.drag_height
    inertia = tyre_force + against  # mass times deceleration
    front = mass * G * front_share + q * car.front_lift_area + (inertia * height - against * at) / car.wheelbase
    return front, mass * G + q * (car.front_lift_area + car.rear_lift_area) - front


def capacity(car: Car, state: State, tyre: Tyre, standing_share: float, load: float) -> float:
    """Two tyres; where more load would give less, they give what they gave before."""
    track = state.grip if state.grip is not None else TRACKS[state.track.value](car.track_grip)
    reference = tyre.reference_load or car.mass * G * standing_share / 2
    sensitivity = tyre.load_sensitivity

    def given(each: float) -> float:
        return 2 * tyre.friction * track * (1 - sensitivity * (each - reference) / reference) * each

    if sensitivity == 0:
        return given(load / 2)
    return given(min(load / 2, reference * (1 + sensitivity) / (2 * sensitivity)))


def capacities(car: Car, state: State, tyre_force: float) -> tuple[float, float]:
    front, rear = axle_loads(car, state, tyre_force)
    return (
        capacity(car, state, car.front_tyre, car.front_share, front) * (state.front_tyre_grip or 1),
        capacity(car, state, car.rear_tyre, 1 - car.front_share, max(0.0, rear)) * (state.rear_tyre_grip or 1),
    )


def pushes_on_cylinders(setup: Setup, foot: float) -> tuple[float, float]:
    """What each cylinder's piston feels; a tandem cylinder's two feel the same."""
    rod = foot * setup.pedal.ratio * setup.pedal.efficiency
    if setup.pedal.pad_length and setup.pedal.rod_length:
        rod = foot * setup.pedal.pad_length / setup.pedal.rod_length * setup.pedal.efficiency
    if setup.booster.fitted:
        # Newton by newton: the booster's part of each until it has run out.
        helped = min(rod, setup.booster.run_out)
        rod += helped * (setup.booster.gain - 1)
    if setup.split.value == "tandem":
        return rod, rod
    half = setup.balance_bar.length / 2
    # Moments about the other clevis.
    return tuple(rod * (half + sign * setup.balance_bar.offset) / setup.balance_bar.length for sign in (1, -1))  # type: ignore[return-value]


def through_valve(setup: Setup, pressure: float) -> float:
    """Up to the knee all of it; past the knee a part of each pascal more."""
    valve = setup.valve
    if valve.kind.value == "none":
        return pressure
    knee = valve.knee
    if valve.kind.value == "lever":
        knee = sorted(valve.positions, key=lambda position: abs(position - valve.knee))[0]
    return pressure if pressure < knee else knee + (pressure - knee) * valve.slope


def caliper_pressures(setup: Setup, foot: float) -> tuple[float, float]:
    """Front and rear, Pa."""
    found = []
    for push, brake in zip(pushes_on_cylinders(setup, foot), (setup.front, setup.rear), strict=True):
        cylinder = setup.tandem if setup.split.value == "tandem" else brake.master_cylinder
        found.append(push * cylinder.efficiency / (math.pi * (cylinder.bore / 2) ** 2))
    return found[0], through_valve(setup, found[1])


def road_forces(car: Car, setup: Setup, push: float) -> tuple[float, float]:
    """Brake force at both axles, from the parts, step by step."""
    found = []
    ends = ((setup.front, car.front_tyre), (setup.rear, car.rear_tyre))
    for pressure, (brake, tyre) in zip(caliper_pressures(setup, push), ends, strict=True):
        clamp = sum(pressure * math.pi * (piston / 2) ** 2 for piston in brake.caliper.pistons)
        outer = brake.disc.outer_diameter / 2 - brake.pad.inset
        radius = outer - brake.pad.height / 2
        torque = 2 * brake.pad.friction * clamp * brake.caliper.efficiency * radius
        found.append(2 * torque / tyre.loaded_radius)
    return found[0], found[1]


def halved(spare: Callable[[float], float], most: float) -> float | None:
    """Where what is spare runs out; none where it does not up to `most`."""
    low, high = 0.0, most
    if spare(high) > 0:
        return None
    for _ in range(60):
        middle = (low + high) / 2
        low, high = (low, middle) if spare(middle) < 0 else (middle, high)
    return high


def push_that_locks(car: Car, setup: Setup, state: State, axle: int) -> float | None:
    """Foot force, N; none where no push up to 100 kN locks the axle."""

    def spare(push: float) -> float:
        forces = road_forces(car, setup, push)
        return capacities(car, state, sum(forces) + sum(engine(car)))[axle] - forces[axle] - engine(car)[axle]

    return halved(spare, 1e5)


def tyre_limit(car: Car, state: State) -> float:
    """All that the tyres can give, N: as much as both axles hold, the rear while the engine leaves it something."""

    def spare(force: float) -> float:
        front, rear = capacities(car, state, force)
        return front + rear - force if rear > engine(car)[1] and axle_loads(car, state, force)[1] > 0 else -1.0

    found = halved(spare, 1e6)
    assert found is not None
    return found


RUBBER = {"rubber": 24.0, "low_expansion": 12.0, "braided": 4.0}  # mm³ for each bar and metre


def stroke(setup: Setup, axle: int, pressure: float, *, wear: float | None = None, back: bool = False) -> float:
    """Stroke of an axle's cylinder, m, wheel by wheel and pad by pad; `back`: after the disc has pushed pads back."""
    brake = (setup.front, setup.rear)[axle]
    tandem = setup.split.value == "tandem"
    cylinder = setup.tandem if tandem else brake.master_cylinder
    caliper, lines = brake.caliper, brake.lines
    area = sum(math.pi * (piston / 2) ** 2 for piston in caliper.pistons)
    worn = brake.pad.worn if wear is None else wear
    sides = 2 if caliper.mounting.value == "fixed" else 1
    asked = held = 0.0
    for _wheel in range(2):
        for _pad in range(2):
            asked += area * caliper.pad_gap
        for _side in range(sides):
            # The pistons of one side stand out by their own pad's wear, or by that of both.
            held += area * (0.006 + worn * 2 / sides)
        asked += caliper.compliance * pressure
        if back:
            taken = (0.6 if brake.disc.bell.value == "floating" else 1) * (1 if sides == 2 else 0.4)
            asked += area * brake.disc.run_out * taken * (1 if caliper.retention.value == "none" else 0.3)
    held += math.pi * (lines.bore / 2) ** 2 * (lines.pipe_length + lines.hose_length)
    bore_area = math.pi * (cylinder.bore / 2) ** 2
    held += bore_area * cylinder.stroke / 2
    asked += RUBBER[lines.hose.value] * 1e-9 / 1e5 * lines.hose_length * pressure
    asked += held * pressure / setup.fluid.bulk_modulus
    before = setup.fluid.air * held
    asked += before - before * 101325 / (101325 + pressure)
    return cylinder.dead_stroke + asked / bore_area


def pedal(setup: Setup, strokes: tuple[float, float]) -> float:
    """Way of the foot pad, m: a tandem cylinder's strokes add up, a bar's bearing lies between its clevises."""
    ratio = setup.pedal.ratio
    if setup.pedal.pad_length and setup.pedal.rod_length:
        ratio = setup.pedal.pad_length / setup.pedal.rod_length
    if setup.split.value == "tandem":
        return ratio * sum(strokes)
    bar = setup.balance_bar
    front_clevis, rear_clevis, bearing = bar.length / 2, -bar.length / 2, bar.offset
    part = (bearing - rear_clevis) / (front_clevis - rear_clevis)
    return ratio * (rear_way := strokes[1]) + ratio * part * (strokes[0] - rear_way)


def alone(setup: Setup, axle: int, foot: float) -> tuple[float, float]:
    """Pressure at the calipers of the axle that is left, Pa, and the travel of the pedal, m: by the contacts that hold.

    The empty cylinder's rod runs ahead until the bar touches its stop, the cylinder is at its bottom, or both. A stop
    carries a moment but no push, a bottom the other way round; of the three cases the one is right in which no contact
    pulls and none is passed.
    """
    tandem = setup.split.value == "tandem"
    ends = (setup.front.master_cylinder, setup.rear.master_cylinder)
    empty = setup.tandem.stroke if tandem else ends[1 - axle].stroke
    pushes = pushes_on_cylinders(setup, foot)
    cylinder = setup.tandem if tandem else ends[axle]

    def pressed(push: float) -> float:
        line = push * cylinder.efficiency / (math.pi * (cylinder.bore / 2) ** 2)
        return through_valve(setup, line) if axle == 1 else line

    def pedal_at(push: float, other: float) -> tuple[float, float]:
        good = stroke(setup, axle, pressed(push))
        return pressed(push), pedal(setup, (good, other) if axle == 0 else (other, good))

    if tandem:
        return pedal_at(pushes[0], empty)
    apart = setup.balance_bar.length * math.tan(setup.balance_bar.tilt_stop)

    def ahead_at_bottom(push: float) -> float:
        return empty - stroke(setup, axle, pressed(push))

    if ahead_at_bottom(sum(pushes)) >= apart:
        return pedal_at(sum(pushes), stroke(setup, axle, pressed(sum(pushes))) + apart)
    if ahead_at_bottom(pushes[axle]) <= apart:
        return pedal_at(pushes[axle], empty)
    low, high = pushes[axle], sum(pushes)
    for _ in range(80):
        middle = (low + high) / 2
        low, high = (middle, high) if ahead_at_bottom(middle) > apart else (low, middle)
    return pedal_at(middle, empty)
