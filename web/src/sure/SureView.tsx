import Typography from "@mui/material/Typography";
import { useState } from "react";
import { saidOf, type KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Sheet } from "../kit/Sheet";
import { Aside, View, ViewHead, Work } from "../kit/View";
import { Pick } from "../theme/controls/Pick";
import { reachOf } from "./BandBar";
import { SureRow } from "./SureRow";
import { useSure } from "./useSure";
import { WayForm } from "./WayForm";
import { WhatIf } from "./WhatIf";

type Props = { garden: KeptGarden; bedKey: string | undefined };

/** How sure the garden's figures are: each with the band that four gardens of five lie in, and what narrows it. */
export default function SureView({ garden, bedKey }: Props) {
  const sure = useSure(garden.id, true);
  const [chosen, setChosen] = useState(bedKey);
  if (sure.error) return <PageNote>{saidOf(sure.error)}</PageNote>;
  if (!sure.data) return <PageNote>Drawing two thousand gardens ...</PageNote>;
  const { beds, needs, total, draws, worth } = sure.data;
  const bed = beds.find(({ key }) => key === chosen) ?? beds[0];
  const kept = garden.beds.find(({ key }) => key === bed?.key);
  const reach = reachOf([...needs.flatMap(({ figures }) => figures), ...(total ? [total] : [])]);
  return (
    <View data-part="sure-view" aria-busy={sure.isFetching || undefined}>
      <Work>
        <ViewHead>
          <Typography variant="view">How sure</Typography>
          {beds.length > 1 && (
            <Pick
              label="Bed"
              hideLabel
              options={beds.map(({ key, name }) => [key, name] as const)}
              value={bed?.key ?? ""}
              onChoose={setChosen}
            />
          )}
        </ViewHead>
        <Note>
          Drawn {draws.toLocaleString("en")} times over all that nobody measured to the litre. The light band
          holds four gardens of five; the mark is the figure as it is told elsewhere.
        </Note>
        {bed && (
          <Sheet component="section" aria-label={bed.name}>
            <Typography variant="panelTitle" sx={{ marginBottom: 1 }}>
              {bed.name}
            </Typography>
            {bed.figures.map((figure) => (
              <SureRow key={figure.figure} figure={figure} reach={reachOf(bed.figures)} />
            ))}
            {bed.figures.length === 0 && <Note>Nothing lies in it yet.</Note>}
          </Sheet>
        )}
        {kept && <WhatIf key={`${kept.key} ${kept.revision}`} gardenId={garden.id} kept={kept} />}
        {needs.length > 0 && (
          <Sheet component="section" aria-label="To buy">
            <Typography variant="panelTitle" sx={{ marginBottom: 1 }}>
              To buy for all beds
            </Typography>
            {total && <SureRow figure={total} reach={reach} />}
            {needs.flatMap(({ material, name, figures }) =>
              figures.map((figure) => (
                <SureRow
                  key={`${material} ${figure.figure}`}
                  figure={figure}
                  reach={reach}
                  name={figure.figure === "bags" ? `${name}, in bags` : name}
                />
              )),
            )}
          </Sheet>
        )}
      </Work>
      <Aside variant="outlined" component="aside" aria-label="What would narrow this">
        <div>
          <Typography variant="panelTitle">What would narrow this</Typography>
          <Note>What you measure goes into the shelf, the bed or the prices; the bands follow at once.</Note>
        </div>
        {worth.length === 0 && <Note>Nothing that a bucket or a tape would tell.</Note>}
        <div>
          {worth.map((each) => (
            <WayForm key={`${each.narrows.way} ${each.narrows.of}`} gardenId={garden.id} worth={each} />
          ))}
        </div>
      </Aside>
    </View>
  );
}
