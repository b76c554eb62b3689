"""The smallest duct that holds, what each of its pieces is worth, and what to tape: every one is driven."""
