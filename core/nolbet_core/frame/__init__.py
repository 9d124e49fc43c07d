"""The box itself: boards and their corners, walls of units, what bows, what it weighs and how long it lasts."""
