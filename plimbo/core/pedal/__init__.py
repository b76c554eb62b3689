"""Under the driver's foot: pressures over the push, travel, one circuit lost, the setting for each state."""
