"""How far fill sinks: what is left of each layer, the surface by month, its spread, and what tops it up."""
