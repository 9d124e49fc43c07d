"""Speed as ratios in one run: `bin/bench [--json]`."""
