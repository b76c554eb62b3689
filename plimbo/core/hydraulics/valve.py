"""The proportioning valve in the rear line."""

from plimbo.core.documents import ProportioningValve
from plimbo.core.documents.valve import MOST_KNEE
from plimbo.core.quantities.results import Result, answer
from plimbo.core.working.formula import formula
from plimbo.core.working.numbers import Number, maximum, minimum, quotient

VALVE = "Equal up to the knee, then the slope; adjusting moves the knee. Common practice"
# A knee can be read on a gauge to half a bar, Pa.
KNEE_GRID = 5e4


@formula(
    "p",
    "Line pressure behind the valve",
    "pressure",
    "min({pressure}, {knee}) + {slope} · max(0, {pressure} − {knee})",
    VALVE,
    valid="0 ≤ {slope} ≤ 1, {knee} > 0, {pressure} ≥ 0",
)
def valve_output(pressure: Number, knee: Number, slope: Number) -> Number:
    """`p_k + s·(p − p_k)` past the knee, the line pressure itself below it, Pa."""
    return minimum(pressure, knee) + slope * maximum(0.0, pressure - knee)


@formula(
    "p_need",
    "Line pressure needed before the valve",
    "pressure",
    "max({pressure}, {knee} + ({pressure} − {knee}) / {slope})",
    VALVE,
    valid="0 < {slope} ≤ 1, {knee} > 0",
)
def valve_input(pressure: Number, knee: Number, slope: Number) -> Number:
    """Pressure before the valve, Pa, that gives `pressure` behind it, Pa."""
    return maximum(pressure, knee + quotient(pressure - knee, slope))


class ValveCurve(Result):
    """Pressure behind the valve over the pressure before it, with its bend; and where the knee can be set."""

    before: tuple[float, ...] = answer("pressure", "Before the valve")
    behind: tuple[float, ...] = answer("pressure", "Behind the valve")
    knee: float = answer("pressure", "Knee")
    least_knee: float = answer("pressure", "Lowest knee that can be set")
    most_knee: float = answer("pressure", "Highest knee that can be set")
    grid: float = answer("pressure", "A knee is read off a gauge to")


def valve_curve(valve: ProportioningValve, line: float) -> ValveCurve | None:
    """Up to a quarter past the pressure of the line, Pa, and the knee; none where no valve is fitted."""
    if not valve.fitted:
        return None
    knee = valve.true_knee
    before = (0.0, knee, 1.25 * max(line, knee, 1e6))
    return ValveCurve(
        before=before,
        behind=tuple([valve_output(pressure, knee, valve.slope) for pressure in before]),
        knee=knee,
        least_knee=KNEE_GRID,
        most_knee=MOST_KNEE,
        grid=KNEE_GRID,
    )
