import type { QueryClient } from "@tanstack/react-query";
import { Refused, type Problem } from "../api/client";
import * as steps from "./history";
import { sameDocument } from "./sameDocument";
import { Saver, type Sent } from "./Saver";
import { isOwn, WaitingPlace, type Waiting } from "./waiting";

/** Something as it is kept: the document, its revision, and when it was saved where that is known. */
export type Kept<T> = { document: T; revision: number; saved_at: string | null };

/** What was kept before and what was undone, the nearest first, with the revision of each. */
export type KeptSteps<T> = { past: readonly Kept<T>[]; future: readonly Kept<T>[] };

export type SaveState<T = unknown> =
  | { state: "saved"; at: string | null }
  | { state: "saving" }
  | { state: "unsaved" }
  | { state: "offline" }
  | { state: "refused"; problem: Problem }
  | { state: "stale"; current: Kept<T> };

export type DraftState<T> = {
  document: T;
  save: SaveState<T>;
  canUndo: boolean;
  canRedo: boolean;
};

/** Where a draft comes from and goes to. */
export type Home<T> = {
  /** Its own name among all drafts; what waits to be saved lies under it in this browser. */
  name: string;
  kept: Kept<T>;
  isDocument: (found: unknown) => found is T;
  send: (sent: Sent<T>) => Promise<Kept<T>>;
  /** What is kept now, out of the problem of a save that came too late. */
  currentOf: (problem: Problem) => Promise<Kept<T> | null>;
  /** What it was before this page was opened; left out where that isn't kept. */
  lookBack?: () => Promise<KeptSteps<T>>;
  /** Told of each save that arrived. */
  onKept: (kept: Kept<T>) => void;
};

const SAVE_AFTER_MS = 500;
/** One and the same for every edit, so that a drag tells it once. */
const UNSAVED = { state: "unsaved" } as const;
const MOST_SENT = 4;

/**
 * A document while it is worked on: its steps back and forth, and its saving by revision. What isn't saved is kept in
 * this browser and taken up again. It outlives the view that shows it, until it is disposed of.
 */
export class Draft<T> {
  private history: steps.History<T>;
  private revision: number;
  private state: DraftState<T>;
  private readonly listeners = new Set<() => void>();
  private readonly place: WaitingPlace<T>;
  private readonly saver: Saver<T, Kept<T>>;
  private readonly home: Home<T>;
  /** Which kept revision a document is, so that bringing it back is told as that. */
  private readonly revisions = new Map<T, number>();
  /** What was sent since a save last arrived, the latest last: should one of them turn out kept, it is our own. */
  private sent: readonly T[] = [];
  private timer = 0;
  private looking = false;
  private looked = false;
  private gone = false;

  constructor(queries: QueryClient, home: Home<T>) {
    const { kept, name } = home;
    this.home = home;
    this.place = new WaitingPlace(name, home.isDocument);
    this.history = steps.begin(kept.document);
    this.revision = kept.revision;
    this.revisions.set(kept.document, kept.revision);
    this.state = {
      document: kept.document,
      save: { state: "saved", at: kept.saved_at },
      canUndo: this.mayLookBack(),
      canRedo: this.mayLookBack(),
    };
    this.saver = new Saver(
      queries,
      name,
      () => this.newest(),
      (sent) => this.send(sent),
      {
        onWay: (held) => this.update({ save: { state: held ? "offline" : "saving" } }),
        kept: (saved) => this.arrived(saved),
        failed: (error) => void this.failed(error),
      },
    );
    this.takeUp(this.place.read());
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): DraftState<T> => this.state;

  /** Change what stands now. Steps of one gesture (a drag) count as one for undo. */
  edit(change: (now: T) => T, gesture: string | null = null): void {
    this.move(steps.step(this.history, change(this.history.present), gesture));
  }

  endGesture(): void {
    this.history = steps.endGesture(this.history);
  }

  undo(): void {
    if (this.history.past.length > 0) this.move(steps.undo(this.history));
    else void this.lookBack().then(() => this.move(steps.undo(this.history)));
  }

  redo(): void {
    if (this.history.future.length > 0) this.move(steps.redo(this.history));
    else void this.lookBack().then(() => this.move(steps.redo(this.history)));
  }

  /** Bring an earlier one back, as a step of its own that can be undone. */
  bringBack(document: T, revision: number): void {
    this.revisions.set(document, revision);
    this.edit(() => document);
  }

  /** Take what was kept elsewhere meanwhile (brought in from a file, say), unless something here is not saved yet. */
  adopt(kept: Kept<T>): void {
    if (kept.revision <= this.revision || this.state.save.state !== "saved") return;
    this.revision = kept.revision;
    if (sameDocument(kept.document, this.history.present)) return;
    this.revisions.set(kept.document, kept.revision);
    this.history = steps.step(this.history, kept.document, null);
    this.show({ state: "saved", at: kept.saved_at });
  }

  /** After a save that came too late: keep this draft over the newer one, or take the newer one (undo brings it back). */
  settle(keep: "mine" | "theirs"): void {
    if (this.state.save.state !== "stale") return;
    const { current } = this.state.save;
    this.revision = current.revision;
    this.update({ save: { state: "unsaved" } });
    if (keep === "theirs") this.edit(() => current.document);
    this.saveIn(0);
  }

