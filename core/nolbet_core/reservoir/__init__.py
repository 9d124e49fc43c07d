"""Wicking reservoirs: what they hold, how high it wicks, how long it lasts, and whether they leak."""
