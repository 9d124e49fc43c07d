import useMediaQuery from "@mui/material/useMediaQuery";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { BedFigures, FindingFigures, KeptBed, Material, TalliedFigures } from "../api/client";
import { figuresAt, withSeen } from "../draft/edits";
import { useSaveState } from "../draft/SaveStateContext";
import { useBedDraft } from "../draft/useBedDraft";
import { Drawing } from "../drawing/Drawing";
import { fitSection } from "../drawing/geometry";
import { Findings } from "../findings/Findings";
import { PageNote, PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { useTell } from "../kit/Tell";
import { useSize } from "../kit/useSize";
import { Aside, View, Work } from "../kit/View";
import { useShowing } from "../quantities/UnitsContext";
import { useSunken, withSunken } from "../settling/useSunken";
import { Years, YEARS_HEIGHT } from "../settling/Years";
import { AddLayer } from "./AddLayer";
import { BedHead } from "./BedHead";
import { aboveHeight, FromAbove } from "./FromAbove";
import { LayerCard } from "./LayerCard";
import { LayerCards } from "./layer-card.styles";
import { Leaders } from "./Leaders";
import { Prospects } from "./Prospects";
import { SectionCards, SectionDrawing, SectionLeft, SectionStage } from "./section.styles";
import { StaleNotice } from "./StaleNotice";
import { Tally } from "./Tally";
import { useBoundaries } from "./useBoundaries";
import { useSectionKeys } from "./useSectionKeys";

/** Where the page is one column, the section is so high and the page scrolls. */
const NARROW_HEIGHT = 430;
const FLOOR_SHEET = "cardboard";

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
  const [month, setMonth] = useState<number | null>(null);
  const sunken = useSunken(gardenId, figuredBed, month);
  const stage = useRef<HTMLDivElement>(null);
  const cards = useRef(new Map<number, HTMLElement>());
  const [drawingRef, size] = useSize<HTMLDivElement>();
  useSaveState(save);
  useEffect(() => draft.refresh(), [draft, units]);

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
  const geometry = useMemo(() => {
    if (!figures || size.width === 0) return null;
    const height = narrow ? NARROW_HEIGHT : size.height - aboveHeight(figures) - YEARS_HEIGHT;
    return fitSection(figures, size.width, height);
  }, [figures, size, narrow]);
  const count = bed.layers.length;
  const order = useMemo(() => Array.from({ length: count }, (_, i) => count - 1 - i), [count]);
  const showCard = useCallback(
    (index: number) => {
      setSelected(index);
      cards.current.get(index)?.scrollIntoView({ block: "nearest" });
    },
    [setSelected],
  );

  if (!figures && problem) return <PageNote>{problem.detail}</PageNote>;
  if (!figures) return <PageWait saying="Measuring the bed ..." />;
  const shown = sunken && inStep ? withSunken(figures, sunken) : figures;
  const refusal = problem ?? (save.state === "refused" ? save.problem : null);
  return (
    <View>
      <Work>
        <BedHead
          gardenId={gardenId}
          bed={bed}
          figures={figures}
          onEdit={edit}
          draft={draft}
          undoable={state}
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
          {geometry && inStep && (
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
                  ghosts={month === null && forecast && inStep ? forecast.ghosts : []}
                  onSelect={showCard}
                  onDrag={layers.drag}
                  onDragEnd={() => draft.endGesture()}
                  onNudge={layers.nudge}
                />
              )}
            </SectionDrawing>
            <Years figures={figures} month={month} onMonth={setMonth} />
            <FromAbove gardenId={gardenId} figures={figures} materials={materials} />
          </SectionLeft>
          <SectionCards>
            <LayerCards reversed aria-label="Layers, top to bottom">
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
                  onEdit={(change) => editLayer(layerIds[index], change)}
                  onMove={(by) => layers.move(layerIds[index], by)}
                  onRemove={() => remove(layerIds[index])}
                />
              ))}
            </LayerCards>
            <AddLayer
              key={String(adding)}
              gardenId={gardenId}
              figures={figures}
              open={adding}
              chosen={selected}
              onOpen={setAdding}
              onAdd={(material, at) => {
                layers.add(material, at);
                setAdding(false);
              }}
              onSheetOnFloor={() => {
                const sheet = materials.get(FLOOR_SHEET);
                if (sheet) layers.add(sheet, 0);
              }}
            />
          </SectionCards>
        </SectionStage>
      </Work>
      <Aside variant="outlined" component="aside" aria-label="What it takes">
        <Tally figures={figures} buying={buying} waiting={!reached} />
        <Prospects
          gardenId={gardenId}
          figures={figures}
          forecast={forecast}
          onDose={(material) => draft.scatter(material)}
        />
        <Findings
          findings={allFindings(figures, buying)}
          onMend={(finding) => draft.mend(finding)}
          onShow={({ layer }) => layer != null && showCard(layer)}
          onSeen={(code, reason) => edit((now) => withSeen(now, code, reason))}
        />
      </Aside>
    </View>
  );
}

/** The bed's own findings, and those that came with the buying (a request later), the gravest first. */
function allFindings(figures: BedFigures, buying: TalliedFigures | null): FindingFigures[] {
  const added = buying?.figures.beds[0]?.findings.filter(({ subject }) => subject === "haul") ?? [];
  return [...figures.findings, ...added].toSorted((one, two) => one.rank - two.rank);
}
