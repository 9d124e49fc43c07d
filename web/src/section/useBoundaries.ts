import { useCallback, useState } from "react";
import type { Bed, BedFigures, Material } from "../api/client";
import type { BedDraft, BedState } from "../draft/bedDraft";
import {
  addLayer,
  moveBoundary,
  moveLayer,
  newLayer,
  nudgeBoundary,
  removeLayer,
  splitLayer,
} from "../draft/edits";
import { INCH_M } from "../quantities/format";
import type { Units } from "../quantities/format";

/** What can be done to the layers of a bed, by pointer, by key or from a card; and which of them is chosen. */
export function useBoundaries(state: BedState, draft: BedDraft, units: Units) {
  const [selected, setSelected] = useState<number | null>(null);
  const { figures, figuredBed, bed } = state;
  const count = bed.layers.length;
  const inStep = figuredBed.layers.length === count;
  const step_m = units === "ft_in" ? INCH_M / 8 : 0.005;
  const nudge_m = units === "ft_in" ? INCH_M / 2 : 0.01;
  const edit = useCallback(
    (change: (now: Bed) => Bed, gesture?: string) => draft.edit(change, gesture ?? null),
    [draft],
  );
  /** Every edit of a layer is told to the bed as it is by then, wherever the layer is in it. */
  const editLayer = (id: number | undefined, change: (now: Bed, index: number) => Bed) => {
    const at = draft.snapshot().layerIds.findIndex((each) => each === id);
    if (at >= 0) edit((now) => change(now, at));
  };
  const spans = figures?.layers;
  return {
    selected,
    setSelected,
    inStep,
    edit,
    editLayer,
    drag: (index: number, height_m: number) => {
      if (spans && inStep) edit((now) => moveBoundary(now, index, height_m, spans, step_m), `drag ${index}`);
    },
    nudge: (index: number, steps: number) => {
      if (spans && inStep) edit((now) => nudgeBoundary(now, index, steps * nudge_m, spans));
    },
    choose: (by: 1 | -1) =>
      setSelected((now) => (now === null ? count - 1 : Math.min(Math.max(now + by, 0), count - 1))),
    add: (material: Material, at: number) => {
      edit((now) => addLayer(now, at, newLayer(material, now, units)));
      setSelected(at);
    },
    move: (id: number | undefined, by: 1 | -1) =>
      editLayer(id, (now, index) => {
        const moved = moveLayer(now, index, by);
        if (moved !== now) setSelected(index + by);
        return moved;
      }),
    remove: (id: number | undefined) =>
      editLayer(id, (now, index) => {
        const left = now.layers.length - 1;
        setSelected(left > 0 ? Math.min(index, left - 1) : null);
        return removeLayer(now, index);
      }),
    split: (id: number | undefined, of: BedFigures["layers"][number]) =>
      editLayer(id, (now, index) => splitLayer(now, index, of.split)),
  };
}
