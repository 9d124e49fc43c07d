"""Soil mixes: kept, figured, and found from a wish."""
