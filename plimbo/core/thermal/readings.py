"""What a session did to the brakes, as numbers: temperatures against the window, fluid, cracks, wear."""

import math
from typing import NamedTuple

from plimbo.core.quantities.axles import Axle


class Moment(NamedTuple):
    """A temperature, K, and where or when it was; no number where there is none."""

    value: float
    place: str


class AxleReadings(NamedTuple):
    """One axle; temperatures K, lengths m, powers W, energies J, areas m².

    `surface` is the mean round the ring of the rubbing surface, both faces; `bulk` that of the whole ring. The window
    is the pad's; `below`, `within` and `above` are shares of the braking energy of the fast laps, `below_settled`
    of those in whose `surface_low` is the lowest, their second half. `fades_in` is the
    fast lap in which it first passes the window, none where it does not. `pad_left` is the lining that may still wear
    off; `pad_sets` and `disc_sets` are the sessions that pads and discs last.
    """

    window: tuple[float, float]
    surface_peak: Moment
    surface_low: Moment
    bulk_peak: Moment
    bulk_low: Moment
    apart: float
    below: float
    below_settled: float
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
    pad_left: float
    pad_sets: float
    disc_worn: float
    disc_sets: float
    paths: dict[str, float]
    frictions: tuple[float, float]

    @property
    def wet_hottest(self) -> Moment:
        """At the pistons, running or parked."""
        # No number stands where the car never stands.
        moments = [moment for moment in (self.wet_running, self.wet_parked) if not math.isnan(moment.value)]
        return max(moments, key=lambda moment: moment.value)


class SessionReadings(NamedTuple):
    """Both axles, and what is the car's: the hardest push of the foot in the fast laps and in the first of them, N;
    where the leg ends, and by how many metres the worst stop is then longer; the greatest power of all brakes, W; the
    least and the most of the front's share of the brake force while braking hard; the time of the last fast lap, and
    the time that is driven, s.
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
    driven: float

    def axle(self, axle: Axle) -> AxleReadings:
        return self.front if axle is Axle.FRONT else self.rear

    @property
    def hottest_fluid(self) -> float:
        """At the pistons of either axle, running or parked, K."""
        return max(self.front.wet_hottest.value, self.rear.wet_hottest.value)
