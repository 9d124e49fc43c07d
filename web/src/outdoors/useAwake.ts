import { useEffect } from "react";

/** Keep the screen on while a view is open, where the browser can; it is asked for again whenever the page comes back. */
export function useAwake(): void {
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const ask = () => {
      if (gone || document.visibilityState !== "visible" || !("wakeLock" in navigator)) return;
      navigator.wakeLock.request("screen").then(
        (held) => {
          if (gone) void held.release();
          else lock = held;
        },
        () => undefined, // a flat battery says no
      );
    };
    ask();
    document.addEventListener("visibilitychange", ask);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", ask);
      void lock?.release();
    };
  }, []);
}
