"""Soil mixes: parts by loose volume of materials or of other mixes."""
