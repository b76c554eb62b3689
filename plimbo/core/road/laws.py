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

    def lock_force(self, load: Arrays, share: Arrays, transfer: Arrays, engine: Arrays, own_engine: Arrays) -> Array:
        """Braking of the whole car, engine apart, at which the axle locks; infinite where it never does.

        `load` is the axle's load before any braking, `transfer` what it gains per newton of braking (minus at the
        rear), `share` its share of the brake force, `own_engine` the part of the engine's braking that acts on it.
        Never below 0: an axle that engine braking alone would lock has locked.
        """
        gain = self.gain
        with np.errstate(divide="ignore", invalid="ignore", over="ignore"):
            if self.straight:
                slope = share - gain * transfer
                found = np.where(slope > 0, (gain * load + share * engine - own_engine) / slope, np.inf)
            else:
                fall = self.fall
                spare = gain * load - fall * load * load + share * engine - own_engine
                slope = share - gain * transfer + 2 * fall * load * transfer
                bend = fall * transfer * transfer
                root = np.sqrt(np.maximum(0.0, slope * slope + 4 * bend * spare))
                bent = np.where(bend > 0, (root - slope) / (2 * bend), np.inf)
                found = np.where(slope > 0, 2 * spare / (slope + root), bent)
                flat = (self.most + share * engine - own_engine) / share
                found = np.where(self.peaked & (load + transfer * flat >= self.peak), flat, found)
        locks: Array = np.maximum(0.0, found - engine)
        return locks


def limit_force(law: TyreLaw, load: Array, transfer: Array, most: Array) -> Array:
    """Both axles at their limit together, engine braking included, but never more than `most`: the axles summed up.

    Law, load and transfer, minus at the rear, have both axles along their first axis. Newton's method comes down from
    `most`, where the rear has nothing left to give; straight laws have a closed form.
    """
    # No law gives more than its grip at no load for every newton: that is nearer, and still above.
    with np.errstate(divide="ignore"):
        spare = np.maximum(1 - np.sum(law.gain * transfer, axis=0), 0.0)
        force: Array = np.minimum(most, np.sum(law.gain * load, axis=0) / spare)
    if law.straight:
        return force
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
