"""The demo: three invented cars of an invented workshop, each with setups that make a point."""

from datetime import date

from plimbo.cli.demo_circuits import CIRCUITS, FENBANK, GORSE_HILL, SALTMARSH, TOLLGATE
from plimbo.core import Car, Circuit, Setup, State
from plimbo.core.documents import (
    AS_WEIGHED,
    Air,
    AxleBrake,
    BalanceBar,
    BellMounting,
    Booster,
    Caliper,
    CaliperMounting,
    CarKind,
    Compound,
    Cooling,
    Disc,
    Doubt,
    Driver,
    Duct,
    DuctPiece,
    Fluid,
    FluidKind,
    Handbrake,
    HoseKind,
    Lines,
    Loading,
    LoadItem,
    LoadState,
    LoggedStop,
    MasterCylinder,
    Measured,
    MeasuredDownforce,
    Opening,
    Original,
    OriginalAxle,
    Pad,
    Pedal,
    PedalMounting,
    PieceKind,
    ProportioningValve,
    Session,
    Shielding,
    Split,
    Surface,
    SurfaceGrip,
    Tyre,
    ValveKind,
    Weighing,
)
from plimbo.core.stepping.stock import BORES
from plimbo.store import NewRecord, RecordKind, Records

B58, B70, B34, B1316, B78, B1516, B1, B118 = BORES


def _session(
    circuit: Circuit, laps: int, *, load: str = AS_WEIGHED, track: Surface = Surface.DRY, parked: float = 900
) -> Session:
    distance = f"{laps} laps" if not circuit.one_way else "one run" if laps == 1 else f"{laps} runs"
    return Session(
        name=f"{circuit.name}, {distance}", circuit=circuit, fast_laps=laps, load=load, track=track, parked=parked
    )


WREN = Car(
    name="Wren",
    kind=CarKind.TWO_SEATER,
    mass=640,
    front_share=0.45,
    wheelbase=2.32,
    cg_height=0.37,
    front_tyre=Tyre(friction=1.30, loaded_radius=0.283, size="190/580 R15", deflection=0.007),
    rear_tyre=Tyre(friction=1.30, loaded_radius=0.295, size="240/610 R15", deflection=0.010),
    front_lift_area=0.55,
    rear_lift_area=0.85,
    drag_area=0.70,
    air=Air(altitude=120, temperature=291.15),
    top_speed=62,
    power=105e3,
    driver=Driver(foot_force=400),
    loading=Loading(
        items=(
            LoadItem(name="Driver", mass=82, behind_front_axle=1.12, height=0.34),
            LoadItem(name="Fuel", mass=44, behind_front_axle=1.30, height=0.30),
        ),
        states=(LoadState(name="Last lap", shares=(1, 0.1)),),
    ),
    measured=Measured(
        weighing=Weighing(
            front_left=142.5,
            front_right=145.5,
            rear_left=178.0,
            rear_right=174.0,
            raised_front=293.5,
            raised_rear=346.5,
            lift=0.55,
        ),
        logged=LoggedStop(deceleration=19.7, speed=55),
        downforce=MeasuredDownforce(speed=50, front=830, rear=1280, drag=1056),
    ),
    # On treaded wet tyres; the bite of the pads was logged at two settings of the bar.
    track_grip=SurfaceGrip(wet=0.70),
    doubt=Doubt(pad_friction=0.06),
    states=tuple(
        State(name=f"{track.capitalize()}, {speed}{light}", load=load, track=Surface(track), speed=metres)
        for track in ("dry", "wet")
        for load, light in ((AS_WEIGHED, ""), ("Last lap", ", light"))
        for speed, metres in (("slow", 15), ("fast", 55))
    ),
    confirmed=("rotating_share",),
    sessions=(_session(FENBANK, 10), _session(SALTMARSH, 12), _session(TOLLGATE, 15), _session(GORSE_HILL, 1)),
)
DUNNOCK = Car(
    name="Dunnock",
    kind=CarKind.PICKUP,
    mass=1350,
    front_share=0.60,
    wheelbase=2.83,
    cg_height=0.50,
    front_tyre=Tyre(friction=0.95, load_sensitivity=0.04, loaded_radius=0.312, size="225/55 R16"),
    rear_tyre=Tyre(friction=0.95, load_sensitivity=0.04, loaded_radius=0.312, size="225/55 R16"),
    front_lift_area=0.0,
    rear_lift_area=0.0,
    drag_area=0.95,
    engine_braking=250,
    top_speed=50,
    power=135e3,
    stop_to_speed=15,
    road_registered=True,
    driver=Driver(foot_force=300, foot_force_limit=500),
    original=Original(
        anti_lock=True,
        front=OriginalAxle(pistons=(0.054,), disc_diameter=0.288, pad_friction=0.40),
        rear=OriginalAxle(pistons=(0.0349,), disc_diameter=0.262, pad_friction=0.40),
    ),
    loading=Loading(
        items=(LoadItem(name="Fuel", mass=45, behind_front_axle=2.20, height=0.45),),
        states=(LoadState(name="Low fuel", shares=(0.3,)),),
    ),
    states=(
        State(name="Dry", track=Surface.DRY, speed=30),
        State(name="Damp", track=Surface.DAMP, speed=30),
        State(name="Wet", track=Surface.WET, speed=30),
        State(name="Dry, low fuel", load="Low fuel", track=Surface.DRY, speed=30),
    ),
    sessions=(_session(FENBANK, 8), _session(TOLLGATE, 10)),
)
PIPIT = Car(
    name="Pipit",
    kind=CarKind.BUGGY,
    mass=620,
    front_share=0.39,
    wheelbase=2.25,
    cg_height=0.48,
    front_tyre=Tyre(friction=1.18, loaded_radius=0.30),
    rear_tyre=Tyre(friction=1.27, loaded_radius=0.32),
    top_speed=36,
    power=80e3,
    stop_to_speed=8,
    driver=Driver(foot_force=250, foot_force_limit=500),
    doubt=Doubt(pad_friction=0.06),
    states=(
        State(name="Gravel, dry", track=Surface.GRAVEL, speed=15),
        State(name="Gravel, wet", track=Surface.GRAVEL, grip=0.44, speed=15),
        State(name="Mud", track=Surface.GRAVEL, grip=0.275, speed=8),
    ),
    sessions=(_session(GORSE_HILL, 3, track=Surface.GRAVEL, parked=600),),
)


