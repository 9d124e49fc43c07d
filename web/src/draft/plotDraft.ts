import type { QueryClient } from "@tanstack/react-query";
import { api, type KeptGarden, type Place, type Plot, type PlotFigures, type Problem } from "../api/client";
import { Asker } from "./Asker";
import type { BedDraft } from "./bedDraft";
import { Draft, type SaveState } from "./Draft";
import { partHistory } from "./partHistory";

export type PlotState = {
  plot: Plot;
  /** Places of beds that were moved since the garden was loaded. */
  places: Readonly<Record<string, Place[]>>;
  figures: PlotFigures | null;
  problem: string | null;
  /** How the plot and the beds moved on it are kept: the least kept of them counts. */
  save: SaveState<Plot>;
};

/** What undo takes back: a change of the ground, or a bed's move, which is a step of the bed's own too. */
type Step = "ground" | { key: string; bed: BedDraft };
type Asked = { plot: Plot; places: PlotState["places"] };

function isPlot(found: unknown): found is Plot {
  return typeof found === "object" && found !== null && Array.isArray((found as Partial<Plot>).corners_m);
}

/** The plot while it is worked on: its ground as a draft, and the figures that follow it. Beds keep their own places. */
export class PlotDraft {
  private readonly draft: Draft<Plot>;
  private readonly figuring: Asker<Asked, PlotFigures>;
  private readonly listeners = new Set<() => void>();
  private readonly beds = new Map<BedDraft, () => void>();
  private past: Step[] = [];
  private future: Step[] = [];
  private state: PlotState;

  constructor(garden: KeptGarden, plot: Plot, queries: QueryClient, onKept: (garden: KeptGarden) => void) {
    const { id, plot_revision: revision } = garden;
    this.draft = new Draft<Plot>(queries, {
      name: `${id}/plot`,
      kept: { document: plot, revision, saved_at: null },
      isDocument: isPlot,
      send: async ({ document, revision: from, restores }) => {
        const saved = await api.savePlot(id, from, document, restores);
        onKept(saved);
        return { document: saved.garden.plot ?? document, revision: saved.plot_revision, saved_at: null };
      },
      currentOf: () => plotNow(id),
      lookBack: () => partHistory<Plot>(id, "plot", "plot"),
      onKept: () => undefined,
    });
    this.figuring = new Asker((asked, signal) => api.figurePlot(id, asked, signal), {
      answered: (figures) => this.update({ figures, problem: null }),
      refused: (problem: Problem) => this.update({ problem: problem.detail }),
      reached: () => undefined,
    });
    const { document, save } = this.draft.snapshot();
    this.state = { plot: document, places: {}, figures: null, problem: null, save };
    this.draft.subscribe(() => this.follow());
    this.ask();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): PlotState => this.state;

  /** Take a plot kept elsewhere meanwhile, unless something here is not saved yet. */
  adopt(plot: Plot, revision: number): void {
    this.draft.adopt({ document: plot, revision, saved_at: null });
  }

  /** Change the ground, its things, courses or levels. */
  edit(change: (plot: Plot) => Plot): void {
    const before = this.draft.snapshot().document;
    this.draft.edit(change);
    if (this.draft.snapshot().document !== before) this.did("ground");
  }

  /** Remember that a bed was moved, so that undo finds it, and follow how it is saved. */
  didMove(key: string, bed: BedDraft): void {
    this.did({ key, bed });
    if (!this.beds.has(bed))
      this.beds.set(
        bed,
        bed.subscribe(() => this.followPlaces(key, bed)),
      );
  }

  /** Where a bed and those alike lie now; the bed itself is saved by its own draft. */
  move(key: string, places: Place[]): void {
    this.update({ places: { ...this.state.places, [key]: places } });
    this.ask();
  }

  undo(): void {
    const step = this.past.pop();
    if (step) this.future.push(step);
    if (step && step !== "ground") return this.followBed(step, () => step.bed.undo());
    this.draft.undo();
  }

  redo(): void {
    const step = this.future.pop();
    if (step) this.past.push(step);
    if (step && step !== "ground") return this.followBed(step, () => step.bed.redo());
    this.draft.redo();
  }

  settle(keep: "mine" | "theirs"): void {
    this.draft.settle(keep);
  }

  /** Work the figures out again, for instance when a bed was changed elsewhere. */
  refresh(): void {
    this.ask();
  }

  dispose(): void {
    this.draft.dispose();
    this.stop();
  }

  forget(): void {
    this.draft.forget();
    this.stop();
  }

  private stop(): void {
    this.figuring.dispose();
    for (const unfollow of this.beds.values()) unfollow();
    this.listeners.clear();
  }

  private did(step: Step): void {
    this.past.push(step);
    this.future = [];
  }

  private followBed({ key, bed }: Exclude<Step, "ground">, move: () => void): void {
    move();
    this.move(key, bed.snapshot().bed.places ?? []);
  }

  /** A bed that was moved here may be moved on, or back, by its own steps elsewhere. */
  private followPlaces(key: string, bed: BedDraft): void {
    const places = bed.snapshot().bed.places ?? [];
    if (this.state.places[key] === undefined || this.state.places[key] === places) this.update({});
    else this.move(key, places);
  }

  private follow(): void {
    const { document: plot } = this.draft.snapshot();
    const changed = plot !== this.state.plot;
    this.update({ plot });
    if (changed) this.ask();
  }

  private ask(): void {
    const { plot, places } = this.state;
    this.figuring.want({ plot, places });
  }

  private together(): SaveState<Plot> {
    const own = this.draft.snapshot().save;
    if (own.state === "stale" || own.state === "refused") return own;
    const states = [own.state, ...[...this.beds.keys()].map((bed) => bed.snapshot().save.state)];
    const open = (["offline", "unsaved", "saving"] as const).find((each) => states.includes(each));
    return open ? { state: open } : own;
  }

  private update(change: Partial<PlotState>): void {
    this.state = { ...this.state, ...change, save: this.together() };
    for (const listener of this.listeners) listener();
  }
}

async function plotNow(gardenId: number) {
  const { garden, plot_revision: revision } = await api.garden(gardenId);
  return garden.plot ? { document: garden.plot, revision, saved_at: null } : null;
}
