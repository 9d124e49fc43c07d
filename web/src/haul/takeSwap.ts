import { api, type Bed, type Plot, type Schemas } from "../api/client";
import { blendApi, type Mix } from "../blend/blendApi";

type Swap = Schemas["SwapFigures"];

/** Take a way to pay less over into the garden; what comes back takes it back. */
export async function takeSwap(gardenId: number, swap: Swap): Promise<() => Promise<unknown>> {
  if (swap.part === "bed") {
    const bed = swap.changed as unknown as Bed;
    const kept = (await api.garden(gardenId)).beds.find(({ key }) => key === bed.key);
    if (!kept) throw new TypeError("The bed is gone.");
    const saved = await api.saveBed(gardenId, kept.key, { revision: kept.revision, bed });
    return () =>
      api.saveBed(gardenId, kept.key, { revision: saved.revision, bed: kept.bed, restores: kept.revision });
  }
  if (swap.part === "mix") {
    const mix = swap.changed as unknown as Mix;
    const kept = (await blendApi.mixes(gardenId)).find((each) => each.mix.key === mix.key);
    if (!kept) throw new TypeError("The mix is gone.");
    const saved = await blendApi.save(gardenId, mix.key, { revision: kept.revision, mix });
    return () => blendApi.save(gardenId, mix.key, { revision: saved.revision, mix: kept.mix });
  }
  const before = await api.garden(gardenId);
  const plot = before.garden.plot;
  if (!plot) throw new TypeError("The plot is gone.");
  const saved = await api.savePlot(gardenId, before.plot_revision, swap.changed as unknown as Plot);
  return () => api.savePlot(gardenId, saved.plot_revision, plot);
}
