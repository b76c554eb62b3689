"""Air: its density over altitude and temperature, and its forces on the car."""

from plimbo.core.documents import Car
from plimbo.core.working.formula import formula
from plimbo.core.working.inputs import Inputs
from plimbo.core.working.numbers import Number

ATMOSPHERE = "From memory of the U.S. Standard Atmosphere 1976 (ICAO), lowest layer"
DYNAMIC_PRESSURE = "Dynamic pressure times area"


@formula(
    "p",
    "Air pressure at this altitude",
    "pressure",
    "101325 · (1 − 0.0065 · {altitude} / 288.15)^5.25588",
    ATMOSPHERE,
    valid="-5000 ≤ {altitude} ≤ 11000",
)
def standard_pressure(altitude: Number) -> Number:
    """Pressure of the standard atmosphere, Pa; altitude in m above the sea."""
    return 101325 * (1 - 0.0065 * altitude / 288.15) ** 5.25588


@formula(
    "ρ",
    "Air density",
    "density",
    "{pressure} / (287.053 · {temperature})",
    "Gas law for dry air",
    valid="{temperature} > 150, {pressure} > 0",
)
def air_density(pressure: Number, temperature: Number) -> Number:
    """`p/(R·T)`, kg/m³; pressure in Pa, temperature in K."""
    return pressure / (287.053 * temperature)


@formula(
    "A",
    "Downforce",
    "force",
    "½ · {air_density} · {speed}² · {lift_area}",
    DYNAMIC_PRESSURE,
    valid="0 ≤ {speed} ≤ 150",
)
def downforce(air_density: Number, speed: Number, lift_area: Number) -> Number:
    """`A = ½ρv²·ClA`, N, plus downward; kg/m³, m/s, m². The air is taken as incompressible."""
    return 0.5 * air_density * speed * speed * lift_area


@formula(
    "D", "Drag", "force", "½ · {air_density} · {speed}² · {drag_area}", DYNAMIC_PRESSURE, valid="0 ≤ {speed} ≤ 150"
)
def drag(air_density: Number, speed: Number, drag_area: Number) -> Number:
    """`D = ½ρv²·CdA`, N, backward; kg/m³, m/s, m². The air is taken as incompressible."""
    return 0.5 * air_density * speed * speed * drag_area


@formula(
    "M_D",
    "Load that drag moves to the rear",
    "force",
    "{drag} · ({drag_height} − {cg_height}) / {wheelbase}",
    "Moments",
    valid="{wheelbase} > 0",
)
def drag_transfer(drag: Number, drag_height: Number, cg_height: Number, wheelbase: Number) -> Number:
    """Load that drag above the centre of gravity takes off the front axle, N; N, m, m, m."""
    return drag * (drag_height - cg_height) / wheelbase


@formula(
    "ClA",
    "Lift area",
    "lift area",
    "2 · {force} / ({air_density} · {speed}²)",
    "Dynamic pressure, turned round",
    valid="{speed} > 0, {air_density} > 0",
)
def area_of_force(force: Number, air_density: Number, speed: Number) -> Number:
    """ClA or CdA, m², from a force, N, measured at a speed, m/s, in air of kg/m³."""
    return 2 * force / (air_density * speed * speed)


def air_of_the_day(car: Car, inputs: Inputs) -> Number:
    """Density at the altitude and temperature of the day, kg/m³."""
    return air_density(standard_pressure(inputs(car.air, "altitude")), inputs(car.air, "temperature"))
