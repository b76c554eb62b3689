"""The road: the loaded car, what its tyres allow in each state, and what a setup makes of it."""
