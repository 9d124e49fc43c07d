import type { SignName } from "../drawing/Sign";

export type Place = { name: SignName; label: string; to: string };
export type Places = { garden: readonly Place[]; bed: readonly Place[]; along: readonly Place[] };

/** Where one can go: about the garden, about the bed at hand, and what is taken along. */
export function placesOf(base: string, bedKey: string | undefined): Places {
  const forBed = (view: string) => (bedKey ? `${base}/${view}/bed/${bedKey}` : `${base}/new`);
  return {
    garden: [
      { name: "plot", label: "Plot", to: `${base}/plot` },
      { name: "haul", label: "Haul", to: `${base}/haul` },
      { name: "works", label: "Works", to: `${base}/works` },
      { name: "season", label: "Season", to: `${base}/season` },
      { name: "shelf", label: "Shelf", to: `${base}/shelf` },
      { name: "sure", label: "How sure", to: `${base}/sure` },
      { name: "wishes", label: "Wishes", to: `${base}/wishes` },
    ],
    bed: [
      { name: "section", label: "Section", to: forBed("section") },
      { name: "blend", label: "Blend", to: `${base}/blend` },
      { name: "water", label: "Water", to: forBed("water") },
      { name: "frame", label: "Frame", to: forBed("frame") },
      { name: "planting", label: "Planting", to: forBed("planting") },
    ],
    along: [
      { name: "outdoors", label: "Outdoors", to: `${base}/outdoors` },
      { name: "papers", label: "Papers", to: `${base}/papers` },
      { name: "share", label: "Share", to: `${base}/share` },
    ],
  };
}

const AT_HAND: readonly SignName[] = ["section", "haul", "works", "season"];

/** The four that a phone shows at its foot; the others stand under More. */
export function atHand({ garden, bed }: Places): readonly Place[] {
  const all = [...garden, ...bed];
  return AT_HAND.flatMap((name) => all.find((place) => place.name === name) ?? []);
}
