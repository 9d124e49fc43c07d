"""The work itself: what a person gets done in an hour."""
