import { useCallback, useEffect, useLayoutEffect, useRef, useState } from "react";

/** Ask for something that is done at once, or as soon as all is ready for it; by then with what stands then. */
export function useWhenReady(isReady: boolean, act: () => void): () => void {
  const [isWanted, setWanted] = useState(false);
  const latest = useRef(act);
  useLayoutEffect(() => {
    latest.current = act;
  });
  useEffect(() => {
    if (!isWanted || !isReady) return;
    setWanted(false);
    latest.current();
  }, [isWanted, isReady]);
  return useCallback(() => setWanted(true), []);
}
