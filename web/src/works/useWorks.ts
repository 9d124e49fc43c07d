import { useMutation, useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { saidOf } from "../api/client";
import { worksApi, type StepTick, type WorksKept, type WorksWords } from "./worksApi";

type Undo = () => Promise<unknown>;

/** What can be taken back, by garden; it outlives the view. */
const undos = new Map<number, Undo[]>();

export type Working = {
  words: WorksWords;
  /** The step whose tick is on its way. */
  ticking: StepTick | null;
  /** spentBefore: hours it had taken before, where they are changed. */
  tick: (wish: StepTick, spentBefore?: number) => void;
  change: (edit: (words: WorksWords) => WorksWords) => void;
  undo: () => void;
  canUndo: boolean;
  problem: string | null;
};

/** What is said of a garden's works: ticks, and all else, each with what takes it back. */
export function useWorks(gardenId: number, kept: WorksKept): Working {
  const queries = useQueryClient();
  const [, setCount] = useState(0);
  const mine = undos.get(gardenId) ?? [];
  const push = (undo: Undo) => {
    undos.set(gardenId, [...mine, undo].slice(-MOST_UNDOS));
    setCount((count) => count + 1);
  };
  const ticked = useMutation({
    mutationFn: ({ wish }: { wish: StepTick; spentBefore: number }) => worksApi.tick(gardenId, wish),
    onSuccess: async (answer, { wish, spentBefore }) => {
      queries.setQueryData(["works", gardenId], answer.works);
      const before = kept.words;
      push(async () => {
        const hours = wish.hours == null ? null : spentBefore;
        const { works } = await worksApi.tick(gardenId, { step: wish.step, done: !wish.done, hours });
        return worksApi.save(gardenId, { revision: works.revision, words: before });
      });
      await followed(queries, gardenId, answer.bed != null);
    },
  });
  const saved = useMutation({
    mutationFn: (edit: (words: WorksWords) => WorksWords) =>
      worksApi.save(gardenId, { revision: kept.revision, words: edit(kept.words) }),
    onSuccess: async (answer) => {
      queries.setQueryData(["works", gardenId], answer);
      const before = kept.words;
      push(async () => {
        const now = await worksApi.words(gardenId);
        return worksApi.save(gardenId, { revision: now.revision, words: before });
      });
      await followed(queries, gardenId, false);
    },
    onError: () => void queries.invalidateQueries({ queryKey: ["works", gardenId] }),
  });
  const undone = useMutation({
    mutationFn: async () => {
      const last = mine[mine.length - 1];
      undos.set(gardenId, mine.slice(0, -1));
      await last?.();
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["works", gardenId] });
      await followed(queries, gardenId, true);
    },
  });
  const error = ticked.error ?? saved.error ?? undone.error;
  return {
    words: kept.words,
    ticking: ticked.isPending ? ticked.variables.wish : null,
    tick: (wish, spentBefore = 0) => ticked.mutate({ wish, spentBefore }),
    change: (edit) => saved.mutate(edit),
    undo: () => undone.mutate(),
    canUndo: mine.length > 0,
    problem: error ? saidOf(error) : null,
  };
}

const MOST_UNDOS = 50;

/** What else follows a step: the days, and where its bed's state moved the bed and the haul too. */
async function followed(queries: QueryClient, gardenId: number, withBed: boolean): Promise<void> {
  if (withBed) void queries.invalidateQueries({ queryKey: ["garden", gardenId] });
  void queries.invalidateQueries({
    queryKey: ["figure", gardenId],
    refetchType: withBed ? "active" : "none",
  });
  await queries.invalidateQueries({ queryKey: ["figure", gardenId, "works"] });
}

export function useWorksFigures(gardenId: number) {
  return useQuery({
    queryKey: ["figure", gardenId, "works"],
    queryFn: () => worksApi.figures(gardenId),
  });
}

export function useWorksWords(gardenId: number) {
  return useQuery({ queryKey: ["works", gardenId], queryFn: () => worksApi.words(gardenId) });
}
