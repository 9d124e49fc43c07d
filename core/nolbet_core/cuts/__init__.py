"""Boards cut together: which lengths are bought, and which pieces come out of each."""
