"""The laws of the tyre on whole arrays at once, for sweeps over speed and for sampling; forces and loads per axle, N.

The same laws as in `formulas.tyre`, number by number. Every argument may be a number or an array that broadcasts
against the others. Load sensitivity 0 is the straight law of the textbooks.
"""

import numpy as np

from plimbo.core.arrays import Array, Arrays


class TyreLaw:
    """An axle's tyres: grip on this track, load sensitivity, and the load on one tyre, N, that the grip is for.

    `straight` is whether grip goes with load alone; `peak` the axle load where a bent law gives most, N, and `most`
    what it gives there.
    """

    def __init__(self, grip: Arrays, sensitivity: Arrays, reference_load: Arrays) -> None:
        self.grip, self.sensitivity, self.reference_load = grip, sensitivity, reference_load
        self.straight = not np.any(sensitivity)
        self.gain = grip * (1 + sensitivity)
        if self.straight:
            return
        with np.errstate(divide="ignore", over="ignore"):
            self.peak: Array = np.where(
                np.asarray(sensitivity) > 1e-9, reference_load * (1 + np.divide(1, sensitivity)), np.inf
            )
        self.peaked = np.isfinite(self.peak)
        self.fall = grip * sensitivity / (2 * reference_load)
        with np.errstate(invalid="ignore", over="ignore"):
            self.most = self.peak * (self.gain - self.fall * self.peak)

    def of_state(self, index: int) -> "TyreLaw":
        """Of one state, where the arrays have the shape (axle, setup, state, speed)."""
        parts = (self.grip, self.sensitivity, self.reference_load)
        return TyreLaw(*(np.asarray(part)[:, :, index, None] for part in parts))

    def capacity(self, load: Arrays) -> Array:
        """What an axle's two tyres give at this axle load, flat past the peak of the law."""
        if self.straight:
            return np.asarray(self.grip * load)
        held = np.minimum(load, self.peak)
        made: Array = held * (self.gain - self.fall * held)
        return made

    def slope(self, load: Arrays) -> Array:
        """What a newton more of load adds to the capacity."""
        made: Array = np.maximum(
            0.0, self.grip * (1 + self.sensitivity - self.sensitivity * load / self.reference_load)
        )
        return made


class Locking:
    """Axles as they are braked, N: what does not depend on the brakes is worked out once, for many paths.

    `load` is the axle's load before any braking, `transfer` what it gains per newton of braking (minus at the rear).
    What it can give is a parabola in the braking, up to the peak of its law: `standing + gained·F − bend·F²`.
    """

    def __init__(self, law: TyreLaw, load: Arrays, transfer: Arrays) -> None:
        self.law, self.load, self.transfer = law, load, transfer
        self.standing, self.gained, self.bend = law.gain * load, law.gain * transfer, np.zeros(1)
        if law.straight:
            return
        self.standing = self.standing - law.fall * load * load
        self.gained = self.gained - 2 * law.fall * load * transfer
        self.bend = np.asarray(law.fall * transfer * transfer)
        self.bends = self.bend > 0

    def force(self, share: Arrays, engine: Arrays, own_engine: Arrays) -> Array:
        """Braking of the whole car, engine apart, at which the axle locks; infinite where it never does.

        `share` is the axle's share of the brake force, `own_engine` the part of the engine's braking that acts on it.
        Never below 0: an axle that engine braking alone would lock has locked.
        """
        law = self.law
        beside = share * engine - own_engine
        spare, slope = self.standing + beside, share - self.gained
        with np.errstate(divide="ignore", invalid="ignore", over="ignore"):
            if law.straight:
                found = np.where(slope > 0, spare / slope, np.inf)
            else:
                root = np.sqrt(np.maximum(0.0, slope * slope + 4 * self.bend * spare))
                bent = np.where(self.bends, (root - slope) / (2 * self.bend), np.inf)
                found = np.where(slope > 0, 2 * spare / (slope + root), bent)
                flat = (law.most + beside) / share
                found = np.where(law.peaked & (self.load + self.transfer * flat >= law.peak), flat, found)
        locks: Array = np.maximum(0.0, found - engine)
        return locks


def limit_force(axles: Locking, most: Array) -> Array:
    """Both axles at their limit together, engine braking included, but never more than `most`: the axles summed up.

    All of `axles` has both along its first axis. As far as neither is past the peak of its law, their sum is a parabola
    too; else Newton's method comes down from `most`, where the rear has nothing left to give.
    """
    law, load, transfer = axles.law, axles.load, axles.transfer
    standing, gained, bend = (np.sum(part, axis=0) for part in (axles.standing, axles.gained, axles.bend))
    with np.errstate(divide="ignore", invalid="ignore"):
        root = np.sqrt((1 - gained) ** 2 + 4 * bend * standing)
        force: Array = np.minimum(most, 2 * standing / (1 - gained + root))
    # Said so that what is no number is past the peak too: a load there at rest has no parabola's root.
    if law.straight or np.all(load + force * transfer <= law.peak):
        return force
    with np.errstate(divide="ignore"):
        # No law gives more than its grip at no load for every newton: that is nearer, and still above.
        spare = np.maximum(1 - np.sum(law.gain * transfer, axis=0), 0.0)
        force = np.minimum(most, np.sum(law.gain * load, axis=0) / spare)
    for _ in range(60):
        at = load + force * transfer
        left = force - np.sum(law.capacity(at), axis=0)
        with np.errstate(divide="ignore", invalid="ignore"):
            slope = 1 - np.sum(transfer * law.slope(at), axis=0)
            step = np.where(left > 0, left / slope, 0.0)
        force = force - step
        if np.all(np.abs(step) <= 1e-13 * force):
            break
    return force
