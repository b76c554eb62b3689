"""The public questions, one file each: give a car and a setup, get a whole answer."""
