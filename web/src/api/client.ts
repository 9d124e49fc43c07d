import createClient from "openapi-fetch";
import type { components, paths } from "./generated";

export type Schemas = components["schemas"];

export type Bed = Schemas["Bed"];
export type Shape = Bed["shape"];
export type ShapeKind = Shape["kind"];
export type Place = Schemas["Place"];
export type Plot = Schemas["Plot"];
export type Fixed = Schemas["Fixed"];
export type PlotFigures = Schemas["PlotFigures"];
export type RoomFigures = Schemas["RoomFigures"];
export type DraftPlot = Schemas["DraftPlot"];
export type Layer = Schemas["Layer"];
export type BedFigures = Schemas["BedFigures"];
export type LayerFigures = Schemas["LayerFigures"];
export type ForecastFigures = Schemas["ForecastFigures"];
export type SpringFigures = Schemas["SpringFigures"];
export type DoseFigures = Schemas["DoseFigures"];
export type SunkenFigures = Schemas["SunkenFigures"];
export type VersionFigures = Schemas["VersionFigures"];
export type SchoolFigures = Schemas["SchoolFigures"];
export type Reservoir = NonNullable<Bed["reservoir"]>;
export type ReservoirFigures = Schemas["ReservoirFigures"];
export type SetAside = Schemas["SetAside"];
export type School = NonNullable<Bed["school"]>;
export type FindingFigures = Schemas["FindingFigures"];
export type Figures = Schemas["Figures"];
export type TalliedFigures = Schemas["TalliedFigures"];
export type BoughtAlone = Schemas["BoughtAlone"];
export type HaulFigures = Schemas["HaulFigures"];
export type HaulLine = Schemas["HaulLine"];
export type HaulLooked = Schemas["HaulLooked"];
export type Purchase = Schemas["Purchase"];
export type FixedLine = Schemas["FixedLine"];
export type NeedFigures = Schemas["NeedFigures"];
export type KeptBed = Schemas["KeptBed"];
export type KeptGarden = Schemas["KeptGarden"];
export type Material = Schemas["MaterialOut"];
export type Sources = Schemas["Sources"];
export type KeptSources = Schemas["KeptSources"];
export type PartKind = "plot" | "mix" | "sources";
export type Supplier = Schemas["PlanSupplier"];
export type Offer = NonNullable<Supplier["offers"]>[number];
export type Stock = Schemas["Stock"];
export type OwnMaterial = Schemas["OwnMaterial"];
export type Spread = Schemas["SpreadFigures"];
export type Trouble = Schemas["TroubleOut"];
export type GardenHead = Schemas["GardenHead"];
export type PlanGarden = Schemas["Garden"];
export type History = Schemas["History"];
export type Version = Schemas["Version"];
export type BinnedBed = Schemas["BinnedBed"];
export type PlanReview = Schemas["PlanReview"];
export type Account = Schemas["Account"];
export type Reading = Schemas["ReadingOut"];
export type Meaning = Schemas["MeaningOut"];
export type LimitName = Schemas["Typed"]["limit"];

/** What the server said was wrong, in its one form (RFC 9457). */
export type Problem = {
  title: string;
  status: number;
  detail: string;
  errors: { path: string; message: string }[];
  current?: KeptBed;
};

/** A request that the server answered with a problem. */
export class Refused extends Error {
  readonly problem: Problem;

  constructor(problem: Problem) {
    super(problem.detail);
    this.problem = problem;
  }
}

function token(): string {
  return /(?:^|; )nolbet_csrf=([^;]*)/.exec(document.cookie)?.[1] ?? "";
}

export const client = createClient<paths>({ baseUrl: "/" });
client.use({
  onRequest({ request }) {
    if (request.method !== "GET") request.headers.set("X-CSRFToken", token());
    return request;
  },
});

/** What to tell a gardener of an error: what the server said, or that the line is down. */
export function saidOf(error: unknown): string {
  if (error instanceof Refused) return error.problem.detail;
  return "No connection: nothing was changed. Try again.";
}

/** The answer's data, or Refused with the problem. A broken line is the fetch's own TypeError. */
export function unwrap<T>(answer: { data?: T; error?: unknown; response: Response }): T {
  if (answer.data !== undefined) return answer.data;
  const said = answer.error as Partial<Problem> | undefined;
  throw new Refused({
    title: said?.title ?? "Can't be done",
    status: answer.response.status,
    detail: said?.detail ?? `The server answered ${answer.response.status}.`,
    errors: said?.errors ?? [],
    current: said?.current,
  });
}

/** As unwrap, for what holds points: the library takes their pairs for lists of any length. */
export function figured<T>(answer: { data?: unknown; error?: unknown; response: Response }): T {
  return unwrap({ ...answer, data: answer.data as T | undefined });
}

