import { keepPreviousData, useMutation, useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { api, type KeptGarden } from "../api/client";
import { meant } from "../api/meant";
import type { Chosen } from "./PlotSheet";
import type { Drawing, Part } from "./useDrawn";
import type { PlotWork } from "./usePlot";

/** Beds that lie nowhere yet, and laying them out in rows: where there is room, or where a rectangle is drawn. */
export function useRows(garden: KeptGarden, work: PlotWork, onPlaced: (chosen: Chosen) => void) {
  const { plot, places } = work.state;
  const [in_a_row, setInARow] = useState<number | null>(null);
  const [aisle_m, setAisle] = useState<number | null>(null);
  const [drawnFor, setDrawnFor] = useState<readonly string[] | null>(null);
  const [part, setPart] = useState<Part | null>(null);
  const waiting = garden.beds
    .map(({ key, bed }) => ({ key, bed, left: meant("Bed", bed, "count") - work.placesOf(key).length }))
    .filter(({ left }) => left > 0);
  const figure = (beds: readonly string[], within: Part | null) =>
    api.figureRows(garden.id, {
      plot,
      places: { ...places },
      beds: [...beds],
      in_a_row,
      aisle_m,
      within_m: within && [[...within[0]], [...within[1]]],
    });
  const lay = useMutation({
    mutationFn: ({ beds, within }: { beds: readonly string[]; within: Part | null }) => figure(beds, within),
    onSuccess: ({ beds }) => {
      for (const { key, spots } of beds) if (spots.length > 0) work.putMore(key, spots);
      const first = beds.find(({ spots }) => spots.length > 0);
      if (first) onPlaced({ key: first.key, index: work.placesOf(first.key).length });
    },
  });
  const shown = useQuery({
    queryKey: ["rows", garden.id, drawnFor, part, in_a_row, aisle_m],
    queryFn: () => figure(drawnFor ?? [], part),
    enabled: drawnFor !== null && part !== null,
    placeholderData: keepPreviousData,
    gcTime: 0,
  });
  const { mutate } = lay;
  const drawing = useMemo<Drawing | null>(
    () =>
      drawnFor && {
        onDraw: setPart,
        onDrawn: (within) => {
          setDrawnFor(null);
          setPart(null);
          mutate({ beds: drawnFor, within });
        },
      },
    [drawnFor, mutate],
  );
  return {
    waiting,
    setInARow,
    setAisle,
    lay,
    drawing,
    /** Draw where these go, or leave it. */
    draw: setDrawnFor,
    /** Where they would come to lie in what is drawn so far. */
    ghosts: drawnFor && part ? (shown.data?.beds ?? []) : [],
  };
}

export type Rows = ReturnType<typeof useRows>;
