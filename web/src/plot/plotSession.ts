import { api, Refused, type Place, type Plot, type PlotFigures } from "../api/client";
import type { BedSession } from "../section/session";
import * as drafts from "./plotDrafts";

export type PlotState = {
  plot: Plot;
  /** Places of beds that were moved since the garden was loaded. */
  places: Readonly<Record<string, Place[]>>;
  figures: PlotFigures | null;
  problem: string | null;
  save: PlotSave;
};

/** How the plot is kept; like a bed, but a stale plot is looked at anew, since there is no draft of it to settle. */
export type PlotSave = { state: "kept" | "saving" | "unsaved" | "offline" | "changed" };

/** What undo takes back: a change of the ground, or a bed's move, which is a step of the bed's own history too. */
type Step = { before: Plot; after: Plot } | { key: string; bed: BedSession };

const SAVE_AFTER_MS = 600;
const RETRY_MS = 3000;

/** The plot while it is worked on: its draft, the figures that follow it, and its saving. Beds keep their own places. */
export class PlotSession {
  private state: PlotState;
  private listeners = new Set<() => void>();
  private saveTimer = 0;
  private asking = false;
  private saving = false;
  private past: Step[] = [];
  private future: Step[] = [];
  private asked: readonly unknown[] = [];
  private beds = new Set<BedSession>();
  private own: PlotSave = { state: "kept" };
  private revision: number;
  private readonly gardenId: number;
  private readonly onKept: (plot: Plot, revision: number) => void;

  constructor(
    gardenId: number,
    plot: Plot,
    revision: number,
    onKept: (plot: Plot, revision: number) => void,
  ) {
    this.gardenId = gardenId;
    this.revision = revision;
    this.onKept = onKept;
    this.state = { plot, places: {}, figures: null, problem: null, save: { state: "kept" } };
    const waiting = drafts.read(gardenId);
    if (waiting?.revision === revision) {
      this.update({ plot: waiting.plot, save: { state: "unsaved" } });
      this.saveSoon(SAVE_AFTER_MS);
    }
    void this.work();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): PlotState => this.state;

  /** Change the ground, its things, courses or levels. */
  edit(change: (plot: Plot) => Plot): void {
    const before = this.state.plot;
    const after = change(before);
    if (after === before) return;
    this.did({ before, after });
    this.draw(after);
  }

  /** Remember that a bed was moved, so that undo finds it. */
  didMove(key: string, bed: BedSession): void {
    this.did({ key, bed });
  }

  undo(): void {
    const step = this.past.pop();
    if (!step) return;
    this.future.push(step);
    if ("bed" in step) this.bringBack(step, () => step.bed.undo());
    else this.draw(step.before);
  }

  redo(): void {
    const step = this.future.pop();
    if (!step) return;
    this.past.push(step);
    if ("bed" in step) this.bringBack(step, () => step.bed.redo());
    else this.draw(step.after);
  }

  private did(step: Step): void {
    this.past.push(step);
    this.future = [];
  }

  private bringBack({ key, bed }: { key: string; bed: BedSession }, move: () => void): void {
    move();
    this.move(key, bed.snapshot().bed.places ?? []);
  }

  private draw(plot: Plot): void {
    this.update({ plot, save: this.own.state === "changed" ? this.own : { state: "unsaved" } });
    drafts.keep(this.gardenId, { revision: this.revision, plot });
    this.saveSoon(SAVE_AFTER_MS);
    void this.work();
  }

  /** Where a bed and those alike lie now; the bed itself is saved by its own session. */
  move(key: string, places: Place[]): void {
    this.update({ places: { ...this.state.places, [key]: places } });
    void this.work();
  }

  /** Tell of a bed's saving too, once it was moved here. */
  followBed(session: BedSession): void {
    if (this.beds.has(session)) return;
    this.beds.add(session);
    session.subscribe(() => this.update({}));
  }

  /** Work the figures out again, for instance when a bed was changed elsewhere. */
  refresh(): void {
    this.asked = [];
    void this.work();
  }

  /** Ask for figures, one request at a time and always for the newest draft. */
  private async work(): Promise<void> {
    if (this.asking) return;
    this.asking = true;
    while (this.asked[0] !== this.state.plot || this.asked[1] !== this.state.places) {
      const { plot, places } = this.state;
      this.asked = [plot, places];
      try {
        const figures = await api.figurePlot(this.gardenId, { plot, places });
        this.update({ figures, problem: null });
      } catch (error) {
        if (error instanceof Refused) this.update({ problem: error.problem.detail });
        else {
          this.asked = [];
          window.setTimeout(() => void this.work(), RETRY_MS);
          break;
        }
      }
    }
    this.asking = false;
  }

  /** How the plot and the beds moved on it are kept: the least kept of them counts. */
  private together(): PlotSave {
    const states = [this.own.state, ...[...this.beds].map((bed) => bed.snapshot().save.state)];
    if (states.includes("stale")) return { state: "changed" };
    const open = (["changed", "offline", "unsaved", "saving"] as const).find((each) => states.includes(each));
    return { state: open ?? "kept" };
  }

  private saveSoon(after_ms: number): void {
    window.clearTimeout(this.saveTimer);
    this.saveTimer = window.setTimeout(() => void this.save(), after_ms);
  }

  private async save(): Promise<void> {
    if (this.saving || this.own.state === "changed") return;
    this.saving = true;
    const { plot } = this.state;
    this.update({ save: { state: "saving" } });
    try {
      const kept = await api.savePlot(this.gardenId, this.revision, plot);
      this.revision = kept.plot_revision;
      if (this.state.plot === plot) drafts.forget(this.gardenId);
      else drafts.keep(this.gardenId, { revision: this.revision, plot: this.state.plot });
      this.onKept(plot, kept.plot_revision);
      this.update({ save: { state: this.state.plot === plot ? "kept" : "unsaved" } });
    } catch (error) {
      this.failed(error, plot);
    }
    this.saving = false;
    if (this.own.state === "unsaved" && this.state.plot !== plot) this.saveSoon(SAVE_AFTER_MS);
  }

  private failed(error: unknown, plot: Plot): void {
    if (!(error instanceof Refused)) {
      this.update({ save: { state: "offline" } });
      window.setTimeout(() => void this.save(), RETRY_MS);
      return;
    }
    const stale = error.problem.status === 409;
    const problem = this.state.plot === plot || stale ? error.problem.detail : this.state.problem;
    this.update({ save: { state: stale ? "changed" : "unsaved" }, problem });
  }

  private update({ save, ...change }: Partial<PlotState>): void {
    if (save) this.own = save;
    this.state = { ...this.state, ...change, save: this.together() };
    for (const listener of this.listeners) listener();
  }
}
