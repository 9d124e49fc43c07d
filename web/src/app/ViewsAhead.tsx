import { useIsFetching } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { fetchViewsAhead } from "./views";

type Props = { others: () => Promise<unknown> };

/** Fetches the other views once the first one has all that it asked for. */
export function ViewsAhead({ others }: Props) {
  const fetching = useIsFetching();
  const [asked, setAsked] = useState(false);
  useEffect(() => {
    if (asked || fetching > 0) return;
    const soon = setTimeout(() => {
      setAsked(true);
      fetchViewsAhead(others);
    }, SETTLED_MS);
    return () => clearTimeout(soon);
  }, [asked, fetching, others]);
  return null;
}

/** With nothing fetched for so long, the view is thought to be there. */
const SETTLED_MS = 2500;
