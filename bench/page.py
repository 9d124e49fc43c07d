"""What the page sends first, gzipped."""

from __future__ import annotations

import gzip
import re
from pathlib import Path

from bench.measure import Measure

DIST = Path(__file__).resolve().parents[1] / "web" / "dist"
LIMIT_KB, CHUNK_KB = 230.0, 130.0


def measure_page() -> list[Measure]:
    """Scripts that the page's document names [kB gzipped]; chunks that load later are told beside."""
    document = (DIST / "index.html").read_text(encoding="utf-8")
    first = {Path(name).name for name in re.findall(r'(?:src|href)="[^"]*/assets/([^"]+\.js)"', document)}
    sizes = {
        file.name: len(gzip.compress(file.read_bytes(), 9, mtime=0)) / 1000 for file in (DIST / "assets").glob("*.js")
    }
    total = sum(sizes[name] for name in first)
    later = sum(size for name, size in sizes.items() if name not in first)
    largest = max((name for name in sizes if name not in first), key=lambda name: sizes[name])
    return [
        Measure("page_first_script_kb", total, LIMIT_KB, f"{len(first)} files; {later:.0f} kB more when needed"),
        Measure("page_largest_chunk_kb", sizes[largest], CHUNK_KB, largest),
    ]
