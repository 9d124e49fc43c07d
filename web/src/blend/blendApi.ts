import { client, done, figured, unwrap, type Schemas } from "../api/client";

export type Mix = Schemas["PlanMix"];
export type KeptMix = Schemas["KeptMix"];
export type MixPart = Schemas["MixPart"];
export type MixTarget = Schemas["MixTarget"];
export type MixUse = NonNullable<MixTarget["use"]>;
export type MixFigures = Schemas["MixFigures"];
export type MarkFigures = Schemas["MarkFigures"];
export type MixAmounts = Schemas["MixAmounts"];
export type AmountFigures = Schemas["AmountFigures"];
export type CheapestFigures = Schemas["CheapestFigures"];
export type BatchFigures = Schemas["BatchFigures"];
export type ZonesFigures = Schemas["ZonesFigures"];
export type Wished = Schemas["Wished"];

const GARDEN = "/api/gardens/{garden_id}";

/** What the server answers about soil mixes. */
export const blendApi = {
  mixes: async (garden_id: number) =>
    unwrap(await client.GET(`${GARDEN}/mixes`, { params: { path: { garden_id } } })),

  add: async (garden_id: number, mix: Mix) =>
    unwrap(await client.POST(`${GARDEN}/mixes`, { params: { path: { garden_id } }, body: mix })),

  save: async (garden_id: number, key: string, body: Schemas["ChangedMix"]) =>
    unwrap(await client.PUT(`${GARDEN}/mixes/{key}`, { params: { path: { garden_id, key } }, body })),

  remove: async (garden_id: number, key: string) =>
    done(await client.DELETE(`${GARDEN}/mixes/{key}`, { params: { path: { garden_id, key } } })),

  figure: async (garden_id: number, mix: Mix, soil_over_water_m: number | null, signal?: AbortSignal) =>
    figured<MixFigures>(
      await client.POST(`${GARDEN}/figure/mix`, {
        params: { path: { garden_id } },
        body: { mix, soil_over_water_m },
        signal,
      }),
    ),

  amounts: async (garden_id: number, mix: Mix, bed: string | null, signal?: AbortSignal) =>
    figured<MixAmounts>(
      await client.POST(`${GARDEN}/figure/mix/amounts`, {
        params: { path: { garden_id } },
        body: { mix, bed },
        signal,
      }),
    ),

  cheapest: async (garden_id: number, wished: Wished, signal?: AbortSignal) =>
    figured<CheapestFigures>(
      await client.POST(`${GARDEN}/figure/mix/cheapest`, {
        params: { path: { garden_id } },
        body: wished,
        signal,
      }),
    ),

  batch: async (garden_id: number, wished: Wished, signal?: AbortSignal) =>
    figured<BatchFigures>(
      await client.POST(`${GARDEN}/figure/mix/batch`, {
        params: { path: { garden_id } },
        body: wished,
        signal,
      }),
    ),

  zones: async (garden_id: number, key: string, signal?: AbortSignal) =>
    figured<ZonesFigures>(
      await client.GET(`${GARDEN}/beds/{key}/zones`, { params: { path: { garden_id, key } }, signal }),
    ),
};
