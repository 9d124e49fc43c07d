"""The command line: reads files, prints, and asks the core for everything else."""
