"""Numba's compiler, for the step-by-step simulation. Importing this is slow: only simulations import it."""

from typing import Any

from numba import config, njit

from plimbo.core.working.compiled_code import folder

settings: Any = config
settings.CACHE_DIR = str(folder())
# It has no infinite numbers and no NaN, so the compiler may reorder sums. It does not use Python objects, so other
# questions can run meanwhile.
compiled = njit(cache=True, fastmath=True, error_model="numpy", nogil=True)
# Inlined into its caller: passing records of many numbers is slow.
inlined = njit(cache=True, fastmath=True, error_model="numpy", forceinline=True)
