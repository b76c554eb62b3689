"""Mends for the heat of a session, and the inputs that it depends on: every change is simulated."""
