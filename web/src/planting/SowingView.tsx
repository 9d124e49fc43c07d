import Button from "@mui/material/Button";
import { styled } from "@mui/material/styles";
import Table from "@mui/material/Table";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { saidOf, type KeptGarden } from "../api/client";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Row } from "../kit/Row";
import { PlainView, ViewHead } from "../kit/View";
import { showDay } from "../quantities/format";
import { SCREEN_ONLY } from "../theme/sizes";
import { plantingApi, type SowingDay } from "./plantingApi";

const Month = styled("section")({
  breakInside: "avoid",
  display: "grid",
  gap: 4,
  alignContent: "start",
  "& td, & th": { verticalAlign: "top" },
});

const Months = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 400px), 1fr))",
  gap: "18px 28px",
  alignItems: "start",
});

const DO = { sow: "Sow", plant: "Plant", clear: "Clear" } as const;

/** The whole garden's sowing calendar: what goes in where, month by month, and what is cleared. */
export default function SowingView({ garden }: { garden: KeptGarden }) {
  const days = useQuery({
    queryKey: ["figure", garden.id, "sowing"],
    queryFn: () => plantingApi.sowing(garden.id),
  });
  if (days.error) return <PageNote>{saidOf(days.error)}</PageNote>;
  if (!days.data) return <PageNote>Looking at all beds ...</PageNote>;
  const first = garden.beds[0]?.key;
  return (
    <PlainView data-part="sowing-view">
      <ViewHead>
        <Typography variant="view">Sowing calendar</Typography>
        <Note sx={{ marginRight: "auto" }}>{garden.garden.name}</Note>
        <Row sx={SCREEN_ONLY}>
          {first && (
            <Button component={Link} to={`/garden/${garden.id}/planting/bed/${first}`}>
              Planting
            </Button>
          )}
          <Button component={Link} to={`/garden/${garden.id}/lines`}>
            Watering zones
          </Button>
          <Button variant="contained" component={Link} to={`/garden/${garden.id}/papers?sheet=calendar`}>
            Print
          </Button>
        </Row>
      </ViewHead>
      {days.data.length === 0 && (
        <Note>
          No crop is planned in any bed yet. Choose a bed, open Planting and put crops into it; their days
          come together here.
        </Note>
      )}
      <SowingMonths days={days.data} gardenId={garden.id} />
    </PlainView>
  );
}

/** The months with their days, and what they go by. */
export function SowingMonths({ days, gardenId }: { days: readonly SowingDay[]; gardenId: number }) {
  return (
    <>
      <Months>
        {[...byMonth(days)].map(([month, rows]) => (
          <OneMonth key={month} month={month} rows={rows} gardenId={gardenId} />
        ))}
      </Months>
      <Note>
        Days follow from the garden&apos;s frosts, what each bed still waits for, and the days crops take
        (estimates). A day that was set by hand stands as it was set.
      </Note>
    </>
  );
}

function counted(count: number, what: string): string {
  return `${count} ${count === 1 ? what : `${what}s`}`;
}

/** Days by their months, in their order. */
function byMonth(days: readonly SowingDay[]): Map<string, SowingDay[]> {
  const months = new Map<string, SowingDay[]>();
  for (const day of days) {
    const month = day.on.slice(0, 7);
    months.set(month, [...(months.get(month) ?? []), day]);
  }
  return months;
}

type MonthProps = { month: string; rows: readonly SowingDay[]; gardenId: number };

function OneMonth({ month, rows, gardenId }: MonthProps) {
  const named = new Date(`${month}-01T00:00:00Z`).toLocaleDateString("en", {
    month: "long",
    year: "numeric",
    timeZone: "UTC",
  });
  return (
    <Month aria-label={named} data-part="sowing-month">
      <Typography variant="panelTitle">{named}</Typography>
      <Table>
        <TableHead>
          <TableRow>
            <TableCell>On</TableCell>
            <TableCell>What</TableCell>
            <TableCell>Where</TableCell>
          </TableRow>
        </TableHead>
        <TableBody>
          {rows.map((row, index) => (
            <TableRow key={index} data-part="sowing-row">
              <TableCell sx={{ whiteSpace: "nowrap" }}>{showDay(row.on)}</TableCell>
              <TableCell>
                {DO[row.do]} {row.crop.toLowerCase()}
                {row.count != null && `, ${counted(row.count, row.do === "sow" ? "seed" : "plant")}`}
                {row.until != null && <Note>until {showDay(row.until)} at the latest</Note>}
                {row.because != null && <Note sx={{ color: "iron" }}>{row.because}</Note>}
              </TableCell>
              <TableCell>
                <Button variant="link" component={Link} to={`/garden/${gardenId}/planting/bed/${row.bed}`}>
                  {row.bed_name}
                </Button>
              </TableCell>
            </TableRow>
          ))}
        </TableBody>
      </Table>
    </Month>
  );
}
