"""The brakes: from the foot to the disc and back, the shelf of sizes, the heat of one stop."""