  /** Whether all that was drawn is saved. */
  isSaved(): boolean {
    return this.state.save.state === "saved";
  }

  /** Let go: nothing is asked, timed or told any more. What waits stays in this browser. */
  dispose(): void {
    this.gone = true;
    window.clearTimeout(this.timer);
    this.saver.dispose();
    this.listeners.clear();
  }

  /** Let go of it and of what waits: it isn't there any more. */
  forget(): void {
    this.dispose();
    this.place.forget();
  }

  private mayLookBack(): boolean {
    return this.home.lookBack !== undefined && !this.looked && this.home.kept.revision > 1;
  }

  private newest(): Sent<T> {
    const document = this.history.present;
    return { document, revision: this.revision, restores: this.revisions.get(document) };
  }

  private send(sent: Sent<T>): Promise<Kept<T>> {
    this.sent = [...this.sent.filter((each) => each !== sent.document), sent.document].slice(-MOST_SENT);
    this.keep();
    return this.home.send(sent);
  }

  private move(next: steps.History<T>): void {
    const changed = next.present !== this.history.present;
    this.history = next;
    if (!changed) return;
    const stale = this.state.save.state === "stale";
    this.show(stale ? this.state.save : this.saver.isBusy ? this.state.save : UNSAVED);
    this.keep();
    if (!stale) this.saveIn(SAVE_AFTER_MS);
  }

  private show(save: SaveState<T>): void {
    const { past, present, future } = this.history;
    this.update({
      document: present,
      save,
      canUndo: past.length > 0 || this.mayLookBack(),
      canRedo: future.length > 0 || (past.length === 0 && this.mayLookBack()),
    });
  }

  private update(change: Partial<DraftState<T>>): void {
    if (this.gone) return;
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }

  private keep(): void {
    const { document, restores } = this.newest();
    this.place.keep({ revision: this.revision, document, restores, sent: this.sent });
  }

  private saveIn(after_ms: number): void {
    window.clearTimeout(this.timer);
    this.timer = window.setTimeout(() => this.saver.save(), after_ms);
  }

  private arrived(kept: Kept<T>): void {
    const sent = this.sent.at(-1);
    this.revision = kept.revision;
    if (sent !== undefined && !this.revisions.has(sent)) this.revisions.set(sent, kept.revision);
    this.sent = [];
    const all = this.history.present === sent;
    if (all) this.place.forget();
    else this.keep();
    this.home.onKept(kept);
    this.update({ save: all ? { state: "saved", at: kept.saved_at } : { state: "unsaved" } });
    if (!all && !this.gone) this.saveIn(0);
  }

  private async failed(error: Error): Promise<void> {
    if (!(error instanceof Refused)) return this.update({ save: { state: "offline" } });
    const { problem } = error;
    const newest = this.sent.at(-1);
    const current = problem.status === 409 ? await this.home.currentOf(problem) : null;
    if (!current) {
      if (this.history.present !== newest) return this.saveIn(0); // refused was what isn't drawn any more
      return this.update({ save: { state: "refused", problem } });
    }
    // an answer that was lost on its way was still a save
    if (newest !== undefined && sameDocument(current.document, newest)) return this.arrived(current);
    if (!isOwn(this.sent, current.document)) return this.update({ save: { state: "stale", current } });
    this.revision = current.revision;
    this.saveIn(0);
  }

  /** Go on with what this browser kept while it could not be saved. */
  private takeUp(waiting: Waiting<T> | null): void {
    if (!waiting) return;
    const { kept } = this.home;
    // what is kept may itself be from before, as the browser had it: then it says nothing of what waits
    const isNewer = kept.revision >= waiting.revision;
    if (isNewer && sameDocument(waiting.document, kept.document)) return this.place.forget();
    this.revision = isOwn(waiting.sent, kept.document) ? kept.revision : waiting.revision;
    this.sent = waiting.sent;
    // A step of undo or redo has its place in the kept steps already; anything else is a step of its own.
    if (waiting.restores === undefined) this.history = steps.step(this.history, waiting.document, null);
    else {
      this.history = steps.begin(waiting.document);
      this.revisions.set(waiting.document, waiting.restores);
    }
    this.show({ state: "unsaved" });
    this.saveIn(SAVE_AFTER_MS);
  }

  /** Fetch what was drawn before this page was opened, once nothing nearer is left to undo. */
  private async lookBack(): Promise<void> {
    const { lookBack } = this.home;
    if (!lookBack || this.looking || this.looked || this.history.past.length + this.history.future.length > 0)
      return;
    this.looking = true;
    try {
      if (await this.settled()) {
        const { past, future } = await lookBack();
        for (const { document, revision } of [...past, ...future]) this.revisions.set(document, revision);
        this.history = steps.withKept(
          this.history,
          past.map(({ document }) => document).toReversed(),
          future.map(({ document }) => document),
        );
        this.looked = true;
        this.show(this.state.save);
      }
    } catch {
      // No connection: it can be asked for again when there is one.
    }
    this.looking = false;
  }

  /** Wait while a save is under way; whether all is saved then. */
  private settled(): Promise<boolean> {
    return new Promise((resolve) => {
      const look = () => {
        const { state } = this.state.save;
        if (state === "saving" || state === "unsaved") return;
        this.listeners.delete(look);
        resolve(state === "saved");
      };
      this.listeners.add(look);
      look();
    });
  }
}
