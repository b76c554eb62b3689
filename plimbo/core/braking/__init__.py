"""Brakes and road together: forces at the road, which axle locks first, stops, and what the search compares."""
