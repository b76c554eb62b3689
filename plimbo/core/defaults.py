"""Plimbo's own defaults: each is an assumption that the user can change, with the reason for it. Never facts."""

from typing import NamedTuple


class Assumption(NamedTuple):
    """A default of our own and why it is what it is."""

    value: float
    reason: str


PEDAL_EFFICIENCY = Assumption(0.95, "Pivot, bar and seals of a sound pedal box lose about one twentieth.")
CYLINDER_EFFICIENCY = Assumption(1.0, "Seal drag is counted once, in the efficiency of the pedal.")
CALIPER_EFFICIENCY = Assumption(1.0, "Piston seals in good order; lower it for sticking slides.")
BAR_THREAD_PITCH = Assumption(1.27e-3, "20 threads to the inch is the usual adjuster thread.")
TYRE_FRICTION = Assumption(1.0, "A road-legal performance tyre on clean dry tarmac; log a deceleration to know better.")
PAD_FRICTION = Assumption(0.42, "A mild race compound, warm; the maker's curve knows better.")
PAD_TOLERANCE = Assumption(0.05, "One end's pads may bite a twentieth more or less than the other's.")
PAD_INSET = Assumption(0.0, "The pad's outer edge runs level with the disc's edge.")
VANE_FILL = Assumption(0.2, "Vanes fill about a fifth of the gap between the cheeks.")
AIR_DENSITY = Assumption(1.2, "Sea level on a mild day.")
WET_GRIP = Assumption(0.6, "A wet track leaves about 0.6 of the dry grip.")
ROTATING_SHARE = Assumption(0.03, "Wheels, discs and gears turn: they add about 3 % to the energy of the stop.")
SLIP_SHARE = Assumption(0.06, "About 6 % of the work is lost as slip in the tyre under hard braking.")
FOOT_FORCE = Assumption(334.0, "75 lbf is a usual design effort where all four wheels must lock at scrutineering.")
FOOT_FORCE_LIMIT = Assumption(600.0, "What a fit driver holds lap after lap; measure it on a bathroom scale.")
STOP_TO_SPEED = Assumption(20.0, "Slow enough for a tight corner.")

LIGHT_FOOT = Assumption(80.0, "Below this a foot cannot feel its way to the limit.")
EFFORT_RESERVE = Assumption(0.9, "Within a tenth of the driver's limit the leg has nothing left for the last lap.")
BALANCE_WORTH = Assumption(0.92, "Under 92 % of the grip even in the best state, the balance is too far forward.")
STOP_RISE_RESERVE = Assumption(0.85, "Within a seventh of the limit a heavier disc is worth asking for.")
