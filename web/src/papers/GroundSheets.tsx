import { useQuery } from "@tanstack/react-query";
import { api, type BedFigures, type KeptGarden, type Plot, type Schemas } from "../api/client";
import { Note } from "../kit/Note";
import { ByHand, OneZone, placedBeds, Zones } from "../lines/LinesView";
import { ZoneMap } from "../lines/ZoneMap";
import { SetOut } from "../plot/SettingOutView";
import { GROUND_BESIDE, sizeOfGround } from "../plot/sheet";
import { Paper, usePrinting } from "./Paper";
import { ScaleBar } from "./ScaleBar";
import { scaleFor } from "./sizes";

/** How the plot is set out with two tapes. */
export function SettingOutSheet({ garden, plot }: { garden: KeptGarden; plot: Plot }) {
  const { paper } = usePrinting();
  const told = useQuery({
    queryKey: ["figure", garden.id, "setting out"],
    queryFn: () => api.settingOut(garden.id),
  }).data;
  const at = scaleFor(paper, sizeOfGround(plot), GROUND_BESIDE);
  return (
    <Paper title="Setting out" to="plot/setting-out">
      <Note>Two people, two tapes: hold each at a corner of the plot; where they meet is the peg.</Note>
      {told && <SetOut plot={plot} told={told} px_per_m={at.px_per_m} under={<ScaleBar at={at} />} />}
    </Paper>
  );
}

type ZoneProps = { garden: KeptGarden; beds: readonly BedFigures[]; zones: readonly Schemas["LedZone"][] };

/** Which valve waters what, how long, month by month. */
export function ZoneSheet({ garden, beds, zones }: ZoneProps) {
  const { paper } = usePrinting();
  const { plot } = garden.garden;
  const at = plot ? scaleFor(paper, sizeOfGround(plot), GROUND_BESIDE) : null;
  return (
    <Paper title="Watering zones" to="lines">
      {zones.length === 0 && <Note>No bed has drip lines yet.</Note>}
      {plot && at && zones.length > 0 && (
        <>
          <ZoneMap plot={plot} beds={placedBeds(garden, beds)} zones={zones} px_per_m={at.px_per_m} />
          <ScaleBar at={at} />
        </>
      )}
      <Zones>
        {zones.map((zone, place) => (
          <OneZone key={zone.key} zone={zone} place={place} beds={beds} gardenId={garden.id} />
        ))}
      </Zones>
      <ByHand beds={beds} />
    </Paper>
  );
}
