import { Problem } from "../kit/Problem";
import {
  SectionAside,
  SectionCards,
  SectionDrawing,
  SectionLeft,
  SectionStage,
  SectionViewBox,
  SectionWait,
  SectionWork,
} from "./section.styles";
import { LayerCards } from "./layer-card.styles";
import useMediaQuery from "@mui/material/useMediaQuery";
import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { Bed, BedFigures, FindingFigures, KeptBed, Material, TalliedFigures } from "../api/client";
import { INCH_M } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { useSaveState } from "../app/SaveStateContext";
import { useSunken, withSunken } from "../settling/useSunken";
import { Years, YEARS_HEIGHT } from "../settling/Years";
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
  withSeen,
} from "./edits";
import { Findings } from "./Findings";
import { aboveHeight, FromAbove } from "./FromAbove";
import { fitSection } from "./geometry";
import { LayerCard } from "./LayerCard";
import { Leaders } from "./Leaders";
import { Prospects } from "./Prospects";
import { StaleNotice } from "./StaleNotice";
import { Tally } from "./Tally";
import { useSectionKeys } from "./useSectionKeys";
import { useSession } from "./useSession";
import { useSize } from "../kit/useSize";

/** Where the page is one column, the section is so high and the page scrolls. */
const NARROW_HEIGHT = 430;

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material> };

/** The heart: one bed cut open, its layers on cards, what it takes and what is worth a look. */
export function SectionView({ gardenId, kept, materials }: Props) {
  const [state, session] = useSession(gardenId, kept);
  const { bed, layerIds, figures, figuredBed, buying, forecast, problem, save } = state;
  const { units } = useShowing();
  const [selected, setSelected] = useState<number | null>(null);
  const [adding, setAdding] = useState(false);
  const [month, setMonth] = useState<number | null>(null);
  const sunken = useSunken(gardenId, figuredBed, month);
  const stage = useRef<HTMLDivElement>(null);
  const [stageRef, stageSize] = useSize<HTMLDivElement>();
  const cards = useRef(new Map<number, HTMLElement>());
  const [drawingRef, size] = useSize<HTMLDivElement>();
  useSaveState(save);
  const bothRefs = useCallback(
    (node: HTMLDivElement | null) => {
      stage.current = node;
      stageRef(node);
    },
    [stageRef],
  );

  useEffect(() => {
    session.refresh();
  }, [session, units]);

  const count = bed.layers.length;
  /** Every edit is told to the bed as it is by then, so that two in one breath don't undo each other. */
  const edit = useCallback(
    (change: (bed: Bed) => Bed, gesture?: string) =>
      session.edit(change(session.snapshot().bed), gesture ?? null),
    [session],
  );
  const editLayer = (id: number | undefined, change: (bed: Bed, index: number) => Bed) => {
    const at = session.snapshot().layerIds.findIndex((each) => each === id);
    if (at >= 0) edit((now) => change(now, at));
  };
  const step_m = units === "ft_in" ? INCH_M / 8 : 0.005;
  const nudge_m = units === "ft_in" ? INCH_M / 2 : 0.01;

  const inStep = figuredBed.layers.length === count;
  const nudge = (index: number, steps: number) => {
    if (figures && inStep) edit((now) => nudgeBoundary(now, index, steps * nudge_m, figures.layers));
  };
  const place = (material: Material) => {
    const at = selected === null ? count : selected + 1;
    edit((now) => addLayer(now, at, newLayer(material, now)));
    setSelected(at);
    setAdding(false);
  };
  const seen = (code: string, reason: string | null) => edit((now) => withSeen(now, code, reason));

  const move = (id: number | undefined, by: 1 | -1) =>
    editLayer(id, (now, index) => {
      const moved = moveLayer(now, index, by);
      if (moved !== now) setSelected(index + by);
      return moved;
    });
  const remove = (id: number | undefined) =>
    editLayer(id, (now, index) => {
      const left = now.layers.length - 1;
      setSelected(left > 0 ? Math.min(index, left - 1) : null);
      return removeLayer(now, index);
    });
  const chosenId = selected === null ? undefined : layerIds[selected];

  const keys = {
    choose: (by: 1 | -1) =>
      setSelected((now) => (now === null ? count - 1 : Math.min(Math.max(now + by, 0), count - 1))),
    nudge: (steps: 1 | -1) => selected !== null && nudge(selected, steps),
    move: (by: 1 | -1) => move(chosenId, by),
    add: () => setAdding(true),
    split: () => {
      const layer = selected === null ? null : figures?.layers[selected];
      if (layer) editLayer(chosenId, (now, index) => splitLayer(now, index, layer.split));
    },
    remove: () => remove(chosenId),
    undo: () => session.undo(),
    redo: () => session.redo(),
  };
  useSectionKeys(keys);

  const narrow = useMediaQuery("(max-width: 1100px)", { noSsr: true });
  const geometry = useMemo(
    () =>
      figures && size.width > 0
        ? fitSection(
            figures,
            size.width,
            narrow ? NARROW_HEIGHT : size.height - aboveHeight(figures) - YEARS_HEIGHT,
          )
        : null,
    [figures, size, narrow],
  );
  const order = useMemo(() => Array.from({ length: count }, (_, i) => count - 1 - i), [count]);

  if (!figures) {
    return <SectionWait>{problem ? problem.detail : "Measuring the bed ..."}</SectionWait>;
  }
  const shown = sunken && inStep ? withSunken(figures, sunken) : figures;
  return (
    <SectionViewBox>
      <SectionWork>
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
          <Problem role="alert">
            {problem.detail} The figures are those from before; nothing of this is saved yet.
          </Problem>
        )}
        <SectionStage ref={bothRefs}>
          {geometry && inStep && (
            <Leaders figures={shown} geometry={geometry} cards={cards} stage={stage} selected={selected} />
          )}
          <SectionLeft ref={drawingRef} style={{ maxHeight: stageSize.height || undefined }}>
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
                  onSelect={setSelected}
                  onDrag={(index, height_m) => {
                    if (inStep)
                      edit(
                        (now) => moveBoundary(now, index, height_m, figures.layers, step_m),
                        `drag ${index}`,
                      );
                  }}
                  onDragEnd={() => session.endGesture()}
                  onNudge={nudge}
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
                  onMove={(by) => move(layerIds[index], by)}
                  onRemove={() => remove(layerIds[index])}
                />
              ))}
            </LayerCards>
            <AddLayer
              gardenId={gardenId}
              open={adding}
              onOpen={setAdding}
              onChoose={place}
              canSplit={selected !== null}
            />
          </SectionCards>
        </SectionStage>
      </SectionWork>
      <SectionAside variant="outlined" component="aside" aria-label="What it takes">
        <Tally bed={bed} figures={figures} buying={buying} waiting={save.state === "offline"} />
        <Prospects
          gardenId={gardenId}
          figures={figures}
          forecast={forecast}
          onDose={(material) => session.scatter(material)}
        />
        <Findings
          findings={allFindings(figures, buying)}
          onMend={(finding) => session.mend(finding)}
          onSelectLayer={setSelected}
          onSeen={seen}
        />
      </SectionAside>
    </SectionViewBox>
  );
}

/** The bed's own findings, and those that came with the buying (a request later), the gravest first. */
function allFindings(figures: BedFigures, buying: TalliedFigures | null): FindingFigures[] {
  const added = buying?.figures.beds[0]?.findings.filter(({ subject }) => subject === "haul") ?? [];
  return [...figures.findings, ...added].toSorted((one, two) => one.rank - two.rank);
}
