import { useIsFetching, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { fetchViewsAhead } from "./views";

type Props = { gardenId: number; others: () => Promise<unknown> };

/**
 * Fetches the other views once the first one has all that it asked for, and, where this page opens without a connection,
 * what they show.
 */
export function ViewsAhead({ gardenId, others }: Props) {
  const queries = useQueryClient();
  const fetching = useIsFetching();
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    if (asked || fetching > 0) return;
    const soon = setTimeout(() => {
      setAsked(true);
      fetchViewsAhead(others);
      if ("serviceWorker" in navigator && navigator.serviceWorker.controller)
        void import("./takeAlong").then(({ takeAlong }) => takeAlong(queries, gardenId));
    }, SETTLED_MS);
    return () => clearTimeout(soon);
  }, [asked, fetching, others, queries, gardenId]);
  return null;
}

/** With nothing fetched for so long, the view is thought to be there. */
const SETTLED_MS = 2500;
