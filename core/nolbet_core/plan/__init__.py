"""The plan file: its models, how it is read, and what it must hold together."""
