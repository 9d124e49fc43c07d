import { client, done, figured, unwrap, type Schemas } from "../api/client";

export type SharedLink = Schemas["LinkOut"];
export type NewLink = Schemas["NewLink"];
export type SharedLook = Schemas["SharedLook"];

/** What is asked of links, by their gardener and by whoever holds one. */
export const sharingApi = {
  links: async (garden_id: number) =>
    unwrap(await client.GET("/api/gardens/{garden_id}/shared-links", { params: { path: { garden_id } } })),

  make: async (garden_id: number, body: NewLink) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/shared-links", { params: { path: { garden_id } }, body }),
    ),

  end: async (garden_id: number, link_id: number) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/shared-links/{link_id}", {
        params: { path: { garden_id, link_id } },
      }),
    ),

  look: async (secret: string) =>
    figured<SharedLook>(await client.GET("/api/shared/{secret}", { params: { path: { secret } } })),

  tick: async (secret: string, step: string, ticked: boolean) =>
    done(
      await client.POST("/api/shared/{secret}/tick", {
        params: { path: { secret } },
        body: { step, done: ticked },
      }),
    ),
};
