"""A bed dragged over a plot in Chromium: scripting for each frame, with many beds on it against few."""

from __future__ import annotations

import statistics
from typing import Any

from playwright.sync_api import CDPSession, Page

from bench.browsed import bring, browsing
from bench.measure import Measure

FEW, MANY = 20, 200
FRAMES = 60
ROUNDS = 3
LIMIT = 3.0


def plot_plan(beds: int) -> dict[str, Any]:
    """A plan of so many boxes in rows on a large ground."""
    return {
        "format": "nolbet-plan/1",
        "garden": {"name": f"Plot of {beds}", "plot": {"corners_m": [[0, 0], [60, 0], [60, 40], [0, 40]]}},
        "beds": [
            {
                "key": f"bed_{index}",
                "shape": {"kind": "box", "length_m": 2.0, "width_m": 1.0, "depth_m": 0.4},
                "layers": [{"material": "cardboard"}, {"material": "topsoil", "fill": True}],
                "places": [{"x_m": 2 + 2.7 * (index % 20), "y_m": 2 + 1.9 * (index // 20)}],
            }
            for index in range(beds)
        ],
    }


def measure_plot() -> list[Measure]:
    """Milliseconds of scripting for each step of a drag with 200 beds against 20."""
    with browsing() as (gardener, page, home):
        few, many = (f"{home}/garden/{bring(gardener, plot_plan(beds))}/plot" for beds in (FEW, MANY))
        rounds = [(_frame_ms(page, many), _frame_ms(page, few)) for _ in range(ROUNDS)]
    ratio = statistics.median(one / other for one, other in rounds)
    one, other = (statistics.median(times) for times in zip(*rounds, strict=True))
    detail = f"{one:.2f} ms scripting a frame with {MANY} beds against {other:.2f} ms with {FEW}"
    return [Measure("plot_drag_200_beds_to_20", ratio, LIMIT, detail)]


def _frame_ms(page: Page, address: str) -> float:
    """Scripting for each step of a drag [ms]."""
    page.goto(address)
    bed = page.locator('[data-bed="bed_5 0"]')
    page.locator("[data-part=plot-aisle]").first.wait_for(state="attached")
    page.wait_for_load_state("networkidle")
    box = bed.locator("[data-part=plot-edge]").bounding_box()
    if box is None:
        raise RuntimeError("the bed isn't drawn")
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    session = page.context.new_cdp_session(page)
    session.send("Performance.enable")
    page.mouse.move(x, y)
    page.mouse.down()
    page.mouse.move(x + 3, y + 3)
    before = scripting_s(session)
    for step in range(FRAMES):
        page.mouse.move(x + 3 + step % 30, y + 3 + step // 3)
    spent = scripting_s(session) - before
    page.keyboard.press("Escape")
    page.mouse.move(x, y)
    page.mouse.up()
    return spent * 1000 / FRAMES


def scripting_s(session: CDPSession) -> float:
    """Scripting of a page up to now [s]."""
    metrics = session.send("Performance.getMetrics")["metrics"]
    return float(next(metric["value"] for metric in metrics if metric["name"] == "ScriptDuration"))
