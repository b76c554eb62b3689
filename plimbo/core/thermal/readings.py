"""What a session did to the brakes, as numbers: temperatures against the window, fluid, cracks, wear."""

import math
from typing import NamedTuple

from plimbo.core.quantities.axles import Axle

# What may go from each face of a disc before it is changed, m. Common practice.
DISC_LIMIT = 0.0006


class Moment(NamedTuple):
    """A temperature, K, and where or when it was; no number where there is none."""

    value: float
    place: str


class AxleReadings(NamedTuple):
    """One axle; temperatures K, lengths m, powers W, energies J, areas m².

    `surface` is the mean round the ring of the rubbing surface, both faces; `bulk` that of the whole ring. The window
    is the pad's; `below`, `within` and `above` are shares of the braking energy of the fast laps. `fades_in` is the
    fast lap in which it first passes the window, none where it does not.
    """

    window: tuple[float, float]
    surface_peak: Moment
    surface_low: Moment
    bulk_peak: Moment
    bulk_low: Moment
    apart: float
    below: float
    within: float
    above: float
    first_corner: Moment
    fades_in: int | None
    stop_rise: Moment
    stop_energy: float
    energy_per_area: float
    power_per_area: float
    fluid_running: Moment
    fluid_parked: Moment
    wet_running: Moment
    wet_parked: Moment
    crack: Moment
    surface_to_bulk: float
    pad_worn: float
    pad_worn_sides: tuple[float, float]
    pad_sets: float
    disc_worn: float
    paths: dict[str, float]
    frictions: tuple[float, float]


class SessionReadings(NamedTuple):
    """Both axles, and what is the car's: the hardest push of the foot in the fast laps and in the first of them, N;
    where the leg ends, and by how many metres the worst stop is then longer; the greatest power of all brakes, W; the
    least and the most of the front's share of the brake force while braking hard; the time of the last fast lap, s.
    """

    front: AxleReadings
    rear: AxleReadings
    push: Moment
    first_push: float
    leg_ends: str
    metres: float
    brake_power: float
    front_share_least: Moment
    front_share_most: float
    lap_time: float

    def axle(self, axle: Axle) -> AxleReadings:
        return self.front if axle is Axle.FRONT else self.rear

    @property
    def hottest_fluid(self) -> float:
        """At the pistons of either axle, running or parked, K."""
        moments = [moment for own in (self.front, self.rear) for moment in (own.wet_running, own.wet_parked)]
        # No number stands where the car never stands.
        return max(moment.value for moment in moments if not math.isnan(moment.value))
