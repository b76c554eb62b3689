"""Each matter of a screened setup, judged."""

from plimbo.core import defaults
from plimbo.core.documents import Car
from plimbo.core.judging import findings
from plimbo.core.judging.findings import Finding
from plimbo.core.judging.screening import Screen


def lock_order_finding(screened: Screen) -> Finding:
    """Rear first in any state is the one red verdict that no setting hides; a bar far off centre hides a wrong size."""
    if screened.worst.rear_first:
        return findings.REAR_FIRST
    if screened.just:
        return findings.FRONT_FIRST_JUST
    if abs(screened.bar_share) > defaults.BAR_SHARE_MOST.value:
        return findings.SIZES_WRONG
    if screened.best_efficiency < defaults.BALANCE_WORTH.value:
        return findings.TOO_MUCH_FRONT
    return findings.FRONT_FIRST


def leg_finding(screened: Screen, car: Car) -> Finding:
    """Foot force at first lock against the driver's own limit, and against a push too light to feel."""
    limit, hardest = car.driver.foot_force_limit, screened.hardest_push
    if hardest > limit:
        return findings.TOO_HEAVY
    if hardest > defaults.EFFORT_RESERVE.value * limit:
        return findings.HEAVY
    return findings.VERY_LIGHT if screened.lightest.foot_force < defaults.LIGHT_FOOT.value else findings.LEG_HOLDS


def travel_finding(screened: Screen) -> Finding:
    """Stroke, floor, ratings and the tilt of the bar, at the hardest first lock."""
    travel = screened.travel
    tilt = abs(travel.tilt)
    asked = (
        (travel.left < 0, findings.OUT_OF_STROKE),
        (travel.due > travel.room, findings.MEETS_THE_FLOOR),
        (travel.over_rating is not None, findings.OVER_RATING),
        (tilt >= defaults.TILT_MOST.value, findings.BAR_TILTS_OVER),
        (tilt >= defaults.TILT_WATCH.value, findings.BAR_TILTS),
        (travel.left_part < defaults.STROKE_RESERVE.value, findings.STROKE_SHORT),
        (travel.due > defaults.ROOM_RESERVE.value * travel.room, findings.LONG_PEDAL),
        (not travel.covers, findings.FLOOR_ON_ONE_CIRCUIT),
    )
    return next((finding for failed, finding in asked if failed), findings.TRAVEL_HOLDS)


def heat_finding(screened: Screen) -> Finding:
    """One stop from top speed, nothing cooling: is there enough disc to soak it up?"""
    used = screened.hotter[1].share_of_limit
    if used > 1:
        return findings.DISC_TOO_LIGHT
    return findings.DISC_NEAR_LIMIT if used > defaults.STOP_RISE_RESERVE.value else findings.DISCS_SOAK_IT_UP
