"""Links by which others look at a garden, or at one list of it, without an account."""
