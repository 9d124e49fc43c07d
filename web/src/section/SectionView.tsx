import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Bed, BedFigures, FindingFigures, KeptBed, Material, TalliedFigures } from "../api/client";
import { INCH_M } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { useSaveState } from "../app/SaveStateContext";
import { AddLayer } from "./AddLayer";
import { BedHead } from "./BedHead";
import { Drawing } from "./Drawing";
import {
  addLayer,
  figuresAt,
  moveBoundary,
  moveLayer,
  newLayer,
  nudgeBoundary,
  removeLayer,
  splitLayer,
} from "./edits";
import { Findings } from "./Findings";
import { fitSection } from "./geometry";
import { LayerCard } from "./LayerCard";
import { Leaders } from "./Leaders";
import { StaleNotice } from "./StaleNotice";
import { Tally } from "./Tally";
import { useSectionKeys } from "./useSectionKeys";
import { useSession } from "./useSession";
import { useSize } from "./useSize";
import "./section.css";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material> };

/** The heart: one bed cut open, its layers on cards, what it takes and what is worth a look. */
export function SectionView({ gardenId, kept, materials }: Props) {
  const [state, session] = useSession(gardenId, kept);
  const { bed, layerIds, figures, figuredBed, buying, problem, save } = state;
  const { units } = useShowing();
  const [selected, setSelected] = useState<number | null>(null);
  const [adding, setAdding] = useState(false);
  const stage = useRef<HTMLDivElement>(null);
  const cards = useRef(new Map<number, HTMLElement>());
  const [drawingRef, size] = useSize<HTMLDivElement>();
  useSaveState(save);

  useEffect(() => {
    session.refresh();
  }, [session, units]);

  const count = bed.layers.length;
  const edit = useCallback(
    (changed: Bed, gesture?: string) => session.edit(changed, gesture ?? null),
    [session],
  );
  const step_m = units === "ft_in" ? INCH_M / 8 : 0.005;
  const nudge_m = units === "ft_in" ? INCH_M / 2 : 0.01;

  const inStep = figuredBed.layers.length === count;
  const nudge = (index: number, steps: number) => {
    if (figures && inStep) edit(nudgeBoundary(bed, index, steps * nudge_m, figures.layers));
  };
  const place = (material: Material) => {
    const at = selected === null ? count : selected + 1;
    edit(addLayer(bed, at, newLayer(material, bed)));
    setSelected(at);
    setAdding(false);
  };
  const mend = (finding: FindingFigures) => finding.mend && edit({ ...bed, ...finding.mend.changes });

  const seen = (code: string, reason: string | null) => {
    const others = (bed.seen ?? []).filter((each) => each.code !== code);
    edit({ ...bed, seen: reason === null ? others : [...others, { code, reason }] });
  };

  const move = (index: number, by: 1 | -1) => {
    if (index + by < 0 || index + by >= count) return;
    edit(moveLayer(bed, index, by));
    setSelected(index + by);
  };
  const remove = (index: number) => {
    edit(removeLayer(bed, index));
    setSelected(count > 1 ? Math.min(index, count - 2) : null);
  };

  const keys = {
    choose: (by: 1 | -1) =>
      setSelected((now) => (now === null ? count - 1 : Math.min(Math.max(now + by, 0), count - 1))),
    nudge: (steps: 1 | -1) => selected !== null && nudge(selected, steps),
    move: (by: 1 | -1) => selected !== null && move(selected, by),
    add: () => setAdding(true),
    split: () => {
      const layer = selected === null ? null : figures?.layers[selected];
      if (layer && selected !== null) edit(splitLayer(bed, selected, layer.top_m - layer.bottom_m));
    },
    remove: () => selected !== null && count > 0 && remove(selected),
    undo: () => session.undo(),
    redo: () => session.redo(),
  };
  useSectionKeys(keys);

  const geometry = useMemo(
    () => (figures && size.width > 0 ? fitSection(figures, size.width, size.height) : null),
    [figures, size],
  );
  const order = useMemo(() => Array.from({ length: count }, (_, i) => count - 1 - i), [count]);

  if (!figures) {
    return <main className="section-wait">{problem ? problem.detail : "Measuring the bed ..."}</main>;
  }
  return (
    <main className="section-view">
      <div className="section-work">
        <BedHead
          gardenId={gardenId}
          bed={bed}
          figures={figures}
          onEdit={edit}
          session={session}
          undoable={state}
        />
        {save.state === "stale" && (
          <StaleNotice
            gardenId={gardenId}
            mine={bed}
            current={save.current}
            materials={materials}
            onSettle={(keep) => session.settle(keep)}
          />
        )}
        {problem && (
          <p className="section-problem" role="alert">
            {problem.detail} The figures are those from before; nothing of this is saved yet.
          </p>
        )}
        <div className="section-stage" ref={stage}>
          {geometry && inStep && (
            <Leaders figures={figures} geometry={geometry} cards={cards} stage={stage} selected={selected} />
          )}
          <div className="section-drawing" ref={drawingRef}>
            {geometry && (
              <Drawing
                bed={figuredBed}
                figures={figures}
                geometry={geometry}
                materials={materials}
                selected={selected}
                onSelect={setSelected}
                onDrag={(index, height_m) => {
                  if (inStep)
                    edit(moveBoundary(bed, index, height_m, figures.layers, step_m), `drag ${index}`);
                }}
                onDragEnd={() => session.endGesture()}
                onNudge={nudge}
              />
            )}
          </div>
          <div className="section-cards">
            <ol className="layer-cards" reversed aria-label="Layers, top to bottom">
              {order.map((index) => (
                <LayerCard
                  key={layerIds[index]}
                  cardRef={(card) => {
                    if (card) cards.current.set(index, card);
                    else cards.current.delete(index);
                  }}
                  gardenId={gardenId}
                  bed={bed}
                  figures={figures}
                  index={index}
                  figured={figuresAt(bed, figuredBed, figures.layers, index)}
                  materials={materials}
                  selected={selected === index}
                  onSelect={() => setSelected(index)}
                  onEdit={edit}
                  onMove={(by) => move(index, by)}
                  onRemove={() => remove(index)}
                />
              ))}
            </ol>
            <AddLayer
              gardenId={gardenId}
              open={adding}
              onOpen={setAdding}
              onChoose={place}
              canSplit={selected !== null}
            />
          </div>
        </div>
      </div>
      <aside className="section-aside" aria-label="What it takes">
        <Tally bed={bed} figures={figures} buying={buying} waiting={save.state === "offline"} />
        <Findings
          findings={allFindings(figures, buying)}
          onMend={mend}
          onSelectLayer={setSelected}
          onSeen={seen}
        />
      </aside>
    </main>
  );
}

/** The bed's own findings, and those that came with the buying (a request later), the gravest first. */
function allFindings(figures: BedFigures, buying: TalliedFigures | null): FindingFigures[] {
  const own = new Set(figures.findings.map((finding) => finding.code));
  const bought =
    buying?.figures.beds[0]?.findings.filter(({ code }) => BOUGHT.has(code) && !own.has(code)) ?? [];
  return [...figures.findings, ...bought].toSorted(
    (one, two) => LEVELS.indexOf(one.level) - LEVELS.indexOf(two.level),
  );
}

const BOUGHT = new Set(["no_offer", "heavy_lift"]);
const LEVELS = ["stop", "caution", "advice", "note"];
