"""Names for NumPy's arrays in the core, and how both axles lie in one."""

import numpy as np
import numpy.typing as npt

Array = npt.NDArray[np.float64]
Arrays = Array | float

# Arrays of both axles have the shape (axle, setup, state, speed), front first. What the front gains, the rear loses.
TOWARDS: Array = np.array([1.0, -1.0])[:, None, None, None]


def both_axles(front: Array, rear: Array) -> Array:
    """Two of shape (state, speed), as one of shape (axle, setup, state, speed)."""
    return np.array((front, rear))[:, None]
