"""Plimbo sizes a race car's brakes, from the driver's foot to the road, and shows its working."""

__version__ = "0.1.0"
