"""A new car: usual values for its kind, and how they adapt to the values given."""
