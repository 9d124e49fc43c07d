"""The schools of filling: ready starting stacks that scale to the bed, with what speaks for and against each."""
