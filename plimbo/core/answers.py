"""What `assess` answers: one model for each thing looked at, SI, per wheel, caliper or axle as each title says."""

from pydantic import Field

from plimbo.core.brakes.joints import Joint
from plimbo.core.documents import State
from plimbo.core.documents.fields import Result, answer
from plimbo.core.judging.anti_lock import AntiLockCheck
from plimbo.core.judging.verdicts import Verdict
from plimbo.core.road.force_balance import ForceBalance
from plimbo.core.working import Axle, Step


class Has(Result):
    """What is fitted makes, at the driver's chosen push."""

    cylinder_force: float = answer("force", "Push on the cylinder")
    line_pressure: float = answer("pressure", "Line pressure at the cylinder")
    pressure: float = answer("pressure", "Line pressure at the calipers")
    piston_area: float = answer("area", "Piston area, one side")
    clamp: float = answer("force", "Clamp, each caliper")
    effective_radius: float = answer("length", "Effective radius")
    torque: float = answer("torque", "Torque, each wheel")
    brake_force: float = answer("force", "Brake force, both wheels")
    pad_pressure: float = answer("pressure", "Pad pressure")


class Needs(Result):
    """What would put both axles at their limit at the driver's chosen push."""

    bore: float | None = answer(
        "bore", "Bore needed, bar as set; none where the axle has nothing to do or none would do"
    )
    centred_bore: float | None = answer("bore", "Bore needed, bar centred")
    pressure: float = answer("pressure", "Line pressure needed at the calipers")
    line_pressure: float | None = answer("pressure", "Line pressure needed at the cylinder; none past a limiting valve")
    clamp: float = answer("force", "Clamp needed, each caliper")
    torque: float = answer("torque", "Torque needed, each wheel")
    brake_force: float = answer("force", "Brake force needed, both wheels")


class AtFirstLock(Result):
    """One axle at the moment the first axle locks."""

    pressure: float = answer("pressure", "Line pressure at first lock")
    brake_force: float = answer("force", "Brake force at first lock, both wheels")
    load: float = answer("force", "Axle load at first lock")
    grip_used: float = answer("share", "Share of the axle's grip used at first lock")


class DiscAnswer(Result):
    """One disc in the hardest stop, nothing cooling it."""

    energy: float = answer("energy", "Energy into one disc")
    ring_mass: float = answer("mass", "Mass of the friction ring")
    temperature_rise: float = answer("temperature difference", "Disc heats by, in one stop")
    rise_limit: float = answer("temperature difference", "What the material takes in one stop")


class AxleAnswer(Result):
    """One axle in one state."""

    downforce: float = answer("force", "Downforce, both wheels")
    standing_load: float = answer("force", "Axle load on the scales")
    load: float = answer("force", "Axle load at speed, not braking")
    limit_load: float = answer("force", "Axle load with both axles at their limit")
    grip: float = answer("friction", "Grip on this track")
    has: Has
    needs: Needs
    lock_deceleration: float | None = answer("deceleration", "Deceleration at which it locks; none if it never does")
    lock_foot_force: float | None = answer("force", "Foot force at which it locks; none if it never does")
    at_first_lock: AtFirstLock
    disc: DiscAnswer


class StopAnswer(Result):
    """A stop on this state's track, at first lock or at the driver's limit; ideal: both axles at their limit."""

    distance: float = answer("distance", "Stopping distance")
    ideal: float = answer("distance", "Stopping distance, ideal")
    lost: float = answer("distance", "Distance lost against the ideal")
    time: float = answer("time", "Stopping time")
    ideal_time: float = answer("time", "Stopping time, ideal")


class LoadedAnswer(Result):
    """The car in this state's load."""

    mass: float = answer("mass", "Mass")
    front_share: float = answer("share", "Front weight share")
    cg_height: float = answer("length", "Height of the centre of gravity")


class AirAnswer(Result):
    """The air in this state, at its speed."""

    density: float = answer("density", "Air density")
    drag: float = answer("force", "Drag")


class StateAnswer(Result):
    """Everything about one state."""

    state: State
    car: LoadedAnswer
    air: AirAnswer
    engine: float = answer("force", "Engine braking")
    front: AxleAnswer
    rear: AxleAnswer
    pressure_share: float = answer("share", "Front share by line pressure")
    force_share: float = answer("share", "Front share by brake force")
    index_share: float = answer("share", "Front share by mechanical index")
    first_share: float = answer("share", "Front share by brake force, at first lock")
    ideal_share: float = answer("share", "Ideal share of the front")
    first: Axle = Field(title="Locks first")
    first_deceleration: float = answer("deceleration", "Deceleration at first lock")
    first_foot_force: float = answer("force", "Foot force at first lock")
    limit_deceleration: float = answer("deceleration", "The most the tyres can give")
    needed_ratio: float = answer("ratio", "Pedal ratio at which first lock comes at the chosen push")
    rear_lifts: bool = Field(title="Rear wheels lift before the front tyres reach their limit")
    efficiency: float = answer("share", "Braking efficiency")
    stop: StopAnswer
    brake_energy: float = answer("energy", "Energy of the hardest stop into the brakes")
    force_balance: ForceBalance
    steps: tuple[Step, ...] = Field((), description="The working, where asked for; each step after those it uses.")
    headlines: dict[str, int] = Field({}, description="Where each headline number stands in the steps.")


class WorstStates(Result):
    """The state that decides each matter, by name."""

    lock_order: str = Field(title="The rear comes nearest to locking first, or does by most")
    push: str = Field(title="The hardest push at first lock")
    grip_used: str = Field(title="The least of its grip used")


class Assessment(Result):
    """A setup of a car, judged over all its states."""

    foot_force: float = answer("force", "Chosen foot force")
    rod_force: float = answer("force", "Push of the pedal's rod")
    push: float = answer("force", "Push on the bar or the tandem cylinder, behind a booster")
    bar_share: float = answer("share", "Bearing off centre, share of the half bar; 0 without a bar")
    bar_turns: float = answer("turns", "Adjuster turns off centre, plus toward the front")
    states: tuple[StateAnswer, ...]
    worst: WorstStates
    verdicts: tuple[Verdict, ...]
    joints: tuple[Joint, ...]
    anti_lock: AntiLockCheck | None = Field(description="Where the car keeps its stock anti-lock system.")
    assumptions: tuple[str, ...] = Field(description="Paths of the assumed values that nobody has confirmed.")
