import { client, unwrap, type Schemas } from "../api/client";

export type CropOnShelf = Schemas["CropOut"];
export type CropInBed = Schemas["CropInBed"];
export type BedCrop = Schemas["BedCrop"];

/** What Planting asks. */
export const plantingApi = {
  crops: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/crops", { params: { path: { garden_id } } })),
};
