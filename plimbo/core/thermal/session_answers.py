"""The models of the answer about a session, apart from the compiled code that fills them."""

from pydantic import Field

from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.steps import Step


class PlacedTemperature(Result):
    """A temperature and where or when it was."""

    value: float | None = answer("temperature", "Temperature")
    place: str


class AxleHeat(Result):
    """One axle's session; temperatures of discs are means round the ring of one disc."""

    low: float = answer("temperature", "Pad bites from")
    high: float = answer("temperature", "Pad fades from")
    surface_peak: PlacedTemperature
    surface_low: PlacedTemperature
    bulk_peak: PlacedTemperature
    bulk_low: PlacedTemperature
    apart: float = answer("temperature difference", "Inboard over outboard cheek, at most")
    below: float = answer("share", "Braking below the window")
    below_settled: float = answer("share", "Braking below the window, second half")
    within: float = answer("share", "Braking in the window")
    above: float = answer("share", "Braking above the window")
    fades_in: int | None = Field(title="First passes the window in lap")
    first_corner: PlacedTemperature = Field(title="At the first corner of the first fast lap")
    from_grid: PlacedTemperature = Field(title="At the first corner from the grid, after three minutes there")
    grid_bite: float = answer("share", "Friction there, of the pad's best")
    after_safety_car: PlacedTemperature = Field(title="At the first corner after three laps behind the safety car")
    stop_rise: float = answer("temperature difference", "Ring heats by, in the hardest stop")
    stop_place: str
    stop_energy: float = answer("energy", "Into one disc and its pads, hardest stop")
    energy_per_area: float = answer("energy per area", "Energy on each face of pad, hardest stop")
    power_per_area: float = answer("power per area", "Power on each face of pad, at most")
    fluid_running: PlacedTemperature
    fluid_parked: PlacedTemperature
    wet_running: PlacedTemperature
    wet_parked: PlacedTemperature
    crack: float = answer("friction", "Crack ratio")
    crack_place: str
    surface_to_bulk: float = answer("temperature difference", "Surface over the inside, at most")
    pad_worn: float = answer("gap", "Lining off each pad")
    pad_worn_inboard: float = answer("gap", "Lining off the inboard pad")
    pad_worn_outboard: float = answer("gap", "Lining off the outboard pad")
    pad_sets: float | None = answer("friction", "Sessions that the pads last, as they are")
    disc_worn: float = answer("gap", "Off each face of the disc")
    disc_sets: float | None = answer("friction", "Sessions that the discs last")
    paths: dict[str, float] = answer("share", "Heat of the fast laps by the way it left the disc")
    ring_mass: float = answer("mass", "Mass of the friction ring")


class ZoneHeat(Result):
    """One braking zone of one lap; energies and temperatures are of one disc."""

    lap: str
    part: int = Field(description="Which of the session's parts.")
    name: str
    time: float = answer("time", "As the foot comes down")
    from_speed: float = answer("speed", "Brakes from")
    to_speed: float = answer("speed", "down to")
    foot: float = answer("force", "Push of the foot, at most")
    front_energy: float = answer("energy", "Into each front disc")
    rear_energy: float = answer("energy", "Into each rear disc")
    front_in: float = answer("temperature", "Front surface, foot down")
    front_out: float = answer("temperature", "Front surface, at most")
    rear_in: float = answer("temperature", "Rear surface, foot down")
    rear_out: float = answer("temperature", "Rear surface, at most")


class SessionPhase(Result):
    """A lap or a rest."""

    kind: str
    name: str
    begin: float = answer("time", "Begins")
    end: float = answer("time", "Ends")


class FastLap(Result):
    """A fast lap along its distance: its speed and its bends; its braking zones by the places of their corners."""

    distances: tuple[float, ...] = answer("distance", "Distance")
    speeds: tuple[float, ...] = answer("speed", "Speed")
    radii: tuple[float | None, ...] = answer("distance", "Radius; none on a straight")
    zone_begins: tuple[float, ...] = answer("distance", "Braking zones begin at")
    zone_ends: tuple[float, ...] = answer("distance", "Braking zones end at")
    names: tuple[str, ...]
    lap_time: float = answer("time", "Lap time")


