"""Drawing what isn't known well: named inputs over their ranges, and how far what follows from them is spread."""
