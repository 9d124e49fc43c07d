import {
  MutationCache,
  onlineManager,
  QueryCache,
  QueryClient,
  type InvalidateOptions,
  type InvalidateQueryFilters,
  type QueryKey,
} from "@tanstack/react-query";
import { worthAskingAgain } from "../api/backOff";
import { leftFrom } from "../account/wayBack";
import { Refused } from "../api/client";
import { KEPT } from "../draft/keptQueries";
import { tickDefaults } from "../works/ticks";

// a page that is opened without a connection knows so from the start
onlineManager.setOnline(navigator.onLine);

/** What is being asked for the first time when it changes is asked for anew as well: its answer is from before. */
class Queries extends QueryClient {
  override async invalidateQueries<Key extends QueryKey = QueryKey>(
    filters?: InvalidateQueryFilters<Key>,
    options?: InvalidateOptions,
  ): Promise<void> {
    const first = this.getQueryCache()
      .findAll(filters)
      .filter(({ state }) => state.data === undefined && state.fetchStatus === "fetching");
    if (first.length > 0) await Promise.all(first.map((query) => query.cancel({ revert: true })));
    return super.invalidateQueries(filters, options);
  }
}

export const queries = new Queries({
  defaultOptions: {
    queries: {
      staleTime: 60_000,
      retry: worthAskingAgain,
      refetchOnWindowFocus: false,
    },
  },
  queryCache: new QueryCache({ onError: toTheDoor }),
  mutationCache: new MutationCache({ onError: toTheDoor }),
});
// what is kept in the browser has to stay in the page
for (const name of KEPT) queries.setQueryDefaults([name], { gcTime: Infinity });
tickDefaults(queries);

/** Nobody is signed in any more: the front door is where that is mended; what waits to be saved waits here. */
function toTheDoor(error: Error): void {
  const nobody = error instanceof Refused && error.problem.status === 401;
  if (!nobody || window.location.pathname === "/sign-in") return;
  leftFrom(window.location.pathname);
  window.location.assign("/sign-in");
}
