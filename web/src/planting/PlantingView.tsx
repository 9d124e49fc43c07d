import Button from "@mui/material/Button";
import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import type { Bed, BedFigures, KeptBed, Material } from "../api/client";
import { withSeen } from "../draft/edits";
import { useSaveState } from "../draft/SaveStateContext";
import { BedViewHead } from "../draft/BedViewHead";
import { useBedDraft } from "../draft/useBedDraft";
import { Findings } from "../findings/Findings";
import { Choice } from "../kit/Choice";
import { Note } from "../kit/Note";
import { PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Aside, View, Work } from "../kit/View";
import { todayHere } from "../kit/todayHere";
import { SCREEN_ONLY } from "../theme/sizes";
import { BedPlanted } from "./BedPlanted";
import { CoverCard } from "./CoverCard";
import { CropList } from "./CropList";
import { LinesCard } from "./LinesCard";
import { filling, mirrored, movedBy } from "./places";
import { plantingApi, type BedCrop } from "./plantingApi";
import { PlantingTools } from "./PlantingTools";
import { useSun } from "./useSun";
import { YearSlider } from "./YearSlider";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

const SIDES = [
  ["crops", "Crops"],
  ["cover", "Cover"],
  ["lines", "Lines"],
] as const;

/** What grows in the bed: drawn from above to scale, and for each crop whether the bed suits it, and when. */
export default function PlantingView({ gardenId, kept, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const { bed, figures, problem } = state;
  useSaveState(state.save);
  const [side, setSide] = useState<(typeof SIDES)[number][0]>("crops");
  const [day, setDay] = useState<string | null>(null);
  const [chosen, setChosen] = useState<number | null>(null);
  const [fills, setFills] = useState<number | null>(null);
  const [shaded, setShaded] = useState(false);
  const shelf = useQuery({ queryKey: ["crops", gardenId], queryFn: () => plantingApi.crops(gardenId) });
  // the middle of the month will do: nothing is asked again for each week of the slider
  const sun = useSun(gardenId, bed, shaded, day && `${day.slice(0, 8)}15`);
  const crops = useMemo(() => bed.crops ?? [], [bed.crops]);
  const edit = (change: (now: Bed) => Bed) => draft.edit(change, null);
  const put = (next: readonly BedCrop[]) => edit((now) => ({ ...now, crops: [...next] }));
  const change = (place: number, part: Partial<BedCrop>) =>
    put(crops.map((each, index) => (index === place ? { ...each, ...part } : each)));
  const told = figures?.planting.length === crops.length ? figures.planting : null;
  const here = figures?.findings.filter(({ views }) => views.includes("planting")) ?? [];
  const flagged = useMemo(() => new Set(told?.flatMap(({ fits }, place) => (fits ? [] : [place]))), [told]);
  const gardenPath = `/garden/${gardenId}`;
  const month = day === null ? 5 : Number(day.slice(5, 7)) - 1;
  return (
    <View data-part="planting-view">
      <Work>
        <BedViewHead
          title={`${bed.name}: planting`}
          back={back}
          canUndo={state.canUndo}
          onUndo={() => draft.undo()}
        >
          <Button component={Link} to={`${gardenPath}/sowing`} sx={SCREEN_ONLY}>
            Sowing calendar
          </Button>
        </BedViewHead>
        {problem && <Problem>{problem.detail} Nothing of this is saved yet.</Problem>}
        {figures ? (
          <BedPlanted
            figures={figures}
            day={day}
            sun={sun.map && sun.map.points.length > 0 ? { map: sun.map, month } : null}
            chosen={chosen}
            flagged={flagged}
            filling={fills !== null}
            onChoose={setChosen}
            onMove={(place, by) => {
              const [asked, one] = [crops[place], told?.[place]];
              if (asked && one) change(place, movedBy(asked, one, by));
            }}
            onFill={(from, to) => {
              if (fills !== null) change(fills, filling(from, to));
              setFills(null);
            }}
          />
        ) : (
          !problem && <PageWait saying="Looking at the bed ..." />
        )}
        {figures && (
          <PlantingTools
            figures={figures}
            shaded={shaded}
            sun={sun.map}
            isOld={sun.isOld}
            month={month}
            onShade={setShaded}
            canMirror={told !== null && crops.length > 0}
            onMirror={(across) =>
              told && put(crops.map((each, place) => mirroredIn(figures, each, told[place], across)))
            }
          />
        )}
        {crops.length > 0 && <YearSlider begins={firstMonth(figures)} day={day} onDay={setDay} />}
        {crops.length === 0 && (
          <Note>
            Nothing is planted here yet. Each crop is held against how deep roots go in this fill, what it
            still waits for, and your frosts.
          </Note>
        )}
        <Findings
          title="On the spot"
          findings={here}
          onMend={(finding) => draft.mend(finding)}
          onSeen={(code, reason) => edit((now) => withSeen(now, code, reason))}
        />
      </Work>
      <Aside
        component="aside"
        aria-label="What grows here"
        sx={{ display: "grid", gap: 2, alignContent: "start" }}
      >
        <Choice label="What is shown" options={SIDES} value={side} onChoose={setSide} sx={SCREEN_ONLY} />
        {side === "crops" && (
          <CropList
            gardenId={gardenId}
            bed={bed}
            told={told}
            shelf={shelf.data ?? null}
            chosen={chosen}
            fills={fills}
            onChoose={setChosen}
            onFill={(place) => setFills(fills === place ? null : place)}
            onChange={change}
            onPut={put}
            onLimit={(height_limit_m) => edit((now) => ({ ...now, height_limit_m }))}
          />
        )}
        {side === "cover" && figures && (
          <CoverCard
            gardenId={gardenId}
            bed={bed}
            figures={figures}
            onCover={(cover) => edit((now) => ({ ...now, cover }))}
          />
        )}
        {side === "lines" && figures && (
          <LinesCard
            bed={bed}
            figures={figures}
            gardenPath={gardenPath}
            onLines={(lines) => edit((now) => ({ ...now, lines }))}
          />
        )}
      </Aside>
    </View>
  );
}

function mirroredIn(
  { plan }: BedFigures,
  asked: BedCrop,
  told: BedFigures["planting"][number] | undefined,
  across: "left" | "up",
): BedCrop {
  return told ? mirrored(asked, told, across, [plan.length_m, plan.width_m]) : asked;
}

/** The first of the month in which the first crop goes in; of this month where none has a day. */
function firstMonth(figures: BedFigures | null): string {
  const days = figures?.planting.flatMap(({ stands_from }) => stands_from ?? []).toSorted() ?? [];
  return `${(days[0] ?? todayHere()).slice(0, 7)}-01`;
}
