import { QueryClient } from "@tanstack/react-query";
import { Refused } from "../src/api/client";
import { Asker } from "../src/draft/Asker";
import { backOff } from "../src/api/backOff";
import { Draft, type Kept } from "../src/draft/Draft";
import { disposeDrafts, draftOf, forgetDraft } from "../src/draft/drafts";
import { LaterAsker } from "../src/draft/LaterAsker";
import { sameDocument } from "../src/draft/sameDocument";

/** What is drawn up in these tests: a list of words. */
type Words = { words: string[] };

type Answer = "keep" | "lose answer" | "break" | "refuse" | "hold";

/** A server that keeps one document by revision, and does with each save as it is told. */
class DeskServer {
  kept: Kept<Words> = { document: { words: ["first"] }, revision: 1, saved_at: "2026-05-01T08:00:00Z" };
  versions: Kept<Words>[] = [this.kept];
  /** Of each save that was asked for, the words and the revision it was made from. */
  asked: { words: string[]; revision: number; restores?: number }[] = [];
  /** What is done with the saves to come, in turn; then they are kept. */
  plan: Answer[] = [];
  private held: (() => void)[] = [];

  save = async ({
    document,
    revision,
    restores,
  }: {
    document: Words;
    revision: number;
    restores?: number;
  }) => {
    this.asked.push({ words: document.words, revision, restores });
    const answer = this.plan.shift() ?? "keep";
    if (answer === "break") throw new TypeError("Failed to fetch");
    if (answer === "refuse") throw new Refused(problem(422, "these words don't go together"));
    if (answer === "hold") await new Promise<void>((resolve) => this.held.push(resolve));
    if (revision !== this.kept.revision) throw new Refused(problem(409, "a newer one is kept"));
    this.put(JSON.parse(JSON.stringify(document)) as Words);
    if (answer === "lose answer") throw new TypeError("Failed to fetch");
    return this.kept;
  };

  /** Let the saves that are held go on. */
  release(): void {
    for (const go of this.held.splice(0)) go();
  }

  /** Keep a document, as another window would. */
  put(document: Words): void {
    const revision = this.kept.revision + 1;
    this.kept = { document, revision, saved_at: "2026-05-01T09:00:00Z" };
    this.versions.push(this.kept);
  }
}

function problem(status: number, detail: string) {
  return { title: "Can't be done", status, detail, errors: [] };
}

const isWords = (found: unknown): found is Words => Array.isArray((found as Words | null)?.words);

/** A draft of what a server keeps, under a name. */
function open(server: DeskServer, name = "desk"): Draft<Words> {
  const queries = new QueryClient();
  queries.mount();
  return new Draft<Words>(queries, {
    name,
    kept: server.kept,
    isDocument: isWords,
    send: server.save,
    currentOf: () => Promise.resolve(server.kept),
    lookBack: () =>
      Promise.resolve({
        past: server.versions.slice(0, -1).toReversed(),
        future: [],
      }),
    onKept: () => undefined,
  });
}

const add = (draft: Draft<Words>, word: string, gesture?: string) =>
  draft.edit((now) => ({ words: [...now.words, word] }), gesture);

const shown = (draft: Draft<Words>) => {
  const { document, save, canUndo, canRedo } = draft.snapshot();
  return { words: document.words, save: save.state, canUndo, canRedo };
};

Object.assign(window, {
  desk: {
    DeskServer,
    open,
    add,
    shown,
    Asker,
    LaterAsker,
    Refused,
    backOff,
    sameDocument,
    draftOf,
    forgetDraft,
    disposeDrafts,
    problem,
  },
});
