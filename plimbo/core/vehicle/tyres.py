"""Tyres: grip on a surface, and grip that falls with load. Forces and loads per axle, N.

With load sensitivity `s` the grip of one tyre is `μ(N) = μ_ref·(1 − s·(N − N_ref)/N_ref)`; an axle has two. Past the
load at which such a tyre gives its largest force, more load is taken to add nothing.
"""

from typing import NamedTuple

import numpy as np

from plimbo.core.working.formula import SOLVED, formula
from plimbo.core.working.numbers import (
    Condition,
    Number,
    all_hold,
    choose,
    maximum,
    minimum,
    plain,
    quotient,
    square_root,
)

AT_ITS_LIMIT = "Axle at its limit, F = μ·N"
LINEAR_LAW = (
    "Grip coefficient falls in a straight line with the tyre's load; from memory of Milliken & Milliken, Race Car"
    " Vehicle Dynamics"
)


@formula(
    "k_t",
    "Grip of this track with these tyres as warm as they are",
    "share",
    "{track_grip} · {warm_share}",
    "Each axle's tyres warm up for themselves. Common practice",
    valid="{track_grip} > 0, {warm_share} > 0",
)
def warm_track_grip(track_grip: Number, warm_share: Number) -> Number:
    """The share that is left of the tyres' dry and warm grip."""
    return track_grip * warm_share


@formula(
    "μ",
    "Grip on this track",
    "friction",
    "{tyre_friction} · {track_grip}",
    "Track scales the tyre's dry grip",
    valid="{tyre_friction} > 0, {track_grip} > 0",
)
def grip(tyre_friction: Number, track_grip: Number) -> Number:
    """`μ = μ_ref · track`, friction coefficient."""
    return tyre_friction * track_grip


@formula("F_need", "Brake force needed, both wheels", "force", "{grip} · {load}", AT_ITS_LIMIT, valid="{grip} > 0")
def straight_grip_force(grip: Number, load: Number) -> Number:
    """`μ·N`, N per axle: the force of tyres whose grip is proportional to load."""
    return grip * load


@formula(
    "N_g",
    "Load that adds grip",
    "force",
    "min({load}, {reference_load} · (1 + {sensitivity}) / {sensitivity})",
    "Past the peak of the law more load is held to give no more grip",
    valid="{sensitivity} > 0, {reference_load} > 0",
)
def useful_load(load: Number, sensitivity: Number, reference_load: Number) -> Number:
    """Axle load, N, limited to the load at which the tyres give most; `reference_load` is of one tyre, N."""
    return minimum(load, peak_load(sensitivity, reference_load))


def peak_load(sensitivity: Number, reference_load: Number) -> Number:
    """Axle load at which two tyres give most, N; infinite where grip is proportional to load."""
    return quotient(reference_load * (1 + sensitivity), sensitivity)


@formula(
    "G",
    "What the axle's tyres can give",
    "force",
    "{grip} · {load} · (1 + {sensitivity} − {sensitivity} · {load} / (2 · {reference_load}))",
    LINEAR_LAW,
    valid="0 ≤ {sensitivity} ≤ 1, {reference_load} > 0",
)
def grip_force(grip: Number, load: Number, sensitivity: Number, reference_load: Number) -> Number:
    """`μ(N)·N` of an axle of two tyres, N; `reference_load` is of one tyre, `load` no more than `useful_load`."""
    return grip * load * (1 + sensitivity - sensitivity * load / (2 * reference_load))


@formula(
    "N_e",
    "Load that engine braking uses up",
    "force",
    SOLVED + "{force} = {grip} · N · (1 + {sensitivity} − {sensitivity} · N / (2 · {reference_load}))",
    LINEAR_LAW,
    valid="{force} ≥ 0, {grip} > 0, {reference_load} > 0",
)
def load_for_force(force: Number, grip: Number, sensitivity: Number, reference_load: Number) -> Number:
    """Smallest axle load that gives this force, N; the peak load where the tyres never give as much."""
    gain = grip * (1 + sensitivity)
    root = gain * gain - 2 * grip * sensitivity / reference_load * force
    return 2 * force / (gain + square_root(maximum(0.0, root)))


class Parabola(NamedTuple):
    """Capacity of an axle's tyres as the car brakes with the force F of all tyres, below the peak of their law.

    `standing + gained·F − bend·F²`, N; `transfer` is the load that the axle gains per newton, negative at the rear. At
    a load N they give `gain·N − fall·N²`, up to the `peak`, N.
    """

    load: Number
    transfer: Number
    gain: Number
    fall: Number
    peak: Number
    standing: Number
    gained: Number
    bend: Number

    @property
    def most(self) -> Number:
        """The most that the tyres ever give, N."""
        return self.peak * (self.gain - self.fall * self.peak)

    def past_peak(self, force: Number) -> Condition:
        """Whether the load is then beyond the load at which the tyres give most."""
        return self.load + self.transfer * force > self.peak

    def capacity(self, force: Number) -> tuple[Number, Number]:
        """Tyre capacity, constant past the peak, and its derivative by the braking force."""
        load = np.minimum(self.load + self.transfer * force, self.peak)
        slope = np.where(load < self.peak, self.gain - 2 * self.fall * load, 0.0)
        return load * (self.gain - self.fall * load), self.transfer * slope


