import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { api, saidOf, type BedFigures, type KeptGarden, type Schemas } from "../api/client";
import { USUAL_TAP_L_MIN } from "../api/words";
import { useHead } from "../draft/useHead";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { PlainView, ViewHead } from "../kit/View";
import { Months } from "../planting/Months";
import { MeasureField } from "../quantities/MeasureField";
import { Quantity } from "../quantities/Quantity";
import { SCREEN_ONLY } from "../theme/sizes";
import { strokeOf, ZoneMap } from "./ZoneMap";

type Zone = Schemas["LedZone"];

export const Zones = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 360px), 1fr))",
  gap: "18px 28px",
  alignItems: "start",
  "& section": { breakInside: "avoid", display: "grid", gap: 6, alignContent: "start" },
});

const Stroke = styled("svg")({ width: 44, height: 12, flex: "none" });

/** The garden's watering zones on the plot, to print: which valve waters what, how long, month by month. */
export default function LinesView({ garden }: { garden: KeptGarden }) {
  const asked = useQuery({ queryKey: ["figure", garden.id], queryFn: () => api.figureGarden(garden.id) });
  const { head, change, error } = useHead(garden.id);
  const failed = asked.error ?? error;
  if (failed) return <PageNote>{saidOf(failed)}</PageNote>;
  if (!asked.data || !head) return <PageNote>Putting the beds into zones ...</PageNote>;
  const { beds, zones } = asked.data.figures;
  const { plot } = garden.garden;
  return (
    <PlainView data-part="lines-view">
      <ViewHead>
        <Typography variant="view">Watering zones</Typography>
        <Note sx={{ marginRight: "auto" }}>{garden.garden.name}</Note>
        <Row sx={{ ...SCREEN_ONLY, alignItems: "flex-end" }}>
          <MeasureField
            label="The tap gives, L a minute"
            limit="tap"
            width="170px"
            shown={head.tap_l_min == null ? "" : String(head.tap_l_min)}
            placeholder={`${USUAL_TAP_L_MIN}, not measured`}
            onMeaning={({ values: [tap_l_min] }) => change({ tap_l_min })}
          />
          <Button variant="contained" component={Link} to={`/garden/${garden.id}/papers?sheet=zones`}>
            Print
          </Button>
        </Row>
      </ViewHead>
      {head.tap_l_min == null && (
        <Note>
          The tap is taken to give {USUAL_TAP_L_MIN} L a minute. Fill a bucket by the clock and enter what it
          gives: zones follow from that.
        </Note>
      )}
      {zones.length === 0 && (
        <Note>
          No bed has drip lines yet. Open a bed&apos;s Planting, choose Lines and lay them; the beds are put
          into as few zones as the tap can feed.
        </Note>
      )}
      {plot && zones.length > 0 && <ZoneMap plot={plot} beds={placedBeds(garden, beds)} zones={zones} />}
      <Zones>
        {zones.map((zone, place) => (
          <OneZone key={zone.key} zone={zone} place={place} beds={beds} gardenId={garden.id} />
        ))}
      </Zones>
      <ByHand beds={beds} />
    </PlainView>
  );
}

/** Beds with their places on the plot, less what lies below another. */
export function placedBeds(garden: KeptGarden, beds: readonly BedFigures[]) {
  const below = new Set(garden.beds.map(({ bed }) => bed.over));
  return garden.beds.flatMap(({ key, bed }) => {
    if (below.has(key)) return [];
    const figures = beds.find((each) => each.key === key);
    return figures && bed.places && bed.places.length > 0
      ? [{ key, name: figures.name, places: bed.places, figures }]
      : [];
  });
}

/** What is watered with cans, and how many. */
export function ByHand({ beds }: { beds: readonly BedFigures[] }) {
  const byHand = beds.filter(
    ({ lines, reservoir, given_l_week }) => !lines && !reservoir && Math.max(...given_l_week) > 1,
  );
  if (byHand.length === 0) return null;
  return (
    <>
      <Typography variant="panelTitle">By hand</Typography>
      <Zones>
        {byHand.map((bed) => (
          <section key={bed.key} aria-label={bed.name} data-part="by-hand">
            <b>{bed.name}</b>
            <Months
              label={`Cans of ${bed.hand.can_l} L a week${bed.count > 1 ? ", each bed" : ""}`}
              unit="cans"
              values={bed.hand.cans_week}
            />
          </section>
        ))}
      </Zones>
    </>
  );
}

type ZoneProps = { zone: Zone; place: number; beds: readonly BedFigures[]; gardenId: number };

export function OneZone({ zone, place, beds, gardenId }: ZoneProps) {
  const named = `Zone ${place + 1}`;
  const pipe_m = zone.runs.reduce((all, { length_m }) => all + length_m, 0);
  const sleeved = zone.runs.filter(({ under_path_m }) => under_path_m > 0);
  return (
    <section aria-label={named} data-part="zone">
      <Row>
        <Stroke viewBox="0 0 44 12" aria-hidden>
          <path d="M0 6H44" fill="none" strokeWidth={3} {...strokeOf(place)} />
        </Stroke>
        <Typography variant="panelTitle">{named}</Typography>
        <Note component="span">{zone.flow_l_min.toFixed(1)} L a minute</Note>
      </Row>
      <Row>
        {zone.beds.map((key) => (
          <Button key={key} variant="link" component={Link} to={`/garden/${gardenId}/planting/bed/${key}`}>
            {beds.find((bed) => bed.key === key)?.name ?? key}
          </Button>
        ))}
      </Row>
      {zone.too_much && (
        <Problem>
          It takes more than three quarters of what the tap gives: the far emitters get too little.
        </Problem>
      )}
      <Months label="Run it, a week" unit="minutes" values={zone.minutes_week} />
      {pipe_m > 0 && (
        <Note>
          <Quantity kind="length" value={pipe_m} /> of supply pipe in {zone.runs.length}{" "}
          {zone.runs.length === 1 ? "run" : "runs"}
          {sleeved.length > 0 && `, ${sleeved.length} under paths: lay those in sleeves`}.
        </Note>
      )}
    </section>
  );
}
