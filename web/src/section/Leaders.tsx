import css from "./section.module.css";
import { useLayoutEffect, useState, type RefObject } from "react";
import type { BedFigures } from "../api/client";
import type { Geometry } from "../drawing/geometry";
import { leaderFrom, RUN_OVER } from "../drawing/leaders";

type Props = {
  figures: BedFigures;
  geometry: Geometry;
  cards: RefObject<Map<number, HTMLElement>>;
  stage: RefObject<HTMLElement | null>;
  selected: number | null;
};

/** Where the lines end at the cards, and how far the drawing has slid down beside them [px]. */
type Ends = { x: number; ys: ReadonlyMap<number, number>; height: number; lift: number };

const CARD_ENTRY = 36;

/** A line from the middle of each layer to its card. */
export function Leaders({ figures, geometry, cards, stage, selected }: Props) {
  const [ends, setEnds] = useState<Ends | null>(null);

  useLayoutEffect(() => {
    const box = stage.current;
    if (!box) return;
    const measure = () => {
      const origin = box.getBoundingClientRect();
      const drawn = box.querySelector("svg[data-part=drawing]")?.getBoundingClientRect();
      const ys = new Map<number, number>();
      let x = 0;
      for (const [index, card] of cards.current) {
        const rect = card.getBoundingClientRect();
        ys.set(index, rect.top - origin.top + Math.min(CARD_ENTRY, rect.height / 2));
        x = rect.left - origin.left;
      }
      setEnds({ x, ys, height: box.scrollHeight, lift: drawn ? drawn.top - origin.top : 0 });
    };
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(box);
    for (const card of cards.current.values()) observer.observe(card);
    // the drawing stays in sight while the cards scroll by it
    window.addEventListener("scroll", measure, { capture: true, passive: true });
    return () => {
      observer.disconnect();
      window.removeEventListener("scroll", measure, { capture: true });
    };
  }, [cards, stage, figures.layers.length]);

  if (!ends) return null;
  return (
    <svg
      className={css.leaders}
      data-over={RUN_OVER.has(figures.section.form) || undefined}
      width={ends.x}
      height={ends.height}
      aria-hidden="true"
    >
      {figures.layers.map((layer, index) => {
        const to = ends.ys.get(index);
        if (to === undefined) return null;
        const [from, drawnY] = leaderFrom(geometry, layer);
        const y = drawnY + ends.lift;
        const bend = ends.x - 12;
        const way = to > y ? 1 : -1;
        const r = Math.min(9, Math.abs(to - y) / 2);
        const d = `M${from} ${y}H${bend - r}q${r} 0 ${r} ${way * r}V${to - way * r}q0 ${way * r} ${r} ${way * r}H${ends.x}`;
        return (
          <g key={index} data-chosen={selected === index || undefined}>
            <path d={Math.abs(to - y) < 1 ? `M${from} ${y}H${ends.x}` : d} />
          </g>
        );
      })}
    </svg>
  );
}
