"""The smallest duct that holds, the worth of each of its pieces, and the tape: all by simulation."""
