import { useEffect, useState } from "react";
import { api, type Bed, type BedFigures, type SunkenFigures } from "../api/client";

/** The bed as it lies so many months after filling; the last one known stays while a newer one is asked for. */
export function useSunken(gardenId: number, bed: Bed, month: number | null): SunkenFigures | null {
  const [sunken, setSunken] = useState<SunkenFigures | null>(null);
  useEffect(() => {
    if (month === null) return;
    const asked = new AbortController();
    api.figureSunken(gardenId, bed, month, asked.signal).then(setSunken, () => undefined); // aborted, or the line is down
    return () => asked.abort();
  }, [gardenId, bed, month]);
  const fits = sunken?.layers.length === bed.layers.length;
  return month === null || !fits ? null : sunken;
}

/** Figures with each layer where it lies by then. */
export function withSunken(figures: BedFigures, sunken: SunkenFigures): BedFigures {
  return {
    ...figures,
    layers: figures.layers.map((layer, index) => {
      const by = sunken.layers[index];
      return by ? { ...layer, ...by, grip: [layer.grip[0], by.top_m] } : layer;
    }),
  };
}
