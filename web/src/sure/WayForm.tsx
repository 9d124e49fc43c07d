import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import { useId, useState, type FormEvent } from "react";
import { Link } from "react-router";
import { saidOf } from "../api/client";
import { useReadings } from "../quantities/useReadings";
import { Note } from "../kit/Note";
import { Problem } from "../kit/Problem";
import { Row } from "../kit/Row";
import { MeasureField } from "../quantities/MeasureField";
import { showVolume } from "../quantities/format";
import { useShowing } from "../quantities/UnitsContext";
import { showSure, FIGURES, narrowerSaid, showBand, waySaid } from "./sureWords";
import type { NarrowWay, WorthMeasuring } from "./sureApi";
import { useTakeIn } from "./useSure";

const Card = styled("form")(({ theme }) => ({
  display: "grid",
  gap: 8,
  padding: "10px 0 12px",
  borderTop: `1px solid ${theme.vars.palette.line}`,
}));

type Read = "volume_m3" | "trodden_m3" | "mass_kg" | "water_m3";

const FIELDS: Record<NarrowWay["way"], readonly (readonly [Read, string])[]> = {
  tape_again: [],
  depth_places: [],
  ask_price: [],
  dip_twice: [],
  tread_bucket: [
    ["volume_m3", "Loose in the bucket"],
    ["trodden_m3", "Trodden down"],
  ],
  weigh_bucket: [
    ["volume_m3", "Loose in the bucket"],
    ["mass_kg", "It weighs"],
  ],
  fill_voids: [
    ["volume_m3", "Laid in the bucket"],
    ["water_m3", "Water that fills the gaps"],
  ],
  check_bag: [
    ["volume_m3", "Its label says"],
    ["trodden_m3", "It holds, loose"],
  ],
};

const DONE: Partial<Record<NarrowWay["way"], string>> = {
  tape_again: "Measured three times",
  depth_places: "Measured at five places",
  ask_price: "These are today's prices",
};

/** Something worth measuring, with fields for what is read. Taken in, the band narrows at once. */
export function WayForm({ gardenId, worth }: { gardenId: number; worth: WorthMeasuring }) {
  const { units, currency } = useShowing();
  const { narrows: way, where, figure } = worth;
  const id = useId();
  const [read, setRead] = useState<Partial<Record<Read, number>>>({});
  const readings = useReadings();
  const takeIn = useTakeIn(gardenId);
  const fields = FIELDS[way.way];
  const lacking = fields.filter(([name]) => read[name] == null);
  const keep = (event: FormEvent) => {
    event.preventDefault();
    if (lacking.length === 0) takeIn.mutate({ way: way.way, of: way.of, ...read });
  };
  return (
    <Card onSubmit={keep} aria-labelledby={id} data-part="way" data-way={way.way}>
      <b id={id}>{waySaid(way)}</b>
      <Note>
        {[where, FIGURES[figure.figure].toLowerCase()].filter(Boolean).join(", ")}:{" "}
        {showSure(figure, figure.usual, units, currency)}, {showBand(figure, units, currency)}; afterwards{" "}
        {narrowerSaid(way.leaves)}.
      </Note>
      <Row sx={{ alignItems: "flex-end" }}>
        {fields.map(([name, label]) => (
          <MeasureField
            key={name}
            label={label}
            limit={name === "mass_kg" ? "mass" : "bag"}
            width="128px"
            eager
            shown={shown(name, read[name], units)}
            onReading={readings.of(name)}
            onMeaning={({ values: [value] }) =>
              setRead((before) => ({ ...before, [name]: value ?? undefined }))
            }
          />
        ))}
        {way.way === "dip_twice" ? (
          <Button component={Link} to={`/garden/${gardenId}/water/bed/${way.of}`}>
            Write down a dip
          </Button>
        ) : (
          <Button
            type="submit"
            disabled={
              lacking.length > 0 || readings.asking || readings.refused() !== null || takeIn.isPending
            }
          >
            {DONE[way.way] ?? "Take it in"}
          </Button>
        )}
      </Row>
      {takeIn.error && <Problem>{saidOf(takeIn.error)}</Problem>}
    </Card>
  );
}

function shown(name: Read, value: number | undefined, units: "ft_in" | "metric"): string {
  if (value == null) return "";
  return name === "mass_kg" ? `${value} kg` : showVolume(value, units);
}
