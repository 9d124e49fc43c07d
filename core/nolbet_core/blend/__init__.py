"""Soil mixes: parts by loose volume of materials or of other mixes, what they are like, and the cheapest that fit."""
