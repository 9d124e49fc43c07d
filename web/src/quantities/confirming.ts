import { useEffect } from "react";
import { api, Refused, type Meaning } from "../api/client";
import { useTell } from "../kit/Tell";

export type Question = Parameters<typeof api.read>[0];
/** A measure that was understood here without a connection, and is asked of the core once the line is back. */
type Taken = { question: Question; meaning: Meaning };

const STORED = "nolbet.read.here";

function stored(): Taken[] {
  try {
    return JSON.parse(localStorage.getItem(STORED) ?? "[]") as Taken[];
  } catch {
    return [];
  }
}

function store(taken: readonly Taken[]): void {
  try {
    localStorage.setItem(STORED, JSON.stringify(taken));
  } catch {
    // full or forbidden: it was understood by the core's own rules all the same
  }
}

/** What a text is understood as by the page's own reader; null where even that can't be had. */
export async function readWithoutConnection(question: Question) {
  const reader = await import("./reader/read").catch(() => null);
  if (!reader) return null;
  const { typed, limit, dimensions = false, units, currency = "USD", contents = "media" } = question;
  const { density_kg_m3 = null, handful_kg = null } = question;
  const context = { units, currency, contents, density_kg_m3, handful_kg };
  return reader.readHere(typed, limit, dimensions, context);
}

/** Have the core say later what was taken as understood now. */
export function confirmLater(question: Question, meaning: Meaning): void {
  store([...stored(), { question, meaning }]);
}

export function forgetConfirming(): void {
  localStorage.removeItem(STORED);
}

/** Ask the core for all that was understood without a connection, and tell of what it understands otherwise. */
async function confirmed(tell: (message: string) => void): Promise<void> {
  for (;;) {
    const [next] = stored();
    if (!next) return;
    const { question, meaning } = next;
    const answer = await api
      .read(question)
      .catch((error: unknown) =>
        error instanceof Refused && error.problem.status === 422 ? null : undefined,
      );
    if (answer === undefined) return; // not now
    store(stored().slice(1));
    const alike = answer?.meanings.some(
      ({ values }) => JSON.stringify(values) === JSON.stringify(meaning.values),
    );
    if (!alike)
      tell(
        `“${question.typed}” was taken as ${meaning.shown} without a connection, and is read otherwise now: type it again.`,
      );
  }
}

/** Has the core confirm what was understood without it, whenever there is a connection. */
export function useConfirming(): void {
  const tell = useTell();
  useEffect(() => {
    const ask = () => void confirmed(tell);
    ask();
    window.addEventListener("online", ask);
    return () => window.removeEventListener("online", ask);
  }, [tell]);
}
