"""The working: formulas that take floats, worked floats and arrays alike, and remember how a number came about."""
