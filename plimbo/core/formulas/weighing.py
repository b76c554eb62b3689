"""The car from its scale readings, and the car in another load."""

import math

from plimbo.core.working import formula

MILLIKEN = (
    "From memory of Milliken & Milliken, Race Car Vehicle Dynamics, and of Reimpell: rear axle raised, springs locked"
)
SQUARES = "Independent errors add as squares; first order"


@formula("m", "Mass on the scales", "mass", "{readings: + }")
def sum_of_scales(*readings: float) -> float:
    """All readings added, kg."""
    return sum(readings)


@formula("w", "Share", "share", "{part} / {whole}")
def share_of_mass(part: float, whole: float) -> float:
    """What one end, side or diagonal carries."""
    return part / whole


@formula("θ", "The car tilts by", "angle", "arcsin({lift} / {wheelbase})", "Rear hubs raised about the front ones")
def tilt(lift: float, wheelbase: float) -> float:
    """Angle of the raised car, rad; the lift must be less than the wheelbase."""
    return math.asin(lift / wheelbase)


@formula(
    "R",
    "Height of the hub line at the centre of gravity",
    "length",
    "{front_share} · {front} + (1 − {front_share}) · {rear}",
    MILLIKEN,
)
def hub_line(front_share: float, front: float, rear: float) -> float:
    """Between the front and the rear hub heights, m."""
    return front_share * front + (1 - front_share) * rear


@formula(
    "h_R",
    "Centre of gravity over the hub line",
    "length",
    "({raised} − {level}) · {wheelbase} / ({mass} · tan({tilt}))",
    MILLIKEN,
)
def height_over_hubs(raised: float, level: float, wheelbase: float, mass: float, tilt: float) -> float:
    """Height over the hubs, m: what the front scales gain when the rear goes up tells how high the mass sits."""
    return (raised - level) * wheelbase / (mass * math.tan(tilt))


@formula("h", "Height of the centre of gravity", "length", "{hub_height} + {over_hubs}", MILLIKEN)
def height_of_cg(hub_height: float, over_hubs: float) -> float:
    """Height above the ground, m."""
    return hub_height + over_hubs


@formula(
    "e_h,m",
    "What the scales leave open",
    "length",
    "{scale_error} / {mass} · √({front_scales} · ({wheelbase} / tan({tilt}) + {over_hubs})²"
    " + {front_scales} · ({wheelbase} / tan({tilt}))² + {rear_scales} · {over_hubs}²)",
    SQUARES,
)
def error_from_scales(
    scale_error: float,
    mass: float,
    front_scales: float,
    wheelbase: float,
    tilt: float,
    over_hubs: float,
    rear_scales: float,
) -> float:
    """Plus or minus, m, from `scale_error` kg on each scale of the level and of the raised weighing."""
    per_kilogram = wheelbase / math.tan(tilt)
    squares = front_scales * ((per_kilogram + over_hubs) ** 2 + per_kilogram**2) + rear_scales * over_hubs**2
    return scale_error / mass * math.sqrt(squares)


@formula(
    "e_h,H",
    "What the lift leaves open",
    "length",
    "{lift_error} · {over_hubs} · {wheelbase}² / ({lift} · ({wheelbase}² − {lift}²))",
    SQUARES,
)
def error_from_lift(lift_error: float, over_hubs: float, wheelbase: float, lift: float) -> float:
    """Plus or minus, m, from `lift_error` m of the lift."""
    return lift_error * over_hubs * wheelbase**2 / (lift * (wheelbase**2 - lift**2))


@formula("e_h", "The height is known to", "length", "√({parts:² + }²)", SQUARES)
def combined_error(*parts: float) -> float:
    """Plus or minus, m."""
    return math.hypot(*parts)


@formula("Δm", "Added against the weighing", "mass", "({aboard} − {on_scales}) · {mass}")
def added_mass(aboard: float, on_scales: float, mass: float) -> float:
    """What of an item came aboard since the weighing, kg; minus where it left."""
    return (aboard - on_scales) * mass


@formula("Q", "Moment", "mass moment", "{mass} · {arm}")
def moment(mass: float, arm: float) -> float:
    """Mass times distance, kg·m."""
    return mass * arm


@formula(
    "x",
    "Centre of gravity behind the front axle",
    "length",
    "(1 − {front_share}) · {wheelbase}",
    "Moments about the front axle",
)
def behind_front_axle(front_share: float, wheelbase: float) -> float:
    """Where the car as weighed has its centre of gravity, m."""
    return (1 - front_share) * wheelbase


@formula("m", "Mass in this load", "mass", "{masses: + }")
def loaded_mass(*masses: float) -> float:
    """The car as weighed with all that was added, kg."""
    return sum(masses)


@formula("x", "Centre of gravity in this load", "length", "({moments: + }) / {mass}", "Moments")
def centre(mass: float, *moments: float) -> float:
    """Distance or height of the common centre of gravity, m."""
    return sum(moments) / mass


@formula("w_f", "Front weight share in this load", "share", "1 − {centre} / {wheelbase}", "Moments about the rear axle")
def loaded_front_share(centre: float, wheelbase: float) -> float:
    """Front share from the place of the centre of gravity behind the front axle."""
    return 1 - centre / wheelbase
