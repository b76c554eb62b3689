"""Plimbo's own defaults: each is an assumption that the user can change, with the reason for it. Never facts."""

from typing import NamedTuple


class Assumption(NamedTuple):
    """A default of our own and why it is what it is."""

    value: float
    reason: str


PEDAL_EFFICIENCY = Assumption(0.95, "Pivot, bar and seals of a sound pedal box lose about one twentieth.")
CYLINDER_EFFICIENCY = Assumption(1.0, "Seal drag is counted once, in the efficiency of the pedal.")
PEDAL_ROOM = Assumption(0.13, "Most pedals have 120 to 150 mm from rest to the floor; measure it.")
BOOSTER_GAIN = Assumption(4.0, "Road cars have gains of about 3 to 6; push with and without vacuum to know.")
BOOSTER_RUN_OUT = Assumption(900.0, "Where the help of a middling booster ends; the pedal goes hard there.")
BAR_TILT_STOP = Assumption(0.35, "Most bars touch their housing at about 20 degrees.")
CYLINDER_STROKE = Assumption(0.028, "Race cylinders have 25 to 32 mm; measure the rod's way to the bottom.")
DEAD_STROKE = Assumption(0.0012, "Port and rod play together take about a millimetre.")
CALIPER_COMPLIANCE = Assumption(1.2e-13, "About 12 mm³ for each bar, a sound caliper with its pads.")
PAD_GAP = Assumption(1.2e-4, "Square seals pull the pistons back about a tenth of a millimetre.")
RUN_OUT = Assumption(8e-5, "A good hub and disc stay within a tenth of a millimetre.")
LINING = Assumption(0.012, "New race linings are about 12 mm.")
LINING_LEAST = Assumption(0.003, "Pads are changed with about 3 mm of lining left.")
DISC_TEMPERATURE = Assumption(573.15, "300 °C, a disc at work.")
VALVE_KNEE = Assumption(3e6, "About the middle of a screw valve's range.")
VALVE_SLOPE = Assumption(0.5, "Common valves pass about half past their knee; read it off two gauges.")
HAND_FORCE = Assumption(250.0, "A firm pull with one hand.")
HOSE_LENGTH = Assumption(1.0, "Half a metre at each wheel.")
PIPE_LENGTH = Assumption(2.5, "From the bulkhead to both wheels of an axle.")
LINE_BORE = Assumption(0.0032, "3/16 in pipe has about 3.2 mm inside.")
BULK_MODULUS = Assumption(1.7e9, "Glycol fluid as it is when hot.")
AIR_SHARE = Assumption(0.0, "A system that is bled well.")
PISTON_DEPTH = Assumption(0.006, "Fluid behind each piston with new pads.")
CALIPER_EFFICIENCY = Assumption(1.0, "Piston seals in good order; lower it for sticking slides.")
BAR_THREAD_PITCH = Assumption(1.27e-3, "20 threads to the inch is the usual adjuster thread.")
TYRE_FRICTION = Assumption(1.0, "A road-legal performance tyre on clean dry tarmac; log a deceleration to know better.")
PAD_FRICTION = Assumption(0.42, "A mild race compound, warm; the maker's curve knows better.")
PAD_TOLERANCE = Assumption(0.05, "One end's pads may bite a twentieth more or less than the other's.")
PAD_INSET = Assumption(0.0, "The pad's outer edge runs level with the disc's edge.")
VANE_FILL = Assumption(0.2, "Vanes fill about a fifth of the gap between the cheeks.")
LOAD_SENSITIVITY = Assumption(
    0.0, "Left out: grip in proportion to load. Race tyres lose 5 to 15 % at twice their load."
)
TYRE_DEFLECTION = Assumption(0.015, "A tyre at its pressure sinks 10 to 20 mm under the car; hub to ground tells.")
ALTITUDE = Assumption(0.0, "Near the sea, as most circuits are.")
AIR_TEMPERATURE = Assumption(293.15, "A mild day, 20 °C in the shade.")
DRAG_AREA = Assumption(0.0, "Left out: drag only helps the brakes; give it to know by how much.")
DAMP_GRIP = Assumption(0.8, "A damp track leaves about 0.8 of the dry grip.")
WET_GRIP = Assumption(0.6, "A wet track leaves about 0.6 of the dry grip.")
GRAVEL_GRIP = Assumption(0.55, "Hard gravel leaves little more than half of the grip on tarmac.")
ROTATING_SHARE = Assumption(0.03, "Wheels, discs and gears turn: they add about 3 % to the energy of the stop.")
SLIP_SHARE = Assumption(0.06, "About 6 % of the work is lost as slip in the tyre under hard braking.")
FOOT_FORCE = Assumption(334.0, "75 lbf is a usual design effort where all four wheels must lock at scrutineering.")
FOOT_FORCE_LIMIT = Assumption(600.0, "What a fit driver holds lap after lap; measure it on a bathroom scale.")
STOP_TO_SPEED = Assumption(20.0, "Slow enough for a tight corner.")

