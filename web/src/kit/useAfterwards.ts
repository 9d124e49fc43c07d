import { startTransition, useEffect, useState } from "react";

/** Whether what stands beside the first thing to look at may be drawn: not before that thing is there and was shown. */
export function useAfterwards(isThere: boolean): boolean {
  const [after, setAfter] = useState(false);
  useEffect(() => {
    if (!isThere || after) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const frame = requestAnimationFrame(() => {
      timer = setTimeout(() => startTransition(() => setAfter(true)));
    });
    return () => {
      cancelAnimationFrame(frame);
      clearTimeout(timer);
    };
  }, [isThere, after]);
  return after;
}
