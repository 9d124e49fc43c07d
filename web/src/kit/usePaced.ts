import { useEffect, useRef, useState } from "react";

/** Fast enough to watch, slow enough to leave a drag its frames. */
export const WATCHED_MS = 200;

/** A value that follows another at most so often [ms]; the newest is always reached. For what is costly to draw. */
export function usePaced<T>(value: T, every_ms: number): T {
  const [shown, setShown] = useState(value);
  const last_ms = useRef(0);
  useEffect(() => {
    const wait_ms = Math.max(0, last_ms.current + every_ms - performance.now());
    const timer = setTimeout(() => {
      last_ms.current = performance.now();
      setShown(value);
    }, wait_ms);
    return () => clearTimeout(timer);
  }, [value, every_ms]);
  return shown;
}
