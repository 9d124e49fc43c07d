import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useSyncExternalStore } from "react";
import type { Bed, FindingFigures, KeptGarden, Place, Plot } from "../api/client";
import { meant } from "../api/meant";
import { draftOf } from "../draft/drafts";
import { PlotDraft, type PlotState } from "../draft/plotDraft";
import { bedDraftOf } from "../draft/useBedDraft";
import { useShowing } from "../quantities/UnitsContext";

export type PlotWork = {
  state: PlotState;
  /** Places of a bed and those alike, as they are drawn now. */
  placesOf: (key: string) => readonly Place[];
  edit: (change: (plot: Plot) => Plot) => void;
  /** Put one of the beds somewhere. */
  put: (key: string, index: number, place: Place | ((now: Place) => Place)) => void;
  /** Put more of a bed and those alike somewhere, as one step. */
  putMore: (key: string, places: readonly Place[]) => void;
  /** Put another of a bed somewhere: one that lies nowhere yet, else one more alike. */
  putTwin: (key: string, place: Place) => void;
  takeOff: (key: string, index: number) => void;
  undo: () => void;
  /** After a save that came too late: keep this ground, or take the newer one. */
  settle: (keep: "mine" | "theirs") => void;
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

function drawnPlaces(figures: PlotState["figures"], key: string): Place[] {
  const lying = figures?.placed.filter((each) => each.key === key) ?? [];
  return lying.map(({ x_m, y_m, turn_deg }) => ({ x_m, y_m, turn_deg }));
}

/** The draft of a garden's plot, made where there is none yet. */
export function plotDraftOf(garden: KeptGarden, plot: Plot, queries: QueryClient): PlotDraft {
  return draftOf(`${garden.id}/plot`, () => {
    return new PlotDraft(garden, plot, queries, ({ garden: head, plot_revision }) => {
      queries.setQueryData<KeptGarden>(["garden", garden.id], (before) =>
        before ? { ...before, garden: { ...before.garden, plot: head.plot }, plot_revision } : before,
      );
      void queries.invalidateQueries({ queryKey: ["figure", garden.id] });
    });
  });
}

/** Work on a garden's plot: its ground by one draft, where beds lie by the drafts of the beds. */
export function usePlot(garden: KeptGarden, plot: Plot): PlotWork {
  const queries = useQueryClient();
  const session = plotDraftOf(garden, plot, queries);
  useEffect(() => session.adopt(plot, garden.plot_revision), [session, plot, garden.plot_revision]);
  const state = useSyncExternalStore(session.subscribe, session.snapshot);
  const { told_in } = useShowing();
  useEffect(() => session.refresh(), [session, told_in, garden.beds]);

  const placesOf = useCallback(
    (key: string): readonly Place[] => {
      const bed = garden.beds.find((each) => each.key === key)?.bed;
      const places = state.places[key] ?? bed?.places ?? [];
      // what follows a line lies where that was drawn until it is moved
      return places.length === 0 && bed?.along_m ? drawnPlaces(state.figures, key) : places;
    },
    [state.places, state.figures, garden.beds],
  );
  const editBed = useCallback(
    (key: string, change: (bed: Bed) => Bed) => {
      const kept = garden.beds.find((each) => each.key === key);
      if (!kept) return;
      const bed = bedDraftOf(garden.id, kept, queries);
      session.didMove(key, bed);
      bed.edit(change);
      session.move(key, bed.snapshot().bed.places ?? []);
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
    settle: useCallback((keep) => session.settle(keep), [session]),
    edit: useCallback((next) => session.edit(next), [session]),
    editBed,
    mend: useCallback(
      (key, finding) => {
        const kept = garden.beds.find((each) => each.key === key);
        if (!kept) return;
        const bed = bedDraftOf(garden.id, kept, queries);
        session.didMove(key, bed);
        bed.mend(finding, (mended) => session.move(key, mended.places ?? []));
      },
      [garden, session, queries],
    ),
    put: useCallback((key, index, place) => change(key, at(index, place)), [change]),
    putMore: useCallback((key, more) => change(key, (places) => [...places, ...more]), [change]),
    putTwin: useCallback(
      (key, place) =>
        editBed(key, (bed) => {
          const lying = session.snapshot().places[key] ?? bed.places ?? [];
          const count = Math.max(meant("Bed", bed, "count"), lying.length + 1);
          return { ...bed, count, places: [...lying, place] };
        }),
      [editBed, session],
    ),
    takeOff: useCallback(
      (key, index) => change(key, (places) => places.filter((_, which) => which !== index)),
      [change],
    ),
  };
}
