import {
  api,
  Refused,
  type Bed,
  type BedFigures,
  type FindingFigures,
  type ForecastFigures,
  type KeptBed,
  type Problem,
  type TalliedFigures,
  type Version,
} from "../api/client";
import * as drafts from "./drafts";
import { mended } from "./mend";
import * as history from "./history";
import { carryIds } from "./layerIds";

export type SaveState =
  | { state: "saved"; at: string }
  | { state: "saving" }
  | { state: "unsaved" }
  | { state: "offline" }
  | { state: "stale"; current: KeptBed };

export type BedState = {
  bed: Bed;
  /** A name for each layer that stays with it while it is moved or changed, so that what is typed on its card does. */
  layerIds: readonly number[];
  figures: BedFigures | null;
  /** The bed that the figures were worked out for; the draft may be ahead of it. */
  figuredBed: Bed;
  buying: TalliedFigures | null;
  /** The coming years of a bed, once they are there. */
  forecast: ForecastFigures | null;
  /** The bed that they were worked out for. */
  forecastBed: Bed | null;
  problem: Problem | null;
  save: SaveState;
  canUndo: boolean;
  canRedo: boolean;
};

const SAVE_AFTER_MS = 500;
const BUYING_AFTER_MS = 150;
const RETRY_MS = 3000;

/**
 * One bed while it is worked on: its draft with undo, the figures that follow it, and its saving. It lives as long as
 * the page, so that going to another view and back loses nothing.
 */
export class BedSession {
  private history: history.History;
  private revision: number;
  private state: BedState;
  private listeners = new Set<() => void>();
  private asking: AbortController | null = null;
  private askedFor: Bed | null = null;
  private buyingAsk: AbortController | null = null;
  private buyingTimer = 0;
  private saveTimer = 0;
  private saving = false;
  /** Which kept revision a drawn bed is, so that bringing it back is told as that. */
  private revisions = new WeakMap<Bed, number>();
  private looking = false;
  /** What was pressed while a newer draft was still being judged. */
  private waiting: { finding: FindingFigures; then?: (bed: Bed) => void } | { dose: string } | null = null;

  private readonly gardenId: number;
  private readonly key: string;
  private readonly onKept: (kept: KeptBed) => void;

  constructor(gardenId: number, kept: KeptBed, onKept: (kept: KeptBed) => void) {
    this.gardenId = gardenId;
    this.key = kept.key;
    this.onKept = onKept;
    this.history = history.begin(kept.bed);
    this.revision = kept.revision;
    this.revisions.set(kept.bed, kept.revision);
    this.state = {
      bed: kept.bed,
      layerIds: kept.bed.layers.map((_, index) => index),
      figures: null,
      figuredBed: kept.bed,
      buying: null,
      forecast: null,
      forecastBed: null,
      problem: null,
      save: { state: "saved", at: kept.saved_at },
      canUndo: kept.revision > 1,
      canRedo: false,
    };
    const waiting = drafts.read(gardenId, kept.key);
    if (waiting) this.takeUp(waiting);
    void this.work();
    window.addEventListener("online", () => void this.resume());
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): BedState => this.state;

  /** Take what was kept elsewhere meanwhile (brought in from a file, say), unless something here is not saved yet. */
  adopt(kept: KeptBed): void {
    if (kept.revision <= this.revision || this.state.save.state !== "saved") return;
    this.revision = kept.revision;
    this.revisions.set(kept.bed, kept.revision);
    this.history = history.step(this.history, kept.bed, null);
    this.update({
      bed: kept.bed,
      layerIds: carryIds(this.state.bed, this.state.layerIds, kept.bed),
      save: { state: "saved", at: kept.saved_at },
      canUndo: true,
      canRedo: false,
    });
    void this.work();
  }

  /** Take a changed bed as the draft. Steps of one gesture (a drag) count as one for undo. */
  edit(bed: Bed, gesture: string | null = null): void {
    this.move(history.step(this.history, bed, gesture));
  }

  /** Mend a finding as the newest draft is judged: pressed while that is still under way, it waits for it. */
  mend(finding: FindingFigures, then?: (bed: Bed) => void): void {
    this.waiting = { finding, then };
    this.mendWhatWaits();
  }

