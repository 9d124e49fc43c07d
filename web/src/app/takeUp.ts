import type { QueryClient } from "@tanstack/react-query";
import { api, type KeptGarden } from "../api/client";
import { blendApi } from "../blend/blendApi";
import { sendWaitingMix } from "../blend/useMixDraft";
import { bedDraftOf } from "../draft/useBedDraft";
import { waitingNames } from "../draft/waiting";
import { sendWaitingSources } from "../haul/useSources";
import { plotDraftOf } from "../plot/usePlot";
import { sendAll } from "../season/outbox";

/** Send all that waits in this browser, whatever is looked at: entries in their order, the rest by its own draft. */
export async function takeUp(garden: KeptGarden, queries: QueryClient): Promise<void> {
  sendAll();
  const { id } = garden;
  const names = new Set(waitingNames(`${id}/`));
  for (const kept of garden.beds) if (names.has(`${id}/bed/${kept.key}`)) bedDraftOf(id, kept, queries);
  const { plot } = garden.garden;
  if (plot && names.has(`${id}/plot`)) plotDraftOf(garden, plot, queries);
  if (names.has(`${id}/sources`)) {
    const queryKey = ["sources", id];
    sendWaitingSources(id, await queries.fetchQuery({ queryKey, queryFn: () => api.sources(id) }), queries);
  }
  if ([...names].some((name) => name.startsWith(`${id}/mix/`))) {
    const queryKey = ["mixes", id];
    for (const mix of await queries.fetchQuery({ queryKey, queryFn: () => blendApi.mixes(id) }))
      if (names.has(`${id}/mix/${mix.mix.key}`)) sendWaitingMix(id, mix, queries);
  }
}