def _brake(
    bore: float,
    pistons: tuple[float, ...],
    disc: tuple[float, float, float, float],
    pad: tuple[float, float, float],
    mounting: CaliperMounting = CaliperMounting.FIXED,
    compound: Compound = Compound.SPRINT,
    cooling: Cooling | None = None,
    bell: BellMounting = BellMounting.ONE_PIECE,
) -> AxleBrake:
    """Sizes in mm: disc diameter, thickness, ring height, vane gap; pad height and length, then its friction."""
    diameter, thickness, ring, gap = (size / 1000 for size in disc)
    height, length, friction = pad
    return AxleBrake(
        master_cylinder=MasterCylinder(bore=bore),
        caliper=Caliper(mounting=mounting, pistons=tuple(round(size / 1000, 6) for size in pistons)),
        disc=Disc(outer_diameter=diameter, thickness=thickness, ring_height=ring, vane_gap=gap, bell=bell),
        pad=Pad(friction=friction, height=height / 1000, length=length / 1000, compound=compound),
        cooling=cooling or Cooling(),
    )


def _setup(
    name: str,
    ratio: float,
    front: AxleBrake,
    rear: AxleBrake,
    bar: float = 0.064,
    offset: float = 0.0,
    fluid: Fluid | None = None,
) -> Setup:
    return Setup(
        name=name,
        pedal=Pedal(ratio=ratio),
        balance_bar=BalanceBar(length=bar, offset=offset),
        front=front,
        rear=rear,
        fluid=fluid or Fluid(),
    )


def _duct(bore: float) -> Duct:
    """From the nose round the radiator to the upright, into the eye."""
    bend = DuctPiece(kind=PieceKind.BEND, bore=bore)
    opening = Opening(area=round(1.5 * 0.7854 * bore**2, 6))
    return Duct(
        fitted=True,
        opening=opening,
        pieces=(DuctPiece(bore=bore, length=0.5), bend, DuctPiece(bore=bore, length=0.7), bend),
    )


def _wren(name: str, front_bore: float, rear_bore: float, ratio: float = 5.0, offset: float = 0.0) -> Setup:
    floating = BellMounting.FLOATING
    front = _brake(
        front_bore, (38.1, 41.3), (284, 26, 54, 10), (48, 110, 0.45), bell=floating, cooling=Cooling(duct=_duct(0.063))
    )
    rear = _brake(
        rear_bore, (36.0, 36.0), (264, 22, 46, 8), (40, 96, 0.45), bell=floating, cooling=Cooling(warmer_by=10)
    )
    return _setup(name, ratio, front, rear, offset=offset, fluid=Fluid(kind=FluidKind.DOT_4, water=0.015))


