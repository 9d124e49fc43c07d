import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { Problem } from "../kit/Problem";
import { PageNote } from "../kit/Page";
import { WaterAside, WaterHead, WaterStart, WaterTop, WaterViewBox, WaterWork } from "./water.styles";
import { meant } from "../api/meant";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { saidOf, type Bed, type KeptBed, type Material } from "../api/client";
import { useSaveState } from "../app/SaveStateContext";
import { Findings } from "../section/Findings";
import { withSeen } from "../section/edits";
import { useSession } from "../section/useSession";
import { useShowing } from "../quantities/UnitsContext";
import { Cutaway } from "./Cutaway";
import { Dips } from "./Dips";
import { ReservoirFields } from "./ReservoirFields";
import { Sliders } from "./Sliders";
import { Told } from "./Told";
import { Weather } from "./Weather";
import { Year } from "./Year";
import { YearTally } from "./YearTally";
import { waterApi } from "./waterApi";

type Props = { gardenId: number; kept: KeptBed; materials: ReadonlyMap<string, Material>; back: string };

/** A bed's reservoir: cut open with its names, its year, and what can be changed about it. */
export function WaterView({ gardenId, kept, materials, back }: Props) {
  const [state, session] = useSession(gardenId, kept);
  const { bed, figures, figuredBed, problem } = state;
  const { units } = useShowing();
  useSaveState(state.save);
  const edit = (change: (bed: Bed) => Bed, gesture?: string) =>
    session.edit(change(session.snapshot().bed), gesture ?? null);
  const year = useQuery({
    queryKey: ["water", gardenId, units, JSON.stringify(figuredBed)],
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
    <WaterViewBox data-part="water-view">
      <WaterWork>
        <WaterHead>
          <Typography variant="view" data-part="view-title">
            {bed.name}: water
          </Typography>
          <Button component={Link} to={back}>
            Section
          </Button>
          <Button disabled={!state.canUndo} onClick={() => session.undo()}>
            Undo
          </Button>
        </WaterHead>
        {problem && (
          <Problem role="alert">
            {problem.detail} The figures are those from before; nothing of this is saved yet.
          </Problem>
        )}
        {bed.reservoir == null ? (
          <WaterStart variant="outlined" component="div" data-part="water-start">
            <p>
              This bed has no reservoir. A wicking bed keeps its water under the soil: coarse stone over a
              liner, an overflow, and soil that draws the water up.
            </p>
            <Button
              variant="contained"
             
              disabled={!figures?.first_reservoir}
              onClick={() =>
                edit((now) => ({ ...now, reservoir: figures?.first_reservoir as Bed["reservoir"] }))
              }
            >
              Make it a wicking bed
            </Button>
          </WaterStart>
        ) : (
          figures?.reservoir && (
            <>
              <WaterTop>
                <Cutaway figures={figures} materials={materials} />
                <Sliders
                  bed={bed}
                  figures={figures}
                  materials={materials}
                  onEdit={edit}
                  onEnd={() => session.endGesture()}
                />
              </WaterTop>
              {year.error && !year.data && <p role="alert">{saidOf(year.error)}</p>}
              {year.data ? (
                <Year figures={year.data} dips={dips.data ?? []} />
              ) : (
                <PageNote data-part="page-note">Letting years of weather pass ...</PageNote>
              )}
              <ReservoirFields gardenId={gardenId} bed={bed} materials={materials} onEdit={edit} />
            </>
          )
        )}
      </WaterWork>
      {bed.reservoir != null && figures?.reservoir && (
        <WaterAside variant="outlined" component="aside" data-part="water-aside" aria-label="What it does">
          <YearTally figures={figures} year={year.data ?? null} />
          <Told {...read} />
          <Dips {...read} dips={dips.data ?? []} />
          <Weather gardenId={gardenId} />
          <Findings
            findings={figures.findings.filter(({ views }) => views.includes("water"))}
            onMend={(finding) => session.mend(finding)}
            onSelectLayer={() => undefined}
            onSeen={(code, reason) => edit((now) => withSeen(now, code, reason))}
          />
        </WaterAside>
      )}
    </WaterViewBox>
  );
}
