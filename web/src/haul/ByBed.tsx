import Button from "@mui/material/Button";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { saidOf, type Schemas } from "../api/client";
import { Note } from "../kit/Note";
import { PageWait } from "../kit/Page";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { fixed, showAreaPrice, showBulkVolume, showLength, showMass, showMoney } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { SCREEN_ONLY } from "../theme/sizes";
import { haulApi } from "./haulApi";

/** What of the haul is set down beside each bed: its label, to print and pin to a stake, and carrying it there. */
export function ByBed({ gardenId }: { gardenId: number }) {
  const answer = useQuery({
    queryKey: ["figure", gardenId, "set-down"],
    queryFn: () => haulApi.setDown(gardenId),
  });
  if (answer.error) return <Problem>{saidOf(answer.error)}</Problem>;
  if (!answer.data) return <PageWait saying="Parting the haul over the beds ..." />;
  const { beds, hours } = answer.data;
  return (
    <Column data-part="by-bed">
      <Row sx={SCREEN_ONLY}>
        <Note sx={{ marginRight: "auto" }}>
          Whole bags, adding up to those bought. Carrying all of it takes one person up to {fixed(hours, 0)}{" "}
          h.
        </Note>
        <Button onClick={() => window.print()}>Print the labels</Button>
      </Row>
      {beds.map((each) => (
        <Label key={each.bed} label={each} />
      ))}
      {beds.length === 0 && <Note>Nothing is to be bought that could be set down.</Note>}
    </Column>
  );
}

function Label({ label }: { label: Schemas["SetDownFigures"] }) {
  const { units, currency } = useShowing();
  return (
    <Sheet component="section" aria-label={label.name} data-part="bed-label" sx={{ breakInside: "avoid" }}>
      <Row sx={{ alignItems: "baseline" }}>
        <Typography variant="sheetTitle" sx={{ marginRight: "auto" }}>
          {label.name}
        </Typography>
        <b>{showMoney(label.price, currency)}</b>
        <Note component="span">
          {label.price_per_m2 != null && `${showAreaPrice(label.price_per_m2, units, currency)}; `}
          {label.price_a_year != null &&
            `${showMoney(label.price_a_year[0], currency)} to ${showMoney(label.price_a_year[1], currency)} a year; `}
          {showMass(label.mass_kg, units)}, {label.barrow_loads}{" "}
          {label.barrow_loads === 1 ? "barrow" : "barrows"}
          {label.way_m != null &&
            `, ${showLength(label.way_m, units)} from where it is dropped${label.by_plot ? "" : " (straight, and a third more)"}`}
          , {fixed(label.hours, 1)} h
        </Note>
      </Row>
      <Row sx={{ gap: 4 }}>
        {label.loads.map(({ material, name, bags, volume_m3 }, index) => (
          <span key={`${material} ${index}`}>
            <b>{bags > 0 ? `${bags} ${bags === 1 ? "bag" : "bags"}` : showBulkVolume(volume_m3, units)}</b>{" "}
            {name}
          </span>
        ))}
      </Row>
    </Sheet>
  );
}
