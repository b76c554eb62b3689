"""One plan for the whole car: few steps, in the order of fitting them, from the car as it is to a sound one."""
