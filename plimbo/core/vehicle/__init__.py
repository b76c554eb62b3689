"""The car without its brakes: what it weighs in each load, its air and tyres, and what they allow in each state."""
