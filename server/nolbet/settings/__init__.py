"""Settings: base for all, demo for one machine, production for the real thing, test for the tests."""
