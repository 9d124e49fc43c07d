import { Problem } from "../kit/Problem";
import { PageNote } from "../kit/Page";
import { WaterSeen, WaterTop } from "./water.styles";
import { Aside, View, Work } from "../kit/View";
import { NoReservoir } from "./NoReservoir";
import { StandIns } from "./StandIns";
import { meant } from "../api/meant";
import { useQuery } from "@tanstack/react-query";
import { saidOf, type Bed, type KeptBed, type Material } from "../api/client";
import { useSaveState } from "../draft/SaveStateContext";
import { Findings } from "../findings/Findings";
import { withSeen } from "../draft/edits";
import { BedViewHead } from "../draft/BedViewHead";
import { useBedDraft } from "../draft/useBedDraft";
import { useShowing } from "../quantities/UnitsContext";
import { Cutaway } from "./Cutaway";
import { Dips } from "./Dips";
import { Sheet } from "../kit/Sheet";
import { StandsOn } from "../ground/StandsOn";
import { ReservoirFields } from "./ReservoirFields";
import { Sliders } from "./Sliders";
import { Thirst } from "./Thirst";
import { Told } from "./Told";
import { Weather } from "./Weather";
import { Year } from "./Year";
import { YearTally } from "./YearTally";
import { waterApi } from "./waterApi";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

/** A bed's reservoir: cut open with its names, its year, and what can be changed about it. */
export default function WaterView({ gardenId, kept, materials, back }: Props) {
  const [state, draft] = useBedDraft(gardenId, kept);
  const { bed, figures, figuredBed, problem } = state;
  const { told_in } = useShowing();
  useSaveState(state.save);
  const edit = (change: (now: Bed) => Bed, gesture?: string) => draft.edit(change, gesture ?? null);
  const year = useQuery({
    queryKey: ["water", gardenId, told_in, JSON.stringify(figuredBed)],
    queryFn: ({ signal }) => waterApi.figureWater(gardenId, figuredBed, signal),
    enabled: figuredBed.reservoir != null,
    placeholderData: (before) => before,
  });
  const dips = useQuery({
    queryKey: ["dips", gardenId, kept.key],
    queryFn: () => waterApi.dips(gardenId, kept.key),
    enabled: bed.reservoir != null,
  });
  const read = {
    gardenId,
    bedKey: kept.key,
    keptAs: state.save.state === "saved" ? JSON.stringify(bed) : null,
    cropFactor: meant("Watering", bed.watering ?? {}, "crop_factor"),
    onCropFactor: (crop_factor: number) =>
      edit((now) => ({ ...now, watering: { ...(now.watering ?? {}), crop_factor } as Bed["watering"] })),
  };
  return (
    <View data-part="water-view">
      <Work>
        <BedViewHead
          title={`${bed.name}: water`}
          back={back}
          canUndo={state.canUndo}
          onUndo={() => draft.undo()}
        />
        {problem && (
          <Problem>{problem.detail} The figures are those from before; nothing of this is saved yet.</Problem>
        )}
        {bed.reservoir == null && (
          <NoReservoir
            gardenId={gardenId}
            figures={figures}
            materials={materials}
            onMake={() =>
              edit((now) => ({ ...now, reservoir: figures?.first_reservoir as Bed["reservoir"] }))
            }
          />
        )}
        {bed.reservoir == null && figures && <Thirst figures={figures} />}
        {bed.reservoir != null && figures?.reservoir && (
          <>
            <WaterTop>
              <WaterSeen>
                <Cutaway figures={figures} materials={materials} />
                {year.error && !year.data && <Problem>{saidOf(year.error)}</Problem>}
                {year.data ? (
                  <Year figures={year.data} dips={dips.data ?? []} />
                ) : (
                  <PageNote>Letting years of weather pass ...</PageNote>
                )}
              </WaterSeen>
              <Sliders
                bed={bed}
                figures={figures}
                materials={materials}
                onEdit={edit}
                onEnd={() => draft.endGesture()}
              />
            </WaterTop>
            <ReservoirFields bed={bed} onEdit={edit} />
            <Sheet>
              <StandsOn gardenId={gardenId} bed={bed} figures={figures} onEdit={edit} />
            </Sheet>
            <Thirst figures={figures} />
          </>
        )}
      </Work>
      {bed.reservoir != null && figures?.reservoir && (
        <Aside variant="outlined" component="aside" data-part="water-aside" aria-label="What it does">
          <YearTally figures={figures} year={year.data ?? null} />
          <Told {...read} />
          <Dips {...read} dips={dips.data ?? []} />
          <Weather gardenId={gardenId} />
          <Findings
            findings={figures.findings.filter(({ views }) => views.includes("water"))}
            onMend={(finding) => draft.mend(finding)}
            onSeen={(code, reason) => edit((now) => withSeen(now, code, reason))}
          />
          <StandIns gardenId={gardenId} bedKey={kept.key} />
        </Aside>
      )}
    </View>
  );
}
