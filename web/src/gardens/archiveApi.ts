import { client, unwrap } from "../api/client";

/** Bring an archive in as a garden of its own. */
export async function importArchive(archive: Blob) {
  const form = new FormData();
  form.append("archive", archive, "garden.nolbet.zip");
  return unwrap(
    await client.POST("/api/gardens/import/archive", {
      body: { archive: "" },
      bodySerializer: () => form,
    }),
  );
}
