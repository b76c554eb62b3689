"""The verdicts over all states, and the changes that mend them."""
