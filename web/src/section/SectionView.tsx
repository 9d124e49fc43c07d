import useMediaQuery from "@mui/material/useMediaQuery";
import { useEventCallback } from "@mui/material/utils";
import { useCallback, useMemo, useRef, useState } from "react";
import type { FindingFigures, ForecastFigures, KeptBed, Material } from "../api/client";
import { figuresAt, withSeen } from "../draft/edits";
import { useSaveState } from "../draft/SaveStateContext";
import { useBedDraft } from "../draft/useBedDraft";
import { Drawing } from "../drawing/Drawing";
import { fitSection } from "../drawing/geometry";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { useTell } from "../kit/Tell";
import { useAfterwards } from "../kit/useAfterwards";
import { usePaced, WATCHED_MS } from "../kit/usePaced";
import { useSize } from "../kit/useSize";
import { View, Work } from "../kit/View";
import { useShowing } from "../quantities/UnitsContext";
import { useSunken, withSunken } from "../settling/useSunken";
import { Years, YEARS_HEIGHT } from "../settling/Years";
import { AddLayer } from "./AddLayer";
import { BedHead } from "./BedHead";
import { aboveHeight, FromAbove } from "./FromAbove";
import { LayerCard } from "./LayerCard";
import { LayerCards } from "./layer-card.styles";
import { Leaders } from "./Leaders";
import { SectionCards, SectionDrawing, SectionLeft, SectionStage } from "./section.styles";
import { SectionAside } from "./SectionAside";
import { StaleNotice } from "./StaleNotice";
import { useBoundaries } from "./useBoundaries";
import { useSectionKeys } from "./useSectionKeys";

/** Where the page is one column, the section is so high and the page scrolls. */
const NARROW_HEIGHT = 430;
const FLOOR_SHEET = "cardboard";
const NO_GHOSTS: ForecastFigures["ghosts"] = [];

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material> };

