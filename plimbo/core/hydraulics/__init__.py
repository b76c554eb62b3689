"""From the foot to the calipers: levers, cylinders, valve, lines, and how far the pedal goes."""