class AxleSeries(Result):
    """One axle over the session's times; of two sides the inboard one first."""

    surface: tuple[float, ...] = answer("temperature", "Disc surface")
    bulk: tuple[float, ...] = answer("temperature", "Disc, whole")
    faces: tuple[tuple[float, ...], ...] = answer("temperature", "Disc surface, each side")
    cores: tuple[tuple[float, ...], ...] = answer("temperature", "Cheek at the vanes, each side")
    pad_faces: tuple[tuple[float, ...], ...] = answer("temperature", "Pad face, each side")
    pads: tuple[tuple[float, ...], ...] = answer("temperature", "Pad, whole, each side")
    pad_backs: tuple[tuple[float, ...], ...] = answer("temperature", "Pad at its plate, each side")
    plates: tuple[tuple[float, ...], ...] = answer("temperature", "Pad's plate, each side")
    pistons: tuple[tuple[float, ...], ...] = answer("temperature", "Pistons, each side")
    caliper: tuple[float, ...] = answer("temperature", "Caliper")
    fluid: tuple[float, ...] = answer("temperature", "Fluid, whole")
    wet: tuple[float, ...] = answer("temperature", "Fluid at the pistons")
    friction: tuple[float, ...] = answer("friction", "Pad friction")


class CornerCrossSection(Result):
    """One corner in section, as the network of heat has it: sizes along the axle, and heights."""

    gap: float = answer("length", "Vane gap")
    cheek: float = answer("length", "One cheek of the disc")
    lining: float = answer("length", "Lining of a pad, as worn")
    plate: float = answer("length", "Plate of a pad")
    piston: float = answer("length", "Piston")
    fluid: float = answer("length", "Fluid behind a piston")
    ring_height: float = answer("length", "Friction ring")
    pad_height: float = answer("length", "Pad")
    bore: float = answer("length", "Largest piston")


class FluidAnswer(Result):
    """The fluid as it is now, and how its boiling point falls with water."""

    dry: float = answer("temperature", "Boils fresh at")
    wet: float = answer("temperature", "Boils at 3.7 % water")
    water: float = answer("share", "Water in it")
    boils: float = answer("temperature", "Boils now at")
    known_by: str
    curve_water: tuple[float, ...] = answer("share", "Water")
    curve_boils: tuple[float, ...] = answer("temperature", "Boils at")


class SessionHeat(Result):
    """A session: what it does to the brakes."""

    session: str
    front: AxleHeat
    rear: AxleHeat
    fluid: FluidAnswer
    push: float = answer("force", "Push of the foot, at most")
    push_place: str
    first_push: float = answer("force", "Push of the foot in the first fast lap, at most")
    leg_ends: str = Field(description="Where the driver's leg first ends; empty where it does not.")
    metres: float = answer("distance", "Longer, the worst stop")
    brake_power: float = answer("power", "All brakes, at most")
    engine_power: float | None = answer("power", "Power at the wheels")
    front_share_least: float | None = answer("share", "Front share by brake force, least")
    front_share_most: float | None = answer("share", "Front share by brake force, most")
    grip_used: float = answer("share", "Grip that the brakes use, as they are balanced")
    driven: float = answer("running time", "Driven in it")
    times_an_event: int = Field(description="How often it is driven in an event.")
    lap_time: float = answer("time", "Fast lap")
    cool_down_needed: int | None = Field(
        description="Cool-down laps before parking after which nothing boils; none where three do not help."
    )
    ambient: float = answer("temperature", "Air temperature")
    times: tuple[float, ...] = answer("time", "Time")
    front_series: AxleSeries
    rear_series: AxleSeries
    front_section: CornerCrossSection
    rear_section: CornerCrossSection
    parts: tuple[SessionPhase, ...]
    corners: tuple[ZoneHeat, ...]
    strip: FastLap
    worst_fluid_time: float = answer("time", "The fluid's worst moment")
    hottest_time: float = answer("time", "The discs' hottest moment")
    steps: tuple[Step, ...] = Field((), description="The working of what a formula gives.")
    headlines: dict[str, int] = Field({}, description="Where each headline number stands in the steps.")
