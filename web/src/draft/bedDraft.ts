import { replaceEqualDeep, type QueryClient } from "@tanstack/react-query";
import {
  api,
  type Bed,
  type BedFigures,
  type FindingFigures,
  type ForecastFigures,
  type KeptBed,
  type Problem,
  type BoughtAlone,
  type TalliedFigures,
  type Version,
} from "../api/client";
import type { Units } from "../quantities/format";
import { Asker } from "./Asker";
import { Draft, type Kept, type SaveState } from "./Draft";
import { LaterAsker } from "./LaterAsker";
import { carryIds } from "./layerIds";
import { mended } from "./mend";

export type BedSave = SaveState<Bed>;

export type BedState = {
  bed: Bed;
  /** A name for each layer that stays with it while it is moved or changed, so that what is typed on its card does. */
  layerIds: readonly number[];
  figures: BedFigures | null;
  /** The bed that the figures were worked out for; the draft may be ahead of it. */
  figuredBed: Bed;
  buying: BoughtAlone | null;
  /** The coming years of a bed, once they are there. */
  forecast: ForecastFigures | null;
  /** The bed that they were worked out for. */
  forecastBed: Bed | null;
  problem: Problem | null;
  /** Whether the figures can be asked for. */
  reached: boolean;
  save: BedSave;
  canUndo: boolean;
  canRedo: boolean;
};

const BUYING_AFTER_MS = 150;

type Later = { buying: BoughtAlone; forecast: ForecastFigures };
type Waiting = { finding: FindingFigures; then?: (bed: Bed) => void } | { dose: string };

export const keptOf = ({ bed, revision, saved_at }: KeptBed): Kept<Bed> => ({
  document: bed,
  revision,
  saved_at,
});

/** What was figured of a bed with its whole garden, until it is figured anew. */
function figuredBefore(queries: QueryClient, gardenId: number, key: string): BedFigures | null {
  const garden = queries.getQueryData<TalliedFigures>(["figure", gardenId]);
  return garden?.figures.beds.find((bed) => bed.key === key) ?? null;
}

function isBed(found: unknown): found is Bed {
  return Array.isArray((found as Bed | null)?.layers);
}

/** One bed while it is worked on: a draft, and the figures that follow it. */
export class BedDraft {
  private readonly draft: Draft<Bed>;
  private readonly figuring: Asker<Bed, BedFigures>;
  private readonly looking: LaterAsker<Bed, Later>;
  private readonly listeners = new Set<() => void>();
  private state: BedState;
  private units: Units | null = null;
  /** When what the figures rest on was last changed, as it was when they were last asked for. */
  private stamp: string | null = null;
  /** What was pressed while a newer draft was still being judged. */
  private waiting: Waiting | null = null;

  constructor(gardenId: number, kept: KeptBed, queries: QueryClient, onKept: (kept: KeptBed) => void) {
    const { key } = kept;
    this.draft = new Draft<Bed>(queries, {
      name: `${gardenId}/bed/${key}`,
      kept: keptOf(kept),
      isDocument: isBed,
      send: async ({ document, revision, restores }) => {
        const saved = await api.saveBed(gardenId, key, { revision, bed: document, restores });
        onKept(saved);
        return keptOf(saved);
      },
      currentOf: (problem) => Promise.resolve(problem.current ? keptOf(problem.current) : null),
      lookBack: () => lookBack(gardenId, key),
      onKept: () => undefined,
    });
    this.figuring = new Asker((bed, signal) => api.figureBed(gardenId, bed, signal), {
      answered: (figures, bed) => this.figured(figures, bed),
      refused: (problem) => this.update({ problem }),
      reached: (reached) => this.update({ reached }),
    });
    this.looking = new LaterAsker(
      BUYING_AFTER_MS,
      async (bed, signal) => {
        const buying = await api.figureBuying(gardenId, bed, signal);
        this.update({ buying });
        return { buying, forecast: await api.figureForecast(gardenId, bed, signal) };
      },
      { answered: ({ forecast }, bed) => this.foreseen(forecast, bed) },
    );
    const { document: bed, ...rest } = this.draft.snapshot();
    const before = figuredBefore(queries, gardenId, key);
    this.state = {
      bed,
      layerIds: bed.layers.map((_, index) => index),
      figures: before,
      figuredBed: before ? kept.bed : bed,
      buying: null,
      forecast: null,
      forecastBed: null,
      problem: null,
      reached: true,
      ...rest,
    };
    this.draft.subscribe(() => this.follow());
    this.figuring.want(bed);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): BedState => this.state;

  adopt(kept: KeptBed): void {
    this.draft.adopt(keptOf(kept));
  }

  edit(change: (now: Bed) => Bed, gesture: string | null = null): void {
    this.draft.edit(change, gesture);
  }

  endGesture(): void {
    this.draft.endGesture();
  }

  undo(): void {
    this.draft.undo();
  }

  redo(): void {
    this.draft.redo();
  }

  bringBack({ bed, revision }: Version): void {
    this.draft.bringBack(bed, revision);
  }

  settle(keep: "mine" | "theirs"): void {
    this.draft.settle(keep);
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

  /** Say in which units the figures are read: when these change, what is told in words is told again. */
  readIn(units: Units): void {
    const before = this.units;
    this.units = units;
    if (before !== null && before !== units) this.figuring.want(this.state.bed);
  }

  /** Ask for the figures again where what they rest on was changed since: a path on the plot, a material, a pit. */
  refresh(stamp: string): void {
    const before = this.stamp;
    this.stamp = stamp;
    if (before !== null && before !== stamp) this.figuring.want(this.state.bed);
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
    this.looking.dispose();
    this.listeners.clear();
  }

  private follow(): void {
    const { document: bed, ...rest } = this.draft.snapshot();
    const changed = bed !== this.state.bed;
    const layerIds = changed ? carryIds(this.state.bed, this.state.layerIds, bed) : this.state.layerIds;
    this.update({ bed, layerIds, ...rest });
    if (changed) this.figuring.want(bed);
  }

  private figured(answer: BedFigures, bed: Bed): void {
    // what is as it was stays the same object, so that only what changed is drawn anew
    const figures = replaceEqualDeep(this.state.figures, answer);
    this.update({ figures, figuredBed: bed, problem: null });
    this.mendWhatWaits();
    this.looking.want(this.state.bed);
  }

  private foreseen(forecast: ForecastFigures, bed: Bed): void {
    this.update({ forecast, forecastBed: bed });
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
      if (steps?.length) this.edit((now) => mended(now, steps));
      return;
    }
    if (figuredBed !== bed || !figures) return;
    this.waiting = null;
    const { code, layer, message } = waiting.finding;
    const alike = figures.findings.filter((each) => each.code === code && each.layer === layer);
    const mend = (alike.find((each) => each.message === message) ?? alike[0])?.mend;
    if (!mend) return;
    this.edit((now) => mended(now, mend.steps));
    waiting.then?.(this.state.bed);
  }

  private update(change: Partial<BedState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}

async function lookBack(gardenId: number, key: string) {
  const { versions, past, future } = await api.bedHistory(gardenId, key);
  const byRevision = new Map(versions.map((version) => [version.revision, version]));
  const kept = (revisions: readonly number[]) =>
    revisions.flatMap((revision) => {
      const version = byRevision.get(revision);
      return version ? [{ document: version.bed, revision, saved_at: version.saved_at }] : [];
    });
  return { past: kept(past), future: kept(future) };
}
