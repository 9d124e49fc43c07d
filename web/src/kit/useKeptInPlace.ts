import type { PopperProps } from "@mui/material/Popper";
import { useEffect, useRef } from "react";

type Popper = { update: () => Promise<unknown> };

/** For a list that hangs on its field: follows it at once when the page grows above, not only at the next press. */
export function useKeptInPlace(open: boolean): PopperProps["popperRef"] {
  const popper = useRef<Popper | null>(null);
  useEffect(() => {
    if (!open) return;
    const watching = new ResizeObserver(() => void popper.current?.update());
    watching.observe(document.body);
    return () => watching.disconnect();
  }, [open]);
  return popper as PopperProps["popperRef"];
}
