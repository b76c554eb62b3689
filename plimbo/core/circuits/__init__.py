"""Race circuits, and the lap of a car on them."""
