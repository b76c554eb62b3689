"""From scales, tape and logger to the numbers of the car."""
