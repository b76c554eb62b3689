"""Every pair of stock cylinders at a glance, and the pairs that come nearest to a target."""
