import { useCallback, useEffect, useRef, useState } from "react";
import { wishesApi, type Wishes, type WishesLooked } from "./wishesApi";

export type Look = {
  told: WishesLooked | null;
  looks: boolean;
  error: unknown;
  start: (wishes: Wishes) => void;
  /** Leave off; what was found so far stands. */
  end: () => void;
};

/** One look at a time; a newer one ends the one before, and so does leaving the view. */
export function useLook(gardenId: number): Look {
  const [told, setTold] = useState<WishesLooked | null>(null);
  const [looks, setLooks] = useState(false);
  const [error, setError] = useState<unknown>(null);
  const going = useRef<AbortController | null>(null);
  useEffect(() => () => going.current?.abort(), []);
  const end = useCallback(() => {
    going.current?.abort();
    going.current = null;
    setLooks(false);
    void wishesApi.end(gardenId).catch(() => undefined);
  }, [gardenId]);
  const start = useCallback(
    (wishes: Wishes) => {
      going.current?.abort();
      const own = new AbortController();
      going.current = own;
      setTold(null);
      setError(null);
      setLooks(true);
      const listen = async () => {
        for await (const line of await wishesApi.look(gardenId, wishes, own.signal)) {
          if (going.current !== own) return;
          setTold(line);
        }
      };
      listen()
        .catch((failed: unknown) => {
          if (going.current === own) setError(failed);
        })
        .finally(() => {
          if (going.current === own) setLooks(false);
        });
    },
    [gardenId],
  );
  return { told, looks, error, start, end };
}
