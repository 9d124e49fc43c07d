import Typography from "@mui/material/Typography";
import { useState } from "react";
import { saidOf, type HaulFigures } from "../api/client";
import { useHead } from "../draft/useHead";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Column, Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { showMass, showVolume, typedVolume } from "../quantities/format";
import { MeasureField } from "../quantities/MeasureField";
import { useShowing } from "../quantities/UnitsContext";

type Props = { gardenId: number; haul: HaulFigures; nameOf: (supplier: string) => string };

/** What is fetched, in trips that the vehicle takes; the vehicle is entered here. */
export function Fetching({ gardenId, haul, nameOf }: Props) {
  const { units } = useShowing();
  const { head, change, error } = useHead(gardenId);
  // of a vehicle both figures are wanted; what is typed first waits for the other
  const [half, setHalf] = useState<{ payload_kg?: number; space_m3?: number }>({});
  const vehicle = head?.vehicle ?? null;
  const fetched = haul.lines.some((line) => line.fetch && (line.form === "bag" || line.form === "bulk"));
  if (!fetched && !vehicle) return null;
  const said = { ...half, ...vehicle };
  const set = (part: typeof half) => {
    const { payload_kg, space_m3 } = { ...said, ...part };
    if (payload_kg !== undefined && space_m3 !== undefined) change({ vehicle: { payload_kg, space_m3 } });
    else setHalf({ payload_kg, space_m3 });
  };
  return (
    <Sheet component="section" aria-label="Fetching it" data-part="fetching">
      <Column>
        <Typography variant="sheetTitle">Fetching it</Typography>
        {error && <Problem>{saidOf(error)}</Problem>}
        <Row sx={{ alignItems: "flex-end" }}>
          <MeasureField
            label="Your vehicle carries"
            limit="mass"
            width="150px"
            placeholder="its payload"
            shown={said.payload_kg === undefined ? "" : showMass(said.payload_kg, units)}
            onMeaning={({ values: [payload_kg] }) => payload_kg !== undefined && set({ payload_kg })}
          />
          <MeasureField
            label="It has room for"
            limit="bag"
            width="150px"
            placeholder="behind the seats"
            shown={said.space_m3 === undefined ? "" : typedVolume(said.space_m3, units)}
            onMeaning={({ values: [space_m3] }) => space_m3 !== undefined && set({ space_m3 })}
          />
          {!vehicle && <Note>Enter both: the bags are packed into trips.</Note>}
        </Row>
        {haul.trips.map((trip, index) => (
          <Row key={index} data-part="trip">
            <b>
              Trip {index + 1}, {nameOf(trip.supplier)}
            </b>
            <span>
              {trip.loads
                .map(({ name, bags, volume_m3 }) =>
                  [
                    bags > 0 && `${bags} ${bags === 1 ? "bag" : "bags"}`,
                    volume_m3 > 0 && `${showVolume(volume_m3, units)} loose`,
                  ]
                    .filter(Boolean)
                    .join(" and ")
                    .concat(` ${name}`),
                )
                .join(", ")}
            </span>
            <Note component="span">
              {showMass(trip.mass_kg, units)}, {showVolume(trip.space_m3, units)}
            </Note>
            {trip.over && (
              <Problem>One thing is more than it takes: have it delivered, or in smaller bags.</Problem>
            )}
          </Row>
        ))}
        {haul.least_trips != null && haul.trips.length > haul.least_trips && (
          <Note>By weight and room alone no packing takes fewer than {haul.least_trips}.</Note>
        )}
      </Column>
    </Sheet>
  );
}
