"""Asking the page's own pure functions, bundled as the page is, through node."""

from __future__ import annotations

import atexit
import json
import subprocess
from functools import cache
from pathlib import Path
from typing import Any

WEB = Path(__file__).resolve().parents[2] / "web"

SCRIPT = """
import { rolldown } from "rolldown";
import { createInterface } from "node:readline";
const pages = new Map();
async function bundled(file) {
  const bundle = await rolldown({ input: "src/" + file, logLevel: "silent" });
  const { output } = await bundle.generate({ format: "esm" });
  return import("data:text/javascript;base64," + Buffer.from(output[0].code).toString("base64"));
}
for await (const line of createInterface({ input: process.stdin })) {
  const { file, calls } = JSON.parse(line);
  try {
    if (!pages.has(file)) pages.set(file, await bundled(file));
    const page = pages.get(file);
    const answers = await Promise.all(calls.map(([name, ...given]) => page[name](...given)));
    console.log(JSON.stringify({ answers: answers.map((answer) => answer ?? null) }));
  } catch (error) {
    console.log(JSON.stringify({ error: String(error.stack) }));
  }
}
"""


@cache
def _node() -> subprocess.Popen[str]:
    """One node for all that is asked, which keeps what it has bundled."""
    command = ["node", "--input-type=module", "-e", SCRIPT]
    node = subprocess.Popen(command, cwd=WEB, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
    atexit.register(node.kill)
    return node


def ask_page(file: str, calls: list[tuple[Any, ...]]) -> list[Any]:
    """Answers of functions of one of the page's files, each call a name with its arguments. file: below src."""
    node = _node()
    assert node.stdin is not None
    assert node.stdout is not None
    node.stdin.write(json.dumps({"file": file, "calls": calls}) + "\n")
    node.stdin.flush()
    answer = json.loads(node.stdout.readline())
    assert "error" not in answer, answer["error"]
    return list(answer["answers"])
