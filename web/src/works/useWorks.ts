import {
  useMutation,
  useMutationState,
  useQuery,
  useQueryClient,
  type QueryClient,
} from "@tanstack/react-query";
import { useState } from "react";
import { Refused, saidOf } from "../api/client";
import { keepTick, TICK, withTick, type Ticking } from "./ticks";
import { worksApi, type StepTick, type WorksKept, type WorksWords } from "./worksApi";

type Undo = () => Promise<unknown>;
type Edit = (words: WorksWords) => WorksWords;
type Ticked = { answer: Awaited<ReturnType<typeof worksApi.tick>>; before: WorksWords | undefined };

/** What can be taken back, by garden; it outlives the view. */
const undos = new Map<number, Undo[]>();
const MOST_UNDOS = 50;
const STALE = 409;

export type Working = {
  words: WorksWords;
  /** The step whose tick is on its way. */
  ticking: StepTick | null;
  /** spentBefore: hours it had taken before, where they are changed. */
  tick: (wish: StepTick, spentBefore?: number) => void;
  change: (edit: Edit) => void;
  undo: () => void;
  canUndo: boolean;
  problem: string | null;
};

/** What is said of a garden's works: ticks, and all else, one after the other, each with what takes it back. */
export function useWorks(gardenId: number, kept: WorksKept): Working {
  const queries = useQueryClient();
  const [, setCount] = useState(0);
  const inTurn = { scope: { id: `works ${gardenId}` } };
  const push = (undo: Undo) => {
    undos.set(gardenId, [...(undos.get(gardenId) ?? []), undo].slice(-MOST_UNDOS));
    setCount((count) => count + 1);
  };
  const latest = () => queries.getQueryData<WorksKept>(["works", gardenId]) ?? kept;
  const ticked = useMutation<Ticked, Error, Ticking>({
    mutationKey: [...TICK],
    onSuccess: ({ answer, before }, { wish, spentBefore }) => {
      queries.setQueryData(["works", gardenId], answer.works);
      push(async () => {
        const hours = wish.hours == null ? null : spentBefore;
        const { works } = await worksApi.tick(gardenId, { step: wish.step, done: !wish.done, hours });
        return worksApi.save(gardenId, { revision: works.revision, words: before ?? works.words });
      });
      followed(queries, gardenId, answer.bed != null);
    },
  });
  const saved = useMutation({
    ...inTurn,
    mutationFn: async (edit: Edit) => {
      const now = latest();
      return { answer: await saveEdit(gardenId, now, edit), before: now.words };
    },
    onSuccess: ({ answer, before }) => {
      queries.setQueryData(["works", gardenId], answer);
      push(async () => {
        const { revision } = await worksApi.words(gardenId);
        return worksApi.save(gardenId, { revision, words: before });
      });
      followed(queries, gardenId, false);
    },
  });
  const undone = useMutation({
    ...inTurn,
    mutationFn: async () => {
      const mine = undos.get(gardenId) ?? [];
      await mine[mine.length - 1]?.();
      undos.set(gardenId, mine.slice(0, -1));
    },
    onSuccess: async () => {
      await queries.invalidateQueries({ queryKey: ["works", gardenId] });
      followed(queries, gardenId, true);
    },
  });
  const error = ticked.error ?? saved.error ?? undone.error;
  return {
    words: kept.words,
    ticking: ticked.isPending ? ticked.variables.wish : null,
    tick: (wish, spentBefore = 0) => {
      const tick = { gardenId, wish, spentBefore };
      keepTick(tick);
      ticked.mutate(tick);
    },
    change: (edit) => saved.mutate(edit),
    undo: () => undone.mutate(),
    canUndo: (undos.get(gardenId)?.length ?? 0) > 0,
    problem: error ? saidOf(error) : null,
  };
}

/** Save an edit of what is kept; where it was changed elsewhere meanwhile, the same edit of that. */
async function saveEdit(gardenId: number, now: WorksKept, edit: Edit): Promise<WorksKept> {
  try {
    return await worksApi.save(gardenId, { revision: now.revision, words: edit(now.words) });
  } catch (error) {
    if (!(error instanceof Refused) || error.problem.status !== STALE) throw error;
    const newer = await worksApi.words(gardenId);
    return worksApi.save(gardenId, { revision: newer.revision, words: edit(newer.words) });
  }
}

/** What else follows a step: the days, and where its bed's state moved the bed and the haul too. */
function followed(queries: QueryClient, gardenId: number, withBed: boolean): void {
  if (withBed) void queries.invalidateQueries({ queryKey: ["garden", gardenId] });
  void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
}

/** The steps in order; ticks on their way are shown at once, whatever arrives meanwhile. */
export function useWorksFigures(gardenId: number) {
  const onTheirWay = useMutationState({
    filters: { mutationKey: TICK, status: "pending" },
    select: ({ state }) => state.variables as Ticking,
  });
  return useQuery({
    queryKey: ["figure", gardenId, "works"],
    queryFn: () => worksApi.figures(gardenId),
    select: (figures) => onTheirWay.filter((tick) => tick.gardenId === gardenId).reduce(withTick, figures),
  });
}

export function useWorksWords(gardenId: number) {
  return useQuery({ queryKey: ["works", gardenId], queryFn: () => worksApi.words(gardenId) });
}
