"""For whoever looks after the server: whether it lives, whether it can keep what it is sent, how it is asked."""
