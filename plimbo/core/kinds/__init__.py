"""What a new car begins with: usual values for its kind, and how they follow what is given."""
