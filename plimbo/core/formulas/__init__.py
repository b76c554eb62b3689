"""One function, one formula: name from the literature, text, units, range and source. SI throughout."""