/** The heart: one bed cut open, its layers on cards, what it takes and what is worth a look. */
export default function SectionView({ gardenId, kept, materials }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const { bed, layerIds, figures, figuredBed, buying, forecast, problem, save, reached } = state;
  const { units } = useShowing();
  const tell = useTell();
  const layers = useBoundaries(state, draft, units);
  const { selected, setSelected, inStep, edit, editLayer } = layers;
  const [adding, setAdding] = useState(false);
  // a bed that lies there is shown as it is today until another month is chosen
  const [wanted, setMonth] = useState<number | null>();
  const today = figures?.age_months == null ? null : Math.round(figures.age_months) || null;
  const month = wanted === undefined ? today : wanted;
  const sunken = useSunken(gardenId, figuredBed, month);
  const stage = useRef<HTMLDivElement>(null);
  const cards = useRef(new Map<number, HTMLElement>());
  const [drawingRef, size] = useSize<HTMLDivElement>();
  useSaveState(save);

  const chosenId = selected === null ? undefined : layerIds[selected];
  const remove = (id: number | undefined) => {
    layers.remove(id);
    if (id !== undefined) tell("A layer was removed.", () => draft.undo());
  };
  useSectionKeys({
    choose: layers.choose,
    nudge: (steps) => selected !== null && layers.nudge(selected, steps),
    move: (by) => layers.move(chosenId, by),
    add: () => setAdding(true),
    split: () => {
      const layer = selected === null ? null : figures?.layers[selected];
      if (layer) layers.split(chosenId, layer);
    },
    remove: () => remove(chosenId),
    undo: () => draft.undo(),
    redo: () => draft.redo(),
  });

  const narrow = useMediaQuery("(max-width: 1100px)", { noSsr: true });
  const now = useMemo(
    () => ({ bed, figuredBed, figures, buying, forecast }),
    [bed, figuredBed, figures, buying, forecast],
  );
  const followed = usePaced(now, WATCHED_MS);
  const { section, rim_m = 0, spiral } = figures ?? {};
  const geometry = useMemo(() => {
    if (!section || size.width === 0) return null;
    const height = narrow ? NARROW_HEIGHT : size.height - aboveHeight({ spiral }) - YEARS_HEIGHT;
    return fitSection({ section, rim_m }, size.width, height);
  }, [section, rim_m, spiral, size, narrow]);
  const beside = useAfterwards(geometry !== null);
  const count = bed.layers.length;
  // a drag ends with its stack, too: a layer taken off takes its grip with it
  const [dragged, setDragged] = useState<number | null>(null);
  const dragging = dragged === count;
  const order = useMemo(() => Array.from({ length: count }, (_, i) => count - 1 - i), [count]);
  const showCard = useCallback(
    (index: number) => {
      setSelected(index);
      cards.current.get(index)?.scrollIntoView({ block: "nearest" });
    },
    [setSelected],
  );

  // handlers that stay the same while a boundary is dragged, so that only what changed is drawn anew
  const dose = useEventCallback((material: string) => draft.scatter(material));
  const mend = useEventCallback((finding: FindingFigures) => draft.mend(finding));
  const show = useEventCallback(({ layer }: FindingFigures) => layer != null && showCard(layer));
  const see = useEventCallback((code: string, reason: string | null) =>
    edit((now) => withSeen(now, code, reason)),
  );
  const drag = useEventCallback((index: number, height_m: number) => {
    setDragged(count);
    layers.drag(index, height_m);
  });
  const nudge = useEventCallback(layers.nudge);
  const endDrag = useEventCallback(() => {
    setDragged(null);
    draft.endGesture();
  });
  const add = useEventCallback((material: Material, at: number) => {
    layers.add(material, at);
    setAdding(false);
  });
  const takeSpoil = useEventCallback(() => edit((now) => ({ ...now, spoil_on_heap: true })));
  const sheetOnFloor = useEventCallback(() => {
    const sheet = materials.get(FLOOR_SHEET);
    if (sheet) layers.add(sheet, 0);
  });

  if (!figures && problem) return <PageNote>{problem.detail}</PageNote>;
  if (!figures) return <PageWait saying="Measuring the bed ..." />;
  // while a boundary is dragged the drawing goes first, and all else follows it at one pace
  const behind = dragging && inStep && followed.figures ? followed : null;
  const calm = behind ?? now;
  const carded = behind?.figuredBed ?? bed;
  const told = behind?.figures ?? figures;
  const shown = sunken && inStep ? withSunken(figures, sunken) : figures;
  const refusal = problem ?? (save.state === "refused" ? save.problem : null);
  return (
    <View>
      <Work>
        <BedHead
          gardenId={gardenId}
          bed={carded}
          figures={told}
          onEdit={edit}
          draft={draft}
          undoable={state}
          saved={save.state === "saved"}
        />
        {save.state === "stale" && (
          <StaleNotice
            gardenId={gardenId}
            mine={bed}
            current={save.current}
            materials={materials}
            onSettle={(keep) => draft.settle(keep)}
          />
        )}
        {refusal && (
          <Problem>{refusal.detail} The figures are those from before; nothing of this is saved yet.</Problem>
        )}
        <SectionStage ref={stage}>
          {geometry && inStep && beside && (
            <Leaders figures={shown} geometry={geometry} cards={cards} stage={stage} selected={selected} />
          )}
          <SectionLeft ref={drawingRef}>
            <SectionDrawing>
              {geometry && (
                <Drawing
                  bed={figuredBed}
                  figures={shown}
                  geometry={geometry}
                  materials={materials}
                  selected={selected}
                  still={sunken !== null}
                  ghosts={month === null && forecast && inStep ? forecast.ghosts : NO_GHOSTS}
                  onSelect={showCard}
                  onDrag={drag}
                  onDragEnd={endDrag}
                  onNudge={nudge}
                />
              )}
            </SectionDrawing>
            {beside && (
              <>
                <Years figures={told} sunken={sunken} month={month} onMonth={setMonth} />
                <FromAbove
                  gardenId={gardenId}
                  figures={told}
                  materials={materials}
                  spoilTaken={bed.spoil_on_heap ?? false}
                  onSpoil={takeSpoil}
                />
              </>
            )}
          </SectionLeft>
          <SectionCards>
            <LayerCards reversed aria-label="Layers, top to bottom">
              {(beside ? order : []).map((index) => (
                <LayerCard
                  key={layerIds[index]}
                  cardRef={(card) => {
                    if (card) cards.current.set(index, card);
                    else cards.current.delete(index);
                  }}
                  gardenId={gardenId}
                  bed={carded}
                  figures={told}
                  index={index}
                  waitsAs={`${gardenId} ${kept.key} ${layerIds[index]}`}
                  figured={figuresAt(carded, calm.figuredBed, told.layers, index)}
                  materials={materials}
                  selected={selected === index}
                  onSelect={() => setSelected(index)}
                  onEdit={(change) => editLayer(layerIds[index], change)}
                  onMove={(by) => layers.move(layerIds[index], by)}
                  onRemove={() => remove(layerIds[index])}
                />
              ))}
            </LayerCards>
            {beside && (
              <AddLayer
                key={String(adding)}
                gardenId={gardenId}
                figures={told}
                open={adding}
                chosen={selected}
                onOpen={setAdding}
                onAdd={add}
                onSheetOnFloor={sheetOnFloor}
              />
            )}
          </SectionCards>
        </SectionStage>
      </Work>
      {beside && (
        <SectionAside
          gardenId={gardenId}
          bed={calm.figuredBed}
          figures={told}
          buying={calm.buying}
          forecast={calm.forecast}
          waiting={!reached}
          onDose={dose}
          onMend={mend}
          onShow={show}
          onSeen={see}
        />
      )}
    </View>
  );
}
