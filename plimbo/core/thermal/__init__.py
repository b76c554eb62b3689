"""The heat of a corner over time: air, materials, conductances, and the network that joins them."""
