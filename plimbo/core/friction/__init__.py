"""Caliper, pad and disc: their sizes as numbers, and what they make of a pressure."""
