import { client, done, figured, unwrap, type Schemas } from "../api/client";

/** What a stick read of a reservoir; kept with its bed's water. on: an aware moment. */
export type DipEntry = { kind: "dip"; bed: string; on: string; level_m: number; who?: string };
export type Entry = Schemas["EntryIn"]["entry"] | DipEntry;
export type EntryKind = Entry["kind"];
export type KeptEntry = Schemas["EntryOut"];
export type SeasonFigures = Schemas["SeasonFigures"];
export type WeekMark = Schemas["WeekMark"];
export type Lesson = Schemas["Lesson"];
export type LogTaken = Schemas["LogTaken"];

/** What Season asks. */
export const seasonApi = {
  entries: async (garden_id: number, bed: string | undefined, after: number) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/season", {
        params: { path: { garden_id }, query: { bed, after } },
      }),
    ),

  figures: async (garden_id: number) =>
    figured<SeasonFigures>(
      await client.GET("/api/gardens/{garden_id}/figure/season", { params: { path: { garden_id } } }),
    ),

  keep: async (garden_id: number, entry_key: string, revision: number, entry: Entry) => {
    if (entry.kind === "dip") {
      const { bed: key, on: at, level_m } = entry;
      const path = { garden_id, key };
      unwrap(
        await client.POST("/api/gardens/{garden_id}/beds/{key}/dips", {
          params: { path },
          body: { at, level_m },
        }),
      );
      return;
    }
    unwrap(
      await client.PUT("/api/gardens/{garden_id}/season/{entry_key}", {
        params: { path: { garden_id, entry_key } },
        body: { revision, entry },
      }),
    );
  },

  takeOut: async (garden_id: number, entry_key: string) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/season/{entry_key}", {
        params: { path: { garden_id, entry_key } },
      }),
    ),

  history: async (garden_id: number, entry_key: string) =>
    unwrap(
      await client.GET("/api/gardens/{garden_id}/season/{entry_key}/history", {
        params: { path: { garden_id, entry_key } },
      }),
    ),

  addPhoto: async (garden_id: number, entry_key: string, photo_key: string, photo: Blob) => {
    const form = new FormData();
    form.append("photo", photo, "photograph");
    return unwrap(
      await client.POST("/api/gardens/{garden_id}/season/{entry_key}/photos/{photo_key}", {
        params: { path: { garden_id, entry_key, photo_key } },
        body: { photo: "" },
        bodySerializer: () => form,
      }),
    );
  },

  forgetPhoto: async (garden_id: number, entry_key: string, photo_key: string) =>
    done(
      await client.DELETE("/api/gardens/{garden_id}/season/{entry_key}/photos/{photo_key}", {
        params: { path: { garden_id, entry_key, photo_key } },
      }),
    ),

  bringFile: async (garden_id: number, text: string) =>
    unwrap(
      await client.POST("/api/gardens/{garden_id}/season", {
        params: { path: { garden_id } },
        body: { text },
      }),
    ),
};
