import { sameDocument } from "./sameDocument";

/** What is drawn and not saved yet, kept in this browser until it is. */
export type Waiting<T> = {
  /** The kept revision that it was drawn from. */
  revision: number;
  document: T;
  /** The kept revision that it brings back, where it came by undo or redo. */
  restores?: number;
  /** What was on its way when this was kept: should one of them turn out to be kept, it was this browser's own. */
  sent: readonly T[];
};

const PLACE = "nolbet.draft.";

/** Names of what waits in this browser, among those that start so. */
export function waitingNames(start: string): string[] {
  try {
    return Object.keys(localStorage)
      .filter((name) => name.startsWith(PLACE + start))
      .map((name) => name.slice(PLACE.length));
  } catch {
    return [];
  }
}

/** Forget all that waits in this browser. */
export function forgetWaiting(): void {
  for (const name of waitingNames("")) localStorage.removeItem(PLACE + name);
}

/** Where a draft waits, by name. What is read back is checked by `isDocument`, since anything may lie there. */
export class WaitingPlace<T> {
  private readonly name: string;
  private readonly isDocument: (found: unknown) => found is T;

  constructor(name: string, isDocument: (found: unknown) => found is T) {
    this.name = PLACE + name;
    this.isDocument = isDocument;
  }

  keep(waiting: Waiting<T>): void {
    try {
      localStorage.setItem(this.name, JSON.stringify(waiting));
    } catch {
      // The browser keeps nothing: the draft lives as long as the page.
    }
  }

  read(): Waiting<T> | null {
    try {
      const found = JSON.parse(localStorage.getItem(this.name) ?? "null") as Waiting<unknown> | null;
      if (!found || typeof found.revision !== "number" || !this.isDocument(found.document)) return null;
      const { revision, document, restores, sent } = found;
      return { revision, document, restores, sent: Array.isArray(sent) ? sent.filter(this.isDocument) : [] };
    } catch {
      return null;
    }
  }

  forget(): void {
    try {
      localStorage.removeItem(this.name);
    } catch {
      // no storage: nothing to forget
    }
  }
}

/** Whether what is kept now is something that this browser sent and never heard of again. */
export function isOwn<T>(sent: readonly T[], kept: T): boolean {
  return sent.some((each) => sameDocument(each, kept));
}
