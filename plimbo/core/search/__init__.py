"""Trying many setups: the changes worth trying, what they mend, and every combination of a list of parts."""
