import { FigureTable } from "../kit/FigureTable";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { Note } from "../kit/Note";
import type { BedFigures } from "../api/client";
import { showDay } from "../quantities/format";
import { Quantity } from "../quantities/Quantity";

const NAMES = {
  shallow: "Salads, onions, herbs",
  medium: "Beans, beets, kale",
  deep: "Tomatoes, squash, carrots",
};

/** From when what may be sown, and why not sooner. */
export function Sowing({ figures }: { figures: BedFigures }) {
  const { ready } = figures;
  return (
    <>
      <FigureTable>
        <TableHead>
          <TableRow>
            <TableCell scope="col">Roots</TableCell>
            <TableCell scope="col">From</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {ready.sowings.map((sowing) => (
            <TableRow key={sowing.roots}>
              <TableCell component="th" scope="row">
                {sowing.roots}, over <Quantity kind="length" value={sowing.least_m} />
                <br />
                <span>{NAMES[sowing.roots]}</span>
              </TableCell>
              <TableCell>{whenOf(sowing)}</TableCell>
            </TableRow>
          ))}
        </TableBody>
      </FigureTable>
      {ready.waits.map((wait) => (
        <Note key={wait}>Wait: {wait}.</Note>
      ))}
      <Note>
        Roots can go <Quantity kind="length" value={ready.depth_m} /> down at once
        {ready.built_on && `, filled on ${showDay(ready.built_on)}`}.{" "}
        {ready.sowings
          .map(({ roots, because }) => `${roots[0]?.toUpperCase()}${roots.slice(1)}: ${because}`)
          .join(". ")}
        .
      </Note>
      {ready.harvest_days != null && (
        <Note>
          After raw manure no harvest for {ready.harvest_days} days of what touches the soil,{" "}
          {ready.harvest_days_above} days of what doesn&apos;t.
        </Note>
      )}
    </>
  );
}

type SowingOf = BedFigures["ready"]["sowings"][number];

/** When a class of crops can be sown, in a few words. */
export function whenOf({ years, from_day }: SowingOf): string {
  if (years == null) return "not here";
  if (from_day) return showDay(from_day);
  if (years === 0) return "at once";
  return years < 1 ? `${Math.ceil(years * 12)} months on` : `${Math.ceil(years)} years on`;
}

/** The first that can be sown at all. */
export function firstSowing({ ready }: BedFigures): string {
  const days = ready.sowings.flatMap(({ from_day }) => from_day ?? []).toSorted();
  if (days[0]) return showDay(days[0]);
  const first = ready.sowings.find(({ years }) => years != null);
  return first ? whenOf(first) : "nothing to sow in";
}