PAD_FRICTION_DOUBT = Assumption(0.10, "Pads of one compound differ by about a tenth, with heat and from set to set.")
TYRE_FRICTION_DOUBT = Assumption(0.1, "Tyre grip is seldom known better than to a tenth of g.")
TYRE_DIFFERENCE_DOUBT = Assumption(0.03, "Tyres of one make at both ends grip alike to a few hundredths.")
CG_HEIGHT_DOUBT = Assumption(0.02, "A usual weighing finds the height to about 20 mm.")
SCALE_ERROR = Assumption(0.5, "Good pad scales read to half a kilogram.")
LIFT_ERROR = Assumption(0.002, "A tape measure on a jacked car reads to about 2 mm.")
LIFT_MOST = Assumption(0.35, "A share of the wheelbase: past about 20 degrees fluids shift and the car may slide.")
CG_ERROR_WANTED = Assumption(0.015, "A height known to 15 mm moves the ideal share by less than one per cent.")

OPENING_AREA = Assumption(0.0047, "Half as much again as a hose of 63 mm.")
EYE_SEAL = Assumption(0.9, "A plate that fits well leaves about a tenth of the eye open; look with a light.")
COOLING_FACTOR = Assumption(1.0, "No log of this car has told yet what the air takes off its discs.")
PROBE_ERROR = Assumption(10.0, "A rubbing probe on a hot disc reads to about 10 K.")
PARKED = Assumption(900.0, "A quarter of an hour: the fluid is hottest 6 to 11 minutes after the stop.")
PACE = Assumption(1.0, "Tyres and engine used to the full, lap after lap.")
TRACTION = Assumption(0.6, "About six tenths of the grip can push: one axle is driven, and it is not loaded fully.")
VANES = Assumption(36, "Most vented discs have 30 to 48 vanes; count them.")
SEAL_LIMIT = Assumption(473.15, "Common piston seals stand about 200 °C where the fluid meets the piston.")
HOLE_DIAMETER = Assumption(0.006, "Drilled holes are mostly 5 to 8 mm.")

LIGHT_FOOT = Assumption(80.0, "Below this a foot cannot feel its way to the limit.")
EFFORT_RESERVE = Assumption(0.9, "Within a tenth of the driver's limit the leg has nothing left for the last lap.")
BALANCE_WORTH = Assumption(0.92, "Under 92 % of the grip even in the best state, the balance is too far forward.")
GRIP_USED = Assumption(0.8, "Under 80 % of the grip in any state the stop gets long: re-set the balance for that day.")
BRAKES_AT_ALL = Assumption(0.5, "Under half of the grip even in the best state, the car hardly brakes.")
DRAWS_REAR_FIRST = Assumption(
    0.2, "Rear first in more than 20 of 100 likely cars: what is not known exactly may turn the order round."
)
LEG_MASS = Assumption(8.0, "Thigh, shank and foot of one leg are about 13 kg; the part that rests on the pedal, 8 kg.")
STOP_RISE_RESERVE = Assumption(0.85, "Within a seventh of the limit a heavier disc is worth asking for.")
# Common practice has the order, fixed on a one-piece disc worst, then on a floating ring, sliding on a one-piece disc
# least; the shares are Plimbo's own.
KNOCK_BACK_FLOATING = Assumption(0.6, "A floating ring moves on its bell before it moves the pads.")
KNOCK_BACK_SLIDING = Assumption(
    0.4, "A sliding caliper moves with the disc rather than let its pistons be pushed back."
)
KNOCK_BACK_HELD = Assumption(0.3, "Springs or a valve keep about two thirds of knock-back from happening.")

# Where no maker's figure is known. Common practice: most road and race parts are made for 120 to 200 bar.
UNRATED_WATCHED = Assumption(1.2e7, "120 bar: past it, the maker of every part should be asked.")
UNRATED_MOST = Assumption(2e7, "200 bar: past it, hardly any cylinder, hose or caliper is made for it.")
LIGHT_BRAKING = Assumption(2e6, "20 bar: the driver touches the pedal.")
BAR_SHARE_MOST = Assumption(0.25, "Past a quarter of the way to its end the bar hides a wrong size.")
TILT_WATCH = Assumption(0.1745, "Past 10 degrees of tilt the clevises bind and the balance drifts.")
TILT_MOST = Assumption(0.2618, "Past 15 degrees of tilt the bar no longer shares as it is set.")
STROKE_RESERVE = Assumption(0.15, "A sixth of the stroke is left for hot fluid and a bad day.")
ROOM_RESERVE = Assumption(0.75, "Past three quarters of the pedal's room the heel is in the way.")
ANTI_LOCK_PASS = Assumption(0.05, "Within 5 % of the original the system works as it was tuned.")
ANTI_LOCK_WATCH = Assumption(0.10, "Past 10 % of the original its guesses no longer hold.")
FIRM_PUSH = Assumption(0.75, "The firm school: three quarters of what the driver holds, for a short, hard pedal.")
LIGHT_PUSH = Assumption(0.45, "The light school: under half of what the driver holds, for a long, light pedal.")
LOST_CIRCUIT_PUSH = Assumption(500.0, "The push at which road rules ask what one circuit still does.")
