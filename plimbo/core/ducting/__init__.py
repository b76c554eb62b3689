"""The air of a duct: what drives it, the pressure loss of each piece, and the flow."""
