"""Circuits, and how a car gets round them."""
