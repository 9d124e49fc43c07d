import type { Schemas } from "../api/client";
import type { WorksWords } from "./worksApi";

type Said = Schemas["StepSaid"];

/** What is said of one step, as it is kept. */
export function saidOfStep(words: WorksWords, step: string): Said | undefined {
  return words.works?.steps?.find((each) => each.step === step);
}

/** The works with something else said of one step; what says nothing any more is left out. */
export function withSaid(words: WorksWords, step: string, change: Partial<Said>): WorksWords {
  const before = saidOfStep(words, step) ?? { step };
  const { step: key, answers = [], ...rest } = { ...before, ...change };
  const others = (words.works?.steps ?? []).filter((each) => each.step !== step);
  const says = answers.length > 0 || Object.values(rest).some((value) => value != null);
  const steps = says ? [...others, { ...rest, answers, step: key }] : others;
  return { ...words, works: { ...words.works, steps } };
}

/** The works with other terms. */
export function withTerms(words: WorksWords, change: Partial<Schemas["Works"]>): WorksWords {
  return { ...words, works: { ...words.works, ...change } };
}
