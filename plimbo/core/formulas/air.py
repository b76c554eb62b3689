"""Air: its density over altitude and temperature, and the forces it puts on the car."""

from plimbo.core.working import formula

ATMOSPHERE = "From memory of the U.S. Standard Atmosphere 1976 (ICAO), lowest layer, to 11 000 m"


@formula(
    "p", "Air pressure at this altitude", "pressure", "101325 · (1 − 0.0065 · {altitude} / 288.15)^5.25588", ATMOSPHERE
)
def standard_pressure(altitude: float) -> float:
    """Pressure of the standard atmosphere, Pa; altitude in m, up to 11 000."""
    return float(101325 * (1 - 0.0065 * altitude / 288.15) ** 5.25588)


@formula("ρ", "Air density", "density", "{pressure} / (287.053 · {temperature})", "Gas law for dry air")
def air_density(pressure: float, temperature: float) -> float:
    """`p/(R·T)`, kg/m³; temperature in K."""
    return pressure / (287.053 * temperature)


@formula("A", "Downforce", "force", "½ · {air_density} · {speed}² · {lift_area}", "Dynamic pressure times ClA")
def downforce(air_density: float, speed: float, lift_area: float) -> float:
    """`A = ½ρv²·ClA`, N, plus downward."""
    return 0.5 * air_density * speed * speed * lift_area


@formula("D", "Drag", "force", "½ · {air_density} · {speed}² · {drag_area}", "Dynamic pressure times CdA")
def drag(air_density: float, speed: float, drag_area: float) -> float:
    """`D = ½ρv²·CdA`, N, backward."""
    return 0.5 * air_density * speed * speed * drag_area


@formula(
    "M_D",
    "Load that drag moves to the rear",
    "force",
    "{drag} · ({drag_height} − {cg_height}) / {wheelbase}",
    "Moments",
)
def drag_transfer(drag: float, drag_height: float, cg_height: float, wheelbase: float) -> float:
    """What drag above the centre of gravity takes off the front axle while it slows the car, N."""
    return drag * (drag_height - cg_height) / wheelbase


@formula("ClA", "Lift area", "lift area", "2 · {force} / ({air_density} · {speed}²)", "Dynamic pressure, turned round")
def area_of_force(force: float, air_density: float, speed: float) -> float:
    """ClA or CdA from a force measured at a speed, m²."""
    return 2 * force / (air_density * speed * speed)
