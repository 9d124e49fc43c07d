import { client, done, figured, unwrap, type Bed, type Schemas } from "../api/client";

export type WaterFigures = Schemas["WaterFigures"];
export type ToldFigures = Schemas["ToldFigures"];
export type DipsFigures = Schemas["DipsFigures"];
export type WeatherKept = Schemas["WeatherKept"];
export type Dip = Schemas["DipOut"];
export type FeedFault = NonNullable<Schemas["AskedFeed"]["fault"]>;

/** What the server answers about water: a reservoir's year, weather, dips, and the probe. */
export const waterApi = {
  figureWater: async (garden_id: number, bed: Bed, signal?: AbortSignal) =>
    figured<WaterFigures>(
      await client.POST("/api/gardens/{garden_id}/figure/water", {
        params: { path: { garden_id } },
        body: { bed },
        signal,
      }),
    ),

  weather: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/weather", { params: { path: { garden_id } } })),

  bringWeather: async (garden_id: number, text: string) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/weather", {
        params: { path: { garden_id } },
        body: { text },
      }),
    ),

  askFeed: async (garden_id: number, fault: FeedFault) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/weather/feed", {
        params: { path: { garden_id } },
        body: { fault },
      }),
    ),

  dips: async (garden_id: number, key: string) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/beds/{key}/dips", { params: { path: { garden_id, key } } }),
    ),

  toldOfDips: async (garden_id: number, key: string) =>
    figured<DipsFigures | null>(
      await client.GET("/api/gardens/{garden_id}/beds/{key}/dips/told", {
        params: { path: { garden_id, key } },
      }),
    ),

  logDip: async (garden_id: number, key: string, level_m: number) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/beds/{key}/dips", {
        params: { path: { garden_id, key } },
        body: { level_m },
      }),
    ),

  forgetDip: async (garden_id: number, key: string, dip_id: number) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/beds/{key}/dips/{dip_id}", {
        params: { path: { garden_id, key, dip_id } },
      }),
    ),

  setProbe: async (garden_id: number, key: string, settings: Schemas["ProbeSettings"]) =>
    unwrap(
      await client.PUT("/api/gardens/{garden_id}/beds/{key}/probe", {
        params: { path: { garden_id, key } },
        body: settings,
      }),
    ),

  told: async (garden_id: number, key: string) =>
    figured<ToldFigures | null>(
      await client.GET("/api/gardens/{garden_id}/beds/{key}/told", { params: { path: { garden_id, key } } }),
    ),
};
