"""The air that a duct brings: what drives it, what each piece costs, and what flows."""