def parabola_of(grip: Number, load: Number, transfer: Number, sensitivity: Number, reference_load: Number) -> Parabola:
    """Of two tyres; loads in N, `load` of the axle before any braking, `reference_load` of one tyre."""
    gain, fall = grip * (1 + sensitivity), grip * sensitivity / (2 * reference_load)
    slope = fall * load
    return Parabola(
        load=load,
        transfer=transfer,
        gain=gain,
        fall=fall,
        peak=peak_load(sensitivity, reference_load),
        standing=load * (gain - slope),
        gained=transfer * (gain - 2 * slope),
        bend=fall * transfer * transfer,
    )


@formula(
    "F_lock",
    "Total brake force when the axle locks",
    "force",
    "max(0, ({grip} · ({load} + {engine} · {transfer}) − {own_engine}) / ({share} − {grip} · {transfer}))",
    "Axle at F = μ·N, engine braking counted",
    valid="{grip} > 0, {load} > 0, 0 ≤ {share} ≤ 1",
)
def lock_force_with_engine(
    grip: Number, load: Number, share: Number, transfer: Number, engine: Number, own_engine: Number
) -> Number:
    """Braking of the whole car, engine apart, at which this axle locks, N; infinite where it never does.

    `load` is the axle's load before any braking, N, `transfer` what it gains per newton of braking (minus at the rear),
    `share` its share of the brake force, `own_engine` the part of the engine's braking, N, that acts on it. If engine
    braking alone would lock an axle, it counts as locked.
    """
    return maximum(0.0, quotient(grip * (load + engine * transfer) - own_engine, share - grip * transfer))


@formula(
    "F_lock",
    "Total brake force when the axle locks",
    "force",
    SOLVED
    + "{share} · F + {own_engine} = {grip} · N · (1 + {sensitivity} − {sensitivity} · N / (2 · {reference_load})),"
    " N = {load} + ({engine} + F) · {transfer}",
    LINEAR_LAW,
    valid="{grip} > 0, {load} > 0, 0 < {sensitivity} ≤ 1, {reference_load} > 0",
)
def lock_force(
    grip: Number,
    load: Number,
    share: Number,
    transfer: Number,
    sensitivity: Number,
    reference_load: Number,
    engine: Number,
    own_engine: Number,
) -> Number:
    """As `lock_force_with_engine`, N, for a tyre with load sensitivity: the root of a quadratic, or the value at its
    peak.
    """
    return lock_root(parabola_of(grip, load, transfer, sensitivity, reference_load), share, engine, own_engine)


def lock_root(tyres: Parabola, share: Number, engine: Number, own_engine: Number) -> Number:
    """`lock_force`, N, from the part that does not depend on the brakes, calculated once for many brakes."""
    # share·(T − engine) + own_engine = standing + gained·T − bend·T², a quadratic in all the tyres' force T.
    beside = share * engine - own_engine
    spare, slope = tyres.standing + beside, share - tyres.gained
    root = square_root(maximum(0.0, slope * slope + 4 * tyres.bend * spare))
    # The same root in two forms, each accurate where the other loses digits.
    found = choose(slope > 0, lambda: 2 * spare / (slope + root), lambda: quotient(root - slope, 2 * tyres.bend))
    within = tyres.load + tyres.transfer * found <= tyres.peak
    found = choose(within, lambda: found, lambda: quotient(tyres.most + beside, share))
    return maximum(0.0, found - engine)


@formula(
    "F_max",
    "The most all four tyres can give",
    "force",
    SOLVED + "F = {front_grip} · N · (1 + {front_sensitivity} − {front_sensitivity} · N / (2 · {front_reference}))"
    " + {rear_grip} · M · (1 + {rear_sensitivity} − {rear_sensitivity} · M / (2 · {rear_reference})),"
    " N = {front_load} + F · {transfer}, M = {rear_load} − F · {transfer}",
    LINEAR_LAW,
    valid="{front_load} > 0, {rear_load} > 0, {transfer} > 0",
)
def limit_force(
    front_grip: Number,
    rear_grip: Number,
    front_load: Number,
    rear_load: Number,
    transfer: Number,
    front_sensitivity: Number,
    front_reference: Number,
    rear_sensitivity: Number,
    rear_reference: Number,
) -> Number:
    """Both axles at their limit, engine braking included, N; holds while the rear wheels carry something.

    While neither axle is past the peak of its law, both together are a parabola in the force. Otherwise Newton's method
    starts from above: the remaining capacity is convex in the force, so its steps never pass the root.
    """
    front = parabola_of(front_grip, front_load, transfer, front_sensitivity, front_reference)
    rear = parabola_of(rear_grip, rear_load, -transfer, rear_sensitivity, rear_reference)
    slope, standing = 1 - front.gained - rear.gained, front.standing + rear.standing
    with np.errstate(divide="ignore", invalid="ignore"):
        root = np.sqrt(slope * slope + 4 * (front.bend + rear.bend) * standing)
        force = np.minimum(rear_load / transfer, np.divide(2 * standing, slope + root))
        within = np.logical_not(front.past_peak(force) | rear.past_peak(force))
    # Written so that NaN also counts as past the peak: a load beyond it at rest has no root of the parabola.
    if all_hold(within & np.isfinite(force)):
        return plain(force)
    force = rear_load / transfer * np.ones_like(force)
    for _ in range(60):
        (at_front, front_slope), (at_rear, rear_slope) = front.capacity(force), rear.capacity(force)
        left = force - at_front - at_rear
        with np.errstate(divide="ignore", invalid="ignore"):
            step = np.where(left > 0, left / (1 - front_slope - rear_slope), 0.0)
        force = force - step
        if np.all(np.abs(step) <= 1e-13 * force):
            break
    return plain(force)
