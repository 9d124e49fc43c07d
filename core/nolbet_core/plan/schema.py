"""The plan file's JSON Schema, made from the models that read it."""

from __future__ import annotations

from typing import Any

from nolbet_core.plan.garden import Plan


def plan_schema() -> dict[str, Any]:
    """The JSON Schema of a plan file, by the draft 2020-12."""
    schema = Plan.model_json_schema()
    # a heap's volume may be told by how it was counted instead
    schema["$defs"]["Stock"]["required"].remove("volume_m3")
    return {"$schema": "https://json-schema.org/draft/2020-12/schema", **schema, "title": "Nolbet plan file"}
