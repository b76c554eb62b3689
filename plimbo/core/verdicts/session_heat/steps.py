"""The working of the session numbers that come from a formula."""

from plimbo.core.documents import Setup
from plimbo.core.friction.disc import DiscSizes, disc_sizes, temperature_rise
from plimbo.core.friction.pad import face_area
from plimbo.core.friction.pad_classes import pad_class
from plimbo.core.quantities.axles import AXLES, Axle
from plimbo.core.thermal.damage import STRENGTHS, crack_ratio, energy_per_area, hole_factor, pad_wear
from plimbo.core.thermal.fluid import boiling_point
from plimbo.core.verdicts.session_heat.judging import JudgedSession
from plimbo.core.working.formula import name_at, symbol_at, worked
from plimbo.core.working.inputs import WORKED
from plimbo.core.working.numbers import Number
from plimbo.core.working.steps import Step, working

SIMULATED = "Off the simulated session"


def session_working(found: JudgedSession, setup: Setup) -> tuple[tuple[Step, ...], dict[str, int]]:
    """The steps and the indices of the headlines; simulated numbers are inputs without steps."""
    fluid = found.inputs.fluid
    numbers: dict[str, Number] = {
        "fluid.boils": boiling_point(
            worked(fluid.dry, "T_dry", "Boils fresh at", "temperature", source="The bottle, or the least of its class"),
            worked(fluid.wet, "T_wet", "Boils wet at", "temperature", source="The bottle, or the least of its class"),
            worked(fluid.water, "w", f"Water, {fluid.known_by}", "share"),
        )
    }
    for axle in AXLES:
        for name, number in _axle(found, setup, axle).items():
            numbers[f"{axle}.{name}"] = number
    return working(numbers)


def _axle(found: JudgedSession, setup: Setup, axle: Axle) -> dict[str, Number]:
    brake = setup.brake(axle)
    own, disc = found.readings.axle(axle), brake.disc

    def simulated(value: float, symbol: str, name: str, dimension: str) -> Number:
        return worked(value, symbol_at(symbol, axle), name_at(name, axle), dimension, source=SIMULATED)

    def table(value: float, symbol: str, name: str, dimension: str, source: str) -> Number:
        return worked(value, symbol, name, dimension, source=source)

    sizes: DiscSizes = disc_sizes(disc, WORKED, axle)
    energy = simulated(own.stop_energy, "E_d", "Energy into one disc and its pads, hardest stop", "energy")
    strength = STRENGTHS[disc.material]
    over = simulated(
        own.surface_to_bulk * hole_factor(disc.holes), "ΔT", "Surface over the inside", "temperature difference"
    )
    by = "From memory of handbooks"
    face = face_area(brake.pad)
    kind = pad_class(brake.pad)
    return {
        "stop_rise": temperature_rise.at(axle)(energy, sizes.ring_mass, sizes.specific_heat),
        "energy_per_area": energy_per_area.at(axle)(
            energy, worked(face, symbol_at("A_pad", axle), name_at("Face of a pad", axle), "area")
        ),
        "crack": crack_ratio.at(axle)(
            table(strength.modulus, "E", "Young's modulus", "modulus", by),
            table(strength.expansion, "α", "Expansion", "expansion", by),
            over,
            table(strength.poisson, "ν", "Poisson's ratio", "friction", by),
            table(strength.strength, "S", "Strength, cold", "pressure", by),
        ),
        "pad_worn": pad_wear.at(axle)(
            simulated(own.stop_energy / 2, "E", "Energy of one face, hardest stop", "energy"),
            table(kind.wear, "w_s", f"Wear, {kind.name} pad", "wear", kind.source),
            simulated(own.surface_peak.value, "T_s", "Surface", "temperature"),
            table(kind.high, "T_hi", "Fades from", "temperature", kind.source),
        ),
    }