/** As unwrap, for answers without a body. */
export function done(answer: { error?: unknown; response: Response }): void {
  if (!answer.response.ok) unwrap({ ...answer, data: undefined });
}

const MOST_TRIES = 3;

export const api = {
  gardens: async () => unwrap(await client.GET("/api/gardens")),

  garden: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}", { params: { path: { garden_id } } })),

  shelf: async (garden_id: number, words = "", signal?: AbortSignal) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/shelf", {
        params: { path: { garden_id }, query: { words } },
        signal,
      }),
    ),

  materialFigures: async (garden_id: number, key: string) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/shelf/{key}", { params: { path: { garden_id, key } } }),
    ),

  changeUnits: async (garden_id: number, units: "ft_in" | "metric") =>
    unwrap(
      await client.PUT("/api/gardens/{garden_id}/units", {
        params: { path: { garden_id } },
        body: { units },
      }),
    ),

  createBed: async (garden_id: number, bed: Bed) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/beds", { params: { path: { garden_id } }, body: { bed } }),
    ),

  saveBed: async (garden_id: number, key: string, body: Schemas["ChangedBed"]) =>
    unwrap(
      await client.PUT("/api/gardens/{garden_id}/beds/{key}", { params: { path: { garden_id, key } }, body }),
    ),

  emptyBed: async (garden_id: number, key: string, body: Schemas["EmptyBed"]) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/beds/{key}/empty", {
        params: { path: { garden_id, key } },
        body,
      }),
    ),

  bedHistory: async (garden_id: number, key: string, page: { before?: number; most?: number } = {}) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/beds/{key}/history", {
        params: { path: { garden_id, key }, query: page },
      }),
    ),

  deleteBed: async (garden_id: number, key: string) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/beds/{key}", { params: { path: { garden_id, key } } }),
    ),

  bin: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/bin", { params: { path: { garden_id } } })),

  takeBedBack: async (garden_id: number, key: string) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/beds/{key}/take-back", {
        params: { path: { garden_id, key } },
      }),
    ),

  createGarden: async (garden: PlanGarden) => unwrap(await client.POST("/api/gardens", { body: { garden } })),

  /** Change something of a garden's head as it is kept; changed elsewhere in between, it is changed once more. */
  changeGarden: async (
    garden_id: number,
    change: (head: PlanGarden) => PlanGarden,
    tries = MOST_TRIES,
  ): Promise<KeptGarden> => {
    const { garden, head_revision: revision } = await api.garden(garden_id);
    const answer = await client.PUT("/api/gardens/{garden_id}", {
      params: { path: { garden_id } },
      body: { revision, garden: change(garden) },
    });
    if (answer.response.status === 409 && tries > 1) return api.changeGarden(garden_id, change, tries - 1);
    return unwrap(answer);
  },

  copyGarden: async (garden_id: number) =>
    unwrap(await client.POST("/api/gardens/{garden_id}/copy", { params: { path: { garden_id } } })),

  deleteGarden: async (garden_id: number) =>
    done(await client.DELETE("/api/gardens/{garden_id}", { params: { path: { garden_id } } })),

  takeGardenBack: async (garden_id: number) =>
    unwrap(await client.POST("/api/gardens/{garden_id}/take-back", { params: { path: { garden_id } } })),

  /** What a plan file would bring to a garden, or as one of its own (null). */
  previewPlan: async (garden_id: number | null, text: string) =>
    garden_id === null
      ? unwrap(await client.POST("/api/gardens/import/preview", { body: { text } }))
      : unwrap(
          await client.POST("/api/gardens/{garden_id}/import/preview", {
            params: { path: { garden_id } },
            body: { text },
          }),
        ),

  importPlan: async (garden_id: number | null, text: string) =>
    garden_id === null
      ? unwrap(await client.POST("/api/gardens/import", { body: { text } }))
      : unwrap(
          await client.POST("/api/gardens/{garden_id}/import", {
            params: { path: { garden_id } },
            body: { text },
          }),
        ),

  figureBed: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<BedFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/bed", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  figureBuying: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<BoughtAlone>(
      await client.POST("/api/gardens/{garden_id}/figure/buying", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  figureForecast: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<ForecastFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/forecast", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  figureSunken: async (garden_id: number, bed: Bed, month: number, signal?: AbortSignal) =>
    figured<SunkenFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/sunken", {
        params: { path: { garden_id } },
        body: { bed, month },
        signal,
      }),
    ),

  figureCompared: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<{ versions: VersionFigures[] }>(
      await client.POST("/api/gardens/{garden_id}/figure/compared", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  figureSchools: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<{ schools: SchoolFigures[] }>(
      await client.POST("/api/gardens/{garden_id}/figure/schools", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  figureGarden: async (garden_id: number) =>
    figured<TalliedFigures>(
      await client.GET("/api/gardens/{garden_id}/figure", { params: { path: { garden_id } } }),
    ),

  figurePlot: async (garden_id: number, draft: DraftPlot, signal?: AbortSignal) =>
    figured<PlotFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/plot", {
        params: { path: { garden_id } },
        body: draft,
        signal,
      }),
    ),

  figureRows: async (garden_id: number, asked: Schemas["AskedRows"]) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/rows", {
        params: { path: { garden_id } },
        body: asked,
      }),
    ),

  figureAligned: async (garden_id: number, asked: Schemas["AskedAlign"]) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/aligned", {
        params: { path: { garden_id } },
        body: asked,
      }),
    ),

  settingOut: async (garden_id: number) =>
    figured<Schemas["SettingOut"]>(
      await client.GET("/api/gardens/{garden_id}/figure/setting-out", { params: { path: { garden_id } } }),
    ),

  figureCuts: async (garden_id: number) =>
    figured<Schemas["CutsFigures"] | null>(
      await client.GET("/api/gardens/{garden_id}/figure/cuts", { params: { path: { garden_id } } }),
    ),

  figureWays: async (garden_id: number) =>
    figured<Schemas["Ways"]>(
      await client.GET("/api/gardens/{garden_id}/figure/ways", { params: { path: { garden_id } } }),
    ),

  figureFit: async (garden_id: number, asked: Schemas["AskedFit"], signal?: AbortSignal) =>
    figured<Schemas["FitFigures"]>(
      await client.POST("/api/gardens/{garden_id}/figure/fit", {
        params: { path: { garden_id } },
        body: asked,
        signal,
      }),
    ),

  figureRoom: async (garden_id: number, asked: Schemas["AskedRoom"], signal?: AbortSignal) =>
    figured<RoomFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/room", {
        params: { path: { garden_id } },
        body: asked,
        signal,
      }),
    ),

  savePlot: async (garden_id: number, revision: number, plot: Plot, restores?: number) =>
    unwrap(
      await client.PUT("/api/gardens/{garden_id}/plot", {
        params: { path: { garden_id } },
        body: { revision, plot, restores },
      }),
    ),

  partHistory: async (garden_id: number, kind: PartKind, key: string) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/history/{kind}/{key}", {
        params: { path: { garden_id, kind, key } },
      }),
    ),

  corners: async (garden_id: number, measured: { sides_m: number[]; diagonals_m: number[] }) =>
    figured<{ corners_m: [number, number][] }>(
      await client.POST("/api/gardens/{garden_id}/figure/corners", {
        params: { path: { garden_id } },
        body: measured,
      }),
    ),

  boards: async (garden_id: number, body: Schemas["Boards"], signal?: AbortSignal) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/boards", {
        params: { path: { garden_id } },
        body,
        signal,
      }),
    ),

  liner: async (garden_id: number, body: Schemas["Liner"], signal?: AbortSignal) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/liner", {
        params: { path: { garden_id } },
        body,
        signal,
      }),
    ),

  pots: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/figure/pots", { params: { path: { garden_id } } })),

  spread: async (garden_id: number, spread: Schemas["Spread"], signal?: AbortSignal) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/spread", {
        params: { path: { garden_id } },
        body: spread,
        signal,
      }),
    ),

  sources: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/sources", { params: { path: { garden_id } } })),

  saveSources: async (garden_id: number, body: Schemas["ChangedSources"]) =>
    unwrap(await client.PUT("/api/gardens/{garden_id}/sources", { params: { path: { garden_id } }, body })),

  figureShares: async (garden_id: number, body: Schemas["AskedShares"], signal?: AbortSignal) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/shares", {
        params: { path: { garden_id } },
        body,
        signal,
      }),
    ),

  createMaterial: async (garden_id: number, own: OwnMaterial) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/materials", { params: { path: { garden_id } }, body: own }),
    ),

  saveMaterial: async (garden_id: number, own: OwnMaterial, revision: number | null) =>
    unwrap(
      await client.PUT("/api/gardens/{garden_id}/materials/{key}", {
        params: { path: { garden_id, key: own.key } },
        body: { material: own, revision },
      }),
    ),

  removeMaterial: async (garden_id: number, key: string) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/materials/{key}", {
        params: { path: { garden_id, key } },
      }),
    ),

  read: async (typed: components["schemas"]["Typed"], signal?: AbortSignal) =>
    unwrap(await client.POST("/api/quantities/read", { body: typed, signal })),
};
