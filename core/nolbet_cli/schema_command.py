"""`nolbet schema`: the plan file's JSON Schema."""

from __future__ import annotations

import argparse
import json

from nolbet_core.plan.schema import plan_schema


def run(options: argparse.Namespace) -> int:
    """Print the schema."""
    del options
    print(json.dumps(plan_schema(), indent=2))
    return 0
