"""Buying: needs less what is on hand, bags or bulk, and what it costs."""
