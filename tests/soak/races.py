"""Two saves at once, over and over: what was answered is kept, what was deleted stays away, all that is kept holds.

By hand: python -m tests.soak.races [TIMES]
"""

from __future__ import annotations

import sys
import tempfile
import threading
import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

from tests.soak.serving import Gardener, Serving, bed

GROUND = [[0, 0], [9, 0], [9, 6], [0, 6]]
Told = dict[str, int]

ROUNDS_EACH = 40


def races(times: int) -> Told:
    """Run every race so many times; counts of what was answered, of what was lost, came back or broke."""
    told = {"answered": 0, "lost": 0, "back": 0, "broken": 0, "errors": 0}
    with tempfile.TemporaryDirectory() as folder, Serving(Path(folder)) as serving:
        one, two = _pair(serving.port, 0)
        _plot_beside_units(one, two, times, told)
        for number in range(times):
            # each round leaves gardens behind, and a gardener keeps a few hundred at most
            if number % ROUNDS_EACH == ROUNDS_EACH - 1:
                one, two = _pair(serving.port, number)
            _deletion_beside_head(one, two, told)
            _bed_beside_material(one, two, told)
            _changed_material_beside_bed(one, two, told)
    return told


def _pair(port: int, number: int) -> tuple[Gardener, Gardener]:
    """One gardener at two devices."""
    one = Gardener(port, f"racer{number}")
    one.move_in()
    two = Gardener(port, one.name)
    two.cookies, two.garden = dict(one.cookies), one.garden
    return one, two


def _at_once(*runs: Callable[[], None]) -> None:
    threads = [threading.Thread(target=run) for run in runs]
    for thread in threads:
        thread.start()
    for thread in threads:
        thread.join()


def _plot_beside_units(one: Gardener, two: Gardener, times: int, told: Told) -> None:
    """Plots saved at one device while the other changes units and the garden's name."""
    garden = f"/api/gardens/{one.garden}"
    saved: list[int] = []
    heads: list[tuple[str, str]] = []

    def plots() -> None:
        for number in range(times):
            plot = {"corners_m": GROUND, "north_deg": north_of(number)}
            status, _ = one.ask("PUT", f"{garden}/plot", {"revision": len(saved), "plot": plot})
            told["errors"] += status != 200
            if status == 200:
                saved.append(number)

    def units() -> None:
        for number in range(times):
            wanted = ("metric", "ft_in")[number % 2]
            status, answer = two.ask("PUT", f"{garden}/units", {"units": wanted})
            told["errors"] += status != 200
            head = answer["garden"] | {"name": f"Garden {number}"}
            head.pop("plot", None)
            status, _ = two.ask("PUT", garden, {"revision": answer["head_revision"], "garden": head})
            told["errors"] += status != 200
            heads.append((wanted, head["name"]))

    _at_once(plots, units)
    _, kept = one.ask("GET", garden)
    told["answered"] += len(saved) + 2 * len(heads)
    told["lost"] += len(saved) - kept["plot_revision"]
    told["lost"] += kept["garden"]["plot"]["north_deg"] != north_of(saved[-1])
    told["lost"] += 2 * len(heads) - kept["head_revision"]
    told["lost"] += (kept["garden"]["units"], kept["garden"]["name"]) != heads[-1]


def north_of(number: int) -> float:
    """Where north lies in the plot saved as so many-th [degrees]: within a turn, and another each time."""
    return number * 7 % 360


def _deletion_beside_head(one: Gardener, two: Gardener, told: Told) -> None:
    """A garden put into the bin at one device while the other changes its units, its plot and a bed."""
    _, made = one.ask("POST", "/api/gardens", {"garden": {"name": "To go"}})
    garden = f"/api/gardens/{made['id']}"
    answers: list[int] = []

    def others() -> None:
        answers.append(two.ask("PUT", f"{garden}/units", {"units": "ft_in"})[0])
        answers.append(two.ask("POST", f"{garden}/beds", {"bed": bed(3)})[0])
        plot = {"revision": 0, "plot": {"corners_m": GROUND}}
        answers.append(two.ask("PUT", f"{garden}/plot", plot)[0])

    gone: list[int] = []
    _at_once(lambda: gone.append(one.ask("DELETE", garden)[0]), others)
    told["answered"] += len(answers) + 1
    told["errors"] += gone != [204] or any(status not in {200, 201, 404} for status in answers)
    told["back"] += one.ask("GET", garden)[0] != 404


def _with_material(one: Gardener) -> str:
    """A new garden with a material of its own, and a bed without it."""
    _, made = one.ask("POST", "/api/gardens", {"garden": {"name": "Heap"}})
    garden = f"/api/gardens/{made['id']}"
    own = {"key": "x", "like": "compost", "name": "Heap compost"}
    one.ask("POST", f"{garden}/materials", own)
    one.ask("POST", f"{garden}/beds", {"bed": bed(2)})
    return garden


def _of_heap(count: int) -> dict[str, Any]:
    return bed(count) | {"layers": [{"material": "heap_compost", "fill": True}]}


def _bed_beside_material(one: Gardener, two: Gardener, told: Told) -> None:
    """A bed that takes a material up while the material is deleted: one of the two is refused."""
    garden = _with_material(one)
    answers: list[int] = []
    body = {"revision": 1, "bed": _of_heap(2)}
    _at_once(
        lambda: answers.append(one.ask("PUT", f"{garden}/beds/stream", body)[0]),
        lambda: answers.append(two.ask("DELETE", f"{garden}/materials/heap_compost")[0]),
    )
    told["answered"] += 2
    told["errors"] += any(status not in {200, 204, 409, 422} for status in answers)
    told["broken"] += _broken(one, garden) or sum(status in {200, 204} for status in answers) != 1


def _changed_material_beside_bed(one: Gardener, two: Gardener, told: Told) -> None:
    """A material that becomes a sheet while a bed is filled with it: one of the two is refused."""
    garden = _with_material(one)
    answers: list[int] = []
    sheet = {"material": {"key": "heap_compost", "like": "geotextile"}, "revision": 1}
    body = {"revision": 1, "bed": _of_heap(2)}
    _at_once(
        lambda: answers.append(one.ask("PUT", f"{garden}/beds/stream", body)[0]),
        lambda: answers.append(two.ask("PUT", f"{garden}/materials/heap_compost", sheet)[0]),
    )
    told["answered"] += 2
    told["errors"] += any(status not in {200, 409, 422} for status in answers)
    told["broken"] += _broken(one, garden) or answers.count(200) != 1


def _broken(gardener: Gardener, garden: str) -> bool:
    """Whether a garden doesn't open, isn't worked out, or holds something that doesn't hold together."""
    status, kept = gardener.ask("GET", garden)
    figured, _ = gardener.ask("GET", f"{garden}/figure")
    return (status, figured) != (200, 200) or bool(kept["troubles"])


if __name__ == "__main__":
    start = time.monotonic()
    print(races(int(sys.argv[1]) if len(sys.argv) > 1 else 200), f"{time.monotonic() - start:.0f} s")
