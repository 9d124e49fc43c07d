import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useMemo, useSyncExternalStore } from "react";
import type { Bed, FindingFigures, KeptGarden, Place, Plot } from "../api/client";
import { sessionOf } from "../section/useSession";
import { PlotSession, type PlotState } from "./plotSession";

export type PlotWork = {
  state: PlotState;
  /** Places of a bed and those alike, as they are drawn now. */
  placesOf: (key: string) => readonly Place[];
  edit: (change: (plot: Plot) => Plot) => void;
  /** Put one of the beds somewhere. */
  put: (key: string, index: number, place: Place | ((now: Place) => Place)) => void;
  takeOff: (key: string, index: number) => void;
  undo: () => void;
  redo: () => void;
  /** Change a bed itself, by its own session. */
  editBed: (key: string, change: (bed: Bed) => Bed) => void;
  /** Mend a finding on a bed, by its own session. */
  mend: (key: string, finding: FindingFigures) => void;
};

function at(index: number, place: Place | ((now: Place) => Place)) {
  const next = (now: Place) => (typeof place === "function" ? place(now) : place);
  return (places: readonly Place[]): Place[] =>
    index >= places.length
      ? [...places, next({ x_m: 0, y_m: 0 })]
      : places.map((each, which) => (which === index ? next(each) : each));
}

/** Work on a garden's plot: its ground by one session, where beds lie by the sessions of the beds. */
export function usePlot(garden: KeptGarden, plot: Plot): PlotWork {
  const queries = useQueryClient();
  const session = useMemo(
    () =>
      new PlotSession(garden.id, plot, garden.plot_revision, (kept, plot_revision) => {
        queries.setQueryData<KeptGarden>(["garden", garden.id], (before) =>
          before ? { ...before, garden: { ...before.garden, plot: kept }, plot_revision } : before,
        );
        void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
      }),
    [garden.id, queries],
  );
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  const { units } = garden.garden;
  useEffect(() => session.refresh(), [session, units, garden.beds]);

  const placesOf = useCallback(
    (key: string): readonly Place[] =>
      state.places[key] ?? garden.beds.find((bed) => bed.key === key)?.bed.places ?? [],
    [state.places, garden.beds],
  );
  const editBed = useCallback(
    (key: string, change: (bed: Bed) => Bed) => {
      const kept = garden.beds.find((each) => each.key === key);
      if (!kept) return;
      const bed = sessionOf(garden.id, kept, queries);
      const changed = change(bed.snapshot().bed);
      session.move(key, changed.places ?? []);
      session.followBed(bed);
      session.didMove(key, bed);
      bed.edit(changed, null);
    },
    [garden, session, queries],
  );
  const change = useCallback(
    (key: string, next: (places: readonly Place[]) => Place[]) =>
      editBed(key, (bed) => ({ ...bed, places: next(session.snapshot().places[key] ?? bed.places ?? []) })),
    [editBed, session],
  );
  return {
    state,
    placesOf,
    undo: useCallback(() => session.undo(), [session]),
    redo: useCallback(() => session.redo(), [session]),
    edit: useCallback((next) => session.edit(next), [session]),
    editBed,
    mend: useCallback(
      (key, finding) => {
        const kept = garden.beds.find((each) => each.key === key);
        if (!kept) return;
        const bed = sessionOf(garden.id, kept, queries);
        session.followBed(bed);
        session.didMove(key, bed);
        bed.mend(finding, (mended) => session.move(key, mended.places ?? []));
      },
      [garden, session, queries],
    ),
    put: useCallback((key, index, place) => change(key, at(index, place)), [change]),
    takeOff: useCallback(
      (key, index) => change(key, (places) => places.filter((_, which) => which !== index)),
      [change],
    ),
  };
}
