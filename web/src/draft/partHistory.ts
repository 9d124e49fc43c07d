import { api, type PartKind } from "../api/client";
import type { KeptSteps } from "./Draft";

/** What a part of a garden was, save by save, as undo and redo lead through it. */
export async function partHistory<T>(gardenId: number, kind: PartKind, key: string): Promise<KeptSteps<T>> {
  const { versions, past, future } = await api.partHistory(gardenId, kind, key);
  const byRevision = new Map(versions.map((version) => [version.revision, version]));
  const kept = (revisions: readonly number[]) =>
    revisions.flatMap((revision) => {
      const version = byRevision.get(revision);
      return version ? [{ document: version.document as T, revision, saved_at: version.saved_at }] : [];
    });
  return { past: kept(past), future: kept(future) };
}
