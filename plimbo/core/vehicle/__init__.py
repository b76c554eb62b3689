"""The car without its brakes: its mass in each load, aerodynamics and tyres, and the braking that they allow in each
state.
"""
