import { client, unwrap, type Bed, type Schemas } from "../api/client";

export type CropOnShelf = Schemas["CropOut"];
export type CropInBed = Schemas["CropInBed"];
export type BedCrop = Schemas["BedCrop"];
export type BedCover = Schemas["BedCover"];
export type BedLines = Schemas["BedLines"];
export type OwnCrop = Schemas["OwnCrop"];
export type SunMap = Schemas["SunMap"];
export type SowingDay = Schemas["SowingDay"];

const garden = (garden_id: number) => ({ params: { path: { garden_id } } });

/** What Planting asks. */
export const plantingApi = {
  crops: async (id: number) => unwrap(await client.GET("/api/gardens/{garden_id}/crops", garden(id))),
  ownCrops: async (id: number) => unwrap(await client.GET("/api/gardens/{garden_id}/crops/own", garden(id))),
  keepOwnCrops: async (id: number, crops: OwnCrop[]) =>
    unwrap(await client.PUT("/api/gardens/{garden_id}/crops/own", { ...garden(id), body: { crops } })),
  neighbours: async (garden_id: number, crops: string[]) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/crops/neighbours", {
        params: { path: { garden_id }, query: { crops } },
      }),
    ),
  sowing: async (id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/figure/sowing", garden(id))),
  sun: async (id: number, bed: Bed, on: string | null): Promise<SunMap> =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/figure/sun", { ...garden(id), body: { bed, on } }),
    ) as SunMap,
};
