"""A garden put together into a plan and taken apart into rows; what a save rests on, checked as it is saved."""
