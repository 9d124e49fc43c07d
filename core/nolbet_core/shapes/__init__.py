"""Shapes: a bed's hollow as plan area at a height, volume between heights, height for a volume, and its outlines."""
