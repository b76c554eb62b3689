"""Trying many setups: the changes worth trying and what they mend, and every combination of parts of a shelf."""
