import { client, done, figured, unwrap, type HaulLooked, type Schemas } from "../api/client";
import { linesOf } from "../api/lines";

/** What Haul asks beside the figures that other views share. */
export const haulApi = {
  /** The cheapest haul, told line by line while it is looked for. seconds: as long as it may take. */
  lookForHaul: async (garden_id: number, seconds: number, signal: AbortSignal) => {
    const { response } = await client.GET("/api/gardens/{garden_id}/figure/haul", {
      params: { path: { garden_id }, query: { seconds } },
      parseAs: "stream",
      signal,
    });
    if (!response.ok || !response.body) throw new TypeError(`The server answered ${response.status}.`);
    return linesOf<HaulLooked>(response.body);
  },

  endLooking: async (garden_id: number) =>
    done(await client.POST("/api/gardens/{garden_id}/figure/haul/end", { params: { path: { garden_id } } })),

  readPrices: async (garden_id: number, text: string) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/prices/read", {
        params: { path: { garden_id } },
        body: { text },
      }),
    ),

  askPriceService: async (garden_id: number, body: Schemas["AskedPrices"]) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/prices/service", { params: { path: { garden_id } }, body }),
    ),

  swaps: async (garden_id: number, signal: AbortSignal) =>
    figured<Schemas["SwapsFigures"] | null>(
      await client.GET("/api/gardens/{garden_id}/figure/swaps", { params: { path: { garden_id } }, signal }),
    ),

  setDown: async (garden_id: number) =>
    figured<Schemas["SetDown"]>(
      await client.GET("/api/gardens/{garden_id}/figure/set-down", { params: { path: { garden_id } } }),
    ),

  costCurve: async (garden_id: number, key: string) =>
    figured<Schemas["CostCurve"] | null>(
      await client.GET("/api/gardens/{garden_id}/figure/cost-curve/{key}", {
        params: { path: { garden_id, key } },
      }),
    ),
};
