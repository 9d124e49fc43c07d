"""Asking the page's own pure functions, bundled as the page is, through node."""

from __future__ import annotations

import json
import subprocess
from pathlib import Path
from typing import Any

WEB = Path(__file__).resolve().parents[2] / "web"

SCRIPT = """
import { rolldown } from "rolldown";
import { readFileSync } from "node:fs";
const { file, calls } = JSON.parse(readFileSync(0, "utf8"));
const bundle = await rolldown({ input: "src/" + file, logLevel: "silent" });
const { output } = await bundle.generate({ format: "esm" });
const page = await import("data:text/javascript;base64," + Buffer.from(output[0].code).toString("base64"));
console.log(JSON.stringify(calls.map(([name, ...given]) => page[name](...given) ?? null)));
"""


def ask_page(file: str, calls: list[tuple[Any, ...]]) -> list[Any]:
    """Answers of functions of one of the page's files, each call a name with its arguments."""
    done = subprocess.run(
        ["node", "--input-type=module", "-e", SCRIPT],
        input=json.dumps({"file": file, "calls": calls}),
        cwd=WEB,
        capture_output=True,
        text=True,
        check=True,
    )
    return list(json.loads(done.stdout))
