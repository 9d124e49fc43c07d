import { client, done, figured, unwrap, type Schemas } from "../api/client";

export type WorksFigures = Schemas["WorksFigures"];
export type WorkStep = Schemas["WorkStep"];
export type WorksKept = Schemas["WorksKept"];
export type WorksWords = Schemas["WorksWords"];
export type StepTick = Schemas["StepTick"];
export type StepPhoto = Schemas["PhotoOut"];

/** What Works asks. */
export const worksApi = {
  figures: async (garden_id: number) =>
    figured<WorksFigures>(
      await client.GET("/api/gardens/{garden_id}/figure/works", { params: { path: { garden_id } } }),
    ),

  words: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/works", { params: { path: { garden_id } } })),

  save: async (garden_id: number, body: Schemas["ChangedWorks"]) =>
    unwrap(await client.PUT("/api/gardens/{garden_id}/works", { params: { path: { garden_id } }, body })),

  tick: async (garden_id: number, body: StepTick) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/works/tick", { params: { path: { garden_id } }, body }),
    ),

  mends: async (garden_id: number) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/figure/works/mends", { params: { path: { garden_id } } }),
    ),

  when: async (garden_id: number, key: string) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/figure/works/when/{key}", {
        params: { path: { garden_id, key } },
      }),
    ),

  photos: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/works/photos", { params: { path: { garden_id } } })),

  addPhoto: async (garden_id: number, step: string, photo: Blob) => {
    const form = new FormData();
    form.append("photo", photo, "photograph");
    return unwrap(
      await client.POST("/api/gardens/{garden_id}/works/photos", {
        params: { path: { garden_id }, query: { step } },
        body: { photo: "" },
        bodySerializer: () => form,
      }),
    );
  },

  forgetPhoto: async (garden_id: number, photo_id: number) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/works/photos/{photo_id}", {
        params: { path: { garden_id, photo_id } },
      }),
    ),
};
