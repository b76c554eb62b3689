"""The working: formulas that accept floats, worked floats and arrays, and record how a number was calculated."""
