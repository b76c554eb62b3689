"""Names for NumPy's arrays in the core."""

import numpy as np
import numpy.typing as npt

Array = npt.NDArray[np.float64]
Arrays = Array | float
