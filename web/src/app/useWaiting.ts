import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import type { KeptGarden } from "../api/client";
import { waitingNames } from "../draft/waiting";
import { hasWaitingEntries } from "../season/waitingEntries";

/** Sends what waits in this browser once there is a connection, not only what is looked at. */
export function useWaiting(garden: KeptGarden): void {
  const queries = useQueryClient();
  useEffect(() => {
    const send = () => {
      if (waitingNames(`${garden.id}/`).length === 0 && !hasWaitingEntries()) return;
      // without a connection still: it is tried again when the line is back
      import("./takeUp").then(({ takeUp }) => takeUp(garden, queries)).catch(() => undefined);
    };
    send();
    window.addEventListener("online", send);
    return () => window.removeEventListener("online", send);
  }, [garden, queries]);
}
