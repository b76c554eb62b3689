"""Stepping through sizes: stock sizes, the joints of the chain with their neighbours, changes of parts."""
