"""The year a garden has: its temperature, its springs and winters."""
