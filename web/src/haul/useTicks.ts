import { useState } from "react";

/** What has been got already, ticked off on this device. */
export function useTicks(gardenId: number): [ReadonlySet<string>, (name: string) => void] {
  const place = `nolbet.ticks.${gardenId}`;
  const [ticked, setTicked] = useState<ReadonlySet<string>>(() => kept(place));
  const tick = (name: string) =>
    setTicked((before) => {
      const after = new Set(before);
      if (!after.delete(name)) after.add(name);
      localStorage.setItem(place, JSON.stringify([...after]));
      return after;
    });
  return [ticked, tick];
}

function kept(place: string): ReadonlySet<string> {
  try {
    const found: unknown = JSON.parse(localStorage.getItem(place) ?? "[]");
    return new Set(Array.isArray(found) ? found.filter((each) => typeof each === "string") : []);
  } catch {
    return new Set();
  }
}
