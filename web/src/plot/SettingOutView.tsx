import Button from "@mui/material/Button";
import TableBody from "@mui/material/TableBody";
import TableCell from "@mui/material/TableCell";
import TableContainer from "@mui/material/TableContainer";
import TableHead from "@mui/material/TableHead";
import TableRow from "@mui/material/TableRow";
import { styled } from "@mui/material/styles";
import Typography from "@mui/material/Typography";
import { useQuery } from "@tanstack/react-query";
import type { ReactNode } from "react";
import { Link } from "react-router";
import { api, saidOf, type KeptGarden, type Plot, type Schemas } from "../api/client";
import { FigureTable } from "../kit/FigureTable";
import { Note } from "../kit/Note";
import { PageNote } from "../kit/Page";
import { Row } from "../kit/Row";
import { Sheet } from "../kit/Sheet";
import { PlainView, ViewHead } from "../kit/View";
import { Quantity } from "../quantities/Quantity";
import { letterOf, SettingOutDrawing } from "./SettingOutDrawing";

/** Tables beside each other where there is room. */
const Tables = styled("div")({
  display: "grid",
  gridTemplateColumns: "repeat(auto-fill, minmax(min(100%, 310px), 1fr))",
  gap: "14px 28px",
  alignItems: "start",
});

type Bed = Schemas["SetOutFigures"];
type Pegs = readonly Schemas["PegFigures"][];
type Props = { garden: KeptGarden };

/** How the plot is set out with two tapes: a drawing and a list, to take outside. */
export default function SettingOutView({ garden }: Props) {
  const answer = useQuery({
    queryKey: ["figure", garden.id, "setting out"],
    queryFn: () => api.settingOut(garden.id),
    enabled: garden.garden.plot != null,
  });
  const plot = garden.garden.plot;
  if (!plot) return <PageNote>Measure the ground on Plot first.</PageNote>;
  if (answer.error) return <PageNote>{saidOf(answer.error)}</PageNote>;
  const told = answer.data;
  if (!told) return <PageNote>Working out the tapes ...</PageNote>;
  return (
    <PlainView data-part="setting-out">
      <ViewHead>
        <Typography variant="view">Setting out</Typography>
        <Note sx={{ marginRight: "auto" }}>
          Two people, two tapes: hold each at a corner of the plot; where they meet is the peg.
        </Note>
        <Row sx={{ "@media print": { display: "none" } }}>
          <Button component={Link} to={`/garden/${garden.id}/plot`}>
            Plot
          </Button>
          <Button component={Link} to={`/garden/${garden.id}/papers?sheet=setting-out`}>
            Print
          </Button>
        </Row>
      </ViewHead>
      <SetOut plot={plot} told={told} />
    </PlainView>
  );
}

type SetOutProps = { plot: Plot; told: Schemas["SettingOut"]; px_per_m?: number; under?: ReactNode };

/** The drawing, each bed's pegs, and flags. px_per_m: its scale, where it isn't to fit. under: what stands below it. */
export function SetOut({ plot, told, px_per_m, under }: SetOutProps) {
  return (
    <>
      <Sheet>
        <SettingOutDrawing plot={plot} told={told} px_per_m={px_per_m} />
        {under}
        <Note>
          Check the plot itself first:{" "}
          {told.base_m.map((side_m, index) => (
            <span key={index}>
              {index + 1} to {((index + 1) % told.base_m.length) + 1}{" "}
              <Quantity kind="length" value={side_m} />
              {index < told.base_m.length - 1 ? ", " : ""}
            </span>
          ))}
          {told.diagonals.map(({ pegs, length_m }) => (
            <span key={pegs.join()}>
              , across {pegs[0]} to {pegs[1]} <Quantity kind="length" value={length_m} />
            </span>
          ))}
          .
        </Note>
      </Sheet>
      <Tables>
        {told.beds.map((bed, index) => (
          <OneBed key={`${bed.key} ${bed.index}`} bed={bed} letter={letterOf(index)} />
        ))}
      </Tables>
      {told.lines.length > 0 && (
        <Sheet component="section" aria-labelledby="flags-title">
          <Typography variant="sheetTitle" id="flags-title">
            Flags along the heights
          </Typography>
          <Tables>
            {told.lines.map((line, index) => (
              <TableContainer key={index}>
                <Typography variant="strong" component="h3">
                  <Quantity kind="length" value={line.height_m} /> up, from corners {line.first} and{" "}
                  {line.second}
                </Typography>
                <PegTable pegs={line.flags} first={line.first} second={line.second} />
              </TableContainer>
            ))}
          </Tables>
        </Sheet>
      )}
    </>
  );
}

function OneBed({ bed, letter }: { bed: Bed; letter: string }) {
  return (
    <Sheet component="section" aria-label={bed.name} sx={{ breakInside: "avoid" }} data-part="set-out-bed">
      <Typography variant="sheetTitle">
        {letter}: {bed.name}
      </Typography>
      <TableContainer>
        <PegTable pegs={bed.pegs} first={bed.first} second={bed.second} />
      </TableContainer>
      <Note>
        {bed.radius_m != null && (
          <>
            Draw round it with a string of <Quantity kind="length" value={bed.radius_m} />.
          </>
        )}
        {bed.half_m != null && (
          <>
            The pegs stand along its middle; its edges lie <Quantity kind="length" value={bed.half_m} /> from
            there on either side.
          </>
        )}
        {bed.diagonals.length > 0 && (
          <>
            To be square:{" "}
            {bed.diagonals.map(({ pegs, length_m }, index) => (
              <span key={pegs.join()}>
                {index > 0 && ", "}
                {pegs[0]} to {pegs[1]} <Quantity kind="length" value={length_m} />
              </span>
            ))}
            .
          </>
        )}
      </Note>
    </Sheet>
  );
}

function PegTable({ pegs, first, second }: { pegs: Pegs; first: number; second: number }) {
  return (
    <FigureTable size="small">
      <TableHead>
        <TableRow>
          <TableCell scope="col">peg</TableCell>
          <TableCell scope="col">from corner {first}</TableCell>
          <TableCell scope="col">from corner {second}</TableCell>
        </TableRow>
      </TableHead>
      <TableBody>
        {pegs.map((peg) => (
          <TableRow key={peg.name} data-part="peg">
            <TableCell component="th" scope="row">
              {peg.name}
            </TableCell>
            <TableCell>
              <Quantity kind="length" value={peg.first_m} />
            </TableCell>
            <TableCell>
              <Quantity kind="length" value={peg.second_m} />
            </TableCell>
          </TableRow>
        ))}
      </TableBody>
    </FigureTable>
  );
}
