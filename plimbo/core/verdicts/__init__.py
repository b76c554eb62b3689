"""What is said of a setup over all states: one file a matter, and the registry that lists them."""
