"""Quantities: reading what a gardener types, limits on it, and showing it back. SI inside, tape measure outside."""
