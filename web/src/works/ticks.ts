import type { QueryClient } from "@tanstack/react-query";
import { Refused } from "../api/client";
import { worksApi, type StepTick, type WorksFigures, type WorksKept } from "./worksApi";

export const TICK = ["tick a step"] as const;

/** A tick on its way. spentBefore: hours that its step had taken before. */
export type Ticking = { gardenId: number; wish: StepTick; spentBefore: number };

const STORED = "nolbet.works.ticks";

/** Ticks that haven't arrived yet, as this browser keeps them. */
export function waitingTicks(): readonly Ticking[] {
  try {
    return JSON.parse(localStorage.getItem(STORED) ?? "[]") as Ticking[];
  } catch {
    return [];
  }
}

function store(ticks: readonly Ticking[]): void {
  try {
    localStorage.setItem(STORED, JSON.stringify(ticks));
  } catch {
    // full or forbidden: it is on its way as long as the page is open
  }
}

const isSame = (one: Ticking, other: Ticking) => JSON.stringify(one) === JSON.stringify(other);

/** Keep a tick until it arrived, also when the page is closed. */
export function keepTick(tick: Ticking): void {
  store([...waitingTicks().filter((each) => !isSame(each, tick)), tick]);
}

/** Forget all that waits, as when another gardener is to sign in. */
export function forgetTicks(): void {
  localStorage.removeItem(STORED);
}

/**
 * How a tick goes out, whichever page sends it: again and again until the server had it, one after the other. A step
 * that is ticked twice is ticked once.
 */
export function tickDefaults(queries: QueryClient): void {
  queries.setMutationDefaults([...TICK], {
    scope: { id: "ticks" },
    retry: (_failures, error) => !(error instanceof Refused),
    mutationFn: async (tick: Ticking) => {
      const before = queries.getQueryData<WorksKept>(["works", tick.gardenId])?.words;
      const answer = await worksApi.tick(tick.gardenId, tick.wish).catch((error: unknown) => {
        if (error instanceof Refused) arrived(tick);
        throw error;
      });
      arrived(tick);
      queries.setQueryData(["works", tick.gardenId], answer.works);
      // until the days are worked out anew
      queries.setQueryData<WorksFigures>(
        ["figure", tick.gardenId, "works"],
        (figures) => figures && withTick(figures, tick),
      );
      return { answer, before };
    },
  });
}

/** The steps with a tick made, their days as they were. */
export function withTick(figures: WorksFigures, { wish }: Ticking): WorksFigures {
  return {
    ...figures,
    steps: figures.steps.map((step) =>
      step.key === wish.step
        ? { ...step, done: wish.done && wish.passed !== false, passed: wish.passed ?? step.passed }
        : step,
    ),
  };
}

function arrived(tick: Ticking): void {
  store(waitingTicks().filter((each) => !isSame(each, tick)));
}

/** Send what an earlier page couldn't, the first first. */
export function sendWaitingTicks(queries: QueryClient): void {
  for (const tick of waitingTicks()) {
    const mutation = queries.getMutationCache().build(queries, { mutationKey: [...TICK] });
    void mutation.execute(tick).then(
      () => queries.invalidateQueries({ queryKey: ["figure", tick.gardenId] }),
      () => undefined,
    );
  }
}