def _dunnock(
    name: str,
    front: tuple[float, ...] = (54.0,),
    rear: tuple[float, ...] = (34.9,),
    front_friction: float = 0.40,
    *,
    front_disc: float = 330.0,
    valve: ValveKind = ValveKind.SCREW,
) -> Setup:
    """Original tandem cylinder, booster and rear valve; one big front piston is replaced by two."""
    sliding = CaliperMounting.SLIDING
    big = len(front) > 1
    disc = (front_disc, 28.0, 60.0, 10.0) if big else (288.0, 25.0, 58.0, 9.0)
    mounting = CaliperMounting.FIXED if big else sliding
    rubber = Lines(hose=HoseKind.RUBBER, hose_length=1.0, pipe_length=2.0)
    shields, compound = Cooling(shielding=Shielding.DUST_SHIELD), Compound.SPRINT if big else Compound.FAST_ROAD
    at_front = _brake(B1516, front, disc, (56, 130, front_friction), mounting, compound, shields)
    at_rear = _brake(B1516, rear, (262, 10, 54, 0), (50, 90, 0.40), sliding, compound, shields)
    return Setup(
        name=name,
        pedal=Pedal(ratio=4.0, mounting=PedalMounting.HUNG, room=0.14),
        split=Split.TANDEM,
        booster=Booster(fitted=True, gain=2.8, run_out=1800),
        balance_bar=BalanceBar(length=0.064),
        tandem=MasterCylinder(bore=B1516, stroke=0.020),
        front=at_front.model_copy(update={"lines": rubber}),
        rear=at_rear.model_copy(update={"lines": rubber.model_copy(update={"pipe_length": 5.0})}),
        valve=ProportioningValve(kind=valve, knee=30e5, slope=0.4),
        fluid=Fluid(kind=FluidKind.DOT_5_1, filled=date(2026, 3, 28)),
    )


def _pipit(name: str, front_bore: float, rear_bore: float, rear: float, ratio: float = 5.0) -> Setup:
    made = _setup(
        name,
        ratio,
        _brake(front_bore, (31.8, 31.8), (238, 8, 42, 0), (38, 84, 0.40), compound=Compound.FAST_ROAD),
        _brake(rear_bore, (rear, rear), (228, 8, 42, 0), (38, 84, 0.40), compound=Compound.FAST_ROAD),
        bar=0.058,
    )
    return made.model_copy(update={"handbrake": Handbrake(fitted=True, bore=B34, ratio=7.0, hand_force=220)})


CARS: tuple[tuple[Car, tuple[Setup, ...]], ...] = (
    (
        WREN,
        (
            _wren("Sprint", B70, B1316),
            _wren("As bought", B70, B34),
            _wren("Endurance", B70, B78),
            _wren("Long pedal life", B1, B118, 4.5),
            _wren("Bar wound to the front", B70, B58, offset=0.0102),
        ),
    ),
    (
        DUNNOCK,
        (
            _dunnock("Stock"),
            _dunnock("Big front brakes", (41.3, 44.5), front_friction=0.50),
            _dunnock("Big fronts, rear matched", (41.3, 44.5), (41.3,), 0.50),
            _dunnock("Big discs, areas kept", (38.1, 38.1), front_disc=302.0),
            _dunnock("Valve taken out", valve=ValveKind.NONE),
        ),
    ),
    (
        PIPIT,
        (
            _pipit("As built", B70, B70, 34.9),
            _pipit("Sound on gravel", B70, B70, 31.8),
            _pipit("Small front cylinder", B58, B34, 28.6),
        ),
    ),
)


def load(records: Records) -> None:
    """Load the demo into an empty database; the first setup is opened on the desk."""
    circuits = [NewRecord(RecordKind.CIRCUIT, circuit.model_dump(mode="json")) for circuit in CIRCUITS]
    cars = [
        NewRecord(
            RecordKind.CAR,
            car.model_dump(mode="json"),
            tuple(NewRecord(RecordKind.SETUP, setup.model_dump(mode="json")) for setup in setups),
        )
        for car, setups in CARS
    ]
    records.fill([*circuits, *cars], {"place": "chain"})