  /** Scatter the dose of a meal (its material) that the newest draft asks for. */
  scatter(dose: string): void {
    this.waiting = { dose };
    this.mendWhatWaits();
  }

  /** A mend's steps are for the bed that was judged, and are taken on no other. */
  private mendWhatWaits(): void {
    const { bed, figuredBed, figures, forecastBed, forecast } = this.state;
    const { waiting } = this;
    if (waiting === null) return;
    if ("dose" in waiting) {
      if (forecastBed !== bed) return;
      this.waiting = null;
      const steps = forecast?.doses.find(({ material }) => material === waiting.dose)?.steps;
      if (steps?.length) this.edit(mended(bed, steps));
      return;
    }
    if (figuredBed !== bed || !figures) return;
    this.waiting = null;
    const { code, layer, message } = waiting.finding;
    const alike = figures.findings.filter((each) => each.code === code && each.layer === layer);
    const mend = (alike.find((each) => each.message === message) ?? alike[0])?.mend;
    if (!mend) return;
    this.edit(mended(bed, mend.steps));
    waiting.then?.(this.state.bed);
  }

  endGesture(): void {
    this.history = history.endGesture(this.history);
  }

  undo(): void {
    if (this.history.past.length > 0) this.move(history.undo(this.history));
    else void this.lookBack().then(() => this.move(history.undo(this.history)));
  }

  redo(): void {
    if (this.history.future.length > 0) this.move(history.redo(this.history));
    else void this.lookBack().then(() => this.move(history.redo(this.history)));
  }

  /** Bring a version from the history back, as a step of its own that can be undone. */
  bringBack(version: Version): void {
    this.revisions.set(version.bed, version.revision);
    this.edit(version.bed);
  }

