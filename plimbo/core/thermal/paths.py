"""Where the heat of a corner goes, and the slow parts that it goes through, by their places in arrays."""

INBOARD_PISTON, OUTBOARD_PISTON, CALIPER, FLUID, BELL, HUB = range(6)
FACES, VANES, RADIATION, WHEEL, PLATES, BODY = range(6)
PATHS = "faces", "vanes", "radiation", "bell and hub", "pads into plates", "caliper"
