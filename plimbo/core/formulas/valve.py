"""The proportioning valve in the rear line, and what it makes of the brake force.

Brake force of the whole car is straight in the push up to the valve's knee and straight again past it: two shares of
the front, and a shift that joins them. Without a valve both shares are one and the shift is nothing.
"""

from plimbo.core.working import formula

VALVE = "Equal up to the knee, then the slope; adjusting moves the knee. Common practice"


@formula(
    "p",
    "Line pressure behind the valve",
    "pressure",
    "min({pressure}, {knee}) + {slope} · max(0, {pressure} − {knee})",
    VALVE,
)
def valve_output(pressure: float, knee: float, slope: float) -> float:
    """`p_k + s·(p − p_k)` past the knee, Pa; the line pressure itself below it."""
    return pressure if pressure <= knee else knee + slope * (pressure - knee)


@formula(
    "p_need",
    "Line pressure needed before the valve",
    "pressure",
    "max({pressure}, {knee} + ({pressure} − {knee}) / {slope})",
    VALVE,
)
def valve_input(pressure: float, knee: float, slope: float) -> float:
    """Pressure before the valve that gives `pressure` behind it, Pa; `slope` over 0."""
    return pressure if pressure <= knee else knee + (pressure - knee) / slope


@formula("F_r0", "Rear brake force, were there no valve", "force", "{rear_force} · {before} / {behind}")
def unvalved_force(rear_force: float, before: float, behind: float) -> float:
    """Both rear wheels with the full line pressure, N."""
    return rear_force * before / behind


@formula("φ_0", "Front share below the valve's knee", "share", "{front} / ({front} + {unvalved})")
def share_below(front: float, unvalved: float) -> float:
    """Front share of the brake force while the valve lets all pass."""
    return front / (front + unvalved)


@formula("φ_1", "Front share of what comes past the knee", "share", "{front} / ({front} + {slope} · {unvalved})")
def share_past(front: float, unvalved: float, slope: float) -> float:
    """Front share of each newton more."""
    return front / (front + slope * unvalved)


@formula("F_k", "Brake force at the valve's knee", "force", "({front} + {unvalved}) · {knee} / {before}")
def knee_force(front: float, unvalved: float, knee: float, before: float) -> float:
    """Whole car, N."""
    return (front + unvalved) * knee / before


@formula("F_s", "Front force that the knee takes back", "force", "({below} − {past}) · {knee_force}")
def knee_shift(below: float, past: float, knee_force: float) -> float:
    """Past the knee the front has `past·F` and this more, N: it is negative, and the rear has it back."""
    return (below - past) * knee_force


@formula("F_s", "Rear force from below the knee", "force", "−{shift}")
def rear_shift(shift: float) -> float:
    """What the rear has past its own share of each newton more, N."""
    return -shift


@formula("F_o", "Held beside the brakes' share", "force", "{shift} + {engine}")
def with_shift(shift: float, engine: float) -> float:
    """Engine braking at the axle and the shift of the valve, N: neither grows with the push."""
    return shift + engine


@formula("F", "Brake force at the front", "force", "{share} · {total} + {shift}")
def front_past(share: float, total: float, shift: float) -> float:
    """Both front wheels, of the whole car's brake force past the knee, N."""
    return share * total + shift


@formula("F", "Brake force at the rear", "force", "{total} − {front}")
def rear_rest(total: float, front: float) -> float:
    """What the front leaves, N."""
    return total - front


@formula("φ", "Front share at first lock", "share", "{front} / {total}")
def share_at(front: float, total: float) -> float:
    """Front share of this much brake force."""
    return front / total


@formula("F_push", "Push on the cylinders", "force", "{push} · {front} / {front_at_push}", "Front line has no valve")
def push_for_front(push: float, front: float, front_at_push: float) -> float:
    """Push behind the booster at which the front makes `front`, N, from what it makes at `push`."""
    return push * front / front_at_push


@formula("F_f", "Brake force at the front", "force", "{front_at_push} · {at} / {push}", "Front line has no valve")
def front_for_push(front_at_push: float, at: float, push: float) -> float:
    """What the front makes at the push `at`, N, from what it makes at `push`."""
    return front_at_push * at / push


@formula("F_total", "Brake force of the whole car there", "force", "({front} − {shift}) / {share}")
def total_for_front(front: float, shift: float, share: float) -> float:
    """Whole car, N, from what the front makes."""
    return (front - shift) / share
