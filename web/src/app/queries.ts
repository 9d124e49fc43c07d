import { MutationCache, onlineManager, QueryCache } from "@tanstack/react-query";
import { worthAskingAgain } from "../api/backOff";
import { leftFrom } from "../account/wayBack";
import { Refused } from "../api/client";
import { KEPT } from "../draft/keptQueries";
import { tickDefaults } from "../works/ticks";
import { LatestQueries } from "./LatestQueries";

// a page that is opened without a connection knows so from the start
onlineManager.setOnline(navigator.onLine);

export const queries = new LatestQueries({
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