  /** Fetch what was drawn before this page was opened, once nothing nearer is left to undo. */
  private async lookBack(): Promise<void> {
    if (this.looking || this.history.past.length > 0 || this.history.future.length > 0) return;
    this.looking = true;
    if (!(await this.settled())) {
      this.looking = false;
      return;
    }
    try {
      const { versions, past, future } = await api.bedHistory(this.gardenId, this.key);
      const byRevision = new Map(versions.map((version) => [version.revision, version.bed]));
      const bedsOf = (revisions: readonly number[]) =>
        revisions.flatMap((revision) => {
          const bed = byRevision.get(revision);
          if (bed) this.revisions.set(bed, revision);
          return bed ? [bed] : [];
        });
      this.history = history.withKept(this.history, bedsOf(past).toReversed(), bedsOf(future));
      this.update({ canUndo: this.history.past.length > 0, canRedo: this.history.future.length > 0 });
    } catch {
      // The line is down: undo can be asked for again when it is back.
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

  /** Go on with a draft that this browser kept while it could not be saved. */
  private takeUp(draft: drafts.Draft): void {
    this.revision = draft.revision;
    // A step of undo or redo has its place in the kept history already; anything else is a step of its own.
    if (draft.restores === undefined) this.history = history.step(this.history, draft.bed, null);
    else {
      this.history = history.begin(draft.bed);
      this.revisions.set(draft.bed, draft.restores);
    }
    this.state = {
      ...this.state,
      bed: draft.bed,
      layerIds: draft.bed.layers.map((_, index) => index),
      canUndo: true,
      save: { state: "unsaved" },
    };
    this.saveSoon(SAVE_AFTER_MS);
  }

  private forgetDraft(saved: Bed): void {
    if (this.state.bed === saved) drafts.forget(this.gardenId, this.key);
    else this.keepDraft();
  }

  private keepDraft(): void {
    const { bed } = this.state;
    drafts.keep(this.gardenId, this.key, { revision: this.revision, bed, restores: this.revisions.get(bed) });
  }

  /** After a stale save: keep this draft over the newer one, or take the newer one (undo brings the draft back). */
  settle(keep: "mine" | "theirs"): void {
    if (this.state.save.state !== "stale") return;
    const { current } = this.state.save;
    this.revision = current.revision;
    this.update({ save: { state: "unsaved" } });
    if (keep === "theirs") this.edit(current.bed);
    this.saveSoon(0);
  }

  /** Work the figures out again, for instance when the garden's units changed. */
  refresh(): void {
    this.askedFor = null;
    void this.work();
  }

  private move(next: history.History): void {
    if (next.present === this.history.present) {
      this.history = next;
      return;
    }
    this.history = next;
    const stale = this.state.save.state === "stale";
    this.update({
      bed: next.present,
      layerIds: carryIds(this.state.bed, this.state.layerIds, next.present),
      canUndo: next.past.length > 0 || this.revision > 1,
      canRedo: next.future.length > 0,
      ...(stale ? {} : { save: { state: "unsaved" } as const }),
    });
    this.keepDraft();
    void this.work();
    this.saveSoon(SAVE_AFTER_MS);
  }

  private update(change: Partial<BedState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }

  /** Ask for figures, one request at a time: what is drawn meanwhile is asked for when it is back, the newest alone. */
  private async work(): Promise<void> {
    if (this.asking) return;
    while (this.askedFor !== this.state.bed) {
      const bed = this.state.bed;
      this.askedFor = bed;
      this.asking = new AbortController();
      try {
        const figures = await api.figureBed(this.gardenId, bed, this.asking.signal);
        this.update({ figures, figuredBed: bed, problem: null });
        this.mendWhatWaits();
        this.buySoon();
      } catch (error) {
        if (error instanceof Refused) this.update({ problem: error.problem });
        else {
          this.update({ save: { state: "offline" } });
          this.askedFor = null;
          this.asking = null;
          window.setTimeout(() => void this.resume(), RETRY_MS);
          return;
        }
      }
      this.asking = null;
    }
  }

  private async resume(): Promise<void> {
    await this.work();
    if (this.state.save.state === "offline") this.saveSoon(0);
  }

  private buySoon(): void {
    window.clearTimeout(this.buyingTimer);
    this.buyingAsk?.abort();
    this.buyingTimer = window.setTimeout(() => {
      const asked = new AbortController();
      this.buyingAsk = asked;
      const { bed } = this.state;
      api
        .figureBuying(this.gardenId, bed, asked.signal)
        .then((buying) => {
          this.update({ buying });
          return api.figureForecast(this.gardenId, bed, asked.signal);
        })
        .then(
          (forecast) => {
            this.update({ forecast, forecastBed: bed });
            this.mendWhatWaits();
          },
          () => undefined, // aborted by a newer draft, or the line is down, which the figures tell already
        );
    }, BUYING_AFTER_MS);
  }

  private saveSoon(after_ms: number): void {
    window.clearTimeout(this.saveTimer);
    this.saveTimer = window.setTimeout(() => void this.save(), after_ms);
  }

  private async save(): Promise<void> {
    if (this.saving || this.state.save.state === "stale") return;
    this.saving = true;
    const bed = this.state.bed;
    this.update({ save: { state: "saving" } });
    try {
      const restores = this.revisions.get(bed);
      const kept = await api.saveBed(this.gardenId, this.key, { revision: this.revision, bed, restores });
      this.revision = kept.revision;
      if (restores === undefined) this.revisions.set(bed, kept.revision);
      this.forgetDraft(bed);
      this.onKept(kept);
      this.update({
        save: this.state.bed === bed ? { state: "saved", at: kept.saved_at } : { state: "unsaved" },
      });
    } catch (error) {
      this.failed(error);
    }
    this.saving = false;
    if (this.state.save.state === "unsaved" && !this.state.problem) this.saveSoon(SAVE_AFTER_MS);
  }

  private failed(error: unknown): void {
    if (!(error instanceof Refused)) {
      this.update({ save: { state: "offline" } });
      window.setTimeout(() => void this.resume(), RETRY_MS);
      return;
    }
    const { problem } = error;
    if (problem.status === 409 && problem.current)
      this.update({ save: { state: "stale", current: problem.current } });
    else this.update({ save: { state: "unsaved" }, problem });
  }
}
