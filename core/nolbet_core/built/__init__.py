"""A bed of the plan as built: vessel, layers, store, what follows from them, and every problem on the way."""
