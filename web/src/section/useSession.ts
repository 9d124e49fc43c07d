import { useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect, useSyncExternalStore } from "react";
import type { KeptBed, KeptGarden } from "../api/client";
import { BedSession, type BedState } from "./session";

const sessions = new Map<string, BedSession>();

/** The working session of a kept bed, made where there is none yet. */
export function sessionOf(gardenId: number, kept: KeptBed, queries: QueryClient): BedSession {
  const name = `${gardenId}/${kept.key}`;
  const found = sessions.get(name);
  if (found) return found;
  const made = new BedSession(gardenId, kept, (saved) => {
    queries.setQueryData<KeptGarden>(["garden", gardenId], (garden) =>
      garden ? { ...garden, beds: garden.beds.map((bed) => (bed.key === saved.key ? saved : bed)) } : garden,
    );
    void queries.invalidateQueries({ queryKey: ["figure", gardenId] });
  });
  sessions.set(name, made);
  return made;
}

/** The working session of a kept bed; it outlives the view that shows it. */
export function useSession(gardenId: number, kept: KeptBed): [BedState, BedSession] {
  const queries = useQueryClient();
  const session = sessionOf(gardenId, kept, queries);
  useEffect(() => session.adopt(kept), [session, kept]);
  return [useSyncExternalStore(session.subscribe, session.snapshot), session];
}

/** Let go of a bed's session, for instance when the bed goes to the bin. */
export function forgetSession(gardenId: number, key: string): void {
  sessions.delete(`${gardenId}/${key}`);
}
